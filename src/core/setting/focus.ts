// Distance that the lens is focused at, m; `FAR_M` stands for infinity.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import { CONTROL } from '../exposure/control';
import { FAR_M, FOCUS_LADDER } from '../units/ladders';
import { byHand, controlWords, settledOn } from './ladder';
import type { Setting } from '../define/setting';

/** Exif writes infinity as all ones. */
const INFINITY = [0xffffffff, 1] as const;

/** The automatic goes on looking, or looks once at each place that it is given. */
export const FOCUS_WAYS = ['continuous', 'single'] as const;
export type FocusWay = (typeof FOCUS_WAYS)[number];

/** In the terminal: automatic at a place, and the hyperfocal distance, which only whoever knows the aperture can tell. */
export const FOCUS_AT = 'auto@';
export const HYPERFOCAL = 'hyperfocal';

const FOCUS = Type.Object(
  { ...CONTROL.properties, how: Type.Unsafe<FocusWay>({ enum: FOCUS_WAYS }) },
  { additionalProperties: false },
);
export type FocusSet = Readonly<Static<typeof FOCUS>>;

export const focus: Setting<FocusSet> = {
  name: 'Focus',
  schema: FOCUS,
  initial: { auto: true, exact: 1.5, how: 'continuous' },
  words: (value) => controlWords(FOCUS_LADDER, { ...value, exact: Math.min(FAR_M, value.exact) }),
  inSetups: true,
  ladder: FOCUS_LADDER,
  settled: (value) => ({ ...value, ...settledOn(FOCUS_LADDER, value) }),
  forward: (kept) => {
    const value = kept as { auto?: unknown; how?: unknown } | null;
    // Before there were two ways of it.
    return typeof value === 'object' && value && value.auto !== undefined && value.how === undefined
      ? { ...value, how: 'continuous' }
      : kept;
  },
  options: [
    {
      flag: 'focus',
      placeholder: 'auto[@X,Y]|METRES|inf|hyperfocal',
      parse: (text, now) => {
        if (text === 'auto' || text.startsWith(FOCUS_AT)) return { ...now, auto: true };
        if (text === HYPERFOCAL) return now;
        const far = /^(inf|infinity|∞)$/i.test(text);
        const metres = far ? FAR_M : text.trim() === '' ? NaN : Number(text);
        if (!(metres > 0))
          throw new RangeError(
            `--focus needs metres such as 0.5, or inf, ${HYPERFOCAL} or auto, not ${text}`,
          );
        return { ...now, ...byHand(Math.min(FAR_M, metres)) };
      },
    },
  ],
  exif: (_, { focusM }) =>
    focusM === undefined ? {} : { SubjectDistance: Number.isFinite(focusM) ? focusM : INFINITY },
};
