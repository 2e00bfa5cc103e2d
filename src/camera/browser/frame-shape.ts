// How a frame of a device lies in its memory, and as what it is to be seen: a device may code more than is visible, give it to be shown at another
// size, and hold its sensor across the screen.

/** What of a frame counts: sizes in pixels. */
export interface FrameSides {
  readonly codedWidth: number;
  readonly codedHeight: number;
  readonly displayWidth: number;
  readonly displayHeight: number;
  readonly visibleRect: DOMRectReadOnly | null;
  /** Clockwise, degrees, before it is mirrored; browsers that know of neither turn nothing. */
  readonly rotation?: number;
  readonly flip?: boolean;
}

export interface FrameShape {
  /** The part of what is coded that is a picture. */
  readonly visible: {
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  };
  /** Pixels that it is drawn from, to one pixel of what is visible; null where it is turned, mirrored or stretched: then only the browser draws it right. */
  readonly scale: number | null;
}

/** Sides are rounded to whole pixels: ratios closer than this are one. */
const SAME = 0.01;

/** Where in a frame its picture lies, and how it is to be drawn. What a browser does not tell counts as nothing to be done. */
export function frameShape(frame: FrameSides): FrameShape {
  const { x = 0, y = 0, width = frame.codedWidth, height = frame.codedHeight } = frame.visibleRect ?? {};
  const [across, down] = [frame.displayWidth / width, frame.displayHeight / height];
  const turned = (frame.rotation ?? 0) % 360 !== 0 || frame.flip === true;
  const even = Math.abs(across / down - 1) < SAME;
  return { visible: { x, y, width, height }, scale: turned || !even ? null : across };
}
