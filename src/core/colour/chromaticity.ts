// Chromaticities of black bodies and daylight, and the nearest colour temperature of a chromaticity.
// CIE 015:2018 (daylight locus); Kim et al. 2002 (cubic fit of the Planckian locus, 1667–25 000 K);
// CIE 1960 UCS for distances.
import { apply3, invert3, multiply3, scaleRows, type Mat3, type Vec3 } from '../numeric/matrix';

export type Xy = readonly [number, number];

export const D50: Xy = [0.34567, 0.3585];
export const D65: Xy = [0.3127, 0.329];
export const ILLUMINANT_A: Xy = [0.44757, 0.40745];

/** Daylight locus, 4000–25 000 K. */
export function daylightXy(kelvin: number): Xy {
  const t = 1000 / kelvin;
  const x =
    kelvin <= 7000
      ? -4.607 * t ** 3 + 2.9678 * t ** 2 + 0.09911 * t + 0.244063
      : -2.0064 * t ** 3 + 1.9018 * t ** 2 + 0.24748 * t + 0.23704;
  return [x, -3 * x * x + 2.87 * x - 0.275];
}

/** Planckian locus, 1667–25 000 K. */
export function planckianXy(kelvin: number): Xy {
  const t = 1000 / kelvin;
  const x =
    kelvin <= 4000
      ? -0.2661239 * t ** 3 - 0.234358 * t ** 2 + 0.8776956 * t + 0.17991
      : -3.0258469 * t ** 3 + 2.1070379 * t ** 2 + 0.2226347 * t + 0.24039;
  const y =
    kelvin <= 2222
      ? -1.1063814 * x ** 3 - 1.3481102 * x ** 2 + 2.18555832 * x - 0.20219683
      : kelvin <= 4000
        ? -0.9549476 * x ** 3 - 1.37418593 * x ** 2 + 2.09137015 * x - 0.16748867
        : 3.081758 * x ** 3 - 5.8733867 * x ** 2 + 3.75112997 * x - 0.37001483;
  return [x, y];
}

/** XYZ with Y = 1. */
export function xyzOfXy([x, y]: Xy): Vec3 {
  return [x / y, 1, (1 - x - y) / y];
}

export function xyOfXyz([x, y, z]: Vec3): Xy {
  const sum = x + y + z;
  return [x / sum, y / sum];
}

/** CIE 1960 (u, v). */
export function uvOfXy([x, y]: Xy): Xy {
  const d = -2 * x + 12 * y + 3;
  return [(4 * x) / d, (6 * y) / d];
}

/** Cone-like channels of the linear Bradford adaptation (Lam 1985; DNG specification, chapter 6). */
const BRADFORD: Mat3 = [
  [0.8951, 0.2664, -0.1614],
  [-0.7502, 1.7135, 0.0367],
  [0.0389, -0.0685, 1.0296],
];

/** XYZ as it looks under one white → XYZ as it looks under another. */
export function adaptation(from: Vec3, to: Vec3): Mat3 {
  const [a, b] = [apply3(BRADFORD, from), apply3(BRADFORD, to)];
  return multiply3(invert3(BRADFORD), scaleRows(BRADFORD, [b[0] / a[0], b[1] / a[1], b[2] / a[2]]));
}
