// Exposure brackets: frames of one thing that differ in light by even steps, through time or through ISO; aperture, focus and white are the same in
// all. And the smallest set that holds all that is wanted of a scene, from its range and the sensor's (common practice: neighbouring frames have
// a stop in common).
import { BASE_ISO, type ExposureSettings } from '../exposure/settings';
import { framesFor, OVERLAP_EV, type RangeReport } from '../scopes/limits';
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

/**
 * How far the middle of a set is to move so that its darkest frame has the highlights that count just under clip, thirds of a stop, downwards.
 * @param headroomEv of the exposure that stands, finite
 */
export function highlightsToClip(set: Omit<Bracket, 'by'>, headroomEv: number): number {
  const darkest = Math.min(...bracketThirds(set));
  return Math.floor(3 * headroomEv + ROUNDING) - darkest;
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
const ROUNDING = 1e-3;

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

/** A set that was planned from what is in front of the camera. */
export type BracketPlan =
  | {
      readonly kind: 'set';
      readonly frames: number;
      readonly stepThirds: number;
      /** Where the middle of the set lies from the exposure that the range was measured at, thirds of a stop of light. */
      readonly middleThirds: number;
      readonly left: LeftOut;
    }
  /** One frame holds it: as far from the measured exposure as this its highlights reach clip and no more. */
  | { readonly kind: 'one'; readonly middleThirds: number; readonly left: LeftOut }
  | { readonly kind: 'none'; readonly why: string };

/** What there is no light short enough, or long enough, to hold, thirds of a stop: of the highlights over clip, of the shadows below clean; 0 where all is held. */
export interface LeftOut {
  readonly highlights: number;
  readonly shadows: number;
}

/**
 * The smallest set of frames, evenly apart and a stop or more in common, between which all that is wanted of a scene lies clean and unclipped: the
 * darkest holds the highlights that count just under clip, the brightest the shadows that count above the clean line. Where the camera has not the
 * light for that, of what it has.
 * @param range of the scene and of the sensor, at the ISO that the set will be taken at
 * @param headroomEv stops until the highlights that count reach clip, from the exposure that they were measured at
 * @param room what the exposure can still be moved by, from there
 */
export function planBracket(
  { sceneEv, sensorEv }: RangeReport,
  headroomEv: number,
  room: LightRoom,
): BracketPlan {
  if (!Number.isFinite(headroomEv)) return { kind: 'none', why: 'there is no light to plan by' };
  const least = framesFor(sceneEv, sensorEv);
  if (least === null) return { kind: 'none', why: 'the dark has no light at all, or nothing is clean' };
  // Never over clip: whole thirds downwards.
  const wanted = Math.floor(3 * headroomEv + ROUNDING);
  const wantedEnd = Math.max(wanted, Math.ceil(3 * (headroomEv + sceneEv - sensorEv) - ROUNDING));
  const within = (thirds: number) => Math.min(room.over, Math.max(-room.under, thirds));
  const [darkest, brightest] = [within(wanted), within(wantedEnd)];
  const highlights = Math.max(0, darkest - wanted);
  const leftBy = (last: number) => ({ highlights, shadows: Math.max(0, wantedEnd - last) });
  const spanThirds = brightest - darkest;
  if (spanThirds <= 0) return { kind: 'one', middleThirds: darkest, left: leftBy(darkest) };
  const mostStep = Math.min(MOST_STEP_THIRDS, Math.floor(3 * (sensorEv - OVERLAP_EV) + ROUNDING));
  const frames = Math.max(2, Math.ceil(spanThirds / Math.max(1, mostStep)) + 1);
  if (mostStep < 1 || frames > MOST_FRAMES)
    return {
      kind: 'none',
      why: `${MOST_FRAMES} frames up to ${MOST_STEP_THIRDS / 3} EV apart do not hold ${sceneEv.toFixed(1)} EV with a stop in common`,
    };
  // Even steps reach a little farther than the span: downwards where there is no more light.
  const even = Math.ceil(spanThirds / (frames - 1));
  const first = Math.max(-room.under, Math.min(darkest, room.over - (frames - 1) * even));
  const stepThirds = Math.min(even, Math.floor((room.over - first) / (frames - 1)));
  const last = first + (frames - 1) * stepThirds;
  if (stepThirds < 1) return { kind: 'one', middleThirds: darkest, left: leftBy(darkest) };
  return {
    ...{ kind: 'set', frames, stepThirds, left: leftBy(last) },
    middleThirds: first + Math.floor(((frames - 1) * stepThirds) / 2),
  };
}
