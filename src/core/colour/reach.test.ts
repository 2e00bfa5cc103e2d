// Which whites a camera can be balanced for: camera neutral = ColorMatrix · XYZ of the white (DNG specification, chapter 6), no part of it negative.
import fc from 'fast-check';
import { SIM_ONE_WIDE } from '../sensor/sim-one';
import { PICTURE_MATRICES } from '../white/on-picture';
import { neutralOfWhite, type CameraMatrices } from './calibrated';
import { balanceGains, colourOfWhite } from './camera';
import { balances, MOST_GAIN, nearestBalanced, tintsBalanced } from './reach';
import { xyOfWhite } from './temperature';

const { matrices } = SIM_ONE_WIDE;
const MOST = 150;

it.each([
  [2000, 60],
  [2300, 80],
  [2500, 150],
  [2856, 150],
])('no neutral is white in light of %d K, tint %d: the nearest tint of it is taken', (kelvin, tint) => {
  expect(Math.min(...neutralOfWhite(matrices, xyOfWhite({ kelvin, tint })))).toBeLessThan(0);
  const { asShotNeutral, white } = colourOfWhite(matrices, { kelvin, tint });
  expect(asShotNeutral.every((v) => v > 0 && v <= 1)).toBe(true);
  expect(white.kelvin).toBe(kelvin);
  // The nearest: one more is too much.
  expect(balances(matrices, { kelvin, tint: white.tint + 1 })).toBe(false);
});

it.each([
  ['of the sensor', matrices],
  ['of a finished picture', PICTURE_MATRICES],
])(
  'whatever is asked, no channel %s is lifted by more than four stops, and what can be is left as it is',
  (_, of) => {
    fc.assert(
      fc.property(
        fc.double({ min: 2000, max: 12_000, noNaN: true }),
        fc.double({ min: -MOST, max: MOST, noNaN: true }),
        (kelvin, tint) => {
          const colour = colourOfWhite(of, { kelvin, tint });
          expect(Math.max(...balanceGains(colour))).toBeLessThanOrEqual(MOST_GAIN);
          expect(Math.min(...colour.asShotNeutral)).toBeGreaterThan(0);
          if (balances(of, { kelvin, tint })) expect(colour.white).toEqual({ kelvin, tint });
        },
      ),
    );
  },
);

it('usual lights are all there, and tints end where the camera does', () => {
  for (const kelvin of [2000, 2856, 4000, 5500, 12_000]) {
    const { low, high } = tintsBalanced(matrices, kelvin, MOST);
    expect([low <= 0, high >= 10]).toEqual([true, true]);
    for (const tint of [low, high]) expect(balances(matrices, { kelvin, tint })).toBe(true);
    for (const beyond of [low - 1, high + 1])
      expect(Math.abs(beyond) > MOST || !balances(matrices, { kelvin, tint: beyond })).toBe(true);
  }
  expect(tintsBalanced(matrices, 2000, MOST).high).toBeLessThan(60);
  expect(tintsBalanced(matrices, 12_000, MOST)).toEqual({ low: -MOST, high: MOST });
});

it('matrices that see no light at all change nothing, and end', () => {
  const blind: CameraMatrices = [{ kelvin: 5000, matrix: [[-1, -1, -1], [0, 0, 0], [1, 1, 1]] }]; // prettier-ignore
  expect(nearestBalanced(blind, { kelvin: 5000, tint: 3 })).toEqual({ kelvin: 5000, tint: 3 });
  expect(tintsBalanced(blind, 5000, MOST)).toEqual({ low: -MOST, high: MOST });
});
