// A scene through a lens: the light that falls on each site of the sensor, in the colour of that site.
// H = q·L·t/N² (ISO 12232) with cos⁴θ; time comes later, when the sensor exposes.
import { cameraFromSrgb } from '../colour/camera';
import { LUMA_709 } from '../colour/srgb';
import type { LuminanceMap } from '../meter/luminance-map';
import { cos4, lensQ } from '../optics/lens';
import { cfaIndex } from '../sensor/raw-frame';
import type { SimulatedCamera } from '../sensor/sim-one';
import { tapsFor, type Taps } from './resample';
import { lightOf, type Scene } from './scene';

export type Orientation = 'portrait' | 'landscape';

/** What a camera sees of a scene, before any exposure. */
export interface SceneView {
  readonly camera: SimulatedCamera;
  readonly orientation: Orientation;
  /** Camera channels R, G, B of the plate, as luminance-like cd/m²; square, `size` a side. */
  readonly planes: readonly [Float32Array, Float32Array, Float32Array];
  readonly size: number;
  readonly luminance: LuminanceMap;
}

const METER_LONG_SIDE = 128;

export function viewScene(
  scene: Scene,
  camera: SimulatedCamera,
  orientation: Orientation,
  levels?: Readonly<Record<string, number>>,
): SceneView {
  const light = lightOf(scene, levels);
  const pixels = scene.size * scene.size;
  const m = cameraFromSrgb(camera.colorMatrix);
  const planes = [0, 1, 2].map(() => new Float32Array(pixels)) as unknown as SceneView['planes'];
  for (let c = 0; c < 3; c++) {
    const [mr, mg, mb] = m[c]!;
    const plane = planes[c]!;
    for (let i = 0; i < pixels; i++) {
      const value = mr * light[3 * i]! + mg * light[3 * i + 1]! + mb * light[3 * i + 2]!;
      plane[i] = value > 0 ? value : 0;
    }
  }
  return {
    camera,
    orientation,
    planes,
    size: scene.size,
    luminance: luminanceMap(light, scene.size, orientation),
  };
}

/** Sites across and down of the frame in this orientation, the long side having `longSide` sites. */
export function frameSize(camera: SimulatedCamera, orientation: Orientation, longSide: number) {
  const short = Math.round((longSide * camera.sensor.height) / camera.sensor.width);
  return orientation === 'landscape'
    ? { width: longSide, height: short }
    : { width: short, height: longSide };
}

/** The part of the square plate that the frame shows, in plate pixels. */
export function cropOf(
  size: number,
  orientation: Orientation,
): { x: number; y: number; width: number; height: number } {
  const short = size * 0.75;
  const margin = (size - short) / 2;
  return orientation === 'landscape'
    ? { x: 0, y: margin, width: size, height: short }
    : { x: margin, y: 0, width: short, height: size };
}

/** Lays the view on a sensor of the given size; rows can then be made in any order. */
export interface SiteProjector {
  readonly width: number;
  readonly height: number;
  /** Sites of the full sensor that each of these stands for. */
  readonly sitesPerSample: number;
  /** Fills light on each site, lx, for `rows` rows from `firstRow`. */
  project(firstRow: number, rows: number, out: Float32Array): void;
}

/**
 * A binned site averages neighbours of its own colour, which lie two sites apart: it gathers light from more than its
 * own place. Two would be the whole reach; 1.6 keeps the finder crisp and still free of false colour.
 */
const BINNED_FOOTPRINT = 1.6;

