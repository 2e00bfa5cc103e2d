// What the person checks by before the press, and how it is shown: marks, zebra, what may burn, histograms. Kept with the desk.
import { FIT_WAYS, type FitWay } from '../core/advice/fit';
import { TOLERANCE } from '../core/finder/outlook';
import { CLEAN_DB, CLEAN_DBS } from '../core/scopes/limits';
import { MOST_BELOW_CLIP_12 } from '../core/scopes/zebra';
import type { MarksOrder } from '../workers/finder-protocol';

export type MarkId = 'rawClip' | 'rawFloor' | 'pictureWhite' | 'pictureBlack';

export interface ZebraThreshold {
  readonly belowClip12: number;
  readonly percent: number;
}

export const HEIGHTS = ['linear', 'root', 'log'] as const;
export type Heights = (typeof HEIGHTS)[number];
export const HISTOGRAMS = ['off', 'raw', 'picture', 'both'] as const;
export const HISTOGRAM_SIZES = ['small', 'medium', 'large'] as const;

export interface CheckSettings {
  readonly marks: Readonly<Record<MarkId, boolean>>;
  readonly zebra: {
    readonly on: boolean;
    readonly of: 'raw' | 'picture';
    readonly native: ZebraThreshold;
    readonly extended: ZebraThreshold;
  };
  /** Share of a channel that may burn, and the largest highlight that is not counted, 0 … 1. */
  readonly share: number;
  readonly sparkle: number;
  readonly fitBy: FitWay;
  /** Compensation that is always wanted, EV in thirds. */
  readonly habitEv: number;
  readonly cleanDb: number;
  readonly heights: Heights;
  readonly histogram: (typeof HISTOGRAMS)[number];
  readonly histogramSize: (typeof HISTOGRAM_SIZES)[number];
  /** 0.3 … 1. */
  readonly histogramOpacity: number;
}

/** Shares that may burn, to choose from: 0.001 % … 5 %. */
export const BURNT_SHARES = [0.00001, 0.00003, 0.0001, 0.0003, 0.001, 0.003, 0.01, 0.03, 0.05] as const;
/** Largest highlight that may burn uncounted, as shares of the frame. */
export const SPARKLES = [0, 0.00005, 0.0001, 0.0003, 0.001] as const;

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

const THRESHOLD = {
  type: 'object',
  required: ['belowClip12', 'percent'],
  properties: {
    belowClip12: { type: 'integer', minimum: 0, maximum: MOST_BELOW_CLIP_12 },
    percent: { type: 'integer', minimum: 1, maximum: 100 },
  },
} as const;
const BOOLEAN = { type: 'boolean' } as const;

export const CHECK_SCHEMA = {
  type: 'object',
  required: Object.keys(CHECK_SETTINGS),
  properties: {
    marks: {
      type: 'object',
      required: Object.keys(CHECK_SETTINGS.marks),
      properties: { rawClip: BOOLEAN, rawFloor: BOOLEAN, pictureWhite: BOOLEAN, pictureBlack: BOOLEAN },
    },
    zebra: {
      type: 'object',
      required: ['on', 'of', 'native', 'extended'],
      properties: {
        on: BOOLEAN,
        of: { enum: ['raw', 'picture'] },
        native: THRESHOLD,
        extended: THRESHOLD,
      },
    },
    share: { enum: BURNT_SHARES },
    sparkle: { enum: SPARKLES },
    fitBy: { enum: FIT_WAYS },
    habitEv: { type: 'number', minimum: -3, maximum: 3 },
    cleanDb: { enum: CLEAN_DBS },
    heights: { enum: HEIGHTS },
    histogram: { enum: HISTOGRAMS },
    histogramSize: { enum: HISTOGRAM_SIZES },
    histogramOpacity: { type: 'number', minimum: 0.3, maximum: 1 },
  },
} as const;

const NO_MARKS: MarksOrder = {
  rawClip: false,
  rawFloor: false,
  pictureWhite: false,
  pictureBlack: false,
  zebra: null,
  brightest: false,
};

/** What is drawn over the picture; nothing while the finder is cleared. */
export function marksOf({ marks, zebra }: CheckSettings, cleared: boolean): MarksOrder {
  if (cleared) return NO_MARKS;
  const on = ({ belowClip12, percent }: ZebraThreshold) =>
    zebra.of === 'raw' ? ({ of: 'raw', belowClip12 } as const) : ({ of: 'picture', percent } as const);
  return {
    ...marks,
    zebra: zebra.on ? { native: on(zebra.native), extended: on(zebra.extended) } : null,
    brightest: true,
  };
}

/** Next or previous of a list of choices; the ends hold. */
export function stepThrough<T>(choices: readonly T[], now: T, by: 1 | -1): T {
  return choices[Math.min(choices.length - 1, Math.max(0, choices.indexOf(now) + by))]!;
}
