// Parts of the schemas of what is stored of a frame: identity, time, the world it was taken in, what was told of raw. Every number is bounded by what
// can be shown of it.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import { SUPPORTS, type Outside, type Support } from '../scene/outside';
import { WHEEL_SPEEDS, type WheelSpeed } from '../scene/scene';

/** From the first days of the year 1 to 31 December 9999, in any time zone: what Exif can write and a date can show. */
export const FIRST_MS = -62135510400000;
export const LAST_MS = 253402214400000;

export const TEXT = Type.String({ maxLength: 200 });
export const SHARE = Type.Number({ minimum: 0, maximum: 1 });
export const ID = Type.String({ pattern: '^[0-9a-f]{32}$' });
export const TIME_MS = Type.Number({ minimum: FIRST_MS, maximum: LAST_MS });
export const OFFSET_MINUTES = Type.Integer({ minimum: -900, maximum: 900 });
export const ROLL = Type.String({ minLength: 1, maxLength: 64 });
/** Moment on the scene's own clock, s. */
export const CLOCK_S = Type.Number({ minimum: -1e9, maximum: 1e9 });

/** Frames of one sequence share its id; this one is number `index` of `of`, which nobody knew of one that was still going on. */
export const GROUP = Type.Object({
  id: ID,
  index: Type.Integer({ minimum: 0, maximum: 9999 }),
  of: Type.Optional(Type.Integer({ minimum: 1, maximum: 10000 })),
});

const CHANNEL_SHARES = Type.Object({ name: TEXT, clippedShare: SHARE, belowFloorShare: SHARE });
export type ChannelShares = Readonly<Static<typeof CHANNEL_SHARES>>;

export const RAW_FIGURES = Type.Object({
  channels: Type.Unsafe<readonly ChannelShares[]>(Type.Array(CHANNEL_SHARES, { maxItems: 16 })),
  /** null when the frame is black. */
  headroomEv: Type.Union([Type.Number({ minimum: -100, maximum: 100 }), Type.Null()]),
});
/** Shares and headroom of a frame, predicted or measured. */
export type RawFigures = Readonly<Static<typeof RAW_FIGURES>>;

export const OUTSIDE = Type.Unsafe<Outside>(
  Type.Object({
    levels: Type.Record(Type.String(), SHARE),
    support: Type.Unsafe<Support>({ enum: SUPPORTS }),
    wheel: Type.Unsafe<WheelSpeed>({ enum: WHEEL_SPEEDS }),
  }),
);
