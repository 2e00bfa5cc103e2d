// Kernel and twin, bit for bit: odd sizes, all thresholds that can be, masks of every bit, pictures longer than the kernel takes at once.
import fc from 'fast-check';
import { withAndWithout } from '../kernels/with-and-without';
import { disagreement, drawMarks, markBright, markPicture, markRaw } from '../scopes/marks';
import { stripeCells } from '../scopes/zebra';
import { pictureHistogram } from '../scopes/picture-histogram';
import { noiseModel } from '../sensor/sensor';
import { SIM_ONE_WIDE } from '../sensor/sim-one';
import { countSites } from './statistics';
import { histogramByKernel } from './scopes-kernel';

it('is loaded here: what follows compares two different things', () => {
  const [fast, plain] = withAndWithout(() => histogramByKernel(new Uint32Array(1)));
  expect([fast !== null, plain]).toEqual([true, null]);
});

const size = fc.tuple(fc.integer({ min: 1, max: 17 }), fc.integer({ min: 1, max: 17 }));
/** Mostly the ends, where thresholds are. */
const code = fc.oneof(fc.constantFrom(0, 1, 229, 230, 254, 255), fc.nat(255));

it('marks and counts raw alike', () => {
  const frames = size.chain(([width, height]) =>
    fc.record({
      width: fc.constant(width),
      height: fc.constant(height),
      black: fc.constantFrom(0, 64, 65),
      white: fc.constantFrom(100, 1023, 65535),
      iso: fc.constantFrom(100, 6400),
      phase: fc.constantFrom([0, 0] as const, [1, 0] as const, [0, 1] as const, [1, 1] as const),
      clip: fc.boolean(),
      floor: fc.boolean(),
      data: fc.uint16Array({ minLength: width * height, maxLength: width * height }),
      few: fc.constantFrom(80, 101, 1024, 65535),
    }),
  );
  fc.assert(
    fc.property(frames, ({ iso, clip, floor, few, data, ...of }) => {
      const frame = {
        ...of,
        data: data.map((dn) => dn % (few + 1)),
        noise: noiseModel(SIM_ONE_WIDE.sensor, iso, 1),
      };
      const [fast, plain] = withAndWithout(() => {
        const mask = new Uint16Array(data.length).fill(256);
        markRaw(frame, { clip, floor }, mask);
        return mask;
      });
      expect(fast).toEqual(plain);
      const [counted, plainly] = withAndWithout(() => countSites(frame));
      counted.counts.forEach((table, c) =>
        expect(Buffer.compare(bytes(table), bytes(plainly.counts[c]!))).toBe(0),
      );
    }),
    { numRuns: 100 },
  );
});

const bytes = ({ buffer, byteOffset, byteLength }: Uint32Array) =>
  new Uint8Array(buffer, byteOffset, byteLength);

it('stripes cells alike, also where light just passes', () => {
  const sites = size.chain(([width, height]) =>
    fc.record({
      width: fc.constant(width),
      light: fc.array(fc.oneof(fc.constantFrom(0, 0.1, 3), fc.float({ min: 0, max: 6, noNaN: true })), {
        minLength: width * height,
        maxLength: width * height,
      }),
      // As 64-bit floats the first two lie beside 0.1 of 32 bits.
      lux: fc.oneof(
        fc.constantFrom(0.1, 0.1000000015, 0, 3, Infinity),
        fc.double({ min: 0, max: 8, noNaN: true }),
      ),
    }),
  );
  fc.assert(
    fc.property(sites, ({ width, light, lux }) => {
      const [fast, plain] = withAndWithout(() => {
        const mask = Uint16Array.from(light, (_, i) => i & 255);
        stripeCells(Float32Array.from(light), width, lux, mask);
        return mask;
      });
      expect(fast).toEqual(plain);
    }),
    { numRuns: 400 },
  );
});

it('counts into tables that were used before as into new ones', () => {
  const frame = { width: 3, height: 3, black: 0, white: 9 };
  const first = countSites({ ...frame, data: Uint16Array.from([1, 2, 3, 4, 5, 6, 7, 8, 12]) });
  const again = countSites({ ...frame, data: new Uint16Array(9) }, first);
  expect(again.counts.map((table) => table[0])).toEqual([4, 2, 2, 1]);
  expect(again.counts.map((table) => table.reduce((a, b) => a + b))).toEqual([4, 2, 2, 1]);
});

it('marks the picture, tells of it, counts its codes and draws alike', () => {
  fc.assert(
    fc.property(
      size.chain(([width, height]) =>
        fc.record({
          width: fc.constant(width),
          codes: fc.array(code, { minLength: 4 * width * height, maxLength: 4 * width * height }),
          mask: fc.uint16Array({ minLength: width * height, maxLength: width * height, max: 1023 }),
          white: fc.boolean(),
          black: fc.boolean(),
          wanted: fc.constantFrom(0xffff, 256, 7, 64 | 128 | 256, 0),
        }),
      ),
      ({ width, codes, mask, white, black, wanted }) => {
        const [fast, plain] = withAndWithout(() => {
          const rgba = Uint8ClampedArray.from(codes);
          const histogram = pictureHistogram(rgba);
          const marks = mask.slice();
          markPicture(rgba, { white, black }, marks);
          markBright(rgba, marks);
          drawMarks(rgba, marks, width, { burnt: [255, 111, 174], dark: [88, 199, 232] }, wanted);
          return { histogram, marks, told: disagreement(marks), rgba };
        });
        expect(fast).toEqual(plain);
      },
    ),
    { numRuns: 150 },
  );
});

it('goes on where one piece ends and the next begins', () => {
  const [width, height] = [300, 260];
  const rgba = Uint8ClampedArray.from({ length: 4 * width * height }, (_, i) => (i * 7919) % 256);
  const [fast, plain] = withAndWithout(() => {
    const marks = new Uint16Array(width * height);
    markPicture(rgba, { white: true, black: true }, marks);
    markBright(rgba, marks);
    const drawn = rgba.slice();
    drawMarks(drawn, marks, width, { burnt: [1, 2, 3], dark: [4, 5, 6] });
    return {
      marks: Buffer.from(marks.buffer),
      drawn: Buffer.from(drawn.buffer),
      told: disagreement(marks),
      histogram: pictureHistogram(rgba),
    };
  });
  expect(Buffer.compare(fast.marks, plain.marks)).toBe(0);
  expect(Buffer.compare(fast.drawn, plain.drawn)).toBe(0);
  expect([fast.told, fast.histogram]).toEqual([plain.told, plain.histogram]);
});
