// Rows of sites from rows of plates by a kernel: where rows and tables lie in memory. What is right is what `verticalPass`, `horizontalPass` and `cos4` do
// without it.
import { kernels, type Numbers } from '../kernels/kernel';
import { wasm } from '../kernels/light.generated';
import type { Taps } from './resample';

export interface LightFunctions {
  vertical(...[a, b, c, d, weights, count, out]: Numbers<7>): void;
  ends(row: number, count: number): void;
  horizontal(row: number, firsts: number, weights: number, count: number, out: number): void;
  fallOff(...[squares, count, yy, ff, lux, out]: Numbers<6>): void;
  times(row: number, factors: number, count: number): void;
  mosaic(row: number, odd: number, count: number): void;
  split(row: number, count: number, even: number, odd: number): void;
  zip(even: number, odd: number, count: number, row: number): void;
  gather(places: number, weights: number, taps: number, count: number, out: number): void;
}

/** Every caller has one of its own. */
export const lightKernel = kernels<LightFunctions>(wasm);

/** First address that tables may take: the kernel's own page lies before it. */
export const FIRST = 65536;
const sixteens = (bytes: number) => (bytes + 15) & ~15;

/** Every column, even ones, odd ones. */
const TABLES = 3;

/** A plane, and the number that the sampler knows it by: always the same. */
export type NumberedPlane = readonly [slot: number, plane: Float32Array];

/** Samples of a plane of `size` columns between four rows and four columns. */
export interface RowSampler {
  /** Fills `out` from `at` on with row `y` of a plane. */
  row(of: NumberedPlane, y: number, out: Float32Array, at: number): void;
  /** Fills `out` with row `y` of two planes: its even columns from one, its odd ones from the other. */
  mosaic(even: NumberedPlane, odd: NumberedPlane, y: number, out: Float32Array): void;
}

/** @returns null where there is no kernel, or samples are means over areas */
export function rowSampler(
  size: number,
  down: Taps,
  across: Taps,
  width: number,
  slots: number,
): RowSampler | null {
  if (!down.held || !across.first) return null;
  const samples = (width + 3) & ~3;
  const table = 20 * samples;
  const tap = FIRST + TABLES * table;
  // The even columns of a row and its odd ones, or all of them; eight are put together at a time.
  const half = 4 * (((width + 1) >> 1) + 8);
  const [evens, odds] = [tap + 16, tap + 16 + sixteens(half)];
  const made = odds + sixteens(half);
  const lines = made + 4 * (samples + 8);
  // A row has room for the four numbers before it and for those behind it.
  const line = sixteens(4 * (size + 12));
  const of = lightKernel(lines + slots * 5 * line);
  if (!of) return null;
  const { memory, call } = of;
  const four = new Float32Array(memory, tap, 4);
  const sampled = new Float32Array(memory, made, width);
  /** Tables of columns that were laid out before: the address of each, and how many columns it has. */
  const known = new Map<number, { readonly at: number; readonly count: number }>();
  const tableOf = (first: number, step: number) => {
    const key = 4 * step + first;
    const there = known.get(key);
    if (there) return there;
    const made = { at: FIRST + known.size * table, count: Math.ceil((width - first) / step) };
    known.set(key, made);
    const all = (made.count + 3) & ~3;
    const firsts = new Int32Array(memory, made.at, all);
    const weights = new Float32Array(memory, made.at + 4 * samples, 4 * all);
    for (let i = 0; i < all; i++) {
      const x = Math.min(width - 1, first + i * step);
      firsts[i] = across.first![x]!;
      for (let k = 0; k < 4; k++) weights[4 * (i & ~3) + 4 * k + (i & 3)] = across.weight[4 * x + k]!;
    }
    return made;
  };
  /** Place of a row of a plane: four that follow each other, and the one between them. */
  const place = (slot: number, k: number) => lines + (5 * slot + k) * line + 16;
  const there = new Int32Array(4 * slots).fill(-1);
  const between = new Int32Array(slots).fill(-1);
  /** Samples of every column from `first` on that is a multiple of `step` away. */
  const sample = ([slot, plane]: NumberedPlane, y: number, first: number, step: number, to: number) => {
    if (between[slot] !== y) {
      const rows = [0, 1, 2, 3].map((k) => {
        const r = down.index[4 * y + k]!;
        if (there[4 * slot + (r & 3)] !== r) {
          new Float32Array(memory, place(slot, r & 3), size).set(plane.subarray(r * size, (r + 1) * size));
          there[4 * slot + (r & 3)] = r;
        }
        return place(slot, r & 3);
      });
      four.set(down.weight.subarray(4 * y, 4 * y + 4));
      call.vertical(rows[0]!, rows[1]!, rows[2]!, rows[3]!, tap, size, place(slot, 4));
      call.ends(place(slot, 4), size);
      between[slot] = y;
    }
    const { at: columns, count } = tableOf(first, step);
    call.horizontal(place(slot, 4), columns, columns + 4 * samples, count, to);
  };
  return {
    row: (of, y, out, at) => {
      sample(of, y, 0, 1, made);
      out.set(sampled, at);
    },
    mosaic: (even, odd, y, out) => {
      sample(even, y, 0, 2, evens);
      sample(odd, y, 1, 2, odds);
      call.zip(evens, odds, width, made);
      out.set(sampled);
    },
  };
}

/** Fills `out` with lux·cos⁴θ along a row. */
export type FallOff = (yMm: number, out: Float32Array) => void;

/** @param xMm of each site from the axis; null where there is no kernel */
export function fallOffRows(focalLengthMm: number, lux: number, xMm: Float64Array): FallOff | null {
  const width = xMm.length;
  const made = FIRST + 8 * (width + 2);
  const of = lightKernel(made + 4 * (width + 4));
  if (!of) return null;
  const { memory, call } = of;
  new Float64Array(memory, FIRST, width).set(xMm.map((x) => x * x));
  const row = new Float32Array(memory, made, width);
  const ff = focalLengthMm * focalLengthMm;
  return (yMm, out) => {
    call.fallOff(FIRST, width, yMm * yMm, ff, lux, made);
    out.set(row);
  };
}
