// What a meter pattern is: one object that says which parts of the frame count, and how much.
import type { FramePoint, LuminanceMap } from './luminance-map';

export const PATTERN_IDS = ['whole', 'centre', 'spot', 'highlight'] as const;
export type PatternId = (typeof PATTERN_IDS)[number];

/** Names that patterns had in earlier versions: they stand in setups, records and command lines. */
const EARLIER: ReadonlyMap<unknown, PatternId> = new Map([['evaluative', 'whole']]);

/** A pattern's name as it is now; anything else as it is. */
export function patternForward(name: unknown): unknown {
  return EARLIER.get(name) ?? name;
}

/** Where the person aims the meter. */
export interface MeterAim {
  readonly at: FramePoint;
  /** Size of the spot, share of the frame's area. */
  readonly spotShare: number;
  /** Share of the frame that the highlight pattern lets burn. */
  readonly burnShare: number;
}

/** The area that is read, in shares of the frame, for drawing. */
export type PatternArea =
  | { kind: 'frame' }
  | { kind: 'brightest' }
  | { kind: 'ellipse'; cx: number; cy: number; rx: number; ry: number };

export interface Pattern {
  readonly id: PatternId;
  readonly name: string;
  readonly says: string;
  area(aim: MeterAim, aspect: number): PatternArea;
  /** Fills one weight (≥ 0) for each value of the map; absent where the reading is not a mean. */
  weight?(map: LuminanceMap, out: Float32Array, aim: MeterAim): void;
  /** Stops to be added to the weighted mean. */
  pull?(map: LuminanceMap, luminance: number): number;
}
