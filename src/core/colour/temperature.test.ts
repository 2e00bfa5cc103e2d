// Temperature and tint against CIE 015:2018 (illuminants, daylight locus), Planck's locus by another published fit, and their own inverse.
import fc from 'fast-check';
import { daylightXy, planckianXy, uvOfXy, type Xy } from './chromaticity';
import { whiteOfXy, whiteWords, xyOfWhite } from './temperature';

describe('temperature of a chromaticity', () => {
  // CIE 015:2018, 2° observer: chromaticity and correlated colour temperature of the standard illuminants.
  it.each([
    ['A', [0.44757, 0.40745], 2856],
    ['D50', [0.34567, 0.3585], 5003],
    ['D55', [0.33242, 0.34743], 5503],
    ['D65', [0.31272, 0.32903], 6504],
    ['D75', [0.29902, 0.31485], 7504],
    ['F2', [0.37208, 0.37529], 4230],
    ['F7', [0.31292, 0.32933], 6500],
    ['F11', [0.38052, 0.37713], 4000],
  ] as [string, Xy, number][])('of %s', (_, xy, kelvin) => {
    // Robertson's own figure of the method's error: a few hundredths of a mired in his table's middle; the table has five places.
    expect(Math.abs(1e6 / whiteOfXy(xy).kelvin - 1e6 / kelvin)).toBeLessThan(0.4);
  });

  it.each([1800, 2222, 2856, 3500, 4500, 6000, 9000, 12000])('a black body of %d K has no tint', (kelvin) => {
    // Kim et al. 2002 fits the locus in cubics; the two agree within what either is good for.
    const white = whiteOfXy(planckianXy(kelvin));
    expect(Math.abs(1e6 / white.kelvin - 1e6 / kelvin)).toBeLessThan(2);
    expect(Math.abs(white.tint)).toBeLessThan(2.5);
  });

  it('daylight lies above the locus, towards green: by about 0.003 in uv (D65: 0.0032)', () => {
    for (const kelvin of [5000, 6500, 9000]) {
      const { tint } = whiteOfXy(daylightXy(kelvin));
      expect(tint / 3000).toBeGreaterThan(0.002);
      expect(tint / 3000).toBeLessThan(0.005);
    }
    expect(whiteOfXy([0.31272, 0.32903]).tint / 3000).toBeCloseTo(0.0032, 3);
  });

  it('a greener light has the larger tint, along a line that crosses the locus at a right angle', () => {
    const [green, magenta] = [xyOfWhite({ kelvin: 5000, tint: 60 }), xyOfWhite({ kelvin: 5000, tint: -60 })];
    expect(green[1]).toBeGreaterThan(magenta[1]);
    const [a, b] = [uvOfXy(green), uvOfXy(magenta)];
    expect(Math.hypot(a[0] - b[0], a[1] - b[1])).toBeCloseTo(120 / 3000, 6);
    const [near, far] = [
      uvOfXy(xyOfWhite({ kelvin: 4990, tint: 0 })),
      uvOfXy(xyOfWhite({ kelvin: 5010, tint: 0 })),
    ];
    const along = [far[0] - near[0], far[1] - near[1]] as const;
    const across = [a[0] - b[0], a[1] - b[1]] as const;
    const cosine =
      (along[0] * across[0] + along[1] * across[1]) / (Math.hypot(...along) * Math.hypot(...across));
    expect(Math.abs(cosine)).toBeLessThan(0.03);
  });
});

it('there and back is within 5 K and 0.2 of tint from 2000 to 12 000 K', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 2000, max: 12000, noNaN: true }),
      fc.double({ min: -150, max: 150, noNaN: true }),
      (kelvin, tint) => {
        const back = whiteOfXy(xyOfWhite({ kelvin, tint }));
        expect(Math.abs(back.kelvin - kelvin)).toBeLessThan(5);
        expect(Math.abs(back.tint - tint)).toBeLessThan(0.2);
      },
    ),
    { numRuns: 2000 },
  );
});

it('is said in whole kelvins, with the sign of the tint', () => {
  expect(whiteWords({ kelvin: 5199.6, tint: 3.4 })).toBe('5200 K, tint +3');
  expect(whiteWords({ kelvin: 2856, tint: -0.4 })).toBe('2856 K, tint 0');
  expect(whiteWords({ kelvin: 2856, tint: -12 })).toBe('2856 K, tint −12');
});

it('what is redder or bluer than the table is given its end', () => {
  expect(whiteOfXy([0.7, 0.29]).kelvin).toBeCloseTo(1e6 / 600, 0);
  expect(whiteOfXy([0.17, 0.17]).kelvin).toBeGreaterThan(90_000);
});
