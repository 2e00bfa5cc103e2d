// The lightbox: opens files, develops them, and holds a few of them open at once.
import * as Comlink from 'comlink';
import { colourOfWhite } from '../core/colour/camera';
import type { WhitePoint } from '../core/colour/temperature';
import { reportOf, type CheckReport } from '../core/dng/check';
import { rawFrameOf } from '../core/dng/file-frame';
import { readDng } from '../core/dng/read';
import { withWhite } from '../core/dng/rewhite';
import { digestOf } from '../core/frame/digest';
import type { FileEntry, FrameRecord } from '../core/frame/record';
import { readTiff16, type Picture16 } from '../core/formats/tiff';
import { pictureOfRegion, pictureReduced } from '../core/raw/develop-image';
import { seenSize, type Rectangle } from '../core/raw/shown';
import { countImage } from '../core/raw/statistics';
import { pictureHistogram, type PictureHistogram } from '../core/scopes/picture-histogram';
import { stopline, type Stopline } from '../core/scopes/stopline';
import type { LinearImage } from '../core/sensor/rgb-image';
import type { Format } from '../core/setting/files';
import { isUnknown } from '../core/units/known';
import { rollReader } from '../vault/reader';
import { watched } from './alive';
import { encodeJpeg } from './encode-jpeg';
import { frameFile } from './frame-file';

export interface OpenedFile {
  /** Of its linear numbers, raw or made from a picture; null for a frame that is a picture only. */
  readonly linear: { readonly check: CheckReport; readonly stopline: Stopline } | null;
  /** False when a file is not the one that was saved: its hash differs. null where no hash was kept. */
  readonly asSaved: boolean | null;
}

export interface FitPicture {
  readonly bitmap: ImageBitmap;
  readonly histogram: PictureHistogram;
}

/** A finished picture, decoded by the browser and turned as its Exif asks. */
interface Decoded {
  readonly layout: 'picture';
  readonly bitmap: ImageBitmap;
}

type OpenFrame = LinearImage | Decoded;

/** How an open frame is looked at. */
export interface Look {
  /** Another white than its file's; null for that. */
  readonly white: WhitePoint | null;
  /** True for all that raw holds, not only what is inside its crop and its frame lines. */
  readonly whole: boolean;
}

/** Numbers of all open frames together, at most: a frame of 12 MP has 12 million, of two bytes each. */
const MOST_SAMPLES = 50_000_000;

/** Long side of a thumbnail, pixels. */
const THUMBNAIL_SIDE = 320;

const reader = rollReader();
/** The one used last comes last. */
const open = new Map<string, OpenFrame>();

