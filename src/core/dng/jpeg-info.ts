// Size and chroma subsampling of a baseline JPEG, from its frame header (ITU-T T.81 B.2.2).
import { DngError } from './errors';

export interface JpegInfo {
  readonly width: number;
  readonly height: number;
  /** Horizontal and vertical subsampling of chroma, as TIFF's YCbCrSubSampling. */
  readonly subsampling: readonly [number, number];
}

/** @throws DngError bad-jpeg */
export function jpegInfo(bytes: Uint8Array): JpegInfo {
  let p = 2;
  if (bytes[0] !== 0xff || bytes[1] !== 0xd8) throw new DngError('bad-jpeg', 'Not a JPEG picture', 0);
  while (p + 9 < bytes.length) {
    const marker = bytes[p + 1]!;
    const length = (bytes[p + 2]! << 8) | bytes[p + 3]!;
    if (bytes[p] !== 0xff || length < 2) break;
    if (marker >= 0xc0 && marker <= 0xc2) {
      const sampling = bytes[p + 11]!;
      return {
        height: (bytes[p + 5]! << 8) | bytes[p + 6]!,
        width: (bytes[p + 7]! << 8) | bytes[p + 8]!,
        subsampling: [sampling >> 4, sampling & 15],
      };
    }
    p += 2 + length;
  }
  throw new DngError('bad-jpeg', 'The JPEG picture has no frame header', p);
}
