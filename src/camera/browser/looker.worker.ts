// The finder of the browser's own cameras: takes the frames of a track, draws them, meters them, posts one report each; and makes frames of
// them when asked.
import * as Comlink from 'comlink';
import { averager, type Averaged, type Averager } from '../../core/combine/average';
import {
  isVideoFormat,
  lumaOf,
  sampledSize,
  sampleVideo,
  stepFor,
  videoMatrixOf,
  type VideoPicture,
} from '../../core/colour/video';
import { noiseOfPicture, PEAKING_RULES, peaksOfPicture, type PeakingRule } from '../../core/focus/peaking';
import { pictureFinder, type PictureFinder } from '../../core/finder/picture-finder';
import { fieldWeights } from '../../core/meter/whole';
import { jpegFacts } from '../../core/formats/jpeg';
import { NO_RAW, pictureFrame, type PicturePress } from '../../core/frame/picture-frame';
import type { ToldExposure } from '../../core/meter/calibration';
import { pictureHistogram } from '../../core/scopes/picture-histogram';
import type { Known } from '../../core/units/known';
import type { WhitePoint } from '../../core/colour/temperature';
import {
  gainsOnCodes,
  PICTURE_MATRICES,
  pictureWhite,
  whitenPicture,
  type PictureWhite,
} from '../../core/white/on-picture';
import { readRingOnPicture } from '../../core/white/ring';
import { watched } from '../../workers/alive';
import { encodeJpeg } from '../../workers/encode-jpeg';
import type { Order } from '../order';
import type { TakenFrame, TakeStage } from '../port';
import type { Report, Standing } from '../report';
import { partsOf, zoomedPart } from '../../core/raw/cut';
import type { Rectangle } from '../../core/raw/shown';
import { isCut, UNCUT, type Cut } from '../../core/setting/cut';
import { stopwatch } from '../stopwatch';
import { frameShape, type FrameSides } from './frame-shape';

/** Long side of what is metered and marked, samples. */
const SAMPLES = 480;
/** Long side of what is drawn, pixels. */
const DRAWN = 1024;
const THUMBNAIL = 320;
/** A picture that does not come in this time does not come. */
const PICTURE_MS = 4000;

const UNTOLD_EXPOSURE = { unknown: 'the device tells parts of its exposure at most, and never its f-number' };

/** What the page knows of the device, and what was last asked of it. */
export interface Asked {
  readonly order: Order;
  /** White by hand that has to be put on the picture; null for the picture as it comes. */
  readonly whiteOnPicture: WhitePoint | null;
  readonly optic: string;
  readonly view: string;
  readonly standing: Standing;
  readonly exposure: ToldExposure;
}

export interface TakeAsk extends PicturePress {
  /** The still that the device took; null where it takes none: the next picture stands in. */
  readonly still: Uint8Array | null;
  /** Pictures to average into a linear DNG; 0 for none. */
  readonly pictures: number;
  /** White by hand that has to be put on the picture; null for the picture as it comes. */
  readonly whiteOnPicture: WhitePoint | null;
}

let canvas: OffscreenCanvas | undefined;
let context: OffscreenCanvasRenderingContext2D | null = null;
let report: ((report: Report) => void) | undefined;
let asked: Asked | undefined;
let finder:
  | {
      readonly width: number;
      readonly height: number;
      readonly finder: PictureFinder;
      /** As they come, and as they are shown where white is put on them. */
      readonly rgba: Uint8ClampedArray<ArrayBuffer>;
      readonly whitened: Uint8ClampedArray<ArrayBuffer>;
    }
  | undefined;
let overlay: OffscreenCanvas | undefined;
let frameNumber = 0;
let bytes = new Uint8Array(0);
/** Those who wait for whole pictures; each says whether it wants more. */
const takers = new Set<(picture: VideoPicture) => boolean>();
let fail: (error: Error) => void = () => undefined;
/** Why there are no pictures any more; null while there are. */
let ended: string | null = null;

