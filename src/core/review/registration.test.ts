// Phase correlation against shifts that are known because the pictures are sums of waves and can be made anywhere.
import { nextUint32, randomFrom } from '../numeric/random';
import { CERTAIN, shiftBetween, type Plane } from './registration';

/** A picture of blobs in the plane, seen from a place: what is at (x, y) is seen at (x + dx, y + dy). With normal noise of that size. */
function blobs(seed: number, { dx = 0, dy = 0, side = 128, noise = 0, noiseSeed = 1, gain = 1 }): Plane {
  const random = randomFrom(seed);
  const uniform = () => nextUint32(random) / 2 ** 32;
  const list = Array.from({ length: 160 }, () => ({
    x: (uniform() * 1.6 - 0.3) * side,
    y: (uniform() * 1.6 - 0.3) * side,
    size: 1.2 + 5 * uniform() ** 2,
    light: 20 + 200 * uniform(),
  }));
  const data = new Float32Array(side * side);
  for (const { x, y, size, light } of list)
    for (let row = 0; row < side; row++) {
      const down = (row - y - dy) ** 2;
      if (down > 30 * size * size) continue;
      for (let column = 0; column < side; column++) {
        const far = down + (column - x - dx) ** 2;
        if (far < 30 * size * size) data[row * side + column]! += light * Math.exp(-far / (2 * size * size));
      }
    }
  const chance = randomFrom(noiseSeed, 3);
  const draw = () => (nextUint32(chance) + 0.5) / 2 ** 32;
  for (let i = 0; i < data.length; i++)
    data[i] = gain * (data[i]! + noise * Math.sqrt(-2 * Math.log(draw())) * Math.cos(2 * Math.PI * draw()));
  return { width: side, height: side, data };
}

const SHIFTS = [
  [0, 0],
  [0.5, -0.5],
  [0.25, 0.75],
  [-3.3, 7.9],
  [12.1, -5.62],
  [-20.45, -14.2],
] as const;

it.each(SHIFTS)('finds a shift of %f, %f within a twentieth of a place', (dx, dy) => {
  const found = shiftBetween(blobs(3, {}), blobs(3, { dx, dy }));
  expect(Math.abs(found.dx - dx)).toBeLessThan(0.05);
  expect(Math.abs(found.dy - dy)).toBeLessThan(0.05);
  expect(found.certainty).toBeGreaterThan(CERTAIN);
});

it.each(SHIFTS)('finds %f, %f in noise, whatever the exposure, within a tenth', (dx, dy) => {
  for (const seed of [5, 6, 7]) {
    const found = shiftBetween(
      blobs(seed, { noise: 8, noiseSeed: 2 }),
      blobs(seed, { dx, dy, noise: 8, noiseSeed: 3, gain: 4 }),
    );
    expect(Math.hypot(found.dx - dx, found.dy - dy)).toBeLessThan(0.1);
  }
});

it('is not certain of pictures that have nothing in common, of noise, of nothing', () => {
  const flat = (value: number): Plane => ({
    width: 64,
    height: 64,
    data: new Float32Array(4096).fill(value),
  });
  expect(shiftBetween(blobs(1, { noise: 5 }), blobs(2, { noise: 5, noiseSeed: 9 })).certainty).toBeLessThan(
    CERTAIN,
  );
  expect(shiftBetween(flat(0), flat(0)).certainty).toBeLessThan(CERTAIN);
  expect(shiftBetween(flat(7), flat(3)).certainty).toBeLessThan(CERTAIN);
  for (let seed = 1; seed < 20; seed++) {
    const noise = (of: number) => blobs(1, { noise: 1e6, noiseSeed: of });
    expect(shiftBetween(noise(seed), noise(seed + 100)).certainty).toBeLessThan(CERTAIN);
  }
});

it('takes planes of other shapes by the squares in their middles, and refuses the smallest', () => {
  const wide = blobs(4, { side: 128 });
  const cut: Plane = { width: 128, height: 96, data: wide.data.slice(16 * 128, 112 * 128) };
  const found = shiftBetween(cut, { width: 128, height: 96, data: cut.data });
  expect([found.dx, found.dy].map((v) => Math.abs(v))).toEqual([expect.closeTo(0, 6), expect.closeTo(0, 6)]);
  const tiny: Plane = { width: 15, height: 40, data: new Float32Array(600) };
  expect(() => shiftBetween(tiny, tiny)).toThrow(RangeError);
});
