// From a reading to settings: what is manual stays, what is automatic follows the meter in thirds of a stop. Any mix of the
// two replaces a mode dial. N²/t = L·S/K (ISO 2720) is solved in ladder steps.
//
// With several automatic, they share the light by the person's rules. All begin at their darkest bound; as light falls, each in
// turn goes to where it is still harmless (the steady time, the open iris, the ISO ceiling), and when all are there, each in
// turn goes on to its last bound. So a step of light has one answer, and going back takes the same way.
import { ev100OfSettings } from '../light/apex';
import { APERTURE_LADDER, at, ISO_LADDER, nearestStep, SHUTTER_LADDER, type Ladder } from '../units/ladders';
import type { AutomaticRules, Control } from './control';
import { SETTING_IDS, type ExposureSettings, type SettingId } from './settings';

export interface ExposureControls extends Readonly<Record<SettingId, Control>> {
  readonly compensationEv: number;
  /** Of the filter in front of the lens: light that the reading knows nothing of. */
  readonly filterStops?: number;
}

/** The person's compensation of this frame and their habit, together; no more than a camera has. EV. */
export function totalCompensation(compensationEv: number, habitEv: number): number {
  return Math.min(5, Math.max(-5, compensationEv + habitEv));
}

export const DEFAULT_RULES: AutomaticRules = {
  order: ['shutter', 'aperture', 'iso'],
  steadyThirds: 0,
  isoCeiling: 1600,
  shutter: [SHUTTER_LADDER[0]!.exact, SHUTTER_LADDER[SHUTTER_LADDER.length - 1]!.exact],
  // Extended low ISO buys no light: the automatic begins at the sensor's base.
  iso: [100, ISO_LADDER[ISO_LADDER.length - 1]!.exact],
  // Smaller than f/5.6 diffraction costs more sharpness than depth wins; by hand it goes further.
  aperture: [2 ** 2.5, APERTURE_LADDER[APERTURE_LADDER.length - 1]!.exact],
};

export const LADDER_OF: Readonly<Record<SettingId, Ladder>> = {
  shutter: SHUTTER_LADDER,
  iso: ISO_LADDER,
  aperture: APERTURE_LADDER,
};

/** Indices into a setting's ladder: darkest bound, harmless so far, brightest bound. */
export interface Range {
  readonly low: number;
  readonly soft: number;
  readonly high: number;
}

/** Rules for one lens in one hand. */
export interface AutomaticPlan {
  readonly order: readonly SettingId[];
  readonly ranges: Readonly<Record<SettingId, Range>>;
  /** Set for a lens without an iris: its f-number, whatever the aperture control says. */
  readonly fixedN: number | null;
}

export interface LensReach {
  readonly apertureN: number;
  /** Absent for a lens without an iris. */
  readonly narrowestN?: number;
}

/**
 * @param steadyS longest time that is held by hand, s; null on a tripod, where time costs nothing and ISO stays at its base
 */
export function automaticPlan(rules: AutomaticRules, lens: LensReach, steadyS: number | null): AutomaticPlan {
  const iris = lens.narrowestN !== undefined;
  const shutter = rangeOf('shutter', rules.shutter);
  const iso = rangeOf('iso', rules.iso);
  const widest = nearestStep(APERTURE_LADDER, lens.apertureN);
  const narrowest = iris ? nearestStep(APERTURE_LADDER, lens.narrowestN) : widest;
  const wanted = rangeOf('aperture', rules.aperture);
  const low = Math.min(widest, Math.max(narrowest, wanted.low));
  const high = Math.max(low, Math.min(widest, wanted.high));
  const steady =
    steadyS === null ? shutter.high : nearestStep(SHUTTER_LADDER, steadyS) + Math.round(rules.steadyThirds);
  const ceiling = steadyS === null ? iso.low : nearestStep(ISO_LADDER, rules.isoCeiling);
  return {
    order: rules.order,
    ranges: {
      shutter: { ...shutter, soft: held(steady, shutter) },
      iso: { ...iso, soft: held(ceiling, iso) },
      aperture: { low, soft: high, high },
    },
    fixedN: iris ? null : lens.apertureN,
  };
}

/** All that lens and sensor can do, with no soft limits: for trading and for settings made by hand. */
export function fullPlan(lens: LensReach): AutomaticPlan {
  const all = (ladder: Ladder) => [ladder[0]!.exact, ladder[ladder.length - 1]!.exact] as const;
  const rules = { ...DEFAULT_RULES, iso: all(ISO_LADDER), aperture: all(APERTURE_LADDER) };
  return automaticPlan(rules, lens, null);
}

function rangeOf(id: SettingId, [dark, bright]: readonly [number, number]) {
  const low = nearestStep(LADDER_OF[id], dark);
  return { low, high: Math.max(low, nearestStep(LADDER_OF[id], bright)) };
}

function held(index: number, { low, high }: { low: number; high: number }): number {
  return Math.min(high, Math.max(low, index));
}

