// The record of a frame made again from its file alone: for a capture whose page was closed before the record was written.
import { captureNoteOf } from '../dng/xmp';
import { noiseOf } from '../dng/check';
import type { DngRaw } from '../dng/read';
import { channelFigures, countSites, headroomEv } from '../raw/statistics';
import { noteForward, rawFiguresOf, type CaptureNote, type FileEntry, type FrameRecord } from './record';

/**
 * What the file says of its capture, with what its mosaic holds, as a record; it must still pass the record's schema. Undefined for a file
 * that carries no note of ours.
 * @param file as it was found
 */
export function recordFromFile(raw: DngRaw, file: FileEntry): unknown {
  const note = noteOf(raw);
  const noise = noiseOf(raw);
  if (!note || !noise) return undefined;
  const counted = countSites(raw);
  const result = rawFiguresOf(channelFigures(counted, noise), headroomEv(counted));
  return { ...note, result, files: [file], place: { kind: 'stored' } } satisfies FrameRecord;
}

function noteOf({ xmp }: DngRaw): CaptureNote | undefined {
  const text = captureNoteOf(xmp);
  if (text === undefined) return undefined;
  try {
    // Whatever it is, the schema of the record looks at it next.
    return noteForward(JSON.parse(text)) as CaptureNote;
  } catch {
    return undefined;
  }
}
