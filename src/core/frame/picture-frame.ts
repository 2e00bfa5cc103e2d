// A frame of a camera that gives finished pictures: its JPEG with what is known of it, by choice a linear DNG of several pictures averaged,
// both read back, and the record.
import { whiteWords, type WhitePoint } from '../colour/temperature';
import type { Averaged } from '../combine/average';
import { WHITE } from '../combine/average';
import { IDENTITY, picked, SAID, type Facts } from '../facts/facts';
import { jpegInfo } from '../dng/jpeg-info';
import { readDng } from '../dng/read';
import type { Picture } from '../dng/write';
import { codedPicture, jpegFacts, withFacts, type JpegFacts } from '../formats/jpeg';
import { writeLinearDng } from '../formats/linear-dng';
import { jpegExif, pictureXmp, type PictureFacts } from '../formats/picture-facts';
import { cutOf } from '../raw/cut';
import { cutWords, isCut, UNCUT, type Cut } from '../setting/cut';
import type { Made } from '../define/setting';
import type { Known } from '../units/known';
import { entryOf } from './digest';
import { noteText, RECORD_VERSION, type CaptureNote, type FrameRecord } from './record';
import type { Format } from '../setting/files';

/** Said in every linear DNG that was made from pictures, and beside it. */
export const EIGHT_BITS = 'made from the picture’s 8 bits, not raw';
export const NO_RAW = 'this camera shows a finished picture only: what the sensor counted is not told';

export interface PicturePress {
  readonly facts: Facts;
  /** What the device told of itself at the press. */
  readonly made: Made & { readonly kelvin?: number };
  readonly device: string;
}

export interface PictureParts {
  /** The still as it came, or with white put on it: baseline or progressive JPEG. */
  readonly jpeg: Uint8Array;
  /** What the still told before white was put on it, for a JPEG that was written anew; else it is asked itself. */
  readonly told?: JpegFacts;
  /** White that was put on the picture; absent where it is as the device made it. */
  readonly whiteOnPicture?: WhitePoint | null;
  /** What the JPEG was cut to; a linear DNG keeps what is outside and tells the cut. */
  readonly cut?: Cut;
  /** For a linear DNG; null for none. */
  readonly averaged: Averaged | null;
  readonly thumbnail: Picture;
  readonly thumbnailJpeg: Uint8Array;
}

export interface PictureFrame {
  readonly record: FrameRecord;
  /** In the order of the record's. */
  readonly files: readonly { readonly format: Format; readonly bytes: Uint8Array }[];
}

/** @throws DngError for a broken JPEG, Error when a file does not hold what it was given */
export async function pictureFrame(press: PicturePress, parts: PictureParts): Promise<PictureFrame> {
  const { facts, device } = press;
  const { width, height } = jpegInfo(parts.jpeg);
  const told = parts.told ?? jpegFacts(parts.jpeg);
  const turned = told.orientation >= 5;
  // The still's own account of its exposure is of itself; the track's is of the moment before.
  const { shutterS, iso, apertureN, focalLengthMm } = told;
  const own = Object.fromEntries(
    Object.entries({ shutterS, iso, apertureN }).filter(([, value]) => value !== undefined),
  );
  const made: PicturePress['made'] = { ...press.made, ...own };
  const common: Omit<PictureFacts, 'words'> = {
    ...facts,
    device: told.model ?? device,
    made,
    ...(focalLengthMm === undefined ? null : { focalLengthMm }),
    ...{ orientation: told.orientation, width, height },
  };
  const note: CaptureNote = {
    version: RECORD_VERSION,
    ...picked(IDENTITY, facts),
    image: { width: turned ? height : width, height: turned ? width : height, kind: 'rgb' },
    camera: shortened(common.device),
    lens: shortened(device),
    exposure: {
      shutterS: toldOr(made.shutterS, 'exposure time'),
      iso: toldOr(made.iso, 'ISO'),
      apertureN: toldOr(made.apertureN, 'f-number'),
      compensationEv: Math.min(5, Math.max(-5, made.compensationEv ?? 0)),
    },
    focusM: made.focusM === Infinity ? null : toldOr(made.focusM, 'focus distance'),
    set: facts.set,
    metered: { pattern: facts.set.meter.pattern, ev100: facts.meteredEv100 },
    ...picked(SAID, facts),
    kelvin: parts.whiteOnPicture?.kelvin ?? toldOr(made.kelvin, 'white'),
    ...(parts.whiteOnPicture && { tint: parts.whiteOnPicture.tint }),
    made: { kind: 'browser', device: shortened(device), pictures: parts.averaged?.pictures ?? 1 },
  };
  const text = noteText(note);
  const files: { format: Format; bytes: Uint8Array }[] = [
    {
      format: 'jpeg',
      bytes: checkedJpeg(
        parts.jpeg,
        {
          ...common,
          words: jpegWords(parts),
        },
        text,
      ),
    },
  ];
  if (parts.averaged) {
    const { pictures, noise } = parts.averaged;
    const of = pictures === 1 ? 'one picture' : `${pictures} pictures averaged in linear light`;
    const measured = noise ? 'its noise was measured between them' : 'its noise could not be measured';
    const words = `Linear DNG of ${of}: ${EIGHT_BITS}; ${measured}.`;
    files.push({ format: 'dng', bytes: checkedDng(parts, { ...common, words }, text) });
  }
  const entries = await Promise.all(files.map(({ format, bytes }) => entryOf(format, bytes)));
  return {
    record: { ...note, result: { unknown: NO_RAW }, files: entries, place: { kind: 'stored' } },
    files,
  };
}

function jpegWords({ whiteOnPicture: white, cut = UNCUT }: PictureParts): string {
  const done = [
    white && `with white put on it, ${whiteWords(white)}: gains on its light`,
    isCut(cut) && cutWords(cut),
  ].filter(Boolean);
  return `A finished picture, ${done.length > 0 ? done.join('; ') : 'as the browser gave it'}.`;
}

function checkedJpeg(jpeg: Uint8Array, facts: PictureFacts, note: string): Uint8Array {
  const bytes = withFacts(jpeg, jpegExif(facts), pictureXmp(facts, note));
  if (!same(codedPicture(bytes), codedPicture(jpeg)) || jpegFacts(bytes).orientation !== facts.orientation)
    throw new Error('the JPEG does not hold the picture that was taken');
  return bytes;
}

function checkedDng(
  { averaged, thumbnail, thumbnailJpeg, whiteOnPicture, cut = UNCUT }: PictureParts,
  facts: PictureFacts,
  note: string,
): Uint8Array {
  const image = { ...averaged!, black: 0, white: WHITE, ...cutOf(averaged!, cut) };
  const bytes = writeLinearDng(image, {
    ...{ facts, thumbnail, previewJpeg: thumbnailJpeg, note },
    ...(whiteOnPicture && { white: whiteOnPicture }),
  });
  if (!same(readDng(bytes).data, image.data)) throw new Error('the DNG does not hold what was averaged');
  return bytes;
}

function same(a: Uint8Array | Uint16Array, b: Uint8Array | Uint16Array): boolean {
  return a.length === b.length && a.every((v, i) => v === b[i]);
}

function toldOr<T>(value: T | undefined, name: string): Known<T> {
  return value === undefined ? { unknown: `the device does not tell its ${name}` } : value;
}

/** As long as a record takes. */
function shortened(text: string): string {
  return text.slice(0, 200);
}
