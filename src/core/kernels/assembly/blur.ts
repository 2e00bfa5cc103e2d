// Blur by discs and layers laid over each other: the same numbers as scene/disc-blur.ts and scene/defocus.ts make. AssemblyScript. Memory is laid out by
// the caller (scene/blur-kernel.ts). Planes have room for eight more numbers.

/** A plane at half its size: means of four, those beyond its edge being those at it. */
export function halve(a: usize, width: i32, height: i32, w: i32, h: i32, out: usize): void {
  const quarter = f32x4.splat(0.25);
  const inner = (width >> 1) & ~3;
  for (let y = 0; y < h; y++) {
    const top = a + (<usize>(2 * y * width) << 2);
    const bottom = a + (<usize>(min<i32>(height - 1, 2 * y + 1) * width) << 2);
    const o = out + (<usize>(y * w) << 2);
    for (let x = 0; x < inner; x += 4) {
      const at = <usize>x << 3;
      const t0 = v128.load(top + at);
      const t1 = v128.load(top + at, 16);
      const b0 = v128.load(bottom + at);
      const b1 = v128.load(bottom + at, 16);
      let sum = f32x4.add(v128.shuffle<f32>(t0, t1, 0, 2, 4, 6), v128.shuffle<f32>(t0, t1, 1, 3, 5, 7));
      sum = f32x4.add(sum, v128.shuffle<f32>(b0, b1, 0, 2, 4, 6));
      sum = f32x4.add(sum, v128.shuffle<f32>(b0, b1, 1, 3, 5, 7));
      v128.store(o + (<usize>x << 2), f32x4.mul(sum, quarter));
    }
    for (let x = inner; x < w; x++) {
      const left = <usize>x << 3;
      const right = <usize>min<i32>(width - 1, 2 * x + 1) << 2;
      const sum = load<f32>(top + left) + load<f32>(top + right) + load<f32>(bottom + left) + load<f32>(bottom + right);
      store<f32>(o + (<usize>x << 2), sum * <f32>0.25);
    }
  }
}

/** A plane at twice its size, bilinear, samples in the middle of their cells. @param line room for a row with one number before it and four behind it */
export function double(a: usize, w: i32, h: i32, width: i32, height: i32, line: usize, out: usize): void {
  const most = f32x4.splat(0.75);
  const rest = f32x4.splat(0.25);
  for (let y = 0; y < height; y++) {
    const near = a + (<usize>((y >> 1) * w) << 2);
    const far = a + (<usize>(min<i32>(h - 1, max<i32>(0, (y >> 1) + (y & 1 ? 1 : -1))) * w) << 2);
    for (let x = 0; x < w; x += 4) {
      const at = <usize>x << 2;
      v128.store(line + at, f32x4.add(f32x4.mul(most, v128.load(near + at)), f32x4.mul(rest, v128.load(far + at))));
    }
    store<f32>(line - 4, load<f32>(line));
    store<f32>(line + (<usize>w << 2), load<f32>(line + (<usize>(w - 1) << 2)));
    const o = out + (<usize>(y * width) << 2);
    const inner = (width >> 1) & ~3;
    for (let x = 0; x < inner; x += 4) {
      const at = line + (<usize>x << 2);
      const here = f32x4.mul(most, v128.load(at));
      const even = f32x4.add(here, f32x4.mul(rest, v128.load(at - 4)));
      const odd = f32x4.add(here, f32x4.mul(rest, v128.load(at, 4)));
      v128.store(o + (<usize>x << 3), v128.shuffle<f32>(even, odd, 0, 4, 1, 5));
      v128.store(o + (<usize>x << 3), v128.shuffle<f32>(even, odd, 2, 6, 3, 7), 16);
    }
    for (let x = 2 * inner; x < width; x++) {
      const at = line + (<usize>(x >> 1) << 2);
      const beside = x & 1 ? load<f32>(at, 4) : load<f32>(at - 4);
      store<f32>(o + (<usize>x << 2), <f32>0.75 * load<f32>(at) + <f32>0.25 * beside);
    }
  }
}

/**
 * Every sample's mean over its disc.
 * @param sums room for `kept` rows of `span` running sums, 64-bit; `pad` numbers lie before and behind the plane's own
 * @param rows first stretch of each row; stretches: first sample, the one after the last, place of the disc from `discs` on
 * @param discs number of rows (as 8 bytes), then for each whole samples to either side, the weight of those and that of the next one (8 bytes each)
 */
