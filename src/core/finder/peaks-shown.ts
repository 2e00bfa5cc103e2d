// Which edges light up as being in focus, and how often that is told anew: a look at single sites takes longer than a frame.
import { lightPassing, type ExposureSettings } from '../exposure/settings';
import type { PeakingMark } from './drawing';
import type { Source } from './source';

/** While the lens is moved every third frame shows what peaks. */
const PEAKS_SHOWN = 3;
/** Frames of a view before the first look at what peaks, which takes the longest. */
const PEAKS_FROM = 3;

export interface PeaksAsk {
  readonly settings: ExposureSettings;
  /** Where the lens rests, m. */
  readonly focusM: number;
  /** What the whole frame reads. */
  readonly ev100: number;
  readonly strength: PeakingMark['strength'];
  /** Of the frame. */
  readonly number: number;
}

/** Samples that light up, by their indices; null where none is known yet. */
export function peaksShown(source: Source): (ask: PeaksAsk) => Uint32Array | null {
  let framesHere = 0;
  /** What was last wanted; and what is known, and of what. */
  let wanted = '';
  let known: { readonly key: string; readonly samples: Uint32Array } | undefined;
  return ({ settings, focusM, ev100, strength, number }) => {
    const key = `${focusM} ${settings.apertureN} ${lightPassing(settings)} ${strength}`;
    const stands = wanted === key;
    wanted = key;
    // A view that is about to be replaced is not worth the first look.
    if (!known && ++framesHere < PEAKS_FROM) return null;
    if (known?.key !== key && (stands || number % PEAKS_SHOWN === 0 || !known)) {
      const samples = source.peaks({ settings, focusM, ev100, strength, seed: number });
      if (!samples) return null;
      known = { key, samples };
    }
    return known?.samples ?? null;
  };
}
