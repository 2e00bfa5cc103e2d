// Which parts of the desk return after a reload, under which names; and what an earlier version kept in one piece.
import type { SettingKey } from '../core/setting/settings';
import { listed } from '../core/setting/values';

/** Parts beside the settings, by the store that they are of. */
export const DESK_PARTS = [
  'optic',
  'spot',
  'focusAt',
  'focusLoupe',
  'inFocus',
  'peaking',
  'grid',
  'level',
  'lengths',
  'pins',
  'lock',
  'trade',
  'receptor',
  'calibrations',
  'whites',
  'remediesOff',
  'check',
  'other',
  'theme',
  'thumb',
  'manners',
  'roll',
  'credit',
  'placed',
  'guided',
  'scope',
] as const;
export const WORLD_PARTS = ['scene', 'outside', 'attitude'] as const;
export type DeskPart = (typeof DESK_PARTS)[number] | (typeof WORLD_PARTS)[number];

/** The name under which a setting is kept. */
export function settingPart(key: SettingKey): string {
  return `set_${key}`;
}

/** The parts of a desk that the first version kept in one piece; what it did not have is left out. */
export function partsOfFirst(first: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const { controls, lens, pattern, spotShare, burnShare, ...rest } = first;
  const meter = pattern === undefined ? undefined : { pattern, spotShare, burnShare };
  const values: Readonly<Record<string, unknown>> = { ...rest, ...(controls ?? {}), meter };
  const settings = listed().map(({ key }) => [settingPart(key), values[key]]);
  return { ...rest, optic: lens, ...Object.fromEntries(settings) } as Record<string, unknown>;
}
