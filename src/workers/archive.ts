// Rolls as ZIP archives: written as a stream, a frame at a time, and taken in again frame by frame, each looked at as if it came from a stranger.
import { makeZip } from 'client-zip';
import { toUint8Array } from 'js-base64';
import {
  archivedFrame,
  ARCHIVE_VERSION,
  INDEX_NAME,
  isShallow,
  mostIndexBytes,
  placeless,
  type ArchivedFrame,
  type ArchiveIndex,
  type FrameFiles,
} from '../core/frame/archive';
import { digestOf, entryOf } from '../core/frame/digest';
import { broughtForward, type FrameRecord } from '../core/frame/record';
import { tidyRoll, type Roll } from '../core/frame/roll';
import { beginsAs } from '../core/formats/file-head';
import { readEntry, zipEntries, ZipError, type ReadAt, type ZipEntry } from '../core/formats/unzip';
import { tidyCredit } from '../core/setting/credit';
import { isUnknown } from '../core/units/known';
import { isArchive, isRecord } from '../vault/record-check.generated';
import type { RollReader } from '../vault/reader';
import type { FrameToSave } from '../vault/save';
import { frameFile } from './frame-file';

export interface ArchiveAsk {
  readonly roll: Roll;
  readonly records: readonly FrameRecord[];
  /** Takes the places out of files and records. */
  readonly withoutPlaces: boolean;
}

/** The archive as a stream. @param onFrame told how many frames are in it so far. It breaks off with an Error that names the frame whose file cannot be had */
export function archiveOf(
  reader: RollReader,
  { roll, records, withoutPlaces }: ArchiveAsk,
  onFrame: (done: number) => void,
): ReadableStream<Uint8Array> {
  async function* entries() {
    const frames: ArchivedFrame[] = [];
    for (const kept of records) {
      const whole = await filesOf(reader, kept);
      const { record, files } = withoutPlaces ? await placeless(whole) : whole;
      const frame = archivedFrame(record);
      const lastModified = new Date(record.timeMs);
      for (const [i, { bytes }] of files.entries())
        yield { name: frame.files[i]!, input: bytes, lastModified };
      const thumbnail = (await reader.thumbnails([record.id]))[record.id] ?? '';
      yield { name: frame.thumbnail, input: bytesOfUrl(thumbnail), lastModified };
      frames.push(frame);
      onFrame(frames.length);
    }
    // Last: only now it is known what the files are.
    const index: ArchiveIndex = {
      kind: 'velmo-roll',
      version: ARCHIVE_VERSION,
      ...{ roll, withoutPlaces, frames },
    };
    yield { name: INDEX_NAME, input: JSON.stringify(index, null, 1), lastModified: new Date() };
  }
  return makeZip(entries());
}

async function filesOf(reader: RollReader, record: FrameRecord): Promise<FrameFiles> {
  const files = [];
  for (const entry of record.files)
    files.push({ format: entry.format, bytes: await frameFile(reader, record, entry) });
  return { record, files };
}

function bytesOfUrl(url: string): Uint8Array {
  return toUint8Array(url.slice(url.indexOf(',') + 1));
}

const MOST_FILE = 1024 << 20;
const MOST_THUMBNAIL = 4 << 20;

/** What an archive holds, before a frame of it is read: not for a worker that others wait for. @throws Error in words for people for what is no archive of a roll */
export async function archiveIndex(read: ReadAt, size: number): Promise<ArchiveIndex> {
  const entries = new Map((await zipEntries(read, size)).map((entry) => [entry.name, entry]));
  const entry = entries.get(INDEX_NAME);
  if (!entry) throw new ZipError('This archive holds no roll: roll.json is missing in it');
  if (entry.bytes > mostIndexBytes(entries.size))
    throw new ZipError('roll.json in this archive is larger than its files could need');
  const text = await readEntry(read, entry, mostIndexBytes(entries.size));
  const index = isShallow(text, entries.size) ? parsed(text) : undefined;
  if (!isArchive(index)) throw new ZipError('roll.json in this archive is not one that is understood here');
  return { ...index, roll: tidyRoll(index.roll) };
}

/** Reads a frame to be saved into a roll. @throws Error in words for people when it is not whole, or is none */
export type ReadArchived = (archived: ArchivedFrame, roll: string) => Promise<FrameToSave>;

/** @throws ZipError for what is no archive */
export async function archiveFrames(read: ReadAt, size: number): Promise<ReadArchived> {
  const entries = new Map((await zipEntries(read, size)).map((entry) => [entry.name, entry]));
  const named = (name: string): ZipEntry => {
    const entry = entries.get(name);
    if (!entry) throw new ZipError(`${name} is missing`);
    return entry;
  };
  return async (archived, roll) => {
    const found = broughtForward(archived.record);
    if (!isRecord(found)) throw new Error('its record is not understood here');
    if (found.files.length !== archived.files.length) throw new Error('its record tells of other files');
    const files: FrameToSave['files'][number][] = [];
    for (const [i, { format, sha256 }] of found.files.entries()) {
      const bytes = await readEntry(read, named(archived.files[i]!), MOST_FILE);
      if (!isUnknown(sha256) && (await digestOf(bytes)) !== sha256)
        throw new Error('its file is another than its record tells of');
      if (!beginsAs(format, bytes)) throw new Error(`its file is no ${format.toUpperCase()}`);
      files.push({ format, bytes });
    }
    const thumbnailJpeg = await readEntry(read, named(archived.thumbnail), MOST_THUMBNAIL);
    const told = await Promise.all(files.map(({ format, bytes }) => entryOf(format, bytes)));
    const record: FrameRecord = {
      ...found,
      ...(found.credit && { credit: tidyCredit(found.credit) }),
      ...{ files: told, roll, place: { kind: 'stored' } },
    };
    return { record, files, thumbnailJpeg };
  };
}

function parsed(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    return undefined;
  }
}
