// Marks on things that turn: how a turning surface differs from its mean, by angle and by height along its profile. An
// exposure sees the mean over the arc that passed, read from running sums: exact for any speed and time.
import { nextUint32, randomFrom } from '../numeric/random';

const ANGLES = 1024;
const ROWS = 384;
/** Profile coordinate, height − radius in metres, of the first and last row. */
const FROM_M = 0.7;
const TO_M = 1.04;
/** Where the wheel's head ends and the pot begins. */
const FOOT_M = 0.833;
const TURN = 2 * Math.PI;
/** From one row to the next, m. */
const ROW_M = (TO_M - FROM_M) / (ROWS - 1);

/** Running sums over the angle, `ANGLES` + 1 a row. */
export type SpinMarks = Float32Array;

let marks: SpinMarks | undefined;

/**
 * The marks of the thrown pot and the wheel's head: throwing spiral, finger streaks, slip, specks, a chalk line. Factors whose mean over
 * a whole turn is 1 in every row.
 */
export function spinMarks(): SpinMarks {
  if (marks) return marks;
  const random = randomFrom(1312);
  const share = () => nextUint32(random) / 2 ** 32;
  const value = new Float32Array(ANGLES * ROWS).fill(1);
  const each = (row: number, angle: number, f: (v: number) => number) => {
    const i = row * ANGLES + (((angle % ANGLES) + ANGLES) % ANGLES);
    value[i] = f(value[i]!);
  };
  const rowOf = (u: number) => Math.round(((u - FROM_M) / (TO_M - FROM_M)) * (ROWS - 1));
  const foot = rowOf(FOOT_M);
  for (let row = foot; row < ROWS; row++)
    for (let a = 0; a < ANGLES; a++) {
      const spiral = Math.sin((row - foot) * 0.31 - (a / ANGLES) * TURN);
      each(row, a, (v) => v * (1 + 0.07 * spiral));
    }
  const patch = (top: number, high: number, a0: number, broad: number, factor: number, lean = 0) => {
    const [row0, rows, wide] = [Math.floor(top), Math.ceil(high), Math.ceil(broad)];
    for (let r = 0; r < rows; r++)
      for (let a = 0; a < wide; a++) {
        const edge = Math.sin(((a + 0.5) / wide) * Math.PI) * Math.sin(((r + 0.5) / rows) * Math.PI);
        const row = row0 + r;
        if (row >= 0 && row < ROWS)
          each(row, Math.round(a0 + a + lean * r), (v) => v * (1 + (factor - 1) * Math.sqrt(edge)));
      }
  };
  for (let i = 0; i < 7; i++)
    patch(foot + 8, ROWS - foot - 40, share() * ANGLES, 14 + share() * 26, 0.72 + share() * 0.12, 0.2);
  for (let i = 0; i < 16; i++) {
    patch(share() * foot * 0.8, 12 + share() * 52, share() * ANGLES, 30 + share() * 110, i % 2 ? 0.62 : 1.45);
  }
  for (let i = 0; i < 170; i++)
    patch(share() * ROWS, 3 + share() * 3, share() * ANGLES, 4 + share() * 5, 0.5);
  patch(0, foot - 3, 300, 12, 1.9);
  // Over a whole turn every row is as bright as the plate says.
  for (let row = 0; row < ROWS; row++) {
    const turn = value.subarray(row * ANGLES, (row + 1) * ANGLES);
    const mean = turn.reduce((a, b) => a + b, 0) / ANGLES;
    for (let a = 0; a < ANGLES; a++) turn[a] = turn[a]! / mean;
  }
  const sums = new Float32Array((ANGLES + 1) * ROWS);
  for (let row = 0; row < ROWS; row++) {
    let sum = 0;
    for (let a = 0; a < ANGLES; a++) {
      sum += value[row * ANGLES + a]!;
      sums[row * (ANGLES + 1) + a + 1] = sum;
    }
  }
  marks = sums;
  return sums;
}

/** Place in the rows of the marks, with its fraction, of a point at `height` and `radius` (metres); held inside the table. */
export function spinRow(height: number, radius: number): number {
  const row = ((height - radius - FROM_M) / (TO_M - FROM_M)) * (ROWS - 1);
  return row < 0 ? 0 : row > ROWS - 1.001 ? ROWS - 1.001 : row;
}

