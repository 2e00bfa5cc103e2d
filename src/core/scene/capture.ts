// From a view to a raw frame: the simulated camera's exposure, whole or in bands with progress.
import { automaticWhite, type CameraColour } from '../colour/camera';
import type { Vec3 } from '../numeric/matrix';
import type { ExposureSettings } from '../exposure/settings';
import { countSites, type SiteCounts } from '../raw/statistics';
import {
  clipLevel,
  floorSignal,
  type FrameSource,
  type NoiseModel,
  type RawFrame,
} from '../sensor/raw-frame';
import { exposeRows, noiseModel } from '../sensor/sensor';
import type { SimulatedCamera } from '../sensor/sim-one';
import type { SiteProjector } from './view';

export interface CaptureOrder {
  readonly settings: ExposureSettings;
  readonly colour: CameraColour;
  readonly seed: number;
  readonly timeMs: number;
  readonly offsetMinutes: number;
  readonly scene: string;
}

/** Long side of the preview mosaic. */
export const PREVIEW_LONG_SIDE = 640;

const BAND_ROWS = 64;

/**
 * Exposes a whole frame, band by band.
 * @param light optional light on all sites, made before (a preview keeps it from frame to frame)
 * @param onBand called after each band with the share done; throw from it to cancel
 */
export function captureFrame(
  camera: SimulatedCamera,
  projector: SiteProjector,
  order: CaptureOrder,
  options: { light?: Float32Array; data?: Uint16Array; onBand?: (share: number) => void } = {},
): RawFrame {
  const { width, height } = projector;
  const data = options.data ?? new Uint16Array(width * height);
  const band = new Float32Array(options.light ? 0 : BAND_ROWS * width);
  const exposure = {
    shutterS: order.settings.shutterS,
    iso: order.settings.iso,
    seed: order.seed,
    sitesPerSample: projector.sitesPerSample,
  };
  for (let y = 0; y < height; y += BAND_ROWS) {
    const rows = Math.min(BAND_ROWS, height - y);
    const light = options.light
      ? options.light.subarray(y * width, (y + rows) * width)
      : band.subarray(0, rows * width);
    if (!options.light) projector.project(y, rows, light);
    exposeRows(camera.sensor, exposure, light, width, y, data.subarray(y * width, (y + rows) * width));
    options.onBand?.((y + rows) / height);
  }
  return {
    width,
    height,
    layout: 'cfa',
    data,
    black: camera.sensor.black,
    white: camera.sensor.white,
    colour: order.colour,
    noise: noiseModel(camera.sensor, order.settings.iso),
    settings: order.settings,
    timeMs: order.timeMs,
    offsetMinutes: order.offsetMinutes,
    source: sourceOf(camera, order.scene, order.seed),
  };
}

export function sourceOf(camera: SimulatedCamera, scene: string, seed: number): FrameSource {
  return {
    make: camera.make,
    camera: camera.name,
    lens: camera.lens.name,
    focalLengthMm: camera.lens.focalLengthMm,
    equivalentMm: camera.equivalentMm,
    scene,
    seed,
  };
}

/**
 * Automatic white from a frame's counts: the mean of the sites that are neither clipped nor near the floor. Where
 * hardly any are left, daylight.
 */
export function whiteFromCounts(
  counted: SiteCounts,
  noise: NoiseModel,
  colorMatrix: CameraColour['colorMatrix'],
): CameraColour {
  const clip = clipLevel(counted);
  const low = counted.black + 2 * floorSignal(noise);
  const means = counted.counts.map((counts) => {
    let [n, sum] = [0, 0];
    for (let dn = Math.ceil(low); dn < clip; dn++) {
      n += counts[dn]!;
      sum += counts[dn]! * (dn - counted.black);
    }
    return n > counted.sites / 400 ? sum / n : NaN;
  });
  const mean: Vec3 = [means[0]!, (means[1]! + means[2]!) / 2, means[3]!];
  const { kelvin, neutral } = automaticWhite(colorMatrix, mean);
  return { colorMatrix, asShotNeutral: neutral, kelvin };
}

/** Counts and white of a frame in one call. */
export function measureWhite(frame: RawFrame): CameraColour {
  return whiteFromCounts(countSites(frame), frame.noise, frame.colour.colorMatrix);
}
