// A plate (scene-linear light of one lamp, or depth) as few bytes: logarithm, wavelet, quantiser, deflate, and
// exact values for the few pixels that carry a patch on their own. Relative error is what the eye and the meter
// see, so everything is quantised in stops.
import { deflateSync } from 'fflate';
import { inflated } from '../platform/deflate';
import type { Plate } from './plate';
import { exp2Table, expanded, putCodes, type CodedPlate } from './coded-plate';
import { unpackByKernel, type Band, type CodedPlane } from './unpack-kernel';
import { bandNorm, forwardWavelet, inverseRows, levelsFor } from './wavelet';

export interface PlateQuality {
  /** Quantiser step of the first plane (green) in stops, finest band. */
  readonly step: number;
  /** Quantiser step of the two ratio planes red/green and blue/green, which have half the size each way, stops. */
  readonly ratioStep: number;
  /** Value added before the logarithm: what lies far below it is not kept. Same unit as the data. */
  readonly floor: number;
}

/** Sizes and scales of a packed plate, without which its bytes cannot be read. */
export interface PlateHeader {
  readonly width: number;
  readonly height: number;
  readonly quality: PlateQuality;
  /** Byte length of each plane's deflated coefficients, then of the exact pixels. */
  readonly lengths: readonly number[];
}

/** Green, red against it, blue against it. */
const PLANES = 3;

/** Coarse bands get finer steps than equal error asks for: they carry the mean of a patch and cost few bytes. */
const COARSE = [1, 0.72, 0.4, 0.22, 0.12, 0.12, 0.12] as const;

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
/** Shift of a coefficient towards zero within its step when it is read, steps: to the mean of a Laplacian instead of the middle. */
const RECONSTRUCT = 0.06;
/** Added to a coefficient of size one, and to larger ones, when they are read, steps. */
const ONE_MORE = DEAD_ZONE / 2 - RECONSTRUCT;
const OTHERS_MORE = DEAD_ZONE - RECONSTRUCT;

/** Packs a plate. `exact` lists value indices (pixel · 3 + channel), rising, to be kept as they are. */
export function encodePlate(plate: Plate, quality: PlateQuality, exact: readonly number[] = []) {
  const { width, height } = plate;
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
  const header: PlateHeader = { width, height, quality, lengths: parts.map((p) => p.length) };
  const bytes = new Uint8Array(parts.reduce((sum, p) => sum + p.length, 0));
  let offset = 0;
  for (const part of parts) {
    bytes.set(part, offset);
    offset += part.length;
  }
  return { header, bytes };
}

/**
 * Unpacks a plate in all its detail.
 * @throws RangeError when the bytes do not fit the header
 */
export async function decodeCoded(header: PlateHeader, bytes: Uint8Array): Promise<CodedPlate> {
  const { width, height, quality } = header;
  const parts = await partsOf(header, bytes);
  const [green, red, blue] = [0, 1, 2].map((c) => codedPlane(header, c, parts[c]!));
  const fixes = parts[header.lengths.length - 1]!;
  const view = new DataView(fixes.buffer, fixes.byteOffset, fixes.byteLength);
  const count = fixes.length >> 3;
  const exactAt = new Uint32Array(count);
  const exact = new Float32Array(count);
  for (let i = 0; i < count; i++) {
    exactAt[i] = view.getUint32(i * 8, true);
    exact[i] = view.getFloat32(i * 8 + 4, true);
    if (exactAt[i]! >= width * height * 3 || (i > 0 && exactAt[i]! <= exactAt[i - 1]!))
      throw new RangeError('Exact values of a plate out of order');
  }
  return { width, height, floor: quality.floor, green: green!, red: red!, blue: blue!, exactAt, exact };
}

/** Unpacks a plate. @throws RangeError when the bytes do not fit the header */
export async function decodePlate(header: PlateHeader, bytes: Uint8Array): Promise<Plate> {
  return expanded(await decodeCoded(header, bytes));
}

/**
 * Unpacks a plate for a first look: halved `times` each way, once at least, in a quarter of the time for each, without its finest detail.
 * @throws RangeError when the bytes do not fit the header
 */
export async function decodeFirstLook(header: PlateHeader, bytes: Uint8Array, times: number): Promise<Plate> {
  const { width, height, quality } = header;
  const [w, h] = [width >> times, height >> times];
  const planes = await Promise.all([0, 1, 2].map((c) => smallPlane(header, c, bytes, times)));
  return { width: w, height: h, data: fromEqualPlanes(planes, quality.floor) };
}

