// Lossless JPEG, process SOF3 of ITU-T T.81 Annex H: predictor 1 (left), one Huffman table made for the data.
// A CFA row is coded as two interleaved components, so that each site is predicted from its own colour.
import { coderByKernel } from './jpeg-kernel';

const SOI = 0xffd8;
const SOF3 = 0xffc3;
const DHT = 0xffc4;
const SOS = 0xffda;
const EOI = 0xffd9;
const PRECISION = 16;

/**
 * Encodes a block of 16-bit samples.
 * @param samples width × height, row by row; width must be even
 * @returns a complete JPEG stream with 2 components of width/2 columns
 */
export function encodeLosslessJpeg(samples: Uint16Array, width: number, height: number): Uint8Array {
  if (width % 2 !== 0 || samples.length < width * height || width === 0 || height === 0) {
    throw new RangeError(`Cannot encode ${width}×${height}`);
  }
  const coder = coderByKernel(samples, width, height);
  const differences = new Int32Array(coder ? 0 : width * height);
  const table = huffmanTable(coder?.frequencies ?? differencesOf(samples, width, height, differences));
  const scan = coder?.encode(table.codes, table.lengths);
  const out = new Uint8Array((scan?.length ?? width * height * 8) + 256);
  let n = writeHeaders(out, table, width, height);
  if (scan) out.set(scan, n);
  n = scan ? n + scan.length : writeScan(out, n, differences, table);
  out[n++] = EOI >> 8;
  out[n++] = EOI & 255;
  return out.slice(0, n);
}

/** Differences to the left neighbour of the same component (to the sample above in the first column), and how often each size category occurs. */
function differencesOf(samples: Uint16Array, width: number, height: number, out: Int32Array): Uint32Array {
  const frequencies = new Uint32Array(17);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    let even = y === 0 ? 1 << (PRECISION - 1) : samples[row - width]!;
    let odd = y === 0 ? even : samples[row - width + 1]!;
    for (let i = row; i < row + width; i += 2) {
      const a = samples[i]!;
      const b = samples[i + 1]!;
      const da = ((a - even) << 16) >> 16;
      const db = ((b - odd) << 16) >> 16;
      out[i] = da;
      out[i + 1] = db;
      frequencies[category(da)]!++;
      frequencies[category(db)]!++;
      even = a;
      odd = b;
    }
  }
  return frequencies;
}

/** Bits of |difference|: SSSS of T.81 table H.2. −32768 has category 16, which carries no extra bits. */
function category(difference: number): number {
  return 32 - Math.clz32(difference < 0 ? -difference : difference);
}

interface HuffmanTable {
  /** Number of codes of length 1 … 16. */
  readonly bits: Uint8Array;
  /** Symbols by rising code. */
  readonly symbols: number[];
  readonly codes: Uint32Array;
  readonly lengths: Uint8Array;
}

/** Optimal table with codes of at most 16 bits and no code of only ones (T.81 Annex K.2). */
function huffmanTable(frequencies: Uint32Array): HuffmanTable {
  const RESERVED = 17;
  const weight = [...frequencies, 1];
  const size = weight.map(() => 0);
  const next = weight.map(() => -1);
  for (;;) {
    const alive = weight.map((w, i) => [w, i] as const).filter(([w]) => w > 0);
    if (alive.length < 2) break;
    // Least weight first; of equals the larger symbol, so that the reserved one gets the longest code.
    alive.sort((a, b) => a[0] - b[0] || b[1] - a[1]);
    const [a, b] = [alive[1]![1], alive[0]![1]];
    weight[a] = weight[a]! + weight[b]!;
    weight[b] = 0;
    let i = a;
    for (size[i]!++; next[i]! >= 0; size[i]!++) i = next[i]!;
    next[i] = b;
    for (i = b, size[i]!++; next[i]! >= 0; size[i]!++) i = next[i]!;
  }
  const counts = new Array<number>(33).fill(0);
  for (const s of size) if (s > 0) counts[s]!++;
  for (let i = 32; i > 16; i--) {
    while (counts[i]! > 0) {
      let j = i - 2;
      while (counts[j] === 0) j--;
      counts[i]! -= 2;
      counts[i - 1]! += 1;
      counts[j + 1]! += 2;
      counts[j]! -= 1;
    }
  }
  let longest = 16;
  while (counts[longest] === 0) longest--;
  counts[longest]! -= 1;
  const symbols = [...size.keys()]
    .filter((s) => s !== RESERVED && size[s]! > 0)
    .sort((a, b) => size[a]! - size[b]! || a - b);
  const codes = new Uint32Array(17);
  const lengths = new Uint8Array(17);
  let [code, k] = [0, 0];
  for (let length = 1; length <= 16; length++) {
    for (let i = 0; i < counts[length]!; i++) {
      codes[symbols[k]!] = code++;
      lengths[symbols[k]!] = length;
      k++;
    }
    code <<= 1;
  }
  return { bits: Uint8Array.from(counts.slice(1, 17)), symbols, codes, lengths };
}

function writeHeaders(out: Uint8Array, table: HuffmanTable, width: number, height: number): number {
  let n = 0;
  const word = (v: number) => {
    out[n++] = v >> 8;
    out[n++] = v & 255;
  };
  word(SOI);
  word(SOF3);
  word(8 + 3 * 2);
  out[n++] = PRECISION;
  word(height);
  word(width / 2);
  out[n++] = 2;
  for (let c = 0; c < 2; c++) {
    out[n++] = c;
    out[n++] = 0x11;
    out[n++] = 0;
  }
  word(DHT);
  word(3 + 16 + table.symbols.length);
  out[n++] = 0;
  for (const count of table.bits) out[n++] = count;
  for (const symbol of table.symbols) out[n++] = symbol;
  word(SOS);
  word(6 + 2 * 2);
  out[n++] = 2;
  for (let c = 0; c < 2; c++) {
    out[n++] = c;
    out[n++] = 0;
  }
  out[n++] = 1; // predictor: left
  out[n++] = 0;
  out[n++] = 0; // no point transform
  return n;
}

function writeScan(out: Uint8Array, start: number, differences: Int32Array, table: HuffmanTable): number {
  const { codes, lengths } = table;
  let n = start;
  let pending = 0; // bits not yet written, right-aligned
  let count = 0;
  for (let i = 0; i < differences.length; i++) {
    const difference = differences[i]!;
    const ssss = 32 - Math.clz32(difference < 0 ? -difference : difference);
    pending = (pending << lengths[ssss]!) | codes[ssss]!;
    count += lengths[ssss]!;
    while (count >= 8) {
      count -= 8;
      const b = (pending >>> count) & 255;
      out[n++] = b;
      if (b === 255) out[n++] = 0;
    }
    if (ssss > 0 && ssss < 16) {
      const extra = difference < 0 ? difference + (1 << ssss) - 1 : difference;
      pending = (pending << ssss) | extra;
      count += ssss;
      while (count >= 8) {
        count -= 8;
        const b = (pending >>> count) & 255;
        out[n++] = b;
        if (b === 255) out[n++] = 0;
      }
    }
  }
  if (count > 0) {
    // Fill the last byte with ones.
    const b = ((pending << (8 - count)) | ((1 << (8 - count)) - 1)) & 255;
    out[n++] = b;
    if (b === 255) out[n++] = 0;
  }
  return n;
}
