// Kernels and twins, bit for bit: rows between rows, the lens' fall-off, and the blur of a hand, at widths from 1 on.
import fc from 'fast-check';
import { withAndWithout } from '../kernels/with-and-without';
import { cos4 } from '../optics/lens';
import { gatherer } from './gather';
import { fallOffRows, rowSampler } from './light-kernel';
import { rowMosaic, rowProduct } from './site-rows';
import { horizontalPass, pointTaps, tapsFor, verticalPass } from './resample';

const planeOf = (count: number) =>
  fc.array(fc.oneof(fc.constantFrom(0, 1e-30, 1e9), fc.float({ min: 0, max: 1000, noNaN: true })), {
    minLength: count,
    maxLength: count,
  });
const small = fc.integer({ min: 1, max: 17 });

it('samples rows alike, of a plane or of two by turns: any row, again and in any order', () => {
  const sampling = fc
    .record({
      size: small,
      rows: small,
      width: small,
      height: small,
      shift: fc.double({ min: -3, max: 3, noNaN: true }),
    })
    .chain((of) =>
      fc.record({
        of: fc.constant(of),
        values: planeOf(of.size * of.rows),
        others: planeOf(of.size * of.rows),
        asked: fc.array(fc.tuple(fc.nat(of.height - 1), fc.constantFrom('row', 'mosaic')), {
          minLength: 1,
          maxLength: 12,
        }),
      }),
    );
  fc.assert(
    fc.property(sampling, ({ of: { size, rows, width, height, shift }, values, others, asked }) => {
      const planes = [Float32Array.from(values), Float32Array.from(others)] as const;
      const down = pointTaps(height, shift, rows + shift, rows);
      const across = pointTaps(width, shift, size + shift, size);
      const sampler = rowSampler(size, down, across, width, 2)!;
      const row = new Float32Array(size);
      for (const [y, what] of asked) {
        const [fast, plain] = [new Float32Array(width + 2).fill(-1), new Float32Array(width + 2).fill(-1)];
        if (what === 'row') {
          sampler.row([0, planes[0]], y, fast, 2);
          verticalPass(planes[0], size, down, y, row);
          horizontalPass(row, across, width, plain, 2);
        } else {
          sampler.mosaic([0, planes[0]], [1, planes[1]], y, fast);
          for (const phase of [0, 1]) {
            verticalPass(planes[phase]!, size, down, y, row);
            horizontalPass(row, across, width, plain, 0, phase, 2);
          }
        }
        expect(fast).toEqual(plain);
      }
    }),
    { numRuns: 500 },
  );
});

it('leaves means over areas to its twin', () => {
  const taps = tapsFor(3, 0, 9, 9);
  expect(rowSampler(9, taps, taps, 3, 1)).toBeNull();
});

it('keeps planes apart', () => {
  const [a, b] = [Float32Array.of(1, 2, 3, 4), Float32Array.of(10, 20, 30, 40)];
  const taps = pointTaps(2, 0, 2, 2);
  const sampler = rowSampler(2, taps, taps, 2, 2)!;
  const out = new Float32Array(2);
  for (const [slot, plane, expected] of [
    [0, a, [1, 2]],
    [1, b, [10, 20]],
    [0, a, [1, 2]],
  ] as const) {
    sampler.row([slot, plane], 0, out, 0);
    expect([...out]).toEqual(expected);
  }
});

it('falls off as cos⁴θ does', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -20, max: 20, noNaN: true }), { minLength: 1, maxLength: 17 }),
      fc.double({ min: -20, max: 20, noNaN: true }),
      fc.double({ min: 1, max: 90, noNaN: true }),
      fc.double({ min: 0, max: 5, noNaN: true }),
      (xs, y, focalLength, lux) => {
        const fast = new Float32Array(xs.length);
        fallOffRows(focalLength, lux, Float64Array.from(xs))!(y, fast);
        expect(fast).toEqual(Float32Array.from(xs, (x) => lux * cos4(focalLength, x, y)));
      },
    ),
  );
});

it('multiplies rows alike', () => {
  const pairs = small.chain((width) => fc.tuple(planeOf(width), planeOf(width)));
  fc.assert(
    fc.property(pairs, ([values, factors]) => {
      const [fast, plain] = withAndWithout(() => {
        const row = Float32Array.from(values);
        rowProduct(row.length)(row, Float32Array.from(factors));
        return row;
      });
      expect(fast).toEqual(plain);
      expect(plain[0]).toBe(Math.fround(Math.fround(values[0]!) * Math.fround(factors[0]!)));
    }),
  );
});

it('puts the columns of two rows together alike', () => {
  const pairs = small.chain((width) => fc.tuple(planeOf(width), planeOf(width)));
  fc.assert(
    fc.property(pairs, ([even, odd]) => {
      const [fast, plain] = withAndWithout(() => {
        const out = new Float32Array(even.length);
        rowMosaic(out.length)(Float32Array.from(even), Float32Array.from(odd), out);
        return out;
      });
      expect(fast).toEqual(plain);
      expect(plain).toEqual(Float32Array.from(even, (v, x) => (x % 2 === 0 ? v : odd[x]!)));
    }),
  );
});

it('gathers alike, and takes what is at the edge for what lies beyond it', () => {
  const gathering = fc
    .record({ width: small, slots: fc.integer({ min: 1, max: 5 }), reach: fc.integer({ min: 0, max: 20 }) })
    .chain((of) =>
      fc.record({
        of: fc.constant(of),
        values: planeOf(3 * of.slots * of.width),
        factors: fc.option(planeOf(of.width)),
        taps: fc.array(
          fc.record({
            dx: fc.integer({ min: -of.reach, max: of.reach }),
            slot: fc.nat(of.slots - 1),
            weight: fc.float({ min: 0, max: 1, noNaN: true }),
          }),
          { minLength: 1, maxLength: 20 },
        ),
      }),
    );
  fc.assert(
    fc.property(gathering, ({ of: { width, slots, reach }, values, factors, taps }) => {
      const rows = Float32Array.from(values);
      const times = factors ? Float32Array.from(factors) : undefined;
      const dx = Int32Array.from(taps, (t) => t.dx);
      const weight = Float32Array.from(taps, (t) => t.weight);
      const slotOf = Int32Array.from(taps, (t) => t.slot);
      const [fast, plain] = withAndWithout(() => {
        const of = gatherer(width, slots, reach);
        for (let c = 0; c < 3; c++)
          for (let slot = 0; slot < slots; slot++) of.put(c, slot, rows, (c * slots + slot) * width, times);
        const out = new Float32Array(3 * width);
        for (let c = 0; c < 3; c++) of.gather([c, (c + 1) % 3], slotOf, { dx, weight }, out, c * width);
        return out;
      });
      expect(fast).toEqual(plain);
      const x = width - 1;
      const expected = taps.reduce((sum, t) => {
        const from = Math.min(width - 1, Math.max(0, x - t.dx));
        return sum + t.weight * rows[((x & 1) * slots + t.slot) * width + from]! * (times?.[from] ?? 1);
      }, 0);
      expect(Math.abs(fast[x]! - expected)).toBeLessThanOrEqual(1e-5 * Math.abs(expected) + 1e-30);
    }),
    { numRuns: 400 },
  );
});
