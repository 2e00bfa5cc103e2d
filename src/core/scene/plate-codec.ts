// A plate (scene-linear light of one lamp, or depth) as few bytes: logarithm, wavelet, quantiser, deflate, and
// exact values for the few pixels that carry a patch on their own. Relative error is what the eye and the meter
// see, so everything is quantised in stops.
import { deflateSync, inflateSync } from 'fflate';
import { forwardWavelet, inverseWavelet, levelsFor } from './wavelet';

/** A square or oblong picture of `channels` interleaved linear values a pixel, cd/m² (or metres). */
export interface Plate {
  readonly width: number;
  readonly height: number;
  readonly channels: 1 | 3;
  readonly data: Float32Array;
}

export interface PlateQuality {
  /** Quantiser step of the first plane (green, or the only one) in stops, finest band. */
  readonly step: number;
  /** The same for the two ratio planes red/green and blue/green. */
  readonly ratioStep: number;
  /** Value added before the logarithm: what lies far below it is not kept. Same unit as the data. */
  readonly floor: number;
}

/** What a packed plate needs beside its bytes to be read again. */
export interface PlateHeader {
  readonly width: number;
  readonly height: number;
  readonly channels: 1 | 3;
  readonly quality: PlateQuality;
  /** Byte length of each plane's deflated coefficients, then of the exact pixels. */
  readonly lengths: readonly number[];
}

/** Steps shrink towards the coarse bands: they carry the mean of a patch and cost few bytes. */
function bandStep(step: number, level: number, diagonal: boolean): number {
  if (level === 0) return diagonal ? step * 1.5 : step;
  return step * ([1, 0.72, 0.4, 0.22][level] ?? 0.12);
}

interface Band {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly step: number;
}

/** Bands from the finest to the coarsest. */
function bandsOf(width: number, height: number, levels: number, step: number): Band[] {
  const bands: Band[] = [];
  for (let level = 0; level < levels; level++) {
    const [w, h] = [width >> (level + 1), height >> (level + 1)];
    bands.push({ x: w, y: h, w, h, step: bandStep(step, level, true) });
    bands.push({ x: w, y: 0, w, h, step: bandStep(step, level, false) });
    bands.push({ x: 0, y: h, w, h, step: bandStep(step, level, false) });
  }
  const [w, h] = [width >> levels, height >> levels];
  bands.push({ x: 0, y: 0, w, h, step: bandStep(step, levels, false) });
  return bands;
}

const ESCAPE = 255;
/** Zero is widened by this share of a step on either side: most fine detail of a smooth wall is nothing. */
const DEAD_ZONE = 0.12;
/** Where in its step a coefficient is put back, towards zero: the Laplacian mean instead of the middle. */
const RECONSTRUCT = 0.06;

/** Packs a plate. `exact` lists value indices (pixel·channels + channel) to be kept as they are. */
export function encodePlate(plate: Plate, quality: PlateQuality, exact: readonly number[] = []) {
  const { width, height, channels } = plate;
  const levels = levelsFor(width, height);
  const parts = logPlanes(plate, quality.floor).map((plane, c) => {
    forwardWavelet(plane, width, height, levels);
    const step = c === 0 ? quality.step : quality.ratioStep;
    return deflateSync(quantise(plane, width, bandsOf(width, height, levels, step)), { level: 9, mem: 12 });
  });
  const fixes = new DataView(new ArrayBuffer(exact.length * 8));
  exact.forEach((index, i) => {
    fixes.setUint32(i * 8, index, true);
    fixes.setFloat32(i * 8 + 4, plate.data[index] ?? 0, true);
  });
  parts.push(deflateSync(new Uint8Array(fixes.buffer), { level: 9 }));
  const header: PlateHeader = { width, height, channels, quality, lengths: parts.map((p) => p.length) };
  const bytes = new Uint8Array(parts.reduce((sum, p) => sum + p.length, 0));
  let offset = 0;
  for (const part of parts) {
    bytes.set(part, offset);
    offset += part.length;
  }
  return { header, bytes };
}

/** Unpacks a plate. @throws RangeError when the bytes do not fit the header. */
export function decodePlate(header: PlateHeader, bytes: Uint8Array): Plate {
  const { width, height, channels, quality, lengths } = header;
  const pixels = width * height;
  if (!(pixels > 0 && pixels <= 1 << 24) || lengths.length !== channels + 1) throw new RangeError('Plate header');
  const levels = levelsFor(width, height);
  const planes: Float32Array[] = [];
  let offset = 0;
  for (let c = 0; c < channels; c++) {
    const coded = inflateSync(bytes.subarray(offset, offset + (lengths[c] ?? 0)), { out: new Uint8Array(pixels * 2) });
    offset += lengths[c] ?? 0;
    const plane = new Float32Array(pixels);
    const step = c === 0 ? quality.step : quality.ratioStep;
    dequantise(coded, plane, width, bandsOf(width, height, levels, step));
    inverseWavelet(plane, width, height, levels);
    planes.push(plane);
  }
  const data = fromLogPlanes(planes, quality.floor);
  const fixes = inflateSync(bytes.subarray(offset, offset + (lengths[channels] ?? 0)));
  const view = new DataView(fixes.buffer, fixes.byteOffset, fixes.byteLength);
  for (let i = 0; i + 8 <= fixes.length; i += 8) {
    const index = view.getUint32(i, true);
    if (index < data.length) data[index] = view.getFloat32(i + 4, true);
  }
  return { width, height, channels, data };
}

