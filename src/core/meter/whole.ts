// Whole: our own pattern, the whole frame weighed. A careful photographer exposes for the broad middle of a scene and
// lets a window or a lamp go, but not when the bright part is most of the picture. So:
//   1. the frame is read in 12 × 12 fields, each with its mean luminance;
//   2. the anchor is the median field, in stops;
//   3. a field counts fully within −3 … +1 EV of the anchor; beyond, its weight falls to a quarter for each further stop
//      above and by half for each 1.5 stops below: a lamp or a black corner cannot pull the reading, however extreme;
//   4. fields nearer the middle count up to twice as much as the corners;
//   5. the reading is the weighted mean of luminance over the fields;
//   6. where a twentieth of the frame or more would come out brighter than white (2.47 EV over mid-grey), half of what it is
//      over is added to the reading, 3 EV at the most: a yard through a door is met half-way, a spy-hole is not.
import type { LuminanceMap } from './luminance-map';
import type { Pattern } from './pattern';

const FIELDS = 12;
const UPPER_EV = 1;
const LOWER_EV = -3;

/** A 100 % white beside a metered 18 % grey, EV. */
const WHITE_EV = Math.log2(1 / 0.18);
const BROAD_SHARE = 0.05;
const MEET = 0.5;
const MOST_PULL_EV = 3;

/** Stops that a broad bright part adds to a reading of `luminance`. */
function pullEv({ data }: LuminanceMap, luminance: number): number {
  const sorted = Float32Array.from(data).sort();
  const broad = sorted[Math.max(0, sorted.length - 1 - Math.floor(sorted.length * BROAD_SHARE))] ?? 0;
  const over = Math.log2(broad / luminance) - WHITE_EV;
  return over > 0 ? Math.min(MOST_PULL_EV, MEET * over) : 0;
}

/** Weights of the fields, row by row; the largest is 2 at the most. */
export interface FieldWeights {
  readonly across: number;
  readonly down: number;
  readonly weights: Float64Array;
}

function fieldIn(map: LuminanceMap, across: number, down: number) {
  return (x: number, y: number) =>
    Math.floor((y * down) / map.height) * across + Math.floor((x * across) / map.width);
}

/** How much each field of the frame counts. */
export function fieldWeights(map: LuminanceMap): FieldWeights & { readonly counts: Float64Array } {
  const { width, height, data } = map;
  const [across, down] = [Math.min(FIELDS, width), Math.min(FIELDS, height)];
  const sums = new Float64Array(across * down);
  const counts = new Float64Array(across * down);
  const fieldOf = fieldIn(map, across, down);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const f = fieldOf(x, y);
      sums[f] = sums[f]! + data[y * width + x]!;
      counts[f] = counts[f]! + 1;
    }
  }
  const stops = sums.map((sum, f) => Math.log2(Math.max(1e-9, sum / counts[f]!)));
  const sorted = [...stops].sort((a, b) => a - b);
  const anchor = (sorted[(sorted.length - 1) >> 1]! + sorted[sorted.length >> 1]!) / 2;
  const weights = stops.map((ev, f) => {
    const [u, v] = [(((f % across) + 0.5) / across) * 2 - 1, ((Math.floor(f / across) + 0.5) / down) * 2 - 1];
    const place = 1 + Math.max(0, 1 - Math.hypot(u, v));
    const over = ev - anchor;
    const trust =
      over > UPPER_EV ? 4 ** (UPPER_EV - over) : over < LOWER_EV ? 2 ** ((over - LOWER_EV) / 1.5) : 1;
    return place * trust;
  });
  return { across, down, weights, counts };
}

export const whole: Pattern = {
  id: 'whole',
  name: 'Whole',
  says: 'The whole frame, weighed: a lamp or a black corner counts little.',
  area: () => ({ kind: 'frame' }),
  weight: (map, out) => {
    const { across, down, weights, counts } = fieldWeights(map);
    const fieldOf = fieldIn(map, across, down);
    for (let y = 0; y < map.height; y++) {
      for (let x = 0; x < map.width; x++) {
        const f = fieldOf(x, y);
        out[y * map.width + x] = weights[f]! / counts[f]!;
      }
    }
  },
  pull: pullEv,
};