export function gather(
  plane: usize,
  width: i32,
  height: i32,
  reach: i32,
  kept: i32,
  pad: i32,
  span: i32,
  sums: usize,
  rows: usize,
  stretches: usize,
  discs: usize,
  out: usize,
): void {
  memory.fill(out, 0, <usize>(width * height) << 2);
  let summed = 0;
  for (let y = 0; y < height; y++) {
    for (; summed < height && summed <= y + reach; summed++)
      sumRow(plane + (<usize>(summed * width) << 2), width, sums + (<usize>((summed % kept) * span) << 3), pad);
    const row = out + (<usize>(y * width) << 2);
    const end = load<i32>(rows + (<usize>(y + 1) << 2));
    for (let s = load<i32>(rows + (<usize>y << 2)); s < end; s++) {
      const stretch = stretches + <usize>s * 12;
      const x0 = load<i32>(stretch);
      const x1 = load<i32>(stretch, 4);
      let disc = discs + <usize>load<i32>(stretch, 8);
      const count = load<i32>(disc);
      disc += 8;
      for (let dy = 0; dy < count; dy++, disc += 24) {
        const whole = load<i32>(disc);
        const k0 = load<f64>(disc, 8);
        const k1 = load<f64>(disc, 16);
        const above = sums + (<usize>((max<i32>(0, y - dy) % kept) * span + pad) << 3);
        if (dy === 0) first(above, whole, k0, k1, row, x0, x1);
        else {
          const below = sums + (<usize>((min<i32>(height - 1, y + dy) % kept) * span + pad) << 3);
          add(above, below, whole, k0, k1, row, x0, x1);
        }
      }
    }
  }
}

function sumRow(plane: usize, width: i32, at: usize, pad: i32): void {
  const start = <f64>load<f32>(plane);
  const last = <f64>load<f32>(plane + (<usize>(width - 1) << 2));
  let sum: f64 = 0;
  let o = at + 8;
  for (let x = 0; x < pad; x++, o += 8) store<f64>(o, (sum += start));
  for (let x = 0; x < width; x++, o += 8) store<f64>(o, (sum += <f64>load<f32>(plane + (<usize>x << 2))));
  for (let x = 0; x < pad; x++, o += 8) store<f64>(o, (sum += last));
}

/** The middle row of a disc. */
// @ts-ignore: decorator
@inline
function first(above: usize, whole: i32, k0: f64, k1: f64, row: usize, x0: i32, x1: i32): void {
  const al = above - (<usize>whole << 3);
  const ar = above + (<usize>(whole + 1) << 3);
  const w0 = f64x2.splat(k0);
  const w1 = f64x2.splat(k1);
  let x = x0;
  for (; x + 2 <= x1; x += 2) {
    const at = <usize>x << 3;
    const inner = f64x2.sub(v128.load(ar + at), v128.load(al + at));
    const outer = f64x2.sub(v128.load(ar + at, 8), v128.load(al + at - 8));
    const sum = f64x2.add(f64x2.mul(w0, inner), f64x2.mul(w1, outer));
    v128.store64_lane(row + (<usize>x << 2), f32x4.demote_f64x2_zero(sum), 0);
  }
  if (x < x1) {
    const at = <usize>x << 3;
    const inner = load<f64>(ar + at) - load<f64>(al + at);
    const outer = load<f64>(ar + at, 8) - load<f64>(al + at - 8);
    store<f32>(row + (<usize>x << 2), <f32>(k0 * inner + k1 * outer));
  }
}

/** Two rows of a disc, as wide as one another. */
// @ts-ignore: decorator
@inline
function add(above: usize, below: usize, whole: i32, k0: f64, k1: f64, row: usize, x0: i32, x1: i32): void {
  const left = <usize>whole << 3;
  const right = <usize>(whole + 1) << 3;
  const al = above - left;
  const ar = above + right;
  const bl = below - left;
  const br = below + right;
  const w0 = f64x2.splat(k0);
  const w1 = f64x2.splat(k1);
  let x = x0;
  for (; x + 2 <= x1; x += 2) {
    const at = <usize>x << 3;
    let inner = f64x2.sub(v128.load(ar + at), v128.load(al + at));
    inner = f64x2.sub(f64x2.add(inner, v128.load(br + at)), v128.load(bl + at));
    let outer = f64x2.sub(v128.load(ar + at, 8), v128.load(al + at - 8));
    outer = f64x2.sub(f64x2.add(outer, v128.load(br + at, 8)), v128.load(bl + at - 8));
    const o = row + (<usize>x << 2);
    const before = f64x2.promote_low_f32x4(v128.load64_zero(o));
    const sum = f64x2.add(f64x2.add(before, f64x2.mul(w0, inner)), f64x2.mul(w1, outer));
    v128.store64_lane(o, f32x4.demote_f64x2_zero(sum), 0);
  }
  if (x < x1) {
    const at = <usize>x << 3;
    const inner = load<f64>(ar + at) - load<f64>(al + at) + load<f64>(br + at) - load<f64>(bl + at);
    const outer = load<f64>(ar + at, 8) - load<f64>(al + at - 8) + load<f64>(br + at, 8) - load<f64>(bl + at - 8);
    const o = row + (<usize>x << 2);
    store<f32>(o, <f32>(<f64>load<f32>(o) + k0 * inner + k1 * outer));
  }
}

