// The kernel against its twin, bit for bit: odd widths, darkness, single photons, burnt light, averages of many sites.
import fc from 'fast-check';
import { allowKernels } from '../kernels/kernel';
import { rowExposer } from './expose-kernel';
import { exposeRows } from './expose';
import { SIM_ONE_WIDE } from './sim-one';

afterEach(() => allowKernels(true));

it('is loaded here: what follows compares two different things', () => {
  const of = {
    ...{ electronsPerLx: 1, surelyFull: 9, sitesPerSample: 1, dnPerSummedE: 1, readDn: 1 },
    ...{ black: 0, white: 9, dither: 0 },
  };
  expect(rowExposer(of)).not.toBeNull();
  allowKernels(false);
  expect(rowExposer(of)).toBeNull();
});

const lux = fc.oneof(
  fc.constantFrom(0, -1, 1e-6, 1e9, Infinity, NaN),
  fc.double({ min: -12, max: 12, noNaN: true }).map((stops) => 2 ** stops),
);
const exposure = fc.record({
  width: fc.integer({ min: 1, max: 37 }),
  rows: fc.integer({ min: 1, max: 4 }),
  firstRow: fc.integer({ min: 0, max: 4000 }),
  seed: fc.integer({ min: 0, max: 0xffffffff }),
  shutterS: fc.constantFrom(1 / 8000, 1 / 125, 1, 30),
  iso: fc.constantFrom(50, 100, 1600, 12800),
  sitesPerSample: fc.constantFrom(1, 39.7, 1600),
});

it('makes the numbers that its twin makes', () => {
  fc.assert(
    fc.property(
      exposure.chain((of) =>
        fc.tuple(
          fc.constant(of),
          fc.array(lux, { minLength: of.width * of.rows, maxLength: of.width * of.rows }),
        ),
      ),
      ([{ width, firstRow, ...of }, values]) => {
        const light = Float32Array.from(values);
        const [fast, plain] = [true, false].map((use) => {
          allowKernels(use);
          const out = new Uint16Array(light.length);
          exposeRows(SIM_ONE_WIDE.sensor, of, light, width, firstRow, out);
          return out;
        });
        expect(fast).toEqual(plain);
      },
    ),
    { numRuns: 600 },
  );
});
