// How large the finder's frames are made: as large as the device makes in time, so that the picture follows the hand on a slow one too.

/** Long sides, samples. */
const SIDES = [640, 480, 320] as const;
/** Frames that come less often than this a second are made smaller. */
const LEAST_A_SECOND = 15;
/** So many frames in a row are looked at, by their median: one that is slow by itself is none of its business. */
const FRAMES = 25;
/** Larger ones are tried again where they should take no more than this share of what they may. */
const ROOM = 0.6;
/** At first after so many frames; each time that they turn out too slow, after twice as many. */
const PATIENCE = 100;

export interface Pace {
  readonly longSide: number;
  /** What a frame of this size took, ms. */
  took(ms: number): void;
}

export function finderPace(): Pace {
  let size = 0;
  let recent: number[] = [];
  let frames = 0;
  let patience = PATIENCE;
  const change = (to: number) => {
    size = to;
    recent = [];
    frames = 0;
  };
  return {
    get longSide() {
      return SIDES[size]!;
    },
    took: (ms) => {
      frames++;
      recent.push(ms);
      if (recent.length < FRAMES) return;
      if (recent.length > FRAMES) recent.shift();
      const median = [...recent].sort((a, b) => a - b)[FRAMES >> 1]!;
      const most = 1000 / LEAST_A_SECOND;
      if (median > most && size < SIDES.length - 1) {
        // What was just tried, and was too much, is not tried again soon.
        if (frames < 2 * FRAMES) patience *= 2;
        change(size + 1);
      } else if (size > 0 && frames >= patience) {
        const larger = (SIDES[size - 1]! / SIDES[size]!) ** 2;
        if (median * larger <= ROOM * most) change(size - 1);
      }
    },
  };
}
