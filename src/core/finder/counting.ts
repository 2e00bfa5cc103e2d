// When the light is counted anew for what the finder tells of a capture: at once for other settings, now and then for what moves.
import type { ExposureSettings } from '../exposure/settings';
import type { outlooks } from './outlook';
import type { Observed } from './source';

/** Frames after which moving light is counted again, and while the lens is being focused, which makes all of it anew. */
const COUNT_EVERY = 4;
const COUNT_LATER = 12;

/** Key of the settings that light on single points depends on, beside what moves. */
function countingKey(settings: ExposureSettings): string {
  const { compensationEv: _, iso: __, ...of } = settings;
  return JSON.stringify(of);
}

/**
 * @param width of the finder's frame
 * @param atOnce true where the first frame must come before its figures are exact
 * @returns counts a frame where that is due; `searching` while the automatic focus does
 */
export function countings(
  outlookFor: ReturnType<typeof outlooks>,
  width: number,
  atOnce: boolean,
): (observed: Observed, settings: ExposureSettings, searching: boolean) => void {
  let since = 0;
  /** The settings that was counted for: none yet, or averages of the first frame. */
  let counted: string | null = null;
  return (observed, settings, searching) => {
    const key = countingKey(settings);
    if (atOnce && counted === null) {
      // The first frame must not wait: its own averages are near enough until the next.
      outlookFor.count({ light: observed.light, width });
      counted = '';
    } else if (
      // Until the lens rests, averages do.
      !(searching && counted === '') &&
      (counted !== key || ++since >= (observed.refocused ? COUNT_LATER : COUNT_EVERY))
    ) {
      // What moves is counted anew once in a while: figures that change faster cannot be read.
      since = 0;
      const points = observed.points(counted !== key);
      if (points) outlookFor.count(points);
      counted = key;
    }
  };
}