export interface Resolved {
  readonly settings: ExposureSettings;
  /** EV that the settings lie over (+) or under (−) the target, compensation included in the target. */
  readonly deviationEv: number;
  /** Set when something is automatic and came to the end of its range: how far the result is off, EV. */
  readonly outOfRangeEv: number | null;
}

/** A settled automatic moves only when the nearest third is wrong by more than half a third and this margin, EV. */
const HYSTERESIS_EV = 0.06;
/** The nearest third, and the margin: within this the settings are on the meter. */
export const ON_METER_EV = 1 / 6 + HYSTERESIS_EV + 1e-6;

type Values = Record<SettingId, number>;

/**
 * Settings for a reading.
 * @param meteredEv100 EV100 of the reading; ±Infinity is held inside the ladders, NaN counts as 0
 * @param previous settings of the frame before, so that a reading on the edge of two thirds does not hunt
 */
export function resolveExposure(
  controls: ExposureControls,
  meteredEv100: number,
  plan: AutomaticPlan,
  previous?: ExposureSettings,
): Resolved {
  const { filterStops = 0 } = controls;
  const metered = Number.isNaN(meteredEv100) ? 0 : Math.min(40, Math.max(-40, meteredEv100));
  const target = metered - controls.compensationEv - filterStops;
  const deviationOf = (v: Values) => target - ev100OfSettings(v.aperture, v.shutter, v.iso);
  const moving = plan.order.filter((id) => isMoving(id, controls, plan));
  const values: Values = {
    shutter: controls.shutter.exact,
    iso: controls.iso.exact,
    aperture: plan.fixedN ?? controls.aperture.exact,
  };
  const settle = (v: Values): Resolved => {
    const deviationEv = deviationOf(v);
    return {
      settings: {
        shutterS: v.shutter,
        iso: v.iso,
        apertureN: v.aperture,
        compensationEv: controls.compensationEv,
        ...(filterStops > 0 ? { filterStops } : null),
      },
      deviationEv,
      outOfRangeEv: moving.length > 0 && Math.abs(deviationEv) > ON_METER_EV ? deviationEv : null,
    };
  };
  if (moving.length === 0) return settle(values);
  const kept = previous && keptValues(values, moving, plan, previous);
  if (kept && previous.compensationEv === controls.compensationEv) {
    if (Math.abs(deviationOf(kept)) <= ON_METER_EV) return settle(kept);
  }
  const darkest = along(plan, moving, 0, values);
  return settle(along(plan, moving, Math.round(-3 * deviationOf(darkest)), values));
}

/** True for a setting that follows the meter. */
function isMoving(id: SettingId, controls: ExposureControls, plan: AutomaticPlan): boolean {
  return controls[id].auto && (id !== 'aperture' || plan.fixedN === null);
}

/** Values of the settings that move, `clicks` above their darkest bounds; the ends catch all beyond. */
function along(plan: AutomaticPlan, moving: readonly SettingId[], clicks: number, still: Values): Values {
  const values = { ...still };
  let left = Math.max(0, clicks);
  const go = (id: SettingId, from: number, to: number) => {
    const steps = Math.min(left, to - from);
    left -= steps;
    return from + steps;
  };
  const index = Object.fromEntries(
    moving.map((id) => [id, go(id, plan.ranges[id].low, plan.ranges[id].soft)]),
  );
  for (const id of moving) {
    const { soft, high } = plan.ranges[id];
    values[id] = at(LADDER_OF[id], index[id] === soft ? go(id, soft, high) : index[id]!).exact;
  }
  return values;
}

/** The values of the frame before, if they lie on the way that the plan takes now. */
function keptValues(
  still: Values,
  moving: readonly SettingId[],
  plan: AutomaticPlan,
  previous: ExposureSettings,
): Values | undefined {
  const before: Values = {
    shutter: previous.shutterS,
    iso: previous.iso,
    aperture: previous.apertureN,
  };
  for (const id of SETTING_IDS) if (!moving.includes(id) && before[id] !== still[id]) return undefined;
  const clicks = moving.reduce(
    (sum, id) => sum + nearestStep(LADDER_OF[id], before[id]) - plan.ranges[id].low,
    0,
  );
  const on = along(plan, moving, clicks, still);
  return moving.every((id) => on[id] === before[id]) ? on : undefined;
}

/** True when nothing moves by itself. @param hasIris false for a lens whose aperture cannot be set */
export function isAllManual(controls: ExposureControls, hasIris: boolean): boolean {
  return !controls.shutter.auto && !controls.iso.auto && !(hasIris && controls.aperture.auto);
}

/** Which setting a change of exposure goes through, for the person's words and for the stopline. */
export function carrierOf(controls: ExposureControls, hasIris: boolean): 'compensation' | 'shutter' {
  return isAllManual(controls, hasIris) ? 'shutter' : 'compensation';
}
