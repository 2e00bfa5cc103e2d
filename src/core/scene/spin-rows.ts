// Marks of a thing that turns, along the rows of a grid: the mean over what turns past while a row is exposed, and over its blur.
import { blurDiscMm, type Lens } from '../optics/lens';
import { EDGE, type PlateRows } from './plate-rows';
import type { Spin } from './scene';
import type { Pose } from './space';
import { meanOverDisc, spinMarks, spinRow } from './spin';

/** Multiplies `out` by the marks of row `y`; turn and arc in turns. */
export type SpinRow = (y: number, turn: number, arc: number, out: Float32Array) => void;

export function spinRows(
  rows: PlateRows,
  surface: Uint8Array,
  { eye: [ex, ey, ez], right: [rx0, ry0, rz0] }: Pick<Pose, 'eye' | 'right'>,
  { part, x: cx, z: cz }: Spin,
  lens: Lens,
  focusM: number,
): SpinRow {
  const { size, columns, line } = rows;
  const { pixel, left, between, aside } = columns;
  const marks = spinMarks();
  const discOn = discOnSurface(lens, focusM);
  const spanOf = spansOf(pixel, surface, part);
  /** Distance to what a site of the row sees, m: blended on one surface, the nearer pixel's across an edge. */
  const distanceAt = (x: number) => {
    const l = left[x]!;
    const d0 = line[l]!;
    const d1 = line[l + 1]!;
    const t = between[x]!;
    return Math.abs(d1 - d0) < EDGE * d0 ? d0 + t * (d1 - d0) : t < 0.5 ? d0 : d1;
  };
  return (y, turn, arc, out) => {
    const { from, to } = spanOf(rows.kindsOf(y));
    if (from >= to) return;
    const { kinds, flat, bx, by, bz, plate } = rows.turnTo(y);
    for (let x = from; x < to; x++) {
      if (surface[kinds + pixel[x]!]! >> 5 !== part) continue;
      const u = aside[x]!;
      const d = distanceAt(x);
      const k = d / Math.sqrt(flat + u * u);
      const rx = ex + (bx + rx0 * u) * k - cx;
      const rz = ez + (bz + rz0 * u) * k - cz;
      const wy = ey + (by + ry0 * u) * k;
      const angle = Math.atan2(rz, rx) / (2 * Math.PI);
      const radius = Math.sqrt(rx * rx + rz * rz);
      const mark = meanOverDisc(marks, spinRow(wy, radius), angle - turn - arc / 2, arc, discOn(d), radius);
      const inside = shareOfPart(surface, size, left[x]! + between[x]!, plate, part);
      out[x] = out[x]! * (1 + inside * (mark - 1));
    }
  };
}

/** Columns between the first and the last that show a part in a row of the plates, by where that row begins; looked for once each. */
function spansOf(pixel: Int32Array, surface: Uint8Array, part: number) {
  const spans = new Map<number, { from: number; to: number }>();
  return (kinds: number) => {
    const known = spans.get(kinds);
    if (known) return known;
    const found = { from: pixel.length, to: 0 };
    for (let x = 0; x < pixel.length; x++) {
      if (surface[kinds + pixel[x]!]! >> 5 !== part) continue;
      found.from = Math.min(found.from, x);
      found.to = x + 1;
    }
    spans.set(kinds, found);
    return found;
  };
}

/** How wide the blur disc of a place is on the surface there, m. */
export function discOnSurface(
  lens: Pick<Lens, 'focalLengthMm' | 'apertureN'>,
  focusM: number,
): (distanceM: number) => number {
  // The disc is a + b / distance.
  const far = blurDiscMm(lens, focusM, Infinity);
  const slope = blurDiscMm(lens, focusM, 1) - far;
  return (distanceM) => Math.abs(far * distanceM + slope) / lens.focalLengthMm;
}

/** How much of the four plate pixels about a place belongs to a part: its marks fade out across its outline. */
function shareOfPart(surface: Uint8Array, size: number, px: number, py: number, part: number): number {
  const [x, y] = [
    Math.min(size - 2, Math.max(0, Math.floor(px))),
    Math.min(size - 2, Math.max(0, Math.floor(py))),
  ];
  const [u, v] = [px - x, py - y];
  const at = y * size + x;
  const inside = (i: number) => (surface[i]! >> 5 === part ? 1 : 0);
  return (
    (1 - v) * ((1 - u) * inside(at) + u * inside(at + 1)) +
    v * ((1 - u) * inside(at + size) + u * inside(at + size + 1))
  );
}