/** The inflated planes and exact values of a plate. */
function partsOf({ width, height, lengths }: PlateHeader, bytes: Uint8Array): Promise<Uint8Array[]> {
  if (!(width > 0 && height > 0 && width * height <= 1 << 24) || lengths.length !== PLANES + 1) {
    throw new RangeError('Plate header');
  }
  let offset = 0;
  return Promise.all(
    lengths.map((length) => {
      const part = bytes.subarray(offset, offset + length);
      offset += length;
      return inflate(part);
    }),
  );
}

/** A plane of logarithms as places in the table of powers of two. */
function codedPlane({ width, height, quality }: PlateHeader, c: number, coded: Uint8Array): Uint16Array {
  const { codes, used } = unpack(coded, planeLayout(width, height, c, quality));
  if (used !== coded.length) throw new RangeError('Plate data do not fit their size');
  return codes;
}

/** Coefficients → places in the table, and how many bytes were used. @throws RangeError when the bytes end early */
function unpack(coded: Uint8Array, layout: CodedPlane): { codes: Uint16Array; used: number } {
  const unpacked = unpackByKernel(coded, layout, ONE_MORE, OTHERS_MORE) ?? unpackPlainly(coded, layout);
  if (unpacked.used > coded.length) throw new RangeError('Plate data end early');
  return unpacked;
}

/** Twin of the kernel. */
function unpackPlainly(coded: Uint8Array, { w, h, levels, bands }: CodedPlane) {
  const plane = new Float32Array(w * h);
  const used = dequantise(coded, plane, w, bands);
  const codes = new Uint16Array(w * h);
  inverseRows(plane, w, h, levels, (row, y) => putCodes(row, codes, y * w));
  return { codes, used };
}

/** Coefficients that do not fit a byte take five: so many more bytes than coefficients hold those of a first look, nearly always. */
const LONGER = 1.6;

/** The same halved, the first plane `times`; the ratio planes have half the size already. Bands lie from coarse to fine: the rest is not inflated. */
async function smallPlane(
  { width, height, quality, lengths }: PlateHeader,
  c: number,
  bytes: Uint8Array,
  times: number,
): Promise<Uint16Array> {
  const from = lengths.slice(0, c).reduce((sum, n) => sum + n, 0);
  const part = bytes.subarray(from, from + lengths[c]!);
  const layout = planeLayout(width, height, c, quality);
  const skip = Math.max(0, c === 0 ? times : times - 1);
  if (skip > layout.levels) throw new RangeError('Plate halved too often');
  const [w, h, levels] = [layout.w >> skip, layout.h >> skip, layout.levels - skip];
  const small = { w, h, levels, bands: layout.bands.slice(0, 1 + 3 * levels) };
  try {
    return unpack(await inflate(part, LONGER * w * h), small).codes;
  } catch {
    // Many long ones, or damaged: all of it tells.
    return unpack(await inflate(part), small).codes;
  }
}

/**
 * What raw deflate stands for.
 * @param enough bytes from the beginning that are wanted at least; all of them where it is not given
 * @throws RangeError when the bytes are damaged
 */
export async function inflate(bytes: Uint8Array, enough?: number): Promise<Uint8Array> {
  try {
    return await inflated(bytes, enough);
  } catch {
    throw new RangeError('Plate data are damaged');
  }
}

/** Size, levels and bands of plane `c`: the first at full size, the ratio planes at half. */
function planeLayout(width: number, height: number, c: number, quality: PlateQuality): CodedPlane {
  const [w, h] = c === 0 ? [width, height] : [width >> 1, height >> 1];
  const levels = levelsFor(w, h);
  return { w, h, levels, bands: bandsOf(w, h, levels, c === 0 ? quality.step : quality.ratioStep) };
}

/** log2 of green, and log2 of red and blue against it as means of 2×2. */
function logPlanes({ data, width, height }: Plate, floor: number): Float32Array[] {
  const log = (v: number) => Math.log2(Math.max(0, v) + floor);
  const first = new Float32Array(width * height);
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

/** Planes of one size, for a first look. */
function fromEqualPlanes(planes: readonly Uint16Array[], floor: number): Float32Array {
  const [green, red, blue] = planes as [Uint16Array, Uint16Array, Uint16Array];
  const out = new Float32Array(green.length * 3);
  const table = exp2Table();
  for (let i = 0, o = 0; i < green.length; i++, o += 3) {
    const g = table[green[i]!]!;
    out[o] = Math.max(0, g * table[red[i]!]! - floor);
    out[o + 1] = Math.max(0, g - floor);
    out[o + 2] = Math.max(0, g * table[blue[i]!]! - floor);
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

/** @returns the number of bytes used; more than there are where they end early */
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
  return n;
}

function valueOf(code: number, step: number): number {
  const size = (code + 1) >> 1;
  const value = (size + (size === 1 ? ONE_MORE : OTHERS_MORE)) * step;
  return code & 1 ? value : -value;
}
