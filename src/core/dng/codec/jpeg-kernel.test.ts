// Kernel and twin, bit for bit: any samples and sizes, and streams of other makers with more components, tables and predictors, whole or damaged.
import fc from 'fast-check';
import { allowKernels } from '../../kernels/kernel';
import { withAndWithout } from '../../kernels/with-and-without';
import { DngError } from '../errors';
import { coderByKernel } from './jpeg-kernel';
import { decodeLosslessJpeg } from './lossless-jpeg-decode';
import { encodeLosslessJpeg } from './lossless-jpeg-encode';

afterEach(() => allowKernels(true));

/** Quick, for many samples. */
const same = (a: Uint8Array | Uint16Array, b: Uint8Array | Uint16Array) =>
  a.length === b.length && a.every((v, i) => v === b[i]);

it('is loaded here: what follows compares two different things', () => {
  const [fast, plain] = withAndWithout(() => coderByKernel(new Uint16Array(2), 2, 1));
  expect([fast !== null, plain]).toEqual([true, null]);
});

const samplesOf = (count: number) =>
  fc
    .record({
      seed: fc.integer(),
      top: fc.constantFrom(1, 3, 255, 4095, 65535),
      step: fc.constantFrom(0, 1, 7),
    })
    .map(({ seed, top, step }) => {
      let s = seed;
      return Uint16Array.from({ length: count }, (_, i) => {
        s = (Math.imul(s, 1103515245) + 12345) | 0;
        return ((s >>> 8) % (top + 1)) + i * step;
      });
    });

it('codes any samples to the same bytes, and reads them alike', () => {
  fc.assert(
    fc.property(
      fc
        .tuple(fc.integer({ min: 1, max: 17 }), fc.integer({ min: 1, max: 17 }))
        .chain(([half, height]) =>
          fc.tuple(fc.constant(2 * half), fc.constant(height), samplesOf(2 * half * height)),
        ),
      ([width, height, samples]) => {
        const [fast, plain] = withAndWithout(() => encodeLosslessJpeg(samples, width, height));
        expect(same(fast, plain)).toBe(true);
        const [read, readPlainly] = withAndWithout(() => decodeLosslessJpeg(fast));
        expect(same(read.samples, samples)).toBe(true);
        expect(readPlainly).toEqual({ ...read, samples: readPlainly.samples });
        expect(same(readPlainly.samples, samples)).toBe(true);
      },
    ),
    { numRuns: 400 },
  );
});

it.each([
  ['a difference of exactly 32768', (i: number) => (i % 4 < 2 ? 0 : 32768)],
  ['extremes', (i: number) => (i % 4 < 2 ? 0 : 65535)],
  ['bytes of only ones', (i: number) => (i % 6 < 2 ? 0xffff : i % 6 < 4 ? 0x00ff : 0)],
  ['one value', () => 4000],
])('codes and reads %s alike', (_, value) => {
  const samples = Uint16Array.from({ length: 256 * 64 }, (_v, i) => value(i));
  const [fast, plain] = withAndWithout(() => encodeLosslessJpeg(samples, 256, 64));
  expect(same(fast, plain)).toBe(true);
  expect(same(decodeLosslessJpeg(fast).samples, samples)).toBe(true);
});

it('reads more rows than it holds at once', () => {
  const [width, height] = [4032, 200];
  const samples = Uint16Array.from({ length: width * height }, (_, i) => (i * 7919) % 4096);
  allowKernels(false);
  const coded = encodeLosslessJpeg(samples, width, height);
  allowKernels(true);
  expect(same(decodeLosslessJpeg(coded).samples, samples)).toBe(true);
});

/** A stream with any predictor, components and tables: bits at random stand for some samples or other. */
function stream(
  components: number,
  predictor: number,
  [width, height]: [number, number],
  tables: number,
  noise: Uint8Array,
) {
  const bytes: number[] = [
    0xff,
    0xd8,
    0xff,
    0xc3,
    0,
    8 + 3 * components,
    14,
    0,
    height,
    0,
    width,
    components,
  ];
  for (let c = 0; c < components; c++) bytes.push(c, 0x11, 0);
  for (let t = 0; t < tables; t++) {
    // Codes of 1, 2, … bits: 12 sizes, those of the second table in another order; the longest has 12 bits and more after it.
    const symbols = Array.from({ length: 12 }, (_, k) => (t === 0 ? k : (k * 5 + 3) % 12));
    bytes.push(
      0xff,
      0xc4,
      0,
      19 + symbols.length,
      t,
      ...Array.from({ length: 16 }, (_, k) => (k < 12 ? 1 : 0)),
      ...symbols,
    );
  }
  bytes.push(0xff, 0xda, 0, 6 + 2 * components, components);
  for (let c = 0; c < components; c++) bytes.push(c, (c % tables) << 4);
  bytes.push(predictor, 0, 0);
  for (const b of noise) bytes.push(...(b === 0xff ? [0xff, 0] : [b]));
  return Uint8Array.from([...bytes, 0xff, 0xd9]);
}

function told(work: () => Uint16Array): Uint16Array | string {
  try {
    return work();
  } catch (error) {
    if (!(error instanceof DngError)) throw error;
    return error.message;
  }
}

it('reads any predictor, components and tables as its twin does, and refuses alike', () => {
  let read = 0;
  fc.assert(
    fc.property(
      fc.record({
        components: fc.integer({ min: 1, max: 4 }),
        predictor: fc.integer({ min: 1, max: 7 }),
        size: fc.tuple(fc.integer({ min: 1, max: 17 }), fc.integer({ min: 1, max: 9 })),
        tables: fc.integer({ min: 1, max: 2 }),
        noise: fc.uint8Array({ minLength: 40, maxLength: 900, max: 200 }),
      }),
      ({ components, predictor, size, tables, noise }) => {
        const bytes = stream(components, predictor, size, tables, noise);
        const [fast, plain] = withAndWithout(() => told(() => decodeLosslessJpeg(bytes).samples));
        expect(fast).toEqual(plain);
        if (typeof fast !== 'string') read++;
      },
    ),
    { numRuns: 600 },
  );
  expect(read).toBeGreaterThan(100);
});
