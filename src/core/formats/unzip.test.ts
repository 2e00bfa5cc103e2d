// Archives of two other writers, stored, deflated and of more than 4 GiB by their numbers; and archives that are not whole.
import { makeZip } from 'client-zip';
import fc from 'fast-check';
import { zipSync } from 'fflate';
import { crc32 } from './crc32';
import { readEntry, zipEntries, ZipError, type ReadAt } from './unzip';

const reading =
  (bytes: Uint8Array): ReadAt =>
  async (from, to) =>
    bytes.subarray(Math.max(0, from), Math.max(0, to));
const text = (words: string) => new TextEncoder().encode(words);
const MOST = 1 << 20;

async function streamed(files: Readonly<Record<string, Uint8Array>>): Promise<Uint8Array> {
  const stream = makeZip(Object.entries(files).map(([name, input]) => ({ name, input })));
  return new Uint8Array(await new Response(stream).arrayBuffer());
}

const FILES = {
  'frames/a.dng': Uint8Array.from({ length: 5000 }, (_, i) => (i * 31) & 255),
  'frames/bé.jpg': text('short'),
  empty: new Uint8Array(0),
};

it.each([
  ['streamed and stored', () => streamed(FILES)],
  ['deflated', async () => zipSync(FILES, { level: 9 })],
  ['stored', async () => zipSync(FILES, { level: 0 })],
  ['with a comment after its end', async () => withComment(await streamed(FILES))],
])('reads every file of an archive that is %s', async (_, make) => {
  const bytes = await make();
  const entries = await zipEntries(reading(bytes), bytes.length);
  expect(entries.map(({ name }) => name).sort()).toEqual(Object.keys(FILES).sort());
  for (const entry of entries) {
    const found = await readEntry(reading(bytes), entry, MOST);
    expect(Buffer.compare(found, FILES[entry.name as keyof typeof FILES])).toBe(0);
  }
});

function withComment(bytes: Uint8Array): Uint8Array {
  const comment = text('PK\u0005\u0006 is not the end');
  const out = new Uint8Array(bytes.length + comment.length);
  out.set(bytes);
  out.set(comment, bytes.length);
  new DataView(out.buffer).setUint16(bytes.length - 2, comment.length, true);
  return out;
}

it('finds files beyond 4 GiB by the numbers of 64 bits', async () => {
  // An archive with a hole of 5 GB where its first file's bytes would be.
  const small = await streamed({ 'behind.txt': text('found') });
  const view = new DataView(small.buffer, small.byteOffset);
  const end = small.length - 22;
  const [length, at] = [view.getUint32(end + 12, true), view.getUint32(end + 16, true)];
  const hole = 5_000_000_000;
  const central = small.slice(at, at + length);
  const extra = new Uint8Array(12);
  new DataView(extra.buffer).setUint16(0, 1, true);
  new DataView(extra.buffer).setUint16(2, 8, true);
  new DataView(extra.buffer).setBigUint64(4, BigInt(hole), true);
  const of = new DataView(central.buffer);
  of.setUint16(30, extra.length, true);
  of.setUint32(42, 0xffffffff, true);
  const directory = Buffer.concat([central, extra]);
  const end64 = new DataView(new ArrayBuffer(56 + 20 + 22));
  const directoryAt = hole + at;
  end64.setUint32(0, 0x06064b50, true);
  end64.setBigUint64(32, 1n, true);
  end64.setBigUint64(40, BigInt(directory.length), true);
  end64.setBigUint64(48, BigInt(directoryAt), true);
  end64.setUint32(56, 0x07064b50, true);
  end64.setBigUint64(64, BigInt(directoryAt + directory.length), true);
  end64.setUint32(76, 0x06054b50, true);
  for (const [place, bits] of [
    [84, 16],
    [86, 16],
    [88, 32],
    [92, 32],
  ] as const)
    if (bits === 16) end64.setUint16(place, 0xffff, true);
    else end64.setUint32(place, 0xffffffff, true);
  const tail = Buffer.concat([small.subarray(0, at), directory, new Uint8Array(end64.buffer)]);
  const read: ReadAt = async (from, to) => tail.subarray(Math.max(0, from - hole), Math.max(0, to - hole));
  const [entry] = await zipEntries(read, hole + tail.length);
  expect(entry).toMatchObject({ name: 'behind.txt', at: hole });
  expect(new TextDecoder().decode(await readEntry(read, entry!, MOST))).toBe('found');
});

it('refuses what is no archive, what is too large, and a file that was changed', async () => {
  await expect(zipEntries(reading(text('no archive')), 10)).rejects.toThrow(ZipError);
  await expect(zipEntries(reading(new Uint8Array(0)), 0)).rejects.toThrow(ZipError);
  const bytes = await streamed(FILES);
  const [entry] = await zipEntries(reading(bytes), bytes.length);
  await expect(readEntry(reading(bytes), entry!, 4999)).rejects.toThrow(/larger/);
  const changed = bytes.slice();
  changed[100]! ^= 1;
  await expect(readEntry(reading(changed), entry!, MOST)).rejects.toThrow(/damaged/);
});

it('archives that end early or have wrong bytes give what was put in, or an error of their own', async () => {
  const whole = [await streamed(FILES), zipSync(FILES, { level: 9 })];
  const change = fc.record({
    which: fc.integer({ min: 0, max: 1 }),
    at: fc.double({ min: 0, max: 1, noNaN: true }),
    value: fc.integer({ min: 0, max: 255 }),
    cut: fc.boolean(),
  });
  await fc.assert(
    fc.asyncProperty(change, async ({ which, at, value, cut }) => {
      const place = Math.floor(at * (whole[which]!.length - 1));
      const bytes = cut ? whole[which]!.slice(0, place) : whole[which]!.slice();
      if (!cut) bytes[place] = value;
      try {
        for (const entry of await zipEntries(reading(bytes), bytes.length)) {
          const found = await readEntry(reading(bytes), entry, MOST);
          expect(crc32(found)).toBe(entry.crc);
        }
      } catch (error) {
        expect(error).toBeInstanceOf(ZipError);
      }
    }),
    { numRuns: 400 },
  );
});

it('CRC-32 is that of ISO 3309: "123456789" gives CBF43926, in one piece or in two', () => {
  expect(crc32(text('123456789'))).toBe(0xcbf43926);
  expect(crc32(text('6789'), crc32(text('12345')))).toBe(0xcbf43926);
});
