// Exif of anyone's files, in the order of bytes they come in; and what is made of it for the desk.
import * as fc from 'fast-check';
import { asTaken } from '../setup/as-taken';
import { FAR_M, ISO_LADDER, SHUTTER_LADDER, stepOf } from '../units/ladders';
import { takenOfFile } from './taken-of-file';

interface Exif {
  readonly little?: boolean;
  readonly entries: readonly (readonly [tag: number, type: number, ...values: number[]])[];
}

/** A TIFF file with a Model and an Exif directory, written apart from the program's own writer. */
function exifFile({ little = true, entries }: Exif): Uint8Array {
  const bytes = new Uint8Array(1024);
  const view = new DataView(bytes.buffer);
  view.setUint16(0, little ? 0x4949 : 0x4d4d);
  view.setUint16(2, 42, little);
  view.setUint32(4, 8, little);
  const directory = (at: number, list: Exif['entries']) => {
    view.setUint16(at, list.length, little);
    let free = at + 2 + 12 * list.length + 4;
    list.forEach(([tag, type, ...values], i) => {
      const entry = at + 2 + 12 * i;
      const rational = type === 5 || type === 10;
      view.setUint16(entry, tag, little);
      view.setUint16(entry + 2, type, little);
      view.setUint32(entry + 4, rational ? values.length / 2 : values.length, little);
      if (rational) {
        view.setUint32(entry + 8, free, little);
        for (const value of values) {
          view.setInt32(free, value | 0, little);
          free += 4;
        }
      } else if (type === 3) view.setUint16(entry + 8, values[0]!, little);
      else view.setUint32(entry + 8, values[0]!, little);
    });
    return free;
  };
  const exifAt = 40;
  directory(8, [[0x8769, 4, exifAt]]);
  return bytes.slice(0, directory(exifAt, entries));
}

const ENTRIES: Exif['entries'] = [
  [0x829a, 5, 1, 250],
  [0x829d, 5, 28, 10],
  [0x8827, 3, 400],
  [0x9204, 10, -2, 3],
  [0x9206, 5, 15, 10],
  [0x9208, 3, 3],
  [0xa403, 3, 1],
];
const FOUND = {
  ...{ shutterS: 1 / 250, apertureN: 2.8, iso: 400, compensationEv: -2 / 3, focusM: 1.5 },
  white: { kelvin: 2856, tint: 0 },
};

const jpegWith = (tiff: Uint8Array) => {
  const length = tiff.length + 8;
  return Uint8Array.from([
    ...[0xff, 0xd8, 0xff, 0xe1, length >> 8, length & 255, ...new TextEncoder().encode('Exif\0\0')],
    ...tiff,
    ...[0xff, 0xda, 0, 2, 0xff, 0xd9],
  ]);
};
const pngWith = (tiff: Uint8Array) =>
  Uint8Array.from([
    ...[0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a],
    ...[0, 0, 0, 0, 0x49, 0x48, 0x44, 0x52, 0, 0, 0, 0],
    ...[0, 0, tiff.length >> 8, tiff.length & 255, ...new TextEncoder().encode('eXIf'), ...tiff, 0, 0, 0, 0],
  ]);

it.each([true, false])('is read from TIFF, JPEG and PNG, little end first: %s', (little) => {
  const tiff = exifFile({ little, entries: ENTRIES });
  for (const file of [tiff, jpegWith(tiff), pngWith(tiff)]) expect(takenOfFile(file)).toEqual(FOUND);
});

it('goes onto the nearest clicks, by hand; what is not known stays out of it', () => {
  expect(asTaken({ shutterS: 1 / 261, iso: 390 })).toEqual({
    shutter: { auto: false, exact: stepOf(SHUTTER_LADDER, 1 / 256).exact },
    iso: { auto: false, exact: stepOf(ISO_LADDER, 400).exact },
    compensationEv: 0,
  });
  expect(asTaken({ focusM: Infinity }).focus).toMatchObject({ auto: false, exact: FAR_M });
  expect(asTaken({})).toEqual({});
  expect(asTaken({ shutterS: NaN, iso: -1, apertureN: 0, focusM: 0 })).toEqual({});
});

it('of nothing, of something else, of a file without Exif or a broken one it says what is wrong', () => {
  const wrong = (bytes: Uint8Array) => () => takenOfFile(bytes);
  expect(wrong(new Uint8Array())).toThrow(/no JPEG, PNG, TIFF or DNG/);
  expect(wrong(new TextEncoder().encode('{"kind":"setups"}'))).toThrow(/no JPEG/);
  expect(wrong(Uint8Array.of(0xff, 0xd8, 0xff, 0xda, 0, 2))).toThrow(/no Exif/);
  expect(wrong(exifFile({ entries: ENTRIES }).slice(0, 30))).toThrow(/broken|no Exif/);
  fc.assert(
    fc.property(fc.nat(200), fc.nat(255), (at, value) => {
      const bytes = jpegWith(exifFile({ entries: ENTRIES }));
      bytes[at] = value;
      try {
        takenOfFile(bytes);
      } catch (error) {
        expect((error as Error).message).toMatch(/[Tt]his|no Exif/);
      }
    }),
  );
});
