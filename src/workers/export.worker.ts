// The exporter: makes files of frames and hands them over one by one, or as pieces of a ZIP; and looks into archives that come in. It is a
// worker of its own, so that frames can be looked at, and taken, meanwhile.
import { makeZip } from 'client-zip';
import * as Comlink from 'comlink';
import type { ArchiveIndex } from '../core/frame/archive';
import { exportedFiles, type ExportChoice, type ExportedFile, type StoredFile } from '../core/frame/export';
import { eachOnce, nameBy } from '../core/frame/file-name';
import type { FrameRecord } from '../core/frame/record';
import { exifOfJpeg, jpegFacts, withFacts } from '../core/formats/jpeg';
import { rollReader } from '../vault/reader';
import { watched } from './alive';
import { archiveIndex } from './archive';
import { encodeJpeg } from './encode-jpeg';
import { frameFile } from './frame-file';

export interface ExportAsk {
  readonly choice: ExportChoice;
  /** With the names of their rolls, for names that tell them. */
  readonly frames: readonly { readonly record: FrameRecord; readonly roll: string }[];
}

/** A piece of a ZIP; null after the last. */
export interface ExportPiece {
  readonly bytes: Uint8Array | null;
  /** Frames that were come to so far. */
  readonly done: number;
  /** Names of frames that could not be exported, and why. */
  readonly failed: readonly { readonly name: string; readonly why: string }[];
}

export interface ExportedNamed {
  readonly name: string;
  readonly bytes: Uint8Array;
}

const reader = rollReader();

interface Running {
  readonly pieces: ReadableStreamDefaultReader<Uint8Array>;
  done: number;
  readonly failed: { name: string; why: string }[];
}
let running: Running | undefined;

const api = {
  ...watched(),

  /** The files of one frame. @throws Error in words for people for what cannot be made of it */
  async one(ask: ExportAsk): Promise<ExportedNamed[]> {
    const [name] = namesOf(ask);
    const files = await made(ask.frames[0]!.record, ask.choice);
    const named = files.map(({ ending, bytes }) => ({ name: `${name}.${ending}`, bytes }));
    return Comlink.transfer(named, [...new Set(named.map(({ bytes }) => bytes.buffer as ArrayBuffer))]);
  },

  /** Begins a ZIP of many; one that was begun before is given up. Its pieces are asked for one by one. */
  async begin(ask: ExportAsk): Promise<void> {
    await running?.pieces.cancel();
    const state = { done: 0, failed: [] as Running['failed'] };
    running = Object.assign(state, { pieces: makeZip(entries(ask, state)).getReader() });
  },

  async next(): Promise<ExportPiece> {
    if (!running) throw new Error('No export was begun');
    const { value, done } = await running.pieces.read();
    const piece: ExportPiece = {
      bytes: done ? null : value,
      done: running.done,
      failed: done ? running.failed : [],
    };
    const own = piece.bytes && piece.bytes.byteLength === piece.bytes.buffer.byteLength;
    return own ? Comlink.transfer(piece, [piece.bytes.buffer as ArrayBuffer]) : piece;
  },

  async end(): Promise<void> {
    await running?.pieces.cancel();
    running = undefined;
  },

  /** What an archive of a roll holds. @throws Error in words for people for what is none */
  archiveIndex: (file: Blob): Promise<ArchiveIndex> =>
    archiveIndex(async (from, to) => new Uint8Array(await file.slice(from, to).arrayBuffer()), file.size),
};

export type ExporterApi = typeof api;

async function* entries(ask: ExportAsk, state: { done: number; failed: Running['failed'] }) {
  const names = namesOf(ask);
  for (const [i, { record }] of ask.frames.entries()) {
    const lastModified = new Date(record.timeMs);
    let files: ExportedFile[] = [];
    try {
      files = await made(record, ask.choice);
    } catch (error) {
      state.failed.push({ name: names[i]!, why: error instanceof Error ? error.message : String(error) });
    }
    for (const { ending, bytes } of files)
      yield { name: `${names[i]}.${ending}`, input: bytes, lastModified };
    state.done = i + 1;
  }
}

function namesOf({ choice, frames }: ExportAsk): string[] {
  return eachOnce(
    frames.map(({ record, roll }, index) =>
      nameBy(choice.pattern, { frame: record, roll, index, of: frames.length }),
    ),
  );
}

async function made(record: FrameRecord, choice: ExportChoice): Promise<ExportedFile[]> {
  const files: StoredFile[] = [];
  for (const entry of record.files)
    files.push({ format: entry.format, bytes: await frameFile(reader, record, entry) });
  return exportedFiles(record, files, choice, encodeJpeg, recode);
}

/** A finished picture coded anew by the browser: a JPEG keeps what its Exif told. */
async function recode(
  { format, bytes }: StoredFile,
  kind: 'jpeg' | 'png',
  quality: number,
  smaller: number,
): Promise<Uint8Array> {
  const blob = new Blob([bytes as Uint8Array<ArrayBuffer>], { type: `image/${format}` });
  const bitmap = await createImageBitmap(blob).catch(() => {
    throw new Error(`The browser cannot decode its ${format.toUpperCase()}`);
  });
  const [width, height] = [bitmap.width, bitmap.height].map((side) =>
    Math.max(1, Math.round(side / smaller)),
  );
  const canvas = new OffscreenCanvas(width!, height!);
  const context = canvas.getContext('2d')!;
  context.imageSmoothingQuality = 'high';
  context.drawImage(bitmap, 0, 0, width!, height!);
  bitmap.close();
  const coded = await canvas.convertToBlob({ type: `image/${kind}`, quality: quality / 100 });
  const out = new Uint8Array(await coded.arrayBuffer());
  if (kind !== 'jpeg' || format !== 'jpeg') return out;
  const exif = exifOfJpeg(bytes);
  const { xmp, orientation } = jpegFacts(bytes);
  // The bitmap stands upright already: Exif that asks for a turn would turn it twice.
  if (!exif || orientation !== 1) return out;
  return withFacts(out, bytes.slice(exif.from, exif.to), new TextEncoder().encode(xmp ?? ''));
}

Comlink.expose(api);
