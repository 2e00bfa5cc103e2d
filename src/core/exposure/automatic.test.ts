// N²/t = L·S/K (ISO 2720) solved on the ladders; priorities of the programme are the house's.
import type { AutomaticRules } from './control';
import fc from 'fast-check';
import { ev100OfSettings } from '../light/apex';
import { APERTURE_LADDER, ISO_LADDER, nearestStep, SHUTTER_LADDER } from '../units/ladders';
import {
  automaticPlan,
  carrierOf,
  DEFAULT_RULES,
  fullPlan,
  LADDER_OF,
  resolveExposure,
  type ExposureControls,
} from './automatic';
import { type ExposureSettings, SETTING_IDS, type SettingId } from './settings';

const limits = automaticPlan(DEFAULT_RULES, { apertureN: 1.8 }, 1 / 24);
const auto = { auto: true, exact: 1 };
const controls = (over: Partial<ExposureControls> = {}): ExposureControls => ({
  shutter: { auto: true, exact: 1 / 128 },
  iso: auto,
  aperture: auto,
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
    expect(carrierOf(controls(), false)).toBe('compensation');
    expect(
      carrierOf(controls({ shutter: { auto: false, exact: 1 }, iso: { auto: false, exact: 100 } }), false),
    ).toBe('shutter');
  });
});

const IRIS = { apertureN: 2 ** 1.5, narrowestN: 8 };
const valueIn = (settings: ExposureSettings, id: SettingId) =>
  id === 'shutter' ? settings.shutterS : id === 'iso' ? settings.iso : settings.apertureN;
const indexIn = (settings: ExposureSettings, id: SettingId) =>
  nearestStep(LADDER_OF[id], valueIn(settings, id));

const someRules = fc
  .record({
    order: fc.shuffledSubarray([...SETTING_IDS], { minLength: 3 }),
    steadyThirds: fc.integer({ min: -6, max: 6 }),
    ceiling: fc.nat(ISO_LADDER.length - 1),
    shutter: fc.tuple(fc.nat(54), fc.nat(54)),
    iso: fc.tuple(fc.nat(21), fc.nat(21)),
    aperture: fc.tuple(fc.nat(27), fc.nat(27)),
  })
  .map(({ ceiling, order, steadyThirds, ...ends }): AutomaticRules => {
    const bounds = (id: SettingId) =>
      [Math.min(...ends[id]), Math.max(...ends[id])].map((i) => LADDER_OF[id][i]!.exact) as [number, number];
    return {
      order,
      steadyThirds,
      isoCeiling: ISO_LADDER[ceiling]!.exact,
      shutter: bounds('shutter'),
      iso: bounds('iso'),
      aperture: bounds('aperture'),
    };
  });
const someControls = fc.record({
  shutter: fc.record({ auto: fc.boolean(), exact: fc.constantFrom(...SHUTTER_LADDER.map((s) => s.exact)) }),
  iso: fc.record({ auto: fc.boolean(), exact: fc.constantFrom(...ISO_LADDER.map((s) => s.exact)) }),
  aperture: fc.record({ auto: fc.boolean(), exact: fc.constantFrom(2 ** 1.5, 4, 2 ** 2.5, 8) }),
  compensationEv: fc.integer({ min: -15, max: 15 }).map((n) => n / 3),
});

