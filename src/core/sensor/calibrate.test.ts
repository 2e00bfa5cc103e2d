// The camera behind the matrices: what its sensor answers to lamps, and how near the matrices of its files come to it.
import { neutralOfWhite, whiteOfNeutral } from '../colour/calibrated';
import { D50, xyzOfXy } from '../colour/chromaticity';
import { answer, ofUnitLuminance, planckSpectrum, spectrumOfLight, xyzOfSpectrum } from '../colour/spectra';
import { reflectanceOf } from '../colour/surface-spectra';
import { whiteOfXy, xyOfWhite } from '../colour/temperature';
import { apply3, type Vec3 } from '../numeric/matrix';
import { calibrated, calibrationSurfaces, fittedMatrix } from './calibrate';
import { SIM_COLOUR } from './sim-colour';
import { cameraFromLamp, PLAIN_LAMP, SIM_SENSITIVITIES } from './sensitivities';

const matrices = calibrated(SIM_SENSITIVITIES);
const seen = (light: Float64Array, surface?: Float64Array): Vec3 => [
  answer(SIM_SENSITIVITIES[0], light, surface),
  answer(SIM_SENSITIVITIES[1], light, surface),
  answer(SIM_SENSITIVITIES[2], light, surface),
];

it('finds the matrices that the simulated cameras have', () => {
  for (const [i, { kelvin, matrix, forward }] of matrices.entries()) {
    const kept = SIM_COLOUR.matrices[i]!;
    expect(kept.kelvin).toBe(kelvin);
    matrix.flat().forEach((v, k) => expect(kept.matrix.flat()[k]).toBeCloseTo(v, 12));
    forward!.flat().forEach((v, k) => expect(kept.forward!.flat()[k]).toBeCloseTo(v, 12));
  }
});

describe('a lamp that is painted in a picture', () => {
  it.each([
    ['daylight', PLAIN_LAMP],
    ['a filament', { rgb: [2.02, 0.8, 0.16], light: { kind: 'planck', kelvin: 2750 } }],
    ['a tube', { rgb: [0.86, 1.03, 1.12], light: { kind: 'F2' } }],
  ] as const)('folds into a matrix exactly: %s on any surface', (_, lamp) => {
    const m = cameraFromLamp(SIM_SENSITIVITIES, lamp);
    const power = ofUnitLuminance(spectrumOfLight(lamp.light));
    const white = 0.2126 * lamp.rgb[0] + 0.7152 * lamp.rgb[1] + 0.0722 * lamp.rgb[2];
    for (const colour of [
      [1, 1, 1],
      [0.65, 0.2, 0.03],
      [0.02, 0.24, 0.37],
    ] as const) {
      const painted: Vec3 = [colour[0] * lamp.rgb[0], colour[1] * lamp.rgb[1], colour[2] * lamp.rgb[2]];
      const truth = seen(power, reflectanceOf(colour));
      apply3(m, painted).forEach((v, c) => expect(v).toBeCloseTo(white * truth[c]!, 9));
    }
  });

  it('in D65 green answers as luminance does and is the first to saturate', () => {
    const [r, g, b] = apply3(cameraFromLamp(SIM_SENSITIVITIES, PLAIN_LAMP), [1, 1, 1]);
    expect([r, g, b]).toEqual([expect.closeTo(0.49, 2), expect.closeTo(1, 2), expect.closeTo(0.74, 2)]);
  });
});

describe('the matrices of its files', () => {
  it('are for lights A and D65, and take the white of each exactly to what the sensor answers', () => {
    expect(matrices.map(({ kelvin }) => kelvin)).toEqual([2856, 6504]);
    const lights = [planckSpectrum(2855.542), spectrumOfLight({ kind: 'daylight', kelvin: 6504 })];
    lights.forEach((power, i) => {
      const light = ofUnitLuminance(power);
      apply3(matrices[i]!.matrix, xyzOfSpectrum(light)).forEach((v, c) =>
        expect(v).toBeCloseTo(seen(light)[c]!, 4),
      );
    });
  });

  it('take balanced white exactly to the white of D50', () => {
    for (const { forward } of matrices)
      apply3(forward!, [1, 1, 1]).forEach((v, i) => expect(v).toBeCloseTo(xyzOfXy(D50)[i]!, 9));
  });

  it('differ: no camera sees as the eye does', () => {
    const [a, d65] = [matrices[0].matrix.flat(), matrices[1]!.matrix.flat()];
    expect(Math.max(...a.map((v, i) => Math.abs(v - d65[i]!)))).toBeGreaterThan(0.05);
  });

  it('go there and back between white and neutral within 5 K and 0.2 of tint, from 2000 to 12 000 K', () => {
    for (let mired = 1e6 / 12000; mired <= 500; mired += 7)
      for (const tint of [-60, 0, 60]) {
        const kelvin = 1e6 / mired;
        const back = whiteOfXy(
          whiteOfNeutral(matrices, neutralOfWhite(matrices, xyOfWhite({ kelvin, tint })))!,
        );
        expect(Math.abs(back.kelvin - kelvin)).toBeLessThan(5);
        expect(Math.abs(back.tint - tint)).toBeLessThan(0.2);
      }
  });

  it('tell usual lamps within 12 mired of what they are', () => {
    for (const kelvin of [1900, 2750, 3200, 4000]) {
      const xy = whiteOfNeutral(matrices, seen(planckSpectrum(kelvin)))!;
      expect(Math.abs(1e6 / whiteOfXy(xy).kelvin - 1e6 / kelvin)).toBeLessThan(12);
    }
  });
});

describe('the fit', () => {
  const rows: Vec3[] = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
    [1, 1, 1],
  ];
  it('finds a matrix that there is, and meets its one vector to the last digit', () => {
    const to = rows.map(([a, b, c]): Vec3 => [2 * a + b, b - c, 0.5 * c + a]);
    const m = fittedMatrix(
      rows,
      to,
      [1, 1, 1, 1],
      [
        [1, 1, 1],
        [3, 0, 1.5],
      ],
    );
    expect(m[0].map((v) => Math.round(v * 1e9) / 1e9)).toEqual([2, 1, 0]);
    const off = fittedMatrix(
      rows,
      to,
      [1, 2, 3, 4],
      [
        [1, 2, 3],
        [7, 7, 7],
      ],
    );
    apply3(off, [1, 2, 3]).forEach((v) => expect(v).toBeCloseTo(7, 9));
  });
  it('refuses vectors that span no space', () => {
    const flat: Vec3[] = [
      [1, 1, 0],
      [2, 2, 0],
    ];
    expect(() =>
      fittedMatrix(
        flat,
        flat,
        [1, 1],
        [
          [1, 1, 1],
          [1, 1, 1],
        ],
      ),
    ).toThrow(/Singular/);
  });
  it('is made over surfaces that reflect no more than all light and no less than none', () => {
    const surfaces = calibrationSurfaces();
    expect(surfaces.length).toBeGreaterThan(100);
    for (const surface of surfaces) for (const v of surface) expect(v >= 0 && v <= 1).toBe(true);
  });
});
