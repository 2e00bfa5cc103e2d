// Trading: the same brightness by other settings, and what each costs. A third here is a third there, so every row of the
// table gives the same light (N²/t·100/S is one number).
import { LADDER_OF, type AutomaticPlan } from '../exposure/automatic';
import { type ExposureSettings, SETTING_IDS, type SettingId } from '../exposure/settings';
import { at, nearestStep } from '../units/ladders';
import type { Effects } from './effects';

export interface Equivalent {
  readonly settings: ExposureSettings;
  /** Clicks that the moved setting lies from the present one. */
  readonly clicks: number;
  readonly effects: Effects;
}

/** Rows in which one setting moves by whole stops and another gives way. */
export interface EquivalentGroup {
  readonly moves: SettingId;
  readonly gives: SettingId;
  /** From the darkest value of what moves to its brightest; the present one is among them. */
  readonly rows: readonly Equivalent[];
}

/** Settings that a lens lets be traded. */
export function tradable({ fixedN }: Pick<AutomaticPlan, 'fixedN'>): readonly SettingId[] {
  return SETTING_IDS.filter((id) => id !== 'aperture' || fixedN === null);
}

/**
 * Moves one setting by clicks and lets another give way by as many.
 * @returns the settings, and the clicks that the giving one lacks at its end (signed as it should have moved)
 */
export function tradeClicks(
  settings: ExposureSettings,
  moves: SettingId,
  gives: SettingId,
  clicks: number,
  plan: AutomaticPlan,
): { settings: ExposureSettings; missing: number } {
  const from = nearestStep(LADDER_OF[moves], valueOf(settings, moves));
  const to = within(plan, moves, from + clicks);
  const moved = to - from;
  const wanted = nearestStep(LADDER_OF[gives], valueOf(settings, gives)) - moved;
  const given = within(plan, gives, wanted);
  return {
    settings: withIndex(withIndex(settings, moves, to), gives, given),
    missing: wanted - given,
  };
}

function within({ ranges }: AutomaticPlan, id: SettingId, index: number): number {
  return Math.min(ranges[id].high, Math.max(ranges[id].low, index));
}

export function equivalentsOf(
  present: ExposureSettings,
  gives: SettingId,
  plan: AutomaticPlan,
  effects: (settings: ExposureSettings) => Effects,
): readonly EquivalentGroup[] {
  return tradable(plan)
    .filter((id) => id !== gives)
    .map((moves) => {
      const here = nearestStep(LADDER_OF[moves], valueOf(present, moves));
      const rows: Equivalent[] = [];
      const { low, high } = plan.ranges[moves];
      for (let clicks = -3 * Math.floor((here - low) / 3); here + clicks <= high; clicks += 3) {
        const { settings, missing } = tradeClicks(present, moves, gives, clicks, plan);
        if (missing === 0) rows.push({ settings, clicks, effects: effects(settings) });
      }
      return { moves, gives, rows };
    });
}

export function valueOf({ shutterS, iso, apertureN }: ExposureSettings, id: SettingId): number {
  return id === 'shutter' ? shutterS : id === 'iso' ? iso : apertureN;
}

function withIndex(settings: ExposureSettings, id: SettingId, index: number): ExposureSettings {
  const key = id === 'shutter' ? 'shutterS' : id === 'iso' ? 'iso' : 'apertureN';
  return { ...settings, [key]: at(LADDER_OF[id], index).exact };
}
