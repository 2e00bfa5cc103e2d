// One setting as the person left it, and the person's rules for the automatic: schemas, and the types that follow from them.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import { SETTING_IDS, type SettingId } from './settings';

/** More than any exact value of a ladder. */
const MOST_EXACT = 8192;
const EXACT = Type.Number({ exclusiveMinimum: 0, maximum: MOST_EXACT });

export const CONTROL = Type.Readonly(
  Type.Object(
    {
      /** True while it follows the meter. */
      auto: Type.Boolean(),
      /** Held at this; while automatic, where the person last had it. */
      exact: EXACT,
    },
    { additionalProperties: false },
  ),
);
export type Control = Readonly<Static<typeof CONTROL>>;

const BOUNDS = Type.Unsafe<readonly [number, number]>(Type.Array(EXACT, { minItems: 2, maxItems: 2 }));

export const RULES = Type.Object(
  {
    /** What moves first as light falls. */
    order: Type.Unsafe<readonly SettingId[]>(
      Type.Array(Type.Unsafe<SettingId>({ enum: SETTING_IDS }), {
        uniqueItems: true,
        minItems: 3,
        maxItems: 3,
      }),
    ),
    /** Clicks that the hand-held limit is moved: + for a steady hand (longer times), − for a shaky one. */
    steadyThirds: Type.Integer({ minimum: -6, maximum: 6 }),
    /** By hand, ISO climbs to here before the time gets longer than the hand holds. */
    isoCeiling: Type.Number({ minimum: 50, maximum: 6500 }),
    /** Darkest and brightest value of each: fastest and slowest time (s), lowest and highest ISO, narrowest and widest f-number. */
    shutter: BOUNDS,
    iso: BOUNDS,
    aperture: BOUNDS,
  },
  { additionalProperties: false },
);
/** What the automatic may do: the person's. Exact values. */
export type AutomaticRules = Readonly<Static<typeof RULES>>;
