// The finder's white from frame to frame: by hand it is what was set; the automatic follows the light in a few frames and then rests.
import type { CameraMatrices } from '../colour/calibrated';
import { colourOfWhite, type CameraColour } from '../colour/camera';
import type { WhitePoint } from '../colour/temperature';
import type { RawFrame } from '../sensor/raw-frame';
import type { WhiteSet } from '../setting/white';
import { automaticWhite } from './automatic';
import { colourGrid, type ColourGrid } from './colour-grid';
import { mixedLight, type MixedLight } from './mixed';

/** The white that a frame is balanced for, and where it comes from. */
export interface WhiteInUse {
  readonly colour: CameraColour;
  /** By hand; by the automatic, sure of it or guessing; or the automatic's as it was when the exposure was locked. */
  readonly by: 'hand' | 'automatic' | 'guess' | 'held';
  /** The light that the automatic is sure of, whoever sets the white. */
  readonly measured: WhitePoint | null;
  /** Two lights in the frame; null while it looks lit by one. */
  readonly mixed: MixedLight | null;
}

/** It sets out when it is off by more than this, and rests when it is within that: mired, tint. */
const SETS_OUT = { mired: 6, tint: 4 } as const;
const RESTS = { mired: 1, tint: 1 } as const;
/** Of the way that is left, a frame. */
const PACE = 0.4;
/** Frames after which the light is looked at anew, and after which it is asked whether there are two. */
const LOOK_EVERY = 6;
const MIXED_EVERY = 24;
/** Frames until it is asked first, where it must not be at once. */
const MIXED_FROM = 3;

const miredOf = ({ kelvin }: WhitePoint) => 1e6 / kelvin;

function off(from: WhitePoint, to: WhitePoint, than: { mired: number; tint: number }): boolean {
  return Math.abs(miredOf(from) - miredOf(to)) > than.mired || Math.abs(from.tint - to.tint) > than.tint;
}

export interface WhiteFollower {
  /** The white for a frame. @param held true while the exposure is locked: the automatic stays where it is */
  next(frame: Omit<RawFrame, 'colour'>, set: WhiteSet, held: boolean): WhiteInUse;
}

/** @param atOnce true where the first frame must not wait for what takes long: the light is asked about, and whether there are two, a little later */
export function whiteFollower(matrices: CameraMatrices, atOnce = false): WhiteFollower {
  let grid: ColourGrid | undefined;
  let byHand: { set: WhiteSet; colour: CameraColour } | undefined;
  let automatic: CameraColour | undefined;
  let goal: { colour: CameraColour; sure: boolean } | undefined;
  let measured: WhitePoint | null = null;
  let mixed: MixedLight | null = null;
  let [moving, frames, sinceMixed] = [false, 0, atOnce ? MIXED_EVERY - MIXED_FROM : MIXED_EVERY];
  return {
    next: (frame, set, held) => {
      const look = () => (grid = colourGrid(frame, frame.noise, grid));
      if (++sinceMixed >= MIXED_EVERY) {
        sinceMixed = 0;
        mixed = mixedLight(matrices, look());
        const found = automaticWhite(matrices, grid!);
        measured = found.sure ? found.colour.white : null;
      }
      if (!set.auto) {
        if (byHand?.set !== set)
          byHand = { set, colour: colourOfWhite(matrices, { kelvin: set.exact, tint: set.tint }) };
        return { colour: byHand.colour, by: 'hand', measured, mixed };
      }
      if (held && automatic) return { colour: automatic, by: 'held', measured, mixed };
      if (!goal || ++frames >= LOOK_EVERY) {
        frames = 0;
        goal = automaticWhite(matrices, look());
      }
      const to = goal.colour;
      if (!automatic) automatic = to;
      else if (moving || off(automatic.white, to.white, SETS_OUT)) {
        const { white } = automatic;
        const mired = miredOf(white) + PACE * (miredOf(to.white) - miredOf(white));
        const next = { kelvin: 1e6 / mired, tint: white.tint + PACE * (to.white.tint - white.tint) };
        moving = off(next, to.white, RESTS);
        automatic = moving ? colourOfWhite(matrices, next) : to;
      }
      return { colour: automatic, by: goal.sure ? 'automatic' : 'guess', measured, mixed };
    },
  };
}
