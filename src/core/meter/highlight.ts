// Highlight-protecting: our own pattern for scenes whose bright part must live. It does not average: it takes the level that the
// brightest share of the frame (0.03 % unless the person wants another) reaches in its most exposed raw channel, and places
// that level a quarter of a stop under clip. A quarter, because settings move in thirds: the nearest third is off by a sixth
// at most, and a settled automatic lets the light drift a little further. Sparkle smaller than the share may burn; everything else of the frame is held, however
// dark the rest becomes. ISO 12232: saturation lies 9.6 times (3.26 EV) over a metered field.
import type { Pattern } from './pattern';

/** Shares of the frame that may burn, to choose from. */
export const BURN_SHARES = [0.0003, 0.001, 0.01] as const;
export const BURN_SHARE = BURN_SHARES[0];
/** Distance that is kept from clip, EV. */
export const HIGHLIGHT_MARGIN_EV = 0.25;
/** Saturation over a metered field, times: H_sat / H_m = 0.78 / 0.08125. */
export const SATURATION_OVER_METERED = 9.6;

export const highlight: Pattern = {
  id: 'highlight',
  name: 'Highlight',
  says: 'Puts the brightest part just under raw clip; all else falls where it may.',
  area: () => ({ kind: 'brightest' }),
};

/** Luminance of the field to be metered so that `level` lies the margin under clip. */
export function meteredForHighlight(level: number): number {
  return (level / SATURATION_OVER_METERED) * 2 ** HIGHLIGHT_MARGIN_EV;
}
