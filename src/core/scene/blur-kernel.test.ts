// The kernel against its twin, bit for bit: pictures of any size and slopes of any discs, sharp and wide, alone and over each other.
import fc from 'fast-check';
import { withAndWithout } from '../kernels/with-and-without';
import { partByKernel } from './blur-kernel';
import { defocus } from './defocus';
import { blurByDiscs, discMap } from './disc-blur';
import { discNumber } from './disc-map';

it('is loaded here: what follows compares two different things', () => {
  const [fast, plain] = withAndWithout(() =>
    partByKernel(
      new Float32Array(1),
      1,
      { x: 0, y: 0, width: 1, height: 1 },
      { far: 0, near: 0, lends: -1, borrowed: 0.5 },
    ),
  );
  expect([fast !== null, plain]).toEqual([true, null]);
});

/** Light with bright points, from a seed: arrays of this size are too many to be drawn one by one. */
function light(count: number, seed: number): Float32Array {
  let s = seed;
  return Float32Array.from({ length: count }, () => {
    s = (Math.imul(s, 1103515245) + 12345) | 0;
    return (s >>> 24) % 50 === 0 ? 5000 : ((s >>> 8) % 1000) / 100;
  });
}

const size = fc.tuple(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 40 }));

it('blurs by discs alike, made at any size', () => {
  fc.assert(
    fc.property(
      size,
      fc.integer(),
      fc.constantFrom([0.5, 0.5], [1, 3], [2, 5.5], [6, 9], [14, 30], [40, 60]),
      fc.boolean(),
      ([width, height], seed, [small, large], all) => {
        const plane = light(width * height, seed);
        const present = all ? undefined : plane.map((v) => (v > 5 ? 1 : 0));
        const numbers = Uint16Array.from(plane, (v, i) =>
          (i * 7) % 5 === 0 || present?.[i] === 0 ? 0 : discNumber(small! + (large! - small!) * (v % 1)),
        );
        const map = discMap(numbers, width, height, small!, large!, present);
        const [fast, plain] = withAndWithout(() => blurByDiscs(plane, map));
        expect(fast).toEqual(plain);
      },
    ),
    { numRuns: 300 },
  );
});

it('lays layers alike', () => {
  fc.assert(
    fc.property(
      size,
      fc.integer(),
      fc.double({ min: -40, max: 10, noNaN: true }),
      fc.double({ min: 0, max: 40, noNaN: true }),
      fc.integer({ min: 1, max: 9 }),
      ([width, height], seed, nearest, range, steps) => {
        const planes = [light(width * height, seed), light(width * height, seed + 1)];
        // Things at several depths beside each other, and a slope.
        const disc = Float32Array.from({ length: width * height }, (_, i) => {
          const thing = (Math.floor((i % width) / 5) + Math.floor(i / width / 7)) % steps;
          return nearest + (range * thing) / steps + (i % width) * 0.02;
        });
        const [fast, plain] = withAndWithout(() => defocus({ width, height, planes }, disc));
        expect(fast).toEqual(plain);
      },
    ),
    { numRuns: 200 },
  );
});
