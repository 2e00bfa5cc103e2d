// What files say of a frame that was made from a finished picture: only what is known. A linear DNG from a picture is no raw file, and says
// so in words.
import type { Facts } from '../facts/facts';
import { EXIF_VERSION, heldFields, settingFields, timeFields } from '../dng/exif-directory';
import { creditFields } from '../dng/credit-fields';
import { exifDateTime } from '../dng/exif-time';
import { EXIF, TAG } from '../dng/tags';
import { ascii, long, rational, short, TiffWriter, undefinedBytes, type Field } from '../dng/tiff-writer';
import { SOFTWARE, xmpPacket } from '../dng/xmp';
import type { Made } from '../define/setting';
import { exifOf } from '../setting/values';

export interface PictureFacts extends Facts {
  /** The device as the browser names it. */
  readonly device: string;
  readonly made: Made;
  readonly focalLengthMm?: number;
  /** 1 … 8 of Exif: how the coded picture is to be turned. */
  readonly orientation: number;
  readonly width: number;
  readonly height: number;
  /** How the frame was made, for people. */
  readonly words: string;
}

const SRGB = 1;

/** Exif's own directory. */
export function pictureExif(facts: PictureFacts, width: number, height: number): Field[] {
  const told = exifOf(facts.set, facts.made);
  const { focalLengthMm } = facts;
  return [
    ...settingFields(told),
    EXIF_VERSION,
    ...timeFields(facts),
    ...heldFields(facts),
    ...(focalLengthMm === undefined ? [] : [rational(EXIF.FocalLength, focalLengthMm)]),
    short(EXIF.ColorSpace, SRGB),
    long(EXIF.PixelXDimension, width),
    long(EXIF.PixelYDimension, height),
    ascii(EXIF.ImageUniqueID, facts.id),
  ];
}

/** The TIFF file that a JPEG carries as its Exif. */
export function jpegExif(facts: PictureFacts): Uint8Array {
  const writer = new TiffWriter();
  const exif = writer.appendDirectory([
    ...pictureExif(facts, facts.width, facts.height),
    // Y, Cb, Cr: what a JPEG in Exif must say of itself.
    undefinedBytes(EXIF.ComponentsConfiguration, 1, 2, 3, 0),
    undefinedBytes(EXIF.FlashpixVersion, 0x30, 0x31, 0x30, 0x30),
  ]);
  return writer.finish(
    writer.appendDirectory([
      ascii(TAG.Model, plain(facts.device)),
      short(TAG.Orientation, facts.orientation),
      rational(TAG.XResolution, 72),
      rational(TAG.YResolution, 72),
      short(TAG.ResolutionUnit, 2),
      ascii(TAG.Software, SOFTWARE),
      ascii(TAG.DateTime, exifDateTime(facts.timeMs, facts.offsetMinutes)),
      short(TAG.YCbCrPositioning, 1),
      long(TAG.ExifIFD, exif),
      ...creditFields(facts, writer),
    ]),
  );
}

export function pictureXmp(facts: PictureFacts, note: string | undefined): Uint8Array {
  const { comment } = exifOf(facts.set, facts.made);
  return xmpPacket(facts, [facts.words, comment].filter(Boolean).join(' '), note, facts.credit);
}

/** Exif's text is ASCII; what is not is told by a question mark. */
export function plain(text: string): string {
  return text.replace(/[^\x20-\x7e]/g, '?');
}
