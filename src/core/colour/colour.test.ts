// CIE 015, IEC 61966-2-1, DNG specification chapter 6.
import { apply3, invert3, multiply3 } from '../numeric/matrix';
import {
  automaticWhite,
  balanceGains,
  cameraFromSrgb,
  neutralOfXy,
  SIM_ONE_COLOR_MATRIX,
  srgbFromBalanced,
} from './camera';
import {
  D65,
  daylightXy,
  ILLUMINANT_A,
  planckianXy,
  usualWhiteXy,
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

  it('runs from warm to cool without a jump', () => {
    let before = usualWhiteXy(2000);
    for (let t = 2010; t <= 12000; t += 10) {
      const now = usualWhiteXy(t);
      expect(now[0]).toBeLessThan(before[0]);
      expect(Math.hypot(now[0] - before[0], now[1] - before[1])).toBeLessThan(0.003);
      before = now;
    }
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
  it('answers to D65 with green first, as luminance', () => {
    const [r, g, b] = apply3(SIM_ONE_COLOR_MATRIX, xyzOfXy(D65));
    expect(g).toBeCloseTo(1, 9);
    expect(Math.max(r, b)).toBeLessThan(g);
  });

  it('gives balanced white back as white, in any light', () => {
    for (const kelvin of [2800, 5200, 7500]) {
      const asShotNeutral = neutralOfXy(SIM_ONE_COLOR_MATRIX, usualWhiteXy(kelvin));
      const colour = { colorMatrix: SIM_ONE_COLOR_MATRIX, asShotNeutral, kelvin };
      const gains = balanceGains(colour);
      const balanced = asShotNeutral.map((v, i) => v * gains[i]!);
      for (const v of balanced) expect(v).toBeCloseTo(1, 9);
      for (const v of apply3(srgbFromBalanced(colour), [1, 1, 1])) expect(v).toBeCloseTo(1, 6);
    }
  });

  it('gives sRGB colours back through matrix and balance in D65', () => {
    const colour = {
      colorMatrix: SIM_ONE_COLOR_MATRIX,
      asShotNeutral: neutralOfXy(SIM_ONE_COLOR_MATRIX, D65),
      kelvin: 6504,
    };
    const gains = balanceGains(colour);
    const camera = cameraFromSrgb(SIM_ONE_COLOR_MATRIX);
    const white = apply3(camera, [1, 1, 1]);
    const top = Math.max(...white);
    const seen = apply3(camera, [0.6, 0.2, 0.1]).map((v, i) => (v / top) * gains[i]!);
    const [r, g, b] = apply3(srgbFromBalanced(colour), [seen[0]!, seen[1]!, seen[2]!]);
    expect(r).toBeCloseTo(0.6, 2);
    expect(g).toBeCloseTo(0.2, 2);
    expect(b).toBeCloseTo(0.1, 2);
  });

  it('finds an automatic white between the scene and daylight, and daylight when it sees nothing', () => {
    const warm = automaticWhite(SIM_ONE_COLOR_MATRIX, neutralOfXy(SIM_ONE_COLOR_MATRIX, usualWhiteXy(3000)));
    expect(warm.kelvin).toBeGreaterThan(3000);
    expect(warm.kelvin).toBeLessThan(5200);
    expect(automaticWhite(SIM_ONE_COLOR_MATRIX, [NaN, NaN, NaN]).kelvin).toBe(5200);
    expect(automaticWhite(SIM_ONE_COLOR_MATRIX, [0, 0, 0]).kelvin).toBe(5200);
  });
});

describe('matrices', () => {
  it('times their inverse are one', () => {
    const one = multiply3(SIM_ONE_COLOR_MATRIX, invert3(SIM_ONE_COLOR_MATRIX));
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
