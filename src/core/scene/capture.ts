// From a view to a raw frame: the simulated camera's exposure, whole or in bands with progress.
import type { CameraColour } from '../colour/camera';
import type { ExposureSettings } from '../exposure/settings';
import { baselineExposureEv } from '../raw/tone';
import type { FrameSource, RawFrame } from '../sensor/raw-frame';
import { noiseModel } from '../sensor/sensor';
import { exposeRows } from '../sensor/expose';
import type { SimulatedOptic } from '../sensor/simulated-optic';
import { exposedLight } from './exposed-light';
import { varying, type Opening } from './opening';
import type { LightGrid, FrameWindow } from './light-grid';
import { platesFor, rowsOf, type DrawnPlates, type FocusedPlates, type LightRows } from './light-rows';
import type { Steadiness } from './shake';
import { surfaceRows, type SurfaceRows } from './surface-rows';
import type { LensSetting, SceneView } from './view';

export interface CaptureOrder {
  readonly settings: ExposureSettings;
  readonly colour: CameraColour;
  readonly seed: number;
  readonly timeMs: number;
  readonly offsetMinutes: number;
  /** Moment on the scene's own clock, s: where the wheel, the flame and the stars are. */
  readonly clockS: number;
}

/** Long side of the preview mosaic. */
export const PREVIEW_LONG_SIDE = 640;

const BAND_ROWS = 64;
/** Entries of the blur kernel at most in a capture: a hand-held second through the tele needs about that many. */
const MOST_KERNEL = 160;

/** The opening of a capture's shutter. */
export function openingOf(order: CaptureOrder, steadiness: Steadiness): Opening {
  return {
    startS: order.clockS,
    durationS: order.settings.shutterS,
    seed: order.seed,
    steadiness,
  };
}

/** Plates and rows that all captures through one lens, set and focused in one way, share. */
export interface CaptureStage {
  readonly plates: DrawnPlates;
  readonly rows: LightRows;
  readonly surface: SurfaceRows | undefined;
}

/** Rows of a frame, from the first to before the last. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** @param kept true where several frames are to be exposed: their grain is worked out once */
export function captureStage(
  view: SceneView,
  longSide: number,
  focusM: number,
  setting: LensSetting,
  kept = false,
): CaptureStage {
  return stageOn(platesFor(view, longSide, focusM, setting), longSide, kept);
}

/** A capture's stage from plates that are drawn already. */
export function stageOn(plates: DrawnPlates, longSide: number, kept = false): CaptureStage {
  const rows = rowsOf(plates, longSide);
  return { plates, rows, surface: surfaceRows(rows, { kept }) };
}

/**
 * Exposes a stretch of a frame, band by band; after each the rows done are yielded. Every row is what it is, whoever exposes the others.
 * @param data of the whole frame, in which the rows of the stretch are written
 */
export function* exposedStretch(
  { rows, surface }: Pick<CaptureStage, 'rows' | 'surface'>,
  order: CaptureOrder,
  steadiness: Steadiness,
  { from, to }: Stretch,
  data: Uint16Array,
): Generator<number, void, void> {
  const light = exposedLight(rows, surface, openingOf(order, steadiness), MOST_KERNEL, from);
  const { width } = rows;
  const band = new Float32Array(Math.min(BAND_ROWS, to - from) * width);
  for (let y = from; y < to; y += BAND_ROWS) {
    const count = Math.min(BAND_ROWS, to - y);
    for (let r = 0; r < count; r++) light.next(band.subarray(r * width, (r + 1) * width));
    exposeBand(rows, order, band.subarray(0, count * width), y, data);
    yield y + count - from;
  }
}

/** The frame whose rows were all exposed into `data`. */
export function frameOf(
  { rows }: Pick<CaptureStage, 'rows'>,
  order: CaptureOrder,
  data: Uint16Array,
): RawFrame {
  return rawFrame(rows, order, data, rows.sitesPerSample);
}

/** Exposes a whole frame from the plates, band by band. After each the share done is yielded; it can be left there. */
export function* captureBands(
  stage: Pick<CaptureStage, 'rows' | 'surface'>,
  order: CaptureOrder,
  steadiness: Steadiness,
): Generator<number, RawFrame, void> {
  const { width, height } = stage.rows;
  const data = new Uint16Array(width * height);
  for (const done of exposedStretch(stage, order, steadiness, { from: 0, to: height }, data))
    yield done / height;
  return frameOf(stage, order, data);
}

