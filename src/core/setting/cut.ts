// What part of the lens's whole frame is to be the picture: digital zoom takes the middle of it, frame lines of another shape are laid over
// what is left. Raw keeps the whole (DNG DefaultCrop and DefaultUserCrop tell the part); only pictures are cut.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import { CUT_LADDER } from '../units/ladders';
import type { Setting } from '../define/setting';

/** Shapes of frame lines; `whole` for none. */
export const ASPECT_IDS = ['whole', '4:3', '3:2', '16:9', '1:1', '65:24'] as const;
export type AspectId = (typeof ASPECT_IDS)[number];

const MOST_CUT = CUT_LADDER[CUT_LADDER.length - 1]!.exact;

const CUT = Type.Object(
  {
    aspect: Type.Unsafe<AspectId>({ enum: ASPECT_IDS }),
    /** How many times narrower the part is than the whole; 1 is all of it. */
    times: Type.Number({ minimum: 1, maximum: MOST_CUT }),
  },
  { additionalProperties: false },
);
export type Cut = Readonly<Static<typeof CUT>>;

export const UNCUT: Cut = { aspect: 'whole', times: 1 };

/** Width over height of frame lines, lying; null where there are none. */
export function ratioOf(aspect: AspectId): number | null {
  if (aspect === 'whole') return null;
  const [long, short] = aspect.split(':').map(Number);
  return long! / short!;
}

export function isCut({ aspect, times }: Cut): boolean {
  return times > 1 || aspect !== 'whole';
}

/** "2.0× cut, 16:9"; of no cut at all "whole frame". */
export function cutWords({ aspect, times }: Cut): string {
  const parts = [times > 1 && `${times.toFixed(1)}× cut`, aspect !== 'whole' && aspect].filter(Boolean);
  return parts.length > 0 ? parts.join(', ') : 'whole frame';
}

export const cut: Setting<Cut> = {
  name: 'Cut',
  schema: CUT,
  initial: UNCUT,
  words: cutWords,
  inSetups: true,
  on: ({ can }) => can.cut !== undefined,
  options: [
    {
      flag: 'zoom',
      placeholder: `1..${MOST_CUT}`,
      parse: (text, now) => {
        const times = text.trim() === '' ? NaN : Number(text);
        if (!(times >= 1 && times <= MOST_CUT))
          throw new RangeError(`--zoom takes the middle of the frame, 1 to ${MOST_CUT} times, not ${text}`);
        return { ...now, times };
      },
    },
    {
      flag: 'crop',
      placeholder: ASPECT_IDS.join('|'),
      parse: (text, now) => {
        const aspect = ASPECT_IDS.find((id) => id === text);
        if (!aspect) throw new RangeError(`--crop is ${ASPECT_IDS.join(' or ')}, not ${text}`);
        return { ...now, aspect };
      },
    },
  ],
  exif: (value) => {
    if (!value) return {};
    return {
      DigitalZoomRatio: [Math.round(100 * value.times), 100],
      ...(isCut(value) && { comment: `Pictures are ${cutWords(value)}.` }),
    };
  },
};