describe('any mix of automatic and manual', () => {
  it('never leaves its bounds, moves only what is automatic, and is right wherever the bounds allow', () => {
    fc.assert(
      fc.property(
        someRules,
        someControls,
        fc.double({ min: -20, max: 25, noNaN: true }),
        fc.boolean(),
        (rules, set, ev, tripod) => {
          const plan = automaticPlan(rules, IRIS, tripod ? null : 1 / 24);
          const { settings, deviationEv, outOfRangeEv } = resolveExposure(set, ev, plan);
          let [darkest, brightest] = [true, true];
          for (const id of SETTING_IDS) {
            if (!set[id].auto) expect(valueIn(settings, id)).toBe(set[id].exact);
            else {
              const index = indexIn(settings, id);
              expect(index).toBeGreaterThanOrEqual(plan.ranges[id].low);
              expect(index).toBeLessThanOrEqual(plan.ranges[id].high);
              darkest &&= index === plan.ranges[id].low;
              brightest &&= index === plan.ranges[id].high;
            }
          }
          const some = SETTING_IDS.some((id) => set[id].auto);
          // Off the meter only at an end of the range, and then it is said.
          if (some && Math.abs(deviationEv) > 1 / 6 + 1e-9)
            expect(deviationEv > 0 ? darkest : brightest).toBe(true);
          expect(outOfRangeEv !== null).toBe(some && Math.abs(deviationEv) > 1 / 6 + 0.06 + 1e-6);
        },
      ),
      { numRuns: 400 },
    );
  });

  it('takes one way through the light: no setting turns back as light falls', () => {
    fc.assert(
      fc.property(someRules, fc.boolean(), (rules, tripod) => {
        const plan = automaticPlan(rules, IRIS, tripod ? null : 1 / 24);
        let before: ExposureSettings | undefined;
        for (let ev = 24; ev > -20; ev -= 1 / 3) {
          const { settings } = resolveExposure(controls(), ev, plan);
          if (before)
            for (const id of SETTING_IDS)
              expect(indexIn(settings, id)).toBeGreaterThanOrEqual(indexIn(before, id));
          before = settings;
        }
      }),
      { numRuns: 40 },
    );
  });

  it('moves what the person puts first first', () => {
    const at = (order: readonly SettingId[], ev: number) =>
      resolveExposure(
        controls(),
        ev,
        automaticPlan({ ...DEFAULT_RULES, order, aperture: [8, 1] }, IRIS, 1 / 24),
      ).settings;
    // Bright: shutter first keeps f/8 until the hand-held limit; aperture first opens before it lengthens.
    expect(at(['shutter', 'aperture', 'iso'], 12)).toMatchObject({ apertureN: 8 });
    expect(at(['aperture', 'shutter', 'iso'], 12).apertureN).toBeCloseTo(2 ** 1.5, 9);
    expect(at(['shutter', 'aperture', 'iso'], 12).shutterS).toBeGreaterThan(
      at(['aperture', 'shutter', 'iso'], 12).shutterS,
    );
  });

  it('on a tripod stays at base ISO until the time is at its slowest', () => {
    const plan = automaticPlan(DEFAULT_RULES, { apertureN: 1.8 }, null);
    expect(resolveExposure(controls(), -2.5, plan).settings).toMatchObject({ iso: 100 });
    expect(resolveExposure(controls(), -6, plan).settings.iso).toBeGreaterThan(100);
    expect(resolveExposure(controls(), -6, plan).settings.shutterS).toBeCloseTo(32, 6);
  });

  it('by hand keeps the steady time up to the ISO ceiling; a steady hand moves the limit by clicks', () => {
    const byHand = (over: Partial<AutomaticRules>, ev: number) =>
      resolveExposure(
        controls(),
        ev,
        automaticPlan({ ...DEFAULT_RULES, ...over }, { apertureN: 1.8 }, 1 / 24),
      ).settings;
    expect(byHand({ isoCeiling: 400 }, 1).iso).toBeCloseTo(400, 6);
    expect(byHand({ isoCeiling: 3200 }, 2).shutterS).toBeCloseTo(2 ** (-14 / 3), 9);
    expect(byHand({ steadyThirds: 3 }, 4).shutterS / byHand({}, 4).shutterS).toBeCloseTo(2, 9);
  });

  it('settles in one frame after a step of 5 EV, without overshoot, and does not move for a still scene', () => {
    for (const auto2 of [controls(), controls({ iso: { auto: false, exact: 200 } })]) {
      let last = resolveExposure(auto2, 10, limits).settings;
      for (const ev of [5, 5, 5, 10, 10, 10]) {
        const { settings, deviationEv } = resolveExposure(auto2, ev, limits, last);
        expect(Math.abs(deviationEv)).toBeLessThanOrEqual(1 / 3);
        last = settings;
      }
      expect(last).toEqual(resolveExposure(auto2, 10, limits).settings);
    }
  });

  it('makes up for a filter, stop for stop', () => {
    const plan = fullPlan(IRIS);
    const priority = controls({ iso: { auto: false, exact: 100 }, aperture: { auto: false, exact: 4 } });
    const [bare, behind] = [0, 6].map(
      (filterStops) => resolveExposure({ ...priority, filterStops }, 10, plan).settings,
    );
    expect(behind!.shutterS / bare!.shutterS).toBeCloseTo(64, 6);
    expect(bare).not.toHaveProperty('filterStops');
    expect(behind).toHaveProperty('filterStops', 6);
  });

  it('has no NaN at any end of any ladder', () => {
    const plan = fullPlan(IRIS);
    const ends = (id: SettingId) => [LADDER_OF[id][0]!.exact, LADDER_OF[id][LADDER_OF[id].length - 1]!.exact];
    for (const s of ends('shutter'))
      for (const i of ends('iso'))
        for (const a of [...ends('aperture'), APERTURE_LADDER[9]!.exact])
          for (const autos of [0, 1, 2, 3, 4, 5, 6, 7])
            for (const ev of [-Infinity, Infinity, NaN, 0]) {
              const set = {
                shutter: { auto: (autos & 1) > 0, exact: s },
                iso: { auto: (autos & 2) > 0, exact: i },
                aperture: { auto: (autos & 4) > 0, exact: a },
                compensationEv: -5,
              };
              const { settings, deviationEv } = resolveExposure(set, ev, plan);
              expect([...Object.values(settings), deviationEv].every(Number.isFinite)).toBe(true);
            }
  });
});
