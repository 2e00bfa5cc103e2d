// Local time as Exif writes it, from a moment and an offset; no clock is read here.

/** "2031:04:09 07:30:05" in local time. */
export function exifDateTime(timeMs: number, offsetMinutes: number): string {
  return local(timeMs, offsetMinutes).slice(0, 19).replace('T', ' ').replaceAll('-', ':');
}

/** "+02:00". */
export function exifOffset(offsetMinutes: number): string {
  const size = Math.abs(offsetMinutes);
  const two = (n: number) => String(n).padStart(2, '0');
  return `${offsetMinutes < 0 ? '-' : '+'}${two(Math.floor(size / 60))}:${two(size % 60)}`;
}

/** Milliseconds as three digits. */
export function exifSubSec(timeMs: number): string {
  return String(((Math.floor(timeMs) % 1000) + 1000) % 1000).padStart(3, '0');
}

/** "2031-04-09T07:30:05.120+02:00", for XMP. */
export function isoDateTime(timeMs: number, offsetMinutes: number): string {
  return `${local(timeMs, offsetMinutes).slice(0, 23)}${exifOffset(offsetMinutes)}`;
}

function local(timeMs: number, offsetMinutes: number): string {
  return new Date(timeMs + offsetMinutes * 60000).toISOString();
}

/**
 * The moment that Exif's local time, milliseconds and offset tell; undefined unless time and offset are both there and sound: without
 * an offset a local time is no moment.
 */
export function momentOfExif(
  dateTime: string | undefined,
  subSec: string | undefined,
  offset: string | undefined,
): { timeMs: number; offsetMinutes: number } | undefined {
  const time = /^(\d{4}):(\d\d):(\d\d) (\d\d):(\d\d):(\d\d)$/.exec(dateTime ?? '');
  const zone = /^([+-])(\d\d):(\d\d)$/.exec(offset ?? '');
  if (!time || !zone) return undefined;
  const [year, month, day, hour, minute, second] = time.slice(1).map(Number) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const utc = new Date(0);
  utc.setUTCFullYear(year, month - 1, day);
  utc.setUTCHours(
    hour,
    minute,
    second,
    Math.floor(Number(`0.${/^\d+/.exec(subSec ?? '')?.[0] ?? 0}`) * 1000 + 1e-6),
  );
  const offsetMinutes = (zone[1] === '-' ? -1 : 1) * (Number(zone[2]) * 60 + Number(zone[3]));
  // A month 13 or a day 31 in June would have rolled over.
  if (utc.getUTCMonth() !== month - 1 || utc.getUTCDate() !== day || hour > 23 || minute > 59 || second > 59)
    return undefined;
  return { timeMs: utc.getTime() - offsetMinutes * 60_000, offsetMinutes };
}
