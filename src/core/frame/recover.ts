// The record of a frame made again from its files alone: for a capture whose page was closed before the record was written.
import { noiseOf } from '../dng/check';
import { readDng } from '../dng/read';
import { captureNoteOf } from '../dng/xmp';
import { jpegFacts } from '../formats/jpeg';
import { channelFigures, countImage, headroomEv } from '../raw/statistics';
import { entryOf } from './digest';
import { NO_RAW } from './picture-frame';
import { broughtForward, rawFiguresOf, type CaptureNote, type FrameRecord } from './record';
import type { Format } from '../setting/files';

/** Said of a frame whose raw numbers were counted, and let go, before its record was lost. */
const PICTURE_ONLY = 'only its picture was kept';

export interface FoundFile {
  readonly format: Format;
  readonly bytes: Uint8Array;
}

/**
 * What the files say of their capture, with what raw among them holds, as a record; it must still pass the record's schema. Undefined for
 * files that carry no note of ours.
 * @param files as they were found; at least one
 * @throws DngError for a broken one
 */
export async function recordFromFiles(files: readonly FoundFile[]): Promise<unknown> {
  const jpeg = files.find(({ format }) => format === 'jpeg');
  const dng = files.find(({ format }) => format === 'dng');
  const picture = jpeg && ofPicture(jpeg.bytes);
  // A picture beside raw tells of raw; one beside a linear file tells of itself.
  const found = dng && picture?.image.kind !== 'rgb' ? ofRaw(dng.bytes) : picture;
  if (!found) return undefined;
  const entries = await Promise.all(files.map(({ format, bytes }) => entryOf(format, bytes)));
  return { ...found, files: entries, place: { kind: 'stored' } } satisfies FrameRecord;
}

type Found = CaptureNote & Pick<FrameRecord, 'result'>;

function ofRaw(bytes: Uint8Array): Found | undefined {
  const raw = readDng(bytes);
  const note = noteOf(raw.xmp);
  const noise = noiseOf(raw);
  if (!note || !noise) return undefined;
  const counted = countImage(raw);
  return { ...note, result: rawFiguresOf(channelFigures(counted, noise), headroomEv(counted)) };
}

function ofPicture(bytes: Uint8Array): Found | undefined {
  const note = noteOf(jpegFacts(bytes).xmp);
  // What the note lacks is found by the schema.
  const made: CaptureNote['made'] | undefined = note?.made;
  return note && { ...note, result: { unknown: made?.kind === 'browser' ? NO_RAW : PICTURE_ONLY } };
}

function noteOf(xmp: string | undefined): CaptureNote | undefined {
  const text = captureNoteOf(xmp);
  if (text === undefined) return undefined;
  try {
    // Whatever it is, the schema of the record looks at it next.
    return broughtForward(JSON.parse(text)) as CaptureNote;
  } catch {
    return undefined;
  }
}
