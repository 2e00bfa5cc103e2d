// Rows of light times rows of factors, number by number, in 32-bit floats.
import { FIRST, lightKernel } from './light-kernel';

/** Multiplies each of the first `width` numbers of a row by its factor. */
export type RowProduct = (row: Float32Array, factors: Float32Array) => void;

export function rowProduct(width: number): RowProduct {
  // Read and written four numbers at a time.
  const factorsAt = FIRST + 4 * (width + 3);
  const kernel = lightKernel(factorsAt + 4 * (width + 3));
  if (!kernel) return plainProduct(width);
  const { memory, call } = kernel;
  const product = new Float32Array(memory, FIRST, width);
  const by = new Float32Array(memory, factorsAt, width);
  return (row, factors) => {
    product.set(row.length === width ? row : row.subarray(0, width));
    by.set(factors.length === width ? factors : factors.subarray(0, width));
    call.times(FIRST, factorsAt, width);
    row.set(product);
  };
}

/** The same without a kernel. */
function plainProduct(width: number): RowProduct {
  return (row, factors) => {
    for (let x = 0; x < width; x++) row[x] = row[x]! * factors[x]!;
  };
}
