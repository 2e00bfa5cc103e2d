// White on a finished picture, for cameras that do not let theirs be set: gains on its light. How the device made the picture is not told;
// it counts as made by an observer with the colours of sRGB that is used to daylight. So the figures are as true as that, and equal gains always
// mean the same change.
import type { CameraMatrices } from '../colour/calibrated';
import { colourOfWhite } from '../colour/camera';
import { adaptation, D65, xyzOfXy } from '../colour/chromaticity';
import { decodeSrgb, encodeSrgb, LUMA_709, XYZ_FROM_SRGB } from '../colour/srgb';
import { xyOfWhite, type WhitePoint } from '../colour/temperature';
import { invert3, multiply3, type Vec3 } from '../numeric/matrix';

/** The light that a picture counts as balanced for when it comes from the device: daylight (CIE D55). */
export const AS_MADE: WhitePoint = { kelvin: 5503, tint: 10 };

/** Below this the colour of a light lies at the edge of sRGB, and blue would be all gain. */
export const LEAST_ON_PICTURE_K = 2500;

/** XYZ → linear R, G, B of the picture: 1, 1, 1 for a surface that is grey in the light that it counts as made for. */
export const PICTURE_MATRICES: CameraMatrices = [
  {
    kelvin: AS_MADE.kelvin,
    matrix: multiply3(invert3(XYZ_FROM_SRGB), adaptation(xyzOfXy(xyOfWhite(AS_MADE)), xyzOfXy(D65))),
  },
];

/** What is done to linear values: first times `gains`, cut off at white, then times `scale`. */
export interface PictureWhite {
  /** At least 1 each, the smallest 1: what was burnt in all channels stays without colour. */
  readonly gains: Vec3;
  /** At most 1: greys keep their luminance. */
  readonly scale: number;
  /** Linear R, G, B of a surface that comes out grey; the largest is 1. */
  readonly neutral: Vec3;
}

/** The gains that make grey what is grey in that light. */
export function pictureWhite(white: WhitePoint): PictureWhite {
  const { asShotNeutral: neutral } = colourOfWhite(PICTURE_MATRICES, white);
  const gains = neutral.map((n) => 1 / Math.max(n, 1e-3)) as unknown as Vec3;
  const luminance = LUMA_709.reduce<number>((sum, weight, c) => sum + weight * gains[c]!, 0);
  return { gains, scale: 1 / luminance, neutral };
}

/** Carries it out. @param rgba sRGB codes; may be the same as `from` */
export function whitenPicture(
  from: Uint8ClampedArray,
  { gains, scale }: PictureWhite,
  rgba: Uint8ClampedArray,
): void {
  const tables = gains.map((gain) =>
    Uint8ClampedArray.from(
      { length: 256 },
      (_, code) => 255 * encodeSrgb(Math.min(1, gain * decodeSrgb(code / 255)) * scale),
    ),
  );
  const [red, green, blue] = tables as [Uint8ClampedArray, Uint8ClampedArray, Uint8ClampedArray];
  for (let i = 0; i < from.length; i += 4) {
    rgba[i] = red[from[i]!]!;
    rgba[i + 1] = green[from[i + 1]!]!;
    rgba[i + 2] = blue[from[i + 2]!]!;
    rgba[i + 3] = from[i + 3]!;
  }
}

/** Codes are about this power of light, over most of their range (IEC 61966-2-1). */
const CODE_POWER = 1 / 2.4;

/** The same for drawing that knows codes only: within twelve codes of `whitenPicture`, most in the shadows. */
export function gainsOnCodes({ gains, scale }: PictureWhite): Pick<PictureWhite, 'gains' | 'scale'> {
  const [r, g, b] = gains;
  return { gains: [r ** CODE_POWER, g ** CODE_POWER, b ** CODE_POWER], scale: scale ** CODE_POWER };
}
