// Small DNG files of the layouts that are met: plain strips and tiles, lossless JPEG, either byte order, borders, tables. Written tag by tag,
// apart from the program's own writer.

export type Order = 'II' | 'MM';

/** A tag with its TIFF type and values; type 5 takes pairs, type 7 and 1 bytes. */
export type Tag = readonly [tag: number, type: number, ...values: number[]];

export const BYTE = 1;
export const SHORT = 3;
export const LONG = 4;
export const RATIONAL = 5;
export const SLONG = 9;
export const SRATIONAL = 10;
export const FLOAT = 11;
const SIZES: Readonly<Record<number, number>> = { 1: 1, 3: 2, 4: 4, 5: 8, 9: 4, 10: 8, 11: 4 };

/** Bytes of a TIFF with one directory for each list of tags, the second and later ones as SubIFDs of the first, and data behind them. */
export function tiffOf(
  order: Order,
  main: readonly Tag[],
  raw: readonly Tag[],
  data: readonly Uint8Array[],
): Uint8Array {
  const little = order === 'II';
  const bytes = new Uint8Array(1 << 17);
  const view = new DataView(bytes.buffer);
  view.setUint16(0, little ? 0x4949 : 0x4d4d);
  view.setUint16(2, 42, little);
  let end = 8;
  const take = (size: number) => {
    const at = end;
    end += size + (size & 1);
    return at;
  };
  const places = data.map((block) => {
    const at = take(block.length);
    bytes.set(block, at);
    return at;
  });
  const put = (at: number, type: number, value: number) => {
    if (type === BYTE) view.setUint8(at, value);
    else if (type === SHORT) view.setUint16(at, value, little);
    else if (type === FLOAT) view.setFloat32(at, value, little);
    else view.setUint32(at, value >>> 0, little);
  };
  const directory = (tags: readonly Tag[]) => {
    const sorted = [...tags].sort((a, b) => a[0] - b[0]);
    const at = take(2 + sorted.length * 12 + 4);
    view.setUint16(at, sorted.length, little);
    sorted.forEach(([tag, type, ...given], i) => {
      // Data is named by its number, as a negative one.
      const values = given.map((v) => (v < 0 && (tag === 273 || tag === 324) ? places[-v - 1]! : v));
      const entry = at + 2 + i * 12;
      const rational = type === RATIONAL || type === SRATIONAL;
      const count = rational ? values.length / 2 : values.length;
      view.setUint16(entry, tag, little);
      view.setUint16(entry + 2, type, little);
      view.setUint32(entry + 4, count, little);
      const size = SIZES[type]! * count;
      const where = size <= 4 ? entry + 8 : take(size);
      if (size > 4) view.setUint32(entry + 8, where, little);
      values.forEach((value, k) => put(where + k * (rational ? 4 : SIZES[type]!), type, value));
    });
    return at;
  };
  const rawAt = directory(raw);
  const mainAt = directory([...main, [330, LONG, rawAt]]);
  view.setUint32(4, mainAt, little);
  return bytes.slice(0, end);
}

export const MAIN: readonly Tag[] = [
  [50706, BYTE, 1, 4, 0, 0],
  [271, 1, 0x41, 0],
];

/** The usual tags of a plain mosaic of one strip; `over` replaces or adds. */
export function mosaicTags(width: number, height: number, over: readonly Tag[] = []): Tag[] {
  const usual: Tag[] = [
    [254, LONG, 0],
    [256, LONG, width],
    [257, LONG, height],
    [258, SHORT, 16],
    [259, SHORT, 1],
    [262, SHORT, 32803],
    [273, LONG, -1],
    [277, SHORT, 1],
    [278, LONG, height],
    [279, LONG, width * height * 2],
    [33421, SHORT, 2, 2],
    [33422, BYTE, 0, 1, 1, 2],
    [50714, SHORT, 64],
    [50717, LONG, 1023],
  ];
  const replaced = new Set(over.map(([tag]) => tag));
  return [...usual.filter(([tag]) => !replaced.has(tag)), ...over];
}

/** 16-bit samples in either byte order. */
export function plainBlock(samples: ArrayLike<number>, order: Order = 'II'): Uint8Array {
  const view = new DataView(new ArrayBuffer(samples.length * 2));
  for (let i = 0; i < samples.length; i++) view.setUint16(i * 2, samples[i]!, order === 'II');
  return new Uint8Array(view.buffer);
}
