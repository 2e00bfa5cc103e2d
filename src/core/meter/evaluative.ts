// Evaluative: our own pattern for the whole frame. A careful photographer exposes for the broad middle of a scene and
// lets a window or a lamp go, but not when the bright part is most of the picture. So:
//   1. the frame is read in 12 × 12 fields, each with its mean luminance;
//   2. the anchor is the median field, in stops;
//   3. a field counts fully within −3 … +1 EV of the anchor; beyond, its weight falls to a quarter for each further stop
//      above and by half for each 1.5 stops below: a lamp or a black corner cannot pull the reading, however extreme;
//   4. fields nearer the middle count up to twice as much as the corners;
//   5. the reading is the weighted mean of luminance over the fields.
import type { Pattern } from './pattern';

const FIELDS = 12;
const UPPER_EV = 1;
const LOWER_EV = -3;

export const evaluative: Pattern = {
  id: 'evaluative',
  name: 'Evaluative',
  says: 'Reads the whole frame; a lamp or a black corner counts little.',
  area: () => ({ kind: 'frame' }),
  weight: (map, out) => {
    const { width, height, data } = map;
    const [nx, ny] = [Math.min(FIELDS, width), Math.min(FIELDS, height)];
    const sums = new Float64Array(nx * ny);
    const counts = new Float64Array(nx * ny);
    const fieldOf = (x: number, y: number) =>
      Math.floor((y * ny) / height) * nx + Math.floor((x * nx) / width);
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
      const [fx, fy] = [f % nx, Math.floor(f / nx)];
      const [u, v] = [((fx + 0.5) / nx) * 2 - 1, ((fy + 0.5) / ny) * 2 - 1];
      const place = 1 + Math.max(0, 1 - Math.hypot(u, v));
      const over = ev - anchor;
      const trust =
        over > UPPER_EV ? 4 ** (UPPER_EV - over) : over < LOWER_EV ? 2 ** ((over - LOWER_EV) / 1.5) : 1;
      return place * trust;
    });
    for (let y = 0; y < height; y++) {
      for (let x = 0; x < width; x++) {
        const f = fieldOf(x, y);
        out[y * width + x] = weights[f]! / counts[f]!;
      }
    }
  },
};