/**
 * Mean of the marks from `turn` over `arc`, both in turns, at a place between rows. @param arc ≥ 0; a still thing needs the width of a sample, since a
 * table has no value at a point
 */
export function meanOverArc(sums: SpinMarks, row: number, turn: number, arc: number): number {
  arcTo(turn, arc);
  const top = Math.floor(row);
  const above = sumInRow(sums, top);
  const sum = row === top ? above : above + (row - top) * (sumInRow(sums, top + 1) - above);
  return sum / at.width;
}

/** Running sums of the rows' running sums, one row more. */
let rowSums: { readonly of: SpinMarks; readonly sums: Float64Array } | undefined;

function overRows(of: SpinMarks): Float64Array {
  if (rowSums?.of === of) return rowSums.sums;
  const wide = ANGLES + 1;
  const sums = new Float64Array((ROWS + 1) * wide);
  for (let i = 0; i < ROWS * wide; i++) sums[i + wide] = sums[i]! + of[i]!;
  rowSums = { of, sums };
  return sums;
}

/** A box as broad as this share of a disc has its variance along an axis. */
const BOX_OF_DISC = Math.sqrt(12 / 16);

/**
 * The same as a lens out of focus draws it: over a disc of this diameter on the surface.
 * @param middle of the arc, turns @param radius of the place from the axis, m
 */
export function meanOverDisc(
  sums: SpinMarks,
  row: number,
  middle: number,
  arc: number,
  discM: number,
  radius: number,
): number {
  const broad = BOX_OF_DISC * discM;
  const aside = broad / (TURN * Math.max(radius, broad));
  const turns = broad > 0 ? Math.sqrt(arc * arc + aside * aside) : arc;
  const rows = broad / ROW_M;
  if (rows <= 1) return meanOverArc(sums, row, middle - turns / 2, turns);
  arcTo(middle - turns / 2, turns);
  const all = overRows(sums);
  const low = Math.max(0, row + 0.5 - rows / 2);
  const high = Math.min(ROWS, row + 0.5 + rows / 2);
  return (sumAbove(all, sums, high) - sumAbove(all, sums, low)) / ((high - low) * at.width);
}

/**
 * The arc that is summed: columns that it begins and ends in, with the fractions of a column past each (`past`, `pastTo`); whole turns that it goes round
 * beside; its width in columns.
 */
const at = { from: 0, past: 0, to: 0, pastTo: 0, whole: 0, width: 0 };

/** Sets `at`: an object of its own for each of millions of sites would cost more than the sums. */
function arcTo(turn: number, arc: number): void {
  const wide = Math.max(arc, 1 / ANGLES);
  const whole = Math.floor(wide);
  const from = (turn - Math.floor(turn)) * ANGLES;
  const end = from + (wide - whole) * ANGLES;
  const to = end <= ANGLES ? end : end - ANGLES;
  at.from = Math.min(ANGLES - 1, Math.floor(from));
  at.past = from - at.from;
  at.to = Math.min(ANGLES - 1, Math.floor(to));
  at.pastTo = to - at.to;
  at.whole = end <= ANGLES ? whole : whole + 1;
  at.width = wide * ANGLES;
}

/** Sum of the marks of a row along the arc. */
function sumInRow(sums: SpinMarks, row: number): number {
  const start = row * (ANGLES + 1);
  const [i, j] = [start + at.from, start + at.to];
  const before = sums[i]! + at.past * (sums[i + 1]! - sums[i]!);
  const until = sums[j]! + at.pastTo * (sums[j + 1]! - sums[j]!);
  return until - before + at.whole * sums[start + ANGLES]!;
}

/** Sum of the marks along the arc over all rows above `place`, which may lie between two rows. @param all `sums` added up from row to row */
function sumAbove(all: Float64Array, sums: SpinMarks, place: number): number {
  const row = Math.min(ROWS - 1, Math.floor(place));
  const start = row * (ANGLES + 1);
  const [i, j] = [start + at.from, start + at.to];
  const before = all[i]! + at.past * (all[i + 1]! - all[i]!);
  const until = all[j]! + at.pastTo * (all[j + 1]! - all[j]!);
  return until - before + at.whole * all[start + ANGLES]! + (place - row) * sumInRow(sums, row);
}
