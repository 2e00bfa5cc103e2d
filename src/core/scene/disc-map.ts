// Discs that a picture is blurred by: what they are like, and which sample has which.
import type { Blocks } from './blocks';

/** Discs of a picture's samples as stretches of rows with one disc each, at the size that they are made at. */
export interface DiscMap {
  readonly width: number;
  readonly height: number;
  /** How often the picture is halved before. */
  readonly level: number;
  /** First stretch of each row, one more than rows. */
  readonly rows: Int32Array;
  /** First sample of each stretch, and the one after its last; what lies in no stretch is not made, and 0. */
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly discs: readonly Disc[];
  /** Squares of the picture that are made; undefined where all of it is. */
  readonly reached: Blocks | undefined;
}

/** Rows of a disc from its middle down: half the width of each beside its middle sample, and how far the row counts. */
export interface Disc {
  readonly half: readonly number[];
  readonly share: readonly number[];
  readonly area: number;
}

/** Discs are told apart by a fiftieth: numbers from 1; 0 is no disc of its own. */
const STEPS = 50;

/** Numbers by diameter in 32nds of a sample; all wider ones are the last. */
export const DISC_NUMBERS = Uint16Array.from({ length: 32 * 512 }, (_, i) =>
  i <= 16 ? 1 : 1 + Math.round(Math.log(i / 16) * STEPS),
);

/** Number of a disc, 1 at a diameter of half a sample or less. */
export function discNumber(diameter: number): number {
  const i = diameter * 32 + 0.5;
  return DISC_NUMBERS[i < DISC_NUMBERS.length ? i | 0 : DISC_NUMBERS.length - 1]!;
}

export function diameterOf(number: number): number {
  return 0.5 * Math.exp((number - 1) / STEPS);
}
