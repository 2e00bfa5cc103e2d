// Two-dimensional wavelet transform, CDF 9/7 by lifting (Daubechies & Sweldens 1998), symmetric borders, scaled
// to be nearly orthonormal so that one quantiser step costs the same error in every band.

const ALPHA = -1.586134342059924;
const BETA = -0.052980118572961;
const GAMMA = 0.882911075530934;
const DELTA = 0.443506852043971;
const K = 1.230174104914001;
/** Gain of a low-pass pass in this scaling. */
const LOW = Math.SQRT2 / K;
const HIGH = K / Math.SQRT2;

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
  const scratch = new Float32Array(width * height);
  for (let level = 0; level < levels; level++) {
    const [w, h] = [width >> level, height >> level];
    for (let y = 0; y < h; y++) forwardRow(plane, y * width, w, scratch);
    verticalSteps(plane, width, w, h, [ALPHA, BETA, GAMMA, DELTA], 1);
    splitRows(plane, width, w, h, scratch);
  }
}

/** In-place inverse of `forwardWavelet`. */
export function inverseWavelet(plane: Float32Array, width: number, height: number, levels: number): void {
  const scratch = new Float32Array(width * height);
  for (let level = levels - 1; level >= 0; level--) {
    const [w, h] = [width >> level, height >> level];
    joinRows(plane, width, w, h, scratch);
    verticalSteps(plane, width, w, h, [DELTA, GAMMA, BETA, ALPHA], -1);
    for (let y = 0; y < h; y++) inverseRow(plane, y * width, w, scratch);
  }
}

function forwardRow(a: Float32Array, at: number, n: number, scratch: Float32Array): void {
  const last = at + n - 1;
  liftOdd(a, at, last, ALPHA);
  liftEven(a, at, last, BETA);
  liftOdd(a, at, last, GAMMA);
  liftEven(a, at, last, DELTA);
  const half = n >> 1;
  for (let i = 0; i < half; i++) {
    scratch[i] = a[at + 2 * i]! * LOW;
    scratch[half + i] = a[at + 2 * i + 1]! * HIGH;
  }
  a.set(scratch.subarray(0, n), at);
}

function inverseRow(a: Float32Array, at: number, n: number, scratch: Float32Array): void {
  const half = n >> 1;
  const [low, high] = [1 / LOW, 1 / HIGH];
  for (let i = 0; i < half; i++) {
    scratch[2 * i] = a[at + i]! * low;
    scratch[2 * i + 1] = a[at + half + i]! * high;
  }
  const last = n - 1;
  liftEven(scratch, 0, last, -DELTA);
  liftOdd(scratch, 0, last, -GAMMA);
  liftEven(scratch, 0, last, -BETA);
  liftOdd(scratch, 0, last, -ALPHA);
  a.set(scratch.subarray(0, n), at);
}

/** Odd samples += k·(both even neighbours); the run from `at` to `last` has even length. */
function liftOdd(a: Float32Array, at: number, last: number, k: number): void {
  for (let i = at + 1; i < last; i += 2) a[i] = a[i]! + k * (a[i - 1]! + a[i + 1]!);
  a[last] = a[last]! + 2 * k * a[last - 1]!;
}

function liftEven(a: Float32Array, at: number, last: number, k: number): void {
  a[at] = a[at]! + 2 * k * a[at + 1]!;
  for (let i = at + 2; i < last; i += 2) a[i] = a[i]! + k * (a[i - 1]! + a[i + 1]!);
}

/** Lifting down the columns, a whole row at a time for the sake of the cache. */
function verticalSteps(a: Float32Array, stride: number, w: number, h: number, steps: number[], sign: 1 | -1): void {
  steps.forEach((k, step) => {
    const odd = sign === 1 ? step % 2 === 0 : step % 2 === 1;
    for (let y = odd ? 1 : 0; y < h; y += 2) {
      const up = (y === 0 ? 1 : y - 1) * stride;
      const down = (y === h - 1 ? y - 1 : y + 1) * stride;
      const row = y * stride;
      const factor = k * sign;
      for (let x = 0; x < w; x++) a[row + x] = a[row + x]! + factor * (a[up + x]! + a[down + x]!);
    }
  });
}

function splitRows(a: Float32Array, stride: number, w: number, h: number, scratch: Float32Array): void {
  const half = h >> 1;
  for (let y = 0; y < h; y++) {
    const target = (y % 2 === 0 ? y >> 1 : half + (y >> 1)) * w;
    const gain = y % 2 === 0 ? LOW : HIGH;
    for (let x = 0; x < w; x++) scratch[target + x] = a[y * stride + x]! * gain;
  }
  for (let y = 0; y < h; y++) a.set(scratch.subarray(y * w, (y + 1) * w), y * stride);
}

function joinRows(a: Float32Array, stride: number, w: number, h: number, scratch: Float32Array): void {
  const half = h >> 1;
  for (let y = 0; y < h; y++) {
    const source = (y % 2 === 0 ? y >> 1 : half + (y >> 1)) * stride;
    const gain = y % 2 === 0 ? 1 / LOW : 1 / HIGH;
    for (let x = 0; x < w; x++) scratch[y * w + x] = a[source + x]! * gain;
  }
  for (let y = 0; y < h; y++) a.set(scratch.subarray(y * w, (y + 1) * w), y * stride);
}
