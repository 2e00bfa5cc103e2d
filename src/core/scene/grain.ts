// Material grain below the plate's resolution: solid noise in the world, so that the same place of a surface has the same
// grain through every lens and at every size. Value noise (Perlin's lattice with random values), two octaves chosen by what
// a site covers.
import { nextUint32, randomFrom } from '../numeric/random';

const CELLS = 64;
const MASK = CELLS - 1;
/** Bytes, for the sake of the cache. */
let lattice: Int8Array | undefined;

/** Random values of a lattice of 64 × 64 × 64, −127 … 127. */
export function latticeOf(): Int8Array {
  if (lattice) return lattice;
  const random = randomFrom(20240409);
  lattice = Int8Array.from({ length: CELLS ** 3 }, () => ((nextUint32(random) >>> 24) % 255) - 127);
  return lattice;
}

/** Smooth noise in −1 … 1, period 64 in each direction. Written out: a capture asks for it twenty million times. */
export function noise3(x: number, y: number, z: number): number {
  const values = lattice ?? latticeOf();
  const fx = Math.floor(x);
  const fy = Math.floor(y);
  const fz = Math.floor(z);
  let u = x - fx;
  let v = y - fy;
  let w = z - fz;
  u = u * u * (3 - 2 * u);
  v = v * v * (3 - 2 * v);
  w = w * w * (3 - 2 * w);
  const x0 = fx & MASK;
  const x1 = (fx + 1) & MASK;
  const y0 = (fy & MASK) << 6;
  const y1 = ((fy + 1) & MASK) << 6;
  const z0 = (fz & MASK) << 12;
  const z1 = ((fz + 1) & MASK) << 12;
  const a = values[z0 + y0 + x0]!;
  const b = values[z0 + y1 + x0]!;
  const c = values[z1 + y0 + x0]!;
  const d = values[z1 + y1 + x0]!;
  const ab = a + u * (values[z0 + y0 + x1]! - a);
  const bb = b + u * (values[z0 + y1 + x1]! - b);
  const cb = c + u * (values[z1 + y0 + x1]! - c);
  const db = d + u * (values[z1 + y1 + x1]! - d);
  const near = ab + v * (bb - ab);
  return (near + w * (cb + v * (db - cb) - near)) / 127;
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
