// Grain of surfaces along a row of sites, both octaves at once: the same numbers as `grainRow` of scene/surface-rows.ts makes, in 64-bit floats in the same
// order. AssemblyScript. Memory is laid out by the caller (scene/grain-kernel.ts).

const MASK: i32 = 63;

/** Random values of a lattice of 64 × 64 × 64, a signed byte each. */
let lattice: usize = 0;
/** By column: pixel of the plate, the one left of the place, the share between two, the ray's slope. */
let pixels: usize = 0;
let lefts: usize = 0;
let betweens: usize = 0;
let asides: usize = 0;
/** By step of 1/distance: inverse wavelength and weight of two octaves. */
let f0: usize = 0;
let g0: usize = 0;
let f1: usize = 0;
let g1: usize = 0;
/** By kind of surface. */
let strengths: usize = 0;
let line: usize = 0;
let kinds: usize = 0;

export function layout(
  atLattice: usize,
  atPixels: usize,
  atLefts: usize,
  atBetweens: usize,
  atAsides: usize,
  atF0: usize,
  atG0: usize,
  atF1: usize,
  atG1: usize,
  atStrengths: usize,
  atLine: usize,
  atKinds: usize,
): void {
  lattice = atLattice;
  pixels = atPixels;
  lefts = atLefts;
  betweens = atBetweens;
  asides = atAsides;
  f0 = atF0;
  g0 = atG0;
  f1 = atF1;
  g1 = atG1;
  strengths = atStrengths;
  line = atLine;
  kinds = atKinds;
}

let leastWeight: f64 = 0;
let edge: f64 = 0;
let stepsPerDioptre: f64 = 0;
let lastStep: i32 = 0;
let fibreShare: f64 = 0;

export function limits(least: f64, anEdge: f64, perDioptre: f64, last: i32, fibre: f64): void {
  leastWeight = least;
  edge = anEdge;
  stepsPerDioptre = perDioptre;
  lastStep = last;
  fibreShare = fibre;
}

let ex: f64 = 0;
let ey: f64 = 0;
let ez: f64 = 0;
let rx: f64 = 0;
let ry: f64 = 0;
let rz: f64 = 0;

/** Where the eye is, and what lies to its right. */
export function pose(eyeX: f64, eyeY: f64, eyeZ: f64, rightX: f64, rightY: f64, rightZ: f64): void {
  ex = eyeX;
  ey = eyeY;
  ez = eyeZ;
  rx = rightX;
  ry = rightY;
  rz = rightZ;
}

// @ts-ignore: decorator
@inline
function f64At(base: usize, i: i32): f64 {
  return load<f64>(base + (<usize>i << 3));
}

/**
 * Factors from column `x` on.
 * @returns the column at which it stopped: one whose octaves are not known yet (`step` tells which), or the width
 */
export function row(x: i32, width: i32, flat: f64, bx: f64, by: f64, bz: f64, out: usize): i32 {
  for (; x < width; x++) {
    const kind = <i32>load<u8>(kinds + load<u32>(pixels + (<usize>x << 2)));
    if (kind === 0) {
      store<f32>(out + (<usize>x << 2), 1);
      continue;
    }
    const l = line + (load<u32>(lefts + (<usize>x << 2)) << 2);
    const d0 = <f64>load<f32>(l);
    const d1 = <f64>load<f32>(l, 4);
    const t = f64At(betweens, x);
    const d = abs<f64>(d1 - d0) < edge * d0 ? d0 + t * (d1 - d0) : t < 0.5 ? d0 : d1;
    const u = f64At(asides, x);
    const k = d / sqrt<f64>(flat + u * u);
    const wx = ex + (bx + rx * u) * k;
    const wy = ey + (by + ry * u) * k;
    const wz = ez + (bz + rz * u) * k;
    const i = <i32>min<f64>(stepsPerDioptre / d, <f64>lastStep);
    const w0 = f64At(g0, i);
    if (w0 !== w0) {
      step = i;
      return x;
    }
    const w1 = f64At(g1, i);
    const fibre = kind & 16 ? fibreShare : 1;
    let noise: f64 = 0;
    if (w0 > leastWeight && w1 > leastWeight) {
      const f = f64x2.replace_lane(f64x2.splat(f64At(f0, i)), 1, f64At(f1, i));
      const both = noise3(
        f64x2.add(f64x2.mul(f64x2.mul(f64x2.splat(wx), f), f64x2.splat(fibre)), f64x2(0, 17)),
        f64x2.add(f64x2.mul(f64x2.splat(wy), f), f64x2(0, 5)),
        f64x2.add(f64x2.mul(f64x2.splat(wz), f), f64x2(0, 29)),
      );
      noise = w0 * f64x2.extract_lane(both, 0) + w1 * f64x2.extract_lane(both, 1);
    } else if (w0 > leastWeight) {
      const f = f64At(f0, i);
      noise = w0 * f64x2.extract_lane(noise3(f64x2.splat(wx * f * fibre), f64x2.splat(wy * f), f64x2.splat(wz * f)), 0);
    } else if (w1 > leastWeight) {
      const f = f64At(f1, i);
      noise =
        w1 *
        f64x2.extract_lane(
          noise3(f64x2.splat(wx * f * fibre + 17), f64x2.splat(wy * f + 5), f64x2.splat(wz * f + 29)),
          0,
        );
    }
    store<f32>(out + (<usize>x << 2), <f32>(1 + f64At(strengths, kind) * noise));
  }
  return width;
}

