// A developed picture as TIFF 6.0: R, G, B of 16 bits in one plain strip, with colour profile, Exif and XMP; and the same read again.
import { DngError } from '../dng/errors';
import { COMPRESSION, PHOTOMETRIC, TAG, TYPE } from '../dng/tags';
import { openTiff, readDirectory, wholeNumber } from '../dng/tiff-reader';
import { long, raw, short, TiffWriter, type Field } from '../dng/tiff-writer';

export interface Picture16 {
  readonly width: number;
  readonly height: number;
  /** R, G, B by rows, sRGB code values of 16 bits. */
  readonly rgb: Uint16Array;
}

export interface TiffFacts {
  /** Fields of the first directory: who, when, with what. What they point at is written first. */
  readonly main: (writer: TiffWriter) => readonly Field[];
  readonly exif: readonly Field[];
  readonly xmp: Uint8Array;
  /** An ICC profile. */
  readonly profile: Uint8Array;
}

/** @throws RangeError when the samples do not fit the size */
export function writeTiff16({ width, height, rgb }: Picture16, facts: TiffFacts): Uint8Array {
  if (width < 1 || height < 1 || rgb.length !== 3 * width * height)
    throw new RangeError(`A picture of ${width}×${height} with ${rgb.length} samples`);
  const writer = new TiffWriter();
  const strip = new Uint8Array(2 * rgb.length);
  const view = new DataView(strip.buffer);
  for (let i = 0; i < rgb.length; i++) view.setUint16(2 * i, rgb[i]!, true);
  const at = writer.append(strip);
  const exif = writer.appendDirectory(facts.exif);
  return writer.finish(
    writer.appendDirectory([
      long(TAG.NewSubfileType, 0),
      long(TAG.ImageWidth, width),
      long(TAG.ImageLength, height),
      short(TAG.BitsPerSample, 16, 16, 16),
      short(TAG.Compression, COMPRESSION.none),
      short(TAG.PhotometricInterpretation, PHOTOMETRIC.rgb),
      long(TAG.StripOffsets, at),
      short(TAG.SamplesPerPixel, 3),
      long(TAG.RowsPerStrip, height),
      long(TAG.StripByteCounts, strip.length),
      short(TAG.PlanarConfiguration, 1),
      ...facts.main(writer),
      raw(TAG.XMP, TYPE.BYTE, facts.xmp),
      raw(TAG.ICCProfile, TYPE.UNDEFINED, facts.profile),
      long(TAG.ExifIFD, exif),
    ]),
  );
}

/** A picture that `writeTiff16` wrote. @throws DngError for a broken file, or another kind of one */
export function readTiff16(bytes: Uint8Array): Picture16 {
  const file = openTiff(bytes);
  const main = readDirectory(file, file.firstDirectory, new Set());
  const of = (tag: number) => wholeNumber(file, main, tag);
  const [width, height, at] = [of(TAG.ImageWidth), of(TAG.ImageLength), of(TAG.StripOffsets)];
  const known =
    of(TAG.Compression) === COMPRESSION.none &&
    of(TAG.PhotometricInterpretation) === PHOTOMETRIC.rgb &&
    of(TAG.SamplesPerPixel) === 3 &&
    of(TAG.BitsPerSample) === 16 &&
    of(TAG.RowsPerStrip) === height;
  if (!known || !width || !height || at === undefined || at + 6 * width * height > bytes.length)
    throw new DngError('bad-tiff', 'Not a TIFF picture of ours, or not all of it', 0);
  const view = new DataView(bytes.buffer, bytes.byteOffset + at, 6 * width * height);
  const rgb = new Uint16Array(3 * width * height);
  for (let i = 0; i < rgb.length; i++) rgb[i] = view.getUint16(2 * i, true);
  return { width, height, rgb };
}
