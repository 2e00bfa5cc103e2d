// A plate in memory in few bytes, as it comes out of its packing: the logarithm of green for every pixel, those of red and blue against it
// for every four. A tenth of the bytes of three floats a pixel for detail that is looked at in places only; light is worked out where it is
// asked for.
import type { Mat3, Vec3 } from '../numeric/matrix';
import type { Plate, PlatePart } from './plate';

/** Places of the table of powers of two; rows of the plate's size, and of half of it for the ratios. */
export interface CodedPlate {
  readonly width: number;
  readonly height: number;
  /** Added before the logarithm, in the plate's unit. */
  readonly floor: number;
  readonly green: Uint16Array;
  readonly red: Uint16Array;
  readonly blue: Uint16Array;
  /** Values that are kept as they were: rising numbers of values (pixel · 3 + channel), and what they are. */
  readonly exactAt: Uint32Array;
  readonly exact: Float32Array;
}

const EXP_FROM = -32;
const EXP_TO = 32;
const EXP_STEPS = 256;
let expTable: Float32Array | undefined;

/** 2^x at the middle of steps of 1/256 stop (error under 0.14 %, mean 0), for x in −32 … 32: small enough for the cache. */
export function exp2Table(): Float32Array {
  expTable ??= Float32Array.from(
    { length: (EXP_TO - EXP_FROM) * EXP_STEPS },
    (_, i) => 2 ** (EXP_FROM + (i + 0.5) / EXP_STEPS),
  );
  return expTable;
}

/** Places in the table of logarithms to the base of two, from `at` on. */
export function putCodes(logs: Float32Array, codes: Uint16Array, at: number): void {
  const bias = -EXP_FROM * EXP_STEPS;
  // What lies out of the table, which no plate that was packed does, wraps around.
  const last = (EXP_TO - EXP_FROM) * EXP_STEPS - 1;
  for (let i = 0; i < logs.length; i++) codes[at + i] = Math.fround(logs[i]! * EXP_STEPS + bias) & last;
}

/** The plate with three floats a pixel. */
export function expanded(coded: CodedPlate): Plate {
  const { width, height, floor, green, red, blue, exactAt, exact } = coded;
  const table = exp2Table();
  const data = new Float32Array(width * height * 3);
  const row = width * 3;
  const half = width >> 1;
  // Written out for the four pixels that share a ratio: this loop is a third of the time a scene takes to unpack.
  for (let y = 0; y < height; y += 2) {
    for (let x = 0; x < half; x++) {
      const h = (y >> 1) * half + x;
      const r = table[red[h]!]!;
      const b = table[blue[h]!]!;
      const i = y * width + 2 * x;
      const o = y * row + 6 * x;
      const p = o + row;
      let g = table[green[i]!]!;
      data[o] = Math.max(0, g * r - floor);
      data[o + 1] = Math.max(0, g - floor);
      data[o + 2] = Math.max(0, g * b - floor);
      g = table[green[i + 1]!]!;
      data[o + 3] = Math.max(0, g * r - floor);
      data[o + 4] = Math.max(0, g - floor);
      data[o + 5] = Math.max(0, g * b - floor);
      g = table[green[i + width]!]!;
      data[p] = Math.max(0, g * r - floor);
      data[p + 1] = Math.max(0, g - floor);
      data[p + 2] = Math.max(0, g * b - floor);
      g = table[green[i + width + 1]!]!;
      data[p + 3] = Math.max(0, g * r - floor);
      data[p + 4] = Math.max(0, g - floor);
      data[p + 5] = Math.max(0, g * b - floor);
    }
  }
  exactAt.forEach((at, i) => (data[at] = exact[i]!));
  return { width, height, data };
}

/** The plate at half its size each way: the mean light of four pixels. */
export function reduced(coded: CodedPlate): Plate {
  const { width, floor, green, red, blue, exactAt, exact } = coded;
  const table = exp2Table();
  const half = width >> 1;
  const data = new Float32Array(red.length * 3);
  for (let h = 0, o = 0, i = 0; h < red.length; i += width) {
    for (const end = h + half; h < end; h++, o += 3, i += 2) {
      const top = table[green[i]!]! + table[green[i + 1]!]!;
      const g = (top + table[green[i + width]!]! + table[green[i + width + 1]!]!) / 4;
      const r = g * table[red[h]!]! - floor;
      const b = g * table[blue[h]!]! - floor;
      data[o] = r > 0 ? r : 0;
      data[o + 1] = g > floor ? g - floor : 0;
      data[o + 2] = b > 0 ? b : 0;
    }
  }
  exactAt.forEach((at, n) => {
    const channel = at % 3;
    const pixel = (at - channel) / 3;
    const [x, y] = [pixel % width, Math.floor(pixel / width)];
    const o = ((y >> 1) * half + (x >> 1)) * 3 + channel;
    data[o] = Math.max(0, data[o]! + (exact[n]! - valueAt(coded, pixel, channel)) / 4);
  });
  return { width: half, height: coded.height >> 1, data };
}

/** One value of the plate, exceptions left out. */
function valueAt({ width, floor, green, red, blue }: CodedPlate, pixel: number, channel: number): number {
  const table = exp2Table();
  const h = (Math.floor(pixel / width) >> 1) * (width >> 1) + ((pixel % width) >> 1);
  const g = table[green[pixel]!]!;
  const of = channel === 0 ? g * table[red[h]!]! : channel === 1 ? g : g * table[blue[h]!]!;
  return Math.max(0, of - floor);
}

