// JSON schemas of what the desk keeps, part by part. The checks made of them are in desk-check.generated.js: `npx tsx tools/checks.ts`.
import * as Type from '@sinclair/typebox';
import type { TSchema } from '@sinclair/typebox';
import { ATTITUDE } from '../core/body/attitude';
import { REMEDY_KINDS } from '../core/advice/situation';
import { PEAKING_COLOURS } from '../core/finder/drawing';
import { ROLL } from '../core/facts/facts';
import { PEAKING_STRENGTHS } from '../core/focus/peaking';
import { SETTING_IDS } from '../core/exposure/settings';
import { CALIBRATION_WAYS } from '../core/meter/calibration';
import { RECEPTORS } from '../core/meter/incident';
import { PIN_LETTERS } from '../core/meter/pins';
import { SUPPORTS } from '../core/scene/outside';
import { WHEEL_SPEEDS } from '../core/scene/scene';
import { COPYRIGHT, PERSON } from '../core/setting/credit';
import { listed } from '../core/setting/values';
import { MOST_TINT, WHITE_SPAN } from '../core/setting/white';
import { THEME_IDS } from '../ui/theme';
import { LENGTH_UNITS } from '../core/units/lengths';
import { CHECK_SCHEMA } from './check-settings';
import { settingPart, type DeskPart } from './desk-parts';
import { GRIDS } from './desk-state';
import { MOST_NAME, MOST_WHITES } from './kept-white';

const SHARE = Type.Number({ minimum: 0, maximum: 1 });
const POINT = { x: SHARE, y: SHARE };
const oneOf = (values: readonly unknown[]) => Type.Unsafe({ enum: values });
const nullable = (schema: TSchema) => Type.Union([Type.Null(), schema]);

const PARTS: Readonly<Record<DeskPart, TSchema>> = {
  optic: Type.String({ minLength: 1, maxLength: 200 }),
  spot: Type.Object(POINT),
  focusAt: nullable(Type.Object(POINT)),
  focusLoupe: Type.Boolean(),
  inFocus: Type.Boolean(),
  peaking: Type.Object({
    on: Type.Boolean(),
    strength: oneOf(PEAKING_STRENGTHS),
    colour: oneOf(Object.keys(PEAKING_COLOURS)),
  }),
  grid: oneOf(GRIDS),
  level: Type.Boolean(),
  lengths: oneOf(LENGTH_UNITS),
  pins: Type.Array(Type.Object({ ...POINT, letter: oneOf(PIN_LETTERS) }), { maxItems: PIN_LETTERS.length }),
  lock: nullable(
    Type.Object({
      ev100: Type.Number({ minimum: -40, maximum: 60 }),
      by: Type.String({ maxLength: 80 }),
    }),
  ),
  trade: nullable(Type.Object({ gives: oneOf(SETTING_IDS), with: oneOf(SETTING_IDS) })),
  receptor: oneOf(RECEPTORS),
  calibrations: Type.Record(
    Type.String(),
    Type.Object({
      way: oneOf(CALIBRATION_WAYS),
      offsetEv: Type.Number({ minimum: -60, maximum: 60 }),
      told: Type.Array(oneOf(['shutterS', 'iso']), { maxItems: 2 }),
      timeMs: Type.Number({ minimum: 0, maximum: 253402214400000 }),
    }),
  ),
  whites: Type.Array(
    Type.Object({
      name: Type.String({ minLength: 1, maxLength: MOST_NAME }),
      kelvin: Type.Number({ minimum: WHITE_SPAN.low, maximum: WHITE_SPAN.high }),
      tint: Type.Number({ minimum: -MOST_TINT, maximum: MOST_TINT }),
    }),
    { maxItems: MOST_WHITES },
  ),
  remediesOff: Type.Array(oneOf(REMEDY_KINDS)),
  check: CHECK_SCHEMA,
  other: nullable(
    Type.Object({
      shutterS: Type.Number({ minimum: 1e-6, maximum: 8192 }),
      iso: Type.Number({ minimum: 1, maximum: 1e6 }),
      apertureN: Type.Number({ minimum: 0.5, maximum: 100 }),
    }),
  ),
  theme: oneOf(THEME_IDS),
  thumb: oneOf(['right', 'left']),
  manners: Type.Object({ sound: Type.Boolean(), haptics: Type.Boolean(), awake: Type.Boolean() }),
  roll: ROLL,
  credit: Type.Object({ person: PERSON, copyright: COPYRIGHT }),
  placed: Type.Boolean(),
  guided: Type.Boolean(),
  scope: oneOf(['raw', 'picture']),
  scene: Type.String({ pattern: '^[a-z0-9-]+$' }),
  outside: Type.Object({
    levels: Type.Record(Type.String(), SHARE),
    support: oneOf(SUPPORTS),
    wheel: oneOf(WHEEL_SPEEDS),
  }),
  attitude: ATTITUDE,
};

/** The schema of each part that is kept: of every setting, and of what is beside them. */
export function deskSchemas(): Readonly<Record<string, TSchema>> {
  const settings = listed().map(({ key, schema }) => [settingPart(key), schema]);
  return { ...PARTS, ...Object.fromEntries(settings) };
}
