// What is said of a DNG after it was taken: framing, print, rating. New directories and a new XMP packet are put behind the file's end, and a few of its
// bytes point there; what these bytes were is kept in the packet. Taking it out cuts the end off and puts them back: the file is as it was, bit for bit.
// Its raw numbers are never touched.
import type { Rectangle, Turn } from '../raw/shown';
import { DngError } from './errors';
import { PHOTOMETRIC, TAG, TYPE, TYPE_SIZE } from './tags';
import { number, openTiff, readDirectory, wholeNumbers, type Directory, type TiffFile } from './tiff-reader';
import { afterwardsXml, beforeOf, withDescription } from './xmp-afterwards';
import type { Said } from './xmp-afterwards';

export interface Afterwards {
  /** What is said in XMP; undefined where nothing is. */
  readonly said?: Said;
  readonly orientation?: Turn;
  /** What is inside the frame lines, and the part that counts (DefaultCrop), in the image's columns and rows. */
  readonly lines?: { readonly inside: Rectangle; readonly part: Rectangle };
}

/** A file with this said of it, in place of whatever was said before. @throws DngError for a file that is no DNG */
export function withAfterwards(bytes: Uint8Array, afterwards: Afterwards): Uint8Array {
  const before = withoutAfterwards(bytes);
  const { said, orientation, lines } = afterwards;
  if (!said && orientation === undefined && !lines) return before;
  const editor = editorOf(before);
  if (lines) sayLines(editor, lines);
  if (orientation !== undefined) editor.set('main', entryOf(TAG.Orientation, TYPE.SHORT, [orientation]));
  return editor.finish((patches) => ({
    tag: TAG.XMP,
    type: TYPE.BYTE,
    count: 0,
    bytes: withDescription(
      editor.xmp,
      afterwardsXml(said ?? {}, beforeWords(before.length, patches)),
      said?.rating,
    ),
  }));
}

/** The file as it was before anything was said of it; the same bytes where nothing was. @throws DngError for a file that is no DNG */
export function withoutAfterwards(bytes: Uint8Array): Uint8Array {
  const file = openTiff(bytes);
  const main = readDirectory(file, file.firstDirectory, new Set());
  const before = beforeOf(xmpOf(file, main));
  if (!before) return bytes;
  const { length, patches } = before;
  if (length > bytes.length || patches.some(({ at, was }) => at + was.length > length))
    throw new DngError('bad-tag', 'What the file says of itself before does not fit it', main.offset);
  const out = bytes.slice(0, length);
  for (const { at, was } of patches) out.set(was, at);
  return out;
}

interface Patch {
  readonly at: number;
  readonly was: Uint8Array;
}

function beforeWords(length: number, patches: readonly Patch[]): string {
  const hex = (of: Uint8Array) => Array.from(of, (b) => b.toString(16).padStart(2, '0')).join('');
  return [String(length), ...patches.map(({ at, was }) => `${at}:${hex(was)}`)].join(' ');
}

function xmpOf(file: TiffFile, main: Directory): string | undefined {
  const entry = main.entries.get(TAG.XMP);
  if (!entry) return undefined;
  const size = entry.count * TYPE_SIZE[entry.type]!;
  return new TextDecoder().decode(file.bytes.subarray(entry.offset, entry.offset + size));
}

interface NewEntry {
  readonly tag: number;
  readonly type: number;
  readonly count: number;
  /** Values in the file's own order of bytes. */
  readonly bytes: Uint8Array;
}

type Values = readonly number[] | readonly (readonly [number, number])[];

type MakeEntry = (littleEndian: boolean) => NewEntry;

function entryOf(tag: number, type: number, values: Values): MakeEntry {
  return (littleEndian) => {
    const rational = type === TYPE.RATIONAL;
    const size = rational ? 8 : type === TYPE.SHORT ? 2 : 4;
    const view = new DataView(new ArrayBuffer(size * values.length));
    values.forEach((value, i) => {
      if (typeof value !== 'number') {
        view.setUint32(8 * i, value[0], littleEndian);
        view.setUint32(8 * i + 4, value[1], littleEndian);
      } else if (size === 2) view.setUint16(2 * i, value, littleEndian);
      else view.setUint32(4 * i, value, littleEndian);
    });
    return { tag, type, count: values.length, bytes: new Uint8Array(view.buffer) };
  };
}

/** The frame lines as shares of the part that counts, top, left, bottom, right (DNG 1.4, DefaultUserCrop). */
function sayLines(editor: Editor, { inside, part }: NonNullable<Afterwards['lines']>): void {
  const [top, left] = [Math.max(0, inside.y - part.y), Math.max(0, inside.x - part.x)];
  const bottom = Math.min(part.height, inside.y - part.y + inside.height);
  const right = Math.min(part.width, inside.x - part.x + inside.width);
  editor.set(
    'raw',
    entryOf(TAG.DefaultUserCrop, TYPE.RATIONAL, [
      [top, part.height],
      [left, part.width],
      [bottom, part.height],
      [right, part.width],
    ]),
  );
}

