// Reads ZIP archives (PKWARE APPNOTE 6.3) by their central directory, a piece at a time, so that an archive of any size can be read from a disk.
// Entries that are stored or deflated, archives of more than 4 GiB included; nothing encrypted, nothing in several volumes.
import { inflateSync } from 'fflate';
import { crc32 } from './crc32';

/** Bytes from `from` up to `to`; fewer where the archive ends. */
export type ReadAt = (from: number, to: number) => Promise<Uint8Array>;

export interface ZipEntry {
  readonly name: string;
  readonly bytes: number;
  readonly packed: number;
  readonly method: 'stored' | 'deflated';
  readonly crc: number;
  /** Of its local header. */
  readonly at: number;
}

export class ZipError extends Error {}

const END = 0x06054b50;
const END64 = 0x06064b50;
const LOCATOR64 = 0x07064b50;
const CENTRAL = 0x02014b50;
const LOCAL = 0x04034b50;
const END_BYTES = 22;
const LOCATOR_BYTES = 20;
/** A comment may follow the end. */
const MOST_COMMENT = 0xffff;
const MOST_ENTRIES = 200_000;
const MOST_DIRECTORY = 128 << 20;
const [STORED, DEFLATED] = [0, 8];
const ENCRYPTED = 1;
const ALL32 = 0xffffffff;
/** No more bytes come out of one that was deflated (RFC 1951: 258 of a symbol of two bits), but for its ends. */
const MOST_INFLATED = 1032;

/** @param size of the archive, bytes @throws ZipError for what is no archive, or not a whole one */
export async function zipEntries(read: ReadAt, size: number): Promise<readonly ZipEntry[]> {
  const tailAt = Math.max(0, size - END_BYTES - MOST_COMMENT - LOCATOR_BYTES);
  const tail = await read(tailAt, size);
  const view = viewOf(tail);
  let end = tail.length - END_BYTES;
  while (end >= 0 && view.getUint32(end, true) !== END) end--;
  if (end < 0) throw new ZipError('This is not a ZIP archive, or its end is missing');
  let count = view.getUint16(end + 10, true);
  let length = view.getUint32(end + 12, true);
  let at = view.getUint32(end + 16, true);
  const locator = end - LOCATOR_BYTES;
  if (locator >= 0 && view.getUint32(locator, true) === LOCATOR64) {
    const of = viewOf(await whole(read, long(view, locator + 8), 56));
    if (of.getUint32(0, true) !== END64) throw new ZipError('The end of this ZIP archive is damaged');
    count = long(of, 32);
    length = long(of, 40);
    at = long(of, 48);
  }
  if (count > MOST_ENTRIES || length > MOST_DIRECTORY || at + length > size)
    throw new ZipError('The list of files of this ZIP archive is damaged');
  return entriesOf(await whole(read, at, length), count);
}

function entriesOf(directory: Uint8Array, count: number): ZipEntry[] {
  const view = viewOf(directory);
  const entries: ZipEntry[] = [];
  const damaged = () => new ZipError('The list of files of this ZIP archive is damaged');
  for (let i = 0, at = 0; i < count; i++) {
    if (at + 46 > directory.length || view.getUint32(at, true) !== CENTRAL) throw damaged();
    const [nameLength, extraLength] = [view.getUint16(at + 28, true), view.getUint16(at + 30, true)];
    const next = at + 46 + nameLength + extraLength + view.getUint16(at + 32, true);
    if (next > directory.length) throw damaged();
    const name = new TextDecoder().decode(directory.subarray(at + 46, at + 46 + nameLength));
    const method = view.getUint16(at + 10, true);
    if (view.getUint16(at + 8, true) & ENCRYPTED) throw new ZipError(`${name} is encrypted`);
    if (method !== STORED && method !== DEFLATED)
      throw new ZipError(`${name} is packed in a way that is not known here`);
    const sizes = { bytes: view.getUint32(at + 24, true), packed: view.getUint32(at + 20, true) };
    let header = view.getUint32(at + 42, true);
    // Zip64: those that do not fit stand in an extra field, in this order.
    const extra = longsOf(view, at + 46 + nameLength, extraLength);
    const wide = (value: number) => (value === ALL32 ? (extra.shift() ?? value) : value);
    const bytes = wide(sizes.bytes);
    const packed = wide(sizes.packed);
    header = wide(header);
    entries.push({
      ...{ name, bytes, packed, at: header },
      method: method === STORED ? 'stored' : 'deflated',
      crc: view.getUint32(at + 16, true),
    });
    at = next;
  }
  return entries;
}

/** The numbers of 64 bits in the extra field that is for them. */
function longsOf(view: DataView, from: number, length: number): number[] {
  for (let at = from; at + 4 <= from + length;) {
    const size = view.getUint16(at + 2, true);
    if (at + 4 + size > from + length) return [];
    if (view.getUint16(at, true) === 1)
      return Array.from({ length: Math.min(3, size >> 3) }, (_, i) => long(view, at + 4 + 8 * i));
    at += 4 + size;
  }
  return [];
}

/**
 * The bytes of an entry, checked.
 * @param mostBytes that are taken in memory
 * @throws ZipError for one that is damaged or larger
 */
export async function readEntry(read: ReadAt, entry: ZipEntry, mostBytes: number): Promise<Uint8Array> {
  const { name, bytes, packed, method, crc, at } = entry;
  if (bytes > mostBytes || packed > mostBytes) throw new ZipError(`${name} is larger than a frame can be`);
  if (bytes > (packed + 16) * MOST_INFLATED) throw new ZipError(`${name} is damaged`);
  const header = viewOf(await whole(read, at, 30));
  if (header.getUint32(0, true) !== LOCAL) throw new ZipError(`${name} is not where the archive says`);
  const from = at + 30 + header.getUint16(26, true) + header.getUint16(28, true);
  const data = await whole(read, from, packed);
  const out = method === 'stored' ? data : inflated(data, bytes, name);
  if (out.length !== bytes || crc32(out) !== crc) throw new ZipError(`${name} is damaged`);
  return out;
}

function inflated(data: Uint8Array, bytes: number, name: string): Uint8Array {
  try {
    // Into what it is said to be: more than that is not taken.
    return inflateSync(data, { out: new Uint8Array(bytes) });
  } catch {
    throw new ZipError(`${name} is damaged`);
  }
}

async function whole(read: ReadAt, from: number, length: number): Promise<Uint8Array> {
  const bytes = await read(from, from + length);
  if (bytes.length !== length) throw new ZipError('This ZIP archive ends early');
  return bytes;
}

function viewOf(bytes: Uint8Array): DataView {
  return new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
}

/** What no number holds exactly is beyond any archive. */
function long(view: DataView, at: number): number {
  return Number(view.getBigUint64(at, true));
}
