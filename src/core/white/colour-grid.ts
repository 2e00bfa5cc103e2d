// A frame of sensor numbers as a coarse grid of colours: what white is found from.
import { blackOf, cfaIndex, clipLevel, type Mosaic, type NoiseModel } from '../sensor/raw-frame';
import { signalOfSnr } from '../scopes/limits';

/** Means of blocks of sites, row by row, in camera R, G, B above black: DN. */
export interface ColourGrid {
  readonly width: number;
  readonly height: number;
  readonly red: Float32Array;
  readonly green: Float32Array;
  readonly blue: Float32Array;
  /** 1 where no site of the block is clipped and each colour stands clear of the noise. */
  readonly good: Uint8Array;
}

/** Blocks along the long side, at most. */
const LONG_SIDE = 80;
/** Cells of a block that are looked at, each way: more tell little more. */
const CELLS_LOOKED_AT = 2;
/** Signal to noise of a block's mean, dB, from which its colour tells something. */
const CLEAR_DB = 15;

/** @param kept arrays of a grid of the same frame's size to be filled again */
export function colourGrid(
  frame: Pick<Mosaic, 'width' | 'height' | 'phase' | 'data' | 'black' | 'blacks' | 'white'>,
  noise: NoiseModel,
  kept?: ColourGrid,
): ColourGrid {
  const { width: sites, height: lines, data, phase: [px, py] = [0, 0] } = frame;
  // Whole cells of 2×2 sites.
  const cells = Math.max(1, Math.ceil(Math.max(sites, lines) / LONG_SIDE / 2));
  const side = 2 * cells;
  const [width, height] = [Math.floor(sites / side), Math.floor(lines / side)];
  const grid: ColourGrid =
    kept?.width === width && kept.height === height
      ? kept
      : {
          width,
          height,
          red: new Float32Array(width * height),
          green: new Float32Array(width * height),
          blue: new Float32Array(width * height),
          good: new Uint8Array(width * height),
        };
  const { red, green, blue, good } = grid;
  const blacks = [0, 1, 2, 3].map((c) => blackOf(frame, c));
  const clip = clipLevel({ black: Math.max(...blacks), white: frame.white });
  const stride = 2 * Math.max(1, Math.floor(cells / CELLS_LOOKED_AT));
  const count = Math.ceil(side / stride) ** 2;
  const clear = signalOfSnr({ shot: noise.shot / count, read: noise.read / count }, CLEAR_DB);
  // Where a cell begins its four sites may stand in any order.
  const [c0, c1, c2, c3] = [0, 1, 2, 3].map((i) => cfaIndex(px + (i & 1), py + (i >> 1))) as [number, number, number, number]; // prettier-ignore
  const sums = [0, 0, 0, 0];
  for (let by = 0, i = 0; by < height; by++)
    for (let bx = 0; bx < width; bx++, i++) {
      let [s0, s1, s2, s3] = [0, 0, 0, 0];
      let top = 0;
      for (let y = by * side; y < (by + 1) * side; y += stride) {
        const end = y * sites + (bx + 1) * side;
        for (let at = y * sites + bx * side; at < end; at += stride) {
          const [a, b, c, d] = [data[at]!, data[at + 1]!, data[at + sites]!, data[at + sites + 1]!];
          s0 += a;
          s1 += b;
          s2 += c;
          s3 += d;
          if (a > top) top = a;
          if (b > top) top = b;
          if (c > top) top = c;
          if (d > top) top = d;
        }
      }
      sums[c0] = s0;
      sums[c1] = s1;
      sums[c2] = s2;
      sums[c3] = s3;
      const r = sums[0]! / count - blacks[0]!;
      const g = (sums[1]! + sums[2]!) / count / 2 - (blacks[1]! + blacks[2]!) / 2;
      const b = sums[3]! / count - blacks[3]!;
      red[i] = r;
      green[i] = g;
      blue[i] = b;
      good[i] = top < clip && r > clear && g > clear && b > clear ? 1 : 0;
    }
  return grid;
}
