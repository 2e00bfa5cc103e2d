// Blur by discs that may differ from sample to sample: each sample becomes the mean over its own disc, by rows of running sums. A disc of
// samples has the variance of a true disc, d²/16 along each axis, whatever the samples do to its rim. Wide ones are made at a half, a
// quarter … of the size.
import { blocksOf, widened, type Blocks } from './blocks';
import { blurByKernel } from './blur-kernel';
import { diameterOf, discNumber, type Disc, type DiscMap } from './disc-map';

/** Discs as wide as this are made at half the size: their rim is softer than a sample by far. */
export const HALVE_FROM_PX = 5.6;
/**
 * What halving (a mean of two) and doubling (¾ and ¼ of two) add to a disc, samples² along each axis: a variance of 1, which an edge shows
 * less of. Measured: with this edge and variance are off by a twentieth at most.
 */
const RESAMPLING_PX2 = 0.7;

function halved(diameter: number): number {
  return Math.sqrt(Math.max(0, diameter * diameter - 16 * RESAMPLING_PX2)) / 2;
}

/**
 * @param numbers of the samples' discs, row by row; where it is 0 the nearest disc of the row, or of the row before, goes on
 * @param small and `large`: the narrowest and the widest disc that occurs
 * @param present not 0 where there is light to be blurred, as everywhere that has a number: only what that reaches is made
 */
export function discMap(
  numbers: Uint16Array,
  width: number,
  height: number,
  small: number,
  large: number,
  present?: Float32Array,
): DiscMap {
  let [level, widest] = [0, large];
  for (let d = small; d >= HALVE_FROM_PX; d = halved(d)) {
    level++;
    widest = halved(widest);
  }
  const step = 1 << level;
  const [w, h] = [Math.ceil(width / step), Math.ceil(height / step)];
  const usual = discNumber((small + large) / 2);
  const line = new Uint16Array(w).fill(usual);
  const rows = new Int32Array(h + 1);
  const reached = present && reachedBy(present, width, height, level, widest);
  const from: number[] = [];
  const to: number[] = [];
  const discs: Disc[] = [];
  for (let y = 0; y < h; y++) {
    const row = Math.min(height - 1, y * step + (step >> 1)) * width;
    rows[y] = from.length;
    const blocks = Math.floor(y / BLOCK) * (reached?.across ?? 0);
    const isOn = (block: number) => reached?.on[blocks + block] !== 0;
    let before = 0;
    for (let x = 0, block = 0; x < w; block++) {
      const end = Math.min(w, x + BLOCK);
      // No sample has a number where nothing is reached.
      if (!isOn(block)) x = end;
      for (; x < end; x++) {
        const number = numbers[row + Math.min(width - 1, x * step + (step >> 1))]!;
        if (number === 0) continue;
        // Half of a gap goes to either side.
        if (before < x) fillGap(line, before, x, before > 0 ? line[before - 1]! : number, number);
        line[x] = number;
        before = x + 1;
      }
    }
    if (before > 0 && before < w) line.fill(line[before - 1]!, before);
    for (let x = 0; x < w;) {
      const block = Math.floor(x / BLOCK);
      const end = Math.min(w, (block + 1) * BLOCK);
      if (!isOn(block)) {
        x = end;
        continue;
      }
      // Goes on with the stretch before where the disc is the same.
      if (from.length > rows[y]! && to.at(-1) === x && line[x] === line[x - 1]) to.pop();
      else {
        from.push(x);
        discs.push(discOf(line[x]!, level));
      }
      const number = line[x]!;
      while (x < end && line[x] === number) x++;
      to.push(x);
    }
  }
  rows[h] = from.length;
  return { width, height, level, rows, from: Int32Array.from(from), to: Int32Array.from(to), discs, reached };
}

/** Side of the squares that are told apart by whether anything is to be made there, samples of the size that it is made at. */
const BLOCK = 16;

/** Squares that what is present reaches, at the picture's full size. @param widest disc, at the size that it is made at */
function reachedBy(
  present: Float32Array,
  width: number,
  height: number,
  level: number,
  widest: number,
): Blocks {
  // Doubling looks one sample further at each level.
  const away = Math.ceil((widest / 2 + 3) / BLOCK);
  return widened(blocksOf(present, width, height, BLOCK << level), away);
}

