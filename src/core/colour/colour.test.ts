// CIE 015, IEC 61966-2-1, DNG specification chapter 6.
import { apply3, invert3, multiply3 } from '../numeric/matrix';
import { SIM_COLOUR } from '../sensor/sim-colour';
import type { CameraMatrices } from './calibrated';
import { balanceGains, colourOfNeutral, colourOfWhite, srgbFromBalanced } from './camera';
import {
  adaptation,
  D50,
  D65,
  daylightXy,
  ILLUMINANT_A,
  planckianXy,
  uvOfXy,
  xyOfXyz,
  xyzOfXy,
} from './chromaticity';
import { decodeSrgb, encodeSrgb, XYZ_FROM_SRGB } from './srgb';

describe('chromaticities', () => {
  it('has D65 on the daylight locus at 6504 K (CIE 015)', () => {
    const [x, y] = daylightXy(6504);
    expect(x).toBeCloseTo(D65[0], 3);
    expect(y).toBeCloseTo(D65[1], 3);
  });

  it('has illuminant A on the Planckian locus at 2856 K (CIE 015)', () => {
    const [x, y] = planckianXy(2856);
    expect(x).toBeCloseTo(ILLUMINANT_A[0], 2);
    expect(y).toBeCloseTo(ILLUMINANT_A[1], 2);
  });

  it('goes to XYZ and back', () => {
    const xy = xyOfXyz(xyzOfXy([0.31, 0.34]));
    expect(xy[0]).toBeCloseTo(0.31, 12);
    expect(uvOfXy(D65)[0]).toBeCloseTo(0.1978, 3); // CIE 1960 u of D65
  });
});

describe('sRGB', () => {
  it('codes 18 % as 118 and goes there and back (IEC 61966-2-1)', () => {
    expect(Math.round(255 * encodeSrgb(0.18))).toBe(118);
    for (const v of [0, 0.001, 0.0031308, 0.2, 1]) expect(decodeSrgb(encodeSrgb(v))).toBeCloseTo(v, 6);
  });

  it('has D65 as its white', () => {
    const xy = xyOfXyz(apply3(XYZ_FROM_SRGB, [1, 1, 1]));
    expect(xy[0]).toBeCloseTo(D65[0], 3);
    expect(xy[1]).toBeCloseTo(D65[1], 3);
  });
});

describe('the camera', () => {
  const { matrices } = SIM_COLOUR;

  it('answers to D65 with green first, as luminance', () => {
    const [r, g, b] = apply3(matrices[1]!.matrix, xyzOfXy(D65));
    expect(g).toBeCloseTo(1, 2);
    expect(Math.max(r, b)).toBeLessThan(g);
  });

  it.each([
    ['by its forward matrices', matrices],
    [
      'by its colour matrices alone',
      matrices.map(({ kelvin, matrix }) => ({ kelvin, matrix })) as unknown as CameraMatrices,
    ],
  ])('gives balanced white back as white, in any light, %s', (_, of) => {
    for (const kelvin of [2000, 2800, 5200, 7500, 12000]) {
      const colour = colourOfWhite(of, { kelvin, tint: 5 });
      const gains = balanceGains(colour);
      for (const v of colour.asShotNeutral.map((n, i) => n * gains[i]!)) expect(v).toBeCloseTo(1, 9);
      for (const v of apply3(srgbFromBalanced(colour), [1, 1, 1])) expect(v).toBeCloseTo(1, 9);
    }
  });

  it('of a neutral that is the colour of no light is balanced for it all the same', () => {
    const colour = colourOfNeutral(matrices, [0.001, 0.2, 0.001]);
    expect(colour.asShotNeutral).toEqual([0.005, 1, 0.005]);
    expect(Number.isFinite(colour.white.kelvin)).toBe(true);
  });
});

describe('adaptation (Bradford)', () => {
  it('takes one white to the other, and nothing else than itself to itself', () => {
    const [from, to] = [xyzOfXy(ILLUMINANT_A), xyzOfXy(D65)];
    apply3(adaptation(from, to), from).forEach((v, i) => expect(v).toBeCloseTo(to[i]!, 9));
    adaptation(to, to).forEach((row, i) => row.forEach((v, j) => expect(v).toBeCloseTo(i === j ? 1 : 0, 9)));
  });

  it('from D65 to D50 is the matrix that is published for it (ICC.1:2022, annex E)', () => {
    const published = [
      [1.0479, 0.0229, -0.0502],
      [0.0296, 0.9904, -0.0171],
      [-0.0092, 0.0151, 0.7519],
    ];
    adaptation(xyzOfXy(D65), xyzOfXy(D50)).forEach((row, i) =>
      row.forEach((v, j) => expect(Math.abs(v - published[i]![j]!)).toBeLessThan(0.0005)),
    );
  });
});

describe('matrices', () => {
  it('times their inverse are one', () => {
    const one = multiply3(XYZ_FROM_SRGB, invert3(XYZ_FROM_SRGB));
    one.forEach((row, i) => row.forEach((v, j) => expect(v).toBeCloseTo(i === j ? 1 : 0, 12)));
  });
  it('refuse to be inverted when they are singular', () => {
    expect(() =>
      invert3([
        [1, 2, 3],
        [2, 4, 6],
        [0, 0, 1],
      ]),
    ).toThrow(/Singular/);
  });
});
