// The recipe of an exposure of a simulated camera that was made and not yet read out. It holds everything that the exposure depends on, so that its
// files can be made at any time, again and again alike; in JSON it takes some three kilobytes.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import type { Orientation } from '../body/orientation';
import { FACTS, picked, SHARE } from '../facts/facts';
import type { Vec3 } from '../numeric/matrix';
import { OPTICS } from '../sensor/cameras';
import { LENS_IDS, type LensId } from '../sensor/simulated-optic';
import { LATENT, LATENT_VERSION } from './queue';
import { CLOCK_S, OUTSIDE, RAW_FIGURES, TEXT } from './record-parts';
import type { Press } from './shoot';

const POSITIVE = { exclusiveMinimum: 0, maximum: 1e9 };

/** JSON schema of one, for what comes back from storage. */
export function exposeSchema() {
  return Type.Object({
    ...LATENT,
    lensId: Type.Unsafe<LensId>({ enum: LENS_IDS }),
    scene: TEXT,
    outside: OUTSIDE,
    clockS: CLOCK_S,
    seed: Type.Integer({ minimum: 0, maximum: 0xffffffff }),
    orientation: Type.Unsafe<Orientation>({ enum: ['portrait', 'landscape'] }),
    /** m; null is infinity. */
    focusM: Type.Union([Type.Number(POSITIVE), Type.Null()]),
    /** How hard the release was pressed, 0 … 1, and how long before the exposure, s. */
    press: SHARE,
    sinceTouchS: Type.Number({ minimum: 0, maximum: 1e6 }),
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

export type LatentExposure = Readonly<Static<ReturnType<typeof exposeSchema>>>;

/** An exposure with what it is of. */
export interface Exposed {
  readonly lensId: LensId;
  readonly scene: string;
  readonly outside: LatentExposure['outside'];
  readonly orientation: Orientation;
  readonly press: Press;
}

export function latentOf({ lensId, scene, outside, orientation, press }: Exposed): LatentExposure {
  const { facts, colour, forecast, focusM, steadiness, settings, clockS, seed } = press;
  return {
    version: LATENT_VERSION,
    ...facts,
    ...{ clockS, seed, lensId, scene, outside, orientation, settings },
    focusM: Number.isFinite(focusM) ? focusM : null,
    press: steadiness.press,
    sinceTouchS: steadiness.sinceTouchS,
    ...(colour && { white: { ...colour.white, neutral: colour.asShotNeutral } }),
    ...(forecast && { forecast }),
  };
}

export function exposedOf(latent: LatentExposure): Exposed {
  const { lensId, scene, outside, orientation, press, sinceTouchS } = latent;
  const { settings, clockS, seed, white, forecast, focusM } = latent;
  return {
    ...{ lensId, scene, outside, orientation },
    press: {
      ...{ settings, clockS, seed },
      facts: picked(FACTS, latent),
      focusM: focusM ?? Infinity,
      steadiness: { support: outside.support, press, sinceTouchS },
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