function fillGap(line: Uint16Array, from: number, to: number, left: number, right: number): void {
  const middle = (from + to) >> 1;
  line.fill(left, from, middle);
  line.fill(right, middle, to);
}

const made = new Map<number, Disc>();

/** The disc of samples that comes nearest to a true one, at a size that was halved `level` times. */
function discOf(number: number, level: number): Disc {
  const key = number * 16 + level;
  const known = made.get(key);
  if (known) return known;
  let diameter = diameterOf(number);
  for (let l = 0; l < level; l++) diameter = halved(diameter);
  const wanted = (diameter * wider(diameter)) ** 2 / 16;
  // Each axis by itself: the width of the rows, then how far they reach up and down, and again.
  let [across, along] = [diameter / 2, diameter / 2];
  for (let round = 0; round < 4; round++) {
    across = solve(diameter + 1, (r) => varianceOf(rowsOf(r, along)).across < wanted);
    along = solve(diameter + 1, (r) => varianceOf(rowsOf(across, r)).along < wanted);
  }
  const disc = rowsOf(across, along);
  made.set(key, disc);
  return disc;
}

/**
 * About two samples wide a disc is three samples with more in its tails than a true one; with its variance alone an edge would look
 * a twelfth too sharp. Measured: half of that is made up for, so that edge and variance are off by a twentieth at most.
 */
function wider(diameter: number): number {
  return 1 + 0.045 * Math.max(0, 1 - Math.abs(diameter - 1.9) / 0.8);
}

/** The largest value from 0 to `most` for which `under` holds. */
function solve(most: number, under: (value: number) => boolean): number {
  let [low, high] = [0, most];
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    if (under(middle)) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Rows at the rim count by the part of them that lies inside. */
function rowsOf(across: number, along: number): Disc {
  const half: number[] = [];
  const share: number[] = [];
  let area = 0;
  for (let dy = 0; dy === 0 || along + 0.5 - dy > 0; dy++) {
    share[dy] = dy === 0 ? 1 : Math.min(1, along + 0.5 - dy);
    const inner = along > 0 ? Math.min(1, dy / along) : 1;
    half[dy] = Math.max(0, (dy === 0 ? across : across * Math.sqrt(1 - inner * inner)) - 0.5);
    area += (dy === 0 ? 1 : 2) * share[dy]! * (2 * half[dy]! + 1);
  }
  return { half, share, area };
}

function varianceOf({ half, share, area }: Disc): { across: number; along: number } {
  let [x2, y2] = [0, 0];
  for (let dy = 0; dy < half.length; dy++) {
    const rows = dy === 0 ? share[dy]! : 2 * share[dy]!;
    const whole = Math.floor(half[dy]!);
    const rest = half[dy]! - whole;
    // Σx² over −n … n is n(n+1)(2n+1)/3.
    x2 += rows * ((whole * (whole + 1) * (2 * whole + 1)) / 3 + 2 * rest * (whole + 1) ** 2);
    y2 += rows * (2 * half[dy]! + 1) * dy * dy;
  }
  return { across: x2 / area, along: y2 / area };
}

/** 32-bit floats in this order, as the kernel adds them. */
const { fround } = Math;

/** Every sample's mean over its disc; light outside the picture is that of its edge. */
export function blurByDiscs(plane: Float32Array, map: DiscMap): Float32Array {
  return blurByKernel(plane, map) ?? blurPlainly(plane, map);
}

function blurPlainly(plane: Float32Array, map: DiscMap): Float32Array {
  return blurAt(plane, map.width, map.height, map.level, map);
}

function blurAt(
  plane: Float32Array,
  width: number,
  height: number,
  level: number,
  map: DiscMap,
): Float32Array {
  if (level === 0) return gather(plane, width, height, map);
  const [w, h] = [(width + 1) >> 1, (height + 1) >> 1];
  return double(blurAt(halve(plane, width, height, w, h), w, h, level - 1, map), w, h, width, height);
}

function halve(a: Float32Array, width: number, height: number, w: number, h: number): Float32Array {
  const out = new Float32Array(w * h);
  for (let y = 0; y < h; y++) {
    const top = 2 * y * width;
    const bottom = Math.min(height - 1, 2 * y + 1) * width;
    for (let x = 0; x < w; x++) {
      const right = Math.min(width - 1, 2 * x + 1);
      const upper = fround(a[top + 2 * x]! + a[top + right]!);
      out[y * w + x] = fround(fround(upper + a[bottom + 2 * x]!) + a[bottom + right]!) / 4;
    }
  }
  return out;
}

function mostOf(near: number, far: number): number {
  return fround(fround(0.75 * near) + fround(0.25 * far));
}

/** Bilinear, with samples in the middle of their cells. */
function double(a: Float32Array, w: number, h: number, width: number, height: number): Float32Array {
  const out = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    const near = (y >> 1) * w;
    const far = Math.min(h - 1, Math.max(0, (y >> 1) + (y & 1 ? 1 : -1))) * w;
    const row = y * width;
    let before = mostOf(a[near]!, a[far]!);
    let here = before;
    for (let i = 0; i < w; i++) {
      const next = i + 1 < w ? mostOf(a[near + i + 1]!, a[far + i + 1]!) : here;
      out[row + 2 * i] = mostOf(here, before);
      if (2 * i + 1 < width) out[row + 2 * i + 1] = mostOf(here, next);
      before = here;
      here = next;
    }
  }
  return out;
}

