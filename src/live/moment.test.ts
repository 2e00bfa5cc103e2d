// What a device's clock may say, and what is kept of it (Exif: years 0001 to 9999, offsets in whole minutes).
import { TIME_MS, OFFSET_MINUTES } from '../core/facts/facts';
import { exifDateTime, exifOffset } from '../core/dng/exif-time';
import { momentOf } from './moment';

it.each([
  [Date.UTC(2031, 3, 9), 60, /^2031/, false],
  [Date.UTC(5000, 0, 1), 0, /^5000/, true],
  [Date.UTC(1969, 11, 31), -300, /^1969/, true],
  [Date.UTC(1890, 0, 1), 53.466, /^1890/, true],
  [8.64e15, 0, /^9999/, true],
  [-8.64e15, 840, /^0001/, true],
])('%d ms, %d min from UTC', (now, offset, year, odd) => {
  const moment = momentOf(now, () => offset);
  expect(moment.timeMs).toBeGreaterThanOrEqual(TIME_MS.minimum!);
  expect(moment.timeMs).toBeLessThanOrEqual(TIME_MS.maximum!);
  expect(
    Number.isInteger(moment.offsetMinutes) && Math.abs(moment.offsetMinutes) <= OFFSET_MINUTES.maximum!,
  ).toBe(true);
  expect(exifDateTime(moment.timeMs, moment.offsetMinutes)).toMatch(year);
  expect(exifOffset(moment.offsetMinutes)).toMatch(/^[+-]\d\d:\d\d$/);
  expect(moment.odd !== null).toBe(odd);
});
