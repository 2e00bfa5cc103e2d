// Distance that the lens is focused at, m; `FAR_M` stands for infinity.
import { CONTROL, type Control } from '../exposure/control';
import { FAR_M, FOCUS_LADDER } from '../units/ladders';
import { byHand, controlWords, settledOn } from './ladder';
import type { Setting } from './setting';

/** Exif writes infinity as all ones. */
const INFINITY = [0xffffffff, 1] as const;

export const focus: Setting<Control> = {
  name: 'Focus',
  schema: CONTROL,
  initial: { auto: true, exact: 1.5 },
  words: (value) => controlWords(FOCUS_LADDER, { ...value, exact: Math.min(FAR_M, value.exact) }),
  inSetups: true,
  ladder: FOCUS_LADDER,
  settled: (value) => settledOn(FOCUS_LADDER, value),
  options: [
    {
      flag: 'focus',
      placeholder: 'METRES|inf',
      parse: (text, now) => {
        if (text === 'auto') return { ...now, auto: true };
        const far = /^(inf|infinity|∞)$/i.test(text);
        const metres = far ? FAR_M : text.trim() === '' ? NaN : Number(text);
        if (!(metres > 0)) throw new RangeError(`--focus needs metres such as 0.5, or inf, not ${text}`);
        return byHand(Math.min(FAR_M, metres));
      },
    },
  ],
  exif: (_, { focusM }) =>
    focusM === undefined ? {} : { SubjectDistance: Number.isFinite(focusM) ? focusM : INFINITY },
};
