// How the desk's controls follow the camera, give way, and are read: pure functions beside the store.
import { SETTING_IDS, type Control, type ExposureControls, type SettingId } from '../core/exposure/automatic';
import type { ExposureSettings } from '../core/exposure/settings';
import { ev100OfSettings } from '../core/light/apex';
import { OPTICS } from '../core/sensor/cameras';
import type { LensId } from '../core/sensor/simulated-camera';
import type { SetupValues } from '../core/setup/setup';
import { at, FAR_M } from '../core/units/ladders';
import type { FinderOrder, FinderReport } from '../workers/finder-protocol';
import { marksOf } from './check-settings';
import { LADDERS, type Desk, type FaderId, type Lock, type Trade } from './desk-state';

/** A setting taken over by hand starts from where the automatic stood, so the store follows the automatic's values. */
export function followed(controls: ExposureControls, { settings, lens }: FinderReport): ExposureControls {
  const follow = (control: Control, exact: number) =>
    control.auto && control.exact !== exact ? { auto: true, exact } : control;
  const { shutter, iso, aperture } = controls;
  const next = {
    ...controls,
    shutter: follow(shutter, settings.shutterS),
    iso: follow(iso, settings.iso),
    // A lens without an iris has no say in where the aperture stands for one that has.
    aperture: hasIris(lens) ? follow(aperture, settings.apertureN) : aperture,
  };
  return SETTING_IDS.every((id) => next[id] === controls[id]) ? controls : next;
}

/** True for a lens whose aperture can be set. */
export function hasIris(lens: LensId): boolean {
  return OPTICS[lens].lens.narrowestN !== undefined;
}

/** EV100 of a reading that asks for exactly these settings. */
export function meteredBy(settings: ExposureSettings): number {
  const { apertureN, shutterS, iso, compensationEv, filterStops = 0 } = settings;
  return ev100OfSettings(apertureN, shutterS, iso) + compensationEv + filterStops;
}

/** All settings held where they stand. */
export function heldBy({ controls, lens }: Pick<Desk, 'controls' | 'lens'>): ExposureControls {
  const held = ({ exact }: Control): Control => ({ auto: false, exact });
  return {
    ...controls,
    shutter: held(controls.shutter),
    iso: held(controls.iso),
    aperture: hasIris(lens) ? held(controls.aperture) : controls.aperture,
  };
}

export function givingWay(controls: ExposureControls, gives: SettingId): ExposureControls {
  const next = Object.fromEntries(
    SETTING_IDS.map((id) => [
      id,
      { ...controls[id], auto: id === gives || (id === 'aperture' && controls[id].auto) },
    ]),
  ) as unknown as Record<SettingId, Control>;
  return { ...controls, ...next };
}

/** A lock that the person set stays; one that only served trading goes with it. */
export function unlessTrading(lock: Lock | null, trade: Trade | null): Lock | null {
  return trade ? null : lock;
}

/** What a setup would hold of the desk. */
export function setupValuesOf(desk: Desk): SetupValues {
  const { controls, focus, pattern, spotShare, burnShare, rules, filterStops, delayS, lock } = desk;
  const { compensationEv, shutter, iso, aperture } = controls;
  return {
    ...{ shutter, iso, aperture, compensationEv, focus, rules, filterStops, delayS },
    meter: { pattern, spotShare, burnShare },
    lock: lock !== null,
  };
}

export function followedFocus(focus: Control, { focusM }: FinderReport): Control {
  const exact = Math.min(FAR_M, focusM);
  return !focus.auto || focus.exact === exact ? focus : { auto: true, exact };
}

type ExposureFader = Exclude<FaderId, 'focus'>;

/** What stands on a fader. */
export function exactOf({ controls, focus }: Pick<Desk, 'controls' | 'focus'>, fader: FaderId): number {
  if (fader === 'focus') return focus.exact;
  return fader === 'compensation' ? controls.compensationEv : controls[fader].exact;
}

/** Does a fader move by itself? Compensation counts as automatic at zero. */
export function isAuto({ controls, focus }: Pick<Desk, 'controls' | 'focus'>, fader: FaderId): boolean {
  if (fader === 'focus') return focus.auto;
  return fader === 'compensation' ? controls.compensationEv === 0 : controls[fader].auto;
}

export function withStep(controls: ExposureControls, fader: ExposureFader, index: number): ExposureControls {
  const { exact } = at(LADDERS[fader], index);
  return fader === 'compensation'
    ? { ...controls, compensationEv: exact }
    : { ...controls, [fader]: { auto: false, exact } };
}

export function clamp(share: number): number {
  return Math.min(1, Math.max(0, share));
}

export function orderOf(desk: Desk, running: boolean): FinderOrder {
  const { controls, focus, lens, scene, outside, pattern, spot, spotShare, burnShare } = desk;
  const {
    pins,
    lock,
    trade,
    rules,
    filterStops,
    delayS,
    orientation,
    hand,
    receptor,
    wants,
    check,
    other,
    holding,
    cleared,
    scope,
  } = desk;
  return {
    ...{
      controls,
      pattern,
      pins,
      filterStops,
      delayS,
      orientation,
      lens,
      scene,
      outside,
      running,
      retries: desk.retries,
    },
    rules: trade ? 'full' : rules,
    aim: { at: spot, spotShare, burnShare },
    lockedEv100: lock?.ev100 ?? null,
    focusM: focus.auto ? null : focus.exact,
    hand: hand && { at: hand, receptor },
    equivalentsFor: wants.equivalents,
    weights: wants.weights,
    marks: marksOf(check, cleared),
    outlook: { tolerance: { share: check.share, area: check.sparkle }, cleanDb: check.cleanDb },
    fitBy: check.fitBy,
    habitEv: check.habitEv,
    pictureHistogram:
      scope === 'picture' || orientation === 'landscape' || !['off', 'raw'].includes(check.histogram),
    disagreement: wants.disagreement,
    other: holding ? other : null,
  };
}
