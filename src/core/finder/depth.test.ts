import { distanceAt, drawDepth, drawSharp, type DepthPicture } from './depth';

/** Near on the left, far on the right, unknown in the last column. */
const LADDER: DepthPicture = {
  width: 4,
  height: 2,
  metres: Float32Array.of(0.5, 1, 2, NaN, 0.5, 1, 2, NaN),
};
const [W, H] = [16, 8];
/** Columns that the mesh lies on, in its first row. */
function meshed(range: { nearM: number; farM: number }): number[] {
  const rgba = new Uint8ClampedArray(4 * W * H).fill(9);
  drawSharp(LADDER, range, rgba, W, H);
  const found: number[] = [];
  for (let i = 0; i < W * H; i++) if (rgba[4 * i] !== 9) found.push(i);
  // Rows are sampled as columns are, and nothing else is touched.
  expect(found.filter((i) => i >= W).every((i) => found.includes(i % W))).toBe(true);
  return found.filter((i) => i < W);
}

describe('what is sharp', () => {
  it.each([
    [0.9, 1.5, [4]],
    [0.4, Infinity, [0, 4, 8]],
    [3, Infinity, []],
    [NaN, NaN, []],
  ])('from %d to %d m has a mesh, and nothing that is not known', (nearM, farM, wanted) => {
    expect(meshed({ nearM, farM })).toEqual(wanted);
  });
});

describe('the distance at a place', () => {
  const wall = { width: 9, height: 9, metres: new Float32Array(81).fill(2) };
  it('is the middle of what lies there: a stray one does not move it', () => {
    const metres = wall.metres.slice();
    metres[40] = 0.1;
    expect(distanceAt({ ...wall, metres }, { x: 0.5, y: 0.5 })).toBe(2);
    expect(distanceAt(wall, { x: 1, y: 0 })).toBe(2);
  });
  it('is not known where nothing is', () => {
    expect(distanceAt({ ...wall, metres: new Float32Array(81).fill(NaN) }, { x: 0.5, y: 0.5 })).toBeNull();
  });
});

it('drawn, nearer is brighter, and what is not known has a pattern that no distance has', () => {
  const rgba = new Uint8ClampedArray(4 * 32 * 8);
  drawDepth(LADDER, rgba, 32, 8);
  const tone = (x: number, y: number) => rgba[4 * (32 * y + x)]!;
  expect(tone(1, 1)).toBeGreaterThan(tone(9, 1));
  expect(tone(9, 1)).toBeGreaterThan(tone(17, 1));
  expect(Math.max(tone(25, 1), tone(31, 7))).toBeLessThan(tone(17, 1));
  expect([rgba[3], rgba[1], rgba[2]]).toEqual([255, rgba[0], rgba[0]]);
});
