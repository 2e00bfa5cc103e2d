// When the frames of a sequence are exposed.
import { isUnknown } from '../units/known';
import { burstEveryS, type Burst } from './burst';
import type { PlannedShot, AsShown } from './drive';

/** Between the frames of a bracket, from the end of one exposure to the beginning of the next, s: the read-out, and a little. */
const BRACKET_GAP_S = 1 / 15;

/** The beginnings of exposures that follow one another, s after the first. @param burst as often as it asks; absent, as soon as each can */
export function momentsOf(
  exposures: readonly { readonly shutterS: number }[],
  burst?: Pick<Burst, 'perS'>,
): number[] {
  let at = 0;
  return exposures.map(({ shutterS }) => {
    const now = at;
    at += burst ? burstEveryS(burst, shutterS) : shutterS + BRACKET_GAP_S;
    return now;
  });
}

/** Exposures with their moments; one whose time is not known takes none. @param burst as `momentsOf` has it */
export function timed(exposures: readonly AsShown[], burst?: Pick<Burst, 'perS'>): PlannedShot[] {
  const times = exposures.map(({ settings }) => (isUnknown(settings) ? { shutterS: 0 } : settings));
  const moments = momentsOf(times, burst);
  return exposures.map((exposure, i) => ({ ...exposure, atS: moments[i]! }));
}
