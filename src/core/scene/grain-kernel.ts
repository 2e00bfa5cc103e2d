// Grain along rows by a kernel: where its tables and rows lie in memory. What is right is what `surfaceRows` does without it.
import { wasm } from '../kernels/grain.generated';
import { kernel, type Numbers } from '../kernels/kernel';
import type { Point3 } from './scene';

interface Functions {
  layout(...addresses: Numbers<12>): void;
  limits(least: number, edge: number, perDioptre: number, last: number, fibre: number): void;
  pose(...eyeAndRight: Numbers<6>): void;
  row(x: number, width: number, flat: number, bx: number, by: number, bz: number, out: number): number;
  readonly step: { readonly value: number };
}

/** What holds for all rows of a grid. Octaves of a step of 1/distance that are not known yet are NaN. */
export interface GrainGrid {
  /** Pixels a row of the plates. */
  readonly size: number;
  readonly lattice: Int8Array;
  readonly pixel: Int32Array;
  readonly left: Int32Array;
  readonly between: Float64Array;
  readonly aside: Float64Array;
  /** Inverse wavelengths and weights of two octaves, by step. */
  readonly octaves: readonly [Float64Array, Float64Array, Float64Array, Float64Array];
  readonly strengths: Float64Array;
  /** Works out the octaves of a step. */
  fill(step: number): void;
  readonly leastWeight: number;
  readonly edge: number;
  readonly stepsPerDioptre: number;
  readonly fibreShare: number;
  readonly eye: Point3;
  readonly right: Point3;
}

/** Sites a row, pixels a row of the plates, steps of 1/distance at most; larger ones go without the kernel. */
const MOST_WIDE = 16384;
const MOST_PLATE = 8192;
const MOST_STEPS = 4096;

/** Addresses one after the other, each at a multiple of 16. */
function laidOut<Name extends string>(sizes: Readonly<Record<Name, number>>) {
  let at = 65536;
  const places = {} as Record<Name, number>;
  for (const name of Object.keys(sizes) as Name[]) {
    places[name] = at;
    at = (at + sizes[name] + 15) & ~15;
  }
  return { places, end: at };
}

const { places: AT, end } = laidOut({
  lattice: 64 ** 3,
  pixel: 4 * MOST_WIDE,
  left: 4 * MOST_WIDE,
  between: 8 * MOST_WIDE,
  aside: 8 * MOST_WIDE,
  f0: 8 * MOST_STEPS,
  g0: 8 * MOST_STEPS,
  f1: 8 * MOST_STEPS,
  g1: 8 * MOST_STEPS,
  strengths: 8 * 256,
  line: 4 * MOST_PLATE,
  kinds: MOST_PLATE,
  out: 4 * MOST_WIDE,
});

const loaded = kernel<Functions>(wasm, end);
/** Whose tables are in the kernel's memory. */
let holds: GrainGrid | undefined;

/** The ray through the middle column of a row. */
export interface RowRay {
  readonly flat: number;
  readonly bx: number;
  readonly by: number;
  readonly bz: number;
}

export type GrainRow = (line: Float32Array, kinds: Uint8Array, ray: RowRay, out: Float32Array) => void;

/** Factors of rows of a grid; null where there is no kernel for it. */
export function grainRows(grid: GrainGrid): GrainRow | null {
  const of = loaded();
  const width = grid.pixel.length;
  const steps = grid.octaves[0].length;
  if (!of || width > MOST_WIDE || grid.size > MOST_PLATE || steps > MOST_STEPS) return null;
  const { memory, call } = of;
  const names = ['f0', 'g0', 'f1', 'g1'] as const;
  const load = () => {
    new Int8Array(memory, AT.lattice, grid.lattice.length).set(grid.lattice);
    new Int32Array(memory, AT.pixel, width).set(grid.pixel);
    new Int32Array(memory, AT.left, width).set(grid.left);
    new Float64Array(memory, AT.between, width).set(grid.between);
    new Float64Array(memory, AT.aside, width).set(grid.aside);
    names.forEach((name, i) => new Float64Array(memory, AT[name], steps).set(grid.octaves[i]!));
    new Float64Array(memory, AT.strengths, 256).set(grid.strengths);
    call.layout(
      ...([AT.lattice, AT.pixel, AT.left, AT.between, AT.aside] as const),
      ...([AT.f0, AT.g0, AT.f1, AT.g1, AT.strengths, AT.line, AT.kinds] as const),
    );
    call.limits(grid.leastWeight, grid.edge, grid.stepsPerDioptre, steps - 1, grid.fibreShare);
    call.pose(...grid.eye, ...grid.right);
    holds = grid;
  };
  const tables = names.map((name) => new Float64Array(memory, AT[name], steps));
  return (line, kinds, { flat, bx, by, bz }, out) => {
    if (holds !== grid) load();
    new Float32Array(memory, AT.line, line.length).set(line);
    new Uint8Array(memory, AT.kinds, kinds.length).set(kinds);
    for (let x = 0; x < width;) {
      x = call.row(x, width, flat, bx, by, bz, AT.out);
      if (x === width) break;
      const step = call.step.value;
      grid.fill(step);
      tables.forEach((table, i) => (table[step] = grid.octaves[i]![step]!));
    }
    out.set(new Float32Array(memory, AT.out, width));
  };
}