const api = {
  ...watched(),

  /** Opens a frame's files. What is shown is raw, developed; of a frame without it its finished picture. @throws DngError when one is broken, Error when one is not there */
  async open({
    id,
    files,
    place,
    image: { kind },
  }: Pick<FrameRecord, 'id' | 'files' | 'place' | 'image'>): Promise<OpenedFile> {
    let linear: OpenedFile['linear'] = null;
    let shown: OpenFrame | undefined;
    const asSaved: (boolean | null)[] = [];
    for (const entry of files) {
      const bytes = await frameFile(reader, { id, place }, entry);
      asSaved.push(isUnknown(entry.sha256) ? null : (await digestOf(bytes)) === entry.sha256);
      if (entry.format === 'dng') {
        const raw = readDng(bytes);
        const image = rawFrameOf(raw);
        linear = { check: reportOf(raw), stopline: stopline(countImage(image)) };
        shown ??= image;
        // Raw can be developed anew, whatever picture was made of it.
        if (kind === 'mosaic') shown = image;
      } else if (shown === undefined || kind === 'rgb') {
        shown = { layout: 'picture', bitmap: await decoded(bytes, entry.format) };
      }
    }
    if (!shown) throw new Error('This frame has no file that can be shown');
    keep(id, shown);
    return { linear, asSaved: asSaved.includes(false) ? false : asSaved.includes(null) ? null : true };
  },

  /** An open frame, developed to fit into width × height. */
  async fit(id: string, width: number, height: number, look: Look): Promise<FitPicture> {
    const frame = lookedAt(id, look);
    const whole = frame.layout === 'picture' ? frame.bitmap : seenSize(frame);
    // A mosaic's cell is the least that a pixel can stand for.
    const most = frame.layout === 'cfa' ? 0.5 : 1;
    const scale = Math.min(width / whole.width, height / whole.height, most);
    const size = {
      width: Math.max(1, Math.round(whole.width * scale)),
      height: Math.max(1, Math.round(whole.height * scale)),
    };
    const rgba =
      frame.layout === 'picture'
        ? drawn(frame.bitmap, { x: 0, y: 0, width: whole.width, height: whole.height }, size)
        : pictureReduced(frame, size.width, size.height);
    const histogram = pictureHistogram(rgba);
    const bitmap = await createImageBitmap(new ImageData(rgba, size.width, size.height));
    return Comlink.transfer({ bitmap, histogram }, [bitmap]);
  },

  /** A region of an open frame at one picture pixel a site. */
  async region(id: string, region: Rectangle, look: Look): Promise<ImageBitmap> {
    const frame = lookedAt(id, look);
    const rgba =
      frame.layout === 'picture' ? drawn(frame.bitmap, region, region) : pictureOfRegion(frame, region);
    const bitmap = await createImageBitmap(new ImageData(rgba, region.width, region.height));
    return Comlink.transfer(bitmap, [bitmap]);
  },

  /** A small picture of an open frame, as JPEG. */
  async thumbnail(id: string, white: WhitePoint | null): Promise<Uint8Array> {
    const frame = lookedAt(id, { white, whole: false });
    if (frame.layout === 'picture') throw new Error('A finished picture has the white that it has');
    const whole = seenSize(frame);
    const scale = THUMBNAIL_SIDE / Math.max(whole.width, whole.height);
    const [width, height] = [Math.round(whole.width * scale), Math.round(whole.height * scale)];
    const jpeg = await encodeJpeg(pictureReduced(frame, width, height), width, height);
    return Comlink.transfer(jpeg, [jpeg.buffer as ArrayBuffer]);
  },

  /** The file itself, for download; with another white in its tags where one is asked for. */
  async file(
    id: string,
    entry: FileEntry,
    place: FrameRecord['place'],
    white: WhitePoint | null,
  ): Promise<Uint8Array> {
    const stored = await frameFile(reader, { id, place }, entry);
    const bytes =
      white && entry.format === 'dng'
        ? withWhite(stored, colourOfWhite(rawFrameOf(readDng(stored)).colour.matrices, white).asShotNeutral)
        : stored;
    return Comlink.transfer(bytes, [bytes.buffer as ArrayBuffer]);
  },
};

export type LightboxApi = typeof api;

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

/** A region of a decoded picture, scaled. */
function drawn(
  bitmap: ImageBitmap,
  { x, y, width, height }: Rectangle,
  size: { width: number; height: number },
): Uint8ClampedArray<ArrayBuffer> {
  const context = new OffscreenCanvas(size.width, size.height).getContext('2d')!;
  context.imageSmoothingQuality = 'high';
  context.drawImage(bitmap, x, y, width, height, 0, 0, size.width, size.height);
  return context.getImageData(0, 0, size.width, size.height).data;
}

/** A decoded pixel has four bytes: two numbers' worth. */
function samplesOf(frame: OpenFrame): number {
  return frame.layout === 'picture' ? 2 * frame.bitmap.width * frame.bitmap.height : frame.data.length;
}

/** Keeps a frame open, and lets those go that were not used for longest when all together are too large. */
function keep(id: string, frame: OpenFrame): void {
  letGo(id, frame);
  open.set(id, frame);
  let samples = [...open.values()].reduce((sum, other) => sum + samplesOf(other), 0);
  for (const [other, kept] of open) {
    if (samples <= MOST_SAMPLES || other === id) break;
    samples -= samplesOf(kept);
    letGo(other);
  }
}

/** @param unless the same frame, that is to stay open */
function letGo(id: string, unless?: OpenFrame): void {
  const frame = open.get(id);
  open.delete(id);
  if (frame?.layout === 'picture' && frame !== unless) frame.bitmap.close();
}

/** The open frame that was last looked at in another way than as it is, and how. */
let looked: { from: OpenFrame; key: string; to: LinearImage } | undefined;

function lookedAt(id: string, look: Look): OpenFrame {
  const frame = frameOf(id);
  const { white, whole } = look;
  if (frame.layout === 'picture' || (!white && !whole)) return frame;
  const key = JSON.stringify(look);
  if (looked?.from !== frame || looked.key !== key) {
    const to: LinearImage = {
      ...frame,
      ...(white && { colour: colourOfWhite(frame.colour.matrices, white) }),
      ...(whole && { crop: undefined, userCrop: undefined }),
    };
    looked = { from: frame, key, to };
  }
  return looked.to;
}

function frameOf(id: string): OpenFrame {
  const frame = open.get(id);
  if (!frame) throw new Error('This frame is not open');
  keep(id, frame);
  return frame;
}

Comlink.expose(api);