function gather(plane: Float32Array, width: number, height: number, map: DiscMap): Float32Array {
  const out = new Float32Array(width * height);
  const reach = map.discs.reduce((most, { half }) => Math.max(most, half.length - 1), 0);
  const widest = map.discs.reduce((most, { half }) => Math.max(most, half[0]!), 0);
  const pad = Math.ceil(widest) + 2;
  const span = width + 2 * pad + 1;
  // Running sums of the rows in reach, each made once.
  const kept = Math.min(height, 2 * reach + 1);
  const sums = new Float64Array(kept * span);
  let summed = 0;
  for (let y = 0; y < height; y++) {
    for (; summed < height && summed <= y + reach; summed++)
      sumRow(plane, summed * width, width, sums, (summed % kept) * span, pad);
    const row = y * width;
    for (let s = map.rows[y]!, end = map.rows[y + 1]!; s < end; s++) {
      const x0 = map.from[s]!;
      const x1 = map.to[s]!;
      const { half, share, area } = map.discs[s]!;
      for (let dy = 0; dy < half.length; dy++) {
        const whole = Math.floor(half[dy]!);
        const rest = half[dy]! - whole;
        const part = share[dy]! / area;
        // The rows above and below are as wide as one another.
        const above = ((y - dy < 0 ? 0 : y - dy) % kept) * span + pad;
        const below = ((y + dy >= height ? height - 1 : y + dy) % kept) * span + pad;
        addRow(sums, above, below, whole, part * (1 - rest), part * rest, out, row, x0, x1, dy === 0);
      }
    }
  }
  return out;
}

function sumRow(
  plane: Float32Array,
  row: number,
  width: number,
  sums: Float64Array,
  at: number,
  pad: number,
): void {
  const [first, last] = [plane[row]!, plane[row + width - 1]!];
  let sum = 0;
  for (let x = 0; x < pad; x++) sums[at + x + 1] = sum += first;
  for (let x = 0; x < width; x++) sums[at + pad + x + 1] = sum += plane[row + x]!;
  for (let x = 0; x < pad; x++) sums[at + pad + width + x + 1] = sum += last;
}

/** Adds, for the samples from x0 to x1, `whole` samples to either side with k0 + k1 and the next one with k1, of two rows or of one. */
function addRow(
  sums: Float64Array,
  above: number,
  below: number,
  whole: number,
  k0: number,
  k1: number,
  out: Float32Array,
  row: number,
  x0: number,
  x1: number,
  single: boolean,
): void {
  const [al, ar] = [above - whole, above + whole + 1];
  const [bl, br] = [below - whole, below + whole + 1];
  if (single)
    for (let x = x0; x < x1; x++)
      out[row + x] = k0 * (sums[ar + x]! - sums[al + x]!) + k1 * (sums[ar + 1 + x]! - sums[al - 1 + x]!);
  else
    for (let x = x0; x < x1; x++)
      out[row + x] =
        out[row + x]! +
        k0 * (sums[ar + x]! - sums[al + x]! + sums[br + x]! - sums[bl + x]!) +
        k1 * (sums[ar + 1 + x]! - sums[al - 1 + x]! + sums[br + 1 + x]! - sums[bl - 1 + x]!);
}
