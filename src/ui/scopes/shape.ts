// Shapes of the scopes: stops to pixels on an axis that can be zoomed, bins to heights by column, and heights to pixels. The axis reaches a little
// past clip, where what is clipped stands as bars.
import { BINS_PER_EV, STOPLINE_BINS, STOPLINE_FROM_EV } from '../../core/scopes/stopline';

/** How counts become heights. */
export const HEIGHTS = ['linear', 'root', 'log'] as const;
export type Heights = (typeof HEIGHTS)[number];

/** Stops below saturation at the two ends. */
export interface Axis {
  readonly fromEv: number;
  readonly toEv: number;
}

export const WHOLE_AXIS: Axis = { fromEv: -13, toEv: 0.9 };
const LEAST_SPAN_EV = 3;

export function xOfEv(ev: number, width: number, { fromEv, toEv }: Axis): number {
  return ((ev - fromEv) / (toEv - fromEv)) * width;
}

export function evPerPixel(width: number, { fromEv, toEv }: Axis): number {
  return (toEv - fromEv) / width;
}

/** The axis made `times` closer about a share of its width; never past its ends, never closer than three stops. */
export function zoomed({ fromEv, toEv }: Axis, times: number, about: number): Axis {
  const whole = WHOLE_AXIS.toEv - WHOLE_AXIS.fromEv;
  const span = Math.min(whole, Math.max(LEAST_SPAN_EV, (toEv - fromEv) / times));
  const middle = fromEv + about * (toEv - fromEv);
  const from = Math.min(WHOLE_AXIS.toEv - span, Math.max(WHOLE_AXIS.fromEv, middle - about * span));
  return { fromEv: from, toEv: from + span };
}

/** The count that fills the height: the largest bin below clip of any channel, past the first, which holds all that is darker. */
export function tallest(channels: readonly (Float32Array | Uint32Array)[], from: number, to: number): number {
  let top = 1;
  for (const bins of channels) for (let i = from; i < to; i++) if (bins[i]! > top) top = bins[i]!;
  return top;
}

/** Share of the height that a count takes. Logarithmic heights begin at a ten-thousandth of the tallest. */
export function heightOf(count: number, top: number, heights: Heights): number {
  const share = Math.min(1, count / top);
  if (heights === 'linear') return share;
  if (heights === 'root') return Math.sqrt(share);
  return share <= 0 ? 0 : Math.max(0, 1 + Math.log10(share) / 4);
}

/** Heights of one raw channel, 0 … 1, for so many columns of pixels; nothing past clip. */
export function rawColumns(
  bins: Float32Array,
  top: number,
  columns: number,
  { fromEv, toEv }: Axis,
  heights: Heights,
): Float32Array {
  const out = new Float32Array(columns);
  const last = STOPLINE_BINS - 2;
  for (let x = 0; x < columns; x++) {
    const ev = fromEv + ((x + 0.5) / columns) * (toEv - fromEv);
    if (ev > 0) break;
    out[x] = heightOf(between(bins, (ev - STOPLINE_FROM_EV) * BINS_PER_EV - 0.5, 1, last), top, heights);
  }
  return out;
}

/** Heights of one channel of the picture, codes 0 … 255 from the first column to the last. */
export function pictureColumns(
  counts: Uint32Array,
  top: number,
  columns: number,
  heights: Heights,
): Float32Array {
  return Float32Array.from({ length: columns }, (_, x) =>
    heightOf(between(counts, (x / Math.max(1, columns - 1)) * 255, 0, 255), top, heights),
  );
}

/** The count at a place between two bins. */
function between(bins: Float32Array | Uint32Array, at: number, first: number, last: number): number {
  const held = Math.min(last, Math.max(first, at));
  const i = Math.min(last - 1, Math.floor(held));
  return bins[i]! + (bins[i + 1]! - bins[i]!) * (held - i);
}

export interface Layer {
  /** Heights by column, 0 … 1. */
  readonly columns: Float32Array;
  /** 0xRRGGBB */
  readonly rgb: number;
  /** False for a line alone. */
  readonly filled: boolean;
}

/**
 * Draws layers over one another into pixels: grounds that let one another through, and lines of full strength at their tops.
 * @param pixels RGBA, little-endian words, width × height; all of it is written
 * @param thick of the lines, pixels
 */
export function paintLayers(
  pixels: Uint32Array,
  width: number,
  height: number,
  layers: readonly Layer[],
  thick: number,
): void {
  const filled = layers.filter((layer) => layer.filled);
  // What each set of grounds makes together, the later over the earlier by half.
  const mixed = Uint32Array.from({ length: 1 << filled.length }, (_, set) =>
    mix(filled.filter((__, i) => set & (1 << i)).map(({ rgb }) => rgb)),
  );
  const tops = layers.map(({ columns }) => columns.map((share) => Math.round(height * (1 - (share || 0)))));
  const grounds = filled.map((layer) => tops[layers.indexOf(layer)]!);
  pixels.fill(0);
  for (let x = 0; x < width; x++) {
    // Down the column from one top to the next: between them the same grounds lie over one another.
    for (let y = Math.min(height, ...grounds.map((top) => top[x]!)); y < height;) {
      let set = 0;
      let next = height;
      for (let i = 0; i < grounds.length; i++) {
        const top = grounds[i]![x]!;
        if (top <= y) set |= 1 << i;
        else if (top < next) next = top;
      }
      const ink = mixed[set]!;
      for (; y < next; y++) pixels[y * width + x] = ink;
    }
  }
  layers.forEach(({ rgb }, i) => {
    const ink = (0xff000000 | swapped(rgb)) >>> 0;
    const top = tops[i]!;
    for (let x = 0; x < width; x++) {
      // From the neighbour's top to its own: the line is whole where it is steep.
      const [own, before] = [top[x]!, x > 0 ? top[x - 1]! : top[x]!];
      if (own >= height && before >= height) continue;
      const from = Math.min(own, before + 1, height - 1);
      const to = Math.min(height - 1, Math.max(own, before - 1) + thick - 1);
      for (let y = Math.max(0, from); y <= to; y++) pixels[y * width + x] = ink;
    }
  });
}

const GROUND = 0.5;

function mix(inks: readonly number[]): number {
  let [r, g, b, a] = [0, 0, 0, 0];
  for (const rgb of inks) {
    const over = GROUND + a * (1 - GROUND);
    const blend = (now: number, ink: number) => (ink * GROUND + now * a * (1 - GROUND)) / over;
    [r, g, b] = [blend(r, rgb >> 16), blend(g, (rgb >> 8) & 255), blend(b, rgb & 255)];
    a = over;
  }
  return ((Math.round(255 * a) << 24) | (Math.round(b) << 16) | (Math.round(g) << 8) | Math.round(r)) >>> 0;
}

function swapped(rgb: number): number {
  return ((rgb & 255) << 16) | (rgb & 0xff00) | (rgb >> 16);
}

/** Height of the clipped bar: the share of the channel's sites. */
export function clippedBar(bins: Float32Array, height: number, heights: Heights): number {
  let sites = 0;
  for (const n of bins) sites += n;
  return sites > 0 ? heightOf(bins[STOPLINE_BINS - 1]!, sites, heights) * height : 0;
}
