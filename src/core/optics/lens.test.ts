// Depth of field and blur against worked examples (1/2.3-inch sensor, c = 0.0053 mm, f/4: published tables, rounded there
// to 15 and 46 ft), and against the thin-lens formula.
import { SIM_ONE } from '../sensor/sim-one';
import { blurDiscMm, confusionMm, depthOfField, hyperfocalM } from './lens';

const FOOT_M = 0.3048;
/** A sensor whose circle of confusion is 0.0053 mm. */
const sensor = { width: 4000, height: 3000, pitchMm: (0.0053 / 0.03) * (43.27 / 5000) };

describe('depth of field', () => {
  it.each([
    [4.3, 3, Infinity],
    [14, 10, 14.9],
    [60, 43, 46.6],
  ])('%f mm focused at %f ft reaches to %f ft', (focalLengthMm, focusFt, farFt) => {
    const hyperfocal = hyperfocalM({ focalLengthMm, apertureN: 4 }, sensor);
    expect(confusionMm(sensor)).toBeCloseTo(0.0053, 6);
    const { farM } = depthOfField(focalLengthMm, hyperfocal, focusFt * FOOT_M);
    if (farFt === Infinity) expect(farM).toBe(Infinity);
    else expect(farM / FOOT_M).toBeCloseTo(farFt, 0);
  });

  it('at its limits has a blur disc of just the circle of confusion', () => {
    const { lens, sensor: own } = SIM_ONE.tele;
    const { nearM, farM } = depthOfField(lens.focalLengthMm, hyperfocalM(lens, own), 1.5);
    for (const limit of [nearM, farM]) {
      expect(Math.abs(blurDiscMm(lens, 1.5, limit)) / confusionMm(own)).toBeCloseTo(1, 1);
    }
    expect(depthOfField(6.9, 3, Infinity)).toEqual({ nearM: 3, farM: Infinity });
  });
});

describe('the blur disc', () => {
  const { lens } = SIM_ONE.wide;
  it('is nothing in focus, negative in front, positive behind, finite at infinity', () => {
    expect(blurDiscMm(lens, 0.5, 0.5)).toBe(0);
    expect(blurDiscMm(lens, 0.5, 0.3)).toBeLessThan(0);
    // Thin lens: |d−s|/d · f²/(N(s−f)).
    const f = 6.9;
    expect(blurDiscMm(lens, 0.5, 2)).toBeCloseTo(((1.5 / 2) * f * f) / (1.8 * (500 - f)), 9);
    expect(blurDiscMm(lens, 0.5, Infinity)).toBeCloseTo((f * f) / (1.8 * (500 - f)), 9);
    expect(blurDiscMm(lens, Infinity, 2)).toBeCloseTo(-(f * f) / (1.8 * 2000), 9);
    expect(blurDiscMm(lens, Infinity, Infinity)).toBeCloseTo(0, 12);
  });
});

describe('Velmo Sim One', () => {
  it('has lenses of 13, 24 and 77 mm equivalent; the widest is fixed at its hyperfocal distance', () => {
    expect(Object.values(SIM_ONE).map((c) => c.equivalentMm)).toEqual([13, 24, 77]);
    const { lens, sensor: own } = SIM_ONE['ultra-wide'];
    expect(lens.fixedFocusM).toBe(hyperfocalM(lens, own));
  });
});
