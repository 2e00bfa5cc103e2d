// What the person checks by before the press, and how it is shown: marks, zebra, what may burn, histograms. Kept with the desk.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import { FIT_WAYS, type FitWay } from '../core/advice/fit';
import type { Evidence } from '../core/body/body';
import { TOLERANCE } from '../core/finder/outlook';
import { CLEAN_DB, CLEAN_DBS, MOST_BELOW_CLIP_12 } from '../core/scopes/limits';
import type { MarksOrder } from '../camera/order';
import { HEIGHTS } from '../ui/scopes/shape';

export type MarkId = 'rawClip' | 'rawFloor' | 'pictureWhite' | 'pictureBlack';

export const HISTOGRAMS = ['off', 'raw', 'picture', 'both'] as const;
export const HISTOGRAM_SIZES = ['small', 'medium', 'large'] as const;

/** Shares that may burn, to choose from: 0.001 % … 5 %. */
export const BURNT_SHARES = [0.00001, 0.00003, 0.0001, 0.0003, 0.001, 0.003, 0.01, 0.03, 0.05] as const;
/** Largest highlight that may burn uncounted, as shares of the frame. */
export const SPARKLES = [0, 0.00005, 0.0001, 0.0003, 0.001] as const;

const oneOf = <T>(values: readonly T[]) => Type.Unsafe<T>({ enum: values });

const THRESHOLD = Type.Object({
  belowClip12: Type.Integer({ minimum: 0, maximum: MOST_BELOW_CLIP_12 }),
  percent: Type.Integer({ minimum: 1, maximum: 100 }),
});
export type ZebraThreshold = Readonly<Static<typeof THRESHOLD>>;

export const CHECK_SCHEMA = Type.Object({
  marks: Type.Object({
    rawClip: Type.Boolean(),
    rawFloor: Type.Boolean(),
    pictureWhite: Type.Boolean(),
    pictureBlack: Type.Boolean(),
  }),
  zebra: Type.Object({
    on: Type.Boolean(),
    of: oneOf(['raw', 'picture'] as const),
    native: THRESHOLD,
    extended: THRESHOLD,
  }),
  /** Share of a channel that may burn, and the largest highlight that is not counted, 0 … 1. */
  share: oneOf<number>(BURNT_SHARES),
  sparkle: oneOf<number>(SPARKLES),
  fitBy: oneOf<FitWay>(FIT_WAYS),
  /** Compensation that is always wanted, EV in thirds. */
  habitEv: Type.Number({ minimum: -3, maximum: 3 }),
  cleanDb: oneOf<number>(CLEAN_DBS),
  heights: oneOf(HEIGHTS),
  histogram: oneOf(HISTOGRAMS),
  histogramSize: oneOf(HISTOGRAM_SIZES),
  histogramOpacity: Type.Number({ minimum: 0.3, maximum: 1 }),
});
export type CheckSettings = Readonly<Static<typeof CHECK_SCHEMA>>;

export const CHECK_SETTINGS: CheckSettings = {
  marks: { rawClip: true, rawFloor: false, pictureWhite: false, pictureBlack: false },
  zebra: {
    on: false,
    of: 'raw',
    native: { belowClip12: 4, percent: 95 },
    extended: { belowClip12: 4, percent: 90 },
  },
  share: TOLERANCE.share,
  sparkle: TOLERANCE.area,
  fitBy: 'carrying',
  habitEv: 0,
  cleanDb: CLEAN_DB,
  heights: 'root',
  histogram: 'off',
  histogramSize: 'small',
  histogramOpacity: 0.8,
};

const NO_MARKS: MarksOrder = {
  rawClip: false,
  rawFloor: false,
  pictureWhite: false,
  pictureBlack: false,
  zebra: null,
  brightest: false,
  inFocus: false,
  peaking: null,
  depth: false,
};

/** What is drawn over the picture; nothing while the finder is cleared. Without raw the zebra lies on the picture. */
export function marksOf(
  { marks, zebra }: CheckSettings,
  focus: Pick<MarksOrder, 'inFocus' | 'depth' | 'peaking'>,
  cleared: boolean,
  evidence: Evidence,
): MarksOrder {
  if (cleared) return NO_MARKS;
  const on = ({ belowClip12, percent }: ZebraThreshold) =>
    zebra.of === 'raw' && evidence === 'raw'
      ? ({ of: 'raw', belowClip12 } as const)
      : ({ of: 'picture', percent } as const);
  return {
    ...marks,
    ...focus,
    zebra: zebra.on ? { native: on(zebra.native), extended: on(zebra.extended) } : null,
    brightest: true,
  };
}

/** Next or previous of a list of choices; the ends hold. */
export function stepThrough<T>(choices: readonly T[], now: T, by: 1 | -1): T {
  return choices[Math.min(choices.length - 1, Math.max(0, choices.indexOf(now) + by))]!;
}
