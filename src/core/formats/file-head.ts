// Whether bytes begin as a file of their format does: looked at before a stranger's file is taken for a picture.
import { DngError } from '../dng/errors';
import { TAG } from '../dng/tags';
import { openTiff, readDirectory } from '../dng/tiff-reader';
import type { Format } from '../setting/files';
import { jpegFacts } from './jpeg';

/** PNG (ISO/IEC 15948), section 5.2, and the name of its first chunk. */
const PNG_SIGNATURE = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const IHDR = [0x49, 0x48, 0x44, 0x52];

/** True for a file whose head can be read and is of that format. What lies behind the head is not looked at. */
export function beginsAs(format: Format, bytes: Uint8Array): boolean {
  try {
    if (format === 'jpeg') return jpegFacts(bytes) !== undefined;
    if (format === 'png') return has(bytes, 0, PNG_SIGNATURE) && has(bytes, 12, IHDR);
    const file = openTiff(bytes);
    const { entries } = readDirectory(file, file.firstDirectory, new Set());
    return entries.has(format === 'dng' ? TAG.DNGVersion : TAG.ImageWidth);
  } catch (error) {
    if (error instanceof DngError) return false;
    throw error;
  }
}

function has(bytes: Uint8Array, at: number, wanted: readonly number[]): boolean {
  return wanted.every((byte, i) => bytes[at + i] === byte);
}