/** Each number by its weight. */
export function weigh(plane: usize, weight: usize, count: i32): void {
  for (let i = 0; i < count; i += 4) {
    const at = <usize>i << 2;
    v128.store(plane + at, f32x4.mul(v128.load(plane + at), v128.load(weight + at)));
  }
}

/** Lays light by its weight over what is there; where it weighs no more than `least` nothing is laid. @param opacity 0 where it covers wholly */
export function lay(target: usize, light: usize, spread: usize, opacity: usize, least: f32, count: i32): void {
  const from = f32x4.splat(least);
  for (let i = 0; i < count; i += 4) {
    const at = <usize>i << 2;
    const w = v128.load(spread + at);
    const there = f32x4.gt(w, from);
    if (!v128.any_true(there)) continue;
    const value = f32x4.div(v128.load(light + at), w);
    const below = v128.load(target + at);
    const laid =
      opacity === 0 ? value : f32x4.add(below, f32x4.mul(v128.load(opacity + at), f32x4.sub(value, below)));
    v128.store(target + at, v128.bitselect(laid, below, there));
  }
}

/**
 * How the samples of a box take part in a layer: 1 where their discs lie between `near` and `far`, `borrowed` where between `lends` and `near`; cover 1 up to
 * `far`; numbers of discs where they are 1, else 0. Four samples at a time.
 * @param numbers by diameter in 32nds of a sample, up to the `last`, which goes for all wider discs
 * @returns samples that are not 1
 */
export function part(
  discs: usize,
  count: i32,
  far: f32,
  near: f32,
  lends: f32,
  borrowed: f32,
  weight: usize,
  cover: usize,
  numbers: usize,
  last: i32,
  out: usize,
): i32 {
  const one = f32x4.splat(1);
  const lent = f32x4.splat(borrowed);
  let own = 0;
  for (let i = 0; i < count; i += 4) {
    const at = <usize>i << 2;
    const d = v128.load(discs + at);
    const covers = f32x4.le(d, f32x4.splat(far));
    const inside = v128.and(covers, f32x4.ge(d, f32x4.splat(near)));
    const lending = v128.and(f32x4.lt(d, f32x4.splat(near)), f32x4.ge(d, f32x4.splat(lends)));
    v128.store(cover + at, v128.and(covers, one));
    v128.store(weight + at, v128.or(v128.and(inside, one), v128.and(lending, lent)));
    const o = out + (<usize>i << 1);
    if (!v128.any_true(inside)) {
      store<u64>(o, 0);
      continue;
    }
    own += popcnt<i32>(i32x4.bitmask(inside));
    const place = i32x4.min_s(
      i32x4.trunc_sat_f32x4_s(f32x4.add(f32x4.mul(f32x4.abs(d), f32x4.splat(32)), f32x4.splat(0.5))),
      i32x4.splat(last),
    );
    const at2 = i32x4.add(i32x4.shl(place, 1), i32x4.splat(<i32>numbers));
    let found = v128.load16_lane(<usize>i32x4.extract_lane(at2, 0), i64x2.splat(0), 0);
    found = v128.load16_lane(<usize>i32x4.extract_lane(at2, 1), found, 1);
    found = v128.load16_lane(<usize>i32x4.extract_lane(at2, 2), found, 2);
    found = v128.load16_lane(<usize>i32x4.extract_lane(at2, 3), found, 3);
    v128.store64_lane(o, v128.and(found, i16x8.narrow_i32x4_s(inside, inside)), 0);
  }
  return count - own;
}
