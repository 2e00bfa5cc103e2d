// CIE 015:2018: chromaticities of the standard illuminants from their spectra; surfaces with a spectrum; the general colour library of the registry as a
// second opinion on daylight and adaptation.
import fc from 'fast-check';
import { apply3, invert3, type Vec3 } from '../numeric/matrix';
import { daylightXy, xyOfXyz } from './chromaticity';
import { SAMPLES, X_BAR, Y_BAR, Z_BAR } from './spectral-tables';
import {
  answer,
  daylightSpectrum,
  ILLUMINANT_A_KELVIN,
  ofUnitLuminance,
  planckSpectrum,
  spectrumOfLight,
  wavelengthNm,
  xyzOfSpectrum,
  spectrumFrom,
} from './spectra';
import { XYZ_FROM_SRGB } from './srgb';
import { PRIMARIES, reflectanceOf } from './surface-spectra';
import { whiteOfXy } from './temperature';

describe('the tables', () => {
  it('have a value every 5 nm from 380 to 780', () => {
    for (const table of [X_BAR, Y_BAR, Z_BAR]) expect(table).toHaveLength(SAMPLES);
    expect([wavelengthNm(0), wavelengthNm(SAMPLES - 1)]).toEqual([380, 780]);
  });

  it('peak where the eye does, and have equal sums: equal energy is white (CIE 015)', () => {
    expect(wavelengthNm(Y_BAR.indexOf(Math.max(...Y_BAR)))).toBe(555);
    const sums = [X_BAR, Y_BAR, Z_BAR].map((table) => table.reduce((a, b) => a + b));
    for (const sum of sums) expect(Math.abs(sum / sums[1]! - 1)).toBeLessThan(0.001);
  });
});

describe('illuminants from their spectra (CIE 015:2018, 2° observer)', () => {
  it.each([
    ['A', planckSpectrum(ILLUMINANT_A_KELVIN), 0.44757, 0.40745],
    ['D50', daylightSpectrum(5003), 0.34567, 0.3585],
    ['D55', daylightSpectrum(5503), 0.33242, 0.34743],
    ['D65', daylightSpectrum(6504), 0.31272, 0.32903],
    ['D75', daylightSpectrum(7504), 0.29902, 0.31485],
    ['F2', spectrumOfLight({ kind: 'F2' }), 0.3721, 0.3751],
  ])('%s', (_, power, x, y) => {
    const xy = xyOfXyz(xyzOfSpectrum(power));
    expect(Math.abs(xy[0] - x)).toBeLessThan(0.0001);
    expect(Math.abs(xy[1] - y)).toBeLessThan(0.0001);
  });

  it('daylight of a temperature lies on the daylight locus', () => {
    for (const kelvin of [4000, 4900, 6100, 7500, 12000, 25000]) {
      const [x, y] = xyOfXyz(xyzOfSpectrum(daylightSpectrum(kelvin)));
      const locus = daylightXy(kelvin);
      expect(Math.hypot(x - locus[0], y - locus[1])).toBeLessThan(0.0005);
    }
  });

  it('black bodies have their own temperature, and no tint', () => {
    for (const kelvin of [1800, 2750, 4000, 8000]) {
      const white = whiteOfXy(xyOfXyz(xyzOfSpectrum(planckSpectrum(kelvin))));
      expect(Math.abs(1e6 / white.kelvin - 1e6 / kelvin)).toBeLessThan(0.5);
      expect(Math.abs(white.tint)).toBeLessThan(0.3);
    }
  });

  it.each([0, -1, NaN])('no black body has %f K', (kelvin) =>
    expect(() => planckSpectrum(kelvin)).toThrow(/No black body/),
  );
  it.each([3999, 25001, NaN])('no daylight has %f K', (kelvin) =>
    expect(() => daylightSpectrum(kelvin)).toThrow(/No daylight/),
  );
});

