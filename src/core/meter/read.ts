// A meter reading: the weighted mean of scene-linear luminance under a pattern. ISO 2720 for EV100.
import { ev100OfLuminance } from '../light/apex';
import { centre } from './centre';
import { evaluative } from './evaluative';
import type { FramePoint, LuminanceMap } from './luminance-map';
import type { Pattern, PatternId } from './pattern';
import { spot } from './spot';

export const PATTERNS: readonly Pattern[] = [evaluative, centre, spot];

export interface Reading {
  /** Weighted mean luminance, cd/m². */
  readonly luminance: number;
  /** EV at ISO 100 that puts it on 18 % grey; −Infinity in total darkness. */
  readonly ev100: number;
}

/** @throws RangeError for an unknown pattern. */
export function patternOf(id: string): Pattern {
  const pattern = PATTERNS.find((p) => p.id === id);
  if (!pattern) throw new RangeError(`No pattern ${id}: ${PATTERNS.map((p) => p.id).join(', ')}`);
  return pattern;
}

/**
 * Reads a map through a pattern.
 * @param at where the spot is, shares of the frame
 * @throws RangeError for an empty map or a point that is not a number
 */
export function readMeter(map: LuminanceMap, id: PatternId, at: FramePoint): Reading {
  const { width, height, data } = map;
  if (!(width > 0 && height > 0) || data.length !== width * height)
    throw new RangeError('Empty luminance map');
  if (!Number.isFinite(at.x) || !Number.isFinite(at.y))
    throw new RangeError('The spot needs a place in the frame');
  const weights = new Float32Array(data.length);
  patternOf(id).weight(map, weights, at);
  let [sum, total] = [0, 0];
  for (let i = 0; i < data.length; i++) {
    const w = weights[i]!;
    const luminance = data[i]!;
    if (w > 0 && Number.isFinite(luminance)) {
      sum += w * luminance;
      total += w;
    }
  }
  const luminance = total > 0 ? sum / total : 0;
  return { luminance, ev100: ev100OfLuminance(luminance) };
}
