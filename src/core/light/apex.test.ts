// ISO 2720:1974 (K = 12.5, C = 250) and APEX, Exif 2.32 Annex C.
import fc from 'fast-check';
import {
  apex,
  C_DOME,
  ev100OfIlluminance,
  ev100OfLuminance,
  ev100OfSettings,
  exposureValue,
  luminanceOfEv100,
} from './apex';

describe('exposure values', () => {
  it.each([
    [0.125, 0],
    [1, 3],
    [4096, 15],
  ])('meters %f cd/m² as EV %i (ISO 2720)', (luminance, ev) =>
    expect(ev100OfLuminance(luminance)).toBeCloseTo(ev, 12),
  );

  it.each([
    [2.5, 0],
    [320, 7],
    [81920, 15],
  ])('meters %f lx as EV %i with a flat receptor (ISO 2720)', (lux, ev) =>
    expect(ev100OfIlluminance(lux)).toBeCloseTo(ev, 12),
  );

  it('needs more light on a dome for the same reading', () => {
    expect(ev100OfIlluminance(320, C_DOME)).toBeCloseTo(7 - Math.log2(330 / 250), 12);
  });

  it('has a sunlit scene at f/16, 1/125, ISO 100 near EV 15 (practice)', () => {
    expect(exposureValue(16, 1 / 125)).toBeCloseTo(14.97, 2);
  });

  it('takes a stop off EV100 for each doubling of ISO', () => {
    expect(ev100OfSettings(4, 1 / 60, 200)).toBeCloseTo(ev100OfSettings(4, 1 / 60, 100) - 1, 12);
  });

  it('reads total darkness as minus infinity, not as a number', () =>
    expect(ev100OfLuminance(0)).toBe(-Infinity));

  it('goes from luminance to EV and back', () => {
    fc.assert(
      fc.property(fc.double({ min: -10, max: 25, noNaN: true }), (ev) =>
        expect(ev100OfLuminance(luminanceOfEv100(ev))).toBeCloseTo(ev, 9),
      ),
    );
  });

  it('adds up: Ev = Av + Tv = Bv + Sv (Exif 2.32 Annex C)', () => {
    const { av, tv, sv, bv, ev } = apex(8, 1 / 125, 100);
    expect(av).toBeCloseTo(6, 12);
    expect(sv).toBeCloseTo(5, 12);
    expect(av + tv).toBeCloseTo(ev, 12);
    expect(bv + sv).toBeCloseTo(ev, 12);
  });
});
