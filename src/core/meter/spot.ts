// Spot: a disc with a stated share of the frame, anywhere the person puts it.
import type { Pattern } from './pattern';

/** Share of the frame's area. */
export const SPOT_SHARE = 0.01;

export const spot: Pattern = {
  id: 'spot',
  name: 'Spot',
  says: `Reads ${100 * SPOT_SHARE} % of the frame where you tap.`,
  area: (at, aspect) => {
    const { rx, ry } = radii(aspect);
    return { kind: 'ellipse', cx: at.x, cy: at.y, rx, ry };
  },
  weight: (map, out, at) => {
    const { rx, ry } = radii(map.width / map.height);
    let any = false;
    for (let y = 0; y < map.height; y++) {
      const v = ((y + 0.5) / map.height - at.y) / ry;
      for (let x = 0; x < map.width; x++) {
        const u = ((x + 0.5) / map.width - at.x) / rx;
        const inside = u * u + v * v <= 1;
        out[y * map.width + x] = inside ? 1 : 0;
        any ||= inside;
      }
    }
    if (!any) out[nearest(at.y, map.height) * map.width + nearest(at.x, map.width)] = 1;
  },
};

/** Half axes in shares of width and height of a disc (round on the picture) of `SPOT_SHARE` of the frame. */
function radii(aspect: number): { rx: number; ry: number } {
  return { rx: Math.sqrt(SPOT_SHARE / Math.PI / aspect), ry: Math.sqrt((SPOT_SHARE / Math.PI) * aspect) };
}

function nearest(share: number, size: number): number {
  return Math.min(size - 1, Math.max(0, Math.floor(share * size)));
}
