// A plate (scene-linear light of one lamp, or depth) as few bytes: logarithm, wavelet, quantiser, deflate, and
// exact values for the few pixels that carry a patch on their own. Relative error is what the eye and the meter
// see, so everything is quantised in stops.
import { deflateSync } from 'fflate';
import { bandNorm, forwardWavelet, inverseWavelet, levelsFor } from './wavelet';

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
  /** The same for the two ratio planes red/green and blue/green, which have half the size each way. */
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

/** Coarse bands get finer steps than equal error asks for: they carry the mean of a patch and cost few bytes. */
const COARSE = [1, 0.72, 0.4, 0.22, 0.12, 0.12, 0.12] as const;

interface Band {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly step: number;
}

/** Bands from the coarsest to the finest, so that a reader may stop early for a smaller picture. */
function bandsOf(width: number, height: number, levels: number, step: number): Band[] {
  const [w, h] = [width >> levels, height >> levels];
  const bands: Band[] = [{ x: 0, y: 0, w, h, step: (step * COARSE[levels]!) / bandNorm(levels, 'low') }];
  for (let level = levels - 1; level >= 0; level--) {
    const [bw, bh] = [width >> (level + 1), height >> (level + 1)];
    const scaled = step * COARSE[level]!;
    const side = scaled / bandNorm(level, 'side');
    bands.push({ x: 0, y: bh, w: bw, h: bh, step: side });
    bands.push({ x: bw, y: 0, w: bw, h: bh, step: side });
    bands.push({ x: bw, y: bh, w: bw, h: bh, step: scaled / bandNorm(level, 'diagonal') });
  }
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
  const parts = logPlanes(plate, quality.floor).map((plane, c) => {
    const { w, h, levels, bands } = planeLayout(width, height, c, quality);
    forwardWavelet(plane, w, h, levels);
    return deflateSync(quantise(plane, w, bands), { level: 9, mem: 12 });
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

/**
 * Unpacks a plate.
 * @param half true for a plate of half the size each way, in a quarter of the time, without its finest detail
 * @throws RangeError when the bytes do not fit the header
 */
export async function decodePlate(header: PlateHeader, bytes: Uint8Array, half = false): Promise<Plate> {
  const { width, height, channels, quality, lengths } = header;
  if (!(width > 0 && height > 0 && width * height <= 1 << 24) || lengths.length !== channels + 1) {
    throw new RangeError('Plate header');
  }
  let offset = 0;
  const parts = await Promise.all(
    lengths.map((length) => {
      const part = bytes.subarray(offset, offset + length);
      offset += length;
      return inflate(part);
    }),
  );
  const scratch = new Float32Array(width * height);
  const planes = parts.slice(0, channels).map((coded, c) => {
    const layout = planeLayout(width, height, c, quality);
    // The ratio planes have half the size already.
    const skip = half && c === 0 ? 1 : 0;
    const [w, h, levels] = [layout.w >> skip, layout.h >> skip, layout.levels - skip];
    const plane = new Float32Array(w * h);
    const used = dequantise(coded, plane, w, layout.bands.slice(0, 1 + 3 * levels));
    if (skip === 0 && used !== coded.length) throw new RangeError('Plate data do not fit their size');
    inverseWavelet(plane, w, h, levels, scratch);
    return plane;
  });
  if (half) {
    const [w, h] = [width >> 1, height >> 1];
    return { width: w, height: h, channels, data: fromEqualPlanes(planes, quality.floor) };
  }
  const data = fromLogPlanes(planes, width, height, quality.floor);
  const fixes = parts[channels]!;
  const view = new DataView(fixes.buffer, fixes.byteOffset, fixes.byteLength);
  for (let i = 0; i + 8 <= fixes.length; i += 8) {
    const index = view.getUint32(i, true);
    if (index < data.length) data[index] = view.getFloat32(i + 4, true);
  }
  return { width, height, channels, data };
}

/** Raw deflate through the platform's own decoder, which is several times faster than one in script. */
export async function inflate(bytes: Uint8Array): Promise<Uint8Array> {
  const stream = new Blob([bytes as Uint8Array<ArrayBuffer>])
    .stream()
    .pipeThrough(new DecompressionStream('deflate-raw'));
  try {
    return new Uint8Array(await new Response(stream).arrayBuffer());
  } catch {
    throw new RangeError('Plate data are damaged');
  }
}

/** Size, levels and bands of plane `c`: the first at full size, the ratio planes at half. */
function planeLayout(width: number, height: number, c: number, quality: PlateQuality) {
  const [w, h] = c === 0 ? [width, height] : [width >> 1, height >> 1];
  const levels = levelsFor(w, h);
  return { w, h, levels, bands: bandsOf(w, h, levels, c === 0 ? quality.step : quality.ratioStep) };
}

/** log2 of green, and log2 of red and blue against it as means of 2×2; of a single channel, its log2. */
function logPlanes({ data, channels, width, height }: Plate, floor: number): Float32Array[] {
  const log = (v: number) => Math.log2(Math.max(0, v) + floor);
  const first = new Float32Array(width * height);
  if (channels === 1) {
    first.forEach((_, i) => (first[i] = log(data[i]!)));
    return [first];
  }
  const half = width >> 1;
  const [red, blue] = [new Float32Array(half * (height >> 1)), new Float32Array(half * (height >> 1))];
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      const green = log(data[3 * i + 1]!);
      const h = (y >> 1) * half + (x >> 1);
      first[i] = green;
      red[h] = red[h]! + (log(data[3 * i]!) - green) / 4;
      blue[h] = blue[h]! + (log(data[3 * i + 2]!) - green) / 4;
    }
  }
  return [first, red, blue];
}

const EXP_FROM = -32;
const EXP_TO = 32;
const EXP_STEPS = 256;
let expTable: Float32Array | undefined;

/** 2^x at the middle of steps of 1/256 stop (error under 0.14 %, mean 0), for x in −32 … 32: small enough for the cache. */
function exp2Table(): Float32Array {
  expTable ??= Float32Array.from(
    { length: (EXP_TO - EXP_FROM) * EXP_STEPS },
    (_, i) => 2 ** (EXP_FROM + (i + 0.5) / EXP_STEPS),
  );
  return expTable;
}

/** Planes of one size, for the half-size picture. */
function fromEqualPlanes(planes: readonly Float32Array[], floor: number): Float32Array {
  const [green, red, blue] = planes;
  if (!green) throw new RangeError('No planes');
  if (!red || !blue) return green.map((v) => Math.max(0, 2 ** v - floor));
  const out = new Float32Array(green.length * 3);
  const table = exp2Table();
  const bias = -EXP_FROM * EXP_STEPS;
  for (let i = 0, o = 0; i < green.length; i++, o += 3) {
    const g = table[(green[i]! * EXP_STEPS + bias) | 0]!;
    out[o] = Math.max(0, g * table[(red[i]! * EXP_STEPS + bias) | 0]! - floor);
    out[o + 1] = Math.max(0, g - floor);
    out[o + 2] = Math.max(0, g * table[(blue[i]! * EXP_STEPS + bias) | 0]! - floor);
  }
  return out;
}

function fromLogPlanes(
  planes: readonly Float32Array[],
  width: number,
  height: number,
  floor: number,
): Float32Array {
  const [green, red, blue] = planes;
  if (!green) throw new RangeError('No planes');
  const table = exp2Table();
  const bias = -EXP_FROM * EXP_STEPS;
  if (!red || !blue) return green.map((v) => table[(v * EXP_STEPS + bias) | 0]! - floor);
  const out = new Float32Array(width * height * 3);
  const row = width * 3;
  const half = width >> 1;
  // Written out for the four pixels that share a ratio: this loop is a third of the time a scene takes to unpack.
  for (let y = 0; y < height; y += 2) {
    for (let x = 0; x < half; x++) {
      const h = (y >> 1) * half + x;
      const r = table[(red[h]! * EXP_STEPS + bias) | 0]!;
      const b = table[(blue[h]! * EXP_STEPS + bias) | 0]!;
      const i = y * width + 2 * x;
      const o = y * row + 6 * x;
      const p = o + row;
      let g = table[(green[i]! * EXP_STEPS + bias) | 0]!;
      out[o] = Math.max(0, g * r - floor);
      out[o + 1] = Math.max(0, g - floor);
      out[o + 2] = Math.max(0, g * b - floor);
      g = table[(green[i + 1]! * EXP_STEPS + bias) | 0]!;
      out[o + 3] = Math.max(0, g * r - floor);
      out[o + 4] = Math.max(0, g - floor);
      out[o + 5] = Math.max(0, g * b - floor);
      g = table[(green[i + width]! * EXP_STEPS + bias) | 0]!;
      out[p] = Math.max(0, g * r - floor);
      out[p + 1] = Math.max(0, g - floor);
      out[p + 2] = Math.max(0, g * b - floor);
      g = table[(green[i + width + 1]! * EXP_STEPS + bias) | 0]!;
      out[p + 3] = Math.max(0, g * r - floor);
      out[p + 4] = Math.max(0, g - floor);
      out[p + 5] = Math.max(0, g * b - floor);
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

/** @returns the number of bytes used */
function dequantise(coded: Uint8Array, plane: Float32Array, stride: number, bands: readonly Band[]): number {
  let n = 0;
  const values = new Float32Array(256);
  for (const band of bands) {
    for (let code = 1; code < ESCAPE; code++) values[code] = valueOf(code, band.step);
    for (let y = 0; y < band.h; y++) {
      const from = (band.y + y) * stride + band.x;
      const to = from + band.w;
      for (let i = from; i < to; i++) {
        const code = coded[n++]!;
        if (code === 0) continue;
        if (code !== ESCAPE) plane[i] = values[code]!;
        else {
          const long = coded[n]! + coded[n + 1]! * 256 + coded[n + 2]! * 65536 + coded[n + 3]! * 16777216;
          n += 4;
          plane[i] = valueOf(long, band.step);
        }
      }
    }
  }
  if (n > coded.length) throw new RangeError('Plate data end early');
  return n;
}

function valueOf(code: number, step: number): number {
  const size = (code + 1) >> 1;
  const value = (size === 1 ? size + DEAD_ZONE / 2 - RECONSTRUCT : size + DEAD_ZONE - RECONSTRUCT) * step;
  return code & 1 ? value : -value;
}
