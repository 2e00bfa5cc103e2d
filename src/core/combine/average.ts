// Pictures of one view averaged in linear light, with the noise that was measured between one and the next. n pictures of independent
// noise average to 1/n of its variance; what the 8 bits of each round away is won back as far as noise dithers it.
import { decodeSrgb } from '../colour/srgb';
import type { NoiseModel } from '../sensor/raw-frame';

export const WHITE = 65535;
/** Sums of this many 16-bit numbers still fit into 32 bits with room. */
export const MOST_PICTURES = 64;

/** 16-bit linear value of an sRGB code value. */
const LINEAR = Uint16Array.from({ length: 256 }, (_, code) => Math.round(WHITE * decodeSrgb(code / 255)));
/** Levels that noise is measured at, evenly by the root of light, as shot noise grows. */
const LEVELS = 64;
/** Side of the blocks whose mean says how much light noise is measured at: a pixel's own light would be sorted by its own noise. */
const BLOCK = 8;
/** Code values that tell nothing of noise: the ends of the picture cut it off. */
const [LOWEST, HIGHEST] = [2, 253];
/** Fewer differences than this say nothing of a level. */
const ENOUGH = 200;

export interface Averaged {
  readonly width: number;
  readonly height: number;
  /** 3 × width × height linear numbers, black 0, `WHITE` for 1. */
  readonly data: Uint16Array;
  readonly pictures: number;
  /** Of one component of the average, in its numbers; null where nothing could be measured. What moves counts as noise too. */
  readonly noise: NoiseModel | null;
}

export interface Averager {
  readonly pictures: number;
  /**
   * Takes a picture.
   * @param counted false where it only tells of noise
   * @throws RangeError for one of another size, or one too many
   */
  add(rgba: Uint8ClampedArray, counted?: boolean): void;
  /** @throws RangeError without a picture */
  finish(): Averaged;
}

export function averager(width: number, height: number): Averager {
  const sums = new Uint32Array(3 * width * height);
  const squares = new Float64Array(LEVELS);
  const lights = new Float64Array(LEVELS);
  const pairs = new Float64Array(LEVELS);
  const before = new Uint8ClampedArray(4 * width * height);
  let seen = 0;
  let pictures = 0;

  /** What two pictures differ by in one component of a block, at the mean light of both. */
  function measureBlock(rgba: Uint8ClampedArray, from: number): void {
    let [square, light] = [0, 0];
    for (let y = 0, row = from; y < BLOCK; y++, row += 4 * width)
      for (let i = row; i < row + 4 * BLOCK; i += 4) {
        const [a, b] = [before[i]!, rgba[i]!];
        if (a < LOWEST || b < LOWEST || a > HIGHEST || b > HIGHEST) return;
        const [la, lb] = [LINEAR[a]!, LINEAR[b]!];
        square += (la - lb) * (la - lb);
        light += la + lb;
      }
    const mean = light / (2 * BLOCK * BLOCK);
    const level = Math.min(LEVELS - 1, Math.floor(LEVELS * Math.sqrt(mean / WHITE)));
    squares[level]! += square;
    lights[level]! += mean * BLOCK * BLOCK;
    pairs[level]! += BLOCK * BLOCK;
  }

  function measure(rgba: Uint8ClampedArray): void {
    for (let y = 0; y + BLOCK <= height; y += BLOCK)
      for (let x = 0; x + BLOCK <= width; x += BLOCK)
        for (let c = 0; c < 3; c++) measureBlock(rgba, 4 * (y * width + x) + c);
  }

  return {
    get pictures() {
      return pictures;
    },
    add: (rgba, counted = true) => {
      if (rgba.length !== before.length) throw new RangeError('Pictures of two sizes cannot be averaged');
      if (counted && pictures >= MOST_PICTURES) throw new RangeError(`At most ${MOST_PICTURES} pictures`);
      if (seen > 0) measure(rgba);
      before.set(rgba);
      seen++;
      if (!counted) return;
      pictures++;
      for (let i = 0, o = 0; o < sums.length; i += 4, o += 3) {
        sums[o]! += LINEAR[rgba[i]!]!;
        sums[o + 1]! += LINEAR[rgba[i + 1]!]!;
        sums[o + 2]! += LINEAR[rgba[i + 2]!]!;
      }
    },
    finish: () => {
      if (pictures === 0) throw new RangeError('No picture to average');
      const one = fitNoise(squares, lights, pairs);
      return {
        width,
        height,
        data: Uint16Array.from(sums, (sum) => Math.round(sum / pictures)),
        pictures,
        noise: one && { shot: one.shot / pictures, read: one.read / pictures },
      };
    },
  };
}

/**
 * Variance = shot·x + read through what was measured at each level; half of the mean square of a difference is the variance of one picture.
 * Least squares, each level weighted by its number of differences and, from the second round on, by how much a variance of that size
 * scatters. Neither part is negative.
 */
function fitNoise(squares: Float64Array, lights: Float64Array, pairs: Float64Array): NoiseModel | null {
  const points = Array.from(pairs, (n, level) => ({
    n,
    x: lights[level]! / n,
    v: squares[level]! / (2 * n),
  })).filter(({ n }) => n >= ENOUGH);
  if (points.length === 0) return null;
  let fitted = lineThrough(points, () => 1);
  for (let round = 0; round < 2; round++) {
    const { shot, read } = fitted;
    if (!(shot + read > 0)) break;
    fitted = lineThrough(points, (x) => 1 / (shot * x + read + 1) ** 2);
  }
  return fitted;
}

interface Point {
  readonly n: number;
  readonly x: number;
  readonly v: number;
}

function lineThrough(points: readonly Point[], weight: (x: number) => number): NoiseModel {
  const sum = (of: (p: Point) => number) => points.reduce((s, p) => s + p.n * weight(p.x) * of(p), 0);
  const [w, x, xx] = [sum(() => 1), sum((p) => p.x), sum((p) => p.x ** 2)];
  const [v, xv] = [sum((p) => p.v), sum((p) => p.x * p.v)];
  const spread = w * xx - x * x;
  const shot = spread > 1e-9 * w * xx ? (w * xv - x * v) / spread : 0;
  if (shot <= 0) return { shot: 0, read: v / w };
  const read = (v - shot * x) / w;
  return read >= 0 ? { shot, read } : { shot: xv / xx, read: 0 };
}
