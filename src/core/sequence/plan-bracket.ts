// The smallest set of exposures that holds all that is wanted of a scene, from its range and the sensor's (common practice: neighbouring frames have
// a stop in common).
import {
  bracketThirds,
  MOST_FRAMES,
  MOST_STEP_THIRDS,
  ROUNDING,
  type Bracket,
  type LightRoom,
} from './bracket';

export interface RangeReport {
  /** From the darkest 1 % of green to the brightest share that must not burn; Infinity when the dark has no light at all. */
  readonly sceneEv: number;
  /** From the clean line to clip at this ISO. */
  readonly sensorEv: number;
  /** Frames that hold the scene, each a sensor's range with one stop shared with the next; null when none can. */
  readonly frames: number | null;
}

/** Stops that neighbouring frames of a set have in common (practice). */
export const OVERLAP_EV = 1;

/** Frames that hold a scene; null where no number of them does. */
export function framesFor(sceneEv: number, sensorEv: number): number | null {
  if (sceneEv <= sensorEv) return 1;
  if (!Number.isFinite(sceneEv) || sensorEv <= OVERLAP_EV) return null;
  return Math.ceil((sceneEv - OVERLAP_EV) / (sensorEv - OVERLAP_EV) - 1e-9);
}

/**
 * How far the middle of a set is to move so that its darkest frame has the highlights that count just under clip, thirds of a stop, downwards.
 * @param headroomEv of the exposure that stands, finite
 */
export function highlightsToClip(set: Omit<Bracket, 'by'>, headroomEv: number): number {
  const darkest = Math.min(...bracketThirds(set));
  return Math.floor(3 * headroomEv + ROUNDING) - darkest;
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
