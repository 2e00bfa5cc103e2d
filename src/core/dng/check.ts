// The raw check of a file: is it sound, and what does its mosaic hold.
import {
  channelFigures,
  countSites,
  headroomEv,
  percentilesEv,
  type ChannelFigures,
  type SiteCounts,
} from '../raw/statistics';
import type { NoiseModel } from '../sensor/raw-frame';
import { DngError, type DngErrorCode } from './errors';
import { readDng, type DngMetadata, type DngRaw } from './read';

export interface CheckedChannel extends ChannelFigures {
  readonly clippedShare: number;
  readonly belowFloorShare: number;
  /** Stops below saturation of the 1st, 10th, 50th, 90th and 99th percentile; null at or under black. */
  readonly percentilesEv: Readonly<Record<'p1' | 'p10' | 'p50' | 'p90' | 'p99', number | null>>;
}

export interface CheckReport {
  readonly ok: true;
  readonly width: number;
  readonly height: number;
  readonly layout: string;
  readonly black: number;
  readonly white: number;
  readonly channels: readonly CheckedChannel[];
  /** Stops until 0.1 % of any channel clips; 0 when that much is clipped; null for a frame that is black. */
  readonly headroomEv: number | null;
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
  const counted = countSites(raw);
  const headroom = headroomEv(counted);
  return {
    ok: true,
    width: raw.width,
    height: raw.height,
    layout: `RGGB, ${raw.compression === 'none' ? 'plain' : 'lossless JPEG'}, ${raw.block[0]}×${raw.block[1]} blocks`,
    black: raw.black,
    white: raw.white,
    channels: checkedChannels(counted, noiseOf(raw)),
    headroomEv: Number.isFinite(headroom) ? headroom : null,
    metadata: raw.metadata,
  };
}

function checkedChannels(counted: SiteCounts, noise: NoiseModel): CheckedChannel[] {
  return channelFigures(counted, noise).map((figures, c) => {
    const [p1, p10, p50, p90, p99] = percentilesEv(counted, c, [1, 10, 50, 90, 99]).map((ev) =>
      Number.isFinite(ev) ? ev : null,
    ) as (number | null)[];
    return {
      ...figures,
      clippedShare: figures.clipped / figures.sites,
      belowFloorShare: figures.belowFloor / figures.sites,
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

/** Noise in DN from the file's NoiseProfile; without one, a number of one DN stands for the floor. */
export function noiseOf({
  metadata,
  black,
  white,
}: Pick<DngRaw, 'metadata' | 'black' | 'white'>): NoiseModel {
  const [s, o] = metadata.noiseProfile ?? [];
  const range = white - black;
  if (s === undefined || o === undefined || !(s >= 0 && o >= 0)) return { shot: 0, read: 1 };
  return { shot: s * range, read: o * range * range };
}
