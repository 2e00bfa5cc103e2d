// The kernel against its twin, bit for bit: plates of any even size with lights far out of the usual, whole, in a first look, and damaged.
import fc from 'fast-check';
import { deflateSync, inflateSync } from 'fflate';
import { withAndWithoutSoon } from '../kernels/with-and-without';
import { decodeCoded, decodeFirstLook, encodePlate } from './plate-codec';
import { unpackByKernel } from './unpack-kernel';
import { LONG } from '../../../tests/sweep';

it('is loaded here: what follows compares two different things', async () => {
  const plane = { w: 2, h: 2, levels: 0, bands: [{ x: 0, y: 0, w: 2, h: 2, step: 1 }] };
  const [fast, plain] = await withAndWithoutSoon(async () => unpackByKernel(new Uint8Array(4), plane, 0, 0));
  expect([fast!.used, plain]).toEqual([4, null]);
});

const even = (most: number) => fc.integer({ min: 1, max: most }).map((half) => 2 * half);
const plates = fc.record({
  width: fc.oneof(even(9), fc.constantFrom(32, 64, 96, 128)),
  height: fc.oneof(even(9), fc.constantFrom(32, 64, 160)),
  seed: fc.integer(),
  /** Stops between the darkest and the brightest. */
  range: fc.constantFrom(0, 3, 20),
  step: fc.constantFrom(0.01, 0.06, 0.5),
});
function plateOf({
  width,
  height,
  seed,
  range,
}: {
  width: number;
  height: number;
  seed: number;
  range: number;
}) {
  let s = seed;
  const data = Float32Array.from({ length: width * height * 3 }, () => {
    s = (Math.imul(s, 1103515245) + 12345) | 0;
    // Mostly nothing, some noise, a few lights.
    return s >>> 28 === 0 ? 2 ** ((range * ((s >>> 8) & 255)) / 255) : 0.5;
  });
  return { width, height, data };
}
const told = async <T>(work: () => Promise<T>): Promise<T | string> => {
  try {
    return await work();
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return error.message;
  }
};

/** Of what was told or unpacked: texts and numbers as they are, arrays by their bytes. */
const bytesOf = (of: unknown): unknown =>
  typeof of !== 'object' || of === null
    ? of
    : ArrayBuffer.isView(of)
      ? Buffer.from(of.buffer, of.byteOffset, of.byteLength).toString('latin1')
      : Object.fromEntries(Object.entries(of).map(([key, value]) => [key, bytesOf(value)]));

it('unpacks alike', async () => {
  await fc.assert(
    fc.asyncProperty(plates, async ({ step, ...of }) => {
      const { header, bytes } = encodePlate(plateOf(of), { step, ratioStep: step, floor: 1e-3 });
      const [fast, plain] = await withAndWithoutSoon(() => decodeCoded(header, bytes));
      expect(bytesOf(fast)).toEqual(bytesOf(plain));
    }),
    { numRuns: LONG ? 700 : 25 },
  );
});

it('takes a first look alike', async () => {
  await fc.assert(
    fc.asyncProperty(plates, fc.integer({ min: 1, max: 3 }), async ({ step, ...of }, times) => {
      const { header, bytes } = encodePlate(plateOf(of), { step, ratioStep: step, floor: 1e-3 });
      const [fast, plain] = await withAndWithoutSoon(() => told(() => decodeFirstLook(header, bytes, times)));
      expect(bytesOf(fast)).toEqual(bytesOf(plain));
    }),
    { numRuns: LONG ? 500 : 20 },
  );
});

it('refuses coefficients that end early or go on too long, alike', async () => {
  const { header, bytes } = encodePlate(plateOf({ width: 64, height: 64, seed: 3, range: 20 }), {
    step: 0.01,
    ratioStep: 0.01,
    floor: 1e-3,
  });
  const first = inflateSync(bytes.subarray(0, header.lengths[0]));
  for (const change of [-1, -5, -900, 1, 7]) {
    const other = new Uint8Array(first.length + change);
    other.set(first.subarray(0, other.length));
    const packed = deflateSync(other);
    const rest = bytes.subarray(header.lengths[0]);
    const whole = new Uint8Array(packed.length + rest.length);
    whole.set(packed);
    whole.set(rest, packed.length);
    const changed = { ...header, lengths: [packed.length, ...header.lengths.slice(1)] };
    const [fast, plain] = await withAndWithoutSoon(() => told(() => decodeCoded(changed, whole)));
    expect([typeof fast, fast]).toEqual(['string', plain]);
  }
});
