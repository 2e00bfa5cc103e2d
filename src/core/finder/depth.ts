// A depth picture over a finder's samples: which of them lie within what is sharp, the distance at a place, and how it is drawn.
import type { FramePoint } from '../meter/luminance-map';
import { packed } from '../scopes/marks';
import { SHARP_COLOUR } from './drawing';

/** Distances over the frame, from its upper left. */
export interface DepthPicture {
  readonly width: number;
  readonly height: number;
  /** m along the line of sight; NaN where it is not known. */
  readonly metres: Float32Array;
}

/** What is acceptably sharp, m; far may be infinite. */
export interface SharpRange {
  readonly nearM: number;
  readonly farM: number;
}

/** Column of the depth picture for each column of so many samples; likewise rows. */
function places(cells: number, samples: number): Uint32Array {
  return Uint32Array.from({ length: samples }, (_, i) => Math.floor(((i + 0.5) * cells) / samples));
}

/** One of so many samples across and down is drawn: what lies under the mesh stays to be seen. */
const MESH = 4;

/** Lays a mesh over all samples that lie within a range. What is not known is left as it is. */
export function drawSharp(
  { width: across, height: down, metres }: DepthPicture,
  { nearM, farM }: SharpRange,
  rgba: Uint8ClampedArray,
  width: number,
  height: number,
): void {
  const pixels = new Uint32Array(rgba.buffer, rgba.byteOffset, rgba.length >> 2);
  const mark = packed(SHARP_COLOUR);
  const [columns, rows] = [places(across, width), places(down, height)];
  for (let y = 0; y < height; y += MESH) {
    const row = rows[y]! * across;
    for (let x = 0; x < width; x += MESH) {
      const d = metres[row + columns[x]!]!;
      if (d >= nearM && d <= farM) pixels[y * width + x] = mark;
    }
  }
}

/** Median of what is known within two cells of a place, m; null where nothing is. */
export function distanceAt({ width, height, metres }: DepthPicture, { x, y }: FramePoint): number | null {
  const [cx, cy] = [Math.floor(x * width), Math.floor(y * height)];
  const known: number[] = [];
  for (let row = Math.max(0, cy - 2); row <= Math.min(height - 1, cy + 2); row++)
    for (let column = Math.max(0, cx - 2); column <= Math.min(width - 1, cx + 2); column++) {
      const d = metres[row * width + column]!;
      if (!Number.isNaN(d)) known.push(d);
    }
  if (known.length === 0) return null;
  return known.sort((a, b) => a - b)[known.length >> 1]!;
}

const [FAR_TONE, NEAR_TONE, UNKNOWN_TONE] = [50, 255, 24] as const;

/** Draws distances as tones, the nearest white and the farthest dark, even by their logarithm; what is not known is darkest, with a pattern of its own. */
export function drawDepth(
  { width: across, height: down, metres }: DepthPicture,
  rgba: Uint8ClampedArray,
  width: number,
  height: number,
): void {
  const pixels = new Uint32Array(rgba.buffer, rgba.byteOffset, rgba.length >> 2);
  const [columns, rows] = [places(across, width), places(down, height)];
  const known = metres.filter((d) => !Number.isNaN(d));
  const nearest = known.reduce((a, b) => Math.min(a, b), Infinity);
  const farthest = known.reduce((a, b) => Math.max(a, b), 0);
  const perLog = (NEAR_TONE - FAR_TONE) / Math.max(1e-6, Math.log(farthest / nearest));
  for (let y = 0, i = 0; y < height; y++) {
    const row = rows[y]! * across;
    for (let x = 0; x < width; x++, i++) {
      const d = metres[row + columns[x]!]!;
      const tone = Number.isNaN(d)
        ? ((x >> 3) + (y >> 3)) & 1
          ? UNKNOWN_TONE
          : 0
        : FAR_TONE + Math.round(perLog * Math.log(farthest / d));
      pixels[i] = (tone | (tone << 8) | (tone << 16) | 0xff000000) >>> 0;
    }
  }
}
