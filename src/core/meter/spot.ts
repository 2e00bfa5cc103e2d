// Spot: a disc with a stated share of the frame, anywhere the person puts it.
import type { FramePoint, LuminanceMap } from './luminance-map';
import type { Pattern } from './pattern';

/** The three sizes, shares of the frame's area. */
export const SPOT_SHARES = [0.003, 0.01, 0.03] as const;
export const SPOT_NAMES = ['Small', 'Medium', 'Large'] as const;
export const SPOT_SHARE = SPOT_SHARES[1];

export const spot: Pattern = {
  id: 'spot',
  name: 'Spot',
  says: 'Reads a disc where you tap, and makes it mid-grey.',
  area: ({ at, spotShare }, aspect) => {
    const { rx, ry } = radii(spotShare, aspect);
    return { kind: 'ellipse', cx: at.x, cy: at.y, rx, ry };
  },
  weight: (map, out, { at, spotShare }) => {
    out.fill(0);
    for (const i of discCells(map, at, spotShare)) out[i] = 1;
  },
};

/** Indices of the values inside a disc, round on the picture; at least the one that it stands on. */
export function discCells(map: LuminanceMap, at: FramePoint, share: number): number[] {
  const { width, height } = map;
  const { rx, ry } = radii(share, width / height);
  const cells: number[] = [];
  const [top, bottom] = [Math.floor((at.y - ry) * height), Math.ceil((at.y + ry) * height)];
  for (let y = Math.max(0, top); y < Math.min(height, bottom); y++) {
    const v = ((y + 0.5) / height - at.y) / ry;
    for (let x = 0; x < width; x++) {
      const u = ((x + 0.5) / width - at.x) / rx;
      if (u * u + v * v <= 1) cells.push(y * width + x);
    }
  }
  return cells.length > 0 ? cells : [nearest(at.y, height) * width + nearest(at.x, width)];
}

/** Half axes in shares of width and height of a disc with `share` of the frame's area. */
function radii(share: number, aspect: number): { rx: number; ry: number } {
  return { rx: Math.sqrt(share / Math.PI / aspect), ry: Math.sqrt((share / Math.PI) * aspect) };
}

function nearest(share: number, size: number): number {
  return Math.min(size - 1, Math.max(0, Math.floor(share * size)));
}
