// Counting and marking by a kernel: where pixels, masks and counts lie in memory. What is right is what marks, histogram and statistics do without it.
import { wasm } from '../kernels/scopes.generated';
import { kernel, type Numbers } from '../kernels/kernel';

interface Functions {
  raw(...[top, bottom, width, clip, floor, mask, below]: Numbers<7>): void;
  zebra(...[top, bottom, width, lux, mask, below]: Numbers<6>): void;
  ends(...[pixels, count, white, black, bright, from, mask]: Numbers<7>): void;
  tell(mask: number, count: number, into: number): void;
  draw(...[pixels, mask, width, patterns, period, wanted, burnt, dark]: Numbers<8>): void;
  histogram(pixels: number, count: number, into: number): void;
  count(data: number, width: number, white: number, even: number, odd: number): void;
}

/** Pixels at once, and a row at most; eight more have room. */
const MOST = 32768;
const PIXELS = 65536;
const MASK = PIXELS + 4 * (MOST + 8);
const BELOW = MASK + 2 * (MOST + 8);
const TOP = BELOW + 2 * (MOST + 8);
const BOTTOM = TOP + 2 * (MOST + 8);
const PATTERNS = BOTTOM + 2 * (MOST + 8);
const PATTERN_BYTES = 2 * 168 * 168;
const TOLD = PATTERNS + PATTERN_BYTES;
const HISTOGRAM = TOLD + 32;
/** Two rows of light, of so many sites at most. */
const MOST_LIGHT = 4096;
const LIGHT = HISTOGRAM + 2 * 4096;
const COUNTS = LIGHT + 2 * 4 * MOST_LIGHT;
/** Bytes of the counts of all numbers at one of the four sites of a cell. */
const COUNT_BYTES = 4 * 65536;

const loaded = kernel<Functions>(wasm, COUNTS + 4 * COUNT_BYTES);

const eights = (n: number) => (n + 7) & ~7;

/** Marks raw as `markRaw` does, by whole numbers; false where there is no kernel for it. @param clip and `floor`: 0 … 65536, `floor` under `clip` */
export function markRawByKernel(
  { width, height, data }: { width: number; height: number; data: Uint16Array },
  clip: number,
  floor: number,
  mask: Uint16Array,
): boolean {
  const of = loaded();
  // A number that is neither must be there, for where no site is; the kernel's own reach from 0 to 65535.
  if (!of || width > MOST || clip > 65535 || floor >= clip) return false;
  const { memory, call } = of;
  const room = eights(width);
  const rows = [TOP, BOTTOM].map((at) => new Uint16Array(memory, at, room).fill(floor));
  const masks = [MASK, BELOW].map((at) => new Uint16Array(memory, at, room).fill(0));
  const [upper, lower] = masks.map((row) => row.subarray(0, width)) as [Uint16Array, Uint16Array];
  for (let y = 0; y < height; y += 2) {
    const at = y * width;
    const two = y + 1 < height;
    rows[0]!.set(data.subarray(at, at + width));
    upper.set(mask.subarray(at, at + width));
    if (two) {
      rows[1]!.set(data.subarray(at + width, at + 2 * width));
      lower.set(mask.subarray(at + width, at + 2 * width));
    } else rows[1]!.fill(floor);
    call.raw(TOP, BOTTOM, width, clip, floor, MASK, BELOW);
    mask.set(upper, at);
    if (two) mask.set(lower, at + width);
  }
  return true;
}

/**
 * Stripes as `stripeCells` draws them; false where there is no kernel for it.
 * @param lux ≥ 0
 */
export function stripeByKernel(light: Float32Array, width: number, lux: number, mask: Uint16Array): boolean {
  const of = loaded();
  if (!of || width > MOST_LIGHT) return false;
  const { memory, call } = of;
  const room = eights(width);
  // Where no site is nothing passes.
  const rows = [LIGHT, LIGHT + 4 * MOST_LIGHT].map((at) => new Float32Array(memory, at, room).fill(NaN));
  const masks = [MASK, BELOW].map((at) => new Uint16Array(memory, at, width));
  const least = atLeast(lux);
  for (let at = 0; at < light.length; at += 2 * width) {
    const two = at + width < light.length;
    rows[0]!.set(light.subarray(at, at + width));
    masks[0]!.set(mask.subarray(at, at + width));
    if (two) {
      rows[1]!.set(light.subarray(at + width, at + 2 * width));
      masks[1]!.set(mask.subarray(at + width, at + 2 * width));
    } else rows[1]!.fill(NaN);
    call.zebra(LIGHT, LIGHT + 4 * MOST_LIGHT, width, least, MASK, BELOW);
    mask.set(masks[0]!, at);
    if (two) mask.set(masks[1]!, at + width);
  }
  return true;
}

const word = new Uint32Array(1);
const single = new Float32Array(word.buffer);

/** The smallest 32-bit float that is not less than a number ≥ 0. */
function atLeast(value: number): number {
  single[0] = value;
  if (single[0]! < value) word[0]!++;
  return single[0]!;
}

