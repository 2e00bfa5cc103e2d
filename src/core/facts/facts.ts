// What is said of a frame when it is taken, whoever takes it: one value with one schema, carried whole from the press to the file, to the note in it and
// to the record. A fact that is new stands here, and where it is shown; one that Exif has a tag for, in the directory that writes it.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import { ATTITUDE, type Attitude } from '../body/attitude';
import { POSITION, type Position } from '../body/position';
import type { FramePoint } from '../meter/luminance-map';
import { DRIVE_IDS, type DriveId } from '../sequence/drives';
import { CREDIT, type Credit } from '../setting/credit';
import type { SettingValues } from '../setting/settings';
import { partialSchema } from '../setting/values';
import type { Known } from '../units/known';
import { knownSchema } from '../units/known-schema';

/** From the first days of the year 1 to 31 December 9999, in any time zone: what Exif can write and a date can show. */
export const FIRST_MS = -62135510400000;
export const LAST_MS = 253402214400000;

export const ID = Type.String({ pattern: '^[0-9a-f]{32}$' });
export const ROLL = Type.String({ minLength: 1, maxLength: 64 });
/** ms since 1970 UTC. */
export const TIME_MS = Type.Number({ minimum: FIRST_MS, maximum: LAST_MS });
/** Of local time from UTC. */
export const OFFSET_MINUTES = Type.Integer({ minimum: -900, maximum: 900 });
export const SHARE = Type.Number({ minimum: 0, maximum: 1 });

/** The roll that frames go into while there is only one. */
export const FIRST_ROLL = 'first';

/**
 * Frames of one sequence share its id; this one is number `index` of `of`, which nobody knew of one that was still going on. Its kind is the drive that took
 * it; earlier versions did not keep that.
 */
const GROUP = Type.Object({
  id: ID,
  index: Type.Integer({ minimum: 0, maximum: 9999 }),
  of: Type.Optional(Type.Integer({ minimum: 1, maximum: 10000 })),
  kind: Type.Optional(Type.Unsafe<DriveId>({ enum: DRIVE_IDS })),
});

/** Which frame it is, where it is kept, and when it was taken. */
export const IDENTITY = {
  /** 32 hexadecimal digits. */
  id: ID,
  roll: ROLL,
  group: Type.Optional(GROUP),
  timeMs: TIME_MS,
  offsetMinutes: OFFSET_MINUTES,
};

/** What is kept of a frame for good, where it is known. */
export const SAID = {
  /** How the camera was held. */
  held: Type.Optional(Type.Unsafe<Attitude>(ATTITUDE)),
  /** What its files say of who made it, as the person wanted it. */
  credit: Type.Optional(Type.Unsafe<Credit>(CREDIT)),
  /** Where it was taken, where the person asked for that. */
  position: Type.Optional(Type.Unsafe<Position>(POSITION)),
};

/** A place in shares of the frame that the finder showed, and how wide it was looked at. */
export interface FocusedAt extends FramePoint {
  /** In shares of the sensor's longer side; earlier versions did not keep it. */
  readonly side?: number;
}

/** The schema of facts, key by key. */
export const FACTS = {
  ...IDENTITY,
  /** The settings as the person had them, as far as they are known. */
  set: Type.Unsafe<Partial<SettingValues> & Pick<SettingValues, 'meter'>>({
    ...partialSchema(),
    required: ['meter'],
  }),
  /** What the meter read, EV at ISO 100. */
  meteredEv100: Type.Unsafe<Known<number>>(knownSchema(Type.Number({ minimum: -100, maximum: 100 }))),
  /** Where the automatic focus looked; absent where it was set by hand. */
  focusedAt: Type.Optional(
    Type.Unsafe<FocusedAt>(Type.Object({ x: SHARE, y: SHARE, side: Type.Optional(SHARE) })),
  ),
  ...SAID,
};

const SCHEMA = Type.Object(FACTS);
export type Facts = Readonly<Static<typeof SCHEMA>>;

type Keys = Readonly<Record<string, unknown>>;

/** Of a value with more in it the parts that stand under the keys of a schema; what is absent or undefined stays out. */
export function picked<K extends Keys, T extends Partial<Record<keyof K, unknown>>>(
  schema: K,
  value: T,
): Pick<T, keyof K & keyof T> {
  const of = value as Keys;
  const there = Object.keys(schema).filter((key) => of[key] !== undefined);
  return Object.fromEntries(there.map((key) => [key, of[key]])) as Pick<T, keyof K & keyof T>;
}
