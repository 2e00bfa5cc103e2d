// Reads TIFF 6.0 directories. Nothing from the file is trusted: offsets, counts and links are bounded, and every
// complaint says where.
import { DngError } from './errors';
import { tagName, TYPE, TYPE_SIZE } from './tags';

export interface Entry {
  readonly tag: number;
  readonly type: number;
  readonly count: number;
  /** Where the values lie in the file. */
  readonly offset: number;
}

export interface Directory {
  readonly offset: number;
  readonly entries: ReadonlyMap<number, Entry>;
  readonly next: number;
}

export interface TiffFile {
  readonly bytes: Uint8Array;
  readonly view: DataView;
  readonly littleEndian: boolean;
  readonly firstDirectory: number;
}

const MAX_ENTRIES = 1024;
/** No array that is read value by value may be longer: tile tables of 12 MP have 192 entries. */
const MAX_VALUES = 1 << 20;

export function openTiff(bytes: Uint8Array): TiffFile {
  if (bytes.length === 0) throw new DngError('empty', 'The file is empty', 0);
  if (bytes.length < 8)
    throw new DngError('truncated', `The file has only ${bytes.length} bytes`, bytes.length);
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const order = view.getUint16(0, false);
  if (order === 0xffd8) throw new DngError('not-tiff', 'This is a JPEG picture, not a DNG', 0);
  if (order !== 0x4949 && order !== 0x4d4d)
    throw new DngError('not-tiff', 'This is not a TIFF or DNG file', 0);
  const littleEndian = order === 0x4949;
  if (view.getUint16(2, littleEndian) !== 42)
    throw new DngError('not-tiff', 'The TIFF mark (42) is missing', 2);
  const firstDirectory = view.getUint32(4, littleEndian);
  if (firstDirectory < 8) throw new DngError('bad-tag', 'The first directory lies inside the header', 4);
  if (firstDirectory + 2 > bytes.length) {
    throw new DngError(
      'truncated',
      `The file ends early: its directory is at byte ${firstDirectory}, but it has only ${bytes.length}`,
      bytes.length,
    );
  }
  return { bytes, view, littleEndian, firstDirectory };
}

/** @param visited offsets of directories already read, to find loops */
export function readDirectory(file: TiffFile, offset: number, visited: Set<number>): Directory {
  const { view, bytes, littleEndian } = file;
  if (visited.has(offset)) throw new DngError('loop', 'Directories point at each other in a loop', offset);
  if (visited.size > 32) throw new DngError('absurd', 'More than 32 directories', offset);
  visited.add(offset);
  if (offset + 2 > bytes.length)
    throw new DngError('truncated', 'A directory lies beyond the end of the file', offset);
  const count = view.getUint16(offset, littleEndian);
  if (count === 0) throw new DngError('bad-tag', 'A directory is empty', offset);
  if (count > MAX_ENTRIES) throw new DngError('absurd', `A directory claims ${count} entries`, offset);
  const end = offset + 2 + count * 12;
  if (end + 4 > bytes.length)
    throw new DngError('truncated', 'The file ends inside a directory', bytes.length);
  const entries = new Map<number, Entry>();
  for (let i = 0; i < count; i++) {
    const at = offset + 2 + i * 12;
    const tag = view.getUint16(at, littleEndian);
    const type = view.getUint16(at + 2, littleEndian);
    const size = TYPE_SIZE[type];
    if (!size) continue; // TIFF 6.0: readers skip fields of unknown type
    const values = view.getUint32(at + 4, littleEndian);
    const length = values * size;
    const where = length <= 4 ? at + 8 : view.getUint32(at + 8, littleEndian);
    if (length > bytes.length) throw new DngError('absurd', `${tagName(tag)} claims ${values} values`, at);
    if (where + length > bytes.length)
      throw new DngError('truncated', `The values of ${tagName(tag)} lie beyond the end`, at);
    entries.set(tag, { tag, type, count: values, offset: where });
  }
  return { offset, entries, next: view.getUint32(end, littleEndian) };
}

/** All values of a tag as numbers (rationals divided), or undefined when it is not there. */
export function numbers(file: TiffFile, directory: Directory, tag: number): number[] | undefined {
  const entry = directory.entries.get(tag);
  if (!entry) return undefined;
  if (entry.count > MAX_VALUES)
    throw new DngError('absurd', `${tagName(tag)} claims ${entry.count} values`, entry.offset);
  return Array.from({ length: entry.count }, (_, i) => numberAt(file, entry, i));
}

/** The first value of a tag. */
export function number(file: TiffFile, directory: Directory, tag: number): number | undefined {
  const entry = directory.entries.get(tag);
  return entry && entry.count > 0 ? numberAt(file, entry, 0) : undefined;
}

