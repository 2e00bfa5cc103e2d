// What the meter sees of a view: luminance corrected for the lens' fall-off, and, when asked for, the raw channel that clips
// first, with its fall-off.
import type { Orientation } from '../body/orientation';
import type { LuminanceMap, MeterSight } from '../meter/luminance-map';
import { meterRangeOf } from '../meter/range';
import { cos4 } from '../optics/lens';
import type { SimulatedOptic } from '../sensor/simulated-optic';
import { cropOf } from './framing';
import { horizontalPass, tapsFor, verticalPass } from './resample';

const METER_LONG_SIDE = 128;

interface Seen {
  readonly camera: SimulatedOptic;
  readonly orientation: Orientation;
  readonly size: number;
  readonly groups: readonly { readonly planes: readonly [Float32Array, Float32Array, Float32Array] }[];
}

/** @param y709 luminance of the square plate, all lamps together */
export function meterSight(seen: Seen, y709: Float32Array): MeterSight {
  const { camera, orientation, size } = seen;
  let peak: LuminanceMap | undefined;
  let levels: LevelCounts | undefined;
  return {
    luminance: mapOf(y709, size, orientation),
    peak: () => (peak ??= peakMap(seen)),
    brightest: (share) => levelOf((levels ??= countLevels(seen)), share),
    range: meterRangeOf(camera.lens, camera.sensor),
  };
}

/** A plane of the square plate as the frame shows it, at the meter's size. */
function mapOf(plane: Float32Array, size: number, orientation: Orientation): LuminanceMap {
  const crop = cropOf(size, orientation);
  const long = Math.min(METER_LONG_SIDE, size);
  const short = Math.round(long * 0.75);
  const [width, height] = orientation === 'landscape' ? [long, short] : [short, long];
  const down = tapsFor(height, crop.y, crop.y + crop.height, size);
  const across = tapsFor(width, crop.x, crop.x + crop.width, size);
  const data = new Float32Array(width * height);
  const row = new Float32Array(size);
  for (let y = 0; y < height; y++) {
    verticalPass(plane, size, down, y, row);
    horizontalPass(row, across, width, data, y * width);
  }
  return { width, height, data };
}

/** cos⁴θ at a place of the square plate, whose side is the sensor's long side. */
function fallOffOf({ camera, size }: Seen) {
  const perPixel = (camera.sensor.width * camera.sensor.pitchMm) / size;
  const at = (i: number) => (i + 0.5 - size / 2) * perPixel;
  return (x: number, y: number) => cos4(camera.lens.focalLengthMm, at(x), at(y));
}

function peakMap(seen: Seen): LuminanceMap {
  const { groups, size, orientation } = seen;
  const maps = [0, 1, 2].map((c) => {
    const planes = groups.map((g) => g.planes[c]!);
    const sum = planes.length === 1 ? planes[0]! : sumOf(planes);
    return mapOf(sum, size, orientation);
  });
  const { width, height } = maps[0]!;
  const crop = cropOf(size, orientation);
  const fallOff = fallOffOf(seen);
  const data = Float32Array.from({ length: width * height }, (_, i) => {
    const x = crop.x + (((i % width) + 0.5) * crop.width) / width;
    const y = crop.y + ((Math.floor(i / width) + 0.5) * crop.height) / height;
    return Math.max(...maps.map((m) => m.data[i]!)) * fallOff(x - 0.5, y - 0.5);
  });
  return { width, height, data };
}

function sumOf(planes: readonly Float32Array[]): Float32Array {
  const sum = new Float32Array(planes[0]?.length ?? 0);
  for (const plane of planes) for (let i = 0; i < sum.length; i++) sum[i] = sum[i]! + plane[i]!;
  return sum;
}

/** Pixels of each channel over the logarithm of their level. */
interface LevelCounts {
  readonly counts: readonly Uint32Array[];
  readonly pixels: number;
}

const LOG_FROM = -24;
const LOG_STEPS = 48;
const LOG_BINS = 48 * LOG_STEPS;

function countLevels(seen: Seen): LevelCounts {
  const { groups, size, orientation } = seen;
  const crop = cropOf(size, orientation);
  const fallOff = fallOffOf(seen);
  const [x0, x1] = [Math.ceil(crop.x), Math.floor(crop.x + crop.width)];
  const [y0, y1] = [Math.ceil(crop.y), Math.floor(crop.y + crop.height)];
  const counts = [0, 1, 2].map(() => new Uint32Array(LOG_BINS));
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++) {
      const falls = fallOff(x, y);
      for (let c = 0; c < 3; c++) {
        let level = 0;
        for (let g = 0; g < groups.length; g++) level += groups[g]!.planes[c]![y * size + x]!;
        const bin = ((Math.log2(level * falls + 1e-7) - LOG_FROM) * LOG_STEPS) | 0;
        counts[c]![bin < 0 ? 0 : bin >= LOG_BINS ? LOG_BINS - 1 : bin]!++;
      }
    }
  return { counts, pixels: (x1 - x0) * (y1 - y0) };
}

/** Level that `share` of the pixels of the brightest channel reach, to 1/48 stop. */
function levelOf({ counts, pixels }: LevelCounts, share: number): number {
  const wanted = Math.max(1, Math.ceil(pixels * share));
  const tops = counts.map((channel) => {
    let above = 0;
    for (let bin = LOG_BINS - 1; bin > 0; bin--) {
      above += channel[bin]!;
      if (above >= wanted) return bin;
    }
    return 0;
  });
  return 2 ** (LOG_FROM + (Math.max(...tops) + 0.5) / LOG_STEPS);
}
