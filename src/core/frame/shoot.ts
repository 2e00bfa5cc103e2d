// One press: preview frame for the forecast and the white, full exposure, development of the small pictures, file.
// The terminal and the capture worker both go this way; only the JPEG encoder of the preview is theirs.
import { colourOfNeutral } from '../colour/camera';
import type { Facts } from '../facts/facts';
import { measureWhite } from '../white/measure';
import { captureDng, type CaptureOptions } from '../dng/capture';
import type { CameraColour } from '../colour/camera';
import type { ExposureSettings } from '../exposure/settings';
import { channelFigures, countImage, headroomEv } from '../raw/statistics';
import { MEANINGFUL_SHARE } from '../raw/shares';
import type { Orientation } from '../body/orientation';
import { developReduced } from '../raw/develop';
import { cutOf, zoomedPart } from '../raw/cut';
import { printed } from '../raw/printed';
import { cropped, framed, storedFor, turned, type Rectangle, type Turn } from '../raw/shown';
import {
  captureBands,
  captureStage,
  exposePreview,
  openingOf,
  PREVIEW_LONG_SIDE,
  type CaptureOrder,
  type CaptureStage,
} from '../scene/capture';
import { shakeSize } from '../scene/shake-size';
import { previewExposer } from '../scene/preview-light';
import { markedSites } from '../scene/marked-sites';
import { previewStage, type PreviewLight } from '../scene/light-rows';
import type { Steadiness } from '../scene/shake';
import type { SceneView } from '../scene/view';
import { rawPicture, type EncodeJpeg } from '../formats/raw-picture';
import { developedSize } from '../raw/develop-out';
import { hasPicture, hasRaw, RAW_ONLY, type Format } from '../setting/files';
import { countLevels, expectedHeadroomOfFile, forecastOfLevels, responseOf } from '../scopes/levels';
import type { RawFrame } from '../sensor/raw-frame';
import { UNCUT } from '../setting/cut';
import { entryOf } from './digest';
import {
  captureNote,
  type CaptureNote,
  forecastFigures,
  noteText,
  rawFiguresOf,
  type FrameOrigin,
  type FrameRecord,
} from './record';
import type { RawFigures } from './record-parts';

export interface Press {
  readonly settings: ExposureSettings;
  readonly facts: Facts;
  readonly seed: number;
  /** Moment on the scene's own clock, s. */
  readonly clockS: number;
  readonly focusM: number;
  readonly steadiness: Steadiness;
  /** The white that the finder showed; measured from a frame of the finder's when absent. */
  readonly colour?: CameraColour;
  /** What the finder told of this capture; worked out when absent. */
  readonly forecast?: RawFigures;
}

export type Stage = 'expose' | 'picture' | 'encode';

export interface ShootOptions {
  readonly longSide: number;
  /** Of the same view, size, focus and aperture; made anew when absent. */
  readonly stage?: CaptureStage;
  readonly compression: CaptureOptions['compression'];
  readonly encodeJpeg: EncodeJpeg;
  /** Called with the stage and its share done; throw from it to cancel. */
  readonly onProgress?: (stage: Stage, share: number) => void;
  /** Exposes the frame, with the share done; by this thread alone when absent. */
  readonly expose?: (
    stage: CaptureStage,
    order: CaptureOrder,
    steadiness: Steadiness,
    onShare: (share: number) => void,
  ) => Promise<RawFrame>;
  /** Waited for after each band that was exposed, so that whoever computes can hear of other things meanwhile. */
  readonly pause?: () => Promise<void>;
}

export interface ShotFiles {
  /** As it stands in the file: held upright, the sensor's rows run down the picture. */
  readonly frame: RawFrame;
  /** In the order of the record's. */
  readonly files: readonly { readonly format: Format; readonly bytes: Uint8Array }[];
  readonly thumbnailJpeg: Uint8Array;
  readonly record: FrameRecord;
}

/** Held upright, the camera's left side is up: what it stored is seen a quarter turn clockwise (TIFF 6.0 Orientation). */
const TURN_OF: Readonly<Record<Orientation, Turn>> = { landscape: 1, portrait: 6 };

