// One-dimensional resampling by a table of taps: areas when the output is coarser than the input, a cubic (Catmull &
// Rom 1974) held between its two inner samples when it is finer, so that a window's edge does not ring into the dark.

export interface Taps {
  /** Taps for each output sample. */
  readonly count: number;
  /** Index of the first input sample, one for each output sample and tap (held inside the input). */
  readonly index: Int32Array;
  readonly weight: Float32Array;
  /** True when results must be held between the inner taps 1 and 2. */
  readonly held: boolean;
  /** Place of the first of four taps before it is held inside the input, −3 … size − 1. */
  readonly first?: Int32Array;
}

/**
 * Taps for `out` samples over the stretch `from` … `to` of an input with `size` samples.
 * @param footprint width of an area in output samples: 1 tiles the input, more overlaps
 */
export function tapsFor(out: number, from: number, to: number, size: number, footprint = 1): Taps {
  const step = (to - from) / out;
  return step >= 1 ? areaTaps(out, from, step, size, step * footprint) : cubicTaps(out, from, step, size);
}

/** Taps that read single places, however far apart they lie. */
export function pointTaps(out: number, from: number, to: number, size: number): Taps {
  return cubicTaps(out, from, (to - from) / out, size);
}

function areaTaps(out: number, from: number, step: number, size: number, area: number): Taps {
  const count = Math.ceil(area) + 1;
  const index = new Int32Array(out * count);
  const weight = new Float32Array(out * count);
  for (let i = 0; i < out; i++) {
    const low = from + (i + 0.5) * step - area / 2;
    const high = low + area;
    for (let k = 0; k < count; k++) {
      const cell = Math.floor(low) + k;
      index[i * count + k] = hold(cell, size);
      weight[i * count + k] = Math.max(0, Math.min(high, cell + 1) - Math.max(low, cell)) / area;
    }
  }
  return { count, index, weight, held: false };
}

function cubicTaps(out: number, from: number, step: number, size: number): Taps {
  const index = new Int32Array(out * 4);
  const weight = new Float32Array(out * 4);
  const first = new Int32Array(out);
  for (let i = 0; i < out; i++) {
    const centre = from + (i + 0.5) * step - 0.5;
    const base = Math.floor(centre);
    const t = centre - base;
    first[i] = Math.min(size - 1, Math.max(-3, base - 1));
    const [t2, t3] = [t * t, t * t * t];
    const w = [-t3 + 2 * t2 - t, 3 * t3 - 5 * t2 + 2, -3 * t3 + 4 * t2 + t, t3 - t2];
    for (let k = 0; k < 4; k++) {
      index[i * 4 + k] = hold(base - 1 + k, size);
      weight[i * 4 + k] = w[k]! / 2;
    }
  }
  return { count: 4, index, weight, held: true, first };
}

function hold(i: number, size: number): number {
  return i < 0 ? 0 : i >= size ? size - 1 : i;
}

/** 32-bit floats in this order, as the kernel adds them. */
const { fround } = Math;

/** Row `y` of the output before its horizontal pass: `size` samples. */
export function verticalPass(
  plane: Float32Array,
  size: number,
  taps: Taps,
  y: number,
  row: Float32Array,
): void {
  const { count, index, weight, held } = taps;
  const t = y * count;
  if (held) {
    const [a, b, c, d] = [index[t]! * size, index[t + 1]! * size, index[t + 2]! * size, index[t + 3]! * size];
    const [wa, wb, wc, wd] = [weight[t]!, weight[t + 1]!, weight[t + 2]!, weight[t + 3]!];
    for (let x = 0; x < size; x++) {
      const p = plane[b + x]!;
      const q = plane[c + x]!;
      let sum = fround(fround(wa * plane[a + x]!) + fround(wb * p));
      sum = fround(sum + fround(wc * q));
      row[x] = between(fround(sum + fround(wd * plane[d + x]!)), p, q);
    }
    return;
  }
  row.fill(0);
  for (let k = 0; k < count; k++) {
    const [at, w] = [index[t + k]! * size, weight[t + k]!];
    if (w > 0) for (let x = 0; x < size; x++) row[x] = row[x]! + w * plane[at + x]!;
  }
}

/** Samples first, first + step, … of the output row, written to out[at + x]. */
export function horizontalPass(
  row: Float32Array,
  taps: Taps,
  width: number,
  out: Float32Array,
  at: number,
  first = 0,
  step = 1,
): void {
  const { count, index, weight, held } = taps;
  for (let x = first, t = first * count; x < width; x += step, t += step * count) {
    if (held) {
      const p = row[index[t + 1]!]!;
      const q = row[index[t + 2]!]!;
      let sum = fround(fround(weight[t]! * row[index[t]!]!) + fround(weight[t + 1]! * p));
      sum = fround(sum + fround(weight[t + 2]! * q));
      out[at + x] = between(fround(sum + fround(weight[t + 3]! * row[index[t + 3]!]!)), p, q);
    } else {
      let sum = 0;
      for (let k = 0; k < count; k++) sum += weight[t + k]! * row[index[t + k]!]!;
      out[at + x] = sum;
    }
  }
}

function between(value: number, p: number, q: number): number {
  return Math.max(Math.min(p, q), Math.min(Math.max(p, q), value));
}
