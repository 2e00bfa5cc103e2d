// Finished pictures of a raw frame: developed as the finder shows it, with what a raw file would say of the capture, and the sRGB profile.
import { creditFields } from '../dng/credit-fields';
import { exifDirectory } from '../dng/exif-directory';
import type { Facts } from '../facts/facts';
import { exifDateTime } from '../dng/exif-time';
import { EXIF, TAG } from '../dng/tags';
import { ascii, long, rational, short, TiffWriter, undefinedBytes, type Field } from '../dng/tiff-writer';
import { wordsOf } from '../dng/capture';
import { SOFTWARE, xmpPacket } from '../dng/xmp';
import { afterwardsXml, withDescription, type Said } from '../dng/xmp-afterwards';
import { developOut, developOut16 } from '../raw/develop-out';
import type { RawFrame } from '../sensor/raw-frame';
import type { FileChoice } from '../setting/files';
import { srgbProfile } from './icc';
import { withFacts } from './jpeg';
import { writePng } from './png';
import { writeTiff16 } from './tiff';

/** @param quality 1 … 100 */
export type EncodeJpeg = (
  rgba: Uint8ClampedArray,
  width: number,
  height: number,
  quality?: number,
) => Promise<Uint8Array> | Uint8Array;

/** Exif asks for it beside sRGB. */
const FLASHPIX = undefinedBytes(EXIF.FlashpixVersion, 0x30, 0x31, 0x30, 0x30);

interface Size {
  readonly width: number;
  readonly height: number;
}

export interface RawPicture extends Size {
  readonly format: 'jpeg' | 'tiff' | 'png';
  readonly bytes: Uint8Array;
}

/**
 * The picture that is kept beside a frame's raw file, or in place of it.
 * @param choice of a kind that has a picture
 * @param note kept in its XMP as it is
 * @param said of the frame since it was taken
 */
export async function rawPicture(
  frame: RawFrame,
  facts: Facts,
  choice: FileChoice,
  note: string,
  encodeJpeg: EncodeJpeg,
  said: Said = {},
): Promise<RawPicture> {
  const { kind, quality, size } = choice;
  const words = `${wordsOf(frame, facts)} A finished picture, developed from raw.`;
  const plain = xmpPacket(frame, words, note, facts.credit);
  const xmp =
    Object.keys(said).length === 0
      ? plain
      : withDescription(new TextDecoder().decode(plain), afterwardsXml(said, ''), said.rating);
  const profile = srgbProfile();
  if (kind === 'tiff') {
    const picture = developOut16(frame, size);
    const bytes = writeTiff16(picture, {
      main: (writer) => mainFields(frame, facts, writer),
      exif: [...exifDirectory(frame, facts, true), FLASHPIX],
      ...{ xmp, profile },
    });
    return { format: 'tiff', bytes, width: picture.width, height: picture.height };
  }
  if (kind === 'png16') {
    const { width, height, rgb } = developOut16(frame, size);
    const swapped = new Uint8Array(2 * rgb.length);
    for (let i = 0; i < rgb.length; i++) {
      swapped[2 * i] = rgb[i]! >> 8;
      swapped[2 * i + 1] = rgb[i]! & 255;
    }
    const exif = exifFile(frame, facts, { width, height }, false);
    const bytes = await writePng({ width, height, bits: 16, rgb: swapped }, { exif, xmp, profile });
    return { format: 'png', bytes, width, height };
  }
  const { width, height, rgba } = developOut(frame, size);
  if (kind === 'png') {
    const rgb = new Uint8Array(3 * width * height);
    for (let i = 0, o = 0; i < rgba.length; i += 4) {
      rgb[o++] = rgba[i]!;
      rgb[o++] = rgba[i + 1]!;
      rgb[o++] = rgba[i + 2]!;
    }
    const exif = exifFile(frame, facts, { width, height }, false);
    const bytes = await writePng({ width, height, bits: 8, rgb }, { exif, xmp, profile });
    return { format: 'png', bytes, width, height };
  }
  const coded = await encodeJpeg(rgba, width, height, quality);
  const bytes = withFacts(coded, exifFile(frame, facts, { width, height }, true), xmp, profile);
  return { format: 'jpeg', bytes, width, height };
}

/** The TIFF file that JPEG and PNG carry as their Exif. */
function exifFile(frame: RawFrame, facts: Facts, picture: Size, jpeg: boolean): Uint8Array {
  const writer = new TiffWriter();
  const exif = writer.appendDirectory([
    ...exifDirectory(frame, facts, true),
    long(EXIF.PixelXDimension, picture.width),
    long(EXIF.PixelYDimension, picture.height),
    // Y, Cb, Cr: what a JPEG in Exif must say of itself.
    ...(jpeg ? [undefinedBytes(EXIF.ComponentsConfiguration, 1, 2, 3, 0), FLASHPIX] : []),
  ]);
  return writer.finish(
    writer.appendDirectory([
      ...mainFields(frame, facts, writer),
      ...(jpeg ? [short(TAG.YCbCrPositioning, 1)] : []),
      long(TAG.ExifIFD, exif),
    ]),
  );
}

/** Who, when and with what; pictures are turned to be seen already. */
function mainFields(frame: RawFrame, facts: Facts, writer: TiffWriter): Field[] {
  const { source } = frame;
  return [
    ascii(TAG.Make, source.make),
    ascii(TAG.Model, source.camera),
    short(TAG.Orientation, 1),
    rational(TAG.XResolution, 72),
    rational(TAG.YResolution, 72),
    short(TAG.ResolutionUnit, 2),
    ascii(TAG.Software, SOFTWARE),
    ascii(TAG.DateTime, exifDateTime(frame.timeMs, frame.offsetMinutes)),
    ...creditFields(facts, writer),
  ];
}
