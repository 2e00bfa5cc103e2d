// Bursts: frames of one exposure one after the other, as often as is asked or as exposure and read-out let them follow.

/** How many frames a press takes, and how often. */
export interface Burst {
  /** 1 for no burst. */
  readonly frames: number;
  /** Frames a second that are asked for. */
  readonly perS: number;
  /** For as long as the release is held, at most `MOST_BURST` frames; `frames` does not count then. */
  readonly held: boolean;
}

export const MOST_BURST = 30;
export const MOST_PER_S = 15;

/** What a sensor needs between two exposures of a burst, s: its read-out (the simulated ones', all alike). */
const BURST_GAP_S = 1 / 60;

export function isBurst({ frames, held }: Burst): boolean {
  return held || frames > 1;
}

/** From the beginning of one frame to that of the next, s. */
export function burstEveryS({ perS }: Pick<Burst, 'perS'>, shutterS: number): number {
  return Math.max(1 / perS, shutterS + BURST_GAP_S);
}
