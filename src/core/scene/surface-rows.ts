// What the camera adds to the plates' surfaces, as a factor for each site of a row: material grain and the marks of things
// that turn.
import { blurDiscMm, type Lens } from '../optics/lens';
import { cornersOf, noise3, octavesFor } from './grain';
import { grainRows, OCTAVE_NUMBERS } from './grain-kernel';
import type { LightGrid } from './light-grid';
import { rowProduct } from './site-rows';
import { poseOf } from './space';
import { meanOverDisc, spinMarks, spinRow } from './spin';
import { cropOf } from './framing';

const { fround } = Math;
/** Inverse wavelength and weight of two octaves. */
type PerOctave = readonly [number, number, number, number];

export interface SurfaceRows {
  /** Multiplies `out` by the factors of row `y`; `turn` and `arc` of the turning part in turns. */
  apply(y: number, turn: number, arc: number, out: Float32Array): void;
}

/** Octaves weaker than this are left out. */
const LEAST_WEIGHT = 0.08;
/** Contrast of full grain, relative. */
const GRAIN = 0.2;
/** Fibre is this much longer along x than across. */
const FIBRE = 14;
/** Table of octaves over 1 / distance. */
const STEPS_PER_DIOPTRE = 200;
const MOST_DIOPTRES = 20;
const EDGE = 0.05;

export interface SurfaceOptions {
  /** Marks of what turns are left out. */
  readonly plain?: boolean;
  /** The grain is worked out once and kept, four bytes a sample: for grids that are exposed several times. */
  readonly kept?: boolean;
}

