// Linear Rec. 709 / sRGB primaries, XYZ and the sRGB transfer curve. IEC 61966-2-1.
import type { Mat3 } from '../numeric/matrix';

/** Rec. 709 luminance weights of linear R, G, B. */
export const LUMA_709 = [0.2126, 0.7152, 0.0722] as const;

/** Linear sRGB (D65) → CIE XYZ, Y = 1 for white. */
export const XYZ_FROM_SRGB: Mat3 = [
  [0.4123908, 0.3575843, 0.1804808],
  [0.212639, 0.7151687, 0.0721923],
  [0.0193308, 0.1191948, 0.9505322],
];

/** Linear 0 … 1 → code value 0 … 1. */
export function encodeSrgb(linear: number): number {
  return linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055;
}

/** Code value 0 … 1 → linear 0 … 1. */
export function decodeSrgb(code: number): number {
  return code <= 0.04045 ? code / 12.92 : ((code + 0.055) / 1.055) ** 2.4;
}