const api = {
  ...watched(),

  open(target: OffscreenCanvas, onReport: (report: Report) => void) {
    canvas = target;
    context = target.getContext('2d', { alpha: false, desynchronized: true });
    report = onReport;
  },
  set(next: Asked) {
    asked = next;
  },
  /** Follows a track's frames until they end. */
  async frames(readable: ReadableStream<VideoFrame>) {
    ended = null;
    const reader = readable.getReader();
    for (;;) {
      const { done, value } = await reader.read();
      if (done) break;
      try {
        await takeFrame(value);
      } finally {
        value.close();
      }
    }
  },
  /** Takes one picture, where a track's frames cannot be had. */
  picture(bitmap: ImageBitmap) {
    ended = null;
    takeBitmap(bitmap);
  },
  /** The track has ended: whoever waits for its pictures, or comes to wait for them, waits in vain. */
  ended(message: string) {
    ended = message;
    fail(new Error(message));
  },

  /** @throws Error in words for people */
  async take(
    { still, pictures, whiteOnPicture, ...press }: TakeAsk,
    onProgress: (stage: TakeStage, share: number) => void,
  ): Promise<TakenFrame> {
    const cut = press.facts.set.cut ?? UNCUT;
    let whole: Pixels | undefined;
    let averaged: Averaged | null = null;
    if (!still || pictures > 0) {
      let sum: Averager | undefined;
      // Noise is measured between pictures: one alone has a second beside it that is not counted.
      const wanted = pictures === 1 ? 2 : Math.max(1, pictures);
      let seen = 0;
      await nextPictures((picture) => {
        const { width, height } = picture;
        const rgba = new Uint8ClampedArray(4 * width * height);
        sampleVideo(picture, 1, rgba);
        whole ??= { width, height, rgba };
        if (pictures > 0) (sum ??= averager(width, height)).add(rgba, seen < pictures);
        onProgress('expose', ++seen / wanted);
        return seen < wanted;
      });
      averaged = sum?.finish() ?? null;
    }
    onProgress('picture', 0);
    const white = whiteOnPicture && pictureWhite(whiteOnPicture);
    const jpeg = await jpegOf(still, whole, white, cut);
    // A picture that does not open here would open nowhere.
    const thumbnail = await pixelsOf(jpeg, THUMBNAIL);
    const thumbnailJpeg = await encodeJpeg(thumbnail.rgba, thumbnail.width, thumbnail.height);
    onProgress('encode', 0);
    const { record, files } = await pictureFrame(press, {
      ...{ jpeg, averaged, thumbnail, thumbnailJpeg },
      // White is put on decoded pixels, which are upright; so is what is cut.
      ...((white || isCut(cut)) && { told: { ...(still && jpegFacts(still)), orientation: 1 } }),
      ...(white && { whiteOnPicture }),
      cut,
    });
    onProgress('verify', 1);
    const buffers = [...files.map((file) => file.bytes.buffer), thumbnailJpeg.buffer] as ArrayBuffer[];
    return Comlink.transfer({ record, files, thumbnailJpeg }, [...new Set(buffers)]);
  },
};

export type LookerApi = typeof api;

/** Hands over pictures until no more are wanted. @throws Error when they stop coming */
function nextPictures(take: (picture: VideoPicture) => boolean): Promise<void> {
  if (ended !== null) return Promise.reject(new Error(ended));
  return new Promise((resolve, reject) => {
    let timer: ReturnType<typeof setTimeout>;
    const end = () => {
      clearTimeout(timer);
      takers.delete(taker);
    };
    const give = (error: unknown) => {
      end();
      reject(error instanceof Error ? error : new Error(String(error)));
    };
    const wait = () => {
      clearTimeout(timer);
      timer = setTimeout(() => give(new Error('the camera gives no more pictures')), PICTURE_MS);
    };
    const taker = (picture: VideoPicture) => {
      try {
        if (take(picture)) {
          wait();
          return true;
        }
        end();
        resolve();
      } catch (error) {
        give(error);
      }
      return false;
    };
    takers.add(taker);
    fail = give;
    wait();
  });
}

/** A picture as the browser draws it. @param bitmap closed here */
function takeBitmap(bitmap: ImageBitmap): void {
  const scratch = new OffscreenCanvas(bitmap.width, bitmap.height);
  const drawing = scratch.getContext('2d', { willReadFrequently: true })!;
  drawing.drawImage(bitmap, 0, 0);
  const pictureOf = ({ x, y, width, height }: Rectangle): VideoPicture => {
    const { data } = drawing.getImageData(x, y, width, height);
    const of = { format: 'RGBA', width, height, matrix: 'bt709', fullRange: true } as const;
    return { ...of, bytes: new Uint8Array(data.buffer), planes: [{ offset: 0, stride: 4 * width }] };
  };
  if (takers.size > 0) give(pictureOf(wholeOf(bitmap)));
  const part = partShown(bitmap);
  show(bitmap, pictureOf(part), part);
  bitmap.close();
}