/** Factors computed site by site: grain, and marks unless they are left out. For a capture, or any grid of single sites. */
export function surfaceRows(
  rows: LightGrid,
  { plain = false, kept = false }: SurfaceOptions = {},
): SurfaceRows | undefined {
  const { view, width, height, x0, y0, wholeWidth, wholeHeight, siteMm, focusM } = rows;
  const { space, size, description, camera } = view;
  if (!space) return undefined;
  const pose = poseOf(description);
  const crop = cropOf(size, view.orientation);
  const { focalLengthMm } = camera.lens;
  // Filled where it is asked: a small window holds few distances.
  const steps = STEPS_PER_DIOPTRE * MOST_DIOPTRES + 1;
  const octaves = new Float32Array(OCTAVE_NUMBERS * steps).fill(NaN);
  const fill = (i: number) => {
    const distance = STEPS_PER_DIOPTRE / (i + 0.5);
    const toSurface = distance / focalLengthMm;
    const blurM = Math.abs(blurDiscMm(camera.lens, focusM, distance)) * toSurface;
    const { inverse, weight } = octavesFor(siteMm * toSurface, blurM);
    const [w0, w1] = weight.map((w) => (w > LEAST_WEIGHT ? w : 0));
    octaves.set([inverse[0], w0!, inverse[1], w1!], OCTAVE_NUMBERS * i);
  };
  const line = new Float32Array(size);
  const { spin } = description;
  const marks = !plain && spin ? spinMarks() : undefined;
  const { distance, surface } = space;
  const { eye, right, up, ahead, tanHalf } = pose;
  // Tables by column: its plate pixel, its place between two, its direction.
  const pixel = new Int32Array(width);
  const left = new Int32Array(width);
  const between = new Float64Array(width);
  const aside = new Float64Array(width);
  for (let x = 0; x < width; x++) {
    const px = crop.x + ((x0 + x + 0.5) * crop.width) / wholeWidth;
    pixel[x] = Math.min(size - 1, Math.floor(px));
    left[x] = Math.min(size - 2, Math.max(0, Math.floor(px - 0.5)));
    between[x] = px - 0.5 - left[x]!;
    aside[x] = ((2 * px) / size - 1) * tanHalf;
  }
  const kindsOf = Float32Array.from({ length: 512 }, (_, i) => {
    const kind = i >> 1;
    return i & 1 ? (kind & 16 ? 1 / FIBRE : 1) : ((kind & 15) / 15) * GRAIN;
  });
  const lastOctave = steps - 1;
  // By row: the place between plate rows, and the ray through its middle column.
  const at = { y: -1, plate: 0, kinds: 0, flat: 0, bx: 0, by: 0, bz: 0 };
  const plateRow = (y: number) => crop.y + ((y0 + y + 0.5) * crop.height) / wholeHeight;
  const kindsAt = (py: number) => Math.min(size - 1, Math.max(0, Math.floor(py))) * size;
  const turnTo = (y: number) => {
    if (at.y === y) return;
    at.y = y;
    const py = plateRow(y);
    const v = (1 - (2 * py) / size) * tanHalf;
    at.plate = py - 0.5;
    at.kinds = kindsAt(py);
    at.flat = 1 + v * v;
    [at.bx, at.by, at.bz] = [ahead[0] + up[0] * v, ahead[1] + up[1] * v, ahead[2] + up[2] * v];
    blendRows(distance, size, at.plate, line);
  };
  /** Distance to what a site of the row sees, m: blended on one surface, the nearer pixel's across an edge. */
  const distanceAt = (x: number) => {
    const l = left[x]!;
    const d0 = line[l]!;
    const d1 = line[l + 1]!;
    const t = between[x]!;
    return Math.abs(d1 - d0) < EDGE * d0 ? d0 + t * (d1 - d0) : t < 0.5 ? d0 : d1;
  };
  const [rx0, ry0, rz0] = right;
  const [ex, ey, ez] = eye;

  const fast = grainRows({
    ...{
      size,
      corners: cornersOf(),
      pixel,
      left,
      between: Float32Array.from(between),
      aside: Float32Array.from(aside),
      octaves,
      kindsOf,
      fill,
    },
    ...{ edge: EDGE, stepsPerDioptre: STEPS_PER_DIOPTRE },
    ...{ eye, right },
  });
  const grainRow = (y: number, out: Float32Array) => {
    turnTo(y);
    if (fast) fast(line, surface.subarray(at.kinds, at.kinds + size), at, out);
    else plainRow(out);
  };
  /** Twin of the kernel: in 32-bit floats, in this order. */
  const plainRow = (out: Float32Array) => {
    const { kinds } = at;
    const [flat, bx, by, bz] = [at.flat, at.bx, at.by, at.bz].map(fround) as [number, number, number, number];
    const place = (eyeAt: number, b: number, r: number, u: number, k: number) =>
      fround(fround(eyeAt) + fround(fround(b + fround(fround(r) * u)) * k));
    for (let x = 0; x < width; x++) {
      const kind = surface[kinds + pixel[x]!]!;
      const [d0, d1] = [line[left[x]!]!, line[left[x]! + 1]!];
      const t = fround(between[x]!);
      const apart = fround(d1 - d0);
      const near = Math.abs(apart) < fround(fround(EDGE) * d0);
      const d = near ? fround(d0 + fround(t * apart)) : t < 0.5 ? d0 : d1;
      const step = OCTAVE_NUMBERS * Math.min(lastOctave, fround(STEPS_PER_DIOPTRE / d) | 0);
      if (Number.isNaN(octaves[step])) fill(step / OCTAVE_NUMBERS);
      const [f0, w0, f1, w1] = octaves.subarray(step, step + OCTAVE_NUMBERS) as unknown as PerOctave;
      const [contrast, fibre] = [kindsOf[2 * kind]!, kindsOf[2 * kind + 1]!];
      const u = fround(aside[x]!);
      const k = fround(d / fround(Math.sqrt(fround(flat + fround(u * u)))));
      const wx = place(ex, bx, rx0, u, k);
      const wy = place(ey, by, ry0, u, k);
      const wz = place(ez, bz, rz0, u, k);
      const along = (f: number) => fround(fround(wx * f) * fibre);
      const first = w0 === 0 ? 0 : fround(w0 * noise3(along(f0), fround(wy * f0), fround(wz * f0)));
      const more = (v: number, by: number) => fround(v + by);
      const second =
        w1 === 0
          ? 0
          : fround(w1 * noise3(more(along(f1), 17), more(fround(wy * f1), 5), more(fround(wz * f1), 29)));
      out[x] = fround(1 + fround(contrast * fround(first + second)));
    }
  };
  const product = rowProduct(width);
  const grain = new Float32Array(kept ? width * height : width);
  const made = new Uint8Array(kept ? height : 0);
  const grainOf = (y: number) => {
    if (!kept) {
      grainRow(y, grain);
      return grain;
    }
    const row = grain.subarray(y * width, (y + 1) * width);
    if (made[y] === 0) grainRow(y, row);
    made[y] = 1;
    return row;
  };
  /** Columns between the first and the last that show a part in a row of the plates, by where that row begins. */
  const columns = new Map<number, { from: number; to: number }>();
  const columnsOf = (part: number, kinds: number) => {
    const known = columns.get(kinds);
    if (known) return known;
    const found = { from: width, to: 0 };
    for (let x = 0; x < width; x++) {
      if (surface[kinds + pixel[x]!]! >> 5 !== part) continue;
      found.from = Math.min(found.from, x);
      found.to = x + 1;
    }
    columns.set(kinds, found);
    return found;
  };
  /** Blur disc on a surface, m. */
  const discOn = discOnSurface(camera.lens, focusM);
  const markRow = (part: number, y: number, turn: number, arc: number, out: Float32Array) => {
    const { from, to } = columnsOf(part, kindsAt(plateRow(y)));
    if (from >= to) return;
    turnTo(y);
    const { kinds, flat, bx, by, bz, plate } = at;
    for (let x = from; x < to; x++) {
      if (surface[kinds + pixel[x]!]! >> 5 !== part) continue;
      const u = aside[x]!;
      const d = distanceAt(x);
      const k = d / Math.sqrt(flat + u * u);
      const rx = ex + (bx + rx0 * u) * k - spin!.x;
      const rz = ez + (bz + rz0 * u) * k - spin!.z;
      const wy = ey + (by + ry0 * u) * k;
      const angle = Math.atan2(rz, rx) / (2 * Math.PI);
      const radius = Math.sqrt(rx * rx + rz * rz);
      const mark = meanOverDisc(marks!, spinRow(wy, radius), angle - turn - arc / 2, arc, discOn(d), radius);
      const inside = shareOfPart(surface, size, left[x]! + between[x]!, plate, part);
      out[x] = out[x]! * (1 + inside * (mark - 1));
    }
  };
  return {
    apply: (y, turn, arc, out) => {
      product(out, grainOf(y));
      if (marks) markRow(spin!.part, y, turn, arc, out);
    },
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
