// How a frame is developed beyond plainly: exposure, white, contrast, colours or black and white, under a name. It is of the picture alone; raw numbers
// do not know it, and it can be changed or taken away at any time.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import type { Vec3 } from '../numeric/matrix';
import { formatThirds } from '../units/ladders';
import type { Setting } from '../define/setting';

export const MOST_PRINT_NAME = 40;

/** Ends of what a print can do. */
export const PRINT_SPAN = {
  exposureEv: [-3, 3],
  warmthMired: [-100, 100],
  contrast: [0.5, 2],
  saturation: [0, 1.5],
  mix: [-1, 2],
} as const;

const within = ([minimum, maximum]: readonly [number, number]) => Type.Number({ minimum, maximum });
const SHARE = within(PRINT_SPAN.mix);

export const PRINT = Type.Object(
  {
    name: Type.String({ minLength: 1, maxLength: MOST_PRINT_NAME, pattern: '\\S' }),
    /** Stops brighter. */
    exposureEv: within(PRINT_SPAN.exposureEv),
    /** Mired warmer than the frame's own white. */
    warmthMired: within(PRINT_SPAN.warmthMired),
    /** Stops of the picture for a stop of light, about mid-grey. */
    contrast: within(PRINT_SPAN.contrast),
    /** 1 as it is, 0 grey. */
    saturation: within(PRINT_SPAN.saturation),
    /** Black and white of so much linear red, green and blue, of their sum; null for colours. */
    mix: Type.Union([Type.Unsafe<Vec3>(Type.Array(SHARE, { minItems: 3, maxItems: 3 })), Type.Null()]),
  },
  { additionalProperties: false },
);
export type Print = Readonly<Static<typeof PRINT>>;

/** Null for a frame that is developed plainly. */
export const PRINT_OR_PLAIN = Type.Union([PRINT, Type.Null()]);

const COLOURS = { exposureEv: 0, warmthMired: 0, contrast: 1, saturation: 1, mix: null } as const;

/** What ships with the program. */
export const OWN_PRINTS: readonly Print[] = [
  { ...COLOURS, name: 'Slip', contrast: 0.85, saturation: 0.9 },
  { ...COLOURS, name: 'Bisque', exposureEv: 1 / 3, warmthMired: 18, contrast: 0.92, saturation: 0.8 },
  { ...COLOURS, name: 'Celadon', warmthMired: -18, contrast: 1.06, saturation: 0.88 },
  { ...COLOURS, name: 'Ember', exposureEv: -1 / 3, warmthMired: 14, contrast: 1.18, saturation: 1.2 },
  { ...COLOURS, name: 'Ash', contrast: 0.95, mix: [0.3, 0.55, 0.15] },
  { ...COLOURS, name: 'Soot', exposureEv: -1 / 3, contrast: 1.35, mix: [0.7, 0.4, -0.1] },
];

/** Shares that add up to less would make a picture of nothing. */
const LEAST_MIX = 0.2;

/** What is wrong with a print that its schema lets through; null when nothing is. */
export function printTrouble(print: Print | null): { field: string; why: string } | null {
  if (!print?.mix) return null;
  const sum = print.mix[0] + print.mix[1] + print.mix[2];
  return sum >= LEAST_MIX ? null : { field: 'mix', why: `must add up to ${LEAST_MIX} at least` };
}

/** What it does, in a line: "+⅓ EV, 18 mired warmer, contrast 0.92". */
export function printSays({ exposureEv, warmthMired, contrast, saturation, mix }: Print): string {
  const parts = [
    Math.abs(exposureEv) > 0.01 && `${formatThirds(exposureEv)} EV`,
    Math.abs(warmthMired) >= 0.5 &&
      `${Math.abs(Math.round(warmthMired))} mired ${warmthMired > 0 ? 'warmer' : 'cooler'}`,
    contrast !== 1 && `contrast ${contrast.toFixed(2)}`,
    mix
      ? `black and white of ${mix.map((v) => `${Math.round(100 * v)}`.replace('-', '−')).join(', ')} % R, G, B`
      : saturation !== 1 && `colours ${saturation.toFixed(2)}`,
  ].filter(Boolean);
  return parts.length > 0 ? parts.join(', ') : 'as it is';
}

export const print: Setting<Print | null> = {
  name: 'Print',
  schema: PRINT_OR_PLAIN,
  initial: null,
  words: (value) => value?.name ?? 'plain',
  badge: (value) => value?.name ?? null,
  inSetups: true,
  on: ({ can }) => can.print !== undefined,
  troubleOf: printTrouble,
  options: [
    {
      flag: 'print',
      placeholder: `plain|${OWN_PRINTS.map(({ name }) => name.toLowerCase()).join('|')}`,
      parse: (text) => {
        const name = text.trim().toLowerCase();
        if (name === 'plain') return null;
        const found = OWN_PRINTS.find((one) => one.name.toLowerCase() === name);
        if (!found)
          throw new RangeError(
            `--print is plain or ${OWN_PRINTS.map((one) => one.name.toLowerCase()).join(', ')}, not ${text}`,
          );
        return found;
      },
    },
  ],
  exif: (value) => (value ? { comment: `Developed as ${value.name}: ${printSays(value)}.` } : {}),
};
