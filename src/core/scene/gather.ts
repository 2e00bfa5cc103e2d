// The blur of a hand: each site gathers weighted light of sites about it, in its own colour. Rows of three channels are kept for it with what is at the
// edge around them, parted into even and odd columns, since a mosaic's row takes every second site.
import { FIRST, lightKernel } from './light-kernel';

/** What a site gathers: entry by entry, how far to the left it lies, and its weight; the row of each is told with every call. */
export interface Gathered {
  readonly dx: Int32Array;
  readonly weight: Float32Array;
}

export interface Gatherer {
  /** Keeps a row of a channel in a slot. @param row `width` numbers from `at` on */
  put(channel: number, slot: number, row: Float32Array, at?: number): void;
  /**
   * Fills out[at + x] for x = phase, phase + 2, … @param slots where the row of each entry is kept
   */
  gather(
    channel: number,
    phase: number,
    slots: Int32Array,
    of: Gathered,
    out: Float32Array,
    at: number,
  ): void;
}

/** Entries at most. */
const MOST_TAPS = 4096;

/** @param reach of entries to either side at most */
export function gatherer(width: number, slots: number, reach: number): Gatherer {
  // Even, so that columns keep their parity.
  const margin = reach + (reach & 1);
  const span = width + 2 * margin;
  return byKernel(width, slots, margin, span) ?? plainGatherer(width, slots, margin, span);
}

function byKernel(width: number, slots: number, margin: number, span: number): Gatherer | null {
  const half = ((span + 1) >> 1) + 8;
  const halfBytes = (4 * half + 15) & ~15;
  const scratch = FIRST;
  const taps = scratch + 4 * (span + 16);
  const weights = taps + 4 * MOST_TAPS;
  const made = weights + 4 * MOST_TAPS;
  const rows = (made + 2 * (width + 64) + 15) & ~15;
  // What is read sixteen at a time reaches over the last row.
  const kernel = lightKernel(rows + 6 * slots * halfBytes + 256);
  if (!kernel) return null;
  const { memory, call } = kernel;
  const wide = new Float32Array(memory, scratch, span);
  const places = new Uint32Array(memory, taps, MOST_TAPS);
  const weight = new Float32Array(memory, weights, MOST_TAPS);
  const place = (channel: number, slot: number, odd: number) =>
    rows + ((3 * slot + channel) * 2 + odd) * halfBytes;
  return {
    put: (channel, slot, row, at = 0) => {
      wide.set(row.subarray(at, at + width), margin);
      wide.fill(row[at]!, 0, margin);
      wide.fill(row[at + width - 1]!, margin + width);
      call.split(scratch, span, place(channel, slot, 0), place(channel, slot, 1));
    },
    gather: (channel, phase, slotOf, of, out, at) => {
      const count = of.weight.length;
      for (let k = 0; k < count; k++) {
        const from = margin + phase - of.dx[k]!;
        places[k] = place(channel, slotOf[k]!, from & 1) + 4 * (from >> 1);
      }
      weight.set(of.weight);
      const sites = (width - phase + 1) >> 1;
      call.gather(taps, weights, count, sites, made);
      const sums = new Float32Array(memory, made, sites);
      for (let i = 0, x = at + phase; i < sites; i++, x += 2) out[x] = sums[i]!;
    },
  };
}

/** The same without a kernel: sums in 32-bit floats, in the order of the entries. */
function plainGatherer(width: number, slots: number, margin: number, span: number): Gatherer {
  const { fround } = Math;
  const rows = [0, 1, 2].map(() => new Float32Array(slots * span));
  return {
    put: (channel, slot, row, at = 0) => {
      const kept = rows[channel]!.subarray(slot * span, (slot + 1) * span);
      kept.set(row.subarray(at, at + width), margin);
      kept.fill(row[at]!, 0, margin);
      kept.fill(row[at + width - 1]!, margin + width);
    },
    gather: (channel, phase, slotOf, { dx, weight }, out, at) => {
      const of = rows[channel]!;
      const start = dx.map((d, k) => slotOf[k]! * span + margin - d);
      for (let x = phase; x < width; x += 2) {
        let sum = 0;
        for (let k = 0; k < weight.length; k++) sum = fround(sum + fround(weight[k]! * of[start[k]! + x]!));
        out[at + x] = sum;
      }
    },
  };
}