/** All bands at once. */
export function captureFrame(rows: LightRows, order: CaptureOrder, steadiness: Steadiness): RawFrame {
  const bands = captureBands({ rows, surface: surfaceRows(rows) }, order, steadiness);
  for (;;) {
    const { done, value } = bands.next();
    if (done) return value;
  }
}

/**
 * A window of a capture at one sample a site, as the whole would hold it but for the draw of its noise. With the margin that the
 * hand's blur reaches over, which is cut off again.
 * @throws RangeError when the window leaves the frame
 */
export function captureWindow(
  plates: FocusedPlates,
  longSide: number,
  window: FrameWindow,
  order: CaptureOrder,
  steadiness: Steadiness,
): RawFrame {
  const opening = openingOf(order, steadiness);
  const inner = plates.rows(longSide, window);
  const { reach } = varying(inner, opening, MOST_KERNEL).kernel;
  const margin = reach + (reach & 1);
  const x = Math.max(0, window.x - margin);
  const y = Math.max(0, window.y - margin);
  const width = Math.min(inner.wholeWidth, window.x + window.width + margin) - x;
  const height = Math.min(inner.wholeHeight, window.y + window.height + margin) - y;
  const rows = margin > 0 ? plates.rows(longSide, { x, y, width, height }) : inner;
  const light = exposedLight(rows, surfaceRows(rows), opening, MOST_KERNEL);
  const row = new Float32Array(width);
  const inside = new Float32Array(window.width * window.height);
  for (let line = 0; line < window.y - y + window.height; line++) {
    light.next(row);
    const at = line - (window.y - y);
    if (at >= 0) inside.set(row.subarray(window.x - x, window.x - x + window.width), at * window.width);
  }
  const data = new Uint16Array(inside.length);
  exposeBand(inner, order, inside, 0, data);
  return rawFrame(inner, order, data, inner.sitesPerSample);
}

/** Exposes a preview whose light is there already. */
export function exposePreview(
  grid: LightGrid,
  order: CaptureOrder,
  light: Float32Array,
  data: Uint16Array,
): RawFrame {
  exposeBand(grid, order, light, 0, data);
  return rawFrame(grid, order, data);
}

function exposeBand(
  { view, width, sitesPerSample }: LightGrid,
  { settings, seed }: CaptureOrder,
  light: Float32Array,
  firstRow: number,
  data: Uint16Array,
): void {
  const exposure = { shutterS: settings.shutterS, iso: settings.iso, seed, sitesPerSample };
  const out = data.subarray(firstRow * width, firstRow * width + light.length);
  exposeRows(view.camera.sensor, exposure, light, width, firstRow, out);
}

/** @param noiseSites sites of the sensor that its noise is told for: a finder's frame tells that of one, since it stands for the capture */
function rawFrame(
  { view, width, height, focusM }: LightGrid,
  order: CaptureOrder,
  data: Uint16Array,
  noiseSites = 1,
): RawFrame {
  const { camera, description } = view;
  return {
    width,
    height,
    layout: 'cfa',
    data,
    black: camera.sensor.black,
    white: camera.sensor.white,
    colour: order.colour,
    noise: noiseModel(camera.sensor, order.settings.iso, noiseSites),
    baselineEv: baselineExposureEv(order.settings),
    settings: order.settings,
    timeMs: order.timeMs,
    offsetMinutes: order.offsetMinutes,
    source: { ...sourceOf(camera, description.id, order.seed), focusM },
  };
}

export function sourceOf(camera: SimulatedOptic, scene: string, seed: number): FrameSource {
  return {
    make: camera.make,
    camera: camera.name,
    lens: camera.lens.name,
    lensModel: camera.lens.model,
    widestN: camera.lens.widestN,
    focalLengthMm: camera.lens.focalLengthMm,
    equivalentMm: camera.equivalentMm,
    ...(camera.lens.range && { lensRange: camera.lens.range }),
    scene,
    seed,
  };
}
