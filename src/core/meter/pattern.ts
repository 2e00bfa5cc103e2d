// What a meter pattern is: one object that says which parts of the frame count, and how much.
import type { FramePoint, LuminanceMap } from './luminance-map';

export type PatternId = 'evaluative' | 'centre' | 'spot';

/** The area that is read, in shares of the frame, for drawing. */
export type PatternArea =
  { kind: 'frame' } | { kind: 'ellipse'; cx: number; cy: number; rx: number; ry: number };

export interface Pattern {
  readonly id: PatternId;
  readonly name: string;
  readonly says: string;
  area(at: FramePoint, aspect: number): PatternArea;
  /** Fills one weight (≥ 0) for each value of the map. */
  weight(map: LuminanceMap, out: Float32Array, at: FramePoint): void;
}
