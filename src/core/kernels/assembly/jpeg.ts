// Lossless JPEG, both ways: the same numbers and bytes as dng/codec/lossless-jpeg-decode.ts and -encode.ts make. AssemblyScript. Memory is laid out by the
// caller (dng/codec/jpeg-kernel.ts).

/** Bits that the short table looks at. */
const SHORT: u64 = 12;

// @ts-ignore: decorator
@inline
function bigEndian(at: usize): u64 {
  return <u64>bswap<u32>(load<u32>(at));
}

/**
 * Decodes `count` rows of `width` samples. Before them in `out` lies the row above the first, unless that is the first of all.
 * @param data so many bytes at least as four a sample; bits of the first byte that are used already: `skip`
 * @param tables of each component: 4096 short entries (difference · 64 + bits, 0 for a longer one), then 65536 of 16 bits (length · 32 + symbol, 0 for none)
 * @returns bits that were taken; −1 where a code is none
 */
export function decode(
  data: usize,
  skip: i32,
  count: i32,
  width: i32,
  components: i32,
  predictor: i32,
  first: bool,
  initial: i32,
  tables: usize,
  stride: usize,
  out: usize,
): i32 {
  let p = data;
  let buffer = bigEndian(p) << 32;
  buffer |= bigEndian(p + 4);
  p += 8;
  buffer <<= <u64>skip;
  let have: i32 = 64 - skip;
  const row = <usize>width << 1;
  const step = <usize>components << 1;
  let o = out;
  for (let y = 0; y < count; y++) {
    let component = 0;
    let table = tables;
    const start = o;
    const end = o + row;
    const top = first && y === 0;
    for (; o < end; o += 2) {
      if (have < 32) {
        buffer |= bigEndian(p) << <u64>(32 - have);
        p += 4;
        have += 32;
      }
      let difference: i32 = 0;
      const entry = load<i32>(table + ((<usize>(buffer >> (64 - SHORT))) << 2));
      if (entry !== 0) {
        const bits = entry & 63;
        difference = entry >> 6;
        buffer <<= <u64>bits;
        have -= bits;
      } else {
        const long = <i32>load<u16>(table + 16384 + ((<usize>(buffer >> 48)) << 1));
        if (long === 0) return -1;
        const length = long >> 5;
        const symbol = long & 31;
        buffer <<= <u64>length;
        have -= length;
        if (symbol === 16) difference = 32768;
        else if (symbol > 0) {
          const extra = <i32>(buffer >> <u64>(64 - symbol));
          difference = extra < 1 << (symbol - 1) ? extra - (1 << symbol) + 1 : extra;
          buffer <<= <u64>symbol;
          have -= symbol;
        }
      }
      let predicted: i32;
      if (o < start + step) predicted = top ? initial : <i32>load<u16>(o - row);
      else if (top || predictor === 1) predicted = <i32>load<u16>(o - step);
      else
        predicted = predict(
          predictor,
          <i32>load<u16>(o - step),
          <i32>load<u16>(o - row),
          <i32>load<u16>(o - row - step),
        );
      store<u16>(o, predicted + difference);
      table += stride;
      if (++component === components) {
        component = 0;
        table = tables;
      }
    }
  }
  return ((<i32>(p - data)) << 3) - have;
}

/** Predictors 2–7 of T.81 table H.1: a left, b above, c above left. */
function predict(predictor: i32, a: i32, b: i32, c: i32): i32 {
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

// @ts-ignore: decorator
@inline
function category(difference: i32): i32 {
  return 32 - clz<i32>(difference < 0 ? -difference : difference);
}

/** Difference to the left neighbour of the same component; in the first column to the sample above, or to the middle. */
// @ts-ignore: decorator
@inline
function differenceAt(at: usize, x: i32, row: usize, top: bool): i32 {
  const before: i32 = x >= 2 ? <i32>load<u16>(at - 4) : top ? 32768 : <i32>load<u16>(at - row);
  return ((<i32>load<u16>(at) - before) << 16) >> 16;
}

/** How often each size of a difference occurs, in 17 counts of 32 bits. */
export function count(samples: usize, width: i32, height: i32, frequencies: usize): void {
  const row = <usize>width << 1;
  let at = samples;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++, at += 2) {
      const slot = frequencies + (<usize>category(differenceAt(at, x, row, y === 0)) << 2);
      store<u32>(slot, load<u32>(slot) + 1);
    }
}

/**
 * Writes the scan.
 * @param codes by size: code and, 17 entries on, its length, 32 bits each
 * @returns bytes that were written, the last one filled with ones
 */
export function encode(samples: usize, width: i32, height: i32, codes: usize, out: usize): i32 {
  const row = <usize>width << 1;
  const lengths = codes + 68;
  let at = samples;
  let o = out;
  /** Bits that are not written yet, right-aligned. */
  let pending: u64 = 0;
  let held: i32 = 0;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++, at += 2) {
      const difference = differenceAt(at, x, row, y === 0);
      const size = category(difference);
      const length = load<i32>(lengths + (<usize>size << 2));
      let bits = <u64>load<u32>(codes + (<usize>size << 2));
      let all = length;
      if (size > 0 && size < 16) {
        const extra = difference < 0 ? difference + (1 << size) - 1 : difference;
        bits = (bits << <u64>size) | <u64>extra;
        all += size;
      }
      pending = (pending << <u64>all) | bits;
      held += all;
      if (held >= 32) {
        held -= 32;
        o = put(<u32>(pending >> <u64>held), o);
      }
    }
  while (held >= 8) {
    held -= 8;
    o = putByte(<u32>(pending >> <u64>held) & 255, o);
  }
  if (held > 0) o = putByte(((<u32>pending << (8 - held)) | ((1 << (8 - held)) - 1)) & 255, o);
  return <i32>(o - out);
}

/** Four bytes; after one of only ones comes a zero. */
// @ts-ignore: decorator
@inline
function put(word: u32, o: usize): usize {
  // Is any byte 255: has its complement a byte of zero?
  const complement = ~word;
  if (((complement - 0x01010101) & word & 0x80808080) === 0) {
    store<u32>(o, bswap<u32>(word));
    return o + 4;
  }
  o = putByte(word >>> 24, o);
  o = putByte((word >>> 16) & 255, o);
  o = putByte((word >>> 8) & 255, o);
  return putByte(word & 255, o);
}

function putByte(byte: u32, o: usize): usize {
  store<u8>(o++, byte);
  if (byte === 255) store<u8>(o++, 0);
  return o;
}
