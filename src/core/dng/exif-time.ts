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
