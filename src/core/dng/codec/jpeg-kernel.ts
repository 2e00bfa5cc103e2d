// Lossless JPEG by a kernel: where its tables and samples lie in memory. What is right is what the decoder and the encoder do without it.
import { wasm } from '../../kernels/jpeg.generated';
import { kernel, type Numbers } from '../../kernels/kernel';

interface Functions {
  decode(
    ...[data, skip, count, width, components, predictor, first, initial, tables, stride, out]: Numbers<11>
  ): number;
  count(samples: number, width: number, height: number, frequencies: number): void;
  encode(samples: number, width: number, height: number, codes: number, out: number): number;
}

const SHORT_BITS = 12;
/** A table: what the next 12 bits say at once, then what 16 bits say of a code. */
const STRIDE = 4 * (1 << SHORT_BITS) + 2 * (1 << 16);
const TABLES = 65536;
const CODES = TABLES + 4 * STRIDE;
const FREQUENCIES = CODES + 256;
const SAMPLES = FREQUENCIES + 256;
/** Samples at once; a row has fewer (65535 × 4). */
const MOST_SAMPLES = 1 << 18;
const OUT = SAMPLES + 4 * MOST_SAMPLES;
/** No sample takes more: 16 bits of code and 15 after it; with a zero after every byte of ones, twice that. */
const BYTES_A_SAMPLE = 4;
const DATA = OUT + 2 * BYTES_A_SAMPLE * MOST_SAMPLES + 16;

const loaded = kernel<Functions>(wasm, DATA);

/** What a 16-bit stretch begins with: length · 32 + symbol of its code, 0 where it is none. Codes rise with their length (T.81 Annex C). */
export function codesOf(bits: Uint8Array, symbols: Uint8Array): Uint16Array {
  const table = new Uint16Array(1 << 16);
  let [code, k] = [0, 0];
  for (let length = 1; length <= 16; length++) {
    const shift = 16 - length;
    for (let i = 0; i < bits[length - 1]!; i++, code++, k++)
      table.fill((length << 5) | symbols[k]!, code << shift, (code + 1) << shift);
    code <<= 1;
  }
  return table;
}

/** Difference · 64 + bits of code and difference together, for every 12 bits that hold both; 0 for the others. */
function shortTable(codes: Uint16Array): Int32Array {
  const table = new Int32Array(1 << SHORT_BITS);
  for (let i = 0; i < table.length; i++) {
    const entry = codes[i << (16 - SHORT_BITS)]!;
    const [length, symbol] = [entry >> 5, entry & 31];
    const all = symbol === 16 ? length : length + symbol;
    if (entry === 0 || all > SHORT_BITS) continue;
    const extra = (i >> (SHORT_BITS - all)) & ((1 << symbol) - 1);
    if (symbol === 16) table[i] = (32768 << 6) | all;
    else if (symbol > 0 && extra < 1 << (symbol - 1)) table[i] = ((extra - (1 << symbol) + 1) << 6) | all;
    else table[i] = (extra << 6) | all;
  }
  return table;
}

export interface Scan {
  /** Without stuffed zeros; at least four bytes behind its end. */
  readonly data: Uint8Array;
  /** Of the data itself. */
  readonly bits: number;
  /** Tables of each component; made where there is a kernel for them. */
  readonly codes: () => readonly Uint16Array[];
  readonly predictor: number;
  readonly width: number;
  readonly height: number;
  readonly components: number;
  readonly precision: number;
}

/** Decodes a scan into `out`; false where it is damaged or ends early, null where there is no kernel. */
export function decodeByKernel(scan: Scan, out: Uint16Array): boolean | null {
  const of = loaded();
  if (!of) return null;
  const { memory, call } = of;
  const { data, bits, codes, predictor, height, components, precision } = scan;
  const known = new Map<Uint16Array, Int32Array>();
  codes().forEach((table, c) => {
    const short = known.get(table) ?? shortTable(table);
    known.set(table, short);
    new Int32Array(memory, TABLES + c * STRIDE, short.length).set(short);
    new Uint16Array(memory, TABLES + c * STRIDE + 4 * short.length, table.length).set(table);
  });
  const width = scan.width * components;
  const rows = Math.max(1, Math.floor(MOST_SAMPLES / width) - 1);
  const bytes = new Uint8Array(memory, OUT, DATA - OUT);
  const samples = new Uint16Array(memory, SAMPLES, 2 * MOST_SAMPLES);
  let at = 0;
  for (let y = 0; y < height; y += rows) {
    const count = Math.min(rows, height - y);
    const from = at >> 3;
    const needed = BYTES_A_SAMPLE * count * width + 16;
    const there = data.subarray(from, from + needed);
    bytes.set(there);
    bytes.fill(0, there.length, needed);
    if (y > 0) samples.set(out.subarray((y - 1) * width, y * width));
    const taken = call.decode(
      ...([OUT, at & 7, count, width, components, predictor, Number(y === 0), 1 << (precision - 1)] as const),
      ...([TABLES, STRIDE, SAMPLES + 2 * width] as const),
    );
    if (taken < 0 || 8 * from + taken > bits) return false;
    at = 8 * from + taken;
    out.set(samples.subarray(width, (count + 1) * width), y * width);
  }
  return true;
}

export interface ScanCoder {
  /** How often each size of a difference occurs. */
  readonly frequencies: Uint32Array;
  /** The scan's bytes, the last one filled with ones. */
  encode(codes: Uint32Array, lengths: Uint8Array): Uint8Array;
}

/** A coder of these samples, good until the next is asked for; null where there is no kernel, or too many samples for it. */
export function coderByKernel(samples: Uint16Array, width: number, height: number): ScanCoder | null {
  const of = loaded();
  const count = width * height;
  if (!of || count > MOST_SAMPLES) return null;
  const { memory, call } = of;
  new Uint16Array(memory, SAMPLES, count).set(samples.subarray(0, count));
  const frequencies = new Uint32Array(memory, FREQUENCIES, 17).fill(0);
  call.count(SAMPLES, width, height, FREQUENCIES);
  return {
    frequencies: frequencies.slice(),
    encode: (codes, lengths) => {
      new Uint32Array(memory, CODES, 17).set(codes);
      new Uint32Array(memory, CODES + 68, 17).set(lengths);
      return new Uint8Array(memory, OUT, call.encode(SAMPLES, width, height, CODES, OUT));
    },
  };
}
