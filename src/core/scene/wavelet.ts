// Two-dimensional wavelet transform, LeGall 5/3 by lifting (Le Gall & Tabatabai 1988; the reversible filter of ITU-T
// T.800), with symmetric borders. Chosen over a longer filter for its speed: a scene is unpacked while the person waits.

/** 32-bit floats, as the kernel adds them: a half or a quarter of one is exact. */
const { fround } = Math;

/** Levels for a plane: halve while both sides stay even and the smaller side is at least 16 afterwards. */
export function levelsFor(width: number, height: number): number {
  let levels = 0;
  let [w, h] = [width, height];
  while (w % 2 === 0 && h % 2 === 0 && Math.min(w, h) >= 32 && levels < 6) {
    w >>= 1;
    h >>= 1;
    levels++;
  }
  return levels;
}

/** In-place forward transform: after each level the low band lies in the upper left quarter. */
export function forwardWavelet(plane: Float32Array, width: number, height: number, levels: number): void {
  const column = new Float32Array(Math.max(width, height));
  for (let level = 0; level < levels; level++) {
    const [w, h] = [width >> level, height >> level];
    for (let x = 0; x < w; x++) forwardLine(plane, x, width, h, column);
    for (let y = 0; y < h; y++) forwardLine(plane, y * width, 1, w, column);
  }
}

function forwardLine(a: Float32Array, at: number, stride: number, n: number, line: Float32Array): void {
  for (let i = 0; i < n; i++) line[i] = a[at + i * stride]!;
  for (let i = 1; i < n; i += 2) line[i] = line[i]! - 0.5 * (line[i - 1]! + line[i + 1 < n ? i + 1 : i - 1]!);
  for (let i = 0; i < n; i += 2) line[i] = line[i]! + 0.25 * (line[i > 0 ? i - 1 : 1]! + line[i + 1]!);
  const half = n >> 1;
  for (let i = 0; i < half; i++) {
    a[at + i * stride] = line[2 * i]!;
    a[at + (half + i) * stride] = line[2 * i + 1]!;
  }
}

/**
 * Inverse of `forwardWavelet`. Rows of the last level are handed over one after the other: they are not needed all at once, and a plane that is gone
 * through once less is a third of the time. The plane is spoilt.
 * @param onRow gets each row from the top; what it is given changes with the next
 */
export function inverseRows(
  plane: Float32Array,
  width: number,
  height: number,
  levels: number,
  onRow: (row: Float32Array, y: number) => void,
): void {
  if (levels === 0) {
    for (let y = 0; y < height; y++) onRow(plane.subarray(y * width, (y + 1) * width), y);
    return;
  }
  const [w, h] = [width >> 1, height >> 1];
  // The lower levels lie in the upper left quarter of the plane.
  const scratch = new Float32Array(w * h);
  for (let level = levels - 1; level >= 1; level--) {
    const [lw, lh] = [width >> level, height >> level];
    for (let y = 0; y < lh; y++) inverseRow(plane, y * width, scratch, y * lw, lw);
    inverseColumns(scratch, plane, lw, lh, width);
  }
  const line = () => new Float32Array(width);
  const low = line();
  let [above, high, before, even] = [line(), line(), line(), line()];
  const odd = line();
  for (let y = 0; y < h; y++) {
    inverseRow(plane, y * width, low, 0, width);
    [above, high] = [high, above];
    inverseRow(plane, (h + y) * width, high, 0, width);
    // The first high row mirrors itself.
    const over = y === 0 ? high : above;
    [before, even] = [even, before];
    for (let x = 0; x < width; x++) even[x] = low[x]! - 0.25 * fround(over[x]! + high[x]!);
    if (y > 0) {
      for (let x = 0; x < width; x++) odd[x] = above[x]! + 0.5 * fround(before[x]! + even[x]!);
      onRow(odd, 2 * y - 1);
    }
    onRow(even, 2 * y);
  }
  for (let x = 0; x < width; x++) odd[x] = high[x]! + 0.5 * fround(even[x]! + even[x]!);
  onRow(odd, height - 1);
}

/** One row: low and high halves at `from` → interleaved samples at `to`. */
function inverseRow(a: Float32Array, from: number, out: Float32Array, to: number, n: number): void {
  const half = n >> 1;
  const high = from + half;
  let even = fround(a[from]! - 0.25 * fround(a[high]! + a[high]!)); // the first high sample mirrors itself
  for (let i = 0; i < half - 1; i++) {
    const detail = a[high + i]!;
    const next = fround(a[from + i + 1]! - 0.25 * fround(detail + a[high + i + 1]!));
    out[to + 2 * i] = even;
    out[to + 2 * i + 1] = detail + 0.5 * fround(even + next);
    even = next;
  }
  const last = a[high + half - 1]!;
  out[to + n - 2] = even;
  out[to + n - 1] = last + 0.5 * fround(even + even);
}

/** All columns, row by row for the sake of the cache: low rows above high rows → interleaved rows. */
function inverseColumns(a: Float32Array, out: Float32Array, w: number, h: number, stride: number): void {
  const half = h >> 1;
  for (let y = 0; y < half; y++) {
    const low = y * w;
    const high = (half + y) * w;
    const above = (half + (y > 0 ? y - 1 : 0)) * w;
    const even = 2 * y * stride;
    for (let x = 0; x < w; x++) out[even + x] = a[low + x]! - 0.25 * fround(a[above + x]! + a[high + x]!);
    if (y > 0) {
      const odd = even - stride;
      const before = odd - stride;
      for (let x = 0; x < w; x++)
        out[odd + x] = a[above + x]! + 0.5 * fround(out[before + x]! + out[even + x]!);
    }
  }
  const lastOdd = (h - 1) * stride;
  const lastHigh = (h - 1) * w;
  for (let x = 0; x < w; x++) out[lastOdd + x] = a[lastHigh + x]! + out[lastOdd - stride + x]!;
}

/**
 * L2 norm of one coefficient's trace in the picture, by level and band: with steps in inverse proportion every band
 * costs the same error. Values for the 5/3 filter from ITU-T T.800 practice, extended by doubling.
 */
export function bandNorm(level: number, band: 'low' | 'side' | 'diagonal'): number {
  const side = [1.038, 1.592, 2.919, 5.703, 11.33, 22.64];
  const diagonal = [0.7186, 0.9218, 1.586, 3.043, 6.019, 12.01];
  const low = [1, 1.5, 2.75, 5.375, 10.68, 21.34, 42.67];
  return { low, side, diagonal }[band][level] ?? 1;
}
