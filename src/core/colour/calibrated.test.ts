// A camera of two calibrations: the model of the DNG specification, chapter 6, against what it says in words, and its own inverse.
import fc from 'fast-check';
import type { Mat3, Vec3 } from '../numeric/matrix';
import { matrixAt, neutralOfWhite, whiteOfNeutral, type CameraMatrices } from './calibrated';
import { xyzOfXy } from './chromaticity';
import { whiteOfXy, xyOfWhite } from './temperature';

const A: Mat3 = [
  [0.95, -0.3, -0.06],
  [-0.4, 1.2, 0.22],
  [-0.05, 0.16, 0.5],
];
const D65: Mat3 = [
  [0.86, -0.22, -0.085],
  [-0.46, 1.33, 0.14],
  [-0.09, 0.22, 0.58],
];
const BOTH: CameraMatrices = [
  { kelvin: 2856, matrix: A },
  { kelvin: 6504, matrix: D65 },
];

describe('the matrix for a light', () => {
  it('is that of the calibration at its temperature and beyond it', () => {
    for (const kelvin of [2856, 1800]) expect(matrixAt(BOTH, kelvin)).toEqual(A);
    for (const kelvin of [6504, 20000])
      matrixAt(BOTH, kelvin).forEach((row, i) =>
        row.forEach((v, j) => expect(v).toBeCloseTo(D65[i]![j]!, 12)),
      );
  });
  it('lies half way where the reciprocal temperature does, not the temperature', () => {
    const middle = 2 / (1 / 2856 + 1 / 6504);
    expect(matrixAt(BOTH, middle)[0][0]).toBeCloseTo((A[0][0] + D65[0][0]) / 2, 12);
    expect(middle).toBeCloseTo(3969, 0);
  });
  it('is the same whichever calibration comes first, and the only one where there is one', () => {
    const turned: CameraMatrices = [BOTH[1], BOTH[0]];
    expect(matrixAt(turned, 4000)[1][1]).toBeCloseTo(matrixAt(BOTH, 4000)[1][1], 12);
    expect(matrixAt([BOTH[0]], 9000)).toBe(A);
    expect(matrixAt([BOTH[0], { kelvin: 2856, matrix: D65 }], 4000)).toBe(A);
  });
});

it.each([
  ['two calibrations', BOTH],
  ['one', [BOTH[1]] as CameraMatrices],
])('white → neutral → white with %s: within 5 K and 0.2 of tint from 2000 to 12 000 K', (_, matrices) => {
  fc.assert(
    fc.property(
      fc.double({ min: 2000, max: 12000, noNaN: true }),
      fc.double({ min: -60, max: 60, noNaN: true }),
      (kelvin, tint) => {
        const neutral = neutralOfWhite(matrices, xyOfWhite({ kelvin, tint }));
        expect(Math.max(...neutral)).toBe(1);
        const back = whiteOfXy(whiteOfNeutral(matrices, neutral)!);
        expect(Math.abs(back.kelvin - kelvin)).toBeLessThan(5);
        expect(Math.abs(back.tint - tint)).toBeLessThan(0.2);
      },
    ),
    { numRuns: 500 },
  );
});

it('a camera that sees XYZ says of a neutral what it is', () => {
  const plain: CameraMatrices = [
    {
      kelvin: 5003,
      matrix: [
        [1, 0, 0],
        [0, 1, 0],
        [0, 0, 1],
      ],
    },
  ];
  const [x, y] = whiteOfNeutral(plain, xyzOfXy([0.3127, 0.329]))!;
  expect([x, y]).toEqual([expect.closeTo(0.3127, 6), expect.closeTo(0.329, 6)]);
});

it('of a matrix that cannot be inverted it says nothing', () => {
  const flat: Mat3 = [
    [0.1, 0.1, 0.1],
    [0.1, 0.1, 0.1],
    [0.1, 0.1, 0.1],
  ];
  expect(whiteOfNeutral([{ kelvin: 5003, matrix: flat }], [1, 1, 1])).toBeNull();
});

it.each([[[1, 0, 0]], [[0, 0, 1]], [[NaN, 1, 1]], [[0, 0, 0]]] as [Vec3][])(
  'of a neutral %j that is no light it says nothing',
  (neutral) => {
    const white = whiteOfNeutral(BOTH, neutral);
    if (white) expect(white.every((v) => v > 0 && v < 1)).toBe(true);
    else expect(white).toBeNull();
  },
);
