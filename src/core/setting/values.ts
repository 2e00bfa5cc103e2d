// Values of all settings at once, read from the list: what a desk opens with, what differs, what an optic has, schemas.
import * as Type from '@sinclair/typebox';
import type { TObject, TSchema } from '@sinclair/typebox';
import type { Optic } from '../body/body';
import type { ExifFacts, Made, Setting } from '../define/setting';
import { SETTINGS, type SettingKey, type SettingValues } from './settings';

/** A setting with its key, whatever its values are. */
export interface Listed extends Setting<unknown> {
  readonly key: SettingKey;
}

export function listed(): readonly Listed[] {
  return (Object.entries(SETTINGS) as [SettingKey, Setting<unknown>][]).map(([key, setting]) => ({
    ...setting,
    key,
  }));
}

export function definitionOf<K extends SettingKey>(key: K): Setting<SettingValues[K]> {
  return SETTINGS[key] as unknown as Setting<SettingValues[K]>;
}

/** What a new desk opens with. */
export function initialValues(): SettingValues {
  return Object.fromEntries(listed().map(({ key, initial }) => [key, initial])) as unknown as SettingValues;
}

/** Settings that an optic has. */
export function settingsOn(optic: Optic): readonly Listed[] {
  return listed().filter((setting) => setting.on?.(optic) ?? true);
}

/** Of all values those that an optic has, as a record keeps them. */
export function settingsOf(
  values: SettingValues,
  optic: Optic,
): Partial<SettingValues> & Pick<SettingValues, 'meter'> {
  const kept = settingsOn(optic).map(({ key }) => [key, values[key]]);
  return Object.fromEntries(kept) as unknown as SettingValues;
}

/** Schemas by key, each of them optional in an object. */
export function partialSchema(keep: (setting: Listed) => boolean = () => true): TObject {
  const properties: Record<string, TSchema> = {};
  for (const setting of listed()) if (keep(setting)) properties[setting.key] = Type.Optional(setting.schema);
  return Type.Object(properties, { additionalProperties: false });
}

/** Values of settings as an earlier version kept them, brought forward one by one; what is no object, and keys of no setting, as they are. */
export function settingsForward(kept: unknown): unknown {
  if (typeof kept !== 'object' || kept === null || Array.isArray(kept)) return kept;
  const forward = new Map<string, Setting<unknown>['forward']>(listed().map((s) => [s.key, s.forward]));
  return Object.fromEntries(
    Object.entries(kept).map(([key, value]) => [key, forward.get(key)?.(value) ?? value]),
  );
}

/** What Exif says of an exposure: of every setting its facts, comments one after the other. */
export function exifOf(set: Partial<SettingValues>, made: Made): ExifFacts {
  const all = listed().map(({ key, exif }) => exif?.(set[key], made) ?? {});
  const comments = all.flatMap(({ comment }) => (comment === undefined ? [] : [comment]));
  const comment = comments.length > 0 ? { comment: comments.join(' ') } : null;
  return Object.assign({}, ...all, comment) as ExifFacts;
}
