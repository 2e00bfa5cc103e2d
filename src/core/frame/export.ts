// Frames as they leave the program: their files as they are with what was said of them since, or a picture developed anew in any format and size.
import { readDng } from '../dng/read';
import { rawFrameOf } from '../dng/file-frame';
import { withoutPlace } from '../formats/without-place';
import { rawPicture, type EncodeJpeg } from '../formats/raw-picture';
import { lookedAt } from '../review/view';
import { sourceOf } from '../scene/capture';
import { OPTICS } from '../sensor/cameras';
import type { FrameSource, RawFrame } from '../sensor/raw-frame';
import { ENDINGS, type FileKind, type Format, type PictureSize } from '../setting/files';
import { known } from '../units/known';
import { leavingDng } from './leaving';
import { lookOf } from './look';
import { factsOfRecord, noteText, printOf, xmpRating, type CaptureNote, type FrameRecord } from './record';

/** `stored` for the files as they are; else the kind of picture that is developed. */
export const EXPORT_KINDS = ['stored', 'jpeg', 'tiff', 'png', 'png16'] as const;
export type ExportKind = (typeof EXPORT_KINDS)[number] & (FileKind | 'stored');

export interface ExportChoice {
  readonly kind: ExportKind;
  /** Of a JPEG, 60 … 100. */
  readonly quality: number;
  /** Of pictures that are developed. */
  readonly size: PictureSize;
  /** Takes the place where it was taken out of the files. */
  readonly withoutPlaces: boolean;
  /** Of names, see `file-name`. */
  readonly pattern: string;
}

export const USUAL_EXPORT: Omit<ExportChoice, 'pattern'> = {
  ...{ kind: 'stored', quality: 92, size: 1, withoutPlaces: false },
};

export interface StoredFile {
  readonly format: Format;
  readonly bytes: Uint8Array;
}

export interface ExportedFile {
  /** What its name ends in. */
  readonly ending: string;
  readonly bytes: Uint8Array;
}

/** A finished picture made smaller or coded anew by whoever can decode it. @param smaller so many pixels become one in each direction */
export type Recode = (
  file: StoredFile,
  kind: 'jpeg' | 'png',
  quality: number,
  smaller: number,
) => Promise<Uint8Array>;

/**
 * @param files all files of the frame, as they are stored
 * @throws Error in words for people for what cannot be made of this frame, DngError for a broken file
 */
export async function exportedFiles(
  record: FrameRecord,
  files: readonly StoredFile[],
  choice: ExportChoice,
  encodeJpeg: EncodeJpeg,
  recode: Recode,
): Promise<ExportedFile[]> {
  const { kind, withoutPlaces } = choice;
  const placed = (bytes: Uint8Array, format: Format) => (withoutPlaces ? withoutPlace(bytes, format) : bytes);
  if (kind === 'stored')
    return files.map(({ format, bytes }) => {
      // First of all: what is said afterwards can be taken out again, and the place must not come back with that.
      const bare = placed(bytes, format);
      return { ending: ENDINGS[format], bytes: format === 'dng' ? leavingDng(bare, record) : bare };
    });
  const raw = files.find(({ format }) => format === 'dng');
  if (raw && record.image.kind === 'mosaic') {
    const { format, bytes } = await developed(record, raw.bytes, { ...choice, kind }, encodeJpeg);
    return [{ ending: ENDINGS[format], bytes: placed(bytes, format) }];
  }
  const picture = files.find(({ format }) => format !== 'dng') ?? files[0];
  if (!picture) throw new Error('It has no file');
  if (picture.format === 'dng') throw new Error('It has a linear DNG only, which can be exported as it is');
  if (kind === 'tiff' || kind === 'png16')
    throw new Error('It is a finished picture of 8 bits: JPEG or PNG hold all of it');
  const format = kind;
  // What is asked for as it is there already is not coded a second time.
  const bytes =
    picture.format === format && choice.size === 1
      ? picture.bytes
      : await recode(picture, format, choice.quality, choice.size);
  return [{ ending: ENDINGS[format], bytes: placed(bytes, format) }];
}

async function developed(
  record: FrameRecord,
  bytes: Uint8Array,
  { kind, quality, size, withoutPlaces }: ExportChoice & { kind: Exclude<ExportKind, 'stored'> },
  encodeJpeg: EncodeJpeg,
) {
  const image = lookedAt(rawFrameOf(readDng(bytes)), lookOf(record));
  if (image.layout !== 'cfa' || !image.noise) throw new Error('Its raw file is none of this program’s own');
  const { exposure, timeMs, offsetMinutes } = record;
  const [shutterS, iso, apertureN] = [exposure.shutterS, exposure.iso, exposure.apertureN].map((v) =>
    known(v),
  );
  if (shutterS === undefined || iso === undefined || apertureN === undefined)
    throw new Error('It is not known what it was exposed with');
  const frame: RawFrame = {
    ...image,
    noise: image.noise,
    settings: { shutterS, iso, apertureN, compensationEv: exposure.compensationEv },
    timeMs,
    offsetMinutes,
    source: sourceOfRecord(record),
  };
  const { position, ...placeless } = factsOfRecord(record);
  const facts = withoutPlaces || !position ? placeless : { ...placeless, position };
  const print = printOf(record);
  const rating = xmpRating(record);
  return rawPicture(frame, facts, { kind, quality, size }, noteText(noteOf(record)), encodeJpeg, {
    ...(rating !== 0 && { rating }),
    ...(print && { print }),
    ...(record.reframe && { reframe: record.reframe }),
  });
}

function noteOf(record: FrameRecord): CaptureNote {
  const { result: _, files: __, place: ___, verdict, rating, rewhite, print, reframe, ...note } = record;
  return note;
}

function sourceOfRecord({ made, camera, lens, focusM }: FrameRecord): FrameSource {
  const at = known(focusM);
  const focus = at === undefined ? null : { focusM: at ?? Infinity };
  if (made.kind !== 'simulated') throw new Error(`Nothing is known here of the lens of ${camera}, ${lens}`);
  return { ...sourceOf(OPTICS[made.lensId], made.scene, made.seed), ...focus };
}
