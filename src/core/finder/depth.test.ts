import { IN_FOCUS } from '../scopes/marks';
import { distanceAt, drawDepth, markInFocus, type DepthPicture } from './depth';

/** Near on the left, far on the right, unknown in the last column. */
const LADDER: DepthPicture = {
  width: 4,
  height: 2,
  metres: Float32Array.of(0.5, 1, 2, NaN, 0.5, 1, 2, NaN),
};
const [W, H] = [8, 4];
const columnsOf = (mask: Uint16Array) =>
  Array.from({ length: W }, (_, x) =>
    Array.from({ length: H }, (_, y) => mask[y * W + x]! & IN_FOCUS).every(Boolean),
  );

describe('what is sharp', () => {
  it.each([
    [0.9, 1.5, [false, false, true, true, false, false, false, false]],
    [0.4, Infinity, [true, true, true, true, true, true, false, false]],
    [3, Infinity, Array<boolean>(8).fill(false)],
    [NaN, NaN, Array<boolean>(8).fill(false)],
  ])('from %d to %d m is marked, and nothing that is not known', (nearM, farM, wanted) => {
    const mask = new Uint16Array(W * H);
    markInFocus(LADDER, { nearM, farM }, W, H, mask);
    expect(columnsOf(mask)).toEqual(wanted);
  });

  it('leaves other marks as they are', () => {
    const mask = new Uint16Array(W * H).fill(1);
    markInFocus(LADDER, { nearM: 0.4, farM: 9 }, W, H, mask);
    expect([mask[0], mask[W - 1]]).toEqual([1 | IN_FOCUS, 1]);
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
