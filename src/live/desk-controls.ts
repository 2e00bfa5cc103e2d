// How the desk's controls give way and are read: pure functions beside the store.
import type { Control } from '../core/exposure/control';
import { ev100RightFor, SETTING_IDS, type ExposureSettings, type SettingId } from '../core/exposure/settings';
import type { SettingValues } from '../core/setting/settings';
import type { SetupValues } from '../core/setup/setup';
import { known } from '../core/units/known';
import { at, FAR_M } from '../core/units/ladders';
import type { Order } from '../camera/order';
import type { Report } from '../camera/report';
import { hasIris } from './camera';
import { marksOf } from './check-settings';
import { LADDERS, settingOf, type Desk, type FaderId, type Lock, type Trade } from './desk-state';
import { exposureOf } from './report';

/** EV100 of a reading that asks for exactly these settings. */
export function meteredBy(settings: ExposureSettings): number {
  return ev100RightFor(settings) + settings.compensationEv;
}

/** What stands on a fader: by hand what was set, automatic what the camera tells. */
export function exactOf(settings: SettingValues, report: Report | null, fader: FaderId): number {
  if (fader === 'compensation') return settings.compensationEv;
  const { auto, exact } = settings[fader];
  return auto ? (toldOf(report, fader) ?? exact) : exact;
}

/** False for an automatic of which the camera has told nothing: what stands on its fader is not to be shown as a value. */
export function isTold(settings: SettingValues, report: Report | null, fader: FaderId): boolean {
  if (fader === 'compensation' || !settings[fader].auto) return true;
  return toldOf(report, fader) !== undefined;
}

function toldOf(report: Report | null, fader: SettingId | 'focus'): number | undefined {
  if (fader === 'focus') {
    const metres = report ? known(report.focusM) : undefined;
    return metres === undefined ? undefined : Math.min(FAR_M, metres);
  }
  const told = exposureOf(report)?.settings;
  if (!told) return undefined;
  return fader === 'shutter' ? told.shutterS : fader === 'iso' ? told.iso : told.apertureN;
}

/** Does a fader move by itself? Compensation counts as automatic at zero. */
export function isAuto(settings: SettingValues, fader: FaderId): boolean {
  return fader === 'compensation' ? settings.compensationEv === 0 : settings[fader].auto;
}

/** Settings of exposure held where they stand. */
export function heldBy(
  { settings, optic }: Pick<Desk, 'settings' | 'optic'>,
  report: Report | null,
): Pick<SettingValues, SettingId> {
  const held = (id: SettingId): Control => ({ auto: false, exact: exactOf(settings, report, id) });
  return {
    shutter: held('shutter'),
    iso: held('iso'),
    aperture: hasIris(optic) ? held('aperture') : settings.aperture,
  };
}

export function givingWay(
  controls: Pick<SettingValues, SettingId>,
  gives: SettingId,
): Pick<SettingValues, SettingId> {
  return Object.fromEntries(
    SETTING_IDS.map((id) => [
      id,
      { ...controls[id], auto: id === gives || (id === 'aperture' && controls[id].auto) },
    ]),
  ) as unknown as Pick<SettingValues, SettingId>;
}

/** A lock that the person set stays; one that only served trading goes with it. */
export function unlessTrading(lock: Lock | null, trade: Trade | null): Lock | null {
  return trade ? null : lock;
}

/** What a setup would hold of the desk. */
export function setupValuesOf({ settings, lock }: Pick<Desk, 'settings' | 'lock'>): SetupValues {
  return { ...settings, lock: lock !== null };
}

export function withStep(settings: SettingValues, fader: FaderId, index: number): SettingValues {
  const { exact } = at(LADDERS[fader], index);
  return { ...settings, [settingOf(fader)]: fader === 'compensation' ? exact : { auto: false, exact } };
}

export function clamp(share: number): number {
  return Math.min(1, Math.max(0, share));
}

/** The desk as an order to the camera. */
export function orderOf(
  desk: Desk,
  { running, retries }: Pick<Order, 'running' | 'retries'>,
): Omit<Order, 'seq'> {
  const { settings, optic, spot, pins, lock, trade, orientation, hand, receptor } = desk;
  const { wants, check, other, holding, cleared, scope } = desk;
  return {
    ...{ settings, optic, pins, orientation, running, retries },
    at: spot,
    freely: trade !== null,
    lockedEv100: lock?.ev100 ?? null,
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