interface Editor {
  readonly xmp: string | undefined;
  set(directory: 'main' | 'raw', entry: MakeEntry): void;
  /** @param last an entry of the first directory that is made when all others are known */
  finish(last: (patches: readonly Patch[]) => NewEntry): Uint8Array;
}

function editorOf(before: Uint8Array): Editor {
  const file = openTiff(before);
  const visited = new Set<number>();
  const main = readDirectory(file, file.firstDirectory, visited);
  const changes = { main: new Map<number, NewEntry>(), raw: new Map<number, NewEntry>() };
  const { littleEndian } = file;
  return {
    xmp: xmpOf(file, main),
    set: (directory, make) => {
      const entry = make(littleEndian);
      changes[directory].set(entry.tag, entry);
    },
    finish: (last) => {
      const patches: Patch[] = [];
      const tail: Uint8Array[] = [];
      let end = before.length;
      const append = (bytes: Uint8Array) => {
        const pad = end & 1;
        if (pad) tail.push(new Uint8Array(1));
        const at = end + pad;
        tail.push(bytes);
        end = at + bytes.length;
        return at;
      };
      const point = (at: number, to: number) => {
        const bytes = new Uint8Array(4);
        new DataView(bytes.buffer).setUint32(0, to, littleEndian);
        patches.push({ at, was: before.slice(at, at + 4) });
        pointers.push({ at, bytes });
      };
      const pointers: { at: number; bytes: Uint8Array }[] = [];
      if (changes.raw.size > 0) {
        const found = rawDirectory(file, main, visited);
        if (found.directory === main)
          for (const entry of changes.raw.values()) changes.main.set(entry.tag, entry);
        else {
          const at = append(rebuilt(file, found.directory, changes.raw, append));
          // A single place stands in the entry itself, which moves with its directory.
          if (found.only) changes.main.set(TAG.SubIFDs, entryOf(TAG.SubIFDs, TYPE.LONG, [at])(littleEndian));
          else point(found.pointer!, at);
        }
      }
      // The first directory moves behind the end too: it has one entry more, and a packet that is longer.
      point(4, 0);
      const packet = last(patches);
      changes.main.set(packet.tag, { ...packet, count: packet.bytes.length });
      const at = append(rebuilt(file, main, changes.main, append));
      new DataView(pointers[pointers.length - 1]!.bytes.buffer).setUint32(0, at, littleEndian);
      const out = new Uint8Array(end);
      out.set(before);
      let offset = before.length;
      for (const bytes of tail) {
        out.set(bytes, offset);
        offset += bytes.length;
      }
      for (const { at: where, bytes } of pointers) out.set(bytes, where);
      return out;
    },
  };
}

const RAW_KINDS: readonly (number | undefined)[] = [PHOTOMETRIC.cfa, PHOTOMETRIC.linearRaw];

/** Where the raw image's directory is, and where in the file its place stands. */
function rawDirectory(
  file: TiffFile,
  main: Directory,
  visited: Set<number>,
): { directory: Directory; pointer?: number; only: boolean } {
  const isRaw = (directory: Directory) =>
    RAW_KINDS.includes(number(file, directory, TAG.PhotometricInterpretation));
  if (isRaw(main)) return { directory: main, only: false };
  const places = (wholeNumbers(file, main, TAG.SubIFDs) ?? []).slice(0, 16);
  const entry = main.entries.get(TAG.SubIFDs);
  for (const [i, place] of places.entries()) {
    const directory = readDirectory(file, place, visited);
    if (isRaw(directory)) return { directory, pointer: entry!.offset + 4 * i, only: entry!.count === 1 };
  }
  throw new DngError('no-raw', 'The file holds no raw image whose framing could be changed', main.offset);
}

/** A directory written anew: entries that stay point where they did. */
function rebuilt(
  { view, bytes, littleEndian }: TiffFile,
  { offset, next }: Directory,
  changes: ReadonlyMap<number, NewEntry>,
  append: (bytes: Uint8Array) => number,
): Uint8Array {
  const count = view.getUint16(offset, littleEndian);
  const entries = new Map<number, Uint8Array>();
  for (let i = 0; i < count; i++) {
    const at = offset + 2 + 12 * i;
    entries.set(view.getUint16(at, littleEndian), bytes.slice(at, at + 12));
  }
  for (const { tag, type, count: values, bytes: content } of changes.values()) {
    const entry = new Uint8Array(12);
    const out = new DataView(entry.buffer);
    out.setUint16(0, tag, littleEndian);
    out.setUint16(2, type, littleEndian);
    out.setUint32(4, values, littleEndian);
    if (content.length <= 4) entry.set(content, 8);
    else out.setUint32(8, append(content), littleEndian);
    entries.set(tag, entry);
  }
  const sorted = [...entries].sort(([a], [b]) => a - b);
  const out = new Uint8Array(2 + 12 * sorted.length + 4);
  const put = new DataView(out.buffer);
  put.setUint16(0, sorted.length, littleEndian);
  sorted.forEach(([, entry], i) => out.set(entry, 2 + 12 * i));
  put.setUint32(2 + 12 * sorted.length, next, littleEndian);
  return out;
}
