// The lightbox: opens files, develops them, compares them, and holds a few of them open at once.
import * as Comlink from 'comlink';
import { reportOf, type CheckReport } from '../core/dng/check';
import { previewOf } from '../core/dng/preview';
import { leavingDng } from '../core/frame/leaving';
import type { FileEntry, FrameRecord } from '../core/frame/record';
import { digestOf } from '../core/frame/digest';
import { pictureReduced } from '../core/raw/develop-image';
import { framingOf, storedIn } from '../core/raw/framing';
import { ownReframe, type Reframe } from '../core/raw/reframe';
import type { LinearImage } from '../core/sensor/rgb-image';
import { seenSize, seenStep, turned, type Rectangle } from '../core/raw/shown';
import { countImage } from '../core/raw/statistics';
import {
  lightBetween,
  movedBetween,
  numbersBetween,
  placeFigures,
  steeper,
  type Moved,
  type Numbers,
  type PlaceFigures,
} from '../core/review/difference';
import { viewFigures, viewPixels, type Clipping, type Look, type ViewPixels } from '../core/review/view';
import type { View } from '../core/review/clip-marks';
import { drawMarks, markPicture, type MarkColours } from '../core/scopes/marks';
import { pictureHistogram, type PictureHistogram } from '../core/scopes/picture-histogram';
import { stopline, type Stopline } from '../core/scopes/stopline';
import { isUnknown, type Known } from '../core/units/known';
import { rollReader } from '../vault/reader';
import { watched } from './alive';
import { encodeJpeg } from './encode-jpeg';
import { frameFile } from './frame-file';
import { openFrames, type Decoded, type OpenFrame, type ToOpen } from './open-frames';

/** What is known of a frame as soon as it is open. */
export interface Opened {
  /** Raw numbers, three linear components, or a finished picture. */
  readonly kind: 'cfa' | 'rgb' | 'picture';
  /** Size of what its file says is to be seen. */
  readonly seen: { readonly width: number; readonly height: number };
  /** Of linear numbers: how the file frames them, and the part of them that counts. */
  readonly framing: { readonly own: Reframe; readonly part: Rectangle } | null;
}

/** What looking through its files tells. */
export interface OpenedFile {
  /** Of its linear numbers, raw or made from a picture; null for a frame that is a picture only. */
  readonly linear: { readonly check: CheckReport; readonly stopline: Stopline } | null;
  /** False when a file is not the one that was saved: its hash differs. null where no hash was kept. */
  readonly asSaved: boolean | null;
}

export interface ViewAsk extends View {
  readonly clipping: Clipping;
  readonly colours: MarkColours;
  /** True for the histogram of these pixels too. */
  readonly tones: boolean;
}

export interface Viewed {
  readonly bitmap: ImageBitmap;
  readonly histogram: PictureHistogram | null;
}

export interface Figures {
  /** null for a picture that has no linear numbers. */
  readonly stopline: Stopline | null;
  readonly histogram: PictureHistogram;
}

/** The second frame against the first; what cannot be known says why. */
export interface Compared {
  readonly numbers: Known<Numbers>;
  /** As it is seen. */
  readonly moved: Known<Moved>;
  readonly lightEv: Known<number>;
  readonly places: readonly [Known<PlaceFigures>, Known<PlaceFigures>];
  readonly steeper: Known<{ readonly times: number; readonly error: number }>;
}

/** Long side of a thumbnail, pixels. */
const THUMBNAIL_SIDE = 320;

const reader = rollReader();
const frames = openFrames(reader);

