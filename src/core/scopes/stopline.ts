// The stopline: a raw frame's sites over stops below saturation, a CFA colour at a time. Bins of 1/12 EV from
// −14 EV to saturation; what lies lower is counted in the first bin, what is clipped in a bin of its own. Of a frame that is there, or of the one that will be.
import type { SiteCounts } from '../raw/statistics';
import { blackOf, clipLevel } from '../sensor/raw-frame';
import { chanceUnder, clipSignal, LEVEL_CODES, luxOfCode, type Levels, type SiteResponse } from './levels';

export const STOPLINE_FROM_EV = -14;
export const BINS_PER_EV = 12;
/** Bins below clip, and the clipped one after them. */
export const STOPLINE_BINS = -STOPLINE_FROM_EV * BINS_PER_EV + 1;

export interface Stopline {
  /** Sites a bin, R, G (of a mosaic both greens), B. The last bin holds the clipped sites. Sums equal the sites. */
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
  const bins = [0, 1, 2].map(() => new Float32Array(STOPLINE_BINS)) as unknown as Stopline['bins'];
  counted.counts.forEach((counts, c) => {
    const target = bins[c === 0 ? 0 : c === counted.counts.length - 1 ? 2 : 1]!;
    const table = spreadTable(blackOf(counted, c), counted.white);
    for (let dn = 0; dn < counts.length; dn++) {
      const n = counts[dn]!;
      if (n === 0) continue;
      const { first, shares } = table[dn]!;
      for (let k = 0; k < shares.length; k++) target[first + k] = target[first + k]! + n * shares[k]!;
    }
  });
  return { bins };
}

/** Steps of the table of spreads, an octave of signal. */
const ROWS_PER_EV = 24;
/** Signals that the table covers, log2 of DN above black; beyond, the ends stand for all. */
const ROWS_FROM = -5;
const ROWS_TO = 15;
/** A table a noise: the ISO is dragged to and fro. */
const MOST_TABLES = 6;
const spreadTables = new Map<string, readonly Spread[]>();

/** Where sites of a given expected signal fall, by the noise of a full-size site. */
function noiseSpreads({ noise, black, white }: SiteResponse): readonly Spread[] {
  const key = `${noise.shot} ${noise.read} ${black} ${white}`;
  const known = spreadTables.get(key);
  if (known) return known;
  const range = white - black;
  // Upper edge of every bin below clip, DN above black.
  const edges = Float64Array.from({ length: STOPLINE_BINS - 1 }, (_, bin) => range * 2 ** binEdgeEv(bin + 1));
  edges[STOPLINE_BINS - 2] = clipSignal({ black, white });
  const table = Array.from({ length: (ROWS_TO - ROWS_FROM) * ROWS_PER_EV + 1 }, (_, row): Spread => {
    const signal = 2 ** (ROWS_FROM + row / ROWS_PER_EV);
    const shares: number[] = [];
    let first = 0;
    let below = 0;
    for (let bin = 0; bin < STOPLINE_BINS; bin++) {
      const upTo = bin === STOPLINE_BINS - 1 ? 1 : Math.max(below, chanceUnder(edges[bin]!, signal, noise));
      const share = upTo - below;
      below = upTo;
      if (share < 1e-7 && shares.length === 0) {
        // What is left out at the dark end goes to the first bin that is kept.
        first = bin + 1;
        below = upTo - share;
      } else shares.push(share);
      if (upTo > 1 - 1e-7) {
        shares[shares.length - 1] = shares[shares.length - 1]! + 1 - upTo;
        break;
      }
    }
    return { first, shares };
  });
  if (spreadTables.size >= MOST_TABLES) spreadTables.clear();
  spreadTables.set(key, table);
  return table;
}

/** Light of a code, log2 lx. */
const LOG_LUX = Float64Array.from({ length: LEVEL_CODES }, (_, code) => Math.log2(luxOfCode(code)));

/** The stopline that a capture will have: the finder's light, spread by the noise of full-size sites. Sums equal the samples. */
export function expectedStopline(levels: Levels, response: SiteResponse): Stopline {
  const table = noiseSpreads(response);
  const last = table.length - 1;
  const shift = Math.log2(response.signalPerLux) - ROWS_FROM;
  const bins = [0, 1, 2].map(() => new Float32Array(STOPLINE_BINS)) as unknown as Stopline['bins'];
  const rows = new Float64Array(table.length);
  [[0], [1, 2], [3]].forEach((channels, colour) => {
    rows.fill(0);
    for (const c of channels) {
      const counts = levels.counts[c]!;
      for (let code = 0; code < LEVEL_CODES; code++) {
        const n = counts[code]!;
        if (n === 0) continue;
        // A code's sites go to the two rows about it, so that nothing jumps as light changes.
        const place = Math.min(last, Math.max(0, (LOG_LUX[code]! + shift) * ROWS_PER_EV));
        const row = Math.min(last - 1, Math.floor(place));
        rows[row] = rows[row]! + n * (1 - (place - row));
        rows[row + 1] = rows[row + 1]! + n * (place - row);
      }
    }
    const target = bins[colour]!;
    table.forEach(({ first, shares }, row) => {
      const n = rows[row]!;
      if (n === 0) return;
      for (let k = 0; k < shares.length; k++) target[first + k] = target[first + k]! + n * shares[k]!;
    });
  });
  return { bins };
}
