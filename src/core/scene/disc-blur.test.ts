// Discs: their width by the edge they make and by their second moment (d²/16 along an axis), their light, and discs that differ.
import fc from 'fast-check';
import { edgeLight, fittedDisc } from '../../../tests/reference/disc-edge';
import { blurByDiscs, discMap } from './disc-blur';
import { discNumber } from './disc-map';

const blur = (plane: Float32Array, width: number, height: number, diameter: number) =>
  blurByDiscs(
    plane,
    discMap(new Uint16Array(width * height).fill(discNumber(diameter)), width, height, diameter, diameter),
  );
const sum = (a: Float32Array) => a.reduce((s, v) => s + v, 0);

describe.each([2, 3, 4.4, 6, 7.4, 8, 11, 16, 23, 33, 45, 60])('a disc of %f samples', (diameter) => {
  const [W, H] = [220, 160];
  it('makes edges as wide as a true one within 5 %, wherever they lie and whichever way they run', () => {
    for (const upright of [true, false])
      for (const shift of [0, 0.3, 0.6]) {
        const [w, h] = upright ? [W, H] : [H, W];
        const place = (i: number) => (upright ? i % w : Math.floor(i / w)) + 0.5 - (110 + shift);
        const edge = Float32Array.from({ length: w * h }, (_, i) => edgeLight(place(i), 0));
        const out = blur(edge, w, h, diameter);
        const reach = Math.ceil(diameter * 0.7) + 3;
        const index = (k: number) => (upright ? 80 * w + 110 + k : (110 + k) * w + 80);
        const at = Array.from({ length: 2 * reach }, (_, k) => k - reach);
        const fitted = fittedDisc(
          at.map((k) => out[index(k)]!),
          at.map((k) => place(index(k))),
          diameter,
        );
        expect(Math.abs(fitted / diameter - 1)).toBeLessThan(0.05);
      }
  });

  it('keeps the light, and has the variance of a true one', () => {
    // Points all over: where wide discs are made at half the size, one by itself would tell of its place only.
    let [light, xx, yy] = [0, 0, 0];
    for (const [px, py] of [
      [100, 78],
      [101, 79],
      [102, 81],
      [103, 80],
    ] as const) {
      const point = new Float32Array(W * H);
      point[py * W + px] = 1;
      const out = blur(point, W, H, diameter);
      light += sum(out) / 4;
      let [mx, my, sxx, syy] = [0, 0, 0, 0];
      out.forEach((v, i) => {
        const [x, y] = [i % W, Math.floor(i / W)];
        mx += v * x;
        my += v * y;
        sxx += v * x * x;
        syy += v * y * y;
      });
      xx += (sxx - mx * mx) / 4;
      yy += (syy - my * my) / 4;
    }
    expect(light).toBeCloseTo(1, 3);
    for (const variance of [xx, yy])
      expect(Math.abs((4 * Math.sqrt(variance)) / diameter - 1)).toBeLessThan(0.06);
  });
});

describe('discs', () => {
  it('leave an even field even, to the corners', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 90, noNaN: true }), (diameter) => {
        const out = blur(new Float32Array(64 * 50).fill(7), 64, 50, diameter);
        out.forEach((v) => Math.abs(v - 7) > 0.001 && expect(v).toBe(7));
      }),
      { numRuns: 20 },
    );
  });

  it('that differ are each as wide as they are alone', () => {
    const [W, H] = [160, 60];
    const stripes = Float32Array.from({ length: W * H }, (_, i) => (Math.floor((i % W) / 8) % 2 ? 1 : 0));
    const numbers = Uint16Array.from({ length: W * H }, (_, i) => discNumber(i % W < 80 ? 3 : 5));
    const both = blurByDiscs(stripes, discMap(numbers, W, H, 3, 5));
    const [narrow, wide] = [blur(stripes, W, H, 3), blur(stripes, W, H, 5)];
    for (const x of [10, 40, 79]) expect(both[30 * W + x]).toBeCloseTo(narrow[30 * W + x]!, 5);
    for (const x of [80, 120, 155]) expect(both[30 * W + x]).toBeCloseTo(wide[30 * W + x]!, 5);
  });

  it('go on where there is none', () => {
    const [W, H] = [60, 20];
    const numbers = new Uint16Array(W * H);
    for (let y = 0; y < H; y++) numbers.fill(discNumber(4), y * W + 20, y * W + 40);
    const ramp = Float32Array.from({ length: W * H }, (_, i) => (i % W > 30 ? 1 : 0));
    expect(blurByDiscs(ramp, discMap(numbers, W, H, 4, 4))).toEqual(blur(ramp, W, H, 4));
  });
});

it('where nothing is present nothing is made, and what is made is the same', () => {
  const [W, H] = [200, 150];
  const inside = (i: number) => Math.hypot((i % W) - 60, Math.floor(i / W) - 70) < 15;
  const present = Float32Array.from({ length: W * H }, (_, i) => (inside(i) ? 1 : 0));
  const light = present.map((v, i) => v * (1 + (i % 7)));
  for (const [small, large] of [
    [2, 5],
    [9, 14],
  ] as const) {
    const numbers = Uint16Array.from(present, (v, i) => (v ? discNumber(i % 2 ? small : large) : 0));
    const all = discMap(numbers, W, H, small, large);
    const some = discMap(numbers, W, H, small, large, present);
    const made = (map: typeof all) => map.to.reduce((sum, to, i) => sum + to - map.from[i]!, 0);
    expect(made(some)).toBeLessThan(0.6 * made(all));
    const [a, b] = [blurByDiscs(light, all), blurByDiscs(light, some)];
    a.forEach((v, i) => Math.abs(v - b[i]!) > 1e-5 && expect([i, b[i]]).toEqual([i, v]));
  }
});
