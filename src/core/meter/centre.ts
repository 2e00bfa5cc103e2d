// Centre-weighted: a smooth bell over the frame. Practice: 60–75 % of the weight in the central third.
import type { Pattern } from './pattern';

/** Spread of the bell in half-frames; with it about two thirds of the weight lie in the central third of the area. */
const SIGMA = 0.42;

export const centre: Pattern = {
  id: 'centre',
  name: 'Centre',
  says: 'Reads a soft spot in the middle; the edges count little.',
  area: () => ({ kind: 'ellipse', cx: 0.5, cy: 0.5, rx: SIGMA * 0.75, ry: SIGMA * 0.75 }),
  weight: (map, out) => {
    for (let y = 0; y < map.height; y++) {
      const v = ((y + 0.5) / map.height) * 2 - 1;
      for (let x = 0; x < map.width; x++) {
        const u = ((x + 0.5) / map.width) * 2 - 1;
        out[y * map.width + x] = Math.exp(-(u * u + v * v) / (2 * SIGMA * SIGMA));
      }
    }
  },
};
