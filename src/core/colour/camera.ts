// The colour of a camera: white balance, and raw → picture. DNG specification chapter 6 "Mapping Camera Color Space to CIE XYZ Space" (ColorMatrix,
// ForwardMatrix, AsShotNeutral).
import { apply3, invert3, multiply3, scaleRows, type Mat3, type Vec3 } from '../numeric/matrix';
import { forwardAt, matrixAt, neutralOfWhite, whiteOfNeutral, type CameraMatrices } from './calibrated';
import { adaptation, D50, D65, xyzOfXy } from './chromaticity';
import { nearestBalanced } from './reach';
import { XYZ_FROM_SRGB } from './srgb';
import { whiteOfXy, xyOfWhite, type WhitePoint } from './temperature';

/** The colour facts that travel with a frame. */
export interface CameraColour {
  readonly matrices: CameraMatrices;
  /** Camera R, G, B of a white surface in the light that the picture is balanced for; the largest is 1. */
  readonly asShotNeutral: Vec3;
  /** That light. */
  readonly white: WhitePoint;
}

/** Balanced for a light of that temperature and tint, or for the nearest tint that the camera can be balanced for. */
export function colourOfWhite(matrices: CameraMatrices, asked: WhitePoint): CameraColour {
  const white = nearestBalanced(matrices, asked);
  return { matrices, asShotNeutral: neutralOfWhite(matrices, xyOfWhite(white)), white };
}

/** Used where a neutral is the colour of no light. */
const NO_LIGHT: WhitePoint = whiteOfXy(D50);

/** Balanced for what makes a surface camera R, G, B of that ratio. */
export function colourOfNeutral(matrices: CameraMatrices, neutral: Vec3): CameraColour {
  const xy = whiteOfNeutral(matrices, neutral);
  const top = Math.max(...neutral);
  const asShotNeutral: Vec3 = [neutral[0] / top, neutral[1] / top, neutral[2] / top];
  return { matrices, asShotNeutral, white: xy ? whiteOfXy(xy) : NO_LIGHT };
}

/** Linear Rec. 709 light → camera channels (row R, G, B), by a camera's matrix. */
export function cameraFromSrgb(colorMatrix: Mat3): Mat3 {
  return multiply3(colorMatrix, XYZ_FROM_SRGB);
}

/** XYZ as it looks under D50 → linear sRGB, whose white is D65. */
const SRGB_FROM_D50: Mat3 = multiply3(invert3(XYZ_FROM_SRGB), adaptation(xyzOfXy(D50), xyzOfXy(D65)));

/** Balanced camera R, G, B (white = 1, 1, 1) → linear sRGB: by the ForwardMatrix where the camera has one, else by its ColorMatrix. */
export function srgbFromBalanced({ matrices, white }: CameraColour): Mat3 {
  const forward = forwardAt(matrices, white.kelvin);
  if (forward) {
    // White goes to white whatever its numbers lost to rounding.
    const toSrgb = multiply3(SRGB_FROM_D50, forward);
    const [r, g, b] = apply3(toSrgb, [1, 1, 1]);
    return scaleRows(toSrgb, [1 / r, 1 / g, 1 / b]);
  }
  // Rows of the camera matrix scaled so that sRGB white is (1, 1, 1): white goes to white whatever the illuminant.
  const cam = cameraFromSrgb(matrixAt(matrices, white.kelvin));
  const [r, g, b] = apply3(cam, [1, 1, 1]);
  return invert3(scaleRows(cam, [1 / r, 1 / g, 1 / b]));
}

/** Gains that make the as-shot neutral equal in all channels; the smallest is 1. */
export function balanceGains({ asShotNeutral: [r, g, b] }: Pick<CameraColour, 'asShotNeutral'>): Vec3 {
  const top = Math.max(r, g, b);
  return [top / r, top / g, top / b];
}
