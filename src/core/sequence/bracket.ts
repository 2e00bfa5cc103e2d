// Exposure brackets: frames of one thing that differ in light by even steps, through time or through ISO; aperture, focus and white are the same in
// all.
import { BASE_ISO, type ExposureSettings } from '../exposure/settings';
import { ISO_LADDER, SHUTTER_LADDER, type Ladder } from '../units/ladders';

/** In which order frames are taken: the middle one first, or from dark to bright, or from bright to dark. */
export const BRACKET_ORDERS = ['middle', 'rising', 'falling'] as const;
export type BracketOrder = (typeof BRACKET_ORDERS)[number];
export const BRACKET_WAYS = ['shutter', 'iso'] as const;
export type BracketWay = (typeof BRACKET_WAYS)[number];

export const MOST_FRAMES = 9;
/** Steps are thirds of a stop, from one to nine of them. */
export const MOST_STEP_THIRDS = 9;

export interface Bracket {
  /** 1 is no bracket. */
  readonly frames: number;
  readonly stepThirds: number;
  readonly order: BracketOrder;
  readonly by: BracketWay;
}

/**
 * How much more light each frame gets than the middle of the set, in thirds of a stop, in the order of taking. An even number of frames lies evenly
 * about the middle to the nearest third, the longer end towards the light.
 */
export function bracketThirds({ frames, stepThirds, order }: Omit<Bracket, 'by'>): number[] {
  const first = -Math.floor(((frames - 1) * stepThirds) / 2);
  const rising = Array.from({ length: frames }, (_, i) => first + i * stepThirds);
  if (order === 'rising') return rising;
  if (order === 'falling') return rising.reverse();
  // Of two that lie as far from the middle the darker comes first.
  return rising.sort((a, b) => Math.abs(a) - Math.abs(b) || a - b);
}

/** What would make a set fit into what time or ISO can do. */
export interface BracketRemedies {
  /** Moves the middle of the set, thirds of a stop; null where the set is wider than all that there is. */
  readonly shiftThirds: number | null;
  /** The most frames that fit as the middle stands, the step being the same; null where not even two do. */
  readonly frames: number | null;
  /** The other way to change the light, where that would fit. */
  readonly by: BracketWay | null;
}

export type Bracketed =
  | { readonly kind: 'fits'; readonly shots: readonly ExposureSettings[] }
  | {
      readonly kind: 'beyond';
      /** Thirds of a stop by which the darkest frame, and the brightest, lie beyond the end; 0 where they do not. */
      readonly underThirds: number;
      readonly overThirds: number;
      readonly remedies: BracketRemedies;
    };

/** Place of an exact value on a ladder of thirds, in thirds from its first entry; a value between two clicks lies between. */
function thirdsOn(ladder: Ladder, exact: number): number {
  return 3 * Math.log2(exact / ladder[0]!.exact);
}

/** Raw of an ISO under the base is that of the base: there is no less light to be had by it. */
const LADDERS: Readonly<Record<BracketWay, Ladder>> = {
  shutter: SHUTTER_LADDER,
  iso: ISO_LADDER.filter(({ exact }) => exact >= BASE_ISO),
};
/** Of a third: rounding of exact values, nothing else. */
export const ROUNDING = 1e-3;

/** Thirds of a stop of light that there still are below and above an exposure, whole ones. */
export interface LightRoom {
  readonly under: number;
  readonly over: number;
}

/** What time, or ISO, still has. */
export function roomOf(by: BracketWay, { shutterS, iso }: ExposureSettings): LightRoom {
  const ladder = LADDERS[by];
  const at = thirdsOn(ladder, by === 'shutter' ? shutterS : iso);
  const end = thirdsOn(ladder, ladder[ladder.length - 1]!.exact);
  // A ladder may run from long to short.
  const [low, high] = [Math.min(0, end), Math.max(0, end)];
  return { under: Math.floor(at - low + ROUNDING), over: Math.floor(high - at + ROUNDING) };
}

/** The exposures of a set about the one that stands, in the order of taking; its limits are those of the ladders of time and ISO. */
export function bracketed(middle: ExposureSettings, bracket: Bracket): Bracketed {
  const thirds = bracketThirds(bracket);
  const [darkest, brightest] = [Math.min(...thirds), Math.max(...thirds)];
  const { under, over } = roomOf(bracket.by, middle);
  if (-darkest <= under && brightest <= over) {
    const shots = thirds.map((third): ExposureSettings => {
      const factor = 2 ** (third / 3);
      return {
        ...middle,
        compensationEv: middle.compensationEv + third / 3,
        ...(bracket.by === 'shutter' ? { shutterS: middle.shutterS * factor } : { iso: middle.iso * factor }),
      };
    });
    return { kind: 'fits', shots };
  }
  const [underThirds, overThirds] = [Math.max(0, -darkest - under), Math.max(0, brightest - over)];
  return {
    kind: 'beyond',
    underThirds,
    overThirds,
    remedies: {
      shiftThirds: brightest - darkest > under + over ? null : underThirds > 0 ? underThirds : -overThirds,
      frames: fewerFrames(bracket, under, over),
      by: otherWay(middle, bracket, darkest, brightest),
    },
  };
}

function fewerFrames(bracket: Bracket, under: number, over: number): number | null {
  for (let frames = bracket.frames - 1; frames > 1; frames--) {
    const thirds = bracketThirds({ ...bracket, frames });
    if (-Math.min(...thirds) <= under && Math.max(...thirds) <= over) return frames;
  }
  return null;
}

function otherWay(
  middle: ExposureSettings,
  { by }: Bracket,
  darkest: number,
  brightest: number,
): BracketWay | null {
  const other = by === 'shutter' ? 'iso' : 'shutter';
  const { under, over } = roomOf(other, middle);
  return -darkest <= under && brightest <= over ? other : null;
}
