// The stopline: a raw frame's sites over stops below saturation, a CFA colour at a time. Bins of 1/12 EV from
// −14 EV to saturation; what lies lower is counted in the first bin, what is clipped in a bin of its own.
import type { SiteCounts } from '../raw/statistics';
import { clipLevel } from '../sensor/raw-frame';

export const STOPLINE_FROM_EV = -14;
export const BINS_PER_EV = 12;
/** Bins below clip, and the clipped one after them. */
export const STOPLINE_BINS = -STOPLINE_FROM_EV * BINS_PER_EV + 1;

export interface Stopline {
  /** Sites a bin, R, G (both greens), B. The last bin holds the clipped sites. Sums equal the sites. */
  readonly bins: readonly [Float32Array, Float32Array, Float32Array];
}

/** Lower edge of a bin, EV below saturation. */
export function binEdgeEv(bin: number): number {
  return STOPLINE_FROM_EV + bin / BINS_PER_EV;
}

interface Spread {
  readonly first: number;
  readonly shares: readonly number[];
}

const spreads = new Map<string, readonly Spread[]>();

/**
 * Where the sites of each number go. A number stands for all light from half a number below to half above; deep in the
 * shadows that is several bins, and its sites are shared out among them so that no comb appears.
 */
function spreadTable(black: number, white: number): readonly Spread[] {
  const key = `${black}/${white}`;
  const known = spreads.get(key);
  if (known) return known;
  const clip = clipLevel({ black, white });
  const range = white - black;
  const position = (signal: number) => {
    const ev = signal <= 0 ? -Infinity : Math.log2(signal / range);
    return Math.min(STOPLINE_BINS - 1 - 1e-9, Math.max(0, (ev - STOPLINE_FROM_EV) * BINS_PER_EV));
  };
  const table = Array.from({ length: white + 1 }, (_, dn): Spread => {
    if (dn >= clip) return { first: STOPLINE_BINS - 1, shares: [1] };
    const [from, to] = [position(dn - black - 0.5), position(dn - black + 0.5)];
    const first = Math.floor(from);
    const count = Math.floor(to) - first + 1;
    if (to <= from || count === 1) return { first, shares: [1] };
    const shares = Array.from({ length: count }, (_, k) => {
      const low = Math.max(from, first + k);
      const high = Math.min(to, first + k + 1);
      return (high - low) / (to - from);
    });
    return { first, shares };
  });
  spreads.set(key, table);
  return table;
}

export function stopline(counted: SiteCounts): Stopline {
  const table = spreadTable(counted.black, counted.white);
  const bins = [0, 1, 2].map(() => new Float32Array(STOPLINE_BINS)) as unknown as Stopline['bins'];
  counted.counts.forEach((counts, c) => {
    const target = bins[c === 0 ? 0 : c === 3 ? 2 : 1]!;
    for (let dn = 0; dn < counts.length; dn++) {
      const n = counts[dn]!;
      if (n === 0) continue;
      const { first, shares } = table[dn]!;
      for (let k = 0; k < shares.length; k++) target[first + k] = target[first + k]! + n * shares[k]!;
    }
  });
  return { bins };
}
