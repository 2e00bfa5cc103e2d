// The sites of a grid on the scene's plates, row by row: which pixel each lies on, how far away what it sees is, and the ray that it looks along.
import { cropOf } from './framing';
import type { LightGrid } from './light-grid';
import type { SceneSpace } from './scene';
import { poseOf } from './space';

/** Distances that differ by less, as a share, are of one surface. */
export const EDGE = 0.05;

/** By column. */
export interface PlateColumns {
  /** The pixel of the plates that it lies on. */
  readonly pixel: Int32Array;
  /** The pixel on the left of it, and how far it lies between that and the next. */
  readonly left: Int32Array;
  readonly between: Float64Array;
  /** Of its ray: how far to the right, where ahead is 1. */
  readonly aside: Float64Array;
}

/** The row that is looked at: its place between rows of the plates, where its kinds of surface begin, and the ray through its middle column. */
export interface PlateRow {
  readonly plate: number;
  readonly kinds: number;
  /** Squared length of that ray. */
  readonly flat: number;
  readonly bx: number;
  readonly by: number;
  readonly bz: number;
}

export interface PlateRows {
  /** Pixels a row of the plates. */
  readonly size: number;
  readonly columns: PlateColumns;
  /** Looks at a row. The same object each time, and the same distances. */
  turnTo(y: number): PlateRow;
  /** Distances along the row that is looked at, by pixel of the plates, m. */
  readonly line: Float32Array;
  /** Where the kinds of surface of a row begin. */
  kindsOf(y: number): number;
}

export function plateRows(
  { view, width, x0, y0, wholeWidth, wholeHeight }: LightGrid,
  { distance }: Pick<SceneSpace, 'distance'>,
): PlateRows {
  const { size, description } = view;
  const { up, ahead, tanHalf } = poseOf(description);
  const crop = cropOf(size, view.orientation);
  const columns = {
    pixel: new Int32Array(width),
    left: new Int32Array(width),
    between: new Float64Array(width),
    aside: new Float64Array(width),
  };
  for (let x = 0; x < width; x++) {
    const px = crop.x + ((x0 + x + 0.5) * crop.width) / wholeWidth;
    columns.pixel[x] = Math.min(size - 1, Math.floor(px));
    columns.left[x] = Math.min(size - 2, Math.max(0, Math.floor(px - 0.5)));
    columns.between[x] = px - 0.5 - columns.left[x]!;
    columns.aside[x] = ((2 * px) / size - 1) * tanHalf;
  }
  const line = new Float32Array(size);
  const at = { y: -1, plate: 0, kinds: 0, flat: 0, bx: 0, by: 0, bz: 0 };
  const plateRow = (y: number) => crop.y + ((y0 + y + 0.5) * crop.height) / wholeHeight;
  const kindsAt = (py: number) => Math.min(size - 1, Math.max(0, Math.floor(py))) * size;
  return {
    ...{ size, columns, line },
    turnTo: (y) => {
      if (at.y === y) return at;
      at.y = y;
      const py = plateRow(y);
      const v = (1 - (2 * py) / size) * tanHalf;
      at.plate = py - 0.5;
      at.kinds = kindsAt(py);
      at.flat = 1 + v * v;
      [at.bx, at.by, at.bz] = [ahead[0] + up[0] * v, ahead[1] + up[1] * v, ahead[2] + up[2] * v];
      blendRows(distance, size, at.plate, line);
      return at;
    },
    kindsOf: (y) => kindsAt(plateRow(y)),
  };
}

/** Row at a fractional place: blended on one surface, the nearer row's across an edge. */
function blendRows(plane: Float32Array, size: number, place: number, out: Float32Array): void {
  const y = Math.min(size - 1, Math.max(0, place));
  const top = Math.min(size - 2, Math.floor(y));
  const t = y - top;
  const from = top * size;
  for (let x = 0; x < size; x++) {
    const p = plane[from + x]!;
    const q = plane[from + size + x]!;
    out[x] = Math.abs(q - p) < EDGE * p ? p + t * (q - p) : t < 0.5 ? p : q;
  }
}