const api = {
  ...watched(),

  /** The picture that a raw file carries, for the time until it is open; null where there is none, or nothing to wait for. */
  async preview(record: ToOpen): Promise<ImageBitmap | null> {
    const bytes = await frames.rawFile(record);
    const found = bytes && previewOf(bytes);
    if (!found) return null;
    const flat = await createImageBitmap(new Blob([found.jpeg as Uint8Array<ArrayBuffer>]));
    const size = { width: flat.width, height: flat.height };
    const rgba = drawn(flat, { x: 0, y: 0, ...size }, size);
    const lies = found.orientation < 5;
    const upright = new ImageData(
      turned(rgba, size, found.orientation),
      lies ? size.width : size.height,
      lies ? size.height : size.width,
    );
    const bitmap = await createImageBitmap(upright);
    return Comlink.transfer(bitmap, [bitmap]);
  },

  /** Frames that may be wanted next: their files are read, so that they can be seen at once. */
  async ahead(records: readonly ToOpen[]): Promise<void> {
    records.forEach(frames.ahead);
  },

  /**
   * Opens a frame's files. What is shown is raw, developed; of a frame without it its finished picture.
   * @throws DngError when one is broken, Error when one is not there
   */
  async open(record: ToOpen): Promise<Opened> {
    const { shown } = await frames.open(record);
    if (shown.layout === 'picture')
      return {
        kind: 'picture',
        seen: { width: shown.bitmap.width, height: shown.bitmap.height },
        framing: null,
      };
    return {
      kind: shown.layout,
      seen: seenSize(shown),
      framing: { own: ownReframe(shown), part: framingOf(shown).part },
    };
  },

  /** What an open frame's files hold: looked through once it can be seen. */
  async facts(record: ToOpen): Promise<OpenedFile> {
    const frame = await frames.open(record);
    let facts = looked.get(frame);
    if (!facts) looked.set(frame, (facts = factsOf(frame, record)));
    return facts;
  },

  /** Pixels of a region of an open frame: as many as it has, or at most half as many in each direction. */
  async view(id: string, ask: ViewAsk, look: Look): Promise<Viewed> {
    const { width, height, rgba, histogram } = pixelsOf(id, ask, look);
    const bitmap = await createImageBitmap(new ImageData(rgba, width, height));
    return Comlink.transfer({ bitmap, histogram }, [bitmap]);
  },

  /** Size of what is seen of an open frame, looked at so. */
  async size(id: string, look: Look): Promise<Opened['seen']> {
    const shown = frames.look(id, { ...look, channel: null });
    return shown.layout === 'picture'
      ? { width: shown.bitmap.width, height: shown.bitmap.height }
      : seenSize(shown);
  },

  /** Raw and picture of a region by their tones. */
  async figures(id: string, region: Rectangle, look: Look): Promise<Figures> {
    const shown = frames.look(id, { ...look, channel: null });
    if (shown.layout !== 'picture') return viewFigures(shown, region);
    const by = Math.max(1, Math.max(region.width, region.height) / 1200);
    const size = { width: Math.ceil(region.width / by), height: Math.ceil(region.height / by) };
    return { stopline: null, histogram: pictureHistogram(drawn(shown.bitmap, region, size)) };
  },

  /** A small picture of an open frame, as JPEG. */
  async thumbnail(id: string, look: Look): Promise<Uint8Array> {
    const shown = frames.look(id, look);
    if (shown.layout === 'picture') throw new Error('A finished picture is as it is');
    const whole = seenSize(shown);
    const scale = Math.min(THUMBNAIL_SIDE / Math.max(whole.width, whole.height), 0.5);
    const [width, height] = [whole.width, whole.height].map((side) => Math.max(1, Math.round(side * scale)));
    const jpeg = await encodeJpeg(pictureReduced(shown, width!, height!), width!, height!);
    return Comlink.transfer(jpeg, [jpeg.buffer as ArrayBuffer]);
  },

  /**
   * The second frame against the first.
   * @param at the place looked at, shares of what is seen of the first
   */
  async compare(
    first: ToOpen,
    second: ToOpen,
    looks: readonly [Look, Look],
    at: { readonly x: number; readonly y: number },
  ): Promise<Compared> {
    const [a, b] = [(await frames.open(first)).linear, (await frames.open(second)).linear];
    const none = { unknown: 'linear numbers are not in both' };
    if (!a || !b) return { numbers: none, moved: none, lightEv: none, places: [none, none], steeper: none };
    const placeIn = (image: LinearImage, { id }: ToOpen, look: Look) => {
      const shown = frames.look(id, look);
      const framing = framingOf(shown.layout === 'picture' ? image : shown);
      const { width, height } = framing.seen;
      return storedIn(framing, { x: at.x * width, y: at.y * height, width: 0, height: 0 });
    };
    const [from, to] = [placeIn(a, first, looks[0]), placeIn(b, second, looks[1])];
    const moved = movedBetween(a, b, from);
    const places = [
      placeFigures(a, from, { image: b, at: to }),
      placeFigures(b, to, { image: a, at: from }),
    ] as const;
    const unknown = places.find(isUnknown);
    const turn = looks[0].reframe?.orientation ?? a.orientation ?? 1;
    const step = isUnknown(moved) ? null : seenStep([moved.dx, moved.dy], turn);
    return {
      numbers: numbersBetween(a, b),
      moved: step ? { dx: step[0], dy: step[1] } : moved,
      lightEv: lightBetween(a, b, moved),
      places,
      steeper: unknown ?? steeper(places[0] as PlaceFigures, places[1] as PlaceFigures),
    };
  },

  /** A file as it leaves the program: raw with what was said of it since, in its tags; any other as it is stored. */
  async file({ format }: FileEntry, record: FrameRecord): Promise<Uint8Array> {
    const stored = await frameFile(reader, record, { format });
    const bytes = format === 'dng' ? leavingDng(stored, record, frames.rawOf(record.id)) : stored;
    return Comlink.transfer(bytes, [bytes.buffer as ArrayBuffer]);
  },
};

export type LightboxApi = typeof api;

/** What was found in the files of frames that are open. */
const looked = new WeakMap<OpenFrame, Promise<OpenedFile>>();

async function factsOf(frame: OpenFrame, { files }: ToOpen): Promise<OpenedFile> {
  const asSaved: (boolean | null)[] = [];
  for (const { format, sha256 } of files) {
    const found = frame.files?.find((file) => file.format === format);
    asSaved.push(!found || isUnknown(sha256) ? null : (await digestOf(found.bytes)) === sha256);
  }
  // They are of no more use, and large.
  frame.files = null;
  const { raw, linear } = frame;
  return {
    linear: raw && linear && { check: reportOf(raw), stopline: stopline(countImage(linear)) },
    asSaved: asSaved.includes(false) ? false : asSaved.includes(null) ? null : true,
  };
}

function pixelsOf(id: string, ask: ViewAsk, look: Look): ViewPixels {
  const shown = frames.look(id, look);
  if (shown.layout !== 'picture') {
    const from = frames.look(id, { ...look, channel: null });
    if (from.layout !== 'picture') return viewPixels(shown, from, ask, ask.clipping, ask.colours, ask.tones);
  }
  return drawnView(shown as Decoded, ask);
}

/** A finished picture has no raw to be marked. */
function drawnView(
  { bitmap }: Decoded,
  { region, width, height, clipping, colours, tones }: ViewAsk,
): ViewPixels {
  const rgba = drawn(bitmap, region, { width, height });
  const histogram = tones ? pictureHistogram(rgba) : null;
  if (clipping.picture) {
    const mask = new Uint16Array(width * height);
    markPicture(rgba, { white: true, black: false }, mask);
    drawMarks(rgba, mask, width, colours);
  }
  return { width, height, rgba, histogram };
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

Comlink.expose(api);
