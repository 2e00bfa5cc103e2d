// Grain along rows by a kernel: where its tables and rows lie in memory. What is right is what `grain-of-rows` does without it.
import { wasm } from '../kernels/grain.generated';
import { kernel, type Numbers } from '../kernels/kernel';
import type { Point3 } from './scene';

interface Functions {
  layout(...addresses: Numbers<9>): void;
  limits(edge: number, perDioptre: number, last: number): void;
  pose(...eyeAndRight: Numbers<6>): void;
  row(x: number, width: number, flat: number, bx: number, by: number, bz: number, out: number): number;
  readonly step: { readonly value: number };
}

/** Numbers of a step of 1/distance: inverse wavelength and weight of two octaves. */
export const OCTAVE_NUMBERS = 4;

/** Tables that all rows of a grid share. Octaves of a step of 1/distance that are not worked out yet are NaN. */
export interface GrainGrid {
  /** Pixels a row of the plates. */
  readonly size: number;
  /** Hashed corners of the noise's lattice, as `cornersOf` gives them. */
  readonly corners: Uint32Array;
  readonly pixel: Int32Array;
  readonly left: Int32Array;
  readonly between: Float32Array;
  readonly aside: Float32Array;
  /** By step; a weight of 0 leaves its octave out. */
  readonly octaves: Float32Array;
  /** Two numbers for each kind of surface: contrast of its grain, and how many times longer it is along x. */
  readonly kindsOf: Float32Array;
  /** Works out the octaves of a step. */
  fill(step: number): void;
  readonly edge: number;
  readonly stepsPerDioptre: number;
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
  corners: 4 * 64 ** 3,
  pixel: 4 * MOST_WIDE,
  left: 4 * MOST_WIDE,
  between: 4 * MOST_WIDE,
  aside: 4 * MOST_WIDE,
  octaves: 4 * OCTAVE_NUMBERS * MOST_STEPS,
  kindsOf: 8 * 256,
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
  const steps = grid.octaves.length / OCTAVE_NUMBERS;
  if (!of || width > MOST_WIDE - 4 || grid.size > MOST_PLATE || steps > MOST_STEPS) return null;
  const { memory, call } = of;
  const load = () => {
    new Uint32Array(memory, AT.corners, grid.corners.length).set(grid.corners);
    // Beyond the last site its first pixel is seen again, and is not taken.
    new Int32Array(memory, AT.pixel, width + 4).fill(0, width).set(grid.pixel);
    new Int32Array(memory, AT.left, width + 4).fill(0, width).set(grid.left);
    new Float32Array(memory, AT.between, width).set(grid.between);
    new Float32Array(memory, AT.aside, width).set(grid.aside);
    new Float32Array(memory, AT.octaves, grid.octaves.length).set(grid.octaves);
    new Float32Array(memory, AT.kindsOf, 512).set(grid.kindsOf);
    call.layout(
      ...([AT.corners, AT.pixel, AT.left, AT.between, AT.aside] as const),
      ...([AT.octaves, AT.kindsOf, AT.line, AT.kinds] as const),
    );
    call.limits(grid.edge, grid.stepsPerDioptre, steps - 1);
    call.pose(...grid.eye, ...grid.right);
    holds = grid;
  };
  const octaves = new Float32Array(memory, AT.octaves, grid.octaves.length);
  return (line, kinds, { flat, bx, by, bz }, out) => {
    if (holds !== grid) load();
    new Float32Array(memory, AT.line, line.length).set(line);
    new Uint8Array(memory, AT.kinds, kinds.length).set(kinds);
    for (let x = 0; x < width;) {
      x = call.row(x, width, flat, bx, by, bz, AT.out);
      if (x >= width) break;
      const step = call.step.value;
      grid.fill(step);
      const from = OCTAVE_NUMBERS * step;
      octaves.set(grid.octaves.subarray(from, from + OCTAVE_NUMBERS), from);
    }
    out.set(new Float32Array(memory, AT.out, width));
  };
}
