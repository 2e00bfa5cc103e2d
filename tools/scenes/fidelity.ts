// How faithful a packed plate is to its rendered master: relative error of single values and of patch means.
import type { Plate } from '../../src/core/scene/plate';

/** Side of the squares whose mean must hold, pixels: the same part of what is seen where there is more detail. */
export function patchSide(width: number): number {
  return width > 1024 ? 32 : 16;
}
const CHANNELS = 3;

export interface Fidelity {
  /** RMS of the relative error of single values, a channel at a time. */
  rms: number[];
  /** Largest relative error of the mean of any patch, wherever it starts, a channel at a time. */
  worstPatch: number[];
}

/** The floor, stops under the brightest value. Errors are measured against the value or the floor, whichever is more. */
export function floorOf(master: Plate, stops = 16): number {
  let peak = 0;
  for (const v of master.data) if (v > peak) peak = v;
  return peak / 2 ** stops;
}

export function fidelity(master: Plate, packed: Plate, floor = floorOf(master)): Fidelity {
  const rms: number[] = [];
  const worstPatch: number[] = [];
  for (let c = 0; c < CHANNELS; c++) {
    let square = 0;
    for (let i = c; i < master.data.length; i += CHANNELS) {
      const v = master.data[i]!;
      square += ((packed.data[i]! - v) / Math.max(v, floor)) ** 2;
    }
    rms.push(Math.sqrt(square / (master.width * master.height)));
    worstPatch.push(Math.max(...patchErrors(master, packed, c, floor).map(Math.abs)));
  }
  return { rms, worstPatch };
}

/** Relative error of the mean of the patch starting at each pixel, rows of them. */
function patchErrors(master: Plate, packed: Plate, channel: number, floor: number): number[] {
  const { width, height } = master;
  const side = patchSide(width);
  const [a, b] = [integral(master, channel), integral(packed, channel)];
  const w1 = width + 1;
  const out: number[] = [];
  for (let y = 0; y + side <= height; y++) {
    let worst = 0;
    for (let x = 0; x + side <= width; x++) {
      const [p, q] = [y * w1 + x, (y + side) * w1 + x];
      const sum = (t: Float64Array) => t[q + side]! - t[q]! - t[p + side]! + t[p]!;
      const truth = sum(a);
      const error = (sum(b) - truth) / Math.max(truth, floor * side * side);
      if (Math.abs(error) > Math.abs(worst)) worst = error;
    }
    out.push(worst);
  }
  return out;
}

function integral({ data, width, height }: Plate, channel: number): Float64Array {
  const t = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y++) {
    let row = 0;
    for (let x = 0; x < width; x++) {
      row += data[(y * width + x) * CHANNELS + channel]!;
      t[(y + 1) * (width + 1) + x + 1] = t[y * (width + 1) + x + 1]! + row;
    }
  }
  return t;
}

/** Single values that are off by more than `tolerance` of themselves (or of the floor). `packed` is mended in place. */
export function outliers(master: Plate, packed: Plate, tolerance: number, floor = floorOf(master)): number[] {
  const keep: number[] = [];
  master.data.forEach((truth, i) => {
    if (Math.abs(packed.data[i]! - truth) <= tolerance * Math.max(truth, floor)) return;
    packed.data[i] = truth;
    keep.push(i);
  });
  return keep;
}

/**
 * Values that must be kept exactly so that every patch holds `tolerance`: in each patch that does not, those with the
 * largest error, as many as it takes. `packed` is mended in place.
 */
export function valuesToKeep(
  master: Plate,
  packed: Plate,
  tolerance: number,
  floor = floorOf(master),
): number[] {
  const { width, height } = master;
  const side = patchSide(width);
  const keep = new Set<number>();
  for (let round = 0; round < 12; round++) {
    let bad = 0;
    for (let c = 0; c < CHANNELS; c++) {
      const [a, b] = [integral(master, c), integral(packed, c)];
      const w1 = width + 1;
      for (let y = 0; y + side <= height; y += round < 4 ? 4 : 1) {
        for (let x = 0; x + side <= width; x += round < 4 ? 4 : 1) {
          const [p, q] = [y * w1 + x, (y + side) * w1 + x];
          const sum = (t: Float64Array) => t[q + side]! - t[q]! - t[p + side]! + t[p]!;
          const truth = sum(a);
          if (Math.abs(sum(b) - truth) <= tolerance * Math.max(truth, floor * side * side)) continue;
          bad++;
          mendPatch(master, packed, c, x, y, tolerance * 0.8, floor, keep);
        }
      }
    }
    if (bad === 0 && round >= 4) break;
  }
  return [...keep].sort((a, b) => a - b);
}

function mendPatch(
  master: Plate,
  packed: Plate,
  c: number,
  x0: number,
  y0: number,
  tolerance: number,
  floor: number,
  keep: Set<number>,
): void {
  const { width } = master;
  const side = patchSide(width);
  const indices: number[] = [];
  let [error, truth] = [0, 0];
  for (let y = y0; y < y0 + side; y++)
    for (let x = x0; x < x0 + side; x++) {
      const i = (y * width + x) * CHANNELS + c;
      indices.push(i);
      error += packed.data[i]! - master.data[i]!;
      truth += master.data[i]!;
    }
  const limit = tolerance * Math.max(truth, floor * side * side);
  const sign = Math.sign(error);
  indices.sort((i, j) => sign * (packed.data[j]! - master.data[j]! - (packed.data[i]! - master.data[i]!)));
  for (const i of indices) {
    if (sign * error <= limit) return;
    error -= packed.data[i]! - master.data[i]!;
    packed.data[i] = Math.fround(master.data[i]!);
    keep.add(i);
  }
}
