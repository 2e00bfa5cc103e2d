// A roll out as a ZIP and in again into an empty store; what strangers may have made of it on the way.
import { zipSync, unzipSync } from 'fflate';
import { INDEX_NAME, type ArchiveIndex } from '../core/frame/archive';
import { digestOf } from '../core/frame/digest';
import type { FrameRecord } from '../core/frame/record';
import { FIRST, type Roll } from '../core/frame/roll';
import { ascii, byte, long, TiffWriter } from '../core/dng/tiff-writer';
import { creditFields } from '../core/dng/credit-fields';
import { GPS, TAG } from '../core/dng/tags';
import { openTiff, readDirectory } from '../core/dng/tiff-reader';
import { rollReader } from '../vault/reader';
import { isRecord } from '../vault/record-check.generated';
import { memoryStore, record } from '../vault/test-store';
import { rollWriter } from '../vault/writer';
import { archiveFrames, archiveIndex, archiveOf } from './archive';

jest.mock('@react-native-async-storage/async-storage', () => ({ createAsyncStorage: () => undefined }));

const KILN: Roll = { ...FIRST, id: 'b'.repeat(32), name: 'Kiln day', createdMs: 7, keywords: ['kiln'] };
const position = { latitudeDeg: -38.2, longitudeDeg: -101.6, accuracyM: 8, timeMs: 5 };

/** A TIFF file with a place in it. */
function tiffWithPlace(): Uint8Array {
  const writer = new TiffWriter();
  return writer.finish(
    writer.appendDirectory([
      ascii(TAG.Model, 'Velmo Sim One'),
      ...creditFields({ position }, writer),
      long(TAG.NewSubfileType, 1),
      byte(TAG.DNGVersion, 1, 4, 0, 0),
    ]),
  );
}

async function rollOf(frames: number) {
  const { store } = memoryStore();
  const [reader, writer] = [rollReader(store), rollWriter(isRecord, store)];
  const records: FrameRecord[] = [];
  for (let n = 1; n <= frames; n++) {
    const bytes = tiffWithPlace();
    const own: FrameRecord = {
      ...record(n, n),
      ...{ roll: KILN.id, position },
      files: [{ format: 'dng', bytes: bytes.length, sha256: await digestOf(bytes) }],
    };
    await writer.putFiles(own.id, [{ format: 'dng', bytes }], Uint8Array.of(0xff, n));
    await writer.putRecord(own);
    records.push(own);
  }
  return { reader, records };
}

async function archived(frames: number, withoutPlaces = false) {
  const { reader, records } = await rollOf(frames);
  let told = 0;
  const stream = archiveOf(reader, { roll: KILN, records, withoutPlaces }, (done) => (told = done));
  const zip = new Uint8Array(await new Response(stream).arrayBuffer());
  expect(told).toBe(frames);
  return { zip, records };
}

async function opened(zip: Uint8Array) {
  const read = async (from: number, to: number) => zip.subarray(from, to);
  return { index: await archiveIndex(read, zip.length), frame: await archiveFrames(read, zip.length) };
}

it('what goes out comes in: records, files, thumbnails and the roll', async () => {
  const { zip, records } = await archived(3);
  const { index, frame } = await opened(zip);
  expect(index.roll).toEqual(KILN);
  for (const [i, one] of index.frames.entries()) {
    const found = await frame(one, 'elsewhere');
    expect(found.record).toEqual({ ...records[i], roll: 'elsewhere' });
    expect(found.files[0]!.bytes).toEqual(tiffWithPlace());
    expect(found.thumbnailJpeg).toEqual(Uint8Array.of(0xff, i + 1));
  }
});

it('without places neither a file nor a record nor a byte of either tells one', async () => {
  const { zip } = await archived(1, true);
  const { index, frame } = await opened(zip);
  const { record: found, files } = await frame(index.frames[0]!, KILN.id);
  expect(found.position).toBeUndefined();
  const file = openTiff(files[0]!.bytes);
  const main = readDirectory(file, file.firstDirectory, new Set());
  expect(main.entries.has(TAG.GPSIFD)).toBe(false);
  expect([...main.entries.keys()]).toEqual([TAG.NewSubfileType, TAG.Model, TAG.DNGVersion]);
  const before = tiffWithPlace();
  expect(files[0]!.bytes).toHaveLength(before.length);
  // The seconds of the place, as they stood in the file.
  const source = openTiff(before);
  const at = new DataView(before.buffer).getUint32(
    readDirectory(source, source.firstDirectory, new Set()).entries.get(TAG.GPSIFD)!.offset,
    true,
  );
  const { offset } = readDirectory(source, at, new Set()).entries.get(GPS.Latitude)!;
  expect(before.subarray(offset, offset + 24).some((v) => v !== 0)).toBe(true);
  expect(files[0]!.bytes.subarray(offset, offset + 24).every((v) => v === 0)).toBe(true);
  expect(new TextDecoder().decode(zip)).not.toMatch(/latitude/i);
});

