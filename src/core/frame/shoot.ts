// One press: preview frame for the forecast and the white, full exposure, development of the small pictures, file.
// The terminal and the capture worker both go this way; only the JPEG encoder of the preview is theirs.
import { writeDng, type CaptureFacts, type DngOptions } from '../dng/write';
import type { CameraColour } from '../colour/camera';
import type { ExposureSettings } from '../exposure/settings';
import { channelFigures, countSites, headroomEv, MEANINGFUL_SHARE } from '../raw/statistics';
import { developReduced } from '../raw/develop';
import {
  captureFrame,
  exposePreview,
  measureWhite,
  openingOf,
  PREVIEW_LONG_SIDE,
  type CaptureOrder,
} from '../scene/capture';
import { previewExposer } from '../scene/preview-light';
import { markedSites } from '../scene/surface-rows';
import { plateRows, previewStage, type PreviewLight } from '../scene/light-rows';
import type { Steadiness } from '../scene/shake';
import type { SceneView } from '../scene/view';
import { countLevels, forecastOfLevels, headroomOfLevels, responseOf } from '../scopes/levels';
import { CFA_NAMES, type RawFrame } from '../sensor/raw-frame';
import { outlookOf, recordOf, type FrameRecord, type RawOutlook } from './record';

export interface Press {
  readonly settings: ExposureSettings;
  readonly facts: CaptureFacts;
  readonly seed: number;
  readonly timeMs: number;
  readonly offsetMinutes: number;
  /** Moment on the scene's own clock, s. */
  readonly clockS: number;
  readonly focusM: number;
  readonly steadiness: Steadiness;
  /** The white that the finder showed; measured from the forecast frame when absent. */
  readonly colour?: CameraColour;
}

export type EncodeJpeg = (
  rgba: Uint8ClampedArray,
  width: number,
  height: number,
) => Promise<Uint8Array> | Uint8Array;

export type Stage = 'expose' | 'picture' | 'encode';

export interface ShootOptions {
  readonly longSide: number;
  readonly compression: DngOptions['compression'];
  readonly encodeJpeg: EncodeJpeg;
  /** Called with the stage and its share done; throw from it to cancel. */
  readonly onProgress?: (stage: Stage, share: number) => void;
}

export interface Shot {
  readonly frame: RawFrame;
  readonly dng: Uint8Array;
  readonly thumbnailJpeg: Uint8Array;
  readonly record: FrameRecord;
}

/** Long sides of the JPEG preview and of the thumbnail, pixels. */
const PREVIEW_JPEG_SIDE = 1344;
const THUMBNAIL_SIDE = 320;

/** Entries of the blur kernel of a forecast. */
const FORECAST_KERNEL = 40;

/** What the preview says about the capture before it is made, with the white it measured. */
export function forecastOf(view: SceneView, press: Press): { outlook: RawOutlook; colour: CameraColour } {
  const preview = previewStage(view, PREVIEW_LONG_SIDE);
  const { width, height } = preview;
  const order = orderOf(view, press, press.colour);
  const light = new Float32Array(width * height);
  const focused = preview.focused(press.focusM, press.settings);
  const lit = (from: PreviewLight) =>
    previewExposer(markedSites(view, width, height), FORECAST_KERNEL).expose(
      from,
      openingOf(order, press.steadiness),
      light,
    );
  let colour = press.colour;
  if (!colour) {
    lit(focused);
    colour = measureWhite(exposePreview(focused, order, light, new Uint16Array(light.length)));
  }
  lit(focused.points());
  const levels = countLevels(light, width);
  const response = responseOf(view.camera.sensor, press.settings);
  const { clipped, belowFloor } = forecastOfLevels(levels, response);
  const headroom = headroomOfLevels(levels, response, MEANINGFUL_SHARE);
  return {
    outlook: {
      channels: CFA_NAMES.map((name, c) => ({
        name,
        clippedShare: clipped[c]!,
        belowFloorShare: belowFloor[c]!,
      })),
      // Of a file no more than "nothing left" can be said; the forecast is told in the same terms.
      headroomEv: Number.isFinite(headroom) ? Math.max(0, headroom) : null,
    },
    colour,
  };
}

export async function shoot(view: SceneView, press: Press, options: ShootOptions): Promise<Shot> {
  const { onProgress } = options;
  const forecast = forecastOf(view, press);
  const rows = plateRows(view, options.longSide, press.focusM, press.settings);
  const frame = captureFrame(rows, orderOf(view, press, forecast.colour), press.steadiness, (share) =>
    onProgress?.('expose', share),
  );
  const counted = countSites(frame);
  const result = outlookOf(channelFigures(counted, frame.noise), headroomEv(counted));
  onProgress?.('picture', 0);
  const preview = pictureOf(frame, PREVIEW_JPEG_SIDE);
  const thumbnail = pictureOf(frame, THUMBNAIL_SIDE);
  const previewJpeg = await options.encodeJpeg(preview.rgba, preview.width, preview.height);
  const thumbnailJpeg = await options.encodeJpeg(thumbnail.rgba, thumbnail.width, thumbnail.height);
  onProgress?.('picture', 1);
  const dng = writeDng(frame, {
    compression: options.compression,
    thumbnail,
    previewJpeg,
    facts: press.facts,
    onProgress: (share) => onProgress?.('encode', share),
  });
  const outlooks = { forecast: forecast.outlook, result };
  return {
    frame,
    dng,
    thumbnailJpeg,
    record: recordOf(
      frame,
      { lensId: view.camera.lensId, outside: view.outside, clockS: press.clockS },
      press.facts,
      outlooks,
      dng.length,
      { kind: 'stored' },
    ),
  };
}

function orderOf(view: SceneView, press: Press, colour?: CameraColour): CaptureOrder {
  return { ...press, colour: colour ?? daylight(view) };
}

/** Stands in until the frame's own white is measured. */
function daylight(view: SceneView): CameraColour {
  return { colorMatrix: view.camera.colorMatrix, asShotNeutral: [1, 1, 1], kelvin: 5500 };
}

/** A developed picture whose long side has at most `side` pixels, and at least one for each 2×2 cell it stands for. */
function pictureOf(frame: RawFrame, side: number) {
  const scale = Math.min(1, side / Math.max(frame.width, frame.height), 0.5);
  const width = Math.max(1, Math.round(frame.width * scale));
  const height = Math.max(1, Math.round(frame.height * scale));
  return { width, height, rgba: developReduced(frame, width, height) };
}
