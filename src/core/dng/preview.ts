// The finished picture that a DNG carries beside its raw image.
import { isTurn, type Turn } from '../raw/shown';
import { COMPRESSION, TAG } from './tags';
import { number, openTiff, readDirectory, wholeNumber, wholeNumbers } from './tiff-reader';

export interface DngPreview {
  readonly jpeg: Uint8Array;
  /** How it is to be turned, as the raw image is. */
  readonly orientation: Turn;
}

/** JPEG of three components, in its old and its usual code (TIFF 6.0, DNG). */
const YCBCR = 6;
const REDUCED = 1;

/** The largest of them; undefined where there is none. @throws DngError for a file that is no TIFF, or broken */
export function previewOf(bytes: Uint8Array): DngPreview | undefined {
  const file = openTiff(bytes);
  const visited = new Set<number>();
  const main = readDirectory(file, file.firstDirectory, visited);
  const orientation = number(file, main, TAG.Orientation);
  const found = (wholeNumbers(file, main, TAG.SubIFDs) ?? [])
    .slice(0, 16)
    .map((at) => readDirectory(file, at, visited))
    .filter(
      (directory) =>
        number(file, directory, TAG.NewSubfileType) === REDUCED &&
        number(file, directory, TAG.Compression) === COMPRESSION.jpeg &&
        number(file, directory, TAG.PhotometricInterpretation) === YCBCR,
    )
    .flatMap((directory) => {
      const from = wholeNumber(file, directory, TAG.StripOffsets);
      const length = wholeNumber(file, directory, TAG.StripByteCounts);
      const width = wholeNumber(file, directory, TAG.ImageWidth);
      if (from === undefined || length === undefined || width === undefined) return [];
      return from + length <= bytes.length ? [{ width, jpeg: bytes.subarray(from, from + length) }] : [];
    })
    .sort((a, b) => b.width - a.width)[0];
  return found && { jpeg: found.jpeg, orientation: isTurn(orientation) ? orientation : 1 };
}