describe('what was made of it on the way', () => {
  /** The archive with its index changed. */
  async function tampered(change: (index: Record<string, unknown>) => unknown, files = {}) {
    const { zip } = await archived(2);
    const entries = unzipSync(zip);
    const index = JSON.parse(new TextDecoder().decode(entries[INDEX_NAME])) as Record<string, unknown>;
    const text = new TextEncoder().encode(JSON.stringify(change(index) ?? index));
    return zipSync({ ...entries, ...files, [INDEX_NAME]: text });
  }
  const first = (index: Record<string, unknown>) =>
    (index as unknown as ArchiveIndex).frames[0] as unknown as {
      record: Record<string, unknown>;
      files: string[];
    };

  it('packed anew by another program it comes in all the same', async () => {
    const { index, frame } = await opened(await tampered(() => undefined));
    expect((await frame(index.frames[1]!, KILN.id)).record.id).toBe(record(2, 2).id);
  });

  it.each([
    ['no index', async () => zipSync({ 'a.txt': Uint8Array.of(1) }), /holds no roll/],
    ['an index that is no JSON', async () => zipSync({ [INDEX_NAME]: Uint8Array.of(1) }), /not one that/],
    ['a later version', () => tampered((index) => ({ ...index, version: 9 })), /not one that/],
    ['frames that are none', () => tampered((index) => ({ ...index, frames: [7] })), /not one that/],
    [
      'lists in lists in lists',
      async () =>
        zipSync({ [INDEX_NAME]: new TextEncoder().encode('['.repeat(25_000) + ']'.repeat(25_000)) }),
      /not one that/,
    ],
    [
      'more objects than its files have',
      async () => zipSync({ [INDEX_NAME]: new TextEncoder().encode(`[${'{},'.repeat(20_000)}{}]`) }),
      /not one that/,
    ],
    [
      'an index of megabytes for one file',
      async () => zipSync({ [INDEX_NAME]: new Uint8Array(1 << 20) }),
      /larger than its files/,
    ],
    ['no archive at all', async () => Uint8Array.from({ length: 99 }, (_, i) => i), /not a ZIP/],
  ])('%s is refused as a whole', async (_, make, why) => {
    await expect(opened(await make())).rejects.toThrow(why);
  });

  it('names are kept as they would have been here', async () => {
    const zip = await tampered((index) => {
      (index.roll as { name: string }).name = '\u202egpj.niK\u200b';
      (index.roll as { keywords: string[] }).keywords = ['\u200b', 'kiln', ' kiln\u0007'];
      first(index).record.credit = { person: ' A\u2066nsa', copyright: '\u200b', keywords: ['\u2800'] };
    });
    const { index, frame } = await opened(zip);
    expect(index.roll).toMatchObject({ name: 'gpj.niK', keywords: ['kiln'] });
    const { record: found } = await frame(index.frames[0]!, KILN.id);
    expect(found.credit).toEqual({ person: 'Ansa', copyright: '', keywords: [] });
    const blank = await tampered((of) => void ((of.roll as { name: string }).name = '\u200b\u3164'));
    expect((await opened(blank)).index.roll.name).toMatch(/\p{L}/u);
  });

  it.each(['no picture at all, but some words', 'MM\0*\0\0\0\b\0\0\0\0\0\0'])(
    'a file that has the hash of its record and is no picture is refused: %j',
    async (words) => {
      const bytes = new TextEncoder().encode(words);
      const sha256 = await digestOf(bytes);
      const zip = await tampered(
        (index) => {
          first(index).record.files = [{ format: 'dng', bytes: bytes.length, sha256 }];
          first(index).files = ['frames/x.dng'];
        },
        { 'frames/x.dng': bytes },
      );
      const { index, frame } = await opened(zip);
      await expect(frame(index.frames[0]!, KILN.id)).rejects.toThrow(/no DNG/);
    },
  );

  it.each([
    [
      'a record that is none',
      (index: Record<string, unknown>) => void (first(index).record = {}),
      /not understood/,
    ],
    [
      'a file that is not there',
      (index: Record<string, unknown>) => void (first(index).files[0] = '../../etc/passwd'),
      /is missing/,
    ],
    [
      'more files than the record has',
      (index: Record<string, unknown>) => void first(index).files.push('frames/x'),
      /other files/,
    ],
    [
      'a file that is another',
      (index: Record<string, unknown>) =>
        void (first(index).files[0] = (index as unknown as ArchiveIndex).frames[0]!.thumbnail),
      /another than its record/,
    ],
  ])('of a frame with %s it is said why, and the others come in', async (_, change, why) => {
    const { index, frame } = await opened(await tampered(change));
    await expect(frame(index.frames[0]!, KILN.id)).rejects.toThrow(why);
    await expect(frame(index.frames[1]!, KILN.id)).resolves.toBeDefined();
  });
});
