// From a reading to settings: what is manual stays, what is automatic follows the meter in thirds of a stop.
// Any mix of the two replaces a mode dial. N²/t = L·S/K (ISO 2720) is solved in ladder steps.
import { ev100OfSettings } from '../light/apex';
import { at, ISO_LADDER, nearestStep, SHUTTER_LADDER } from '../units/ladders';
import { BASE_ISO, type ExposureSettings } from './settings';

/** One setting as the person left it: automatic, or held at an exact value. */
export interface Control {
  readonly auto: boolean;
  readonly exact: number;
}

export interface ExposureControls {
  readonly shutter: Control;
  readonly iso: Control;
  readonly compensationEv: number;
}

export interface AutomaticLimits {
  readonly apertureN: number;
  /** Longest time that is held by hand, s: with both automatic, ISO rises before the time gets longer than this. */
  readonly handHeldS: number;
}

export interface Resolved {
  readonly settings: ExposureSettings;
  /** EV that the settings lie over (+) or under (−) the target, compensation included in the target. */
  readonly deviationEv: number;
  /** Set when something is automatic and came to the end of its range: how far the result is off, EV. */
  readonly outOfRangeEv: number | null;
}

/** With both automatic, ISO climbs to here while the time stays at the hand-held limit; then the time gets longer. */
const PROGRAMME_ISO_FIRST = 1600;
const PROGRAMME_LONGEST_S = 1 / 4;
/** A settled automatic moves only when the nearest third is wrong by more than half a third and this margin, EV. */
const HYSTERESIS_EV = 0.06;

/**
 * Settings for a reading.
 * @param meteredEv100 EV100 of the reading; ±Infinity is held inside the ladders
 * @param previous settings of the frame before, so that a reading on the edge of two thirds does not hunt
 */
export function resolveExposure(
  controls: ExposureControls,
  meteredEv100: number,
  limits: AutomaticLimits,
  previous?: ExposureSettings,
): Resolved {
  const { apertureN } = limits;
  const metered = Number.isNaN(meteredEv100) ? 0 : Math.min(40, Math.max(-40, meteredEv100));
  const targetEv100 = metered - controls.compensationEv;
  const deviationOf = (shutterS: number, iso: number) =>
    targetEv100 - ev100OfSettings(apertureN, shutterS, iso);
  const settle = (shutterS: number, iso: number): Resolved => {
    const deviationEv = deviationOf(shutterS, iso);
    const anyAuto = controls.shutter.auto || controls.iso.auto;
    return {
      settings: { shutterS, iso, apertureN, compensationEv: controls.compensationEv },
      deviationEv,
      outOfRangeEv: anyAuto && Math.abs(deviationEv) > 1 / 6 + HYSTERESIS_EV + 1e-6 ? deviationEv : null,
    };
  };
  if (previous && keeps(controls, previous, deviationOf)) return settle(previous.shutterS, previous.iso);
  // Light that is wanted: log2(t · S/100), so that t = 2^light at ISO 100.
  const light = 2 * Math.log2(apertureN) - targetEv100;
  if (controls.shutter.auto && controls.iso.auto) return settle(...programme(light, limits.handHeldS));
  if (controls.shutter.auto) {
    const { exact: iso } = controls.iso;
    return settle(nearestShutter(light - Math.log2(iso / 100)), iso);
  }
  if (controls.iso.auto) {
    const { exact: shutterS } = controls.shutter;
    return settle(shutterS, nearestIso(light - Math.log2(shutterS)));
  }
  return settle(controls.shutter.exact, controls.iso.exact);
}

function keeps(
  controls: ExposureControls,
  previous: ExposureSettings,
  deviationOf: (shutterS: number, iso: number) => number,
): boolean {
  const { shutter, iso } = controls;
  if (!shutter.auto && !iso.auto) return false;
  if (previous.compensationEv !== controls.compensationEv) return false;
  if (!shutter.auto && shutter.exact !== previous.shutterS) return false;
  if (!iso.auto && iso.exact !== previous.iso) return false;
  if (shutter.auto && iso.auto) return false;
  return Math.abs(deviationOf(previous.shutterS, previous.iso)) <= 1 / 6 + HYSTERESIS_EV;
}

/** Both automatic: base ISO up to the hand-held limit, then ISO, then longer times, then the rest of ISO. */
function programme(light: number, handHeldS: number): [number, number] {
  const limit = at(SHUTTER_LADDER, nearestStep(SHUTTER_LADDER, handHeldS)).exact;
  if (light <= Math.log2(limit)) return [nearestShutter(light), BASE_ISO];
  if (light <= stops(limit, PROGRAMME_ISO_FIRST)) return [limit, nearestIso(light - Math.log2(limit))];
  if (light <= stops(PROGRAMME_LONGEST_S, PROGRAMME_ISO_FIRST)) {
    return [nearestShutter(light - Math.log2(PROGRAMME_ISO_FIRST / 100)), PROGRAMME_ISO_FIRST];
  }
  const iso = nearestIso(light - Math.log2(PROGRAMME_LONGEST_S));
  return [nearestShutter(light - Math.log2(iso / 100)), iso];
}

function stops(shutterS: number, iso: number): number {
  return Math.log2(shutterS * (iso / 100));
}

function nearestShutter(log2S: number): number {
  return at(SHUTTER_LADDER, nearestStep(SHUTTER_LADDER, 2 ** log2S)).exact;
}

/** Automatic ISO stays on native values: extended low ISO buys no light. */
function nearestIso(stopsAbove100: number): number {
  return Math.max(BASE_ISO, at(ISO_LADDER, nearestStep(ISO_LADDER, 100 * 2 ** stopsAbove100)).exact);
}

/** Which setting a change of exposure goes through, for the person's words and for the stopline. */
export function carrierOf(controls: ExposureControls): 'compensation' | 'shutter' {
  return controls.shutter.auto || controls.iso.auto ? 'compensation' : 'shutter';
}
