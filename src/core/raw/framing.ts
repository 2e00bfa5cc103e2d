// How an image is seen, resolved from all that it says of that: the part that counts, the frame lines in it, turned and set level.
import type { LinearImage } from '../sensor/rgb-image';
import { isTurn, seenRectangle, seenSize, storedOf, type Rectangle, type Turn } from './shown';
import { boundsOf, seenTilt } from './tilt';

interface Size {
  readonly width: number;
  readonly height: number;
}

export interface Framing {
  /** Of the image as it is stored. */
  readonly stored: Size;
  /** The part that counts, and what of it is inside the frame lines, in columns and rows of the image; all of it where nothing is said. */
  readonly part: Rectangle;
  readonly lines: Rectangle;
  readonly turn: Turn;
  /** Degrees that the lines are turned clockwise about their middle: over the image as it is stored, and as it is seen, where a mirror turns them about. */
  readonly tiltDeg: number;
  readonly seenTiltDeg: number;
  /** Of what is inside the lines, turned to be seen. */
  readonly seen: Size;
}

/** What an image says of how it is seen. */
export type Framed = Pick<LinearImage, 'width' | 'height' | 'crop' | 'userCrop' | 'orientation' | 'tiltDeg'>;

export function framingOf({ width, height, crop, userCrop, orientation, tiltDeg = 0 }: Framed): Framing {
  const part = crop ?? { x: 0, y: 0, width, height };
  const lines = userCrop ?? part;
  const turn = isTurn(orientation) ? orientation : 1;
  return {
    stored: { width, height },
    ...{ part, lines, turn, tiltDeg },
    seenTiltDeg: seenTilt(tiltDeg, turn),
    seen: seenSize({ width, height, crop, userCrop, orientation: turn }),
  };
}

/** Columns and rows of the image under a rectangle of what is seen, of lines that are level. */
export function storedIn({ lines, turn }: Framing, seen: Rectangle): Rectangle {
  const inside = storedOf(seen, lines, turn);
  return { ...inside, x: inside.x + lines.x, y: inside.y + lines.y };
}

/** Where columns and rows of the image are seen, of lines that are level. */
export function seenIn({ lines, turn }: Framing, stored: Rectangle): Rectangle {
  return seenRectangle({ ...stored, x: stored.x - lines.x, y: stored.y - lines.y }, lines, turn);
}

/** What turned lines reach over, in whole columns and rows of the image that there are. */
export function reachOf({
  stored,
  lines,
  tiltDeg,
}: Pick<Framing, 'stored' | 'lines' | 'tiltDeg'>): Rectangle {
  const around = tiltDeg === 0 ? lines : boundsOf(lines, tiltDeg);
  const [x, y] = [Math.max(0, around.x), Math.max(0, around.y)];
  return {
    ...{ x, y },
    width: Math.max(1, Math.min(stored.width, around.x + around.width) - x),
    height: Math.max(1, Math.min(stored.height, around.y + around.height) - y),
  };
}
