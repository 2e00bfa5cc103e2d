// Neutral-density filters: stops, factor and optical density say the same, T = 10^(−D) = 2^(−stops) = 1/factor. And the
// new time behind one; beyond the longest shutter time it is a bulb exposure.
import { SHUTTER_LADDER, stepOf } from '../units/ladders';

export type FilterUnit = 'stops' | 'factor' | 'density';

export const FILTER_UNITS: readonly FilterUnit[] = ['stops', 'factor', 'density'];

/** Strongest filter that is taken for one: welding glass ends at about 20 stops. */
export const MOST_FILTER_STOPS = 20;

/** One stop as optical density: log10 2. */
const DENSITY_OF_STOP = Math.log10(2);

/**
 * Stops of a filter given in any of its units.
 * @throws RangeError that says what is allowed: at least none, at most `MOST_FILTER_STOPS`
 */
export function filterStopsOf(value: number, unit: FilterUnit): number {
  const stops = unit === 'stops' ? value : unit === 'factor' ? Math.log2(value) : value / DENSITY_OF_STOP;
  if (!Number.isFinite(stops) || stops < 0 || stops > MOST_FILTER_STOPS + 1e-9) {
    const most = filterIn(MOST_FILTER_STOPS, unit);
    const from = unit === 'factor' ? 1 : 0;
    throw new RangeError(`A filter has ${from} … ${Number(most.toPrecision(3))} (${unit}), not ${value}`);
  }
  return stops;
}

export function filterIn(stops: number, unit: FilterUnit): number {
  return unit === 'stops' ? stops : unit === 'factor' ? 2 ** stops : stops * DENSITY_OF_STOP;
}

export interface FilteredTime {
  /** Exact new time, s. */
  readonly seconds: number;
  /** On the shutter ladder, or held open by hand. */
  readonly kind: 'ladder' | 'bulb';
  readonly words: string;
}

/** Time that gives the same exposure behind a filter. @throws RangeError unless the time is positive */
export function timeBehind(shutterS: number, stops: number): FilteredTime {
  if (!(shutterS > 0) || !Number.isFinite(shutterS)) throw new RangeError(`Not a time: ${shutterS} s`);
  const seconds = shutterS * 2 ** stops;
  const longest = SHUTTER_LADDER[SHUTTER_LADDER.length - 1]!.exact;
  // Half a third over the last step still rounds to it.
  if (seconds <= longest * 2 ** (1 / 6)) {
    return { seconds, kind: 'ladder', words: stepOf(SHUTTER_LADDER, seconds).label };
  }
  return { seconds, kind: 'bulb', words: `bulb, ${longTime(seconds)}` };
}

/** 128 s → "2 min 8 s". */
export function longTime(seconds: number): string {
  const whole = Math.round(seconds);
  if (whole < 60) return `${whole} s`;
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60, whole % 60];
  return [h && `${h} h`, m && `${m} min`, h === 0 && s && `${s} s`].filter(Boolean).join(' ');
}