async function takeFrame(frame: VideoFrame): Promise<void> {
  if (!asked?.order.running && takers.size === 0) return;
  const { visible, scale } = frameShape(frame as FrameSides);
  // Turned, mirrored or stretched it is taken as the browser draws it.
  if (scale === null) return takeBitmap(await createImageBitmap(frame));
  const { format, colorSpace } = frame;
  // What is not read here by its planes the browser turns into RGBA.
  const own = isVideoFormat(format) ? format : 'RGBA';
  const pictureOf = async (part: Rectangle): Promise<VideoPicture> => {
    const options = {
      rect: { ...part, x: visible.x + part.x, y: visible.y + part.y },
      ...(own === format ? null : { format: 'RGBA' }),
    } as VideoFrameCopyToOptions;
    const size = frame.allocationSize(options);
    if (bytes.length !== size) bytes = new Uint8Array(size);
    const planes = await frame.copyTo(bytes, options);
    return {
      ...{ format: own, width: part.width, height: part.height, bytes, planes },
      matrix: videoMatrixOf(colorSpace.matrix, visible.height),
      fullRange: colorSpace.fullRange === true,
    };
  };
  // Who takes pictures gets the whole of each.
  if (takers.size > 0) give(await pictureOf(wholeOf(visible)));
  if (!asked?.order.running) return;
  const part = partShown(visible);
  show(frame, await pictureOf(part), part, scale);
}

function wholeOf({ width, height }: { width: number; height: number }): Rectangle {
  return { x: 0, y: 0, width, height };
}

/** What a digital zoom leaves of a picture; the whole of one that is not cut, also where its size is odd. */
function partShown(seen: { width: number; height: number }): Rectangle {
  const times = asked?.order.settings.cut.times ?? 1;
  return times === 1 ? wholeOf(seen) : zoomedPart(seen, times);
}

function give(picture: VideoPicture): void {
  for (const taker of [...takers]) taker(picture);
}

/**
 * One frame of the finder.
 * @param part where in what is drawn the picture lies, in its own pixels
 * @param scale pixels that it is drawn from to one of its own
 */
function show(drawn: CanvasImageSource, picture: VideoPicture, part: Rectangle, scale = 1): void {
  if (!asked?.order.running || !canvas || !context) return;
  const { order, standing } = asked;
  const { stageMs, lap } = stopwatch();
  const step = stepFor(picture, SAMPLES);
  const size = sampledSize(picture, step);
  if (finder?.width !== size.width || finder.height !== size.height) {
    const samples = () => new Uint8ClampedArray(4 * size.width * size.height);
    finder = {
      ...size,
      rgba: samples(),
      whitened: samples(),
      finder: pictureFinder(size.width, size.height),
    };
    overlay = undefined;
  }
  const { rgba, whitened } = finder;
  const white = asked.whiteOnPicture && pictureWhite(asked.whiteOnPicture);
  sampleVideo(picture, step, rgba);
  lap('light');
  const read = finder.finder.read({ ...size, rgba, exposure: asked.exposure }, order);
  lap('meter');
  const { marks, settings, lockedEv100 } = order;
  const { native } = marks.zebra ?? {};
  const peaks = marks.peaking && {
    samples: edgesInFocus(picture, step, PEAKING_RULES[marks.peaking.strength]),
    colour: marks.peaking.colour,
  };
  const layer = finder.finder.marks({
    peaks,
    white: marks.pictureWhite,
    black: marks.pictureBlack,
    zebraPercent: native?.of === 'picture' ? native.percent : null,
    brightestShare:
      marks.brightest && settings.meter.pattern === 'highlight' && lockedEv100 === null
        ? settings.meter.burnShare
        : null,
  });
  if (white) whitenPicture(rgba, white, whitened);
  const histogram = order.pictureHistogram ? pictureHistogram(white ? whitened : rgba) : null;
  const ends = order.disagreement ? finder.finder.ends() : null;
  lap('scopes');
  draw(drawn, part, scale, white, layer, size);
  lap('draw');
  const { reading, wholeEv100, pins, fromGreyEv, relative } = read;
  const noRaw: Known<never> = { unknown: NO_RAW };
  report?.({
    seq: order.seq,
    frame: ++frameNumber,
    optic: asked.optic,
    orientation: picture.width > picture.height ? 'landscape' : 'portrait',
    view: asked.view,
    width: picture.width,
    height: picture.height,
    zoomTimes: order.settings.cut.times,
    exposure: UNTOLD_EXPOSURE,
    standing,
    focusM: standing.focus ?? { unknown: 'the device does not tell where it is focused' },
    subjectM: { unknown: 'the device tells no distances' },
    focus: null,
    peaking: peaks && peaks.samples.length / (size.width * size.height),
    ...{ reading, relative, fromGreyEv, wholeEv100, pins },
    hand: null,
    weights: order.weights ? weightsOf(rgba, size) : null,
    picture: histogram,
    ends,
    white: whiteReport(asked),
    ring: order.ring && readRingOnPicture(rgba, size.width, size.height, PICTURE_MATRICES, order.ring),
    mixed: null,
    raw: noRaw,
    stageMs,
  });
}

/** What its noise is told by is measured now and then: it takes as long as looking for edges does. */
const NOISE_EVERY = 15;
let noise: { frame: number; of: string; deviation: number } | undefined;

