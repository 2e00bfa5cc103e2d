// How the meter weighs the picture: the pattern, the size of its spot, and how much the highlight pattern lets burn.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import { BURN_SHARE, BURN_SHARES } from '../meter/highlight';
import { patternForward, PATTERN_IDS, type PatternId } from '../meter/pattern';
import { patternOf } from '../meter/read';
import { SPOT_NAMES, SPOT_SHARE, SPOT_SHARES } from '../meter/spot';
import type { Setting } from '../define/setting';

const METER = Type.Object(
  {
    pattern: Type.Unsafe<PatternId>({ enum: PATTERN_IDS }),
    /** Of the frame's area. */
    spotShare: Type.Unsafe<number>({ enum: SPOT_SHARES }),
    burnShare: Type.Unsafe<number>({ enum: BURN_SHARES }),
  },
  { additionalProperties: false },
);
export type MeterSetting = Readonly<Static<typeof METER>>;

/** Exif codes of CIPA DC-008. */
const METERING_MODE: Readonly<Record<PatternId, number>> = {
  whole: 5,
  centre: 2,
  spot: 3,
  highlight: 255,
};

/** The sizes of the spot as words of the terminal. */
export const SPOT_SIZES: readonly string[] = SPOT_NAMES.map((name) => name.toLowerCase());

function oneOf(flag: string, text: string, allowed: readonly string[]): number {
  const index = allowed.indexOf(text);
  if (index < 0) throw new RangeError(`--${flag} is ${allowed.join(' or ')}, not ${text}`);
  return index;
}

export const meter: Setting<MeterSetting> = {
  name: 'Meter',
  schema: METER,
  initial: { pattern: 'whole', spotShare: SPOT_SHARE, burnShare: BURN_SHARE },
  words: ({ pattern, spotShare, burnShare }) => {
    const { name } = patternOf(pattern);
    if (pattern === 'highlight') return `${name}, ${100 * burnShare} % may burn`;
    if (pattern !== 'spot') return name;
    const i = SPOT_SHARES.findIndex((share) => share === spotShare);
    return `${name}, ${(SPOT_NAMES[i] ?? `${(spotShare * 100).toFixed(1)} %`).toLowerCase()}`;
  },
  inSetups: true,
  forward: (kept) => {
    const value = kept as { pattern?: unknown } | null;
    return typeof value === 'object' && value ? { ...value, pattern: patternForward(value.pattern) } : kept;
  },
  options: [
    {
      flag: 'pattern',
      placeholder: PATTERN_IDS.join('|'),
      parse: (text, now) => ({
        ...now,
        pattern: PATTERN_IDS[oneOf('pattern', String(patternForward(text)), PATTERN_IDS)]!,
      }),
    },
    {
      flag: 'spot',
      placeholder: SPOT_SIZES.join('|'),
      parse: (text, now) => ({ ...now, spotShare: SPOT_SHARES[oneOf('spot', text, SPOT_SIZES)]! }),
    },
  ],
  exif: (value) => (value ? { MeteringMode: METERING_MODE[value.pattern] } : {}),
};
