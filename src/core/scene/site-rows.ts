// What is done to rows of sites, number by number, in 32-bit floats.
import { FIRST, lightKernel } from './light-kernel';

/** Multiplies each number of a row by its factor. */
export type RowProduct = (row: Float32Array, factors: Float32Array) => void;

/** @param width numbers of every row and of its factors */
export function rowProduct(width: number): RowProduct {
  const of = rowsInKernel(width, 2);
  if (!of) return plainProduct;
  const [product, by] = of.rows as [KernelRow, KernelRow];
  return (row, factors) => {
    product.numbers.set(row);
    by.numbers.set(factors);
    of.call.times(product.at, by.at, width);
    row.set(product.numbers);
  };
}

/** Twin of the kernel. */
function plainProduct(row: Float32Array, factors: Float32Array): void {
  for (let x = 0; x < row.length; x++) row[x] = row[x]! * factors[x]!;
}

/** Fills `out` with the even columns of one row and the odd ones of another. */
export type RowMosaic = (even: Float32Array, odd: Float32Array, out: Float32Array) => void;

/** @param width numbers of every row */
export function rowMosaic(width: number): RowMosaic {
  const of = rowsInKernel(width, 2);
  if (!of) return plainMosaic;
  const [evens, odds] = of.rows as [KernelRow, KernelRow];
  return (even, odd, out) => {
    evens.numbers.set(even);
    odds.numbers.set(odd);
    of.call.mosaic(evens.at, odds.at, width);
    out.set(evens.numbers);
  };
}

/** Twin of the kernel. */
function plainMosaic(even: Float32Array, odd: Float32Array, out: Float32Array): void {
  for (let x = 0; x < out.length; x++) out[x] = (x & 1 ? odd : even)[x]!;
}

interface KernelRow {
  readonly at: number;
  readonly numbers: Float32Array;
}

/** A kernel with so many rows in its memory; null where there is none. */
function rowsInKernel(width: number, count: number) {
  // Read and written four numbers at a time.
  const bytes = 4 * ((width + 3) & ~3);
  const kernel = lightKernel(FIRST + count * bytes);
  if (!kernel) return null;
  const { memory, call } = kernel;
  const rows = Array.from({ length: count }, (_, i): KernelRow => {
    const at = FIRST + i * bytes;
    return { at, numbers: new Float32Array(memory, at, width) };
  });
  return { call, rows };
}