function edgesInFocus(picture: VideoPicture, step: number, rule: PeakingRule): Uint32Array {
  const luma = lumaOf(picture);
  const of = `${picture.format} ${picture.width} ${picture.height}`;
  if (noise?.of !== of || frameNumber - noise.frame >= NOISE_EVERY)
    noise = { frame: frameNumber, of, deviation: noiseOfPicture(luma) };
  return peaksOfPicture(luma, step, noise.deviation, rule);
}

function whiteReport({ whiteOnPicture, standing, order }: Asked): Report['white'] {
  if (whiteOnPicture) return { ...whiteOnPicture, by: 'hand', measured: null };
  if (standing.white === undefined) return { unknown: 'the device does not tell its white' };
  const by = order.settings.white.auto ? 'automatic' : 'hand';
  return { kelvin: standing.white, tint: null, by, measured: null };
}

/** The part of the picture that is shown, as the browser draws it (from `by` pixels to one of its own), balanced where that is left to us, with what is marked over it. */
function draw(
  drawn: CanvasImageSource,
  { x, y, width, height }: Rectangle,
  by: number,
  white: PictureWhite | null,
  layer: Uint8ClampedArray<ArrayBuffer> | null,
  size: { width: number; height: number },
): void {
  const scale = Math.min(1, DRAWN / Math.max(width, height));
  const [w, h] = [Math.round(width * scale), Math.round(height * scale)];
  if (canvas!.width !== w || canvas!.height !== h) {
    canvas!.width = w;
    canvas!.height = h;
  }
  context!.drawImage(drawn, by * x, by * y, by * width, by * height, 0, 0, w, h);
  if (white) balance(white, w, h);
  if (!layer) return;
  overlay ??= new OffscreenCanvas(size.width, size.height);
  overlay.getContext('2d')!.putImageData(new ImageData(layer, size.width, size.height), 0, 0);
  context!.imageSmoothingEnabled = false;
  context!.drawImage(overlay, 0, 0, w, h);
}

/** What `whitenPicture` does, nearly, by the canvas: to divide by 1 − s is to multiply by a gain. */
function balance(white: PictureWhite, w: number, h: number): void {
  const { gains, scale } = gainsOnCodes(white);
  const fill = (how: GlobalCompositeOperation, shares: readonly number[]) => {
    context!.globalCompositeOperation = how;
    context!.fillStyle = `rgb(${shares.map((share) => `${(100 * share).toFixed(2)}%`).join(' ')})`;
    context!.fillRect(0, 0, w, h);
  };
  fill(
    'color-dodge',
    gains.map((gain) => 1 - 1 / gain),
  );
  fill('multiply', [scale, scale, scale]);
  context!.globalCompositeOperation = 'source-over';
}

function weightsOf(
  rgba: Uint8ClampedArray,
  { width, height }: { width: number; height: number },
): Report['weights'] {
  const data = Float32Array.from({ length: width * height }, (_, i) => rgba[4 * i + 1]!);
  const { across, weights } = fieldWeights({ width, height, data });
  return { across, values: Array.from(weights, (w) => Math.round(w * 50) / 100) };
}

/** The still, or the picture that stands in for it; anew where white is put on it or it is cut. */
async function jpegOf(
  still: Uint8Array | null,
  whole: Pixels | undefined,
  white: PictureWhite | null,
  cut: Cut,
): Promise<Uint8Array> {
  if (still && !white && !isCut(cut)) return still;
  const picture = cutTo(still ? await pixelsOf(still) : whole!, cut);
  const { rgba, width, height } = picture;
  if (white) whitenPicture(rgba, white, rgba);
  return encodeJpeg(rgba, width, height);
}

interface Pixels {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray;
}

/** What a cut leaves of a picture. */
function cutTo(picture: Pixels, cut: Cut): Pixels {
  if (!isCut(cut)) return picture;
  const { x, y, width, height } = partsOf(picture, cut).lines;
  const rgba = new Uint8ClampedArray(4 * width * height);
  for (let row = 0; row < height; row++) {
    const from = 4 * ((y + row) * picture.width + x);
    rgba.set(picture.rgba.subarray(from, from + 4 * width), 4 * row * width);
  }
  return { width, height, rgba };
}

async function pixelsOf(jpeg: Uint8Array, longest = Infinity) {
  const bitmap = await createImageBitmap(new Blob([jpeg as Uint8Array<ArrayBuffer>], { type: 'image/jpeg' }));
  const scale = Math.min(1, longest / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [
    Math.max(1, Math.round(bitmap.width * scale)),
    Math.max(1, Math.round(bitmap.height * scale)),
  ];
  const drawing = new OffscreenCanvas(width, height).getContext('2d')!;
  drawing.imageSmoothingQuality = 'high';
  drawing.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  return { width, height, rgba: drawing.getImageData(0, 0, width, height).data };
}

Comlink.expose(api);
