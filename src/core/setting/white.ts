// The light that is to come out white: colour temperature and tint, by hand or automatic.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import type { Optic, Span } from '../body/body';
import { balances, nearestBalanced, tintsBalanced } from '../colour/reach';
import { whiteWords, type WhitePoint } from '../colour/temperature';
import { WHITE_LADDER } from '../units/ladders';
import { stepsOn, type Steps } from './ladder';
import type { Setting } from '../define/setting';

/** Ends of what can be set: K, and tint either way. */
export const WHITE_SPAN = { low: 2000, high: 12000 } as const;
export const MOST_TINT = 150;

const WHITE = Type.Object(
  {
    /** True while the camera finds it. */
    auto: Type.Boolean(),
    /** K; while automatic, where the person last had it. */
    exact: Type.Number({ minimum: WHITE_SPAN.low, maximum: WHITE_SPAN.high }),
    /** As DNG counts it: plus is for light that is greener than a black body. */
    tint: Type.Number({ minimum: -MOST_TINT, maximum: MOST_TINT }),
  },
  { additionalProperties: false },
);
export type WhiteSet = Readonly<Static<typeof WHITE>>;

/** A usual light by the name and code that Exif has for it (CIPA DC-008, LightSource). */
export interface UsualLight extends WhitePoint {
  readonly id: string;
  readonly name: string;
  readonly code: number;
}

/** Temperatures: daylight, cloudy and shade are phases of daylight (common practice); tungsten is CIE A, fluorescent CIE F2, flash common practice. */
export const USUAL_LIGHTS: readonly UsualLight[] = [
  { id: 'tungsten', name: 'Tungsten', kelvin: 2856, tint: 0, code: 3 },
  { id: 'fluorescent', name: 'Fluorescent', kelvin: 4224, tint: 6, code: 2 },
  { id: 'daylight', name: 'Daylight', kelvin: 5503, tint: 10, code: 1 },
  { id: 'flash', name: 'Flash', kelvin: 6000, tint: 10, code: 4 },
  { id: 'cloudy', name: 'Cloudy', kelvin: 6504, tint: 10, code: 10 },
  { id: 'shade', name: 'Shade', kelvin: 7504, tint: 10, code: 11 },
];

/** The usual light that a white set by hand is; undefined where it is another. */
export function usualLightOf({ exact, tint }: Pick<WhiteSet, 'exact' | 'tint'>): UsualLight | undefined {
  return USUAL_LIGHTS.find(
    (light) => Math.abs(light.kelvin - exact) < 1 && Math.abs(light.tint - tint) < 0.5,
  );
}

function held(exact: number, tint: number): WhiteSet {
  return {
    auto: false,
    exact: Math.min(WHITE_SPAN.high, Math.max(WHITE_SPAN.low, exact)),
    tint: Math.min(MOST_TINT, Math.max(-MOST_TINT, tint)),
  };
}

/** Held by hand at a light; what lies beyond the ends is held at them. */
export function whiteByHand({ kelvin, tint }: WhitePoint): WhiteSet {
  return held(kelvin, tint);
}

/** The same, on an optic: where it cannot be balanced for that light, the nearest tint that it can be. */
export function whiteOn(optic: Pick<Optic, 'matrices'>, white: WhitePoint): WhiteSet {
  return whiteByHand(optic.matrices ? nearestBalanced(optic.matrices, white) : white);
}

/** Tints that an optic can be balanced for at a temperature. */
export function tintsOn({ matrices }: Pick<Optic, 'matrices'>, kelvin: number): Span {
  return matrices ? tintsBalanced(matrices, kelvin, MOST_TINT) : { low: -MOST_TINT, high: MOST_TINT };
}

/** Temperatures that an optic can be balanced for at a tint; where it can be for none, all that it offers. */
export function whiteStepsOn(optic: Pick<Optic, 'can' | 'matrices'>, tint: number): Steps {
  const steps = stepsOn(WHITE_LADDER, 'white', optic);
  const { matrices } = optic;
  if (!matrices) return steps;
  const good = steps.ladder.map(({ exact }) => balances(matrices, { kelvin: exact, tint }));
  const first = good.indexOf(true);
  if (first < 0) return steps;
  return {
    ladder: steps.ladder.slice(first, good.lastIndexOf(true) + 1),
    skipped: steps.skipped + first,
  };
}

/** @throws RangeError that says what is allowed */
function parseWhite(text: string, now: WhiteSet, optic: Optic): WhiteSet {
  if (text === 'auto') return { ...now, auto: true };
  const named = USUAL_LIGHTS.find(({ id }) => id === text);
  if (named) return whiteByHand(named);
  const [, kelvin, tint] = /^(\d+(?:\.\d+)?)K?(?:,([+-]?\d+(?:\.\d+)?))?$/i.exec(text) ?? [];
  const [k, t] = [Number(kelvin), Number(tint ?? 0)];
  if (!(k >= WHITE_SPAN.low && k <= WHITE_SPAN.high && Math.abs(t) <= MOST_TINT))
    throw new RangeError(
      `--white is auto, ${USUAL_LIGHTS.map(({ id }) => id).join(', ')}, or kelvin ${WHITE_SPAN.low} to ${WHITE_SPAN.high} with a tint if need be, such as 5200,+3; not ${text}`,
    );
  const { low, high } = tintsOn(optic, k);
  if (t < low || t > high)
    throw new RangeError(
      `--white ${text}: the sensor has next to no signal in a channel under such a light; at ${k} K the tint may be ${low} to ${high}`,
    );
  return held(k, t);
}

/** Exif: automatic or by hand. */
const WHITE_BALANCE = { auto: 0, byHand: 1 } as const;
const OTHER_LIGHT = 255;

export const white: Setting<WhiteSet> = {
  name: 'White',
  schema: WHITE,
  initial: { auto: true, exact: 5503, tint: 10 },
  words: ({ auto, exact, tint }) => (auto ? 'automatic' : whiteWords({ kelvin: exact, tint })),
  inSetups: true,
  ladder: WHITE_LADDER,
  on: ({ can }) => can.white !== undefined,
  settled: ({ auto, exact, tint }) => ({ ...held(exact, tint), auto }),
  forward: (kept) => {
    const value = kept as { exact?: unknown; tint?: unknown } | null;
    // Before it had a tint.
    return typeof value === 'object' && value && value.tint === undefined ? { ...value, tint: 0 } : kept;
  },
  options: [
    {
      flag: 'white',
      placeholder: 'auto|KELVIN[,TINT]|LIGHT|at:X,Y,RADIUS',
      parse: parseWhite,
    },
  ],
  exif: (value) => {
    if (!value) return {};
    if (value.auto) return { WhiteBalance: WHITE_BALANCE.auto };
    return { WhiteBalance: WHITE_BALANCE.byHand, LightSource: usualLightOf(value)?.code ?? OTHER_LIGHT };
  },
};
