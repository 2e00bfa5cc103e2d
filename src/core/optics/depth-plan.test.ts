// Plans against worked examples: a 1/2.3-inch sensor with c = 0.0053 mm at f/4 (published tables, there rounded to 15 and 46 ft), the angle of view of
// 50 mm on 36 × 24 mm (46.8° across the diagonal, 39.6° across), and the thin lens by hand.
import { SIM_IRIS } from '../sensor/sim-iris';
import { SIM_ONE } from '../sensor/sim-one';
import { movedBackgroundM, planDepth, sameSizeM, type PlanLens } from './depth-plan';

const FOOT_M = 0.3048;
const small = (focalLengthMm: number): PlanLens => ({
  focalLengthMm,
  apertureN: 4,
  sensor: { width: 4000, height: 3000, pitchMm: (0.0053 / 0.03) * (43.27 / 5000) },
});
const of = ({ lens, sensor }: (typeof SIM_ONE)['wide'], apertureN = lens.apertureN): PlanLens => ({
  focalLengthMm: lens.focalLengthMm,
  apertureN,
  sensor,
});

describe('a plan', () => {
  it.each([
    [4.3, 3, Infinity],
    [14, 10, 14.9],
    [60, 43, 46.6],
  ])('%d mm at %d ft is sharp to %d ft', (f, feet, far) => {
    const { farM } = planDepth(small(f), feet * FOOT_M, Infinity);
    if (far === Infinity) expect(farM).toBe(Infinity);
    else expect(Math.abs(farM / FOOT_M - far)).toBeLessThan(0.06);
  });

  it('tells the angles of 50 mm on 36 × 24 mm', () => {
    const full = { focalLengthMm: 50, apertureN: 2, sensor: { width: 6000, height: 4000, pitchMm: 0.006 } };
    const { acrossDeg, downDeg, diagonalDeg, widthM, heightM } = planDepth(full, 5.05, 10);
    expect([acrossDeg, downDeg, diagonalDeg].map((v) => Number(v.toFixed(1)))).toEqual([39.6, 27.0, 46.8]);
    // A hundred times its size: 36 × 24 mm is 3.6 × 2.4 m.
    expect([widthM, heightM]).toEqual([expect.closeTo(3.6, 9), expect.closeTo(2.4, 9)]);
  });

  it('tells the blur of a background: f/N · f/(s − f) · (d − s)/d', () => {
    const lens = of(SIM_ONE.tele);
    const { backgroundPx, backgroundPercent } = planDepth(lens, 1, 4);
    const mm = ((12.56 / 2.8) * 12.56 * 0.75) / (1000 - 12.56);
    expect(backgroundPx).toBeCloseTo(mm / 0.0014, 6);
    expect(backgroundPercent).toBeCloseTo((100 * mm) / (3024 * 0.0014), 6);
    expect(planDepth(lens, 1, 1).backgroundPx).toBe(0);
    expect(planDepth(lens, 1, 0.5).backgroundPx).toBeGreaterThan(0);
    expect(planDepth(lens, Infinity, Infinity).backgroundPx).toBeCloseTo(0, 9);
  });

  it.each([
    [0, 1],
    [-1, 1],
    [NaN, 1],
    [0.01, 1],
    [1, 0],
    [1, NaN],
  ])('of %d m with a background at %d m is none', (focus, background) => {
    expect(() => planDepth(of(SIM_ONE.tele), focus, background)).toThrow(RangeError);
  });
});

describe('the same size of the subject', () => {
  const [wide, tele] = [of(SIM_ONE.wide), of(SIM_ONE.tele)];

  it('stands where the frame spans as much, and comes back', () => {
    const back = sameSizeM(wide, 1, tele);
    expect(planDepth(tele, back, 10).heightM).toBeCloseTo(planDepth(wide, 1, 10).heightM, 9);
    expect(back).toBeCloseTo(3.17, 1);
    expect(sameSizeM(tele, back, wide)).toBeCloseTo(1, 9);
  });

  it('from farther back a background is blurred more in as much as the longer lens opens wider, and less in as much as it lies nearer by share', () => {
    const [short, long] = [of(SIM_IRIS['zoom-24']), of(SIM_IRIS['zoom-77'])];
    const back = sameSizeM(short, 1.5, long);
    const blurs = (behindM: number) =>
      planDepth(long, back, back + behindM).backgroundPercent /
      planDepth(short, 1.5, 1.5 + behindM).backgroundPercent;
    // The same f-number: the pupil is wider by as much as the focal length is longer.
    const wider = long.focalLengthMm / short.focalLengthMm;
    expect(blurs(Infinity)).toBeCloseTo(wider, 6);
    expect(blurs(10)).toBeCloseTo((wider * (10 / (back + 10))) / (10 / 11.5), 6);
    expect(blurs(10)).toBeGreaterThan(2);
  });
});

describe('a background, once the camera has moved', () => {
  it.each([
    [2, 5, 6, 9],
    [2, 1, 6, 5],
    [2, 1, 0.9, null],
    [2, 1, 1, null],
    [2, Infinity, 6, Infinity],
    [Infinity, 3, Infinity, 3],
    [Infinity, Infinity, Infinity, Infinity],
  ])('subject from %d m, background at %d m, subject then at %d m: %p', (focus, background, moved, away) => {
    const found = movedBackgroundM(focus, background, moved);
    expect(found).toEqual(away === null || !Number.isFinite(away) ? away : expect.closeTo(away, 9));
  });
});
