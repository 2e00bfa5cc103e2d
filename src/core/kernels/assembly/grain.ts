// Grain of surfaces along a row of sites, four at a time: the same numbers as the twin in scene/grain-of-rows.ts makes, in 32-bit floats in the same order.
// AssemblyScript. Memory is laid out by the caller (scene/grain-kernel.ts). Rows have room for three more sites.

const MASK: i32 = 63;

/** Of a lattice of 64 × 64 × 64 random values the four about each place of a layer, a signed byte each. */
let corners: usize = 0;
/** By column: pixel of the plate, the one left of the place, the share between two, the ray's slope. */
let pixels: usize = 0;
let lefts: usize = 0;
let betweens: usize = 0;
let asides: usize = 0;
/** By step of 1/distance: inverse wavelength and weight of two octaves; NaN where they are not known yet. */
let octaves: usize = 0;
/** By kind of surface: contrast, and how much slower grain goes along x. */
let kindsOf: usize = 0;
let line: usize = 0;
let kinds: usize = 0;

export function layout(
  atCorners: usize,
  atPixels: usize,
  atLefts: usize,
  atBetweens: usize,
  atAsides: usize,
  atOctaves: usize,
  atKindsOf: usize,
  atLine: usize,
  atKinds: usize,
): void {
  corners = atCorners;
  pixels = atPixels;
  lefts = atLefts;
  betweens = atBetweens;
  asides = atAsides;
  octaves = atOctaves;
  kindsOf = atKindsOf;
  line = atLine;
  kinds = atKinds;
}

let edge: f32 = 0;
let stepsPerDioptre: f32 = 0;
let lastStep: i32 = 0;

export function limits(anEdge: f32, perDioptre: f32, last: i32): void {
  edge = anEdge;
  stepsPerDioptre = perDioptre;
  lastStep = last;
}

let ex: f32 = 0;
let ey: f32 = 0;
let ez: f32 = 0;
let rx: f32 = 0;
let ry: f32 = 0;
let rz: f32 = 0;

/** Where the eye is, and what lies to its right. */
export function pose(eyeX: f32, eyeY: f32, eyeZ: f32, rightX: f32, rightY: f32, rightZ: f32): void {
  ex = eyeX;
  ey = eyeY;
  ez = eyeZ;
  rx = rightX;
  ry = rightY;
  rz = rightZ;
}

/** The step of 1/distance whose octaves were asked for. */
export let step: i32 = 0;

// @ts-ignore: decorator
@inline
function place(eye: f32, b: f32, right: f32, u: v128, k: v128): v128 {
  return f32x4.add(
    f32x4.splat(eye),
    f32x4.mul(f32x4.add(f32x4.splat(b), f32x4.mul(f32x4.splat(right), u)), k),
  );
}

/** Four addresses. */
// @ts-ignore: decorator
@inline
function addresses(base: usize, index: v128, shift: i32): v128 {
  return i32x4.add(i32x4.splat(<i32>base), i32x4.shl(index, shift));
}

/** The 32 bits at four addresses and an offset. */
// @ts-ignore: decorator
@inline
function taken(at: v128, offset: usize): v128 {
  let v = v128.load32_zero(<usize>i32x4.extract_lane(at, 0) + offset);
  v = v128.load32_lane(<usize>i32x4.extract_lane(at, 1) + offset, v, 1);
  v = v128.load32_lane(<usize>i32x4.extract_lane(at, 2) + offset, v, 2);
  return v128.load32_lane(<usize>i32x4.extract_lane(at, 3) + offset, v, 3);
}

/**
 * Factors from column `x` on, a multiple of four.
 * @returns the column at which it stopped: one of four of which the octaves are not known yet (`step` tells which), or the width or more
 */
