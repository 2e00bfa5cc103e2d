// A camera that was calibrated under one light or under two, as a file tells of it. DNG specification, chapter 6: between two calibrations the matrix is
// interpolated in reciprocal temperature, beyond them the nearer one holds; the white of a neutral is found by turns with the matrix that belongs to it.
import { apply3, invert3, type Mat3, type Vec3 } from '../numeric/matrix';
import { D50, xyOfXyz, xyzOfXy, type Xy } from './chromaticity';
import { whiteOfXy } from './temperature';

/** What was found under light of one temperature. */
export interface Calibrated {
  readonly kelvin: number;
  /** XYZ → camera R, G, B (DNG ColorMatrix). */
  readonly matrix: Mat3;
  /** Balanced camera R, G, B → XYZ as it looks under D50 (DNG ForwardMatrix). */
  readonly forward?: Mat3;
}

/** One calibration, or two of different temperatures in any order. */
export type CameraMatrices = readonly [Calibrated] | readonly [Calibrated, Calibrated];

/** The ColorMatrix for light of a temperature. */
export function matrixAt([one, two]: CameraMatrices, kelvin: number): Mat3 {
  return two ? between(one.kelvin, one.matrix, two.kelvin, two.matrix, kelvin) : one.matrix;
}

/** The ForwardMatrix for light of a temperature; null for a camera that has none, or lacks one of two. */
export function forwardAt([one, two]: CameraMatrices, kelvin: number): Mat3 | null {
  if (!two) return one.forward ?? null;
  if (!one.forward || !two.forward) return null;
  return between(one.kelvin, one.forward, two.kelvin, two.forward, kelvin);
}

/** Linear in the reciprocal temperature, held beyond the ends. */
function between(fromKelvin: number, from: Mat3, toKelvin: number, to: Mat3, kelvin: number): Mat3 {
  if (fromKelvin === toKelvin) return from;
  const share = (1 / kelvin - 1 / fromKelvin) / (1 / toKelvin - 1 / fromKelvin);
  const held = Math.min(1, Math.max(0, share));
  const row = (i: 0 | 1 | 2): Vec3 => {
    const [a, b] = [from[i], to[i]];
    return [a[0] + (b[0] - a[0]) * held, a[1] + (b[1] - a[1]) * held, a[2] + (b[2] - a[2]) * held];
  };
  return [row(0), row(1), row(2)];
}

/** Camera R, G, B of a white; the largest is 1. */
export function neutralOfWhite(matrices: CameraMatrices, xy: Xy): Vec3 {
  const [r, g, b] = apply3(matrixAt(matrices, whiteOfXy(xy).kelvin), xyzOfXy(xy));
  const top = Math.max(r, g, b);
  return [r / top, g / top, b / top];
}

const MOST_TURNS = 40;
/** Still enough: far less than a step of any figure that is shown. */
const STILL = 1e-9;

function inverseOf(matrix: Mat3): Mat3 | null {
  try {
    return invert3(matrix);
  } catch {
    return null;
  }
}

/**
 * The white that a camera's neutral stands for.
 * @returns null where the matrices make no colour of it
 */
export function whiteOfNeutral(matrices: CameraMatrices, neutral: Vec3): Xy | null {
  let xy = D50;
  for (let turn = 0; turn < MOST_TURNS; turn++) {
    const toXyz = inverseOf(matrixAt(matrices, whiteOfXy(xy).kelvin));
    if (!toXyz) return null;
    const next = xyOfXyz(apply3(toXyz, neutral));
    if (!next.every((v) => v > 0 && v < 1)) return null;
    const moved = Math.abs(next[0] - xy[0]) + Math.abs(next[1] - xy[1]);
    // Turns that swing to and fro are met half way.
    xy = turn > 8 ? [(xy[0] + next[0]) / 2, (xy[1] + next[1]) / 2] : next;
    if (moved < STILL) break;
  }
  return xy;
}
