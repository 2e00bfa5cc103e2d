// The sRGB colour space as an ICC profile (ICC.1:2010, version 4.3): three primaries and a parametric curve, made from IEC 61966-2-1 and adapted to
// the profile connection space's D50.
import { adaptation, D50, D65, xyzOfXy } from '../colour/chromaticity';
import { XYZ_FROM_SRGB } from '../colour/srgb';
import { multiply3, type Mat3, type Vec3 } from '../numeric/matrix';

const HEADER = 128;

let profile: Uint8Array | undefined;

export function srgbProfile(): Uint8Array {
  return (profile ??= made());
}

function made(): Uint8Array {
  const toD50 = adaptation(xyzOfXy(D65), xyzOfXy(D50));
  const primaries = multiply3(toD50, XYZ_FROM_SRGB);
  const column = (c: number) => xyz([primaries[0][c]!, primaries[1][c]!, primaries[2][c]!]);
  const white = xyzOfXy(D50);
  // A curve of type 3: (a·x + b)^g from d on, c·x below (IEC 61966-2-1).
  const curve = block('para', 24, (view) => {
    view.setUint16(8, 3);
    [2.4, 1 / 1.055, 0.055 / 1.055, 1 / 12.92, 0.04045].forEach((v, i) => fixed(view, 12 + 4 * i, v));
  });
  const tags: readonly (readonly [string, Uint8Array])[] = [
    ['desc', localized('sRGB IEC61966-2.1')],
    ['cprt', localized('No copyright, use freely')],
    ['wtpt', xyz(white)],
    ['chad', matrix(toD50)],
    ['rXYZ', column(0)],
    ['gXYZ', column(1)],
    ['bXYZ', column(2)],
    ['rTRC', curve],
    ['gTRC', curve],
    ['bTRC', curve],
  ];
  const places = new Map<Uint8Array, number>();
  let length = HEADER + 4 + 12 * tags.length;
  for (const [, bytes] of tags)
    if (!places.has(bytes)) {
      places.set(bytes, length);
      length += bytes.length;
    }
  const out = new Uint8Array(length);
  const view = new DataView(out.buffer);
  const sign = (at: number, text: string) => out.set(new TextEncoder().encode(text), at);
  view.setUint32(0, length);
  view.setUint32(8, 0x04300000);
  sign(12, 'mntr');
  sign(16, 'RGB ');
  sign(20, 'XYZ ');
  // A date of its own would make two files of one picture differ.
  [2026, 1, 1, 0, 0, 0].forEach((v, i) => view.setUint16(24 + 2 * i, v));
  sign(36, 'acsp');
  white.forEach((v, i) => fixed(view, 68 + 4 * i, v));
  view.setUint32(HEADER, tags.length);
  tags.forEach(([name, bytes], i) => {
    const at = HEADER + 4 + 12 * i;
    sign(at, name);
    view.setUint32(at + 4, places.get(bytes)!);
    view.setUint32(at + 8, bytes.length);
    out.set(bytes, places.get(bytes));
  });
  return out;
}

/** s15Fixed16Number. */
function fixed(view: DataView, at: number, value: number): void {
  view.setInt32(at, Math.round(value * 65536));
}

/** A tag's data: its type, four empty bytes, its content; a whole number of words. */
function block(type: string, content: number, fill: (view: DataView) => void): Uint8Array {
  const out = new Uint8Array(Math.ceil((8 + content) / 4) * 4);
  out.set(new TextEncoder().encode(type));
  fill(new DataView(out.buffer));
  return out;
}

function xyz(value: Vec3): Uint8Array {
  return block('XYZ ', 12, (view) => value.forEach((v, i) => fixed(view, 8 + 4 * i, v)));
}

function matrix(rows: Mat3): Uint8Array {
  return block('sf32', 36, (view) => rows.flat().forEach((v, i) => fixed(view, 8 + 4 * i, v)));
}

/** multiLocalizedUnicodeType with one record, in English. */
function localized(text: string): Uint8Array {
  return block('mluc', 20 + 2 * text.length, (view) => {
    view.setUint32(8, 1);
    view.setUint32(12, 12);
    view.setUint16(16, 0x656e);
    view.setUint16(18, 0x5553);
    view.setUint32(20, 2 * text.length);
    view.setUint32(24, 28);
    for (let i = 0; i < text.length; i++) view.setUint16(28 + 2 * i, text.charCodeAt(i));
  });
}
