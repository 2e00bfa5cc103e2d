// How a finder draws what it marks, whatever it looks at.
import type { PeakingStrength } from '../focus/peaking';
import { packed } from '../scopes/marks';

/** Clip magenta and below-floor cyan of the house, and its guide mint. */
export const MARK_COLOURS = { burnt: [255, 111, 174], dark: [88, 199, 232] } as const;
export const SHARP_COLOUR = [143, 214, 192] as const;
/** Colours that edges in focus may light up in, to choose from: none is the colour of another mark. */
export const PEAKING_COLOURS = {
  lime: [190, 255, 60],
  amber: [255, 190, 64],
  violet: [176, 140, 255],
  white: [255, 255, 255],
} as const;
export type PeakingColour = keyof typeof PEAKING_COLOURS;

/** How edges in focus are marked. */
export interface PeakingMark {
  readonly strength: PeakingStrength;
  readonly colour: PeakingColour;
}

/** Lights up samples of RGBA pixels, each with its neighbours to the right and below: a line one sample wide is lost on a small screen. */
export function lightUp(
  rgba: Uint8ClampedArray,
  width: number,
  samples: Uint32Array,
  colour: PeakingColour,
): void {
  const pixels = new Uint32Array(rgba.buffer, rgba.byteOffset, rgba.length >> 2);
  const light = packed(PEAKING_COLOURS[colour]);
  for (const i of samples) {
    pixels[i] = light;
    if ((i + 1) % width !== 0) pixels[i + 1] = light;
    // Past the last row there is nothing to be set.
    pixels[i + width] = light;
  }
}
/** Share of the level that the highlight pattern reads from which on a sample is marked as read. */
export const READ_FROM = 0.8;

const DOT_PERIOD = 4;
const WHITE = 0xffffffff;
const BLACK = 0xff000000;

/** Dots RGBA pixels where something is so; white and black dots in turn are seen on anything. */
export function dotted(
  rgba: Uint8ClampedArray,
  width: number,
  height: number,
  isSo: (index: number) => boolean,
): void {
  const pixels = new Uint32Array(rgba.buffer, rgba.byteOffset, rgba.length >> 2);
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      if ((x + y) % DOT_PERIOD !== 0 || !isSo(i)) continue;
      pixels[i] = (x + 2 * y) % (2 * DOT_PERIOD) < DOT_PERIOD ? WHITE : BLACK;
    }
}
