// Meter laws: handbook figures follow from ISO 2720 and 18 % grey; the share of the centre third is practice.
import fc from 'fast-check';
import { BURN_SHARE } from './highlight';
import { sightOf, type FramePoint, type LuminanceMap } from './luminance-map';
import type { PatternId } from './pattern';
import { doubtOf, PATTERNS, patternOf, readMeter } from './read';
import { SPOT_SHARE, SPOT_SHARES } from './spot';

const CENTRE = { x: 0.5, y: 0.5 };
const aimAt = (at: FramePoint, spotShare: number = SPOT_SHARE) => ({ at, spotShare, burnShare: BURN_SHARE });
const AIM = aimAt(CENTRE);
const read = (map: LuminanceMap, id: PatternId, at: FramePoint = CENTRE) =>
  readMeter(sightOf(map), id, aimAt(at));
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
  // The one that does not average places the field under clip instead: see below.
  it('read a uniform field alike', () => {
    for (const { id, weight } of PATTERNS)
      if (weight) expect(read(field(64), id).luminance).toBeCloseTo(64, 3);
  });

  it('read exactly one stop more from twice the light', () => {
    const scene = (k: number) => field((x, y) => k * (5 + 300 * x * x + (y < 0.1 ? 4000 : 0)));
    for (const { id } of PATTERNS) {
      const [one, two] = [read(scene(1), id), read(scene(2), id)];
      expect(two.ev100 - one.ev100).toBeCloseTo(1, 6);
    }
  });

  it.each([
    [3.1, -2.54],
    [90, 2.32],
  ])('spot on a %f %% patch reads %f EV from the grey beside it', (reflectance, ev) => {
    const map = field((x) => 1000 * (x < 0.5 ? 0.18 : reflectance / 100));
    const grey = read(map, 'spot', { x: 0.25, y: 0.5 });
    const patch = read(map, 'spot', { x: 0.75, y: 0.5 });
    expect(patch.ev100 - grey.ev100).toBeCloseTo(ev, 2);
  });

  it('spot covers its stated share of the frame, whatever the orientation', () => {
    for (const [w, h] of [
      [96, 128],
      [128, 96],
    ] as const) {
      const weights = new Float32Array(w * h);
      patternOf('spot').weight!(field(1, w, h), weights, AIM);
      expect(weights.reduce((a, b) => a + b) / weights.length).toBeCloseTo(SPOT_SHARE, 2);
    }
  });

  it('spot in a corner, or finer than the map, still reads', () => {
    expect(read(field(7), 'spot', { x: 0, y: 1 }).luminance).toBeCloseTo(7, 5);
    expect(read(field(7, 2, 2), 'spot', { x: 0.5, y: 0.5 }).luminance).toBeCloseTo(7, 5);
  });

  it('centre-weighted has 60–75 % of its weight in the central third of the area (practice)', () => {
    const [w, h] = [120, 160];
    const weights = new Float32Array(w * h);
    patternOf('centre').weight!(field(1, w, h), weights, AIM);
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

  it('whole is not pulled by a lamp or a black corner, however extreme', () => {
    const plain = read(field(50), 'whole').ev100;
    for (const odd of [0, 1e-4, 5e3, 5e6]) {
      const map = field((x, y) => (x < 0.17 && y < 0.17 ? odd : 50));
      expect(Math.abs(read(map, 'whole').ev100 - plain)).toBeLessThan(0.2);
    }
  });

  it('whole follows when most of the frame is bright', () => {
    const map = field((x) => (x < 0.8 ? 2000 : 10));
    expect(read(map, 'whole').luminance).toBeGreaterThan(1200);
  });

  it('whole meets a broad bright part half-way, and not a small one', () => {
    const plain = read(field(50), 'whole').ev100;
    const door = (share: number) =>
      read(
        field((x) => (x < share ? 50 * 2 ** 6 : 50)),
        'whole',
      ).ev100 - plain;
    // 6 EV over the rest is 3.53 EV over white; half of that is 1.76 (and the part itself counts for little).
    expect(door(0.2)).toBeGreaterThan(1.5);
    expect(door(0.2)).toBeLessThan(2.2);
    expect(door(0.03)).toBeLessThan(0.3);
  });

  it('never gives NaN', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1e7, noNaN: true }), { minLength: 12, maxLength: 12 }),
        (values) => {
          const map = { width: 4, height: 3, data: Float32Array.from(values) };
          for (const { id } of PATTERNS) expect(read(map, id).luminance).toBeGreaterThanOrEqual(0);
        },
      ),
    );
    expect(read(field(0), 'whole').ev100).toBe(-Infinity);
    expect(read(field(NaN), 'centre').luminance).toBe(0);
  });

  it('refuses an empty map, a spot that is nowhere, an unknown pattern', () => {
    expect(() => read({ width: 0, height: 0, data: new Float32Array(0) }, 'spot')).toThrow(RangeError);
    expect(() => read(field(1), 'spot', { x: NaN, y: 0 })).toThrow(RangeError);
    expect(() => patternOf('magic')).toThrow(/whole, centre, spot, highlight/);
  });
});

