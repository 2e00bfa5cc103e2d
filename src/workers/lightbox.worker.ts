// The lightbox: opens files, develops them, and holds a few of them open at once.
import * as Comlink from 'comlink';
import { reportOf, type CheckReport } from '../core/dng/check';
import { rawFrameOf } from '../core/dng/file-frame';
import { readDng } from '../core/dng/read';
import { digestOf } from '../core/frame/digest';
import type { FileEntry, FrameRecord } from '../core/frame/record';
import { developerFor, developReduced, developRegion, type Region } from '../core/raw/develop';
import { countSites } from '../core/raw/statistics';
import { pictureHistogram, type PictureHistogram } from '../core/scopes/picture-histogram';
import { stopline, type Stopline } from '../core/scopes/stopline';
import type { RawImage } from '../core/sensor/raw-frame';
import { isUnknown } from '../core/units/known';
import { rollReader } from '../vault/reader';
import { watched } from './alive';
import { fetchWhole } from './fetch-whole';

export interface OpenedFile {
  readonly check: CheckReport;
  readonly stopline: Stopline;
  /** False when the file is not the one that was saved: its hash differs. null where no hash was kept. */
  readonly asSaved: boolean | null;
}

export interface FitPicture {
  readonly bitmap: ImageBitmap;
  readonly histogram: PictureHistogram;
}

/** Numbers of all open frames together, at most: a frame of 12 MP has 12 million, of two bytes each. */
const MOST_SAMPLES = 50_000_000;

const reader = rollReader();
/** The one used last comes last. */
const open = new Map<string, RawImage>();

const api = {
  ...watched(),

  /** Opens a frame's file. @throws DngError when it is broken, Error when it is not there */
  async open({ id, files, place }: Pick<FrameRecord, 'id' | 'files' | 'place'>): Promise<OpenedFile> {
    const entry = files.find(({ format }) => format === 'dng');
    if (!entry) throw new Error('This frame has no raw file');
    const bytes = await bytesOf(id, entry, place);
    const raw = readDng(bytes);
    const frame = rawFrameOf(raw);
    keep(id, frame);
    return {
      check: reportOf(raw),
      stopline: stopline(countSites(frame)),
      asSaved: isUnknown(entry.sha256) ? null : (await digestOf(bytes)) === entry.sha256,
    };
  },

  /** An open frame, developed to fit into width × height. */
  async fit(id: string, width: number, height: number): Promise<FitPicture> {
    const frame = frameOf(id);
    const scale = Math.min(width / frame.width, height / frame.height, 0.5);
    const size = {
      width: Math.max(1, Math.round(frame.width * scale)),
      height: Math.max(1, Math.round(frame.height * scale)),
    };
    const rgba = developReduced(frame, size.width, size.height) as Uint8ClampedArray<ArrayBuffer>;
    const histogram = pictureHistogram(rgba);
    const bitmap = await createImageBitmap(new ImageData(rgba, size.width, size.height));
    return Comlink.transfer({ bitmap, histogram }, [bitmap]);
  },

  /** A region of an open frame at one picture pixel a site. */
  async region(id: string, region: Region): Promise<ImageBitmap> {
    const frame = frameOf(id);
    const rgba = new Uint8ClampedArray(region.width * region.height * 4);
    developRegion(frame, developerFor(frame), region, rgba);
    const bitmap = await createImageBitmap(new ImageData(rgba, region.width, region.height));
    return Comlink.transfer(bitmap, [bitmap]);
  },

  /** The file itself, for download. */
  async file(id: string, entry: FileEntry, place: FrameRecord['place']): Promise<Uint8Array> {
    const bytes = await bytesOf(id, entry, place);
    return Comlink.transfer(bytes, [bytes.buffer as ArrayBuffer]);
  },
};

export type LightboxApi = typeof api;

async function bytesOf(id: string, { format }: FileEntry, place: FrameRecord['place']): Promise<Uint8Array> {
  if (place.kind === 'stored') return reader.file(id, format);
  return fetchWhole(place.url, { what: 'The file' });
}

/** Keeps a frame open, and lets those go that were not used for longest when all together are too large. */
function keep(id: string, frame: RawImage): void {
  open.delete(id);
  open.set(id, frame);
  let samples = [...open.values()].reduce((sum, { data }) => sum + data.length, 0);
  for (const [other, { data }] of open) {
    if (samples <= MOST_SAMPLES || other === id) break;
    open.delete(other);
    samples -= data.length;
  }
}

function frameOf(id: string): RawImage {
  const frame = open.get(id);
  if (!frame) throw new Error('This frame is not open');
  keep(id, frame);
  return frame;
}

Comlink.expose(api);
