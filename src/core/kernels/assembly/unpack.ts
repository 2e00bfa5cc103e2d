// Planes of a packed plate: coefficients put back, the inverse wavelet, places in the table of powers of two: the same numbers as scene/plate-codec.ts and
// scene/wavelet.ts make, in 32-bit floats in the same order. AssemblyScript. Memory is laid out by the caller (scene/unpack-kernel.ts).

const ESCAPE: u32 = 255;

/** Value of a coefficient's code, in steps. */
// @ts-ignore: decorator
@inline
function valueOf(code: f64, first: f64, others: f64, step: f64): f32 {
  const size = floor<f64>((code + 1) / 2);
  const value = (size === 1 ? size + first : size + others) * step;
  return <f32>(code % 2 === 1 ? value : -value);
}

/**
 * Puts the coefficients of a band into a plane that holds zeros.
 * @param first and `others`: what is added to a size of one, and to larger ones
 * @returns where the next band's bytes begin; 0 where the bytes end before
 */
export function dequantise(
  coded: usize,
  end: usize,
  plane: usize,
  stride: i32,
  w: i32,
  h: i32,
  first: f64,
  others: f64,
  step: f64,
  values: usize,
): usize {
  for (let code: u32 = 1; code < ESCAPE; code++) store<f32>(values + (<usize>code << 2), valueOf(<f64>code, first, others, step));
  for (let y = 0; y < h; y++) {
    let o = plane + (<usize>(y * stride) << 2);
    const stop = o + (<usize>w << 2);
    while (o < stop) {
      // Most of them are nothing: eight at once.
      if (o + 32 <= stop && coded + 8 <= end && load<u64>(coded) === 0) {
        coded += 8;
        o += 32;
        continue;
      }
      if (coded >= end) return 0;
      const code = <u32>load<u8>(coded++);
      if (code !== 0) {
        if (code !== ESCAPE) store<f32>(o, load<f32>(values + (<usize>code << 2)));
        else {
          if (coded + 4 > end) return 0;
          store<f32>(o, valueOf(<f64>load<u32>(coded), first, others, step));
          coded += 4;
        }
      }
      o += 4;
    }
  }
  return coded;
}

/** One row: low and high halves → interleaved samples. @param evens room for half a row and eight more */
function inverseRow(low: usize, half: i32, out: usize, evens: usize): void {
  const high = low + (<usize>half << 2);
  const quarter = f32x4.splat(0.25);
  for (let i = 0; i < half; i += 4) {
    const at = <usize>i << 2;
    const h = v128.load(high + at);
    // The first high sample mirrors itself.
    const before = i === 0 ? v128.shuffle<f32>(h, h, 0, 0, 1, 2) : v128.load(high + at - 4);
    v128.store(evens + at, f32x4.sub(v128.load(low + at), f32x4.mul(quarter, f32x4.add(before, h))));
  }
  store<f32>(evens + (<usize>half << 2), load<f32>(evens + (<usize>(half - 1) << 2)));
  const middle = f32x4.splat(0.5);
  let i = 0;
  for (; i + 4 <= half; i += 4) {
    const at = <usize>i << 2;
    const even = v128.load(evens + at);
    const odd = f32x4.add(v128.load(high + at), f32x4.mul(middle, f32x4.add(even, v128.load(evens + at, 4))));
    v128.store(out + (at << 1), v128.shuffle<f32>(even, odd, 0, 4, 1, 5));
    v128.store(out + (at << 1), v128.shuffle<f32>(even, odd, 2, 6, 3, 7), 16);
  }
  for (; i < half; i++) {
    const at = <usize>i << 2;
    const even = load<f32>(evens + at);
    store<f32>(out + (at << 1), even);
    store<f32>(out + (at << 1), load<f32>(high + at) + <f32>0.5 * (even + load<f32>(evens + at, 4)), 4);
  }
}

/** Even rows: low less a quarter of the high ones over and under it. */
// @ts-ignore: decorator
@inline
function evenRow(low: usize, above: usize, high: usize, out: usize, w: i32): void {
  const quarter = f32x4.splat(0.25);
  let x = 0;
  for (; x + 4 <= w; x += 4) {
    const at = <usize>x << 2;
    v128.store(out + at, f32x4.sub(v128.load(low + at), f32x4.mul(quarter, f32x4.add(v128.load(above + at), v128.load(high + at)))));
  }
  for (; x < w; x++) {
    const at = <usize>x << 2;
    store<f32>(out + at, load<f32>(low + at) - <f32>0.25 * (load<f32>(above + at) + load<f32>(high + at)));
  }
}

