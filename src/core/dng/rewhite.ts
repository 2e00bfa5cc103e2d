// Another white for a DNG that is there: AsShotNeutral and what Exif says of white, written over where they stand. Nothing else of the file changes,
// least of all its raw numbers.
import type { Vec3 } from '../numeric/matrix';
import { DngError } from './errors';
import { EXIF, TAG, TYPE } from './tags';
import { number, openTiff, readDirectory, type Directory, type TiffFile } from './tiff-reader';

const DENOMINATOR = 1_000_000;
const BY_HAND = 1;
const OTHER_LIGHT = 255;

/**
 * A copy of the file that is white for this neutral.
 * @param neutral camera R, G, B of a white surface, the largest 1
 * @throws DngError for a file that has no AsShotNeutral of three fractions, or is no DNG
 */
export function withWhite(bytes: Uint8Array, neutral: Vec3): Uint8Array {
  const copy = bytes.slice();
  const file = openTiff(copy);
  const visited = new Set<number>();
  const main = readDirectory(file, file.firstDirectory, visited);
  const entry = main.entries.get(TAG.AsShotNeutral);
  if (entry?.type !== TYPE.RATIONAL || entry.count !== 3)
    throw new DngError('bad-tag', 'The file has no AsShotNeutral that could be changed', main.offset);
  if (!neutral.every((v) => v > 0 && v <= 1)) throw new RangeError(`No neutral: ${neutral.join(', ')}`);
  neutral.forEach((v, i) => {
    file.view.setUint32(entry.offset + 8 * i, Math.round(v * DENOMINATOR), file.littleEndian);
    file.view.setUint32(entry.offset + 8 * i + 4, DENOMINATOR, file.littleEndian);
  });
  const at = number(file, main, TAG.ExifIFD);
  if (at !== undefined) {
    const exif = readDirectory(file, at, visited);
    setShort(file, exif, EXIF.WhiteBalance, BY_HAND);
    setShort(file, exif, EXIF.LightSource, OTHER_LIGHT);
  }
  return copy;
}

function setShort(file: TiffFile, directory: Directory, tag: number, value: number): void {
  const entry = directory.entries.get(tag);
  if (entry?.type === TYPE.SHORT && entry.count === 1)
    file.view.setUint16(entry.offset, value, file.littleEndian);
}
