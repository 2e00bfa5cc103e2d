// Where things lie on the axis of raw stops: the noise floor, the line above which it is clean, and the ends of the picture's
// tones for comparison. And the scene's range against the sensor's: does one frame hold it, or how many do.
import { balanceGains, type CameraColour } from '../colour/camera';
import { contrasted } from '../colour/rendering';
import { encodeSrgb } from '../colour/srgb';
import { baselineExposureEv, toneCurve } from '../raw/tone';
import type { ExposureSettings } from '../exposure/settings';
import type { Print } from '../setting/print';
import type { NoiseModel } from '../sensor/raw-frame';
import { framesFor, type RangeReport } from '../sequence/plan-bracket';
import { clipSignal, luxOfTopShare, type Levels, type SiteResponse } from './levels';

/** Signal-to-noise ratios to call clean, dB. 10 dB shows structure, 20 dB is fit for a portrait's shadows, 26 dB for any (practice). */
export const CLEAN_DBS = [6, 10, 15, 20, 26] as const;
export const CLEAN_DB = 10;

/** Deepest threshold of a zebra on raw, 1/12 EV below clip. */
export const MOST_BELOW_CLIP_12 = 48;

/** DN above black at which a site's signal stands `db` over its noise: s² = k²·(shot·s + read), k = 10^(db/20). */
export function signalOfSnr({ shot, read }: NoiseModel, db: number): number {
  const k2 = 10 ** (db / 10);
  return (k2 * shot + Math.sqrt(k2 * k2 * shot * shot + 4 * k2 * read)) / 2;
}

export interface ToneLimits {
  /** For R, G, B: stops below raw saturation from which the picture stands at 255, and under which it stands at 0. */
  readonly whiteEv: readonly [number, number, number];
  readonly blackEv: readonly [number, number, number];
}

/** Ends of the picture's tones for a neutral surface, from white balance, baseline and tone curve as they are now. */
export function toneLimits(
  colour: CameraColour,
  settings: Pick<ExposureSettings, 'iso'>,
  print: Print | null = null,
): ToneLimits {
  const clipAt = 2 ** (baselineExposureEv(settings) + (print?.exposureEv ?? 0));
  const contrast = print?.contrast ?? 1;
  const top = contrasted(clipAt, contrast);
  const code = (x: number) => Math.round(255 * encodeSrgb(toneCurve(contrasted(x * clipAt, contrast), top)));
  const white = firstWhere((ev) => code(2 ** ev) >= 255, -4, 0);
  const black = firstWhere((ev) => code(2 ** ev) > 0, -20, 0);
  const gains = balanceGains(colour);
  const below = (ev: number) =>
    gains.map((gain) => ev - Math.log2(gain)) as unknown as [number, number, number];
  return { whiteEv: below(white), blackEv: below(black) };
}

/** Where a rising condition begins to hold between two places. */
function firstWhere(holds: (ev: number) => boolean, from: number, to: number): number {
  let [low, high] = [from, to];
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    if (holds(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/** The share of the frame that may sink under the clean line. */
export const DARK_SHARE = 0.01;
const GREENS = [1, 2] as const;

/** @param headroom stops until the highlights that count reach clip */
export function rangeOfScene(
  levels: Levels,
  response: SiteResponse,
  headroom: number,
  cleanDb: number,
): RangeReport {
  const clip = clipSignal(response);
  const sensorEv = Math.log2(clip / signalOfSnr(response.noise, cleanDb));
  const darkLux = GREENS.reduce((sum, c) => sum + luxOfTopShare(levels, c, 1 - DARK_SHARE) / 2, 0);
  const darkEv = Math.log2((darkLux * response.signalPerLux) / clip);
  const sceneEv = Number.isFinite(headroom) ? Math.max(0, -headroom - darkEv) : 0;
  return { sceneEv, sensorEv, frames: framesFor(sceneEv, sensorEv) };
}