/** The step of 1/distance whose octaves were asked for. */
export let step: i32 = 0;

// @ts-ignore: decorator
@inline
function smooth(u: v128): v128 {
  return f64x2.mul(f64x2.mul(u, u), f64x2.sub(f64x2.splat(3), f64x2.mul(f64x2.splat(2), u)));
}

// @ts-ignore: decorator
@inline
function pair(i0: i32, i1: i32): v128 {
  return f64x2.replace_lane(
    f64x2.splat(<f64>load<i8>(lattice + i0)),
    1,
    <f64>load<i8>(lattice + i1),
  );
}

/** Value noise at two places. */
// @ts-ignore: decorator
@inline
function noise3(x: v128, y: v128, z: v128): v128 {
  const fx = f64x2.floor(x);
  const fy = f64x2.floor(y);
  const fz = f64x2.floor(z);
  const u = smooth(f64x2.sub(x, fx));
  const v = smooth(f64x2.sub(y, fy));
  const w = smooth(f64x2.sub(z, fz));
  const ix = i32x4.trunc_sat_f64x2_s_zero(fx);
  const iy = i32x4.trunc_sat_f64x2_s_zero(fy);
  const iz = i32x4.trunc_sat_f64x2_s_zero(fz);
  const x0 = i32x4.extract_lane(ix, 0) & MASK;
  const x1 = (i32x4.extract_lane(ix, 0) + 1) & MASK;
  const y0 = (i32x4.extract_lane(iy, 0) & MASK) << 6;
  const y1 = ((i32x4.extract_lane(iy, 0) + 1) & MASK) << 6;
  const z0 = (i32x4.extract_lane(iz, 0) & MASK) << 12;
  const z1 = ((i32x4.extract_lane(iz, 0) + 1) & MASK) << 12;
  const p0 = i32x4.extract_lane(ix, 1) & MASK;
  const p1 = (i32x4.extract_lane(ix, 1) + 1) & MASK;
  const q0 = (i32x4.extract_lane(iy, 1) & MASK) << 6;
  const q1 = ((i32x4.extract_lane(iy, 1) + 1) & MASK) << 6;
  const r0 = (i32x4.extract_lane(iz, 1) & MASK) << 12;
  const r1 = ((i32x4.extract_lane(iz, 1) + 1) & MASK) << 12;
  const a = pair(z0 + y0 + x0, r0 + q0 + p0);
  const b = pair(z0 + y1 + x0, r0 + q1 + p0);
  const c = pair(z1 + y0 + x0, r1 + q0 + p0);
  const d = pair(z1 + y1 + x0, r1 + q1 + p0);
  const ab = f64x2.add(a, f64x2.mul(u, f64x2.sub(pair(z0 + y0 + x1, r0 + q0 + p1), a)));
  const bb = f64x2.add(b, f64x2.mul(u, f64x2.sub(pair(z0 + y1 + x1, r0 + q1 + p1), b)));
  const cb = f64x2.add(c, f64x2.mul(u, f64x2.sub(pair(z1 + y0 + x1, r1 + q0 + p1), c)));
  const db = f64x2.add(d, f64x2.mul(u, f64x2.sub(pair(z1 + y1 + x1, r1 + q1 + p1), d)));
  const near = f64x2.add(ab, f64x2.mul(v, f64x2.sub(bb, ab)));
  const far = f64x2.sub(f64x2.add(cb, f64x2.mul(v, f64x2.sub(db, cb))), near);
  return f64x2.div(f64x2.add(near, f64x2.mul(w, far)), f64x2.splat(127));
}
