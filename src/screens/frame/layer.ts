// One open frame as it lies under the glass: all of it at the size of the window, and over that the part that is looked at as sharp as it is. Both are
// bitmaps that the lightbox makes; until the sharper one comes the other stands in, so that a drag never waits.
import { useEffect, useRef, useState } from 'react';
import { MARK_COLOURS } from '../../core/finder/drawing';
import type { Rectangle } from '../../core/raw/shown';
import type { PictureHistogram } from '../../core/scopes/picture-histogram';
import type { Clipping, Look } from '../../core/review/view';
import { lightbox } from '../../library/staff';
import type { Zoom } from './viewing';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** Where the glass is: pixels of the screen for one of the picture, and the picture's pixel in the middle. */
export interface Glass {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

export interface Layer {
  /** What it is of (`keyOf`); null until something is there. */
  readonly of: string | null;
  /** Of what is seen of the frame. */
  readonly size: Size | null;
  readonly fit: ImageBitmap | null;
  /** A region, made for a scale of the screen. */
  readonly part: {
    readonly bitmap: ImageBitmap;
    readonly region: Rectangle;
    readonly scale: number;
  } | null;
  /** Of the developed picture, all of it; of the one before while a channel is shown. */
  readonly tones: PictureHistogram | null;
  readonly failed: string | null;
}

/** How much a region that is asked for reaches over what is on view, in its sizes on either side. */
const MARGIN = 0.35;
/** Regions begin on multiples of this, so that the patterns of marks stay where they are. */
const STEP = 168;
/** The largest scale of a picture that is averaged from sites. */
const LARGEST_REDUCED = 0.499;

/** Pixels of the screen for a pixel of the picture where all of it fits into the window. */
export function fitScale(size: Size, window: Size): number {
  return Math.min(window.width / size.width, window.height / size.height);
}

/** The glass over a picture of that size. @param window pixels of the screen */
export function glassOver(
  size: Size,
  window: Size,
  zoom: Zoom,
  at: { readonly x: number; readonly y: number },
): Glass {
  const scale = zoom === 'fit' ? fitScale(size, window) : zoom;
  // No further than its edges, and in the middle where there is room on both sides.
  const held = (share: number, whole: number, seen: number) => {
    const half = seen / scale / 2;
    return 2 * half >= whole ? whole / 2 : Math.min(whole - half, Math.max(half, share * whole));
  };
  return {
    scale,
    x: held(at.x, size.width, window.width),
    y: held(at.y, size.height, window.height),
  };
}

/** What of a picture is under the glass, whole pixels. */
export function under({ scale, x, y }: Glass, size: Size, window: Size): Rectangle {
  const [w, h] = [window.width / scale, window.height / scale];
  const left = Math.max(0, Math.floor(x - w / 2));
  const top = Math.max(0, Math.floor(y - h / 2));
  return {
    x: left,
    y: top,
    width: Math.max(1, Math.min(size.width, Math.ceil(x + w / 2)) - left),
    height: Math.max(1, Math.min(size.height, Math.ceil(y + h / 2)) - top),
  };
}

function around(part: Rectangle, size: Size): Rectangle {
  const x = Math.max(0, Math.floor((part.x - MARGIN * part.width) / STEP) * STEP);
  const y = Math.max(0, Math.floor((part.y - MARGIN * part.height) / STEP) * STEP);
  return {
    ...{ x, y },
    width: Math.min(size.width, Math.ceil(part.x + part.width * (1 + MARGIN))) - x,
    height: Math.min(size.height, Math.ceil(part.y + part.height * (1 + MARGIN))) - y,
  };
}

function covers(region: Rectangle, part: Rectangle): boolean {
  return (
    region.x <= part.x &&
    region.y <= part.y &&
    region.x + region.width >= part.x + part.width &&
    region.y + region.height >= part.y + part.height
  );
}

/** Pixels that a region is asked for as: one for one, or reduced where the screen shows it at less than half. */
function pixelsFor({ width, height }: Rectangle, scale: number): Size {
  if (scale >= 0.5) return { width, height };
  return {
    width: Math.max(1, Math.round(width * scale)),
    height: Math.max(1, Math.round(height * scale)),
  };
}

/** What is to be seen of a frame. */
export interface Wanted {
  readonly id: string;
  readonly look: Look;
  readonly clipping: Clipping;
  /** Pixels of the screen. */
  readonly window: Size;
  readonly zoom: Zoom;
  readonly at: { readonly x: number; readonly y: number };
}

const NOTHING: Layer = { of: null, size: null, fit: null, part: null, tones: null, failed: null };

/** Asks the lightbox for what is wanted, one thing at a time; what is wanted meanwhile is asked for next. */
class Feed {
  layer: Layer = NOTHING;
  private wanted: Wanted | null = null;
  private busy = false;
  private over = false;
  private failedOf: string | null = null;
  private replaced: ImageBitmap[] = [];

