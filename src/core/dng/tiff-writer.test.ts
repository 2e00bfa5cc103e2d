// What a tag can hold (TIFF 6.0, section 2; CIPA DC-008 for signed types): nothing wraps, and nothing that is no number gets into a file.
import { byte, double, long, rational, short, srational, TiffWriter, type Field } from './tiff-writer';

const write = (field: Field) => {
  const writer = new TiffWriter();
  return writer.finish(writer.appendDirectory([field]));
};

it.each([
  ['a negative rational', rational(50728, 1, 0.919, -0.0185)],
  ['an infinite one', rational(50728, 1, Infinity, 1)],
  ['none', rational(50728, NaN, 1, 1)],
  ['one whose numerator does not fit', rational(50728, 4295 * 1e6)],
  ['an infinite signed one', srational(50730, -Infinity)],
  ['a signed one that does not fit', srational(50730, 3e9)],
  ['a short past its end', short(256, 65_536)],
  ['a negative long', long(273, -1)],
  ['a long past its end', long(273, 2 ** 32)],
  ['a byte past its end', byte(50706, 256)],
])('%s is refused by its tag', (_, field) => {
  expect(() => write(field)).toThrow(`Tag ${field.tag} cannot hold`);
});

it.each([
  ['rationals', rational(50728, 0, 1, 0.919)],
  ['signed ones', srational(50730, -2.5, 0, 2.5)],
  ['ends of whole numbers', long(273, 0, 2 ** 32 - 1)],
  ['any floating point', double(50974, -1, 1e300)],
])('%s are written', (_, field) => {
  expect(() => write(field)).not.toThrow();
});
