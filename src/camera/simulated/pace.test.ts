import { finderPace } from './pace';

/** Frames of a device that takes so long for a frame of 640, in proportion to its samples; the sizes that it goes through. */
function sizes(
  pace: ReturnType<typeof finderPace>,
  frames: number,
  fullMs: (frame: number) => number,
): number[] {
  const seen = [pace.longSide];
  for (let i = 0; i < frames; i++) {
    pace.took(fullMs(i) * (pace.longSide / 640) ** 2);
    if (pace.longSide !== seen.at(-1)) seen.push(pace.longSide);
  }
  return seen;
}

it('leaves frames that come in time as they are', () => {
  expect(sizes(finderPace(), 500, () => 40)).toEqual([640]);
  // One in three slow, as while the lens searches.
  expect(sizes(finderPace(), 500, (i) => (i % 3 === 0 ? 200 : 30))).toEqual([640]);
});

it('makes them smaller on a slow device until fifteen a second are there', () => {
  const pace = finderPace();
  expect(sizes(pace, 60, () => 100)).toEqual([640, 480]);
  expect(100 * (pace.longSide / 640) ** 2).toBeLessThan(1000 / 15);
  expect(sizes(finderPace(), 200, () => 180)).toEqual([640, 480, 320]);
  // No smaller than that.
  expect(sizes(finderPace(), 200, () => 2000)).toEqual([640, 480, 320]);
});

it('comes back when there is room again, and not to and fro', () => {
  const pace = finderPace();
  sizes(pace, 60, () => 100);
  expect(sizes(pace, 300, () => 30)).toEqual([480, 640]);
  // Always a little too slow at full size, though the smaller one promises otherwise.
  const seen = sizes(finderPace(), 5000, () => 70);
  expect(seen.slice(0, 2)).toEqual([640, 480]);
  const deceiving = finderPace();
  let changes = 0;
  for (let i = 0, last = 640; i < 5000; i++) {
    deceiving.took(deceiving.longSide === 640 ? 80 : 10);
    if (deceiving.longSide !== last) changes++;
    last = deceiving.longSide;
  }
  expect(changes).toBeLessThan(14);
});
