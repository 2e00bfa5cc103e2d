// A meter reading: the weighted mean of scene-linear luminance under a pattern, or the brightest part. ISO 2720 for EV100.
// What the meter's own exposures clip, or lose in noise, is counted and told: the reading is then a bound, not a value.
import { ev100OfLuminance } from '../light/apex';
import type { Known } from '../units/known';
import { centre } from './centre';
import { whole } from './whole';
import { highlight, meteredForHighlight } from './highlight';
import type { MeterSight } from './luminance-map';
import type { MeterAim, Pattern, PatternId } from './pattern';
import { spot } from './spot';

export const PATTERNS: readonly Pattern[] = [whole, centre, spot, highlight];

export interface Reading {
  /** Luminance that is to become mid-grey, cd/m². */
  readonly luminance: number;
  /** EV at ISO 100 that puts it on 18 % grey; −Infinity in total darkness. */
  readonly ev100: number;
  /** Share of what is read that lies beyond the meter's range. */
  readonly clippedShare: number;
  /** Share of what is read that lies in the meter's noise. */
  readonly floorShare: number;
}

/** EV at ISO 100 that was read, or why there is none. */
export function meteredEv100(
  { ev100 }: Pick<Reading, 'ev100'>,
  relative: string | null = null,
): Known<number> {
  if (relative !== null) return { unknown: relative };
  return Number.isFinite(ev100) ? ev100 : { unknown: 'the meter saw no light' };
}

/** Above this share of its area a reading is uncertain. */
const UNCERTAIN = { clipped: 0.02, floor: 0.5 };

export type Doubt = 'clipped' | 'floor' | null;

/** Why a reading is not to be trusted, if so. */
export function doubtOf({ clippedShare, floorShare }: Reading): Doubt {
  if (clippedShare > UNCERTAIN.clipped) return 'clipped';
  return floorShare > UNCERTAIN.floor ? 'floor' : null;
}

/** @throws RangeError for an unknown pattern. */
export function patternOf(id: string): Pattern {
  const pattern = PATTERNS.find((p) => p.id === id);
  if (!pattern) throw new RangeError(`No pattern ${id}: ${PATTERNS.map((p) => p.id).join(', ')}`);
  return pattern;
}

/**
 * Reads what the meter sees through a pattern.
 * @throws RangeError for an empty map or a point that is not a number
 */
export function readMeter(sight: MeterSight, id: PatternId, aim: MeterAim): Reading {
  const { width, height, data } = sight.luminance;
  if (!(width > 0 && height > 0) || data.length !== width * height)
    throw new RangeError('Empty luminance map');
  if (!Number.isFinite(aim.at.x) || !Number.isFinite(aim.at.y))
    throw new RangeError('The spot needs a place in the frame');
  const pattern = patternOf(id);
  if (!pattern.weight) return readHighlight(sight, aim.burnShare);
  const weights = new Float32Array(data.length);
  pattern.weight(sight.luminance, weights, aim);
  const { floor, clip } = sight.range;
  let [sum, total, clipped, dark] = [0, 0, 0, 0];
  for (let i = 0; i < data.length; i++) {
    const w = weights[i]!;
    const luminance = data[i]!;
    if (w > 0 && !Number.isNaN(luminance)) {
      // A clipped field is known to be this bright at least; it is counted so, and told.
      sum += w * Math.min(luminance, Math.min(clip, Number.MAX_VALUE));
      total += w;
      if (luminance >= clip) clipped += w;
      if (luminance < floor) dark += w;
    }
  }
  const mean = total > 0 ? sum / total : 0;
  const luminance = mean > 0 ? mean * 2 ** (pattern.pull?.(sight.luminance, mean) ?? 0) : mean;
  return {
    luminance,
    ev100: ev100OfLuminance(luminance),
    clippedShare: total > 0 ? clipped / total : 0,
    floorShare: total > 0 ? dark / total : 1,
  };
}

function readHighlight({ brightest, range }: MeterSight, burnShare: number): Reading {
  const level = brightest(burnShare);
  const luminance = meteredForHighlight(Math.min(level, range.clip));
  return {
    luminance,
    ev100: ev100OfLuminance(luminance),
    clippedShare: level >= range.clip ? 1 : 0,
    floorShare: level < range.floor ? 1 : 0,
  };
}
