// Small highlights that may burn: connected bright areas no larger than the person tolerates. Sites are let in from the
// brightest down and joined to their neighbours (union–find, Tarjan 1975); an area counts from the moment it has grown
// too large. What never grew too large before the share was used up is sparkle.
import {
  codeOfHalf,
  LEVEL_CODES,
  levelsOf,
  luxOfCode,
  upperHalves,
  type Levels,
  type PerChannel,
} from './levels';

export interface Tolerance {
  /** Share of a channel's sites that may burn, 0 … 1. */
  readonly share: number;
  /** Largest connected area that is not counted, as a share of the frame; 0 tolerates nothing. */
  readonly area: number;
}

export interface Sparkle {
  /** The levels without what is tolerated; shares still refer to all sites. */
  readonly levels: Levels;
  /** Share of each channel's sites that is tolerated. */
  readonly tolerated: PerChannel<number>;
  /** Light, lx, that must not reach the limit, for there areas grow together; Infinity where nothing was taken out. */
  readonly mostLux: number;
}

/**
 * Takes the sparkle out of a mosaic's levels.
 * @param light lx on each sample, width × height (RGGB): the one the levels were counted from
 */
export function withoutSparkle(
  light: Float32Array,
  width: number,
  height: number,
  levels: Levels,
  { share, area }: Tolerance,
): Sparkle {
  if (!(area > 0)) return { levels, tolerated: [0, 0, 0, 0], mostLux: Infinity };
  const small = levels.counts.map((counts, c) => {
    const plane = channelPlane(light, width, height, c & 1, c >> 1);
    return smallAreas(plane, counts, share, area);
  });
  const counts = small.map(({ codes }, c) => {
    const left = levels.counts[c]!.slice();
    for (const code of codes) left[code] = left[code]! - 1;
    return left;
  }) as unknown as PerChannel<Float32Array>;
  const tolerated = small.map(({ codes }, c) => codes.length / Math.max(1, levels.sites[c]!));
  return {
    levels: levelsOf(counts, levels.sites),
    tolerated: tolerated as unknown as PerChannel<number>,
    mostLux: Math.min(
      ...small.map(({ codes, level }) => (codes.length > 0 ? luxOfCode(level, 1) : Infinity)),
    ),
  };
}

/** One CFA channel of a mosaic, as codes of its light. */
interface Plane {
  readonly codes: Uint16Array;
  readonly columns: number;
  readonly rows: number;
}

function channelPlane(light: Float32Array, width: number, height: number, x0: number, y0: number): Plane {
  const halves = upperHalves(light);
  const [columns, rows] = [(width - x0 + 1) >> 1, (height - y0 + 1) >> 1];
  const codes = new Uint16Array(columns * rows);
  for (let y = 0, cell = 0; y < rows; y++) {
    let at = 2 * ((y0 + 2 * y) * width + x0) + 1;
    for (let x = 0; x < columns; x++, cell++, at += 4) codes[cell] = codeOfHalf(halves[at]!);
  }
  return { codes, columns, rows };
}

interface SmallAreas {
  /** Code of each cell that lies in a small area. */
  readonly codes: readonly number[];
  /** The code at which more than the share would count; 0 when it never does. */
  readonly level: number;
}

function smallAreas(plane: Plane, counts: Float32Array, share: number, area: number): SmallAreas {
  const cells = plane.codes.length;
  const [most, allowed] = [area * cells, share * cells];
  // What is looked at grows until it is enough: usually the first handful of cells is.
  for (let wanted = 4 * (allowed + most) + 64; ; wanted *= 8) {
    const order = brightest(plane, counts, wanted);
    const before = grow(plane, order, most, allowed);
    if (before < order.length || order.length === cells) {
      const level = before < order.length ? plane.codes[order[before]!]! : 0;
      return { codes: inSmallAreas(plane, order.subarray(0, before), most), level };
    }
  }
}

/** At least `wanted` of the brightest cells, whole codes at a time, from the brightest down (counting sort). */
function brightest({ codes }: Plane, counts: Float32Array, wanted: number): Int32Array {
  const starts = new Int32Array(LEVEL_CODES);
  let lowest = LEVEL_CODES;
  let sum = 0;
  while (lowest > 0 && sum < wanted) {
    lowest--;
    starts[lowest] = sum;
    sum += counts[lowest]!;
  }
  const order = new Int32Array(sum);
  for (let cell = 0; cell < codes.length; cell++) {
    const code = codes[cell]!;
    if (code < lowest) continue;
    order[starts[code]!++] = cell;
  }
  return order;
}

/** How many of the cells come before the level at which more than `allowed` of them lie in areas larger than `most`. */
function grow({ codes, columns, rows }: Plane, order: Int32Array, most: number, allowed: number): number {
  const parent = new Int32Array(codes.length).fill(-1);
  /** Cells of the area, kept at its root. */
  const size = new Int32Array(codes.length);
  const rootOf = (cell: number) => {
    while (parent[cell] !== cell) cell = parent[cell] = parent[parent[cell]!]!;
    return cell;
  };
  const counting = (cells: number) => (cells > most ? cells : 0);
  let counted = 0;
  for (let i = 0; i < order.length;) {
    const from = i;
    const level = codes[order[from]!]!;
    for (; i < order.length && codes[order[i]!] === level; i++) {
      const cell = order[i]!;
      parent[cell] = cell;
      size[cell] = 1;
      counted += counting(1);
      forNeighbours(cell, columns, rows, (other) => {
        if (parent[other] === -1) return;
        const [a, b] = [rootOf(cell), rootOf(other)];
        if (a === b) return;
        const joined = size[a]! + size[b]!;
        counted += counting(joined) - counting(size[a]!) - counting(size[b]!);
        parent[a] = b;
        size[b] = joined;
      });
    }
    if (counted > allowed) return from;
  }
  return order.length;
}

/** Codes of those cells that lie in areas of at most `most` of them. */
function inSmallAreas({ codes, columns, rows }: Plane, cells: Int32Array, most: number): number[] {
  const inside = new Uint8Array(codes.length);
  for (const cell of cells) inside[cell] = 1;
  const small: number[] = [];
  for (const first of cells) {
    if (inside[first] === 0) continue;
    const area = [first];
    inside[first] = 0;
    for (let k = 0; k < area.length; k++) {
      forNeighbours(area[k]!, columns, rows, (cell) => {
        if (inside[cell] === 0) return;
        inside[cell] = 0;
        area.push(cell);
      });
    }
    if (area.length <= most) for (const cell of area) small.push(codes[cell]!);
  }
  return small;
}

/** The eight around a cell, as far as they are there. */
function forNeighbours(cell: number, columns: number, rows: number, each: (cell: number) => void): void {
  const [x, y] = [cell % columns, Math.floor(cell / columns)];
  for (let ny = Math.max(0, y - 1); ny <= Math.min(rows - 1, y + 1); ny++)
    for (let nx = Math.max(0, x - 1); nx <= Math.min(columns - 1, x + 1); nx++)
      if (nx !== x || ny !== y) each(ny * columns + nx);
}
