// Light on rows of sites, from rows of plates: the same numbers as scene/resample.ts, scene/gather.ts and optics/lens.ts make. Sums are in 32-bit floats in
// the order that is written there. AssemblyScript. Memory is laid out by the callers (scene/light-kernel.ts, scene/gather.ts).

// @ts-ignore: decorator
@inline
function between(value: v128, p: v128, q: v128): v128 {
  return f32x4.max(f32x4.min(p, q), f32x4.min(f32x4.max(p, q), value));
}

/** A row between four, held between the inner two. Four numbers at a time: rows have room for three more. */
export function vertical(a: usize, b: usize, c: usize, d: usize, weights: usize, count: i32, out: usize): void {
  const wa = v128.load32_splat(weights);
  const wb = v128.load32_splat(weights, 4);
  const wc = v128.load32_splat(weights, 8);
  const wd = v128.load32_splat(weights, 12);
  for (let x = 0; x < count; x += 4) {
    const at = <usize>x << 2;
    const p = v128.load(b + at);
    const q = v128.load(c + at);
    let sum = f32x4.add(f32x4.mul(wa, v128.load(a + at)), f32x4.mul(wb, p));
    sum = f32x4.add(sum, f32x4.mul(wc, q));
    sum = f32x4.add(sum, f32x4.mul(wd, v128.load(d + at)));
    v128.store(out + at, between(sum, p, q));
  }
}

/** Before and after a row what stands at its ends, so that taps may reach over them. */
export function ends(row: usize, count: i32): void {
  const end = row + (<usize>count << 2);
  const first = v128.load32_splat(row);
  const last = v128.load32_splat(end - 4);
  v128.store(row - 16, first);
  v128.store(end, last);
}

/**
 * Samples of a row that `ends` has prepared, each between four of its numbers; four samples at a time.
 * @param firsts of the four that each lies between, from −3 on
 * @param weights of four samples: of the first number of each, of the second, the third, the fourth
 */
export function horizontal(row: usize, firsts: usize, weights: usize, count: i32, out: usize): void {
  for (let i = 0; i < count; i += 4) {
    const f = firsts + (<usize>i << 2);
    const v0 = v128.load(row + (<usize>load<i32>(f) << 2));
    const v1 = v128.load(row + (<usize>load<i32>(f, 4) << 2));
    const v2 = v128.load(row + (<usize>load<i32>(f, 8) << 2));
    const v3 = v128.load(row + (<usize>load<i32>(f, 12) << 2));
    const low01 = v128.shuffle<f32>(v0, v1, 0, 4, 1, 5);
    const low23 = v128.shuffle<f32>(v2, v3, 0, 4, 1, 5);
    const high01 = v128.shuffle<f32>(v0, v1, 2, 6, 3, 7);
    const high23 = v128.shuffle<f32>(v2, v3, 2, 6, 3, 7);
    const p = v128.shuffle<f32>(low01, low23, 2, 3, 6, 7);
    const q = v128.shuffle<f32>(high01, high23, 0, 1, 4, 5);
    const w = weights + (<usize>i << 4);
    let sum = f32x4.mul(v128.load(w), v128.shuffle<f32>(low01, low23, 0, 1, 4, 5));
    sum = f32x4.add(sum, f32x4.mul(v128.load(w, 16), p));
    sum = f32x4.add(sum, f32x4.mul(v128.load(w, 32), q));
    sum = f32x4.add(sum, f32x4.mul(v128.load(w, 48), v128.shuffle<f32>(high01, high23, 2, 3, 6, 7)));
    v128.store(out + (<usize>i << 2), between(sum, p, q));
  }
}

/** lux·cos⁴θ of a row. @param squares x² of each site, mm²; yy: y² of the row; ff: f² */
export function fallOff(squares: usize, count: i32, yy: f64, ff: f64, lux: f64, out: usize): void {
  const y = f64x2.splat(yy);
  const f = f64x2.splat(ff);
  const one = f64x2.splat(1);
  const l = f64x2.splat(lux);
  for (let x = 0; x < count; x += 2) {
    const r = f64x2.add(v128.load(squares + (<usize>x << 3)), y);
    const c2 = f64x2.div(one, f64x2.add(one, f64x2.div(r, f)));
    v128.store64_lane(out + (<usize>x << 2), f32x4.demote_f64x2_zero(f64x2.mul(l, f64x2.mul(c2, c2))), 0);
  }
}

/** A row times another, number by number; four at a time. */
export function times(row: usize, factors: usize, count: i32): void {
  for (let x = 0; x < count; x += 4) {
    const at = <usize>x << 2;
    v128.store(row + at, f32x4.mul(v128.load(row + at), v128.load(factors + at)));
  }
}

/** The odd columns of a row replaced by those of another; four at a time. */
export function mosaic(row: usize, odd: usize, count: i32): void {
  const evens = i32x4(-1, 0, -1, 0);
  for (let x = 0; x < count; x += 4) {
    const at = <usize>x << 2;
    v128.store(row + at, v128.bitselect(v128.load(row + at), v128.load(odd + at), evens));
  }
}

/** A row parted into its even and its odd columns, four each at a time. */
export function split(row: usize, count: i32, even: usize, odd: usize): void {
  for (let x = 0; x < count; x += 8) {
    const a = v128.load(row + (<usize>x << 2));
    const b = v128.load(row + (<usize>x << 2), 16);
    const at = <usize>x << 1;
    v128.store(even + at, v128.shuffle<f32>(a, b, 0, 2, 4, 6));
    v128.store(odd + at, v128.shuffle<f32>(a, b, 1, 3, 5, 7));
  }
}

/** What `split` parts, put together again: a row of `count` columns. */
export function zip(even: usize, odd: usize, count: i32, row: usize): void {
  for (let x = 0; x < count; x += 8) {
    const at = <usize>x << 1;
    const a = v128.load(even + at);
    const b = v128.load(odd + at);
    v128.store(row + (<usize>x << 2), v128.shuffle<f32>(a, b, 0, 4, 1, 5));
    v128.store(row + (<usize>x << 2), v128.shuffle<f32>(a, b, 2, 6, 3, 7), 16);
  }
}

/** Sums of weighted numbers from `taps` places on, of as many sites; sixteen at a time. */
export function gather(places: usize, weights: usize, taps: i32, count: i32, out: usize): void {
  for (let j = 0; j < count; j += 16) {
    const at = <usize>j << 2;
    let s0 = f32x4.splat(0);
    let s1 = f32x4.splat(0);
    let s2 = f32x4.splat(0);
    let s3 = f32x4.splat(0);
    for (let k = 0; k < taps; k++) {
      const p = <usize>load<u32>(places + (<usize>k << 2)) + at;
      const w = v128.load32_splat(weights + (<usize>k << 2));
      s0 = f32x4.add(s0, f32x4.mul(w, v128.load(p)));
      s1 = f32x4.add(s1, f32x4.mul(w, v128.load(p, 16)));
      s2 = f32x4.add(s2, f32x4.mul(w, v128.load(p, 32)));
      s3 = f32x4.add(s3, f32x4.mul(w, v128.load(p, 48)));
    }
    v128.store(out + at, s0);
    v128.store(out + at, s1, 16);
    v128.store(out + at, s2, 32);
    v128.store(out + at, s3, 48);
  }
}