/** Odd rows: high and half of the even ones over and under it. */
// @ts-ignore: decorator
@inline
function oddRow(high: usize, before: usize, after: usize, out: usize, w: i32): void {
  const middle = f32x4.splat(0.5);
  let x = 0;
  for (; x + 4 <= w; x += 4) {
    const at = <usize>x << 2;
    v128.store(out + at, f32x4.add(v128.load(high + at), f32x4.mul(middle, f32x4.add(v128.load(before + at), v128.load(after + at)))));
  }
  for (; x < w; x++) {
    const at = <usize>x << 2;
    store<f32>(out + at, load<f32>(high + at) + <f32>0.5 * (load<f32>(before + at) + load<f32>(after + at)));
  }
}

/** A level of a plane `stride` wide, back into its corner. @param scratch room for it; work: for a row and eight more */
export function level(plane: usize, stride: i32, w: i32, h: i32, scratch: usize, work: usize): void {
  const wide = <usize>w << 2;
  const far = <usize>stride << 2;
  for (let y = 0; y < h; y++) inverseRow(plane + <usize>y * far, w >> 1, scratch + <usize>y * wide, work);
  const half = h >> 1;
  for (let y = 0; y < half; y++) {
    const high = scratch + <usize>(half + y) * wide;
    const above = y > 0 ? high - wide : high;
    const even = plane + <usize>(2 * y) * far;
    evenRow(scratch + <usize>y * wide, above, high, even, w);
    if (y > 0) oddRow(above, even - 2 * far, even, even - far, w);
  }
  const last = plane + <usize>(h - 1) * far;
  oddRow(scratch + <usize>(h - 1) * wide, last - far, last - far, last, w);
}

/** A row of logarithms as places in the table. */
function codesOf(row: usize, w: i32, out: usize): void {
  const steps = f32x4.splat(256);
  const bias = f32x4.splat(8192);
  const mask = i32x4.splat(16383);
  let x = 0;
  for (; x + 8 <= w; x += 8) {
    const at = row + (<usize>x << 2);
    const a = i32x4.trunc_sat_f32x4_s(f32x4.add(f32x4.mul(v128.load(at), steps), bias));
    const b = i32x4.trunc_sat_f32x4_s(f32x4.add(f32x4.mul(v128.load(at, 16), steps), bias));
    v128.store(out + (<usize>x << 1), i16x8.narrow_i32x4_u(v128.and(a, mask), v128.and(b, mask)));
  }
  for (; x < w; x++) {
    const code = i32x4.trunc_sat_f32x4_s(f32x4.splat(load<f32>(row + (<usize>x << 2)) * 256 + 8192));
    store<u16>(out + (<usize>x << 1), <u16>(i32x4.extract_lane(code, 0) & 16383));
  }
}

/** Places in the table of all of a plane whose lower levels are done. @param work room for seven rows and eight more numbers each */
export function codes(plane: usize, w: i32, h: i32, levels: i32, work: usize, out: usize): void {
  const row = (<usize>w << 2) + 32;
  const far = <usize>w << 2;
  if (levels === 0) {
    for (let y = 0; y < h; y++) codesOf(plane + <usize>y * far, w, out + (<usize>(y * w) << 1));
    return;
  }
  const low = work;
  let above = work + row;
  let high = work + 2 * row;
  let before = work + 3 * row;
  let even = work + 4 * row;
  const odd = work + 5 * row;
  const evens = work + 6 * row;
  const half = h >> 1;
  for (let y = 0; y < half; y++) {
    inverseRow(plane + <usize>y * far, w >> 1, low, evens);
    const free = above;
    above = high;
    high = free;
    inverseRow(plane + <usize>(half + y) * far, w >> 1, high, evens);
    const old = before;
    before = even;
    even = old;
    evenRow(low, y === 0 ? high : above, high, even, w);
    if (y > 0) {
      oddRow(above, before, even, odd, w);
      codesOf(odd, w, out + (<usize>((2 * y - 1) * w) << 1));
    }
    codesOf(even, w, out + (<usize>(2 * y * w) << 1));
  }
  oddRow(high, even, even, odd, w);
  codesOf(odd, w, out + (<usize>((h - 1) * w) << 1));
}
