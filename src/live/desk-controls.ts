// How the desk's controls give way and are read: pure functions beside the store.
import type { Control } from '../core/exposure/control';
import { ev100RightFor, SETTING_IDS, type ExposureSettings, type SettingId } from '../core/exposure/settings';
import type { SettingValues } from '../core/setting/settings';
import type { SetupValues } from '../core/setup/setup';
import { whiteByHand, type WhiteSet } from '../core/setting/white';
import { at, FAR_M } from '../core/units/ladders';
import { known } from '../core/units/known';
import type { MarksOrder, Order } from '../camera/order';
import type { Report } from '../camera/report';
import { bodyWith, hasIris, opticWith } from './camera';
import { marksOf } from './check-settings';
import { LADDERS, settingOf, type Desk, type FaderId, type Lock, type Trade } from './desk-state';

/** EV100 of a reading that asks for exactly these settings. */
export function meteredBy(settings: ExposureSettings): number {
  return ev100RightFor(settings) + settings.compensationEv;
}

/** What stands on a fader: by hand what was set, automatic what the camera tells. */
export function exactOf(settings: SettingValues, report: Report | null, fader: FaderId): number {
  if (fader === 'compensation') return settings.compensationEv;
  if (fader === 'zoom') return settings.zoom;
  const { auto, exact } = settings[fader];
  return auto ? (toldOf(report, fader) ?? exact) : exact;
}

/** False for an automatic of which the camera has told nothing: what stands on its fader is not to be shown as a value. */
export function isTold(settings: SettingValues, report: Report | null, fader: FaderId): boolean {
  if (fader === 'compensation' || fader === 'zoom' || !settings[fader].auto) return true;
  return toldOf(report, fader) !== undefined;
}

/** Where the camera says that a fader's setting stands. */
export function toldOf(report: Report | null, fader: FaderId): number | undefined {
  const told = report?.standing[settingOf(fader)];
  return fader === 'focus' && told !== undefined ? Math.min(FAR_M, told) : told;
}

/** White held where it stands: by hand what was set, automatic what the camera found. */
export function standingWhite({ white }: Pick<SettingValues, 'white'>, report: Report | null): WhiteSet {
  const told = report && known(report.white);
  return white.auto && told
    ? whiteByHand({ kelvin: told.kelvin, tint: told.tint ?? 0 })
    : { ...white, auto: false };
}

/** Does a fader move by itself? Compensation counts as automatic at zero, a zoom at its widest. */
export function isAuto(settings: SettingValues, fader: FaderId): boolean {
  if (fader === 'compensation') return settings.compensationEv === 0;
  return fader === 'zoom' ? settings.zoom === 1 : settings[fader].auto;
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

export function withStep(
  settings: SettingValues,
  fader: FaderId,
  index: number,
  report: Report | null,
): SettingValues {
  const { exact } = at(LADDERS[fader], index);
  const plain = fader === 'compensation' || fader === 'zoom';
  // The tint stays where it is, the automatic's too.
  if (fader === 'white') return { ...settings, white: { ...standingWhite(settings, report), exact } };
  if (fader === 'focus') return { ...settings, focus: { ...settings.focus, auto: false, exact } };
  return { ...settings, [settingOf(fader)]: plain ? exact : { auto: false, exact } };
}

export function clamp(share: number): number {
  return Math.min(1, Math.max(0, share));
}

/** What is drawn of focus: by depth where the optic sees any. */
function focusMarksOf(desk: Desk): Pick<MarksOrder, 'inFocus' | 'depth' | 'peaking'> {
  const { optic, inFocus, depth, peaking } = desk;
  const sees = opticWith(optic).seesDepth === true;
  const { on, strength, colour } = peaking;
  return { inFocus: inFocus && sees, depth: depth && sees, peaking: on ? { strength, colour } : null };
}

/** The desk as an order to the camera. */
export function orderOf(
  desk: Desk,
  { running, retries }: Pick<Order, 'running' | 'retries'>,
): Omit<Order, 'seq'> {
  const { settings, optic, spot, pins, lock, trade, orientation, hand, receptor, calibrations } = desk;
  const { wants, check, other, holding, cleared, scope, ring } = desk;
  return {
    ...{ settings, optic, pins, orientation, running, retries },
    at: spot,
    // The spot is a place that the person gave once the meter reads it.
    focusAt: desk.focusAt ?? (settings.meter.pattern === 'spot' ? spot : null),
    focusAgain: desk.focusAgain,
    freely: trade !== null,
    lockedEv100: lock?.ev100 ?? null,
    hand: hand && { at: hand, receptor },
    ring,
    equivalentsFor: wants.equivalents,
    weights: wants.weights,
    calibration: calibrations[optic] ?? null,
    marks: marksOf(check, focusMarksOf(desk), cleared, bodyWith(optic).evidence),
    outlook: { tolerance: { share: check.share, area: check.sparkle }, cleanDb: check.cleanDb },
    fitBy: check.fitBy,
    habitEv: check.habitEv,
    pictureHistogram: scope === 'picture' || wants.picture || !['off', 'raw'].includes(check.histogram),
    disagreement: wants.disagreement,
    other: holding ? other : null,
  };
}