/** Long sides of the JPEG preview and of the thumbnail, pixels. */
const PREVIEW_JPEG_SIDE = 1344;
const THUMBNAIL_SIDE = 320;

/** Entries of the blur kernel of a forecast. */
const FORECAST_KERNEL = 40;
/** Where there is no hurry a forecast looks at four times as many places as the finder: a small lamp is told of by few. */
const FORECAST_LONG_SIDE = 2 * PREVIEW_LONG_SIDE;
/** So many times more for a part of the frame. */
const MOST_FINER = 2;

/**
 * What the finder would say about a capture before it is made, with the white it would measure.
 * @param averaged true for a file of the finder's own size: of sites that each stand for many
 */
export function forecastOf(
  view: SceneView,
  press: Press,
  averaged = false,
): { outlook: RawFigures; colour: CameraColour } {
  const order = orderOf(view, press, press.colour);
  const { times } = press.facts.set.cut ?? UNCUT;
  /** Of a grid the part that a digital zoom leaves. */
  const partOf = (of: { width: number; height: number }, light: Float32Array) =>
    windowOf(light, of.width, zoomedPart(of, times));
  const lightOf = (from: PreviewLight) => {
    const light = new Float32Array(from.width * from.height);
    previewExposer(markedSites(view, from.width, from.height), FORECAST_KERNEL).expose(
      from,
      openingOf(order, press.steadiness),
      light,
    );
    return light;
  };
  const focused = previewStage(view, PREVIEW_LONG_SIDE).focused(press.focusM, press.settings);
  const shown = lightOf(focused);
  const whiteOf = () => {
    const frame = exposePreview(focused, order, shown, new Uint16Array(shown.length));
    return measureWhite(cropped({ ...frame, crop: zoomedPart(frame, times) })).colour;
  };
  const colour = press.colour ?? whiteOf();
  const { width, height } = view.camera.sensor;
  // No more places than there are sites.
  const places = Math.min(FORECAST_LONG_SIDE * Math.min(MOST_FINER, times), Math.max(width, height));
  const counted = averaged
    ? { width: zoomedPart(focused, times).width, light: partOf(focused, shown) }
    : pointsOf(previewStage(view, 2 * Math.round(places / 2)).focused(press.focusM, press.settings));
  const levels = countLevels(counted.light, counted.width);
  const response = responseOf(view.camera.sensor, press.settings, averaged ? focused.sitesPerSample : 1);
  return {
    outlook: forecastFigures(
      forecastOfLevels(levels, response),
      expectedHeadroomOfFile(levels, response, MEANINGFUL_SHARE),
    ),
    colour,
  };

  function pointsOf(from: PreviewLight) {
    return { width: zoomedPart(from, times).width, light: partOf(from, lightOf(from.points())) };
  }
}

function windowOf(light: Float32Array, across: number, part: Rectangle): Float32Array {
  if (part.width * part.height === light.length) return light;
  const out = new Float32Array(part.width * part.height);
  for (let y = 0; y < part.height; y++) {
    const from = (part.y + y) * across + part.x;
    out.set(light.subarray(from, from + part.width), y * part.width);
  }
  return out;
}

