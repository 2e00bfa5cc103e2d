// An image that is to be developed as a print says. Its numbers are the same; what a development makes of them is not.
import { colourOfWhite } from '../colour/camera';
import type { WhitePoint } from '../colour/temperature';
import type { LinearImage } from '../sensor/rgb-image';
import type { Print } from '../setting/print';

/** Ends of temperatures that pictures are developed for, K. */
const [COOLEST, WARMEST] = [1700, 40000];

/** A picture is warmer when it is developed for a light that is cooler: of higher temperature. */
export function warmed({ kelvin, tint }: WhitePoint, warmthMired: number): WhitePoint {
  const mired = Math.min(1e6 / COOLEST, Math.max(1e6 / WARMEST, 1e6 / kelvin - warmthMired));
  return { kelvin: 1e6 / mired, tint };
}

/** @param print null for plainly */
export function printed<T extends LinearImage>(image: T, print: Print | null): T {
  if (!print) return image;
  const { exposureEv, warmthMired, contrast, saturation, mix } = print;
  return {
    ...image,
    baselineEv: image.baselineEv + exposureEv,
    rendering: { contrast, saturation, mix },
    ...(warmthMired !== 0 && {
      colour: colourOfWhite(image.colour.matrices, warmed(image.colour.white, warmthMired)),
    }),
  };
}
