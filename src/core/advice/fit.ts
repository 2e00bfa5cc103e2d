// Fitting exposure to the highlights in one movement: through the setting that the person chose, by whole thirds so that no more
// than the chosen share burns, with what it costs or wins in the shadows, before it is done.
import type { Control } from '../exposure/control';
import {
  isAllManual,
  LADDER_OF,
  resolveExposure,
  totalCompensation,
  type AutomaticPlan,
  type ExposureControls,
} from '../exposure/automatic';
import { BASE_ISO, type ExposureSettings, type SettingId } from '../exposure/settings';
import { COMPENSATION_LADDER, at, nearestStep } from '../units/ladders';
import { gainDnPerE, noiseModel, type SensorModel } from '../sensor/sensor';
import { signalOfSnr } from '../scopes/limits';
import { snrDb } from './effects';

/** "Carrying" is what exposure goes through now: compensation while anything is automatic, else the shutter. */
export const FIT_WAYS = ['carrying', 'shutter', 'iso', 'aperture'] as const;
export type FitWay = (typeof FIT_WAYS)[number];

export interface FitAsk {
  readonly controls: ExposureControls;
  readonly settings: ExposureSettings;
  readonly plan: AutomaticPlan;
  /** Stops until the chosen share burns. */
  readonly headroomEv: number;
  /** How far the settings lie over (+) the meter's target. */
  readonly deviationEv: number;
  readonly meteredEv100: number;
  /** The habit, already part of the target: it is not the person's compensation of this frame. */
  readonly habitEv: number;
  readonly cleanDb: number;
  readonly sensor: SensorModel;
}

export interface FitPlan {
  /** What moves. */
  readonly fader: SettingId | 'compensation';
  /** Thirds of a stop of light, + brighter; 0 when it fits already. */
  readonly thirds: number;
  /** Thirds that were wanted but that the setting has no room for. */
  readonly missing: number;
  readonly controls: ExposureControls;
  readonly settings: ExposureSettings;
  /** Change of signal to noise in a shadow four stops under mid-grey, dB. */
  readonly shadowDb: number;
  /** Stops that the clean line moves down into the scene's shadows (+) or up (−). */
  readonly cleanEv: number;
}

/** @returns null when there is no light to fit to, or the lens lacks the setting */
export function fitPlan(way: FitWay, ask: FitAsk): FitPlan | null {
  const { controls, settings, plan, headroomEv } = ask;
  if (!Number.isFinite(headroomEv)) return null;
  const iris = plan.fixedN === null;
  if (way === 'aperture' && !iris) return null;
  const wanted = Math.floor(headroomEv * 3 + 1e-6);
  const fader =
    way !== 'carrying' ? way : isAllManual(controls, iris) ? 'shutter' : ('compensation' as const);
  // An automatic that had drifted within its margin may give a click more than it is asked for: then a click less is asked.
  for (let asked = wanted; ; asked--) {
    const [next, after] = fader === 'compensation' ? compensated(ask, asked) : moved(ask, fader, asked, iris);
    // What came of the wish is read from the settings: automatics and ladders have ends.
    const thirds = Math.round(3 * (lightEv(after) - lightEv(settings)));
    if (thirds <= wanted || asked < wanted - 2)
      return {
        fader,
        thirds,
        missing: wanted - thirds,
        controls: next,
        settings: after,
        ...price(ask, after),
      };
  }
}

type Next = readonly [ExposureControls, ExposureSettings];

function compensated({ controls, habitEv, meteredEv100, plan }: FitAsk, thirds: number): Next {
  const ladder = COMPENSATION_LADDER;
  const index = nearestStep(ladder, controls.compensationEv) + thirds;
  const wanted = at(ladder, Math.min(ladder.length - 1, Math.max(0, index))).exact;
  const within = totalCompensation(wanted, habitEv) - habitEv;
  const next = { ...controls, compensationEv: Math.min(5, Math.max(-5, within)) };
  const whole = { ...next, compensationEv: totalCompensation(next.compensationEv, habitEv) };
  return [next, resolveExposure(whole, meteredEv100, plan).settings];
}

/** One setting by hand, the others held where they stand: else the automatic would take back what it is given. */
function moved({ controls, settings, plan }: FitAsk, fader: SettingId, thirds: number, iris: boolean): Next {
  const held = (exact: number): Control => ({ auto: false, exact });
  const still = {
    ...controls,
    shutter: held(settings.shutterS),
    iso: held(settings.iso),
    aperture: iris ? held(settings.apertureN) : controls.aperture,
  };
  const ladder = LADDER_OF[fader];
  const { low, high } = plan.ranges[fader];
  const now = nearestStep(ladder, still[fader].exact);
  // Under its base ISO raw stays as it is: there is nothing to be won or lost.
  const least = fader === 'iso' ? nearestStep(ladder, BASE_ISO) : fader === 'aperture' ? low : 0;
  const most = fader === 'aperture' ? high : ladder.length - 1;
  const index = Math.min(Math.max(now, most), Math.max(Math.min(now, least), now + thirds));
  const next = { ...still, [fader]: held(at(ladder, index).exact) };
  return [next, withControls(settings, next, plan)];
}

function withControls(
  settings: ExposureSettings,
  { shutter, iso, aperture }: ExposureControls,
  plan: AutomaticPlan,
): ExposureSettings {
  return {
    ...settings,
    shutterS: shutter.exact,
    iso: iso.exact,
    apertureN: plan.fixedN ?? aperture.exact,
  };
}

/** Raw brightness of settings, EV: light and gain. */
function lightEv({ shutterS, apertureN, iso }: ExposureSettings): number {
  return Math.log2((shutterS * Math.max(BASE_ISO, iso)) / (apertureN * apertureN));
}

function price({ settings, deviationEv, cleanDb, sensor }: FitAsk, after: ExposureSettings) {
  const brighter = lightEv(after) - lightEv(settings);
  const electrons = (s: ExposureSettings) => Math.log2(s.shutterS / (s.apertureN * s.apertureN));
  const clean = (iso: number) =>
    Math.log2(signalOfSnr(noiseModel(sensor, iso), cleanDb) / gainDnPerE(sensor, iso));
  // Metered fields lie by ISO; under the base the raw ones stay where 100 puts them.
  const raw = (iso: number) => Math.max(BASE_ISO, iso);
  const shadow = deviationEv - 4 + Math.log2(raw(settings.iso) / settings.iso);
  return {
    shadowDb: snrDb(sensor, raw(after.iso), shadow + brighter) - snrDb(sensor, raw(settings.iso), shadow),
    cleanEv: electrons(after) - electrons(settings) - (clean(after.iso) - clean(settings.iso)),
  };
}