/** Files are those that the press's settings ask for; raw where they say nothing. */
export async function shoot(view: SceneView, press: Press, options: ShootOptions): Promise<ShotFiles> {
  const { onProgress } = options;
  const { forecast, colour } = toldOf(view, press, options.longSide);
  const stage = options.stage ?? captureStage(view, options.longSide, press.focusM, press.settings);
  const order = orderOf(view, press, colour);
  const seen = options.expose
    ? await options.expose(stage, order, press.steadiness, (share) => onProgress?.('expose', share))
    : await exposed(captureBands(stage, order, press.steadiness), options);
  const turn = TURN_OF[view.orientation];
  const frame = storedFor({ ...seen, ...cutOf(seen, press.facts.set.cut ?? UNCUT) }, turn);
  onProgress?.('picture', 0);
  const { facts } = press;
  const print = facts.set.print ?? null;
  // What a raw file shows of itself is plain, so that a print can be taken away without a trace.
  const preview = pictureOf(frame, PREVIEW_JPEG_SIDE);
  const plain = pictureOf(frame, THUMBNAIL_SIDE);
  const thumbnail = print ? pictureOf(printed(frame, print), THUMBNAIL_SIDE) : plain;
  const [across, down] = turn >= 5 ? (['height', 'width'] as const) : (['width', 'height'] as const);
  const encoding = Promise.all([
    options.encodeJpeg(preview.rgba, preview.width, preview.height),
    options.encodeJpeg(turned(thumbnail.rgba, thumbnail, turn), thumbnail[across], thumbnail[down]),
  ]);
  // A browser encodes beside this thread.
  const counted = countImage(frame);
  const result = rawFiguresOf(channelFigures(counted, frame.noise), headroomEv(counted));
  const [previewJpeg, thumbnailJpeg] = await encoding;
  onProgress?.('picture', 1);
  const made: FrameOrigin = {
    kind: 'simulated',
    scene: view.description.id,
    ...{ seed: press.seed, lensId: view.camera.lensId, outside: view.outside, clockS: press.clockS },
  };
  const choice = facts.set.files ?? RAW_ONLY;
  const shakePx =
    (shakeSize(press.steadiness, press.settings.shutterS).likely * view.camera.lens.focalLengthMm) /
    view.camera.sensor.pitchMm;
  const ofRaw = captureNote(seen, made, facts, { forecast, shakePx });
  // Without raw what is shown and counted of the frame is its picture.
  const note: CaptureNote = hasRaw(choice)
    ? ofRaw
    : { ...ofRaw, image: { ...developedSize(frame, choice.size), kind: 'rgb' } };
  const text = noteText(note);
  const files: ShotFiles['files'][number][] = [];
  if (hasRaw(choice)) {
    const bytes = captureDng(frame, {
      ...{ compression: options.compression, thumbnail: plain, previewJpeg, facts, note: text },
      onProgress: (share) => onProgress?.('encode', share),
    });
    files.push({ format: 'dng', bytes });
  }
  if (hasPicture(choice))
    files.push(await rawPicture(printed(frame, print), facts, choice, text, options.encodeJpeg));
  const entries = await Promise.all(files.map(({ format, bytes }) => entryOf(format, bytes)));
  return {
    ...{ frame, files, thumbnailJpeg },
    record: { ...note, result, files: entries, place: { kind: 'stored' } },
  };
}

async function exposed(
  bands: Generator<number, RawFrame, void>,
  { onProgress, pause }: ShootOptions,
): Promise<RawFrame> {
  for (;;) {
    const { done, value } = bands.next();
    if (done) return value;
    onProgress?.('expose', value);
    await pause?.();
  }
}

/** The forecast and the white that the finder showed, or what it would have shown. */
function toldOf(view: SceneView, press: Press, longSide: number) {
  if (press.forecast && press.colour) return { forecast: press.forecast, colour: press.colour };
  const { outlook, colour } = forecastOf(view, press, longSide === PREVIEW_LONG_SIDE);
  return { forecast: press.forecast ?? outlook, colour };
}

function orderOf(view: SceneView, press: Press, colour?: CameraColour): CaptureOrder {
  const { timeMs, offsetMinutes } = press.facts;
  return { ...press, timeMs, offsetMinutes, colour: colour ?? daylight(view) };
}

/** Stands in until the frame's own white is measured. */
function daylight(view: SceneView): CameraColour {
  return colourOfNeutral(view.camera.matrices, [1, 1, 1]);
}

/** A developed picture of what is inside the frame lines, whose long side has at most `side` pixels, and at least one for each 2×2 cell it stands for. */
function pictureOf(whole: RawFrame, side: number) {
  const frame = framed(whole);
  const scale = Math.min(1, side / Math.max(frame.width, frame.height), 0.5);
  const width = Math.max(1, Math.round(frame.width * scale));
  const height = Math.max(1, Math.round(frame.height * scale));
  const rgba = developReduced(frame, width, height) as Uint8ClampedArray<ArrayBuffer>;
  return { width, height, rgba };
}
