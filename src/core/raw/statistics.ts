// Counts of every number in an image, a channel at a time: R, G1, G2, B of a mosaic, R, G, B of three components. All figures
// about it (clipped, below the floor, headroom, percentiles, the stopline) are read from these counts, so one pass is enough.
import {
  blackOf,
  CFA_NAMES,
  cfaIndex,
  clipLevel,
  floorSignal,
  type CfaName,
  type Mosaic,
  type NoiseModel,
  type PerSite,
} from '../sensor/raw-frame';
import { RGB_NAMES, type Components, type ImageNumbers } from '../sensor/rgb-image';
import { countByKernel } from './scopes-kernel';
import { levelInside, MEANINGFUL_SHARE } from './shares';
import { cropped } from './shown';

export type ChannelName = CfaName | (typeof RGB_NAMES)[number];

export interface SiteCounts {
  /** Names of the channels: `CFA_NAMES`, or `RGB_NAMES`. */
  readonly names: readonly ChannelName[];
  /** counts[channel][dn]. */
  readonly counts: readonly Uint32Array[];
  /** Numbers that were counted, of all channels together. */
  readonly sites: number;
  readonly black: number;
  /** Where black differs from site to site of a cell. */
  readonly blacks?: PerSite<number>;
  readonly white: number;
}

/** One pass over a mosaic of any phase. Numbers above white are counted at white. */
export function countSites(frame: Mosaic, reuse?: SiteCounts): SiteCounts {
  const { width, height, data, black, blacks, white, phase = [0, 0] } = frame;
  const [px, py] = phase;
  const fits = reuse !== undefined && reuse.white === white && reuse.counts.length === 4;
  const counts = fits ? reuse.counts : [0, 1, 2, 3].map(() => new Uint32Array(white + 1));
  const told = { names: CFA_NAMES, counts, sites: width * height, black, white, ...(blacks && { blacks }) };
  if (countByKernel(frame, (odd, y) => cfaIndex(px + odd, y + py), counts)) return told;
  if (fits) counts.forEach((c) => c.fill(0));
  for (let y = 0; y < height; y++) {
    const even = counts[cfaIndex(px, y + py)]!;
    const odd = counts[cfaIndex(px + 1, y + py)]!;
    let i = y * width;
    for (const end = i + width - 1; i < end; i += 2) {
      const a = data[i]!;
      const b = data[i + 1]!;
      even[a < white ? a : white]!++;
      odd[b < white ? b : white]!++;
    }
    if (width & 1) even[Math.min(white, data[i]!)]!++;
  }
  return told;
}

/** One pass over three components. Numbers above white are counted at white. */
export function countComponents({ data, black, white }: Components): SiteCounts {
  const counts = RGB_NAMES.map(() => new Uint32Array(white + 1));
  counts.forEach((of, c) => {
    for (let i = c; i < data.length; i += 3) of[Math.min(white, data[i]!)]!++;
  });
  return { names: RGB_NAMES, counts, sites: data.length, black, white };
}

/** Counts of the part of an image that counts (its crop), whatever its frame lines. */
export function countImage(image: ImageNumbers): SiteCounts {
  const part = cropped(image);
  return part.layout === 'cfa' ? countSites(part) : countComponents(part);
}

export interface ChannelFigures {
  readonly name: ChannelName;
  readonly sites: number;
  readonly clipped: number;
  readonly belowFloor: number;
  readonly min: number;
  readonly max: number;
  /** DN, black included. */
  readonly mean: number;
}

/** Sites, clipped, below the floor (SNR < 1), least, greatest and mean number of each channel. */
export function channelFigures(counted: SiteCounts, noise: NoiseModel): ChannelFigures[] {
  return counted.counts.map((counts, c) => {
    const black = blackOf(counted, c);
    const clip = clipLevel({ black, white: counted.white });
    const floor = black + floorSignal(noise);
    let [sites, clipped, belowFloor, min, max, sum] = [0, 0, 0, Infinity, 0, 0];
    for (let dn = 0; dn < counts.length; dn++) {
      const n = counts[dn]!;
      if (n === 0) continue;
      sites += n;
      sum += n * dn;
      if (dn >= clip) clipped += n;
      if (dn < floor) belowFloor += n;
      if (dn < min) min = dn;
      max = dn;
    }
    const empty = sites === 0;
    return {
      name: counted.names[c]!,
      sites,
      clipped,
      belowFloor,
      min: empty ? 0 : min,
      max,
      mean: empty ? 0 : sum / sites,
    };
  });
}

/**
 * Stops that can be added until `share` of the sites of any channel clips; 0 when that much is clipped already,
 * Infinity for a frame that is black everywhere.
 */
export function headroomEv(counted: SiteCounts, share: number = MEANINGFUL_SHARE): number {
  return Math.min(
    ...counted.counts.map((counts, c) => {
      const black = blackOf(counted, c);
      const clip = clipLevel({ black, white: counted.white }) - black;
      const level = levelOfTopShare(counts, share, black);
      return level <= 0 ? Infinity : Math.max(0, Math.log2(clip / level));
    }),
  );
}

/** The level, DN above black, that at least `share` of a channel's sites reach or pass; 0 or less when that is black. */
function levelOfTopShare(counts: Uint32Array, share: number, black: number): number {
  let sites = 0;
  for (const n of counts) sites += n;
  const wanted = Math.max(1, Math.ceil(sites * share));
  let above = 0;
  for (let dn = counts.length - 1; dn >= 0; dn--) {
    const inside = counts[dn]!;
    if (above + inside >= wanted) return dn <= black ? 0 : levelInside(dn - black, above, inside, wanted);
    above += inside;
  }
  return 0;
}

/** Stops below saturation of the given percentiles (0 … 100) of a channel; −Infinity at or under black. */
export function percentilesEv(
  counted: SiteCounts,
  channel: number,
  percentiles: readonly number[],
): number[] {
  const counts = counted.counts[channel];
  if (!counts) throw new RangeError(`No channel ${channel}`);
  let sites = 0;
  for (const n of counts) sites += n;
  return percentiles.map((p) => {
    const wanted = Math.max(1, Math.ceil((sites * p) / 100));
    let below = 0;
    for (let dn = 0; dn < counts.length; dn++) {
      below += counts[dn]!;
      if (below >= wanted)
        return stopsBelowSaturation(dn, { black: blackOf(counted, channel), white: counted.white });
    }
    return -Infinity;
  });
}

/** log2((DN − black)/(white − black)). */
export function stopsBelowSaturation(dn: number, { black, white }: { black: number; white: number }): number {
  return dn <= black ? -Infinity : Math.log2((dn - black) / (white - black));
}
