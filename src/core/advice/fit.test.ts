// Fitting exposure to the highlights: by whole thirds, through the chosen setting, at a price that is told before.
import { automaticPlan, DEFAULT_RULES, fullPlan, type ExposureControls } from '../exposure/automatic';
import { ev100OfSettings } from '../light/apex';
import { signalOfSnr } from '../scopes/limits';
import { noiseModel } from '../sensor/sensor';
import { SIM_IRIS } from '../sensor/sim-iris';
import { SIM_ONE } from '../sensor/sim-one';
import { FIT_WAYS, fitPlan, type FitAsk } from './fit';

const camera = SIM_ONE.wide;
const automatic: ExposureControls = {
  shutter: { auto: true, exact: 2 ** -7 },
  iso: { auto: true, exact: 100 },
  aperture: { auto: true, exact: 1.8 },
  compensationEv: 0,
};
const by = (exact: number) => ({ auto: false, exact });
const settings = { shutterS: 2 ** -7, iso: 100, apertureN: 1.8, compensationEv: 0 };
const ask = (over: Partial<FitAsk> = {}): FitAsk => ({
  controls: automatic,
  settings,
  plan: automaticPlan(DEFAULT_RULES, camera.lens, 1 / 24),
  headroomEv: 1.1,
  deviationEv: 0,
  meteredEv100: ev100OfSettings(1.8, 2 ** -7, 100),
  habitEv: 0,
  cleanDb: 10,
  sensor: camera.sensor,
  ...over,
});
const manual: ExposureControls = { ...automatic, shutter: by(2 ** -7), iso: by(100) };

describe('a fit', () => {
  it('goes up to the limit by whole thirds and never over it', () => {
    for (const headroomEv of [-3.2, -0.34, -0.01, 0, 0.3, 0.34, 1.99, 2]) {
      const { thirds } = fitPlan('carrying', ask({ headroomEv }))!;
      expect(thirds / 3).toBeLessThanOrEqual(headroomEv + 1e-6);
      expect(thirds / 3).toBeGreaterThan(headroomEv - 1 / 3 - 1e-6);
    }
  });
  it('moves compensation while something is automatic, and what follows shows in the settings', () => {
    const fit = fitPlan('carrying', ask())!;
    expect(fit).toMatchObject({ fader: 'compensation', thirds: 3, missing: 0 });
    expect(fit.controls.compensationEv).toBeCloseTo(1, 6);
    expect(fit.controls.shutter.auto).toBe(true);
    expect(fit.settings.shutterS).toBeCloseTo(2 ** -6, 6);
  });
  it('does not promise what an automatic at its end cannot give', () => {
    // Bright sun: the shortest time is not short enough as it is.
    const sun = ev100OfSettings(1.8, 2 ** -13, 100) + 2;
    const fit = fitPlan(
      'carrying',
      ask({ headroomEv: -1, meteredEv100: sun, settings: { ...settings, shutterS: 2 ** -13 } }),
    )!;
    expect([fit.thirds, fit.missing]).toEqual([0, -3]);
  });
  it('never gives more than asked, though the automatic had drifted within its margin', () => {
    for (const drift of [-0.2, -0.1, 0.1, 0.2]) {
      const fit = fitPlan('carrying', ask({ headroomEv: 0.7, meteredEv100: ask().meteredEv100 + drift }))!;
      expect(fit.thirds).toBeLessThanOrEqual(2);
      expect(fit.thirds).toBeGreaterThanOrEqual(1);
    }
  });
  it('moves the shutter once everything is by hand', () => {
    const fit = fitPlan('carrying', ask({ controls: manual }))!;
    expect(fit).toMatchObject({ fader: 'shutter', thirds: 3 });
    expect(fit.settings).toMatchObject({ shutterS: 2 ** -6, iso: 100 });
  });
  it('through a chosen setting holds the others, for the automatic would take the light back', () => {
    const fit = fitPlan('shutter', ask())!;
    expect(fit.controls.shutter).toEqual(by(2 ** -6));
    expect(fit.controls.iso).toEqual(by(100));
    const iso = fitPlan('iso', ask())!;
    expect(iso.controls.iso).toEqual(by(200));
    expect(iso.controls.shutter).toEqual(by(2 ** -7));
  });
  it('through the aperture works where there is one, inside what the lens has', () => {
    expect(fitPlan('aperture', ask())).toBeNull();
    const zoom = SIM_IRIS['zoom-50'];
    const iris = ask({
      plan: fullPlan(zoom.lens),
      settings: { ...settings, apertureN: 4 },
      controls: { ...manual, aperture: by(4) },
      sensor: zoom.sensor,
    });
    expect(fitPlan('aperture', { ...iris, headroomEv: 0.7 })!.settings.apertureN).toBeCloseTo(
      2 ** (5 / 3),
      3,
    );
    const far = fitPlan('aperture', { ...iris, headroomEv: 3 })!;
    expect(far.settings.apertureN).toBeCloseTo(2 ** 1.5, 3);
    expect([far.thirds, far.missing]).toEqual([3, 6]);
  });
  it('says what it cannot do at the ends of the ladders; under base ISO raw has nothing to give', () => {
    const down = fitPlan('iso', ask({ headroomEv: -2 }))!;
    expect([down.thirds, down.missing]).toEqual([0, -6]);
    expect(down.settings.iso).toBe(100);
    const up = fitPlan(
      'iso',
      ask({ headroomEv: 9, settings: { ...settings, iso: 3200 }, controls: { ...manual, iso: by(3200) } }),
    )!;
    expect([up.thirds, up.missing]).toEqual([3, 24]);
    const limit = fitPlan('carrying', ask({ headroomEv: 9 }))!;
    expect([limit.controls.compensationEv, limit.missing]).toEqual([5, 12]);
  });
  it('counts a habit as part of the target', () => {
    const fit = fitPlan(
      'carrying',
      ask({ habitEv: -2 / 3, settings: { ...settings, compensationEv: -2 / 3 } }),
    )!;
    expect(fit.controls.compensationEv).toBeCloseTo(1, 6);
    expect(fit.settings.compensationEv).toBeCloseTo(1 / 3, 6);
  });
  it('has nothing to say without light', () => {
    for (const way of FIT_WAYS) expect(fitPlan(way, ask({ headroomEv: Infinity }))).toBeNull();
  });
});

describe('its price', () => {
  it('of a stop of light is 3 to 6 dB and one stop of clean shadow', () => {
    const { shadowDb, cleanEv } = fitPlan('shutter', ask({ controls: manual }))!;
    // Shot noise alone gives 3 dB a stop, read noise alone 6 (EMVA 1288).
    expect(shadowDb).toBeGreaterThan(3);
    expect(shadowDb).toBeLessThan(6.1);
    expect(cleanEv).toBeCloseTo(1, 6);
  });
  it('of less light is the same the other way round', () => {
    const { shadowDb, cleanEv } = fitPlan('shutter', ask({ controls: manual, headroomEv: -1 }))!;
    expect(shadowDb).toBeLessThan(-3);
    expect(cleanEv).toBeCloseTo(-1, 6);
  });
  it('of ISO is what the noise after the gain takes, next to nothing', () => {
    const { shadowDb, cleanEv } = fitPlan('iso', ask({ controls: manual }))!;
    const clean = (iso: number) => Math.log2(signalOfSnr(noiseModel(camera.sensor, iso), 10) / iso);
    expect(cleanEv).toBeCloseTo(clean(100) - clean(200), 6);
    expect(shadowDb).toBeGreaterThan(0);
    expect(shadowDb).toBeLessThan(1);
  });
});
