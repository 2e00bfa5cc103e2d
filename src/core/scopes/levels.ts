// What the sites of a capture will hold, told before it is made. The light on the finder's samples is counted as it comes,
// neither noisy nor cut; the sensor's noise model (EMVA 1288) then says which share of full-size sites passes any number. So one
// count serves every time and every ISO, and clipping, floor, zebra and headroom agree because they ask the same question.
import { normalCdf } from '../numeric/normal';
import type { ExposureSettings } from '../exposure/settings';
import { levelInside } from '../raw/shares';
import { cfaIndex, clipLevel, floorSignal, type NoiseModel } from '../sensor/raw-frame';
import { electronsPerLxS, gainDnPerE, noiseModel, type SensorModel } from '../sensor/sensor';

/**
 * Light is counted by the upper half of its 32-bit float: 128 codes an octave, in order, without a logarithm. From 2⁻²⁴ to
 * 2²⁴ lx; what lies beyond is counted at the ends.
 */
const FIRST_HALF = (127 - 24) << 7;
export const LEVEL_CODES = 48 << 7;

export function codeOfLux(lux: number): number {
  scratch[0] = lux;
  return Math.min(LEVEL_CODES - 1, Math.max(0, (bits[0]! >>> 16) - FIRST_HALF));
}
const scratch = new Float32Array(1);
const bits = new Uint32Array(scratch.buffer);

/** Light in the middle of a code, lx; `edge` 0 … 1 asks for another place inside it. */
export function luxOfCode(code: number, edge = 0.5): number {
  bits[0] = (code + FIRST_HALF) << 16;
  const low = scratch[0]!;
  bits[0] = (code + 1 + FIRST_HALF) << 16;
  return low + (scratch[0]! - low) * edge;
}

const LUX = Float64Array.from({ length: LEVEL_CODES }, (_, code) => luxOfCode(code));

export type PerChannel<T> = readonly [T, T, T, T];

/** Samples of each CFA channel (order of `CFA_NAMES`) over the light that falls on them. */
export interface Levels {
  readonly counts: PerChannel<Float32Array>;
  /** Samples of each channel with at least that code; one entry more than codes. */
  readonly atLeast: PerChannel<Float64Array>;
  /** Samples of each channel. */
  readonly sites: PerChannel<number>;
}

/** Counts a mosaic of light. @param light lx on each sample in its own colour, width × height */
export function countLevels(light: Float32Array, width: number): Levels {
  const counts = [0, 1, 2, 3].map(() => new Float32Array(LEVEL_CODES));
  const halves = upperHalves(light);
  const last = LEVEL_CODES - 1;
  for (let i = 0, y = 0; i < light.length; y++) {
    const even = counts[cfaIndex(0, y)]!;
    const odd = counts[cfaIndex(1, y)]!;
    for (const end = Math.min(light.length, i + width), start = i; i < end; i++) {
      const half = halves[2 * i + 1]! - FIRST_HALF;
      const code = half < 0 ? 0 : half > last ? last : half;
      const target = (i - start) & 1 ? odd : even;
      target[code] = target[code]! + 1;
    }
  }
  return levelsOf(counts as unknown as PerChannel<Float32Array>);
}

/** Levels of counts that are there already, for instance without what is tolerated. */
export function levelsOf(counts: PerChannel<Float32Array>, sites?: PerChannel<number>): Levels {
  const atLeast = counts.map((channel) => {
    const sums = new Float64Array(LEVEL_CODES + 1);
    for (let code = LEVEL_CODES - 1; code >= 0; code--) sums[code] = sums[code + 1]! + channel[code]!;
    return sums;
  }) as unknown as PerChannel<Float64Array>;
  return {
    counts,
    atLeast,
    sites: sites ?? (atLeast.map((sums) => sums[0]!) as unknown as PerChannel<number>),
  };
}

/** The upper 16 bits of every float, at the odd places (little-endian, as every browser's machine is). */
export function upperHalves(light: Float32Array): Uint16Array {
  return new Uint16Array(light.buffer, light.byteOffset, 2 * light.length);
}

/** Code of a float's upper half. */
export function codeOfHalf(half: number): number {
  return Math.min(LEVEL_CODES - 1, Math.max(0, half - FIRST_HALF));
}

/** How a full-size site answers to light at given settings. */
export interface SiteResponse {
  /** DN above black for one lux. */
  readonly signalPerLux: number;
  readonly noise: NoiseModel;
  readonly black: number;
  readonly white: number;
}

/** @param sitesPerSample sites averaged into each site of the frame that is told of; 1 for a capture at full size */
export function responseOf(
  sensor: SensorModel,
  { shutterS, iso }: Pick<ExposureSettings, 'shutterS' | 'iso'>,
  sitesPerSample = 1,
): SiteResponse {
  const { black, white } = sensor;
  return {
    signalPerLux: electronsPerLxS(sensor) * shutterS * gainDnPerE(sensor, iso),
    noise: noiseModel(sensor, iso, sitesPerSample),
    black,
    white,
  };
}

/** Signal, DN above black before rounding, from which a site counts as clipped. */
export function clipSignal(range: { black: number; white: number }): number {
  return clipLevel(range) - range.black - 0.5;
}

/** Signal under which a site counts as below the floor. */
function floorLimit({ noise, black }: SiteResponse): number {
  return Math.ceil(black + floorSignal(noise)) - black - 0.5;
}

/** Beyond this many standard deviations a site is surely on its side. */
const SURE = 4.5;
/** What rounding adds to a model's variance; limits lie between whole numbers and know of it already. */
const ROUNDING = 1 / 12;

