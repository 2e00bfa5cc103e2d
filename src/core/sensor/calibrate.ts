// Calibrating a camera as its maker would: camera values and colours of known surfaces under two lights give the matrices of its files. DNG
// specification, chapter 6: ColorMatrix XYZ → camera under a light, ForwardMatrix balanced camera → XYZ as the surface looks under D50.
import type { Calibrated, CameraMatrices } from '../colour/calibrated';
import {
  answer,
  ILLUMINANT_A_KELVIN,
  ofUnitLuminance,
  planckSpectrum,
  daylightSpectrum,
  spectrum,
  xyzOfSpectrum,
} from '../colour/spectra';
import type { Spectrum } from '../colour/spectral-tables';
import { invert3, type Mat3, type Vec3 } from '../numeric/matrix';
import { xyzOfXy, D50 } from '../colour/chromaticity';
import type { Sensitivities } from './sensitivities';

const range = (from: number, to: number, step: number) =>
  Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, i) => from + i * step);
const bell = (nm: number, peak: number, width: number) => Math.exp(-0.5 * ((nm - peak) / width) ** 2);
const edge = (nm: number, at: number, width: number) => 1 / (1 + Math.exp((at - nm) / width));

/** The surfaces: four greys, and bands and edges of three widths each all along the spectrum, light on dark and dark on light. */
export function calibrationSurfaces(): readonly Spectrum[] {
  return [
    ...[0.05, 0.2, 0.5, 0.9].map((grey) => spectrum(() => grey)),
    ...range(400, 700, 20).flatMap((peak) =>
      [25, 50, 90].flatMap((width) => [
        spectrum((nm) => 0.06 + 0.6 * bell(nm, peak, width)),
        spectrum((nm) => 0.75 - 0.6 * bell(nm, peak, width)),
      ]),
    ),
    ...range(440, 680, 20).flatMap((at) =>
      [8, 20, 35].flatMap((width) => [
        spectrum((nm) => 0.05 + 0.7 * edge(nm, at, width)),
        spectrum((nm) => 0.75 - 0.65 * edge(nm, at, width)),
      ]),
    ),
  ];
}

/** Dark surfaces count more, as they do for the eye: weight 1/(this + luminance). */
const DARK = 0.02;

/**
 * The matrix that takes `from` to `to` with the least sum of weighted squares, and takes one vector exactly to another.
 * @throws RangeError when the vectors span no space
 */
export function fittedMatrix(
  from: readonly Vec3[],
  to: readonly Vec3[],
  weights: readonly number[],
  [exactFrom, exactTo]: readonly [Vec3, Vec3],
): Mat3 {
  const sum = (of: (k: number) => number) => from.reduce((total, _, k) => total + weights[k]! * of(k), 0);
  const square = ([0, 1, 2] as const).map((i) =>
    ([0, 1, 2] as const).map((j) => sum((k) => from[k]![i] * from[k]![j])),
  ) as unknown as Mat3;
  const inverse = invert3(square);
  const times = (v: Vec3): Vec3 =>
    inverse.map((row) => row[0] * v[0] + row[1] * v[1] + row[2] * v[2]) as unknown as Vec3;
  const dot = (a: Vec3, b: Vec3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  // Lagrange: the free solution, moved along the inverse of the squares until the one vector is met.
  const along = times(exactFrom);
  const reach = dot(along, exactFrom);
  return ([0, 1, 2] as const).map((i) => {
    const free = times(
      ([0, 1, 2] as const).map((j) => sum((k) => from[k]![j] * to[k]![i])) as unknown as Vec3,
    );
    const more = (exactTo[i] - dot(free, exactFrom)) / reach;
    return free.map((v, j) => v + more * along[j]!) as unknown as Vec3;
  }) as unknown as Mat3;
}

/** Matrices for light A and D65. */
export function calibrated(sensitivities: Sensitivities): CameraMatrices {
  const surfaces = calibrationSurfaces();
  const d50 = ofUnitLuminance(daylightSpectrum(5003));
  const look = surfaces.map((surface) => xyzOfSpectrum(d50, surface));
  const weights = look.map(([, y]) => 1 / (DARK + y));
  const under = (kelvin: number, power: Spectrum): Calibrated => {
    const light = ofUnitLuminance(power);
    const seen = (surface?: Spectrum): Vec3 => [
      answer(sensitivities[0], light, surface),
      answer(sensitivities[1], light, surface),
      answer(sensitivities[2], light, surface),
    ];
    const [r, g, b] = seen();
    const camera = surfaces.map(seen);
    return {
      kelvin,
      matrix: fittedMatrix(
        surfaces.map((surface) => xyzOfSpectrum(light, surface)),
        camera,
        weights,
        [xyzOfSpectrum(light), [r, g, b]],
      ),
      forward: fittedMatrix(
        camera.map(([cr, cg, cb]): Vec3 => [cr / r, cg / g, cb / b]),
        look,
        weights,
        [[1, 1, 1], xyzOfXy(D50)],
      ),
    };
  };
  return [under(2856, planckSpectrum(ILLUMINANT_A_KELVIN)), under(6504, daylightSpectrum(6504))];
}
