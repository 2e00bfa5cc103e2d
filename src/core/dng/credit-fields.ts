// Whose a frame is and where it was taken, as fields of a file's first directory (TIFF 6.0, Exif 2.32 §4.6.6). Exif's text is ASCII: what has other
// letters stands in the XMP alone, where it can be told whole.
import type { Position } from '../body/position';
import type { Facts } from '../facts/facts';
import { GPS, TAG } from './tags';
import { ascii, byte, long, rational, undefinedBytes, type Field, type TiffWriter } from './tiff-writer';

/** For the first directory. What it points at is written first. */
export function creditFields(
  { credit, position }: Pick<Facts, 'credit' | 'position'>,
  writer: TiffWriter,
): Field[] {
  const text = (tag: number, value = '') => (/^[\x20-\x7e]+$/.test(value) ? [ascii(tag, value)] : []);
  return [
    ...text(TAG.Artist, credit?.person),
    ...text(TAG.Copyright, credit?.copyright),
    ...(position ? [long(TAG.GPSIFD, writer.appendDirectory(positionFields(position)))] : []),
  ];
}

function positionFields({
  latitudeDeg,
  longitudeDeg,
  accuracyM,
  altitudeM,
  method,
  timeMs,
}: Position): Field[] {
  const at = new Date(timeMs);
  const two = (v: number) => String(v).padStart(2, '0');
  return [
    byte(GPS.VersionID, 2, 3, 0, 0),
    ascii(GPS.LatitudeRef, latitudeDeg < 0 ? 'S' : 'N'),
    rational(GPS.Latitude, ...sexagesimal(latitudeDeg)),
    ascii(GPS.LongitudeRef, longitudeDeg < 0 ? 'W' : 'E'),
    rational(GPS.Longitude, ...sexagesimal(longitudeDeg)),
    ...(altitudeM === undefined
      ? []
      : [byte(GPS.AltitudeRef, altitudeM < 0 ? 1 : 0), rational(GPS.Altitude, Math.abs(altitudeM))]),
    rational(GPS.TimeStamp, at.getUTCHours(), at.getUTCMinutes(), at.getUTCSeconds()),
    ascii(GPS.MapDatum, 'WGS-84'),
    ...(method
      ? [undefinedBytes(GPS.ProcessingMethod, ...new TextEncoder().encode(`ASCII\0\0\0${method}`))]
      : []),
    ascii(GPS.DateStamp, [at.getUTCFullYear(), two(at.getUTCMonth() + 1), two(at.getUTCDate())].join(':')),
    rational(GPS.HPositioningError, accuracyM),
  ];
}

/** Parts of a second that are told: a ten-thousandth is 3 mm. */
const SECOND_PARTS = 10_000;

/** Degrees, minutes, seconds, all positive. */
function sexagesimal(deg: number): readonly (readonly [number, number])[] {
  const parts = Math.round(Math.abs(deg) * 3600 * SECOND_PARTS);
  const seconds = parts % (60 * SECOND_PARTS);
  const minutes = Math.floor(parts / (60 * SECOND_PARTS));
  return [
    [Math.floor(minutes / 60), 1],
    [minutes % 60, 1],
    [seconds, SECOND_PARTS],
  ];
}
