// Nominal ladders after ISO 12232 and the usual shutter markings; sign and third conventions are the house's.
import fc from 'fast-check';
import {
  at,
  COMPENSATION_LADDER,
  formatEv,
  formatThirds,
  ISO_LADDER,
  nearestStep,
  parseCompensation,
  parseIso,
  parseShutter,
  SHUTTER_LADDER,
  shutterRational,
  stepOf,
} from './ladders';

describe('third-stop ladders', () => {
  it('have three clicks to the stop, exactly', () => {
    for (const ladder of [SHUTTER_LADDER, ISO_LADDER]) {
      for (let i = 3; i < ladder.length; i++)
        expect(at(ladder, i).exact / at(ladder, i - 3).exact).toBeCloseTo(2, 12);
    }
    for (let i = 3; i < COMPENSATION_LADDER.length; i++) {
      expect(at(COMPENSATION_LADDER, i).exact - at(COMPENSATION_LADDER, i - 3).exact).toBeCloseTo(1, 12);
    }
  });

  it('run from 1/8000 s to 30 s, ISO 50 to 6400, −5 to +5 EV', () => {
    expect([SHUTTER_LADDER.length, ISO_LADDER.length, COMPENSATION_LADDER.length]).toEqual([55, 22, 31]);
    expect([at(SHUTTER_LADDER, 0).label, at(SHUTTER_LADDER, 54).label]).toEqual(['1/8000', '30 s']);
    expect([at(ISO_LADDER, 0).label, at(ISO_LADDER, 21).label]).toEqual(['50', '6400']);
    expect([at(COMPENSATION_LADDER, 0).label, at(COMPENSATION_LADDER, 30).label]).toEqual(['−5', '+5']);
  });

  it('keep nominal within an eighth of a stop of exact', () => {
    for (const ladder of [SHUTTER_LADDER, ISO_LADDER]) {
      for (const step of ladder) expect(Math.abs(Math.log2(step.nominal / step.exact))).toBeLessThan(0.125);
    }
  });

  it('have one second, 1/125 and ISO 100 where they belong', () => {
    expect(stepOf(SHUTTER_LADDER, 1).label).toBe('1 s');
    expect(stepOf(SHUTTER_LADDER, 2 ** -7).label).toBe('1/125');
    expect(stepOf(ISO_LADDER, 100)).toMatchObject({ nominal: 100, exact: 100 });
  });

  it('step 1/13 → 1/15 → 1/20 by a third each', () => {
    const [a, b, c] = ['1/13', '1/15', '1/20'].map((t) => parseShutter(t).exact);
    expect(Math.log2(b! / a!)).toBeCloseTo(-1 / 3, 12);
    expect(Math.log2(c! / a!)).toBeCloseTo(-2 / 3, 12);
  });

  it('find every step again from its own exact value', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(SHUTTER_LADDER, ISO_LADDER, COMPENSATION_LADDER),
        fc.nat(60),
        (ladder, n) => {
          const i = Math.min(n, ladder.length - 1);
          expect(nearestStep(ladder, at(ladder, i).exact)).toBe(i);
        },
      ),
    );
  });

  it('catch all beyond their ends, and refuse what is no value', () => {
    expect(at(SHUTTER_LADDER, nearestStep(SHUTTER_LADDER, 1e9)).label).toBe('30 s');
    expect(nearestStep(ISO_LADDER, 1e-9)).toBe(0);
    for (const bad of [0, -1, NaN, Infinity])
      expect(() => nearestStep(SHUTTER_LADDER, bad)).toThrow(RangeError);
    expect(() => nearestStep(COMPENSATION_LADDER, NaN)).toThrow(RangeError);
  });
});

describe('what is written and read', () => {
  it('writes the nominal shutter as a rational', () => {
    expect(shutterRational(2 ** -7)).toEqual([1, 125]);
    expect(shutterRational(parseShutter('0.3').exact)).toEqual([3, 10]);
    expect(shutterRational(parseShutter('1.6 s').exact)).toEqual([16, 10]);
    expect(shutterRational(parseShutter('30').exact)).toEqual([30, 1]);
    expect(shutterRational(1 / 8192)).toEqual([1, 8000]);
  });

  it.each([
    [0, '0'],
    [-2 / 3, '−⅔'],
    [4 / 3, '+1⅓'],
    [1, '+1'],
    [-5, '−5'],
    [-0.04, '0'],
  ])('prints %f EV in thirds', (ev, words) => expect(formatThirds(ev)).toBe(words));

  it.each([
    [0.84, '+0.8'],
    [-2.54, '−2.5'],
    [-0.04, '0.0'],
  ])('prints %f EV as measured', (ev, words) => expect(formatEv(ev)).toBe(words));

  it('reads back what it prints', () => {
    for (const step of SHUTTER_LADDER) expect(parseShutter(step.label)).toBe(step);
    for (const step of ISO_LADDER) expect(parseIso(step.label)).toBe(step);
    expect(parseCompensation('-0.67').label).toBe('−⅔');
    expect(parseCompensation('+1').exact).toBe(1);
    expect(parseCompensation('−1/3').label).toBe('−⅓');
  });

  it.each(['', 'fast', '1/0', '0', '-1', '1/99999', '200'])(
    'refuses the shutter "%s" and says what is allowed',
    (text) => expect(() => parseShutter(text)).toThrow(/1\/8000 … 30 s/),
  );
  it.each(['', '0', '-100', '12800', '1e3x'])('refuses ISO "%s"', (text) =>
    expect(() => parseIso(text)).toThrow(/50 … 6400/),
  );
  it.each(['', 'bright', '6', '-0.5'])('refuses compensation "%s"', (text) =>
    expect(() => parseCompensation(text)).toThrow(/thirds/),
  );
});
