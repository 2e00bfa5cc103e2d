// Tones and colours of a developed picture beyond the plain ones, as what a development has already: a matrix, and a curve on linear light.
import type { Mat3, Vec3 } from '../numeric/matrix';
import { multiply3 } from '../numeric/matrix';

export interface Rendering {
  /** Slope of tones about mid-grey in stops out for a stop in; 1 is plain. */
  readonly contrast: number;
  /** Colours as strong as they are at 1, grey at 0. */
  readonly saturation: number;
  /** Shares of linear red, green and blue in black and white; null for colours. */
  readonly mix: Vec3 | null;
}

export const PLAIN: Rendering = { contrast: 1, saturation: 1, mix: null };

/** A row of a matrix to linear sRGB, the sum of its sizes, stays under this: beyond it colours leave what a picture is developed with. */
export const MOST_REACH = 5;

/** The farthest that a matrix reaches with values from 0 to 1 in each channel, either way. */
export function reachOf(matrix: Mat3): number {
  return Math.max(...matrix.map((row) => row.reduce((sum, v) => sum + Math.abs(v), 0)));
}

/** Where contrast turns: linear light of a metered mid-grey, 1 = a 100 % white. */
const MID_GREY = 0.18;

/** Linear light after contrast: a straight line in stops, through mid-grey. */
export function contrasted(x: number, contrast: number): number {
  return contrast === 1 || x <= 0 ? x : MID_GREY * (x / MID_GREY) ** contrast;
}

/** By how much of their strength colours give way at a time. */
const STEP = 0.05;

/** Luminance of linear sRGB (IEC 61966-2-1, the Rec. 709 primaries). */
const LUMINANCE: Vec3 = [0.2126, 0.7152, 0.0722];

/** Linear sRGB → linear sRGB with these colours; grey stays grey. The unit matrix for plain ones. */
export function colourMatrix({ saturation, mix }: Rendering): Mat3 {
  if (mix) {
    const sum = mix[0] + mix[1] + mix[2];
    const row: Vec3 = [mix[0] / sum, mix[1] / sum, mix[2] / sum];
    return [row, row, row];
  }
  const row = (of: number): Vec3 => {
    const grey = (c: number) => (1 - saturation) * LUMINANCE[c]!;
    return [
      grey(0) + (of === 0 ? saturation : 0),
      grey(1) + (of === 1 ? saturation : 0),
      grey(2) + (of === 2 ? saturation : 0),
    ];
  };
  return [row(0), row(1), row(2)];
}

/**
 * A matrix to linear sRGB with these colours after it. They give way where a row of the result, the sum of its sizes, would reach beyond `most`:
 * a picture a little plainer is better than none.
 */
export function withColours(toSrgb: Mat3, rendering: Rendering, most: number): Mat3 {
  const { saturation, mix } = rendering;
  const share = (of: number, plain: number, strength: number) => plain + strength * (of - plain);
  for (let strength = 1; ; strength -= STEP) {
    const weaker: Rendering = {
      ...rendering,
      saturation: saturation > 1 ? share(saturation, 1, strength) : saturation,
      mix: mix && [
        share(mix[0], LUMINANCE[0], strength),
        share(mix[1], LUMINANCE[1], strength),
        share(mix[2], LUMINANCE[2], strength),
      ],
    };
    const result = multiply3(colourMatrix(strength === 1 ? rendering : weaker), toSrgb);
    if (strength < STEP || reachOf(result) < most) return result;
  }
}