describe('the three spots', () => {
  it('are as large as they say', () => {
    for (const share of SPOT_SHARES) {
      const weights = new Float32Array(240 * 320);
      patternOf('spot').weight!(field(1, 240, 320), weights, aimAt(CENTRE, share));
      expect(Math.abs(weights.reduce((a, b) => a + b) / weights.length / share - 1)).toBeLessThan(0.05);
    }
  });

  it('keep a small bright thing apart from the dark about it the better the smaller they are', () => {
    const disc = field((x, y) => (Math.hypot(x - 0.5, (y - 0.5) * (4 / 3)) < 0.03 ? 8000 : 0.1));
    const [small, , large] = SPOT_SHARES.map(
      (share) => readMeter(sightOf(disc), 'spot', aimAt(CENTRE, share)).ev100,
    );
    expect(small! - large!).toBeGreaterThan(2);
  });
});

describe('the highlight pattern', () => {
  // ISO 12232: saturation is 3.26 EV over a metered field (0.78 and 0.08125 lx·s at ISO 100).
  it('puts the brightest wanted share a quarter of a stop under clip', () => {
    const map = field((x) => (x < 0.02 ? 4000 : 10));
    const { ev100 } = readMeter(sightOf(map), 'highlight', { ...AIM, burnShare: 0.001 });
    const overGrey = Math.log2((4000 * 100) / 12.5) - ev100;
    expect(overGrey).toBeCloseTo(Math.log2(0.78 / 0.08125) - 0.25, 3);
  });

  it('lets what is smaller than the share burn', () => {
    const map = field((x, y) => (x < 0.02 && y < 0.02 ? 1e6 : 100));
    const at = (burnShare: number) => readMeter(sightOf(map), 'highlight', { ...AIM, burnShare }).luminance;
    expect(at(0.01) / at(0.00001)).toBeCloseTo(1e-4, 6);
  });
});

describe('a reading in doubt', () => {
  const sight = (map: LuminanceMap) => ({ ...sightOf(map), range: { floor: 0.01, clip: 30_000 } });
  it('counts what is clipped as bright as clip, and says how much it is', () => {
    const half = field((x) => (x < 0.5 ? 1e6 : 100));
    const { luminance, clippedShare } = readMeter(sight(half), 'spot', aimAt({ x: 0.25, y: 0.5 }));
    expect([luminance, clippedShare]).toEqual([30_000, 1]);
    const reading = readMeter(sight(half), 'centre', AIM);
    expect(reading.clippedShare).toBeCloseTo(0.5, 1);
    expect(doubtOf(reading)).toBe('clipped');
  });

  it('is one at the noise floor too, and none in between', () => {
    expect(doubtOf(readMeter(sight(field(0.001)), 'whole', AIM))).toBe('floor');
    expect(doubtOf(readMeter(sight(field(0)), 'highlight', AIM))).toBe('floor');
    expect(doubtOf(readMeter(sight(field(1e9)), 'highlight', AIM))).toBe('clipped');
    for (const { id } of PATTERNS) expect(doubtOf(readMeter(sight(field(50)), id, AIM))).toBeNull();
  });
});