/** The first value of a tag that may be any kind of number; infinity and NaN count as not said. */
export function finiteNumber(file: TiffFile, directory: Directory, tag: number): number | undefined {
  const value = number(file, directory, tag);
  return value !== undefined && Number.isFinite(value) ? value : undefined;
}

/**
 * All values of a tag whose numbers are reckoned with, or undefined when it is not there.
 * @throws DngError where one is infinite or no number
 */
export function finiteNumbers(file: TiffFile, directory: Directory, tag: number): number[] | undefined {
  const found = numbers(file, directory, tag);
  if (found?.every(Number.isFinite) === false)
    throw new DngError(
      'bad-tag',
      `${tagName(tag)} holds ${found.join(' ')}`,
      directory.entries.get(tag)!.offset,
    );
  return found;
}

/** Types that hold sizes, places and counts: whole and never negative. */
const WHOLE_TYPES: readonly number[] = [TYPE.BYTE, TYPE.SHORT, TYPE.LONG, TYPE.IFD];

/**
 * All values of a tag that counts, measures or points, or undefined when it is not there.
 * @throws DngError when the file holds them in a type that could be a fraction or negative
 */
export function wholeNumbers(file: TiffFile, directory: Directory, tag: number): number[] | undefined {
  checkWhole(directory, tag);
  return numbers(file, directory, tag);
}

/** The first value of such a tag. @throws DngError as `wholeNumbers` does */
export function wholeNumber(file: TiffFile, directory: Directory, tag: number): number | undefined {
  checkWhole(directory, tag);
  return number(file, directory, tag);
}

/** A whole number that must be there. @throws DngError */
export function requiredWhole(file: TiffFile, directory: Directory, tag: number): number {
  const value = wholeNumber(file, directory, tag);
  if (value === undefined) throw new DngError('bad-tag', `${tagName(tag)} is missing`, directory.offset);
  return value;
}

function checkWhole(directory: Directory, tag: number): void {
  const entry = directory.entries.get(tag);
  if (entry && !WHOLE_TYPES.includes(entry.type))
    throw new DngError(
      'bad-tag',
      `${tagName(tag)} must hold whole numbers; the file has it as ${TYPE_NAMES[entry.type]}`,
      entry.offset,
    );
}

const TYPE_NAMES: Readonly<Record<number, string>> = Object.fromEntries(
  Object.entries(TYPE).map(([name, type]) => [type, name]),
);

/** Text of an ASCII tag without its end mark. */
export function text(file: TiffFile, directory: Directory, tag: number): string | undefined {
  const entry = directory.entries.get(tag);
  if (!entry || (entry.type !== TYPE.ASCII && entry.type !== TYPE.BYTE && entry.type !== TYPE.UNDEFINED))
    return undefined;
  const bytes = file.bytes.subarray(entry.offset, entry.offset + Math.min(entry.count, 65536));
  const end = bytes.indexOf(0);
  return new TextDecoder().decode(end < 0 ? bytes : bytes.subarray(0, end));
}

/** A rational as its two parts, as written. */
export function fractionAt(file: TiffFile, directory: Directory, tag: number): [number, number] | undefined {
  const entry = directory.entries.get(tag);
  if (!entry || entry.type !== TYPE.RATIONAL || entry.count < 1) return undefined;
  const { view, littleEndian } = file;
  return [view.getUint32(entry.offset, littleEndian), view.getUint32(entry.offset + 4, littleEndian)];
}

function numberAt({ view, littleEndian }: TiffFile, entry: Entry, i: number): number {
  const at = entry.offset + i * TYPE_SIZE[entry.type]!;
  switch (entry.type) {
    case TYPE.SHORT:
      return view.getUint16(at, littleEndian);
    case TYPE.LONG:
    case TYPE.IFD:
      return view.getUint32(at, littleEndian);
    case TYPE.RATIONAL:
      return view.getUint32(at, littleEndian) / view.getUint32(at + 4, littleEndian);
    case TYPE.SRATIONAL:
      return view.getInt32(at, littleEndian) / view.getInt32(at + 4, littleEndian);
    case TYPE.SBYTE:
      return view.getInt8(at);
    case TYPE.SSHORT:
      return view.getInt16(at, littleEndian);
    case TYPE.SLONG:
      return view.getInt32(at, littleEndian);
    case TYPE.FLOAT:
      return view.getFloat32(at, littleEndian);
    case TYPE.DOUBLE:
      return view.getFloat64(at, littleEndian);
    default:
      return view.getUint8(at);
  }
}
