// A bracket: one press takes several frames that differ in light by even steps. Its setting, its words, and what a press makes of it.
import * as Type from '@sinclair/typebox';
import type { Setting } from '../../define/setting';
import { formatThirds, parseCompensation } from '../../units/ladders';
import { isUnknown } from '../../units/known';
import {
  bracketed,
  BRACKET_ORDERS,
  BRACKET_WAYS,
  bracketThirds,
  MOST_FRAMES,
  MOST_STEP_THIRDS,
  type Bracket,
  type Bracketed,
  type BracketOrder,
  type BracketWay,
} from '../bracket';
import type { Drive } from '../drive';
import { timed } from '../moments';
import type { LeftOut } from '../plan-bracket';

const SCHEMA = Type.Object(
  {
    frames: Type.Integer({ minimum: 1, maximum: MOST_FRAMES }),
    stepThirds: Type.Integer({ minimum: 1, maximum: MOST_STEP_THIRDS }),
    order: Type.Unsafe<BracketOrder>({ enum: BRACKET_ORDERS }),
    by: Type.Unsafe<BracketWay>({ enum: BRACKET_WAYS }),
  },
  { additionalProperties: false },
);

export const ONE_FRAME: Bracket = { frames: 1, stepThirds: 3, order: 'middle', by: 'shutter' };

const ORDER_WORDS: Readonly<Record<BracketOrder, string>> = {
  middle: 'middle first',
  rising: 'dark to bright',
  falling: 'bright to dark',
};

/** "5 × 1 EV, middle first"; of one frame "one frame". */
export function bracketWords({ frames, stepThirds, order, by }: Bracket): string {
  if (frames === 1) return 'one frame';
  const through = by === 'iso' ? ', through ISO' : '';
  return `${frames} × ${evWords(stepThirds)} EV, ${ORDER_WORDS[order]}${through}`;
}

/** Where a set ends beyond what the camera has, and the ways out that do fit. */
export function beyondWords({ underThirds, overThirds, remedies }: Bracketed & { kind: 'beyond' }): string {
  const ends = [
    underThirds > 0 && `its darkest frame lies ${evWords(underThirds)} EV below what the camera has`,
    overThirds > 0 && `its brightest lies ${evWords(overThirds)} EV above what the camera has`,
  ].filter(Boolean);
  const { shiftThirds, frames, by } = remedies;
  const ways = [
    shiftThirds !== null && `its middle moved by ${formatThirds(shiftThirds / 3)} EV`,
    frames !== null && `${frames} frames`,
    by !== null && `the same through ${by === 'iso' ? 'ISO' : 'time'}`,
  ].filter(Boolean);
  return `the bracket does not fit: ${ends.join(', and ')}. ${ways.length > 0 ? `What fits: ${ways.join('; ')}.` : 'Take fewer frames, or smaller steps.'}`;
}

/**
 * What a planned set has no light for, and what would hold it; null where it holds all.
 * @param by through what its frames differ
 * @param iris whether the lens has one
 */
export function leftOutWords({ highlights, shadows }: LeftOut, by: BracketWay, iris: boolean): string | null {
  const [least, most] =
    by === 'shutter' ? ['No time is short', 'No time is long'] : ['No ISO is low', 'No ISO is high'];
  const said = [
    highlights > 0 &&
      `${least} enough for the highlights: ${evWords(highlights)} EV of them are left out. A filter of ${stopsWords(Math.ceil(highlights / 3))} would hold them${iris ? ', or a smaller aperture' : ''}`,
    shadows > 0 &&
      `${most} enough for the shadows: ${evWords(shadows)} EV of them are left out. More light would hold them${iris ? ', or a larger aperture' : ''}`,
  ].filter(Boolean);
  return said.length > 0 ? `${said.join('. ')}.` : null;
}

const stopsWords = (stops: number) => (stops === 1 ? 'one stop' : `${stops} stops`);

/** Thirds of a stop without a sign. */
export function evWords(thirds: number): string {
  return formatThirds(thirds / 3).replace(/^[+−]/, '');
}

/** A step typed by a person, in thirds of a stop; NaN where it is none. */
function thirdsIn(text: string): number {
  try {
    return Math.round(3 * parseCompensation(text).exact);
  } catch {
    return NaN;
  }
}

/** `5x1`, `3x2/3,rising`, `4x1,falling,iso`. @throws RangeError that says what is allowed */
export function parseBracket(text: string): Bracket {
  const [set = '', ...words] = text.split(',').map((word) => word.trim());
  const [, count, step] = /^(\d)x(.+)$/.exec(set) ?? [];
  const stepThirds = step === undefined ? NaN : thirdsIn(step);
  const frames = Number(count);
  const order = BRACKET_ORDERS.find((id) => words.includes(id)) ?? ONE_FRAME.order;
  const by = BRACKET_WAYS.find((id) => words.includes(id)) ?? ONE_FRAME.by;
  const known = words.every((word) => [...BRACKET_ORDERS, ...BRACKET_WAYS].some((id) => id === word));
  if (
    !known ||
    !(frames >= 2 && frames <= MOST_FRAMES) ||
    !(stepThirds >= 1 && stepThirds <= MOST_STEP_THIRDS)
  )
    throw new RangeError(
      `--bracket is frames x EV, 2 to ${MOST_FRAMES} frames 1/3 to ${MOST_STEP_THIRDS / 3} EV apart, such as 5x1 or 3x2/3,${BRACKET_ORDERS.join('|')},${BRACKET_WAYS.join('|')}, not ${text || 'nothing'}`,
    );
  return { frames, stepThirds, order, by };
}

const bracket: Setting<Bracket> = {
  name: 'Bracket',
  schema: SCHEMA,
  initial: ONE_FRAME,
  words: bracketWords,
  badge: (value) => (value.frames === 1 ? null : bracketWords(value).split(',')[0]!),
  inSetups: true,
  on: ({ can }) => can.bracket !== undefined,
  options: [
    { flag: 'bracket', placeholder: 'NxEV[,ORDER][,WAY]|planned', parse: (text) => parseBracket(text) },
  ],
};

/** Exif: one of several frames that differ in light. */
const AUTO_BRACKET = 2;
/** Frames that a new one has. */
const USUAL_FRAMES = 3;

export const bracketDrive: Drive<'bracket', Bracket> = {
  id: 'bracket',
  setting: bracket,
  choice: 'A bracket',
  asks: ({ frames }) => frames > 1,
  begun: (value) => ({ ...value, frames: USUAL_FRAMES }),
  ended: (value) => ({ ...value, frames: 1 }),
  frames: ({ frames }) => frames,
  plan: (value, { settings, focusM }) => {
    if (isUnknown(settings))
      return { kind: 'beyond', says: `the bracket has no middle: ${settings.unknown}` };
    const made = bracketed(settings, value);
    return made.kind === 'fits'
      ? { kind: 'fits', shots: timed(made.shots.map((shot) => ({ settings: shot, focusM }))) }
      : { kind: 'beyond', says: beyondWords(made) };
  },
  lightThirds: (value) => bracketThirds({ ...value, order: 'rising' }),
  exposureMode: AUTO_BRACKET,
};
