// The moment of a press, by the clock of the device: as every file and record can carry it, and what is to be said of a clock that is wrong.
import { FIRST_MS, LAST_MS } from '../core/facts/facts';

export interface Moment {
  readonly timeMs: number;
  /** Of local time from UTC: whole minutes, as Exif has them. */
  readonly offsetMinutes: number;
  /** What is odd about the clock, in words; null where nothing is. */
  readonly odd: string | null;
}

const HOUR_MS = 3_600_000;
/** No frame was taken before there were such cameras, and none a lifetime from now. */
const [FIRST_YEAR, LAST_YEAR] = [2000, 2099] as const;

/** @param nowMs what the clock says, ms since 1970 @param offset of local time at a moment, minutes */
export function momentOf(nowMs: number, offset = (ms: number) => -new Date(ms).getTimezoneOffset()): Moment {
  // What follows in the same press has room.
  const timeMs = Math.min(LAST_MS - HOUR_MS, Math.max(FIRST_MS, nowMs));
  const year = new Date(timeMs).getUTCFullYear();
  const odd =
    year < FIRST_YEAR || year > LAST_YEAR
      ? `The clock of this device says the year ${year}: frames are kept with that date.`
      : null;
  // Before there were zones the sun's time of a place was used, to the second.
  return { timeMs, offsetMinutes: Math.round(offset(timeMs)), odd };
}