describe('surfaces with a spectrum (Mallett & Yuksel 2019)', () => {
  const d65 = ofUnitLuminance(daylightSpectrum(6504));
  const seen = (rgb: Vec3) => apply3(invert3(XYZ_FROM_SRGB), xyzOfSpectrum(d65, reflectanceOf(rgb)));

  it('white reflects everything, and no primary less than nothing', () => {
    for (let i = 0; i < SAMPLES; i++) {
      expect(PRIMARIES.reduce((sum, p) => sum + p[i]!, 0)).toBeCloseTo(1, 12);
      for (const p of PRIMARIES) expect(p[i]).toBeGreaterThanOrEqual(-1e-6);
    }
  });

  it('have the colour they are made from under D65', () => {
    fc.assert(
      fc.property(fc.tuple(unit(), unit(), unit()), (rgb) => {
        seen(rgb).forEach((v, c) => expect(Math.abs(v - rgb[c]!)).toBeLessThan(0.001));
      }),
    );
  });

  it('are as smooth as can be: no change that keeps their colours makes them smoother', () => {
    const steps = (of: readonly Float64Array[]) =>
      of.reduce((sum, p) => sum + p.reduce((s, v, i) => (i > 0 ? s + (v - p[i - 1]!) ** 2 : 0), 0), 0);
    const least = steps(PRIMARIES);
    // Where two of them are free (the third is nothing), light is moved from one to the other by a bump that no eye sees under D65.
    const weights = [X_BAR, Y_BAR, Z_BAR].map((bar) => bar.map((v, i) => v * d65[i]!));
    const pairs = [
      [0, 2],
      [1, 2],
      [0, 1],
    ] as const;
    let tried = 0;
    for (const [one, other] of pairs) {
      const free = PRIMARIES[one].map((v, i) => (v > 0.005 && PRIMARIES[other][i]! > 0.005 ? 1 : 0));
      const inside = (v: Float64Array) => v.map((x, i) => x * free[i]!);
      const places = [...free.keys()].filter((i) => free[i] === 1);
      for (const place of places.filter((_, k) => k % 3 === 0)) {
        const bump = free.map((_, i) => (i === place ? 1 : 0));
        const hidden = orthogonal(bump, weights.map(inside));
        // Too few places are free to hide anything among them.
        if (Math.max(...hidden.map(Math.abs)) < 1e-3) continue;
        for (const k of [0.004, -0.004]) {
          const changed = PRIMARIES.map((p, c) =>
            c === one || c === other ? p.map((v, i) => v + (c === one ? k : -k) * hidden[i]!) : p,
          );
          expect(changed.every((p) => p.every((v) => v > -1e-6 && v < 1 + 1e-6))).toBe(true);
          expect(steps(changed)).toBeGreaterThan(least);
          tried++;
        }
      }
    }
    expect(tried).toBeGreaterThan(10);
  });
});

function unit() {
  return fc.double({ min: 0, max: 1, noNaN: true });
}

/** What is left of a vector without what lies along others (Gram–Schmidt, twice for rounding). */
function orthogonal(vector: Float64Array, others: readonly Float64Array[]): Float64Array {
  const dot = (a: Float64Array, b: Float64Array) => a.reduce((s, v, i) => s + v * b[i]!, 0);
  const basis: Float64Array[] = [];
  const without = (v: Float64Array) =>
    [...basis, ...basis].reduce((rest, b) => {
      const k = dot(rest, b);
      return rest.map((x, i) => x - k * b[i]!);
    }, v);
  for (const other of others) {
    const rest = without(other);
    const length = Math.sqrt(dot(rest, rest));
    basis.push(rest.map((x) => x / length));
  }
  return without(vector);
}

it('a receiver answers to a light on a surface by the sum of all three', () => {
  const light = Float64Array.from({ length: SAMPLES }, () => 2);
  const half = Float64Array.from({ length: SAMPLES }, () => 0.5);
  expect(answer(light, light)).toBeCloseTo(4 * SAMPLES, 9);
  expect(answer(light, light, half)).toBeCloseTo(2 * SAMPLES, 9);
});

describe('a spectrum from few values', () => {
  it('goes straight from one to the next over the whole grid', () => {
    const line = spectrumFrom([0.2, 0.6, 0.5]);
    expect(line).toHaveLength(81);
    expect([line[0], line[40], line[80]]).toEqual([0.2, 0.6, 0.5]);
    expect(line[20]).toBeCloseTo(0.4, 12);
    expect(line[60]).toBeCloseTo(0.55, 12);
    const same = Array.from({ length: 81 }, (_, i) => i / 7);
    expect([...spectrumFrom(same)]).toEqual(same);
  });

  it('needs two', () => {
    expect(() => spectrumFrom([1])).toThrow(RangeError);
    expect([...spectrumFrom([1, 3])].at(-1)).toBe(3);
  });
});