/**
 * Adds the light of a part of the plate to three planes of that part.
 * @param part begins at an even row and column
 * @param m from linear Rec. 709 to the planes
 */
export function addPart(
  planes: readonly [Float32Array, Float32Array, Float32Array],
  coded: CodedPlate,
  part: PlatePart,
  m: Mat3,
): void {
  const { width, floor, green, red, blue, exactAt, exact } = coded;
  const table = exp2Table();
  const [first, second, third] = planes;
  const [[m00, m01, m02], [m10, m11, m12], [m20, m21, m22]] = m;
  for (let y = 0, o = 0; y < part.height; y++) {
    let i = (part.y + y) * width + part.x;
    let h = ((part.y + y) >> 1) * (width >> 1) + (part.x >> 1);
    for (let x = 0; x < part.width; h++) {
      const red4 = table[red[h]!]!;
      const blue4 = table[blue[h]!]!;
      // The two pixels of a row that share a ratio.
      for (const pair = Math.min(part.width, x + 2); x < pair; x++, i++, o++) {
        const light = table[green[i]!]!;
        const r = light * red4 - floor;
        const g = light - floor;
        const b = light * blue4 - floor;
        const [rr, gg, bb] = [r > 0 ? r : 0, g > 0 ? g : 0, b > 0 ? b : 0];
        first[o] = first[o]! + m00 * rr + m01 * gg + m02 * bb;
        second[o] = second[o]! + m10 * rr + m11 * gg + m12 * bb;
        third[o] = third[o]! + m20 * rr + m21 * gg + m22 * bb;
      }
    }
  }
  for (let n = firstFrom(exactAt, part.y * width * 3); n < exactAt.length; n++) {
    const channel = exactAt[n]! % 3;
    const pixel = (exactAt[n]! - channel) / 3;
    const [x, y] = [(pixel % width) - part.x, Math.floor(pixel / width) - part.y];
    if (y >= part.height) break;
    if (x < 0 || x >= part.width) continue;
    const more = exact[n]! - valueAt(coded, pixel, channel);
    planes.forEach((plane, c) => {
      plane[y * part.width + x] = plane[y * part.width + x]! + m[c]![channel]! * more;
    });
  }
}

/**
 * Adds the light of a part of the plate to one plane of it: what one kind of sites makes of it. The few values that are kept exactly are passed
 * over: for what looks at edges only.
 * @param part begins at an even row and column
 * @param m from linear Rec. 709 to the plane; what comes out below zero is nothing
 */
export function addGreen(plane: Float32Array, coded: CodedPlate, part: PlatePart, [m0, m1, m2]: Vec3): void {
  const { width, floor, green, red, blue } = coded;
  const table = exp2Table();
  const dark = (m0 + m1 + m2) * floor;
  for (let y = 0, o = 0; y < part.height; y++) {
    let i = (part.y + y) * width + part.x;
    let h = ((part.y + y) >> 1) * (width >> 1) + (part.x >> 1);
    for (let x = 0; x < part.width; h++) {
      const factor = m0 * table[red[h]!]! + m1 + m2 * table[blue[h]!]!;
      for (const pair = Math.min(part.width, x + 2); x < pair; x++, i++, o++) {
        const light = table[green[i]!]! * factor - dark;
        if (light > 0) plane[o] = plane[o]! + light;
      }
    }
  }
}

/** Number of the first entry of a rising list that is not under `least`. */
function firstFrom(list: Uint32Array, least: number): number {
  let [low, high] = [0, list.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (list[middle]! < least) low = middle + 1;
    else high = middle;
  }
  return low;
}

/**
 * Adds the light at single places, between the four pixels about each, to three planes of `xs.length` × `ys.length` samples. The few values
 * that are kept exactly are passed over: points stand for a frame by their number.
 * @param xs and `ys`: places in the plate's pixels
 */
export function addPoints(
  planes: readonly [Float32Array, Float32Array, Float32Array],
  coded: CodedPlate,
  xs: Float64Array,
  ys: Float64Array,
  m: Mat3,
): void {
  const { width, height, floor, green, red, blue } = coded;
  const table = exp2Table();
  const [first, second, third] = planes;
  const [[m00, m01, m02], [m10, m11, m12], [m20, m21, m22]] = m;
  const half = width >> 1;
  for (let y = 0, o = 0; y < ys.length; y++) {
    const py = Math.min(height - 1, Math.max(0, ys[y]! - 0.5));
    const top = Math.min(height - 2, Math.floor(py));
    const v = py - top;
    for (let x = 0; x < xs.length; x++, o++) {
      const px = Math.min(width - 1, Math.max(0, xs[x]! - 0.5));
      const left = Math.min(width - 2, Math.floor(px));
      const u = px - left;
      let [rr, gg, bb] = [0, 0, 0];
      for (let k = 0; k < 4; k++) {
        const [cx, cy] = [left + (k & 1), top + (k >> 1)];
        const weight = (k & 1 ? u : 1 - u) * (k >> 1 ? v : 1 - v);
        const light = table[green[cy * width + cx]!]!;
        const h = (cy >> 1) * half + (cx >> 1);
        rr += weight * Math.max(0, light * table[red[h]!]! - floor);
        gg += weight * Math.max(0, light - floor);
        bb += weight * Math.max(0, light * table[blue[h]!]! - floor);
      }
      first[o] = first[o]! + m00 * rr + m01 * gg + m02 * bb;
      second[o] = second[o]! + m10 * rr + m11 * gg + m12 * bb;
      third[o] = third[o]! + m20 * rr + m21 * gg + m22 * bb;
    }
  }
}
