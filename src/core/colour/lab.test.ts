// CIE L*a*b* and CIEDE2000: published pairs, and the general colour library of the registry as a second opinion.
import Color from 'colorjs.io';
import fc from 'fast-check';
import type { Vec3 } from '../numeric/matrix';
import { deltaE2000, labOf } from './lab';

describe('CIEDE2000', () => {
  it.each([
    [[50, 2.6772, -79.7751], [50, 0, -82.7485], 2.0425],
    [[50, 3.1571, -77.2803], [50, 0, -82.7485], 2.8615],
    [[50, -1.3802, -84.2814], [50, 0, -82.7485], 1],
    [[50, 0, 0], [50, -1, 2], 2.3669],
    [[50, 2.5, 0], [50, 0, -2.5], 4.3065],
    [[50, 2.5, 0], [73, 25, -18], 27.1492],
    [[60.2574, -34.0099, 36.2677], [60.4626, -34.1751, 39.4387], 1.2644],
    [[2.0776, 0.0795, -1.135], [0.9033, -0.0636, -0.5514], 0.9082],
  ] as [Vec3, Vec3, number][])('of %j and %j is %f (Sharma, Wu & Dalal 2005, table 1)', (a, b, expected) => {
    expect(deltaE2000(a, b)).toBeCloseTo(expected, 4);
    expect(deltaE2000(b, a)).toBeCloseTo(expected, 4);
  });

  it('agrees with another implementation on any pair', () => {
    const lab = fc.tuple(
      fc.double({ min: 0, max: 100, noNaN: true }),
      fc.double({ min: -90, max: 90, noNaN: true }),
      fc.double({ min: -90, max: 90, noNaN: true }),
    );
    fc.assert(
      fc.property(lab, lab, (a, b) => {
        const other = new Color('lab-d65', a).deltaE(new Color('lab-d65', b), '2000');
        // It converts to D50 and back on the way.
        const [one, two] = [
          new Color('lab-d65', a).to('lab').coords,
          new Color('lab-d65', b).to('lab').coords,
        ];
        expect(deltaE2000(one as unknown as Vec3, two as unknown as Vec3)).toBeCloseTo(other, 3);
      }),
    );
  });
});

it('L*a*b* of any sRGB colour is that of another implementation', () => {
  const white = new Color('white').to('xyz-d65').coords as unknown as Vec3;
  fc.assert(
    fc.property(fc.tuple(byte(), byte(), byte()), (rgb) => {
      const colour = new Color('srgb', rgb.map((v) => v / 255) as [number, number, number]);
      const lab = colour.to('lab-d65').coords;
      labOf(colour.to('xyz-d65').coords as unknown as Vec3, white).forEach((v, i) =>
        expect(v).toBeCloseTo(lab[i]!, 4),
      );
    }),
  );
});

function byte() {
  return fc.integer({ min: 0, max: 255 });
}