export function row(x: i32, width: i32, flat: f32, bx: f32, by: f32, bz: f32, out: usize): i32 {
  const one = f32x4.splat(1);
  for (; x < width; x += 4) {
    const at = <usize>x << 2;
    const p0 = load<u32>(pixels + at);
    const p1 = load<u32>(pixels + at, 4);
    const p2 = load<u32>(pixels + at, 8);
    const p3 = load<u32>(pixels + at, 12);
    const k0 = <i32>load<u8>(kinds + p0);
    const k1 = <i32>load<u8>(kinds + p1);
    const k2 = <i32>load<u8>(kinds + p2);
    const k3 = <i32>load<u8>(kinds + p3);
    if ((k0 | k1 | k2 | k3) === 0) {
      v128.store(out + at, one);
      continue;
    }
    const l = addresses(line, v128.load(lefts + at), 2);
    const d0 = taken(l, 0);
    const d1 = taken(l, 4);
    const t = v128.load(betweens + at);
    const apart = f32x4.sub(d1, d0);
    const d = v128.bitselect(
      f32x4.add(d0, f32x4.mul(t, apart)),
      v128.bitselect(d0, d1, f32x4.lt(t, f32x4.splat(0.5))),
      f32x4.lt(f32x4.abs(apart), f32x4.mul(f32x4.splat(edge), d0)),
    );
    const steps = i32x4.min_s(
      i32x4.trunc_sat_f32x4_s(f32x4.div(f32x4.splat(stepsPerDioptre), d)),
      i32x4.splat(lastStep),
    );
    const o = addresses(octaves, steps, 4);
    const w0 = taken(o, 4);
    const unknown = i32x4.bitmask(f32x4.ne(w0, w0));
    if (unknown !== 0) {
      const lane = ctz(unknown);
      step = lane === 0 ? i32x4.extract_lane(steps, 0) : lane === 1 ? i32x4.extract_lane(steps, 1) : lane === 2 ? i32x4.extract_lane(steps, 2) : i32x4.extract_lane(steps, 3);
      return x;
    }
    const w1 = taken(o, 12);
    const looks = addresses(kindsOf, i32x4.replace_lane(i32x4.replace_lane(i32x4.replace_lane(i32x4.splat(k0), 1, k1), 2, k2), 3, k3), 3);
    const fibre = taken(looks, 4);
    const u = v128.load(asides + at);
    const k = f32x4.div(d, f32x4.sqrt(f32x4.add(f32x4.splat(flat), f32x4.mul(u, u))));
    const wx = place(ex, bx, rx, u, k);
    const wy = place(ey, by, ry, u, k);
    const wz = place(ez, bz, rz, u, k);
    const zero = f32x4.splat(0);
    let noise = zero;
    if (v128.any_true(f32x4.ne(w0, zero))) {
      const f = taken(o, 0);
      noise = f32x4.mul(w0, noise3(f32x4.mul(f32x4.mul(wx, f), fibre), f32x4.mul(wy, f), f32x4.mul(wz, f)));
    }
    if (v128.any_true(f32x4.ne(w1, zero))) {
      const f = taken(o, 8);
      const second = noise3(
        f32x4.add(f32x4.mul(f32x4.mul(wx, f), fibre), f32x4.splat(17)),
        f32x4.add(f32x4.mul(wy, f), f32x4.splat(5)),
        f32x4.add(f32x4.mul(wz, f), f32x4.splat(29)),
      );
      noise = f32x4.add(noise, f32x4.mul(w1, second));
    }
    v128.store(out + at, f32x4.add(one, f32x4.mul(taken(looks, 0), noise)));
  }
  return width;
}

// @ts-ignore: decorator
@inline
function smooth(t: v128): v128 {
  return f32x4.mul(f32x4.mul(t, t), f32x4.sub(f32x4.splat(3), f32x4.mul(f32x4.splat(2), t)));
}

// @ts-ignore: decorator
@inline
function between(a: v128, b: v128, share: v128): v128 {
  return f32x4.add(a, f32x4.mul(share, f32x4.sub(b, a)));
}

/** Signed bytes of four numbers, from the given one on. */
// @ts-ignore: decorator
@inline
function byte(cells: v128, up: i32): v128 {
  return f32x4.convert_i32x4_s(i32x4.shr_s(i32x4.shl(cells, up), 24));
}

/** Value noise at four places. */
// @ts-ignore: decorator
@inline
function noise3(x: v128, y: v128, z: v128): v128 {
  const fx = f32x4.floor(x);
  const fy = f32x4.floor(y);
  const fz = f32x4.floor(z);
  const u = smooth(f32x4.sub(x, fx));
  const v = smooth(f32x4.sub(y, fy));
  const w = smooth(f32x4.sub(z, fz));
  const mask = i32x4.splat(MASK);
  const iz = i32x4.trunc_sat_f32x4_s(fz);
  const cell = v128.or(
    v128.and(i32x4.trunc_sat_f32x4_s(fx), mask),
    i32x4.shl(v128.and(i32x4.trunc_sat_f32x4_s(fy), mask), 6),
  );
  const near = taken(addresses(corners, v128.or(cell, i32x4.shl(v128.and(iz, mask), 12)), 2), 0);
  const next = i32x4.add(iz, i32x4.splat(1));
  const far = taken(addresses(corners, v128.or(cell, i32x4.shl(v128.and(next, mask), 12)), 2), 0);
  const a = between(byte(near, 24), byte(far, 24), w);
  const b = between(byte(near, 16), byte(far, 16), w);
  const c = between(byte(near, 8), byte(far, 8), w);
  const d = between(byte(near, 0), byte(far, 0), w);
  return f32x4.div(between(between(a, c, v), between(b, d, v), u), f32x4.splat(127));
}
