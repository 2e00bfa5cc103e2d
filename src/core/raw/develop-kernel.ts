// The development of rows by a kernel: where its tables and rows lie in memory. What is right is what `developRegion` does without it.
import { wasm } from '../kernels/develop.generated';
import { kernel, type Kernel, type Numbers } from '../kernels/kernel';
import type { PerSite } from '../sensor/raw-frame';

/** Addresses in the kernel's memory. */
interface Functions {
  balance(data: number, count: number, even: number, odd: number, oddFirst: number, out: number): void;
  row(...[up, here, down, width, chromaFirst, oddRow, matrix, tone, out]: Numbers<9>): void;
  reduce(...[top, bottom, bounds, width, l0, l1, l2, l3, sums]: Numbers<9>): void;
}

/** Sites a row at most; a wider region is developed without the kernel. */
export const MOST_WIDE = 16384;
const TABLE = 65536 * 2;
const TONE = 4 * TABLE;
const TONE_BYTES = 8 * 16384 + 16;
const MATRIX = TONE + TONE_BYTES;
const DATA = MATRIX + 48;
const ROWS = DATA + 2 * (MOST_WIDE + 8);
/** Room for a neighbour on either side, and for four pixels at a time. */
const ROW = 4 * (MOST_WIDE + 8);
const OUT = ROWS + 3 * ROW;

/** For smaller pictures: two rows of numbers, where cells begin and end, their sums. */
const TOP = OUT + ROW;
const BOTTOM = TOP + 2 * (MOST_WIDE + 8);
const BOUNDS = BOTTOM + 2 * (MOST_WIDE + 8);
const SUMS = BOUNDS + 8 * MOST_WIDE;

const loaded = kernel<Functions>(wasm, SUMS + 16 * MOST_WIDE);

interface Tables {
  readonly linear: PerSite<Int16Array>;
  readonly matrix: Int32Array;
  readonly tone: Uint8Array;
}

export interface RowDeveloper {
  /** Where the numbers of a row are put, a neighbour on either side included. */
  readonly data: Uint16Array;
  /** Balances what is there into one of three rows. @param even, odd channels of its even and odd columns */
  balance(count: number, even: number, odd: number, oddFirst: boolean, into: number): void;
  /** Pixels of a row between two others. */
  row(up: number, here: number, down: number, width: number, chromaFirst: boolean, oddRow: boolean): void;
  /** Where they are then, 4 bytes each. */
  readonly pixels: Uint8Array;
  /** Two rows of a mosaic that are to be added up, where the cells of a smaller picture begin and end in them, and four sums of each cell. */
  readonly top: Uint16Array;
  readonly bottom: Uint16Array;
  readonly bounds: Int32Array;
  readonly sums: Int32Array;
  /** Adds them. @param sites of the four of a cell, in which table each is looked up */
  reduce(width: number, sites: PerSite<number>): void;
}

let holds: Partial<Tables> = {};
let made: { readonly of: Kernel<Functions>; readonly developer: RowDeveloper } | undefined;

/** A developer of rows with these tables; null where there is none. */
export function rowDeveloper({ linear, matrix, tone }: Tables): RowDeveloper | null {
  const of = loaded();
  if (!of) return null;
  const { memory, call } = of;
  if (holds.linear !== linear)
    linear.forEach((table, channel) => new Int16Array(memory, channel * TABLE, 65536).set(table));
  if (holds.tone !== tone) new Uint8Array(memory, TONE, tone.length).set(tone);
  if (holds.matrix !== matrix) new Int32Array(memory, MATRIX, 9).set(matrix);
  holds = { linear, matrix, tone };
  made ??= {
    of,
    developer: {
      data: new Uint16Array(memory, DATA, MOST_WIDE + 8),
      pixels: new Uint8Array(memory, OUT, ROW),
      balance: (count, even, odd, oddFirst, into) =>
        call.balance(DATA, count, even * TABLE, odd * TABLE, Number(oddFirst), ROWS + into * ROW),
      row: (up, here, down, width, chromaFirst, oddRow) =>
        call.row(
          ...([ROWS + up * ROW, ROWS + here * ROW, ROWS + down * ROW, width] as const),
          ...([Number(chromaFirst), Number(oddRow), MATRIX, TONE, OUT] as const),
        ),
      top: new Uint16Array(memory, TOP, MOST_WIDE),
      bottom: new Uint16Array(memory, BOTTOM, MOST_WIDE),
      bounds: new Int32Array(memory, BOUNDS, 2 * MOST_WIDE),
      sums: new Int32Array(memory, SUMS, 4 * MOST_WIDE),
      reduce: (width, [s0, s1, s2, s3]) =>
        call.reduce(
          ...([TOP, BOTTOM, BOUNDS, width] as const),
          ...([s0 * TABLE, s1 * TABLE, s2 * TABLE, s3 * TABLE, SUMS] as const),
        ),
    },
  };
  return made.developer;
}
