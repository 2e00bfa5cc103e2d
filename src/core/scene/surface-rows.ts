// What the camera adds to the plates' surfaces, as a factor for each site of a row: material grain and the marks of things
// that turn.
import { grainOfRows } from './grain-of-rows';
import type { LightGrid } from './light-grid';
import { plateRows } from './plate-rows';
import { rowProduct } from './site-rows';
import { poseOf } from './space';
import { spinRows } from './spin-rows';

export interface SurfaceRows {
  /** Multiplies `out` by the factors of row `y`; `turn` and `arc` of the turning part in turns. */
  apply(y: number, turn: number, arc: number, out: Float32Array): void;
}

export interface SurfaceOptions {
  /** Marks of what turns are left out. */
  readonly plain?: boolean;
  /** The grain is worked out once and kept, four bytes a sample: for grids that are exposed several times. */
  readonly kept?: boolean;
}

/** Factors computed site by site: grain, and marks unless they are left out. For a capture, or any grid of single sites. */
export function surfaceRows(
  grid: LightGrid,
  { plain = false, kept = false }: SurfaceOptions = {},
): SurfaceRows | undefined {
  const { view, width, height, siteMm, focusM } = grid;
  const { space, description, camera } = view;
  if (!space) return undefined;
  const pose = poseOf(description);
  const rows = plateRows(grid, space);
  const { spin } = description;
  const { lens } = camera;
  const marks = !plain && spin ? spinRows(rows, space.surface, pose, spin, lens, focusM) : undefined;
  const grain = grainOfRows(rows, space.surface, pose, { lens, siteMm, focusM });
  const grainAt = (y: number, out: Float32Array) => grain(rows.turnTo(y), out);
  const grainOf = kept ? onceEach(width, height, grainAt) : eachTime(width, grainAt);
  const product = rowProduct(width);
  return {
    apply: (y, turn, arc, out) => {
      product(out, grainOf(y));
      marks?.(y, turn, arc, out);
    },
  };
}

type MakeRow = (y: number, out: Float32Array) => void;

function eachTime(width: number, make: MakeRow): (y: number) => Float32Array {
  const row = new Float32Array(width);
  return (y) => {
    make(y, row);
    return row;
  };
}

function onceEach(width: number, height: number, make: MakeRow): (y: number) => Float32Array {
  const all = new Float32Array(width * height);
  const made = new Uint8Array(height);
  return (y) => {
    const row = all.subarray(y * width, (y + 1) * width);
    if (made[y] === 0) make(y, row);
    made[y] = 1;
    return row;
  };
}
