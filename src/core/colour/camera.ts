// The colour of a camera: how its raw channels answer to light, the neutral for a white, and raw → picture.
// DNG specification chapter 6 "Mapping Camera Color Space to CIE XYZ Space" (ColorMatrix, AsShotNeutral).
import { apply3, invert3, multiply3, scaleRows, type Mat3, type Vec3 } from '../numeric/matrix';
import { uvOfXy, usualWhiteXy, xyzOfXy, type Xy } from './chromaticity';
import { XYZ_FROM_SRGB } from './srgb';

/** What a development must know of a camera's colour. */
export interface DevelopColour {
  /** XYZ → camera R, G, B (DNG ColorMatrix1), for light like D65. */
  readonly colorMatrix: Mat3;
  /** Camera R, G, B of a white surface in the light of the shot; the largest is 1. */
  readonly asShotNeutral: Vec3;
}

/** The colour facts that travel with a capture. */
export interface CameraColour extends DevelopColour {
  /** Colour temperature that the neutral was made from, K. */
  readonly kelvin: number;
}

/**
 * Camera matrix of the simulated phone: invented, of the size usual for a Bayer sensor. Row sums on D65 make green
 * answer as luminance does (1.0), red 0.49, blue 0.74: in daylight green saturates first.
 */
export const SIM_ONE_COLOR_MATRIX: Mat3 = normaliseGreen([
  [0.86, -0.22, -0.085],
  [-0.46, 1.33, 0.14],
  [-0.09, 0.22, 0.58],
]);

/** Scales a matrix so that the green of D65 white is exactly 1. */
function normaliseGreen(m: Mat3): Mat3 {
  const green = apply3(m, xyzOfXy([0.3127, 0.329]))[1];
  return scaleRows(m, [1 / green, 1 / green, 1 / green]);
}

/** Linear Rec. 709 scene light → camera channels (row R, G, B). */
export function cameraFromSrgb(colorMatrix: Mat3): Mat3 {
  return multiply3(colorMatrix, XYZ_FROM_SRGB);
}

/** Camera neutral of a white, largest channel 1 (DNG AsShotNeutral). */
export function neutralOfXy(colorMatrix: Mat3, xy: Xy): Vec3 {
  const [r, g, b] = apply3(colorMatrix, xyzOfXy(xy));
  const top = Math.max(r, g, b);
  return [r / top, g / top, b / top];
}

/** White balance and matrix of a development, in one: balanced camera R, G, B (white = 1, 1, 1) → linear sRGB. */
export function srgbFromBalanced(colour: DevelopColour): Mat3 {
  const cam = cameraFromSrgb(colour.colorMatrix);
  const [r, g, b] = apply3(cam, [1, 1, 1]);
  // Rows of the camera matrix scaled so that sRGB white is (1, 1, 1): white goes to white whatever the illuminant.
  return invert3(scaleRows(cam, [1 / r, 1 / g, 1 / b]));
}

/** Gains that make the as-shot neutral equal in all channels; the smallest is 1. */
export function balanceGains({ asShotNeutral: [r, g, b] }: DevelopColour): Vec3 {
  const top = Math.max(r, g, b);
  return [top / r, top / g, top / b];
}

/**
 * Automatic white: the colour temperature (2500–9000 K, usual whites) whose neutral is nearest to the mean colour of
 * the frame, pulled half way back to 5200 K in mired because a scene is seldom grey on average (practice).
 * @param mean mean camera R, G, B of the sites that are neither clipped nor near the floor
 */
export function automaticWhite(colorMatrix: Mat3, mean: Vec3): { kelvin: number; neutral: Vec3 } {
  const toXyz = invert3(colorMatrix);
  const [X, Y, Z] = apply3(toXyz, mean);
  const sum = X + Y + Z;
  let mired = 1e6 / 5200;
  if (sum > 0 && Y > 0 && Number.isFinite(sum)) {
    const [u, v] = uvOfXy([X / sum, Y / sum]);
    let best = Infinity;
    let bestMired = mired;
    for (let m = 111; m <= 400; m += 1) {
      const [wu, wv] = uvOfXy(usualWhiteXy(1e6 / m));
      const distance = Math.hypot(u - wu, v - wv);
      if (distance < best) {
        best = distance;
        bestMired = m;
      }
    }
    mired = (bestMired + mired) / 2;
  }
  const kelvin = Math.round(1e6 / mired / 10) * 10;
  return { kelvin, neutral: neutralOfXy(colorMatrix, usualWhiteXy(kelvin)) };
}
