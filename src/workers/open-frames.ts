// Frames that are held open: opened once, looked at many times. The ones that were not used for longest are let go when all together are too large.
import { readDng, type DngRaw } from '../core/dng/read';
import { rawFrameOf } from '../core/dng/file-frame';
import { readTiff16, type Picture16 } from '../core/formats/tiff';
import type { FrameRecord } from '../core/frame/record';
import { lookedAt, type Look } from '../core/review/view';
import type { LinearImage } from '../core/sensor/rgb-image';
import type { Format } from '../core/setting/files';
import type { RollReader } from '../vault/reader';
import { frameFile } from './frame-file';

/** A finished picture, decoded by the browser and turned as its Exif asks. */
export interface Decoded {
  readonly layout: 'picture';
  readonly bitmap: ImageBitmap;
}

export interface OpenFrame {
  /** What is shown. */
  readonly shown: LinearImage | Decoded;
  /** Linear numbers of its files, where they have some. */
  readonly raw: DngRaw | null;
  readonly linear: LinearImage | null;
  /** Its files as they came, until they have been looked through. */
  files: Files | null;
}

/** What has to be known of a frame to open it. */
export type ToOpen = Pick<FrameRecord, 'id' | 'files' | 'place' | 'image'>;

/** Numbers of all open frames together, at most: a frame of 12 MP has 12 million, of two bytes each. */
const MOST_SAMPLES = 60_000_000;
/** Frames whose files wait to be opened: the one that is seen, and what lies on either side of it. */
const MOST_READ = 3;

export function openFrames(reader: RollReader) {
  /** The one used last comes last. */
  const open = new Map<string, OpenFrame>();
  /** The frame that was last looked at in another way than as it is, and how. */
  const looks = new Map<
    string,
    { readonly from: LinearImage; readonly key: string; readonly to: LinearImage }
  >();

  let turn: Promise<unknown> = Promise.resolve();
  /** One after the other: two of the same file are read once, and two of different ones are not both half-way in memory. */
  function inTurn<T>(act: () => Promise<T>): Promise<T> {
    const next = turn.then(act);
    turn = next.catch(() => undefined);
    return next;
  }

  /** Files that were read, or are being read, for opening them next. The one asked for last comes last. */
  const read = new Map<string, Promise<Files>>();
  function filesOf(record: ToOpen): Promise<Files> {
    const { id } = record;
    const files = read.get(id) ?? readFiles(reader, record);
    read.delete(id);
    read.set(id, files);
    // What did not come is asked for anew.
    files.catch(() => read.get(id) === files && read.delete(id));
    // Whoever went on to another frame does not come back for these.
    for (const other of read.keys()) if (read.size > MOST_READ) read.delete(other);
    return files;
  }

  return {
    open: opened,
    /** Its raw file as it came; null where it has none, or is open already. */
    rawFile: (record: ToOpen) =>
      inTurn(async () => {
        if (open.has(record.id)) return null;
        return (await filesOf(record)).find(({ format }) => format === 'dng')?.bytes ?? null;
      }),
    /** Reads a frame's files ahead of its opening. Whether they come is told when it is opened. */
    ahead: (record: ToOpen) => {
      if (!open.has(record.id)) filesOf(record).catch(() => undefined);
    },
    look,
    /** What was read of its raw file, if it is open. */
    rawOf: (id: string) => open.get(id)?.raw ?? null,
  };

  /** @throws DngError when a file is broken, Error when one is not there */
  function opened(record: ToOpen): Promise<OpenFrame> {
    return inTurn(async () => {
      const frame = open.get(record.id) ?? (await opening(record, await filesOf(record)));
      read.delete(record.id);
      keep(record.id, frame);
      return frame;
    });
  }

  /** @throws Error for one that is not open, or not any more */
  function frameOf(id: string): OpenFrame {
    const frame = open.get(id);
    if (!frame) throw new Error('This frame is not open');
    keep(id, frame);
    return frame;
  }

  function look(id: string, how: Look): LinearImage | Decoded {
    const { shown } = frameOf(id);
    if (shown.layout === 'picture') return shown;
    const key = JSON.stringify(how);
    const last = looks.get(id);
    if (last?.from === shown && last.key === key) return last.to;
    const to = lookedAt(shown, how);
    looks.set(id, { from: shown, key, to });
    return to;
  }

  function keep(id: string, frame: OpenFrame): void {
    open.delete(id);
    open.set(id, frame);
    let samples = [...open.values()].reduce((sum, other) => sum + samplesOf(other), 0);
    for (const [other, kept] of open) {
      if (samples <= MOST_SAMPLES || other === id) break;
      samples -= samplesOf(kept);
      open.delete(other);
      looks.delete(other);
      if (kept.shown.layout === 'picture') kept.shown.bitmap.close();
    }
  }
}

/** A decoded pixel has four bytes: two numbers' worth. */
function samplesOf({ shown, linear }: OpenFrame): number {
  const picture = shown.layout === 'picture' ? 2 * shown.bitmap.width * shown.bitmap.height : 0;
  return picture + (linear?.data.length ?? 0);
}

type Files = readonly { readonly format: Format; readonly bytes: Uint8Array }[];

async function readFiles(reader: RollReader, { id, files, place }: ToOpen): Promise<Files> {
  const whole: { format: Format; bytes: Uint8Array }[] = [];
  for (const entry of files)
    whole.push({ format: entry.format, bytes: await frameFile(reader, { id, place }, entry) });
  return whole;
}

async function opening({ image }: ToOpen, files: Files): Promise<OpenFrame> {
  let raw: DngRaw | null = null;
  let linear: LinearImage | null = null;
  let shown: OpenFrame['shown'] | undefined;
  for (const { format, bytes } of files) {
    if (format === 'dng') {
      raw = readDng(bytes);
      linear = rawFrameOf(raw);
      // Raw can be developed anew, whatever picture was made of it.
      if (shown === undefined || image.kind === 'mosaic') shown = linear;
    } else if (shown === undefined || image.kind === 'rgb') {
      shown = { layout: 'picture', bitmap: await decoded(bytes, format) };
    }
  }
  if (!shown) throw new Error('This frame has no file that can be shown');
  return { shown, raw, linear, files };
}

/** @throws Error for what the browser cannot decode */
async function decoded(bytes: Uint8Array, format: Format): Promise<ImageBitmap> {
  try {
    if (format === 'tiff') return await createImageBitmap(eightBits(readTiff16(bytes)));
    return await createImageBitmap(new Blob([bytes as Uint8Array<ArrayBuffer>], { type: `image/${format}` }));
  } catch {
    throw new Error(`The ${format.toUpperCase()} of this frame is broken`);
  }
}

/** As much of it as a screen shows. */
function eightBits({ width, height, rgb }: Picture16): ImageData {
  const rgba = new Uint8ClampedArray(4 * width * height);
  for (let i = 0, o = 0; i < rgb.length; i += 3, o += 4) {
    for (let c = 0; c < 3; c++) rgba[o + c] = rgb[i + c]! >> 8;
    rgba[o + 3] = 255;
  }
  return new ImageData(rgba, width, height);
}