/** Marks the picture's ends and what looks white. False where there is no kernel. @param from luminance that looks white, 1/65536 codes */
export function markEndsByKernel(
  pixels: Uint32Array,
  which: { white: boolean; black: boolean; bright: boolean },
  from: number,
  mask: Uint16Array,
): boolean {
  const of = loaded();
  if (!of) return false;
  const { memory, call } = of;
  const here = new Uint32Array(memory, PIXELS, MOST);
  const marks = new Uint16Array(memory, MASK, MOST);
  const { white, black, bright } = which;
  for (let at = 0; at < pixels.length; at += MOST) {
    const count = Math.min(MOST, pixels.length - at);
    here.set(pixels.subarray(at, at + count));
    marks.set(mask.subarray(at, at + count));
    call.ends(PIXELS, count, Number(white), Number(black), Number(bright), Math.ceil(from), MASK);
    mask.set(marks.subarray(0, count), at);
  }
  return true;
}

/** Pixels of a mask that are marked by the picture alone, by raw alone, by both; white ones of the picture, black ones. Null where there is no kernel. */
export function tellByKernel(mask: Uint16Array): Numbers<5> | null {
  const of = loaded();
  if (!of) return null;
  const { memory, call } = of;
  const marks = new Uint16Array(memory, MASK, MOST + 8);
  const told = new Int32Array(memory, TOLD, 5).fill(0);
  for (let at = 0; at < mask.length; at += MOST) {
    const count = Math.min(MOST, mask.length - at);
    marks.set(mask.subarray(at, at + count));
    marks.fill(0, count, eights(count));
    call.tell(MASK, count, TOLD);
  }
  const [picture, raw, both, white, black] = told;
  return [picture!, raw!, both!, white!, black!];
}

/** How marks are drawn: patterns of `tile` rows of `tile` numbers, colours as they stand in a pixel. */
export interface Drawing {
  readonly tile: number;
  readonly patterns: Uint16Array;
  readonly wanted: number;
  readonly burnt: number;
  readonly dark: number;
}

let patternsOf: Uint16Array | undefined;

/** Draws marks row by row; false where there is no kernel for it. */
export function drawByKernel(pixels: Uint32Array, mask: Uint16Array, width: number, of: Drawing): boolean {
  const core = loaded();
  const { tile, patterns, wanted, burnt, dark } = of;
  if (!core || width > MOST || tile % 8 !== 0 || 2 * patterns.length > PATTERN_BYTES) return false;
  const { memory, call } = core;
  if (patternsOf !== patterns) new Uint16Array(memory, PATTERNS, patterns.length).set(patterns);
  patternsOf = patterns;
  const here = new Uint32Array(memory, PIXELS, width);
  const marks = new Uint16Array(memory, MASK, eights(width)).fill(0);
  for (let at = 0, y = 0; at < mask.length; at += width, y++) {
    marks.set(mask.subarray(at, at + width));
    here.set(pixels.subarray(at, at + width));
    call.draw(PIXELS, MASK, width, PATTERNS + 2 * (y % tile) * tile, tile, wanted, burnt | 0, dark | 0);
    pixels.set(here, at);
  }
  return true;
}

/** Counts of 256 codes of R, G, B and luminance; null where there is no kernel. */
export function histogramByKernel(pixels: Uint32Array): readonly Uint32Array[] | null {
  const of = loaded();
  if (!of) return null;
  const { memory, call } = of;
  const here = new Uint32Array(memory, PIXELS, MOST);
  const counts = new Uint32Array(memory, HISTOGRAM, 2048).fill(0);
  for (let at = 0; at < pixels.length; at += MOST) {
    const count = Math.min(MOST, pixels.length - at);
    here.set(pixels.subarray(at, at + count));
    call.histogram(PIXELS, count, HISTOGRAM);
  }
  return [0, 1, 2, 3].map((c) =>
    Uint32Array.from({ length: 256 }, (_, i) => counts[256 * c + i]! + counts[1024 + 256 * c + i]!),
  );
}

/**
 * Counts the numbers of a mosaic into four tables of `white` + 1; false where there is no kernel for it.
 * @param channel table of the site in an even or odd column of row `y`
 */
export function countByKernel(
  { width, height, data, white }: { width: number; height: number; data: Uint16Array; white: number },
  channel: (odd: 0 | 1, y: number) => number,
  tables: readonly Uint32Array[],
): boolean {
  const of = loaded();
  if (!of || width > MOST || white > 65535) return false;
  const { memory, call } = of;
  const counts = [0, 1, 2, 3].map((c) =>
    new Uint32Array(memory, COUNTS + c * COUNT_BYTES, white + 1).fill(0),
  );
  const row = new Uint16Array(memory, TOP, width);
  for (let y = 0; y < height; y++) {
    row.set(data.subarray(y * width, (y + 1) * width));
    call.count(TOP, width, white, COUNTS + channel(0, y) * COUNT_BYTES, COUNTS + channel(1, y) * COUNT_BYTES);
  }
  counts.forEach((table, c) => tables[c]!.set(table));
  return true;
}
