// Planes of a packed plate by a kernel of their own, whose memory goes with it. What is right is what `plate-codec` and `wavelet` do without it.
import { kernels, type Numbers } from '../kernels/kernel';
import { wasm } from '../kernels/unpack.generated';

interface Functions {
  dequantise(...[coded, end, plane, stride, w, h, first, others, step, values]: Numbers<10>): number;
  level(...[plane, stride, w, h, scratch, work]: Numbers<6>): void;
  codes(...[plane, w, h, levels, work, out]: Numbers<6>): void;
}

const unpacker = kernels<Functions>(wasm);

const FIRST = 65536;
const sixteens = (bytes: number) => (bytes + 15) & ~15;

/** Where coefficients of one scale and direction lie, and how coarsely they are kept. */
export interface Band {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly step: number;
}

export interface CodedPlane {
  readonly w: number;
  readonly h: number;
  readonly levels: number;
  readonly bands: readonly Band[];
}

/**
 * A plane's logarithms as places in the table of powers of two; null where there is no kernel.
 * @param first and `others`: what is added to a coefficient of size one, and to larger ones, steps
 * @returns as well the bytes that were used; more than there are where they end early
 */
export function unpackByKernel(
  coded: Uint8Array,
  { w, h, levels, bands }: CodedPlane,
  first: number,
  others: number,
): { codes: Uint16Array; used: number } | null {
  const values = FIRST;
  const plane = values + 1024;
  // A quarter of the plane is what the second level needs.
  const scratch = plane + sixteens(4 * w * h + 32);
  const work = scratch + sixteens(w * h + 32);
  const out = work + sixteens(7 * (4 * w + 32));
  const bytes = out + sixteens(2 * w * h + 16);
  const of = unpacker(bytes + coded.length + 16);
  if (!of) return null;
  const { memory, call } = of;
  new Uint8Array(memory, bytes, coded.length).set(coded);
  const end = bytes + coded.length;
  let at = bytes;
  for (const band of bands) {
    const from = plane + 4 * (band.y * w + band.x);
    at = call.dequantise(at, end, from, w, band.w, band.h, first, others, band.step, values);
    if (at === 0) return { codes: new Uint16Array(0), used: coded.length + 1 };
  }
  for (let level = levels - 1; level >= 1; level--)
    call.level(plane, w, w >> level, h >> level, scratch, work);
  call.codes(plane, w, h, levels, work, out);
  return { codes: new Uint16Array(memory, out, w * h).slice(), used: at - bytes };
}
