// Material grain along the rows of a grid: by the kernel, or by its twin here, in 32-bit floats and in the same order, bit for bit.
import { blurDiscMm, type Lens } from '../optics/lens';
import { cornersOf, noise3, octavesFor } from './grain';
import { grainRows, OCTAVE_NUMBERS } from './grain-kernel';
import { EDGE, type PlateRow, type PlateRows } from './plate-rows';
import type { Pose } from './space';

const { fround } = Math;
/** Inverse wavelength and weight of two octaves. */
type PerOctave = readonly [number, number, number, number];

/** Octaves weaker than this are left out. */
const LEAST_WEIGHT = 0.08;
/** Contrast of full grain, relative. */
const GRAIN = 0.2;
/** Fibre is this much longer along x than across. */
const FIBRE = 14;
/** Table of octaves over 1 / distance. */
const STEPS_PER_DIOPTRE = 200;
const MOST_DIOPTRES = 20;
const STEPS = STEPS_PER_DIOPTRE * MOST_DIOPTRES + 1;

/** Two numbers for each kind of surface: contrast of its grain, and how many times longer it is along x. */
const kindsTable = () =>
  Float32Array.from({ length: 512 }, (_, i) => {
    const kind = i >> 1;
    return i & 1 ? (kind & 16 ? 1 / FIBRE : 1) : ((kind & 15) / 15) * GRAIN;
  });

/** Octaves by steps of 1 / distance; NaN where a step was not worked out yet: a small window holds few distances. */
interface Octaves {
  readonly table: Float32Array;
  fill(step: number): void;
}

function octavesOver(lens: Lens, siteMm: number, focusM: number): Octaves {
  const table = new Float32Array(OCTAVE_NUMBERS * STEPS).fill(NaN);
  return {
    table,
    fill: (i) => {
      const distance = STEPS_PER_DIOPTRE / (i + 0.5);
      const toSurface = distance / lens.focalLengthMm;
      const blurM = Math.abs(blurDiscMm(lens, focusM, distance)) * toSurface;
      const { inverse, weight } = octavesFor(siteMm * toSurface, blurM);
      const [w0, w1] = weight.map((w) => (w > LEAST_WEIGHT ? w : 0));
      table.set([inverse[0], w0!, inverse[1], w1!], OCTAVE_NUMBERS * i);
    },
  };
}

/** Writes the grain of the row that is looked at, as factors about 1. */
export type GrainOfRow = (row: PlateRow, out: Float32Array) => void;

/** @param surface kinds of surface by pixel of the plates */
export function grainOfRows(
  rows: PlateRows,
  surface: Uint8Array,
  { eye, right }: Pick<Pose, 'eye' | 'right'>,
  { lens, siteMm, focusM }: { readonly lens: Lens; readonly siteMm: number; readonly focusM: number },
): GrainOfRow {
  const { size, columns, line } = rows;
  const octaves = octavesOver(lens, siteMm, focusM);
  const kindsOf = kindsTable();
  const fast = grainRows({
    ...{ size, corners: cornersOf(), pixel: columns.pixel, left: columns.left },
    between: Float32Array.from(columns.between),
    aside: Float32Array.from(columns.aside),
    ...{ octaves: octaves.table, kindsOf, fill: octaves.fill },
    ...{ edge: EDGE, stepsPerDioptre: STEPS_PER_DIOPTRE },
    ...{ eye, right },
  });
  if (fast) return (row, out) => fast(line, surface.subarray(row.kinds, row.kinds + size), row, out);
  return twin(rows, surface, { eye, right }, octaves, kindsOf);
}

/** Twin of the kernel. */
function twin(
  { columns: { pixel, left, between, aside }, line }: PlateRows,
  surface: Uint8Array,
  { eye, right }: Pick<Pose, 'eye' | 'right'>,
  { table, fill }: Octaves,
  kindsOf: Float32Array,
): GrainOfRow {
  const [rx0, ry0, rz0] = right;
  const [ex, ey, ez] = eye;
  const place = (eyeAt: number, b: number, r: number, u: number, k: number) =>
    fround(fround(eyeAt) + fround(fround(b + fround(fround(r) * u)) * k));
  const more = (v: number, by: number) => fround(v + by);
  return (row, out) => {
    const { kinds } = row;
    const [flat, bx, by, bz] = [row.flat, row.bx, row.by, row.bz].map(fround) as [
      number,
      number,
      number,
      number,
    ];
    for (let x = 0; x < pixel.length; x++) {
      const kind = surface[kinds + pixel[x]!]!;
      const [d0, d1] = [line[left[x]!]!, line[left[x]! + 1]!];
      const t = fround(between[x]!);
      const apart = fround(d1 - d0);
      const near = Math.abs(apart) < fround(fround(EDGE) * d0);
      const d = near ? fround(d0 + fround(t * apart)) : t < 0.5 ? d0 : d1;
      const step = OCTAVE_NUMBERS * Math.min(STEPS - 1, fround(STEPS_PER_DIOPTRE / d) | 0);
      if (Number.isNaN(table[step])) fill(step / OCTAVE_NUMBERS);
      const [f0, w0, f1, w1] = table.subarray(step, step + OCTAVE_NUMBERS) as unknown as PerOctave;
      const [contrast, fibre] = [kindsOf[2 * kind]!, kindsOf[2 * kind + 1]!];
      const u = fround(aside[x]!);
      const k = fround(d / fround(Math.sqrt(fround(flat + fround(u * u)))));
      const wx = place(ex, bx, rx0, u, k);
      const wy = place(ey, by, ry0, u, k);
      const wz = place(ez, bz, rz0, u, k);
      const along = (f: number) => fround(fround(wx * f) * fibre);
      const first = w0 === 0 ? 0 : fround(w0 * noise3(along(f0), fround(wy * f0), fround(wz * f0)));
      const second =
        w1 === 0
          ? 0
          : fround(w1 * noise3(more(along(f1), 17), more(fround(wy * f1), 5), more(fround(wz * f1), 29)));
      out[x] = fround(1 + fround(contrast * fround(first + second)));
    }
  };
}
