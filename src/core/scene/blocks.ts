// Squares of a picture, told apart by whether anything is in them: work on what is scattered over a picture can pass by what is empty.

export interface Blocks {
  /** Side of a square, samples; those at the right and the lower edge may be cut. */
  readonly side: number;
  readonly across: number;
  readonly down: number;
  /** 1 where something is, rows of squares. */
  readonly on: Uint8Array;
}

/** The squares in which some value is not 0. */
export function blocksOf(values: Float32Array, width: number, height: number, side: number): Blocks {
  const [across, down] = [Math.ceil(width / side), Math.ceil(height / side)];
  const on = new Uint8Array(across * down);
  for (let y = 0; y < height; y++) {
    const row = Math.floor(y / side) * across;
    for (let b = 0; b < across; b++) {
      if (on[row + b] === 1) continue;
      const end = y * width + Math.min(width, (b + 1) * side);
      for (let i = y * width + b * side; i < end; i++)
        if (values[i] !== 0) {
          on[row + b] = 1;
          break;
        }
    }
  }
  return { side, across, down, on };
}

/** All of them, and those that lie within `away` squares of one. */
export function widened({ side, across, down, on }: Blocks, away: number): Blocks {
  const wide = new Uint8Array(on.length);
  for (let y = 0; y < down; y++)
    for (let x = 0; x < across; x++) {
      if (on[y * across + x] === 0) continue;
      for (let v = Math.max(0, y - away); v <= Math.min(down - 1, y + away); v++)
        wide.fill(1, v * across + Math.max(0, x - away), v * across + Math.min(across, x + away + 1));
    }
  return { side, across, down, on: wide };
}

/** Where the next stretch of row `y` begins from `x` on that lies in squares with something, and where it ends; null where there is none. */
export function stretchFrom(
  { side, across, on }: Blocks,
  width: number,
  y: number,
  x: number,
): { from: number; to: number } | null {
  const row = Math.floor(y / side) * across;
  let block = Math.floor(x / side);
  while (block < across && on[row + block] === 0) block++;
  if (block === across) return null;
  const from = Math.max(x, block * side);
  while (block < across && on[row + block] === 1) block++;
  return from >= width ? null : { from, to: Math.min(width, block * side) };
}
