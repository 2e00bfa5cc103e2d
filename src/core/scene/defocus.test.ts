// Defocus: what is in front and what behind. The discs themselves: disc-blur.test.ts.
import { defocus } from './defocus';

const W = 96;
const H = 80;
const plane = (value: (x: number, y: number) => number) =>
  Float32Array.from({ length: W * H }, (_, i) => value(i % W, Math.floor(i / W)));

describe('defocus by depth', () => {
  const picture = (value: (x: number, y: number) => number) => ({
    width: W,
    height: H,
    planes: [plane(value)],
  });

  it('is the picture itself when all is sharp', () => {
    const sharp = picture((x) => x);
    expect(defocus(sharp, new Float32Array(W * H).fill(0.5))).toBe(sharp);
  });

  it('keeps a slope in depth whole: an even surface stays even over all its layers', () => {
    const out = defocus(
      picture(() => 5),
      plane((x) => (x - 48) / 6),
    );
    out.planes[0]!.forEach((v) => expect(Math.abs(v - 5)).toBeLessThan(0.1));
  });

  it('a sharp thing in front keeps its edge before a blurred ground, and does not leak into it', () => {
    // Left half: near, sharp, bright. Right half: far, blurred, dark with a stripe.
    const near = (x: number) => x < 48;
    const out = defocus(
      picture((x) => (near(x) ? 100 : x === 70 ? 50 : 1)),
      plane((x) => (near(x) ? 0 : 9)),
    );
    const row = out.planes[0]!.subarray(40 * W, 41 * W);
    expect(row[46]).toBeCloseTo(100, 0);
    expect(row[50]!).toBeLessThan(4);
    expect(row[70]!).toBeLessThan(15);
  });

  it('a blurred thing in front spreads over the sharp ground and turns thin at its edge', () => {
    const near = (x: number) => x < 48;
    const out = defocus(
      picture((x) => (near(x) ? 100 : 1)),
      plane((x) => (near(x) ? -9 : 0)),
    );
    const row = out.planes[0]!.subarray(40 * W, 41 * W);
    expect(row[30]!).toBeCloseTo(100, 0);
    expect(row[50]!).toBeGreaterThan(8);
    expect(row[50]!).toBeLessThan(60);
    expect(row[60]!).toBeCloseTo(1, 0);
    for (let x = 31; x < 60; x++) expect(row[x]!).toBeLessThanOrEqual(row[x - 1]! + 0.01);
  });
});
