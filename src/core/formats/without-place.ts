// A file without the place that it tells: the directory of its position is overwritten with zeros and no longer pointed at. Nothing else of the file is
// touched, so that what stands at its places stays there.
import { DngError } from '../dng/errors';
import { GPS, TAG, TYPE_SIZE } from '../dng/tags';
import { openTiff, readDirectory, wholeNumber, type TiffFile } from '../dng/tiff-reader';
import type { Format } from '../setting/files';
import { crc32 } from './crc32';
import { exifOfJpeg } from './jpeg';

/** @returns the same bytes where they tell no place @throws DngError for a broken file */
export function withoutPlace(bytes: Uint8Array, format: Format): Uint8Array {
  if (format === 'png') return withoutInPng(bytes);
  const part = format === 'jpeg' ? exifOfJpeg(bytes) : { from: 0, to: bytes.length };
  if (!part || !tellsPlace(bytes.subarray(part.from, part.to))) return bytes;
  const out = bytes.slice();
  cleared(out.subarray(part.from, part.to));
  return out;
}

function tellsPlace(tiff: Uint8Array): boolean {
  const file = openTiff(tiff);
  return readDirectory(file, file.firstDirectory, new Set()).entries.has(TAG.GPSIFD);
}

/** Takes the position out of a TIFF file, in place. */
function cleared(tiff: Uint8Array): void {
  const file = openTiff(tiff);
  const visited = new Set<number>();
  const main = readDirectory(file, file.firstDirectory, visited);
  const at = wholeNumber(file, main, TAG.GPSIFD);
  if (at !== undefined) clearDirectory(file, at, visited);
  removeEntry(file, file.firstDirectory, TAG.GPSIFD);
}

function clearDirectory(file: TiffFile, at: number, visited: Set<number>): void {
  const { bytes } = file;
  const known: readonly number[] = Object.values(GPS);
  const { entries } = readDirectory(file, at, visited);
  for (const { tag, type, count, offset } of entries.values()) {
    // What is not of such a directory may point at something else.
    if (known.includes(tag)) bytes.fill(0, offset, offset + count * TYPE_SIZE[type]!);
  }
  const count = file.view.getUint16(at, file.littleEndian);
  bytes.fill(0, at, at + 2 + 12 * count + 4);
}

/** The entries after it move up by one, and with them the place of the next directory. */
function removeEntry({ bytes, view, littleEndian }: TiffFile, directory: number, tag: number): void {
  const count = view.getUint16(directory, littleEndian);
  const end = directory + 2 + 12 * count + 4;
  for (let i = 0; i < count; i++) {
    const at = directory + 2 + 12 * i;
    if (view.getUint16(at, littleEndian) !== tag) continue;
    bytes.copyWithin(at, at + 12, end);
    bytes.fill(0, end - 12, end);
    view.setUint16(directory, count - 1, littleEndian);
    return;
  }
}

const PNG_HEAD = 8;

function withoutInPng(bytes: Uint8Array): Uint8Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = PNG_HEAD; at + 12 <= bytes.length;) {
    const length = view.getUint32(at);
    const end = at + 12 + length;
    if (end > bytes.length) throw new DngError('truncated', 'The PNG picture ends early', bytes.length);
    const type = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    if (type === 'eXIf') {
      if (!tellsPlace(bytes.subarray(at + 8, end - 4))) return bytes;
      const out = bytes.slice();
      cleared(out.subarray(at + 8, end - 4));
      new DataView(out.buffer).setUint32(end - 4, crc32(out.subarray(at + 4, end - 4)));
      return out;
    }
    at = end;
  }
  return bytes;
}
