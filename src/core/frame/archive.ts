// What a ZIP archive of a roll says of itself: roll.json in it, with the records of its frames and the names of their files.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import { ENDINGS, type Format } from '../setting/files';
import { withoutPlace } from '../formats/without-place';
import { entryOf } from './digest';
import type { FrameRecord } from './record';
import { rollSchema } from './roll';

export const ARCHIVE_VERSION = 1;
export const INDEX_NAME = 'roll.json';

/** JSON schema of the index. Records are looked at one by one: a frame that is not understood does not keep the others out. */
export function archiveSchema() {
  return Type.Object({
    kind: Type.Literal('velmo-roll'),
    version: Type.Literal(ARCHIVE_VERSION),
    roll: rollSchema(),
    /** Places were taken out of the files and records. */
    withoutPlaces: Type.Boolean(),
    frames: Type.Array(
      Type.Object({
        record: Type.Unsafe<FrameRecord>({}),
        /** In the order of the record's files. */
        files: Type.Array(Type.String({ minLength: 1, maxLength: 300 }), { minItems: 1, maxItems: 8 }),
        thumbnail: Type.String({ minLength: 1, maxLength: 300 }),
      }),
      { maxItems: 100_000 },
    ),
  });
}

export type ArchiveIndex = Readonly<Static<ReturnType<typeof archiveSchema>>>;
export type ArchivedFrame = ArchiveIndex['frames'][number];

/** Bytes of an index, and lists and objects in it, that a file of the archive can account for: ours take a tenth of that. */
const MOST_BYTES_A_FILE = 32 << 10;
const MOST_PARTS_A_FILE = 256;
/** 16 000 frames and more. */
const MOST_INDEX = 64 << 20;
const MOST_DEPTH = 32;

/** Bytes that the index of an archive of so many files has at most. */
export function mostIndexBytes(files: number): number {
  return Math.min(MOST_INDEX, (files + 2) * MOST_BYTES_A_FILE);
}

/**
 * True for text whose lists and objects are no deeper and no more than an index of so many files has. Looked at byte by byte, before anybody parses
 * it: a few kilobytes, packed, can hold millions of them.
 */
export function isShallow(json: Uint8Array, files: number): boolean {
  const [QUOTE, BACKSLASH, OPEN, CLOSE] = [0x22, 0x5c, [0x5b, 0x7b], [0x5d, 0x7d]] as const;
  let parts = (files + 2) * MOST_PARTS_A_FILE;
  let depth = 0;
  let quoted = false;
  for (let i = 0; i < json.length; i++) {
    const byte = json[i]!;
    if (byte === QUOTE) quoted = !quoted;
    else if (quoted) i += byte === BACKSLASH ? 1 : 0;
    else if (byte === OPEN[0] || byte === OPEN[1]) {
      if (++depth > MOST_DEPTH || --parts < 0) return false;
    } else if (byte === CLOSE[0] || byte === CLOSE[1]) depth--;
  }
  return true;
}

/** Of a frame's local time, so that files sort as they were taken, and of its id, so that no two are alike. */
function stemOf({ timeMs, offsetMinutes, id }: FrameRecord): string {
  const local = new Date(timeMs + offsetMinutes * 60000).toISOString();
  return `${local.slice(0, 10)}-${local.slice(11, 19).replaceAll(':', '')}-${id.slice(12, 22)}`;
}

export function archivedFrame(record: FrameRecord): ArchivedFrame {
  const stem = stemOf(record);
  return {
    record,
    files: record.files.map(({ format }) => `frames/${stem}.${ENDINGS[format]}`),
    thumbnail: `thumbnails/${stem}.jpg`,
  };
}

export interface FrameFiles {
  readonly record: FrameRecord;
  readonly files: readonly { readonly format: Format; readonly bytes: Uint8Array }[];
}

/** A frame whose files and record tell no place. @throws DngError for a broken file */
export async function placeless({ record, files }: FrameFiles): Promise<FrameFiles> {
  const { position: _, ...rest } = record;
  const cleared = files.map(({ format, bytes }) => ({ format, bytes: withoutPlace(bytes, format) }));
  if (cleared.every(({ bytes }, i) => bytes === files[i]!.bytes)) return { record: rest, files };
  const entries = await Promise.all(cleared.map(({ format, bytes }) => entryOf(format, bytes)));
  return { record: { ...rest, files: entries }, files: cleared };
}
