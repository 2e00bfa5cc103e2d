// Parts of the schemas of what is stored of a frame, beyond its facts: the world it was taken in, what was told of raw. Every number is bounded by what
// can be shown of it.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import { SHARE } from '../facts/facts';
import { SUPPORTS, type Outside, type Support } from '../scene/outside';
import { WHEEL_SPEEDS, type WheelSpeed } from '../scene/scene';

export const TEXT = Type.String({ maxLength: 200 });
/** Moment on the scene's own clock, s. */
export const CLOCK_S = Type.Number({ minimum: -1e9, maximum: 1e9 });

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
