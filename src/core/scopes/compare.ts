// Two exposures of the same moment: is their raw the same, number by number, and how far apart are the pictures?
import { ev100RightFor, extendedStops, type ExposureSettings } from '../exposure/settings';
import type { RawFrame } from '../sensor/raw-frame';

export interface Comparison {
  /** Every number of the two mosaics is the same. */
  readonly rawIdentical: boolean;
  /** Share of sites whose numbers differ. */
  readonly rawDiffering: number;
  /** What raw gets more (+) of: light and gain, EV. */
  readonly rawEv: number;
  /** The same for the picture, which extended ISO darkens. */
  readonly pictureEv: number;
  /** Mean luminance of the second picture less the first's, code values of 255. */
  readonly pictureCodes: number;
}

/**
 * The second against the first.
 * @throws RangeError when they are not of one size
 */
export function compareExposures(
  first: { frame: Pick<RawFrame, 'data' | 'settings'>; rgba: Uint8ClampedArray },
  second: { frame: Pick<RawFrame, 'data' | 'settings'>; rgba: Uint8ClampedArray },
): Comparison {
  const [a, b] = [first.frame.data, second.frame.data];
  if (a.length !== b.length || first.rgba.length !== second.rgba.length)
    throw new RangeError('Frames of different sizes cannot be compared');
  let differing = 0;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) differing++;
  const pictureEv = pictureBrightness(second.frame.settings) - pictureBrightness(first.frame.settings);
  const pulled = extendedStops(second.frame.settings.iso) - extendedStops(first.frame.settings.iso);
  return {
    rawIdentical: differing === 0,
    rawDiffering: a.length > 0 ? differing / a.length : 0,
    rawEv: pictureEv + pulled,
    pictureEv,
    pictureCodes: meanLuminance(second.rgba) - meanLuminance(first.rgba),
  };
}

/** Brightness of the picture that settings make, EV. */
function pictureBrightness(settings: ExposureSettings): number {
  return -ev100RightFor(settings);
}

/** Rec. 709 weights on code values, as in the histogram. */
function meanLuminance(rgba: Uint8ClampedArray): number {
  let sum = 0;
  for (let i = 0; i < rgba.length; i += 4)
    sum += 0.2126 * rgba[i]! + 0.7152 * rgba[i + 1]! + 0.0722 * rgba[i + 2]!;
  return rgba.length > 0 ? sum / (rgba.length / 4) : 0;
}
