// Meter laws: handbook figures follow from ISO 2720 and 18 % grey; the share of the centre third is practice.
import fc from 'fast-check';
import type { LuminanceMap } from './luminance-map';
import { SPOT_SHARE } from './spot';
import { PATTERNS, patternOf, readMeter } from './read';

const CENTRE = { x: 0.5, y: 0.5 };
const field = (
  luminance: number | ((x: number, y: number) => number),
  width = 96,
  height = 128,
): LuminanceMap => ({
  width,
  height,
  data: Float32Array.from({ length: width * height }, (_, i) =>
    typeof luminance === 'number'
      ? luminance
      : luminance((i % width) / width, Math.floor(i / width) / height),
  ),
});

describe('meter patterns', () => {
  it('read a uniform field alike', () => {
    for (const { id } of PATTERNS) expect(readMeter(field(64), id, CENTRE).luminance).toBeCloseTo(64, 3);
  });

  it('read exactly one stop more from twice the light', () => {
    const scene = (k: number) => field((x, y) => k * (5 + 300 * x * x + (y < 0.1 ? 4000 : 0)));
    for (const { id } of PATTERNS) {
      const [one, two] = [readMeter(scene(1), id, CENTRE), readMeter(scene(2), id, CENTRE)];
      expect(two.ev100 - one.ev100).toBeCloseTo(1, 6);
    }
  });

  it.each([
    [3.1, -2.54],
    [90, 2.32],
  ])('spot on a %f %% patch reads %f EV from the grey beside it', (reflectance, ev) => {
    const map = field((x) => 1000 * (x < 0.5 ? 0.18 : reflectance / 100));
    const grey = readMeter(map, 'spot', { x: 0.25, y: 0.5 });
    const patch = readMeter(map, 'spot', { x: 0.75, y: 0.5 });
    expect(patch.ev100 - grey.ev100).toBeCloseTo(ev, 2);
  });

  it('spot covers its stated share of the frame, whatever the orientation', () => {
    for (const [w, h] of [
      [96, 128],
      [128, 96],
    ] as const) {
      const weights = new Float32Array(w * h);
      patternOf('spot').weight(field(1, w, h), weights, CENTRE);
      expect(weights.reduce((a, b) => a + b) / weights.length).toBeCloseTo(SPOT_SHARE, 2);
    }
  });

  it('spot in a corner, or finer than the map, still reads', () => {
    expect(readMeter(field(7), 'spot', { x: 0, y: 1 }).luminance).toBeCloseTo(7, 5);
    expect(readMeter(field(7, 2, 2), 'spot', { x: 0.5, y: 0.5 }).luminance).toBeCloseTo(7, 5);
  });

  it('centre-weighted has 60–75 % of its weight in the central third of the area (practice)', () => {
    const [w, h] = [120, 160];
    const weights = new Float32Array(w * h);
    patternOf('centre').weight(field(1, w, h), weights, CENTRE);
    const half = Math.sqrt(1 / 3) / 2;
    let [inside, all] = [0, 0];
    weights.forEach((weight, i) => {
      all += weight;
      if (Math.abs((i % w) / w - 0.5) < half && Math.abs(Math.floor(i / w) / h - 0.5) < half)
        inside += weight;
    });
    expect(inside / all).toBeGreaterThan(0.6);
    expect(inside / all).toBeLessThan(0.75);
  });

  it('evaluative is not pulled by a lamp or a black corner, however extreme', () => {
    const plain = readMeter(field(50), 'evaluative', CENTRE).ev100;
    for (const odd of [0, 1e-4, 5e3, 5e6]) {
      const map = field((x, y) => (x < 0.17 && y < 0.17 ? odd : 50));
      expect(Math.abs(readMeter(map, 'evaluative', CENTRE).ev100 - plain)).toBeLessThan(0.2);
    }
  });

  it('evaluative follows when most of the frame is bright', () => {
    const map = field((x) => (x < 0.8 ? 2000 : 10));
    expect(readMeter(map, 'evaluative', CENTRE).luminance).toBeGreaterThan(1200);
  });

  it('never gives NaN', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1e7, noNaN: true }), { minLength: 12, maxLength: 12 }),
        (values) => {
          const map = { width: 4, height: 3, data: Float32Array.from(values) };
          for (const { id } of PATTERNS)
            expect(readMeter(map, id, CENTRE).luminance).toBeGreaterThanOrEqual(0);
        },
      ),
    );
    expect(readMeter(field(0), 'evaluative', CENTRE).ev100).toBe(-Infinity);
    expect(readMeter(field(NaN), 'centre', CENTRE).luminance).toBe(0);
  });

  it('refuses an empty map, a spot that is nowhere, an unknown pattern', () => {
    expect(() => readMeter({ width: 0, height: 0, data: new Float32Array(0) }, 'spot', CENTRE)).toThrow(
      RangeError,
    );
    expect(() => readMeter(field(1), 'spot', { x: NaN, y: 0 })).toThrow(RangeError);
    expect(() => patternOf('magic')).toThrow(/evaluative, centre, spot/);
  });
});