  constructor(private readonly onChange: (layer: Layer) => void) {}

  want(wanted: Wanted): void {
    this.wanted = wanted;
    // What failed is not asked for again: it fails again.
    if (!this.busy && this.failedOf !== keyOf(wanted)) void this.run();
  }

  /** The frame is not open: when it is opened anew, what failed is asked for again. */
  rest(): void {
    this.failedOf = null;
    if (this.layer.failed !== null) this.set({ failed: null });
  }

  close(): void {
    this.over = true;
    this.layer.fit?.close();
    this.layer.part?.bitmap.close();
    this.layer = NOTHING;
    this.letGo();
  }

  /** Told what is drawn from now on: what it replaced is needed no more. Until then it may be drawn once again. */
  drawn(layer: Layer): void {
    if (layer === this.layer) this.letGo();
  }

  private letGo(): void {
    for (const bitmap of this.replaced) bitmap.close();
    this.replaced = [];
  }

  private async run(): Promise<void> {
    this.busy = true;
    try {
      for (let next = this.missing(); next && !this.over; next = this.missing()) await next();
    } catch (error) {
      this.failedOf = this.wanted && keyOf(this.wanted);
      this.set({ failed: error instanceof Error ? error.message : String(error) });
    }
    this.busy = false;
  }

  /** What is to be asked for; null when all that is wanted is there. */
  private missing(): (() => Promise<void>) | null {
    const { wanted, layer } = this;
    if (!wanted || wanted.window.width < 1 || wanted.window.height < 1) return null;
    const key = keyOf(wanted);
    if (layer.of !== key || !layer.size) return () => this.getWhole(wanted, key);
    const glass = glassOver(layer.size, wanted.window, wanted.zoom, wanted.at);
    if (glass.scale <= fitScale(layer.size, wanted.window) * 1.02) return null;
    const seen = under(glass, layer.size, wanted.window);
    if (layer.part && isSharp(layer.part, glass.scale) && covers(layer.part.region, seen)) return null;
    const region = around(seen, layer.size);
    return () => this.getPart(wanted, key, region, glass.scale);
  }

  private async getWhole({ id, look, clipping, window }: Wanted, key: string): Promise<void> {
    const size = await lightbox.call((api) => api.size(id, look));
    const region = { x: 0, y: 0, ...size };
    // A mosaic's cell is the least that a pixel of a smaller picture stands for.
    const pixels = pixelsFor(region, Math.min(fitScale(size, window), LARGEST_REDUCED));
    const tones = look.channel === null;
    const ask = { region, ...pixels, clipping, colours: MARK_COLOURS, tones };
    const { bitmap: fit, histogram } = await lightbox.call((api) => api.view(id, ask, look));
    this.set({
      ...{ of: key, size, fit, part: null, failed: null },
      ...(histogram && { tones: histogram }),
    });
  }

  private async getPart(
    { id, look, clipping }: Wanted,
    key: string,
    region: Rectangle,
    scale: number,
  ): Promise<void> {
    const ask = { region, ...pixelsFor(region, scale), clipping, colours: MARK_COLOURS, tones: false };
    const { bitmap } = await lightbox.call((api) => api.view(id, ask, look));
    this.set({ of: key, part: { bitmap, region, scale } });
  }

  private set(change: Partial<Layer>): void {
    if (this.over) {
      change.fit?.close();
      change.part?.bitmap.close();
      return;
    }
    if ('fit' in change && this.layer.fit) this.replaced.push(this.layer.fit);
    if ('part' in change && this.layer.part) this.replaced.push(this.layer.part.bitmap);
    this.layer = { ...this.layer, ...change };
    this.onChange(this.layer);
  }
}

export function keyOf({ id, look, clipping, window }: Wanted): string {
  return JSON.stringify([id, look, clipping, window]);
}

/** As many pixels as the screen shows, or as there are. */
function isSharp(part: NonNullable<Layer['part']>, scale: number): boolean {
  return part.scale >= 0.5 || scale <= part.scale * 1.02;
}

/** What the lightbox gives of what is wanted, as far as it has come. @param wanted null while the frame is not open */
export function useLayer(wanted: Wanted | null): Layer {
  const [layer, setLayer] = useState(NOTHING);
  const feed = useRef<Feed | null>(null);
  useEffect(() => {
    const made = new Feed(setLayer);
    feed.current = made;
    return () => {
      made.close();
      feed.current = null;
    };
  }, []);
  useEffect(() => {
    if (wanted) feed.current?.want(wanted);
    else feed.current?.rest();
  });
  useEffect(() => feed.current?.drawn(layer), [layer]);
  return layer;
}
