// N²/t = L·S/K (ISO 2720) solved on the ladders; priorities of the programme are the house's.
import fc from 'fast-check';
import { ev100OfSettings } from '../light/apex';
import { ISO_LADDER, SHUTTER_LADDER } from '../units/ladders';
import { carrierOf, resolveExposure, type ExposureControls } from './automatic';

const limits = { apertureN: 1.8, handHeldS: 1 / 24 };
const auto = { auto: true, exact: 1 };
const controls = (over: Partial<ExposureControls> = {}): ExposureControls => ({
  shutter: { auto: true, exact: 1 / 128 },
  iso: auto,
  compensationEv: 0,
  ...over,
});

describe('automatic exposure', () => {
  it('lands within a sixth of a stop wherever the ladders reach', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -6, max: 14, noNaN: true }),
        fc.integer({ min: -6, max: 6 }),
        (ev, thirds) => {
          const { settings, deviationEv, outOfRangeEv } = resolveExposure(
            controls({ compensationEv: thirds / 3 }),
            ev,
            limits,
          );
          const asked = ev - thirds / 3;
          expect(deviationEv).toBeCloseTo(asked - ev100OfSettings(1.8, settings.shutterS, settings.iso), 9);
          if (asked > -6.5 && asked < 14.5) {
            expect(Math.abs(deviationEv)).toBeLessThanOrEqual(1 / 6 + 1e-9);
            expect(outOfRangeEv).toBeNull();
          }
        },
      ),
    );
  });

  it('stays at base ISO until the hand-held limit, then raises ISO, then lengthens the time', () => {
    const at = (ev: number) => resolveExposure(controls(), ev, limits).settings;
    expect(at(12).iso).toBe(100);
    expect(at(7).iso).toBe(100);
    expect(at(4).shutterS).toBeCloseTo(2 ** (-14 / 3), 9);
    expect(at(4).iso).toBeGreaterThan(200);
    expect(at(0).iso).toBeCloseTo(1600, 6);
    expect(at(0).shutterS).toBeGreaterThan(1 / 24);
  });

  it('never lets automatic ISO go below base: extended ISO buys no light', () => {
    const { settings, outOfRangeEv } = resolveExposure(
      controls({ shutter: { auto: false, exact: 1 } }),
      12,
      limits,
    );
    expect(settings.iso).toBe(100);
    expect(outOfRangeEv).toBeCloseTo(12 - ev100OfSettings(1.8, 1, 100), 9);
  });

  it('moves only what is automatic', () => {
    const held = { auto: false, exact: 2 ** -9 };
    expect(resolveExposure(controls({ shutter: held }), 8, limits).settings.shutterS).toBe(2 ** -9);
    expect(resolveExposure(controls({ iso: { auto: false, exact: 400 } }), 8, limits).settings.iso).toBe(400);
    const both = resolveExposure(controls({ shutter: held, iso: { auto: false, exact: 400 } }), 8, limits);
    expect(both.settings).toMatchObject({ shutterS: 2 ** -9, iso: 400 });
    expect(both.outOfRangeEv).toBeNull();
  });

  it('with everything manual lets compensation shift the zero and nothing else', () => {
    const manual = { shutter: { auto: false, exact: 1 / 64 }, iso: { auto: false, exact: 100 } };
    const [plain, plus] = [0, 1].map((ev) =>
      resolveExposure(controls({ ...manual, compensationEv: ev }), 8, limits),
    );
    expect(plus!.settings.shutterS).toBe(plain!.settings.shutterS);
    expect(plus!.deviationEv).toBeCloseTo(plain!.deviationEv - 1, 9);
  });

  it('+1 is twice the light', () => {
    const [zero, one] = [0, 1].map(
      (ev) => resolveExposure(controls({ compensationEv: ev }), 10, limits).settings,
    );
    expect((one!.shutterS * one!.iso) / (zero!.shutterS * zero!.iso)).toBeCloseTo(2, 9);
  });

  it('says by how much light is out of range, both ways', () => {
    expect(resolveExposure(controls(), 20, limits).outOfRangeEv).toBeGreaterThan(3);
    expect(resolveExposure(controls(), -15, limits).outOfRangeEv).toBeLessThan(-1);
  });

  it('does not hunt on the edge between two thirds', () => {
    const priority = controls({ iso: { auto: false, exact: 100 } });
    let previous = resolveExposure(priority, 10, limits).settings;
    const first = previous;
    for (let i = 0; i < 40; i++) {
      previous = resolveExposure(priority, 10 + (i % 2 ? 0.17 : 0.15) - 0.0, limits, previous).settings;
    }
    expect(Math.abs(Math.log2(previous.shutterS / first.shutterS))).toBeLessThanOrEqual(1 / 3 + 1e-9);
    const settled = previous;
    for (let i = 0; i < 10; i++)
      previous = resolveExposure(priority, 10 + (i % 2 ? 0.17 : 0.15), limits, previous).settings;
    expect(previous).toEqual(settled);
  });

  it('stays on the ladders and free of NaN at any reading', () => {
    const times = SHUTTER_LADDER.map((s) => s.exact);
    const isos = ISO_LADDER.map((s) => s.exact);
    for (const ev of [-Infinity, Infinity, NaN, -100, 100, 0]) {
      const { settings, deviationEv } = resolveExposure(controls(), ev, limits);
      expect(times).toContain(settings.shutterS);
      expect(isos).toContain(settings.iso);
      expect(deviationEv).not.toBeNaN();
    }
  });

  it('carries a change of exposure through compensation while anything is automatic', () => {
    expect(carrierOf(controls())).toBe('compensation');
    expect(
      carrierOf(controls({ shutter: { auto: false, exact: 1 }, iso: { auto: false, exact: 100 } })),
    ).toBe('shutter');
  });
});
