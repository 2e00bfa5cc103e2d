// Frame lines that are turned over the picture: what is inside of them, set upright again by bilinear interpolation.
import type { Rectangle, Turn } from './shown';

interface Size {
  readonly width: number;
  readonly height: number;
}

interface Point {
  readonly x: number;
  readonly y: number;
}

/** The least whole rectangle that holds lines turned by that angle about their middle. */
export function boundsOf({ x, y, width, height }: Rectangle, tiltDeg: number): Rectangle {
  const angle = (tiltDeg * Math.PI) / 180;
  const [cos, sin] = [Math.abs(Math.cos(angle)), Math.abs(Math.sin(angle))];
  const [across, down] = [width * cos + height * sin, width * sin + height * cos];
  const [left, top] = [x + width / 2 - across / 2, y + height / 2 - down / 2];
  const from = { x: Math.floor(left + 1e-6), y: Math.floor(top + 1e-6) };
  return {
    ...from,
    width: Math.ceil(left + across - 1e-6) - from.x,
    height: Math.ceil(top + down - 1e-6) - from.y,
  };
}

/** The angle as it is seen: in a mirror clockwise is the other way round. */
export function seenTilt(tiltDeg: number, turn: Turn): number {
  return [2, 4, 5, 7].includes(turn) ? -tiltDeg : tiltDeg;
}

/** Where a place of the upright picture lies in the one that it is taken from: `about` is the middle of the lines in either. */
export function placeInTilted(at: Point, middle: Point, about: Point, tiltDeg: number): Point {
  const angle = (tiltDeg * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const [u, v] = [at.x - middle.x, at.y - middle.y];
  return { x: about.x + u * cos - v * sin, y: about.y + u * sin + v * cos };
}

/**
 * Pixels of a region of the upright picture.
 * @param of size of the upright picture
 * @param from pixels that it is taken from, of `channels` numbers each, and where in them the middle of the lines lies; beyond their edges the last pixel goes on
 */
export function upright<T extends Uint8ClampedArray | Uint16Array>(
  region: Rectangle,
  of: Size,
  from: Size & { readonly data: T; readonly about: Point },
  tiltDeg: number,
  channels: number,
  out: T,
): T {
  const angle = (tiltDeg * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const { width, height, data, about } = from;
  const row = width * channels;
  for (let y = 0, o = 0; y < region.height; y++) {
    const v = region.y + y + 0.5 - of.height / 2;
    for (let x = 0; x < region.width; x++, o += channels) {
      const u = region.x + x + 0.5 - of.width / 2;
      const sx = Math.max(0, Math.min(width - 1, about.x + u * cos - v * sin - 0.5));
      const sy = Math.max(0, Math.min(height - 1, about.y + u * sin + v * cos - 0.5));
      const [x0, y0] = [Math.floor(sx), Math.floor(sy)];
      const [fx, fy] = [sx - x0, sy - y0];
      const i = y0 * row + x0 * channels;
      const right = x0 < width - 1 ? channels : 0;
      const down = y0 < height - 1 ? row : 0;
      for (let c = 0; c < channels; c++) {
        const top = data[i + c]! * (1 - fx) + data[i + right + c]! * fx;
        const bottom = data[i + down + c]! * (1 - fx) + data[i + down + right + c]! * fx;
        out[o + c] = top * (1 - fy) + bottom * fy + 0.5;
      }
    }
  }
  return out;
}
