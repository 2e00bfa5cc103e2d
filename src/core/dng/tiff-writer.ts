// Writes TIFF 6.0 front to back, little-endian: data first, then the directories that point at it, the first
// directory last; its place is put into the header at the end.
import { TYPE, TYPE_SIZE, type FieldType } from './tags';

/** One entry of a directory. Rationals are pairs; ASCII and bytes come as such. */
export interface Field {
  readonly tag: number;
  readonly type: FieldType;
  readonly values: readonly number[] | Uint8Array;
}

export class TiffWriter {
  private readonly chunks: Uint8Array[] = [];
  private length = 0;

  constructor() {
    this.append(Uint8Array.of(0x49, 0x49, 42, 0, 0, 0, 0, 0));
  }

  /** Appends bytes at an even offset and returns the offset. */
  append(bytes: Uint8Array): number {
    if (this.length & 1) this.push(new Uint8Array(1));
    const offset = this.length;
    this.push(bytes);
    return offset;
  }

  /** Appends a directory (and what does not fit into its entries) and returns its offset. */
  appendDirectory(fields: readonly Field[]): number {
    const sorted = [...fields].sort((a, b) => a.tag - b.tag);
    const entries = new Uint8Array(2 + sorted.length * 12 + 4);
    const view = new DataView(entries.buffer);
    view.setUint16(0, sorted.length, true);
    sorted.forEach((field, i) => {
      const at = 2 + i * 12;
      const bytes = valueBytes(field);
      view.setUint16(at, field.tag, true);
      view.setUint16(at + 2, field.type, true);
      view.setUint32(at + 4, bytes.length / TYPE_SIZE[field.type]!, true);
      if (bytes.length <= 4) entries.set(bytes, at + 8);
      else view.setUint32(at + 8, this.append(bytes), true);
    });
    return this.append(entries);
  }

  /** The finished file. */
  finish(firstDirectory: number): Uint8Array {
    const out = new Uint8Array(this.length);
    let offset = 0;
    for (const chunk of this.chunks) {
      out.set(chunk, offset);
      offset += chunk.length;
    }
    new DataView(out.buffer).setUint32(4, firstDirectory, true);
    return out;
  }

  private push(bytes: Uint8Array): void {
    this.chunks.push(bytes);
    this.length += bytes.length;
  }
}

/** Numbers that each type holds; what lies beyond would come out as another number. */
const SPAN: Partial<Record<FieldType, readonly [least: number, most: number]>> = {
  [TYPE.BYTE]: [0, 0xff],
  [TYPE.UNDEFINED]: [0, 0xff],
  [TYPE.SHORT]: [0, 0xffff],
  [TYPE.LONG]: [0, 0xffff_ffff],
  [TYPE.RATIONAL]: [0, 0xffff_ffff],
  [TYPE.SLONG]: [-0x8000_0000, 0x7fff_ffff],
  [TYPE.SRATIONAL]: [-0x8000_0000, 0x7fff_ffff],
};

/** @throws RangeError for a number that its type cannot hold: negative, too large, or none */
function valueBytes({ tag, type, values }: Field): Uint8Array {
  if (values instanceof Uint8Array) return values;
  const [least, most] = SPAN[type] ?? [-Infinity, Infinity];
  for (const value of values)
    if (!(value >= least && value <= most)) throw new RangeError(`Tag ${tag} cannot hold ${value}`);
  const rational = type === TYPE.RATIONAL || type === TYPE.SRATIONAL;
  const size = rational ? 4 : TYPE_SIZE[type]!;
  const view = new DataView(new ArrayBuffer(values.length * size));
  values.forEach((value, i) => {
    const at = i * size;
    if (type === TYPE.DOUBLE) view.setFloat64(at, value, true);
    else if (type === TYPE.FLOAT) view.setFloat32(at, value, true);
    else if (size === 1) view.setUint8(at, value & 255);
    else if (size === 2) view.setUint16(at, value & 0xffff, true);
    else view.setUint32(at, value >>> 0, true);
  });
  return new Uint8Array(view.buffer);
}

// ---- fields by type, so that a directory reads like the tag tables

export const short = (tag: number, ...values: number[]): Field => ({ tag, type: TYPE.SHORT, values });
export const long = (tag: number, ...values: number[]): Field => ({ tag, type: TYPE.LONG, values });
export const byte = (tag: number, ...values: number[]): Field => ({ tag, type: TYPE.BYTE, values });
export const double = (tag: number, ...values: number[]): Field => ({ tag, type: TYPE.DOUBLE, values });
export const raw = (tag: number, type: FieldType, bytes: Uint8Array): Field => ({ tag, type, values: bytes });
export const undefinedBytes = (tag: number, ...values: number[]): Field => ({
  tag,
  type: TYPE.UNDEFINED,
  values,
});

export function ascii(tag: number, text: string): Field {
  return { tag, type: TYPE.ASCII, values: new TextEncoder().encode(`${text}\0`) };
}

/** Unsigned rationals from decimal numbers, or from exact pairs. */
export function rational(tag: number, ...values: (number | readonly [number, number])[]): Field {
  return {
    tag,
    type: TYPE.RATIONAL,
    values: values.flatMap((v) => (typeof v === 'number' ? fraction(v) : v)),
  };
}

/** Signed rationals. */
export function srational(tag: number, ...values: (number | readonly [number, number])[]): Field {
  return {
    tag,
    type: TYPE.SRATIONAL,
    values: values.flatMap((v) => (typeof v === 'number' ? fraction(v) : v)),
  };
}

/** A decimal as a fraction: the smallest denominator of 1, 10, … 1e6 that is exact to 1e-7, else 1e6. */
function fraction(value: number): [number, number] {
  for (let denominator = 1; denominator < 1e6; denominator *= 10) {
    const numerator = Math.round(value * denominator);
    if (Math.abs(numerator / denominator - value) < 1e-7) return [numerator, denominator];
  }
  return [Math.round(value * 1e6), 1e6];
}
