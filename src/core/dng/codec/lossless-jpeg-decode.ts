// Decodes lossless JPEG (SOF3, ITU-T T.81 Annex H): 1–4 components, 2–16 bits, predictors 1–7, no subsampling,
// no restarts. Every length is checked; a broken stream raises a DngError and never reads outside its bytes.
import { DngError } from '../errors';
import { codesOf, decodeByKernel } from './jpeg-kernel';

export interface LosslessJpeg {
  readonly width: number;
  readonly height: number;
  readonly components: number;
  readonly precision: number;
  /** Interleaved samples, width × components a row. */
  readonly samples: Uint16Array;
}

const MARKER = { SOI: 0xd8, SOF3: 0xc3, DHT: 0xc4, SOS: 0xda, DRI: 0xdd, EOI: 0xd9 };

interface Decoder {
  /** For each value of the next 10 bits: length·32 + symbol, or 0 when the code is longer. */
  readonly fast: Uint16Array;
  readonly maxCode: Int32Array;
  readonly valueOffset: Int32Array;
  readonly symbols: Uint8Array;
  /** Number of codes of length 1 … 16. */
  readonly bits: Uint8Array;
}

const FAST_BITS = 10;

/** @param fileOffset where the stream starts in its file, for error messages */
export function decodeLosslessJpeg(bytes: Uint8Array, fileOffset = 0, maxSamples = 1 << 28): LosslessJpeg {
  const fail = (message: string, at: number): never => {
    throw new DngError('bad-jpeg', message, fileOffset + at);
  };
  const word = (at: number): number =>
    at + 1 < bytes.length ? (bytes[at]! << 8) | bytes[at + 1]! : fail('The JPEG data ends early', at);
  if (word(0) !== 0xff00 + MARKER.SOI) fail('No JPEG data where a tile should start', 0);
  let p = 2;
  let frame:
    | { width: number; height: number; components: number; precision: number; ids: number[] }
    | undefined;
  const tables: (Decoder | undefined)[] = [];
  for (;;) {
    const marker = word(p);
    if (marker >> 8 !== 0xff) fail('A JPEG marker is missing', p);
    const kind = marker & 255;
    const length = word(p + 2);
    const end = p + 2 + length;
    if (length < 2 || end > bytes.length) fail('A JPEG segment is longer than the data', p + 2);
    if (kind === MARKER.SOF3) {
      const precision = bytes[p + 4]!;
      const [height, width] = [word(p + 5), word(p + 7)];
      const components = bytes[p + 9]!;
      if (precision < 2 || precision > 16) fail(`JPEG precision ${precision}`, p + 4);
      if (components < 1 || components > 4 || length < 8 + 3 * components)
        fail(`${components} JPEG components`, p + 9);
      if (width === 0 || height === 0 || width * height * components > maxSamples) {
        fail(`JPEG size ${width}×${height}`, p + 5);
      }
      const ids: number[] = [];
      for (let c = 0; c < components; c++) {
        ids.push(bytes[p + 10 + 3 * c]!);
        if (bytes[p + 11 + 3 * c] !== 0x11) fail('Subsampled lossless JPEG is not read', p + 11 + 3 * c);
      }
      frame = { width, height, components, precision, ids };
    } else if (kind === MARKER.DHT) {
      let q = p + 4;
      while (q + 17 <= end) {
        const id = bytes[q]! & 15;
        const bits = bytes.subarray(q + 1, q + 17);
        const count = bits.reduce((sum, b) => sum + b, 0);
        if (q + 17 + count > end || count > 17) fail('A Huffman table is longer than its segment', q);
        const decoder = huffmanDecoder(bits, bytes.slice(q + 17, q + 17 + count));
        if (!decoder) fail('A Huffman table is impossible', q);
        tables[id] = decoder as Decoder;
        q += 17 + count;
      }
    } else if (kind === MARKER.DRI) {
      if (word(p + 4) !== 0) fail('Restart intervals are not read', p);
    } else if (kind === MARKER.SOS) {
      if (!frame) return fail('A JPEG scan comes before its frame', p);
      const n = bytes[p + 4]!;
      if (n !== frame.components || length < 6 + 2 * n)
        fail('The JPEG scan does not hold all components', p + 4);
      const decoders: Decoder[] = [];
      for (let c = 0; c < n; c++) {
        const table = tables[bytes[p + 6 + 2 * c]! >> 4];
        if (!table) return fail('The JPEG scan names a table that is not there', p + 6 + 2 * c);
        decoders.push(table);
      }
      const predictor = bytes[p + 5 + 2 * n]!;
      if (predictor < 1 || predictor > 7) fail(`JPEG predictor ${predictor}`, p + 5 + 2 * n);
      if ((bytes[p + 7 + 2 * n]! & 15) !== 0) fail('Point transforms are not read', p + 7 + 2 * n);
      const { width, height, components, precision } = frame;
      // The shortest code has one bit: more samples than bits cannot be there.
      if (width * height * components > (bytes.length - end) * 8)
        fail('Too little JPEG data for its size', end);
      const samples = new Uint16Array(width * height * components);
      const data = withoutStuffing(bytes, end);
      const ok = decodeScan(data, decoders, predictor, frame, samples);
      if (!ok) fail('The JPEG data ends early or is damaged', end);
      return { width, height, components, precision, samples };
    } else if (kind === MARKER.EOI) {
      fail('The JPEG data holds no scan', p);
    }
    p = end;
  }
}