/** log2 of green, and log2 of red and blue against it; of a single channel, its log2. */
function logPlanes({ data, channels, width, height }: Plate, floor: number): Float32Array[] {
  const planes = Array.from({ length: channels }, () => new Float32Array(width * height));
  const log = (v: number) => Math.log2(Math.max(0, v) + floor);
  for (let i = 0; i < width * height; i++) {
    if (channels === 1) planes[0]![i] = log(data[i]!);
    else {
      const green = log(data[3 * i + 1]!);
      planes[0]![i] = green;
      planes[1]![i] = log(data[3 * i]!) - green;
      planes[2]![i] = log(data[3 * i + 2]!) - green;
    }
  }
  return planes;
}

const EXP_FROM = -40;
const EXP_TO = 40;
const EXP_STEPS = 2048;
let expTable: Float32Array | undefined;

/** 2^x by table in steps of 1/2048 stop (error under 0.02 %), for x in −40 … 40. */
function exp2Table(): Float32Array {
  expTable ??= Float32Array.from(
    { length: (EXP_TO - EXP_FROM) * EXP_STEPS + 1 },
    (_, i) => 2 ** (EXP_FROM + i / EXP_STEPS),
  );
  return expTable;
}

function fromLogPlanes(planes: Float32Array[], floor: number): Float32Array {
  const channels = planes.length;
  const [green, red, blue] = planes;
  if (!green) throw new RangeError('No planes');
  const out = new Float32Array(green.length * channels);
  const table = exp2Table();
  const bias = 0.5 - EXP_FROM * EXP_STEPS;
  for (let i = 0, o = 0; i < green.length; i++, o += channels) {
    const g = green[i]!;
    if (!red || !blue) {
      out[o] = Math.max(0, table[(g * EXP_STEPS + bias) | 0]! - floor);
    } else {
      const r = table[((g + red[i]!) * EXP_STEPS + bias) | 0]! - floor;
      const gg = table[(g * EXP_STEPS + bias) | 0]! - floor;
      const b = table[((g + blue[i]!) * EXP_STEPS + bias) | 0]! - floor;
      out[o] = r > 0 ? r : 0;
      out[o + 1] = gg > 0 ? gg : 0;
      out[o + 2] = b > 0 ? b : 0;
    }
  }
  return out;
}

/** Coefficients as bytes: 0, then sign and size interleaved (1 → 1, −1 → 2, …); 255 opens a four-byte integer. */
function quantise(plane: Float32Array, stride: number, bands: readonly Band[]): Uint8Array {
  const out = new Uint8Array(plane.length * 5);
  let n = 0;
  for (const band of bands) {
    for (let y = 0; y < band.h; y++) {
      let i = (band.y + y) * stride + band.x;
      for (let x = 0; x < band.w; x++, i++) {
        const scaled = plane[i]! / band.step;
        const size = Math.floor(Math.abs(scaled) + 0.5 - DEAD_ZONE);
        const code = size === 0 ? 0 : 2 * size - (scaled > 0 ? 1 : 0);
        if (code < ESCAPE) out[n++] = code;
        else {
          out[n++] = ESCAPE;
          for (let k = 0; k < 4; k++) out[n++] = (code >>> (8 * k)) & 255;
        }
      }
    }
  }
  return out.slice(0, n);
}

function dequantise(coded: Uint8Array, plane: Float32Array, stride: number, bands: readonly Band[]): void {
  let n = 0;
  for (const band of bands) {
    const values = new Float32Array(ESCAPE);
    for (let code = 1; code < ESCAPE; code++) values[code] = valueOf(code, band.step);
    for (let y = 0; y < band.h; y++) {
      let i = (band.y + y) * stride + band.x;
      for (const end = i + band.w; i < end; i++) {
        const code = coded[n++]!;
        if (code < ESCAPE) plane[i] = values[code]!;
        else {
          const long = coded[n]! + coded[n + 1]! * 256 + coded[n + 2]! * 65536 + coded[n + 3]! * 16777216;
          n += 4;
          plane[i] = valueOf(long, band.step);
        }
      }
    }
  }
  if (n > coded.length) throw new RangeError('Plate data ends early');
}

function valueOf(code: number, step: number): number {
  const size = (code + 1) >> 1;
  const value = (size === 1 ? size + DEAD_ZONE / 2 - RECONSTRUCT : size + DEAD_ZONE - RECONSTRUCT) * step;
  return code & 1 ? value : -value;
}