/**
 * Chance that a site with this expected signal stays under a limit (DN above black, before rounding). The normal distribution
 * with the first term of its Edgeworth series for the skew of Poisson's: µ₃ = shot²·signal. It matters for a handful of electrons.
 */
export function chanceUnder(limit: number, signal: number, { shot, read }: NoiseModel): number {
  const variance = shot * signal + Math.max(1e-9, read - ROUNDING);
  const sigma = Math.sqrt(variance);
  const z = (limit - signal) / sigma;
  if (z > 6) return 1;
  if (z < -6) return 0;
  const skew = (shot * shot * signal) / (variance * sigma);
  const density = 0.3989422804 * Math.exp((-z * z) / 2);
  return Math.min(1, Math.max(0, normalCdf(z) - (skew / 6) * (z * z - 1) * density));
}

/** Signal s whose distance to `limit` is k of its own standard deviations, upwards for k > 0: s − k·σ(s) = limit. */
export function signalAt(limit: number, k: number, { shot, read }: NoiseModel): number {
  const half = (k * k * shot) / 2;
  return limit + half + Math.sign(k) * Math.sqrt(half * half + k * k * (shot * Math.max(0, limit) + read));
}

/** Share of each channel's sites that will reach `limit`, DN above black. */
export function sharesAtLeast(levels: Levels, response: SiteResponse, limit: number): PerChannel<number> {
  return levels.counts.map((_, c) =>
    shareAtLeast(levels, response, limit, c),
  ) as unknown as PerChannel<number>;
}

function shareAtLeast({ counts, atLeast, sites }: Levels, response: SiteResponse, limit: number, c: number) {
  const { signalPerLux, noise } = response;
  if (sites[c]! === 0) return 0;
  const spread = SURE * Math.sqrt(noise.shot * Math.max(0, limit) + noise.read);
  const from = limit <= spread ? 0 : codeOfLux((limit - spread) / signalPerLux);
  const to = Math.min(LEVEL_CODES, codeOfLux(signalAt(limit, SURE, noise) / signalPerLux) + 1);
  let passing = atLeast[c]![to]!;
  const channel = counts[c]!;
  for (let code = from; code < to; code++) {
    const n = channel[code]!;
    if (n === 0) continue;
    const signal = LUX[code]! * signalPerLux;
    passing += n * (1 - chanceUnder(limit, signal, noise));
  }
  return passing / sites[c]!;
}

/** What a capture will hold, in shares of each channel's sites. */
export interface Forecast {
  readonly clipped: PerChannel<number>;
  readonly belowFloor: PerChannel<number>;
}

export function forecastOfLevels(levels: Levels, response: SiteResponse): Forecast {
  const above = sharesAtLeast(levels, response, floorLimit(response));
  return {
    clipped: sharesAtLeast(levels, response, clipSignal(response)),
    belowFloor: above.map((share, c) =>
      levels.sites[c]! > 0 ? 1 - share : 0,
    ) as unknown as PerChannel<number>,
  };
}

const MOST_EV = 30;
const HALVINGS = 26;

/**
 * Stops of light that can be added until more than `share` of any channel's sites reach `limit` (clip, unless another is given);
 * negative when that is over already. Infinity for a frame without light.
 */
export function headroomOfLevels(
  levels: Levels,
  response: SiteResponse,
  share: number,
  limit: number = clipSignal(response),
): number {
  const { signalPerLux } = response;
  const over = (ev: number) => {
    const shifted = { ...response, signalPerLux: signalPerLux * 2 ** ev };
    return levels.counts.some((_, c) => shareAtLeast(levels, shifted, limit, c) > share);
  };
  if (!over(MOST_EV)) return Infinity;
  let [low, high] = [-MOST_EV, MOST_EV];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (over(middle)) high = middle;
    else low = middle;
  }
  return low;
}

/**
 * The headroom that will be read from the file (`headroomEv` of its counts): from the number that `share` of a channel's sites reach,
 * noise included. In a dark frame noise lifts that number over the light's own, so a file tells less room than the light has.
 * Never under 0; Infinity for a frame that is black.
 */
export function expectedHeadroomOfFile(levels: Levels, response: SiteResponse, share: number): number {
  const clip = clipLevel(response) - response.black;
  const rooms = levels.counts.map((_, c) => {
    const reached = (dn: number) => {
      const counted = Math.max(1 / Math.max(1, levels.sites[c]!), share);
      return shareAtLeast(levels, response, dn - 0.5, c) >= counted;
    };
    if (reached(clip)) return 0;
    let [low, high] = [0, clip];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (reached(middle)) low = middle;
      else high = middle;
    }
    if (low === 0) return Infinity;
    const above = shareAtLeast(levels, response, low + 0.5, c);
    const inside = shareAtLeast(levels, response, low - 0.5, c) - above;
    return Math.log2(clip / levelInside(low, above, inside, share));
  });
  return Math.max(0, Math.min(...rooms));
}

/** Light, lx, that the given share of a channel's sites reach or pass; 0 for a channel without light. */
export function luxOfTopShare({ atLeast, sites }: Levels, channel: number, share: number): number {
  const wanted = Math.max(1, share * sites[channel]!);
  const sums = atLeast[channel]!;
  let [low, high] = [0, LEVEL_CODES];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (sums[middle]! >= wanted) low = middle;
    else high = middle;
  }
  return low === 0 ? 0 : LUX[low]!;
}
