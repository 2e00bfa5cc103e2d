// Material grain below the plate's resolution: solid noise in the world, so that the same place of a surface has the same
// grain through every lens and at every size. Value noise (Perlin's lattice with random values), two octaves chosen by what
// a site covers.
import { nextUint32, randomFrom } from '../numeric/random';

const CELLS = 64;
const MASK = CELLS - 1;
/** Bytes, for the sake of the cache. */
let lattice: Int8Array | undefined;

/** Random values of a lattice of 64 × 64 × 64, −127 … 127. */
function latticeOf(): Int8Array {
  if (lattice) return lattice;
  const random = randomFrom(20240409);
  lattice = Int8Array.from({ length: CELLS ** 3 }, () => ((nextUint32(random) >>> 24) % 255) - 127);
  return lattice;
}

let corners: Uint32Array | undefined;

/** The four values about a place of a layer of the lattice, a byte each: its own, right of it, under it, right of that. */
export function cornersOf(): Uint32Array {
  const values = latticeOf();
  corners ??= Uint32Array.from({ length: CELLS ** 3 }, (_, i) => {
    const [x, y, layer] = [i & MASK, (i >> 6) & MASK, i & (MASK << 12)];
    const at = (dx: number, dy: number) =>
      values[layer | (((y + dy) & MASK) << 6) | ((x + dx) & MASK)]! & 255;
    return at(0, 0) | (at(1, 0) << 8) | (at(0, 1) << 16) | (at(1, 1) << 24);
  });
  return corners;
}

const { fround } = Math;

/** Share between two values of the lattice, of a place `t` between them. */
function smooth(t: number): number {
  return fround(fround(t * t) * fround(3 - fround(2 * t)));
}

/** From `a` to `b`. */
function between(a: number, b: number, share: number): number {
  return fround(a + fround(share * fround(b - a)));
}

/** Smooth noise in −1 … 1, period 64 in each direction; in 32-bit floats, as the kernel adds them. */
export function noise3(x: number, y: number, z: number): number {
  const values = lattice ?? latticeOf();
  const fx = Math.floor(x);
  const fy = Math.floor(y);
  const fz = Math.floor(z);
  const u = smooth(fround(x - fx));
  const v = smooth(fround(y - fy));
  const w = smooth(fround(z - fz));
  const x0 = fx & MASK;
  const x1 = (fx + 1) & MASK;
  const y0 = (fy & MASK) << 6;
  const y1 = ((fy + 1) & MASK) << 6;
  const z0 = (fz & MASK) << 12;
  const z1 = ((fz + 1) & MASK) << 12;
  const a = between(values[z0 + y0 + x0]!, values[z1 + y0 + x0]!, w);
  const b = between(values[z0 + y0 + x1]!, values[z1 + y0 + x1]!, w);
  const c = between(values[z0 + y1 + x0]!, values[z1 + y1 + x0]!, w);
  const d = between(values[z0 + y1 + x1]!, values[z1 + y1 + x1]!, w);
  return fround(between(between(a, c, v), between(b, d, v), u) / 127);
}

/** Two octaves for one size of site: inverse wavelengths, 1/m, and their weights. */
export interface Octaves {
  readonly inverse: readonly [number, number];
  readonly weight: readonly [number, number];
}

/** Wavelengths that a site can show, in sites; up to the last the plate itself shows them. */
const SHOWN_FROM = 2.4;
const SHOWN_FULL = 3.2;
const PLATE_FROM = 5.5;
const PLATE_FULL = 8;

/**
 * Octaves (whole powers of two of a millimetre) between what a site resolves and what the plate already holds.
 * @param siteM what a site covers on the surface, metres
 * @param blurM what defocus covers there, metres: grain finer than that fades
 */
export function octavesFor(siteM: number, blurM = 0): Octaves {
  const first = Math.ceil(Math.log2(SHOWN_FROM * siteM * 1000));
  const wavelengths = [2 ** first / 1000, 2 ** (first + 1) / 1000] as const;
  const weights = wavelengths.map((wave) => {
    const sites = wave / siteM;
    const fade = 1 / (1 + ((2.2 * blurM) / wave) ** 2);
    return rise(sites, SHOWN_FROM, SHOWN_FULL) * (1 - rise(sites, PLATE_FROM, PLATE_FULL)) * fade;
  });
  return { inverse: [1 / wavelengths[0], 1 / wavelengths[1]], weight: [weights[0]!, weights[1]!] };
}

function rise(v: number, from: number, to: number): number {
  const t = Math.min(1, Math.max(0, (v - from) / (to - from)));
  return t * t * (3 - 2 * t);
}