/** @param longSide sites along the long side: the sensor's own for a capture, fewer for a binned preview */
export function projectorFor(view: SceneView, longSide: number): SiteProjector {
  const { camera, size, planes } = view;
  const { width, height } = frameSize(camera, view.orientation, longSide);
  const crop = cropOf(size, view.orientation);
  const down = tapsFor(height, crop.y, crop.y + crop.height, size, BINNED_FOOTPRINT);
  const across = tapsFor(width, crop.x, crop.x + crop.width, size, BINNED_FOOTPRINT);
  const siteMm = (camera.sensor.pitchMm * camera.sensor.width) / longSide;
  const { lens } = camera;
  const lux = lensQ(lens) / (lens.apertureN * lens.apertureN);
  // Vertical pass into one row for each of the two colours of that row, reused.
  const rowOf = [new Float32Array(size), new Float32Array(size)] as const;
  return {
    width,
    height,
    sitesPerSample: (camera.sensor.width / longSide) ** 2,
    project: (firstRow, rows, out) => {
      for (let r = 0; r < rows; r++) {
        const y = firstRow + r;
        for (let phase = 0; phase < 2; phase++) {
          const site = cfaIndex(phase, y);
          verticalPass(planes[site === 0 ? 0 : site === 3 ? 2 : 1]!, size, down, y, rowOf[phase]!);
        }
        const yMm = (y + 0.5 - height / 2) * siteMm;
        horizontalPass(rowOf, across, width, out, r * width);
        for (let x = 0, o = r * width; x < width; x++, o++) {
          const xMm = (x + 0.5 - width / 2) * siteMm;
          out[o] = out[o]! * lux * cos4(lens.focalLengthMm, xMm, yMm);
        }
      }
    },
  };
}

function verticalPass(plane: Float32Array, size: number, taps: Taps, y: number, row: Float32Array): void {
  const { count, index, weight, held } = taps;
  const t = y * count;
  if (held) {
    const [a, b, c, d] = [index[t]! * size, index[t + 1]! * size, index[t + 2]! * size, index[t + 3]! * size];
    const [wa, wb, wc, wd] = [weight[t]!, weight[t + 1]!, weight[t + 2]!, weight[t + 3]!];
    for (let x = 0; x < size; x++) {
      const p = plane[b + x]!;
      const q = plane[c + x]!;
      row[x] = held2(wa * plane[a + x]! + wb * p + wc * q + wd * plane[d + x]!, p, q);
    }
    return;
  }
  row.fill(0);
  for (let k = 0; k < count; k++) {
    const [at, w] = [index[t + k]! * size, weight[t + k]!];
    if (w > 0) for (let x = 0; x < size; x++) row[x] = row[x]! + w * plane[at + x]!;
  }
}

function horizontalPass(
  rowOf: readonly [Float32Array, Float32Array],
  taps: Taps,
  width: number,
  out: Float32Array,
  o: number,
): void {
  const { count, index, weight, held } = taps;
  for (let x = 0, t = 0; x < width; x++, t += count) {
    const row = rowOf[x & 1]!;
    if (held) {
      const p = row[index[t + 1]!]!;
      const q = row[index[t + 2]!]!;
      const value =
        weight[t]! * row[index[t]!]! +
        weight[t + 1]! * p +
        weight[t + 2]! * q +
        weight[t + 3]! * row[index[t + 3]!]!;
      out[o + x] = held2(value, p, q);
    } else {
      let sum = 0;
      for (let k = 0; k < count; k++) sum += weight[t + k]! * row[index[t + k]!]!;
      out[o + x] = sum;
    }
  }
}

function held2(value: number, p: number, q: number): number {
  return p < q ? (value < p ? p : value > q ? q : value) : value < q ? q : value > p ? p : value;
}

/** Scene luminance over the frame for the meter, corrected for the lens' fall-off (it is read before the lens). */
function luminanceMap(light: Float32Array, size: number, orientation: Orientation): LuminanceMap {
  const crop = cropOf(size, orientation);
  const long = Math.min(METER_LONG_SIDE, size);
  const short = Math.round(long * 0.75);
  const [width, height] = orientation === 'landscape' ? [long, short] : [short, long];
  const down = tapsFor(height, crop.y, crop.y + crop.height, size);
  const across = tapsFor(width, crop.x, crop.x + crop.width, size);
  const y709 = new Float32Array(size * size);
  for (let i = 0; i < y709.length; i++) {
    y709[i] = LUMA_709[0] * light[3 * i]! + LUMA_709[1] * light[3 * i + 1]! + LUMA_709[2] * light[3 * i + 2]!;
  }
  const data = new Float32Array(width * height);
  const row = new Float32Array(size);
  for (let y = 0; y < height; y++) {
    verticalPass(y709, size, down, y, row);
    horizontalPass([row, row], across, width, data, y * width);
  }
  return { width, height, data };
}
