// A digest of rendered masters, small enough to keep beside the tests: for each plate the means of all aligned
// squares (`patchSide`), and two windows of 128×128 at full size. Little-endian floats: size, then plate by plate.
import type { Plate } from '../../src/core/scene/plate';
import { patchSide } from './fidelity';

const WINDOW = 128;

export interface MasterDigest {
  size: number;
  plates: {
    /** Rows of patches, R G B interleaved. */ means: Float32Array;
    windows: { x: number; y: number; rgb: Float32Array }[];
  }[];
}

/** Upper left corners of the windows, in shares of the plate. */
const WINDOWS = [
  [0.27, 0.2],
  [0.45, 0.52],
] as const;

export function writeMasterDigest(masters: readonly Plate[]): Uint8Array {
  const values: number[] = [masters[0]!.width, masters.length];
  for (const master of masters) {
    const size = master.width;
    const side = patchSide(size);
    for (let y = 0; y < size; y += side)
      for (let x = 0; x < size; x += side)
        for (let c = 0; c < 3; c++) {
          let sum = 0;
          for (let k = 0; k < side * side; k++) {
            sum += master.data[((y + Math.floor(k / side)) * size + x + (k % side)) * 3 + c]!;
          }
          values.push(sum / (side * side));
        }
    for (const [wx, wy] of WINDOWS) {
      const [x0, y0] = [Math.floor(wx * size), Math.floor(wy * size)];
      for (let y = 0; y < WINDOW; y++)
        for (let i = 0; i < WINDOW * 3; i++) values.push(master.data[((y0 + y) * size + x0) * 3 + i]!);
    }
  }
  return new Uint8Array(Float32Array.from(values).buffer);
}

export function readMasterDigest(bytes: Uint8Array): MasterDigest {
  const values = new Float32Array(bytes.slice().buffer);
  const [size, count] = [values[0]!, values[1]!];
  let at = 2;
  const take = (n: number) => values.subarray(at, (at += n));
  const plates = Array.from({ length: count }, () => ({
    means: take((size / patchSide(size)) ** 2 * 3),
    windows: WINDOWS.map(([wx, wy]) => ({
      x: Math.floor(wx * size),
      y: Math.floor(wy * size),
      rgb: take(WINDOW * WINDOW * 3),
    })),
  }));
  return { size, plates };
}
