// The blur of a hand: each site gathers weighted light of sites about it, in its own colour. Rows of three channels are kept for it with what is at the
// edge around them, parted into even and odd columns, since a mosaic's row takes every second site.
import { FIRST, lightKernel } from './light-kernel';

/** Entries of a blur: how many columns to the left each lies, and its weight; the row of each is told with every call. */
export interface Gathered {
  readonly dx: Int32Array;
  readonly weight: Float32Array;
}

export interface Gatherer {
  /** Keeps a row of a channel in a slot. @param row `width` numbers from `at` on @param factors of each of them; 1 when absent */
  put(channel: number, slot: number, row: Float32Array, at?: number, factors?: Float32Array): void;
  /**
   * Fills a row of out, from `at` on. @param channels of its even columns and of its odd ones @param slots where the row of each entry is kept
   */
  gather(channels: Channels, slots: Int32Array, of: Gathered, out: Float32Array, at: number): void;
}

export type Channels = readonly [even: number, odd: number];

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
  // The even columns of a row, the odd ones, and both.
  const partBytes = (2 * (width + 64) + 15) & ~15;
  const zipped = made + 2 * partBytes;
  const factor = zipped + 2 * partBytes;
  const rows = factor + 2 * partBytes;
  // What is read sixteen at a time reaches over the last row.
  const kernel = lightKernel(rows + 6 * slots * halfBytes + 256);
  if (!kernel) return null;
  const { memory, call } = kernel;
  const wide = new Float32Array(memory, scratch, span);
  const places = new Uint32Array(memory, taps, MOST_TAPS);
  const weight = new Float32Array(memory, weights, MOST_TAPS);
  const factorRow = new Float32Array(memory, factor, width);
  const whole = new Float32Array(memory, zipped, width);
  const place = (channel: number, slot: number, odd: number) =>
    rows + ((3 * slot + channel) * 2 + odd) * halfBytes;
  return {
    put: (channel, slot, row, at = 0, factors) => {
      wide.set(row.subarray(at, at + width), margin);
      if (factors) {
        factorRow.set(factors);
        call.times(scratch + 4 * margin, factor, width);
      }
      wide.fill(wide[margin]!, 0, margin);
      wide.fill(wide[margin + width - 1]!, margin + width);
      call.split(scratch, span, place(channel, slot, 0), place(channel, slot, 1));
    },
    gather: (channels, slotOf, of, out, at) => {
      const count = of.weight.length;
      weight.set(of.weight);
      for (let phase = 0; phase < 2; phase++) {
        for (let k = 0; k < count; k++) {
          const from = margin + phase - of.dx[k]!;
          places[k] = place(channels[phase]!, slotOf[k]!, from & 1) + 4 * (from >> 1);
        }
        call.gather(taps, weights, count, (width - phase + 1) >> 1, made + phase * partBytes);
      }
      call.zip(made, made + partBytes, width, zipped);
      out.set(whole, at);
    },
  };
}

/** Twin of the kernel: sums in 32-bit floats, in the order of the entries. */
function plainGatherer(width: number, slots: number, margin: number, span: number): Gatherer {
  const { fround } = Math;
  const rows = [0, 1, 2].map(() => new Float32Array(slots * span));
  return {
    put: (channel, slot, row, at = 0, factors) => {
      const kept = rows[channel]!.subarray(slot * span, (slot + 1) * span);
      for (let x = 0; x < width; x++) kept[margin + x] = row[at + x]! * (factors ? factors[x]! : 1);
      kept.fill(kept[margin]!, 0, margin);
      kept.fill(kept[margin + width - 1]!, margin + width);
    },
    gather: (channels, slotOf, { dx, weight }, out, at) => {
      const start = dx.map((d, k) => slotOf[k]! * span + margin - d);
      for (let x = 0; x < width; x++) {
        const of = rows[channels[x & 1]!]!;
        let sum = 0;
        for (let k = 0; k < weight.length; k++) sum = fround(sum + fround(weight[k]! * of[start[k]! + x]!));
        out[at + x] = sum;
      }
    },
  };
}
