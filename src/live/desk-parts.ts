// Which parts of the desk return after a reload, under which names; and what an earlier version kept in one piece.
import type { SettingKey } from '../core/setting/settings';

/** Parts beside the settings, by the store that they are of. */
export const DESK_PARTS = [
  'optic',
  'spot',
  'pins',
  'lock',
  'trade',
  'receptor',
  'remediesOff',
  'check',
  'other',
  'theme',
  'scope',
] as const;
export const WORLD_PARTS = ['scene', 'outside'] as const;
export type DeskPart = (typeof DESK_PARTS)[number] | (typeof WORLD_PARTS)[number];

/** The name under which a setting is kept. */
export function settingPart(key: SettingKey): string {
  return `set_${key}`;
}

/** The parts of a desk that the first version kept in one piece; what it did not have is left out. */
export function partsOfFirst(first: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const { controls, lens, pattern, spotShare, burnShare, ...rest } = first;
  const { shutter, iso, aperture, compensationEv } = (controls ?? {}) as Record<string, unknown>;
  const { focus, rules, filterStops, delayS, ...others } = rest;
  const meter = pattern === undefined ? undefined : { pattern, spotShare, burnShare };
  const settings = {
    ...{ shutter, iso, aperture, compensationEv, focus, meter, rules, filterStops, delayS },
  };
  const kept = Object.entries(settings).map(([key, value]) => [settingPart(key as SettingKey), value]);
  return { ...others, optic: lens, ...Object.fromEntries(kept) } as Record<string, unknown>;
}