/** The scan's bytes up to the next marker without their stuffed zeros, and four zero bytes to read ahead. */
function withoutStuffing(bytes: Uint8Array, start: number): { data: Uint8Array; bits: number } {
  const data = new Uint8Array(bytes.length - start + 4);
  let [from, n] = [start, 0];
  for (;;) {
    const ff = bytes.indexOf(0xff, from);
    const stop = ff < 0 ? bytes.length : ff;
    data.set(bytes.subarray(from, stop), n);
    n += stop - from;
    if (ff < 0 || bytes[ff + 1] !== 0) break;
    data[n++] = 0xff;
    from = ff + 2;
  }
  return { data: data.subarray(0, n + 4), bits: n * 8 };
}

function huffmanDecoder(bits: Uint8Array, symbols: Uint8Array): Decoder | undefined {
  if (symbols.length === 0 || symbols.some((s) => s > 16)) return undefined;
  const fast = new Uint16Array(1 << FAST_BITS);
  const maxCode = new Int32Array(18).fill(-1);
  const valueOffset = new Int32Array(17);
  let [code, k] = [0, 0];
  for (let length = 1; length <= 16; length++) {
    valueOffset[length] = k - code;
    for (let i = 0; i < bits[length - 1]!; i++, code++, k++) {
      if (code >= 1 << length) return undefined;
      if (length <= FAST_BITS) {
        const shift = FAST_BITS - length;
        fast.fill((length << 5) | symbols[k]!, code << shift, (code + 1) << shift);
      }
    }
    maxCode[length] = bits[length - 1]! > 0 ? code - 1 : -1;
    code <<= 1;
  }
  return { fast, maxCode, valueOffset, symbols, bits };
}

function decodeScan(
  { data, bits }: { data: Uint8Array; bits: number },
  decoders: readonly Decoder[],
  predictor: number,
  frame: { width: number; height: number; components: number; precision: number },
  out: Uint16Array,
): boolean {
  const codes = () => {
    const tables = new Map<Decoder, Uint16Array>();
    return decoders.map((decoder) => {
      const table = tables.get(decoder) ?? codesOf(decoder.bits, decoder.symbols);
      tables.set(decoder, table);
      return table;
    });
  };
  const decoded = decodeByKernel({ data, bits, codes, predictor, ...frame }, out);
  return decoded ?? decodePlainly({ data, bits }, decoders, predictor, frame, out);
}

/** The same without a kernel. */
function decodePlainly(
  { data, bits }: { data: Uint8Array; bits: number },
  decoders: readonly Decoder[],
  predictor: number,
  frame: { width: number; height: number; components: number; precision: number },
  out: Uint16Array,
): boolean {
  const { width, height, components, precision } = frame;
  const row = width * components;
  let at = 0; // bit position
  let component = 0;
  for (let i = 0; i < row * height; i++) {
    const decoder = decoders[component]!;
    const byte = at >> 3;
    const peek =
      (((data[byte]! << 24) | (data[byte + 1]! << 16) | (data[byte + 2]! << 8) | data[byte + 3]!) <<
        (at & 7)) >>>
      0;
    let symbol: number;
    const entry = decoder.fast[peek >>> (32 - FAST_BITS)]!;
    if (entry !== 0) {
      at += entry >> 5;
      symbol = entry & 31;
    } else {
      let length = FAST_BITS + 1;
      while (length <= 16 && peek >>> (32 - length) > decoder.maxCode[length]!) length++;
      if (length > 16) return false;
      symbol = decoder.symbols[(peek >>> (32 - length)) + decoder.valueOffset[length]!]!;
      at += length;
    }
    let difference = 0;
    if (symbol === 16) difference = 32768;
    else if (symbol > 0) {
      const b = at >> 3;
      const window = (((data[b]! << 16) | (data[b + 1]! << 8) | data[b + 2]!) << (8 + (at & 7))) >>> 0;
      const extra = window >>> (32 - symbol);
      difference = extra < 1 << (symbol - 1) ? extra - (1 << symbol) + 1 : extra;
      at += symbol;
    }
    if (at > bits) return false;
    const x = i % row;
    let predicted: number;
    if (i < row) predicted = x < components ? 1 << (precision - 1) : out[i - components]!;
    else if (x < components) predicted = out[i - row]!;
    else if (predictor === 1) predicted = out[i - components]!;
    else predicted = predict(predictor, out[i - components]!, out[i - row]!, out[i - row - components]!);
    out[i] = predicted + difference;
    if (++component === components) component = 0;
  }
  return true;
}

/** Predictors 2–7 of T.81 table H.1: a left, b above, c above left. */
function predict(predictor: number, a: number, b: number, c: number): number {
  switch (predictor) {
    case 2:
      return b;
    case 3:
      return c;
    case 4:
      return a + b - c;
    case 5:
      return a + ((b - c) >> 1);
    case 6:
      return b + ((a - c) >> 1);
    default:
      return (a + b) >> 1;
  }
}
