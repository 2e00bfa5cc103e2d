// Surfaces with a spectrum: a smooth reflectance for any colour of linear Rec. 709, and linear in it. The method of Mallett & Yuksel, "Spectral
// Primary Decomposition for Rendering with sRGB Reflectance" (EGSR 2019): three reflectances, one for each primary under D65, that add up to 1 at
// every wavelength, never leave 0 … 1, and are as smooth as they can be (least sum of squared steps). Solved for the grid of spectral-tables.
import type { Vec3 } from '../numeric/matrix';
import { samples, SAMPLES, type Spectrum } from './spectral-tables';

/** Reflectance that is (1, 0, 0) under D65. */
const RED_PRIMARY = samples(`
  0.024915 0.024913 0.024906 0.024893 0.024863 0.024796 0.024668 0.024427 0.023993 0.023261 0.022188 0.020894 0.019718
  0.019305 0.020595 0.024904 0.029573 0.023937 0.01296 0.002827 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0.035568 0.111753
  0.217924 0.343105 0.476141 0.607229 0.727814 0.830937 0.911429 0.966194 0.995219 1 1 1 1 1 1 1 1 1 1 1 1 1 1 1 1 1 1 1
  1 1 1 1 1 1 1 1 1 1 1 1 1`);

/** Reflectance that is (0, 1, 0) under D65. */
const GREEN_PRIMARY = samples(`
  0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0.008354 0.049938 0.118349 0.20481 0.300608 0.402689 0.507551 0.611148 0.70979
  0.799839 0.877496 0.938946 0.980686 1 1 1 1 1 1 1 0.996621 0.97598 0.9234 0.839688 0.733491 0.613722 0.489355 0.368248
  0.257314 0.162143 0.086841 0.033806 0.004781 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0`);

/** Reflectances of the primaries R, G, B. */
export const PRIMARIES: readonly [Spectrum, Spectrum, Spectrum] = [
  RED_PRIMARY,
  GREEN_PRIMARY,
  RED_PRIMARY.map((r, i) => 1 - r - GREEN_PRIMARY[i]!),
];

/** Reflectance of a surface that has this colour under D65. @param rgb linear Rec. 709; 0 … 1 gives a reflectance of 0 … 1 */
export function reflectanceOf([r, g, b]: Vec3): Spectrum {
  const [pr, pg, pb] = PRIMARIES;
  return Float64Array.from({ length: SAMPLES }, (_, i) => r * pr[i]! + g * pg[i]! + b * pb[i]!);
}
