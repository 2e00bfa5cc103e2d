// The raw check of a file: is it sound, and what does its image hold.
import { codecOf } from './codec/codecs';
import {
  channelFigures,
  countImage,
  headroomEv,
  percentilesEv,
  type ChannelFigures,
  type SiteCounts,
} from '../raw/statistics';
import type { Rectangle } from '../raw/shown';
import { cfaIndex, floorSignal, type BayerPhase, type NoiseModel, type PerSite } from '../sensor/raw-frame';
import type { WhitePoint } from '../colour/temperature';
import { known } from '../units/known';
import { DngError, type DngErrorCode } from './errors';
import { factsOf } from './file-facts';
import { readDng, type DngMetadata, type DngRaw } from './read';

export interface CheckedChannel extends Omit<ChannelFigures, 'belowFloor'> {
  /** null where the file does not tell its noise. */
  readonly belowFloor: number | null;
  readonly clippedShare: number;
  readonly belowFloorShare: number | null;
  /** Stops below saturation of the 1st, 10th, 50th, 90th and 99th percentile; null at or under black. */
  readonly percentilesEv: Readonly<Record<'p1' | 'p10' | 'p50' | 'p90' | 'p99', number | null>>;
}

export interface CheckReport {
  readonly ok: true;
  readonly width: number;
  readonly height: number;
  readonly layout: string;
  /** The part that counts, and what of it is inside the frame lines; absent where that is all. Figures are of the part that counts. */
  readonly crop?: Rectangle;
  readonly userCrop?: Rectangle;
  /** Of all sites; where they differ, the mean of the four. */
  readonly black: number;
  /** Of R, G1, G2, B where black differs from site to site. */
  readonly blacks?: PerSite<number>;
  readonly white: number;
  readonly channels: readonly CheckedChannel[];
  /** Stops until 0.1 % of any channel clips; 0 when that much is clipped; null for a frame that is black. */
  readonly headroomEv: number | null;
  /** Where signal equals noise, stops below saturation; null where the file does not tell its noise. */
  readonly floorEv: number | null;
  /** The light that the file's white was made for, by its own matrices; null where it does not tell. */
  readonly asShotWhite: WhitePoint | null;
  readonly metadata: DngMetadata;
}

export interface CheckRefusal {
  readonly ok: false;
  readonly code: DngErrorCode;
  readonly message: string;
  readonly offset: number;
}

/** Never throws for what is in the file: a broken one is refused by name of what is wrong and where. */
export function checkDng(bytes: Uint8Array): CheckReport | CheckRefusal {
  try {
    return reportOf(readDng(bytes));
  } catch (error) {
    if (error instanceof DngError)
      return { ok: false, code: error.code, message: error.message, offset: error.offset };
    throw error;
  }
}

export function reportOf(raw: DngRaw): CheckReport {
  const counted = countImage(raw);
  const headroom = headroomEv(counted);
  const noise = noiseOf(raw);
  return {
    ok: true,
    width: raw.width,
    height: raw.height,
    layout: `${raw.layout === 'cfa' ? phaseName(raw.phase) : 'linear RGB'}, ${codecOf(raw.compression).words}, ${raw.block[0]}×${raw.block[1]} blocks`,
    ...(raw.crop && { crop: raw.crop }),
    ...(raw.userCrop && { userCrop: raw.userCrop }),
    black: raw.black,
    ...(raw.layout === 'cfa' && raw.blacks && { blacks: raw.blacks }),
    white: raw.white,
    channels: checkedChannels(counted, noise),
    headroomEv: Number.isFinite(headroom) ? headroom : null,
    floorEv: noise && Math.log2(floorSignal(noise) / (raw.white - raw.black)),
    asShotWhite: known(factsOf(raw.metadata).white) ?? null,
    metadata: raw.metadata,
  };
}

/** Letters of a 2×2 cell in reading order: RGGB. */
function phaseName([px, py]: BayerPhase): string {
  return [0, 1, 2, 3].map((i) => 'RGGB'[cfaIndex(px + (i & 1), py + (i >> 1))]).join('');
}

/** Counts nothing as lost in noise; what it says of the floor is not told. */
const NO_NOISE: NoiseModel = { shot: 0, read: 0 };

function checkedChannels(counted: SiteCounts, noise: NoiseModel | null): CheckedChannel[] {
  return channelFigures(counted, noise ?? NO_NOISE).map((figures, c) => {
    const [p1, p10, p50, p90, p99] = percentilesEv(counted, c, [1, 10, 50, 90, 99]).map((ev) =>
      Number.isFinite(ev) ? ev : null,
    ) as (number | null)[];
    return {
      ...figures,
      clippedShare: figures.clipped / figures.sites,
      belowFloor: noise && figures.belowFloor,
      belowFloorShare: noise && figures.belowFloor / figures.sites,
      percentilesEv: {
        p1: p1 ?? null,
        p10: p10 ?? null,
        p50: p50 ?? null,
        p90: p90 ?? null,
        p99: p99 ?? null,
      },
    };
  });
}

/**
 * Noise in DN from the file's NoiseProfile (variance S·x + O of the signal scaled to 0 … 1; of the second plane, green, where
 * there is one for each colour); null when the file does not tell.
 */
export function noiseOf({
  metadata,
  black,
  white,
}: Pick<DngRaw, 'metadata' | 'black' | 'white'>): NoiseModel | null {
  const profile = metadata.noiseProfile ?? [];
  const [s, o] = profile.length >= 6 ? profile.slice(2) : profile;
  const range = white - black;
  if (s === undefined || o === undefined || !(s >= 0 && o >= 0 && s + o > 0 && Number.isFinite(s + o)))
    return null;
  return { shot: s * range, read: o * range * range };
}
