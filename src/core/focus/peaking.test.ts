// Peaking: sharp edges light up, blurred ones do not, noise never. Edges spread by discs: tests/reference/disc-edge.ts.
import type { Luma } from '../colour/video';
import { edgeLight } from '../../../tests/reference/disc-edge';
import { normalQuantiles, nextUint32, NORMAL_BITS, randomFrom } from '../numeric/random';
import { isPeak, noiseOfPicture, PEAKING_RULES, PEAKING_STRENGTHS, peaksOfPicture } from './peaking';

/** Levels 3 steps apart about an edge that is blurred by a disc. */
const levels = (disc: number, height: number) =>
  [-4.5, -1.5, 1.5, 4.5].map((x) => 100 + height * edgeLight(x, disc)) as [number, number, number, number];
const random = randomFrom(3);
const noise = () => normalQuantiles()[nextUint32(random) >>> (32 - NORMAL_BITS)]!;

describe('an edge', () => {
  it.each(PEAKING_STRENGTHS)(
    '%s: lights up sharp, and not once its disc is as wide as the outer levels',
    (strength) => {
      const rule = PEAKING_RULES[strength];
      for (const disc of [0, 1, 2, 3]) expect(isPeak(...levels(disc, 60), 1, rule)).toBe(true);
      for (const disc of [9, 10, 12, 20]) expect(isPeak(...levels(disc, 60), 1, rule)).toBe(false);
      // Either way round.
      expect(isPeak(...(levels(2, 60).reverse() as [number, number, number, number]), 1, rule)).toBe(true);
    },
  );

  it('lights up at wider discs the more it may be', () => {
    const widest = PEAKING_STRENGTHS.map((strength) => {
      let disc = 3;
      while (isPeak(...levels(disc, 60), 1, PEAKING_RULES[strength])) disc += 0.1;
      return disc;
    });
    expect(widest[0]!).toBeLessThan(widest[1]!);
    expect(widest[1]!).toBeLessThan(widest[2]!);
  });

  it('a thin line lights up; a slope, an even surface and what is not a number do not', () => {
    const rule = PEAKING_RULES.usual;
    expect(isPeak(100, 100, 160, 100, 1, rule)).toBe(true);
    expect(isPeak(100, 120, 140, 160, 1, rule)).toBe(false);
    expect(isPeak(100, 100, 100, 100, 0.001, rule)).toBe(false);
    expect(isPeak(NaN, NaN, NaN, NaN, 1, rule)).toBe(false);
    expect(isPeak(1, 1, 2, 2, Infinity, rule)).toBe(false);
  });

  it('noise alone does not light up: not once in 300 000 looks, at any strength', () => {
    for (const strength of PEAKING_STRENGTHS)
      for (let i = 0; i < 300_000; i++)
        if (isPeak(noise(), noise(), noise(), noise(), 1, PEAKING_RULES[strength])) expect(strength).toBe('');
  });
});

describe('a picture', () => {
  const [W, H] = [240, 160];
  const lumaOf = (value: (x: number, y: number) => number, step = 1): Luma => {
    const bytes = new Uint8Array(W * H * step).fill(77);
    for (let y = 0; y < H; y++)
      for (let x = 0; x < W; x++)
        bytes[(y * W + x) * step + (step >> 1)] = Math.round(Math.min(255, Math.max(0, value(x, y))));
    return { bytes, offset: step >> 1, step, stride: W * step, width: W, height: H, ends: [0, 255] };
  };

  it('tells the deviation of its noise within a tenth, on a slope too', () => {
    for (const sigma of [2, 5, 10]) {
      const of = lumaOf((x, y) => 60 + x / 3 + y / 4 + sigma * noise());
      expect(noiseOfPicture(of) / sigma).toBeGreaterThan(0.9);
      expect(noiseOfPicture(of) / sigma).toBeLessThan(1.1);
    }
    expect(noiseOfPicture(lumaOf(() => 90))).toBe(0);
    expect(noiseOfPicture({ ...lumaOf(() => 90), width: 2, height: 2 })).toBe(0);
  });

  it.each([1, 4])(
    'its sharp edge lights up where it is, its blurred one does not; %i bytes a pixel',
    (step) => {
      const of = lumaOf(
        (x, y) => 60 + (y < 80 ? 80 * edgeLight(x - 70.3, 0.5) : 80 * edgeLight(x - 170.3, 14)) + 2 * noise(),
        step,
      );
      const cell = 3;
      const peaks = peaksOfPicture(of, cell, noiseOfPicture(of), PEAKING_RULES.usual);
      const across = Math.ceil(W / cell);
      const places = Array.from(peaks, (i) => [(i % across) * cell, Math.floor(i / across) * cell] as const);
      const onSharp = places.filter(([x, y]) => Math.abs(x - 70) < 6 && y < 78);
      expect(onSharp.length).toBeGreaterThan(20);
      // The step between the two halves is an edge too; nothing else is.
      expect(places.filter(([, y]) => y > 84)).toEqual([]);
      expect(places.filter(([x, y]) => y < 74 && Math.abs(x - 70) >= 6)).toEqual([]);
    },
  );

  it('noise does not light up, nor what is at the ends of its tones; no cell is too large', () => {
    const of = lumaOf(() => 120 + 12 * noise());
    for (const strength of PEAKING_STRENGTHS)
      expect(peaksOfPicture(of, 2, noiseOfPicture(of), PEAKING_RULES[strength])).toHaveLength(0);
    const burnt = lumaOf((x) => (x < 100 ? 30 : 255));
    expect(peaksOfPicture(burnt, 2, 1, PEAKING_RULES.many)).toHaveLength(0);
    // Of limited range white is at 235.
    const limited = lumaOf((x) => (x < 100 ? 60 : 235));
    expect(peaksOfPicture(limited, 2, 1, PEAKING_RULES.many).length).toBeGreaterThan(0);
    expect(peaksOfPicture({ ...limited, ends: [16, 235] }, 2, 1, PEAKING_RULES.many)).toHaveLength(0);
    expect(peaksOfPicture(burnt, 500, 1, PEAKING_RULES.many)).toHaveLength(0);
  });
});
