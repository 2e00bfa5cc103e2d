// A latent frame: an exposure of a simulated camera that was made and not yet read out. It holds everything that the exposure depends on, so that
// its files can be made at any time, again and again alike; in JSON it takes some three kilobytes.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import { ATTITUDE, type Attitude } from '../body/attitude';
import { POSITION, type Position } from '../body/position';
import type { Orientation } from '../body/orientation';
import type { FocusedAt } from '../dng/exif-directory';
import type { Vec3 } from '../numeric/matrix';
import { OPTICS } from '../sensor/cameras';
import { LENS_IDS, type LensId } from '../sensor/simulated-camera';
import { CREDIT, type Credit } from '../setting/credit';
import type { SettingValues } from '../setting/settings';
import { partialSchema, settingsForward } from '../setting/values';
import { knownSchema } from '../units/known-schema';
import { FIRST_ROLL } from './record';
import {
  CLOCK_S,
  GROUP,
  ID,
  OFFSET_MINUTES,
  OUTSIDE,
  RAW_FIGURES,
  ROLL,
  SHARE,
  TEXT,
  TIME_MS,
} from './record-parts';
import type { Press } from './shoot';

export const LATENT_VERSION = 1;

const POSITIVE = { exclusiveMinimum: 0, maximum: 1e9 };

/** JSON schema of a latent frame, for what comes back from storage. */
export function latentSchema() {
  return Type.Object({
    version: Type.Literal(LATENT_VERSION),
    id: ID,
    roll: ROLL,
    group: Type.Optional(GROUP),
    timeMs: TIME_MS,
    offsetMinutes: OFFSET_MINUTES,
    lensId: Type.Unsafe<LensId>({ enum: LENS_IDS }),
    scene: TEXT,
    outside: OUTSIDE,
    clockS: CLOCK_S,
    seed: Type.Integer({ minimum: 0, maximum: 0xffffffff }),
    orientation: Type.Unsafe<Orientation>({ enum: ['portrait', 'landscape'] }),
    settings: Type.Object({
      shutterS: Type.Number(POSITIVE),
      iso: Type.Number(POSITIVE),
      apertureN: Type.Number(POSITIVE),
      compensationEv: Type.Number({ minimum: -20, maximum: 20 }),
      filterStops: Type.Optional(Type.Number({ minimum: 0, maximum: 40 })),
    }),
    /** m; null is infinity. */
    focusM: Type.Union([Type.Number(POSITIVE), Type.Null()]),
    /** How hard the release was pressed, 0 … 1, and how long before the exposure, s. */
    press: SHARE,
    sinceTouchS: Type.Number({ minimum: 0, maximum: 1e6 }),
    set: Type.Unsafe<Partial<SettingValues> & Pick<SettingValues, 'meter'>>({
      ...partialSchema(),
      required: ['meter'],
    }),
    meteredEv100: knownSchema(Type.Number({ minimum: -100, maximum: 100 })),
    focusedAt: Type.Optional(
      Type.Unsafe<FocusedAt>(Type.Object({ x: SHARE, y: SHARE, side: Type.Optional(SHARE) })),
    ),
    held: Type.Optional(Type.Unsafe<Attitude>(ATTITUDE)),
    credit: Type.Optional(Type.Unsafe<Credit>(CREDIT)),
    position: Type.Optional(Type.Unsafe<Position>(POSITION)),
    /** What the finder showed: absent, it is worked out when the frame is read out. */
    white: Type.Optional(
      Type.Object({
        kelvin: Type.Number({ minimum: 100, maximum: 1e6 }),
        tint: Type.Number({ minimum: -1000, maximum: 1000 }),
        neutral: Type.Unsafe<Vec3>(
          Type.Array(Type.Number({ exclusiveMinimum: 0, maximum: 1 }), { minItems: 3, maxItems: 3 }),
        ),
      }),
    ),
    forecast: Type.Optional(RAW_FIGURES),
  });
}

export type LatentFrame = Readonly<Static<ReturnType<typeof latentSchema>>>;

/** An exposure with what it is of. */
export interface Exposed {
  readonly lensId: LensId;
  readonly scene: string;
  readonly outside: LatentFrame['outside'];
  readonly orientation: Orientation;
  readonly press: Press;
}

export function latentOf({ lensId, scene, outside, orientation, press }: Exposed): LatentFrame {
  const { facts, colour, forecast, focusM, steadiness, settings, ...moment } = press;
  const { timeMs, offsetMinutes, clockS, seed } = moment;
  const { group, focusedAt, held, credit, position } = facts;
  return {
    version: LATENT_VERSION,
    id: facts.uniqueId,
    roll: facts.roll ?? FIRST_ROLL,
    ...{ timeMs, offsetMinutes, clockS, seed, lensId, scene, outside, orientation, settings },
    ...(group && { group }),
    focusM: Number.isFinite(focusM) ? focusM : null,
    press: steadiness.press,
    sinceTouchS: steadiness.sinceTouchS,
    set: facts.set,
    meteredEv100: facts.meteredEv100,
    ...(focusedAt && { focusedAt }),
    ...(held && { held }),
    ...(credit && { credit }),
    ...(position && { position }),
    ...(colour && { white: { ...colour.white, neutral: colour.asShotNeutral } }),
    ...(forecast && { forecast }),
  };
}

export function exposedOf(latent: LatentFrame): Exposed {
  const { id, roll, group, set, meteredEv100, focusedAt, held, white, forecast, focusM } = latent;
  const { credit, position } = latent;
  const { lensId, scene, outside, orientation, press, sinceTouchS } = latent;
  const { settings, timeMs, offsetMinutes, clockS, seed } = latent;
  return {
    ...{ lensId, scene, outside, orientation },
    press: {
      ...{ settings, timeMs, offsetMinutes, clockS, seed },
      focusM: focusM ?? Infinity,
      steadiness: { support: outside.support, press, sinceTouchS },
      facts: {
        ...{ set, meteredEv100, uniqueId: id, roll },
        ...(group && { group }),
        ...(focusedAt && { focusedAt }),
        ...(held && { held }),
        ...(credit && { credit }),
        ...(position && { position }),
      },
      ...(white && {
        colour: {
          matrices: OPTICS[lensId].matrices,
          asShotNeutral: white.neutral,
          white: { kelvin: white.kelvin, tint: white.tint },
        },
      }),
      ...(forecast && { forecast }),
    },
  };
}

/** A latent frame of an earlier version brought forward, as far as its settings have other names by now; anything else as it is. */
export function latentForward(value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value;
  return { ...value, set: settingsForward((value as { set?: unknown }).set) };
}
