// Which edges are in focus: those that rise within about as much as focus can give. At a place four levels are taken along a line, three steps
// of the line between the outer two and one between the inner. What is sharp does all of its rise between the inner ones; what is blurred over
// more than the outer ones rises evenly, by a third. Noise is held off by its own model: a rise counts from so many of its deviations on.
import type { Luma } from '../colour/video';

export const PEAKING_STRENGTHS = ['few', 'usual', 'many'] as const;
export type PeakingStrength = (typeof PEAKING_STRENGTHS)[number];

export interface PeakingRule {
  /** Share of the whole rise that must lie between the inner levels. */
  readonly share: number;
  /** How many deviations of its noise the rise between the inner levels must be. */
  readonly deviations: number;
}

/**
 * Even the least lets five deviations count only: by chance one place in two million lights up. Of an edge that is blurred by a disc as wide
 * as the stretch between the outer levels 0.42 lies between the inner ones (the middle third of a disc's area), of one half as wide 0.73.
 */
export const PEAKING_RULES: Readonly<Record<PeakingStrength, PeakingRule>> = {
  few: { share: 0.75, deviations: 12 },
  usual: { share: 0.62, deviations: 8 },
  many: { share: 0.52, deviations: 5 },
};

/**
 * Is the edge at a place in focus?
 * @param a … `d` four levels in order, evenly apart, in a unit in which their noise is alike
 * @param deviation of one level
 */
export function isPeak(
  a: number,
  b: number,
  c: number,
  d: number,
  deviation: number,
  { share, deviations }: PeakingRule,
): boolean {
  const inner = Math.abs(c - b);
  if (!(inner >= deviations * Math.SQRT2 * deviation)) return false;
  const whole = Math.max(inner, Math.abs(d - a), Math.abs(c - a), Math.abs(d - b));
  return inner >= share * whole;
}

/** Pixels from the middle of a picture's edge to the inner levels, and to the outer ones: two and six pixels apart. */
const [NEAR_PX, FAR_PX] = [1, 3];
/** Rows that noise is measured on lie so far apart. */
const NOISE_ROWS = 8;
/** A picture's levels are whole numbers, and it was made finer than they show: its noise is taken as no less than this. */
const LEAST_DEVIATION = 1;
/** Levels as near to the ends of a picture's tones as this are not what the light was. */
const END = 4;

/**
 * Standard deviation of the noise of a picture, in levels: what a Laplacian that no even slope stirs leaves (Immerkær, "Fast noise variance
 * estimation", Computer Vision and Image Understanding 64, 1996). Texture counts with it: it is rather too much.
 */
export function noiseOfPicture({ bytes, offset, step, stride, width, height }: Luma): number {
  let [sum, count] = [0, 0];
  for (let y = 1; y < height - 1; y += NOISE_ROWS) {
    const row = offset + y * stride;
    for (let x = 1, i = row + step; x < width - 1; x++, i += step) {
      const [l, r, u, v] = [i - step, i + step, i - stride, i + stride];
      const corners = bytes[u - step]! + bytes[u + step]! + bytes[v - step]! + bytes[v + step]!;
      const sides = bytes[l]! + bytes[r]! + bytes[u]! + bytes[v]!;
      sum += Math.abs(corners - 2 * sides + 4 * bytes[i]!);
      count++;
    }
  }
  return count === 0 ? 0 : (Math.sqrt(Math.PI / 2) * sum) / (6 * count);
}

/**
 * The cells of a picture in which an edge is in focus, `cell` pixels a side, numbered row by row, a row being ⌈width / cell⌉ of them. In each
 * the middle row and the middle column are looked along.
 * @param deviation of the picture's noise, levels
 */
export function peaksOfPicture(
  { bytes, offset, step, stride, width, height, ends: [black, white] }: Luma,
  cell: number,
  deviation: number,
  rule: PeakingRule,
): Uint32Array {
  const [whole, down] = [Math.floor(width / cell), Math.floor(height / cell)];
  const across = Math.ceil(width / cell);
  const noise = Math.max(LEAST_DEVIATION, deviation);
  const least = rule.deviations * Math.SQRT2 * noise;
  const peaks: number[] = [];
  const peaksAt = (i: number, by: number) => {
    const [b, c] = [bytes[i - by * NEAR_PX]!, bytes[i + by * NEAR_PX]!];
    const inner = c - b;
    if (inner < least && inner > -least) return false;
    const [a, d] = [bytes[i - by * FAR_PX]!, bytes[i + by * FAR_PX]!];
    if (Math.min(a, b, c, d) < black + END || Math.max(a, b, c, d) > white - END) return false;
    return isPeak(a, b, c, d, noise, rule);
  };
  const middle = cell >> 1;
  for (let v = 0; v < down; v++) {
    const y = v * cell + middle;
    const upright = y - middle >= FAR_PX && y - middle + cell + FAR_PX <= height;
    for (let u = 0; u < whole; u++) {
      const x = u * cell + middle;
      const lying = x - middle >= FAR_PX && x - middle + cell + FAR_PX <= width;
      let found = false;
      for (let k = 0; k < cell && !found; k++) {
        if (lying) found = peaksAt(offset + y * stride + (u * cell + k) * step, step);
        if (!found && upright) found = peaksAt(offset + (v * cell + k) * stride + x * step, stride);
      }
      if (found) peaks.push(v * across + u);
    }
  }
  return Uint32Array.from(peaks);
}
