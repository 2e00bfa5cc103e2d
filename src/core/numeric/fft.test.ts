// The transform against its definition, and against laws that hold for any numbers (Parseval; back and forth).
import { complex, inverseSquare, transform, transformSquare } from './fft';
import { nextUint32, randomFrom } from './random';

function filled(length: number, seed: number) {
  const random = randomFrom(seed);
  const values = complex(length);
  for (let i = 0; i < length; i++) {
    values.re[i] = nextUint32(random) / 2 ** 31 - 1;
    values.im[i] = nextUint32(random) / 2 ** 31 - 1;
  }
  return values;
}

const copied = ({ re, im }: ReturnType<typeof complex>) => ({ re: re.slice(), im: im.slice() });

it.each([1, 2, 4, 8, 64, 256])('of %i numbers is the sum that defines it', (length) => {
  const given = filled(length, length);
  const got = copied(given);
  transform(got);
  for (let k = 0; k < length; k++) {
    let [re, im] = [0, 0];
    for (let n = 0; n < length; n++) {
      const angle = (-2 * Math.PI * k * n) / length;
      re += given.re[n]! * Math.cos(angle) - given.im[n]! * Math.sin(angle);
      im += given.re[n]! * Math.sin(angle) + given.im[n]! * Math.cos(angle);
    }
    expect(got.re[k]).toBeCloseTo(re, 9);
    expect(got.im[k]).toBeCloseTo(im, 9);
  }
});

it('keeps the energy of a square, and comes back', () => {
  const side = 32;
  const given = filled(side * side, 7);
  const there = copied(given);
  const energy = ({ re, im }: typeof given) => re.reduce((sum, v, i) => sum + v * v + im[i]! ** 2, 0);
  transformSquare(there, side);
  expect(energy(there) / side ** 2).toBeCloseTo(energy(given), 6);
  inverseSquare(there, side);
  there.re.forEach((v, i) => expect(v).toBeCloseTo(given.re[i]!, 12));
  there.im.forEach((v, i) => expect(v).toBeCloseTo(given.im[i]!, 12));
});

it('refuses what is no power of two, and no square', () => {
  expect(() => transform(complex(0))).toThrow(RangeError);
  expect(() => transform(complex(12))).toThrow(RangeError);
  expect(() => transformSquare(complex(8), 4)).toThrow(RangeError);
});
