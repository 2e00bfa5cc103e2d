// Two frames in figures: are their numbers the same, how much more light has one, how sharp and how noisy is each at the place that is looked at, and how
// far has the framing moved.
import { energyOf, gradientOfNoise, gradientsOf } from '../focus/sharpness';
import type { NoiseModel } from '../sensor/raw-frame';
import type { ImageNumbers } from '../sensor/rgb-image';
import { isUnknown, type Known } from '../units/known';
import { apartFromClipped, filled, greenPlane, sitesAPlace, whereBoth, type GreenPlane } from './green-plane';
import { CERTAIN, shiftBetween, type Shift } from './registration';

/** A frame's linear numbers; `noise` of a single one, where it is known. */
export type Compared = ImageNumbers & { readonly noise: NoiseModel | null };

export interface Numbers {
  /** How many differ; 0 for two that are identical. */
  readonly differ: number;
  readonly of: number;
  /** The largest difference, DN. */
  readonly most: number;
}

/** Number by number. Unknown for two that do not have the same places. */
export function numbersBetween(a: ImageNumbers, b: ImageNumbers): Known<Numbers> {
  if (a.layout !== b.layout) return { unknown: 'one is a mosaic, the other has three components a pixel' };
  if (a.width !== b.width || a.height !== b.height)
    return { unknown: `they are of other sizes: ${a.width} × ${a.height} and ${b.width} × ${b.height}` };
  let [differ, most] = [0, 0];
  for (let i = 0; i < a.data.length; i++) {
    const by = Math.abs(a.data[i]! - b.data[i]!);
    if (by === 0) continue;
    differ++;
    if (by > most) most = by;
  }
  return { differ, of: a.data.length, most };
}

/** A place of an image, in its columns and rows. */
export interface At {
  readonly x: number;
  readonly y: number;
}

/** Slopes of green as shares of its mean, apart from what is clipped. */
export interface Edges {
  /** Mean square slope, without noise, and how far noise alone moves it. */
  readonly value: number;
  readonly error: number;
  /** Share of the slopes that is not left out for what is clipped. */
  readonly left: number;
  /** The same by parts of the place, in rows of `PARTS`: squares summed, without noise; null for one that is left out whole. */
  readonly parts: readonly (number | null)[];
}

export interface PlaceFigures {
  /** Green, stops below saturation; −Infinity without light. */
  readonly lightEv: number;
  readonly edges: Edges;
  /** Signal to noise of one site, dB; −Infinity without light. */
  readonly snrDb: number;
  /** Where that was told by the file, or measured on the place: texture counts as noise then. */
  readonly noise: 'told' | 'measured';
  /** Share of the place that is clipped, and counts for none of these. */
  readonly clipped: number;
}

/** Sites across and down that a place has. */
export const PLACE_SITES = 256;

/** So far from what is clipped edges begin to count, sites: farther than a highlight's flank reaches that is blurred by a hand or a lens a little off. */
export const CLEAR_SITES = 16;
/** Less of a place than this says nothing of it. */
const LEAST_LEFT = 0.02;
/** Parts a side that tell how differently edges behave over a place. */
const PARTS = 8;

/**
 * Unknown where all is clipped, or the image is too small.
 * @param beside the same place in the frame that it is compared with: edges count where both show them
 */
export function placeFigures(
  image: Compared,
  at: At,
  beside?: { readonly image: ImageNumbers; readonly at: At },
): Known<PlaceFigures> {
  const plane = greenPlane(image, about(at, PLACE_SITES));
  const known = plane.data.filter((v) => !Number.isNaN(v));
  if (plane.width < 8 || plane.height < 8) return { unknown: 'the place is too small' };
  if (known.length === 0) return { unknown: 'the place is clipped' };
  const mean = known.reduce((sum, v) => sum + v, 0) / known.length;
  const range = image.white - image.black;
  // Of a signal as a share of the range, of one site.
  const told = (signal: number) =>
    image.noise && (image.noise.shot * Math.max(0, signal) * range + image.noise.read) / range ** 2;
  const site = told(mean) ?? noiseOf(plane) ** 2 * plane.greens;
  const own = apartFromClipped(plane, CLEAR_SITES);
  const other =
    beside && apartFromClipped(greenPlane(beside.image, about(beside.at, PLACE_SITES)), CLEAR_SITES);
  const apart = other ? whereBoth(own, other) : own;
  const left = apart.data.filter((v) => !Number.isNaN(v));
  const level = left.reduce((sum, v) => sum + v, 0) / left.length;
  // What is left beside highlights is darker than the place, and has less noise.
  const variance = (told(level) ?? noiseOf(apart) ** 2 * plane.greens) / plane.greens;
  const light = mean > 0;
  return {
    lightEv: light ? Math.log2(mean) : -Infinity,
    edges:
      level > 0 && left.length >= LEAST_LEFT * plane.data.length
        ? edgesOf(apart, variance, level)
        : { value: 0, error: Infinity, left: 0, parts: [] },
    snrDb: light && site > 0 ? 20 * Math.log10(mean / Math.sqrt(site)) : -Infinity,
    noise: image.noise ? 'told' : 'measured',
    clipped: 1 - known.length / plane.data.length,
  };
}

function edgesOf(plane: GreenPlane, variance: number, level: number): Edges {
  const { value, error } = energyOf(plane, variance);
  const parts = gradientsOf(plane, Math.ceil(plane.width / PARTS), Math.ceil(plane.height / PARTS));
  const sum = (of: readonly number[]) => of.reduce((all, one) => all + one, 0);
  return {
    value: value / level ** 2,
    error: error / level ** 2,
    left: sum(parts.map(({ weights }) => weights)) / sum(parts.map(({ all }) => all)),
    parts: parts.map(({ sum: squares, weights }) =>
      weights > 0 ? (squares - weights * gradientOfNoise(variance)) / level ** 2 : null,
    ),
  };
}

/**
 * Standard deviation of a plane's noise, by the Laplacian that no even slope stirs (Immerkær, "Fast noise variance estimation", Computer Vision and Image
 * Understanding 64, 1996). Texture counts with it.
 */
export function noiseOf({ width, height, data }: GreenPlane): number {
  let [sum, count] = [0, 0];
  for (let y = 1; y < height - 1; y++)
    for (let x = 1, i = y * width + 1; x < width - 1; x++, i++) {
      const [up, down] = [i - width, i + width];
      const corners = data[up - 1]! + data[up + 1]! + data[down - 1]! + data[down + 1]!;
      const sides = data[up]! + data[down]! + data[i - 1]! + data[i + 1]!;
      const bend = Math.abs(corners - 2 * sides + 4 * data[i]!);
      if (Number.isNaN(bend)) continue;
      sum += bend;
      count++;
    }
  return count === 0 ? 0 : (Math.sqrt(Math.PI / 2) * sum) / (6 * count);
}

/**
 * How much steeper edges are in one than in the other, and how far that may be off: by noise, and by what was left out of the place beside what is
 * clipped. Unknown where one has none to speak of.
 */
export function steeper(a: PlaceFigures, b: PlaceFigures): Known<{ times: number; error: number }> {
  const none = [a, b].filter(({ edges }) => !(edges.value > CHANCE * edges.error));
  if (none.length > 0)
    return { unknown: none.length === 2 ? 'neither shows an edge here' : 'one shows no edge here' };
  // Slopes are the roots of mean squares: half the relative error.
  const times = Math.sqrt(b.edges.value / a.edges.value);
  const byNoise = Math.hypot(a.edges.error / a.edges.value, b.edges.error / b.edges.value);
  return { times, error: (times / 2) * Math.hypot(byNoise, byWhatIsLeftOut(a.edges, b.edges)) };
}

/**
 * Relative error of the ratio of two energies that are known of a share of the place only: what the jackknife finds over its parts, by the correction
 * for a finite population (Cochran, Sampling Techniques, 1977, 2.7 and 6.17): 0 where nothing is left out.
 */
function byWhatIsLeftOut(a: Edges, b: Edges): number {
  const left = Math.min(a.left, b.left);
  if (left >= 1) return 0;
  const pairs = a.parts.flatMap((one, i) => {
    const other = b.parts[i];
    return one === null || other === null || other === undefined ? [] : [[one, other] as const];
  });
  const n = pairs.length;
  if (n < 2) return Infinity;
  const [ofA, ofB] = [0, 1].map((k) => pairs.reduce((sum, pair) => sum + pair[k]!, 0)) as [number, number];
  const without = pairs.map(([one, other]) => (ofB - other) / (ofA - one));
  const mean = without.reduce((sum, v) => sum + v, 0) / n;
  const variance = ((n - 1) / n) * without.reduce((sum, v) => sum + (v - mean) ** 2, 0);
  return (Math.sqrt((1 - left) * variance) * ofA) / ofB;
}

/** Standard deviations that chance does not reach. */
const CHANCE = 4;

export interface Moved {
  /** Columns and rows that what is seen in the first lies farther right, and farther down, in the second. */
  readonly dx: number;
  readonly dy: number;
}

/** Places a side, at most, of the planes that are laid over each other. */
const COARSE = 512;
const FINE = 512;

/**
 * How far the framing moved: of the whole first, then at the place looked at.
 * @param at in the first
 */
export function movedBetween(a: ImageNumbers, b: ImageNumbers, at: At): Known<Moved> {
  if (a.width !== b.width || a.height !== b.height || a.layout !== b.layout)
    return { unknown: 'they are not of one size' };
  const whole = { x: 0, y: 0, width: a.width, height: a.height };
  const binned = Math.max(1, Math.ceil(Math.max(a.width, a.height) / sitesAPlace(a) / COARSE));
  const planes = [greenPlane(a, whole, binned), greenPlane(b, whole, binned)] as const;
  const coarse = shift(...planes);
  // Pictures of two things may have edges in common, and still show nothing of the same.
  if (!coarse || coarse.certainty < CERTAIN || likeness(...planes, coarse) < LEAST_LIKE)
    return { unknown: 'there is too little that both show' };
  const sites = binned * sitesAPlace(a);
  const cell = sitesAPlace(a);
  const rough = {
    dx: cell * Math.round((coarse.dx * sites) / cell),
    dy: cell * Math.round((coarse.dy * sites) / cell),
  };
  const part = Math.min(FINE * cell, a.width - Math.abs(rough.dx), a.height - Math.abs(rough.dy));
  const from = (middle: number, all: number, by: number) =>
    cell *
    Math.round(Math.max(Math.max(0, -by), Math.min(all - part - Math.max(0, by), middle - part / 2)) / cell);
  const x = from(at.x, a.width, rough.dx);
  const y = from(at.y, a.height, rough.dy);
  const fine = shift(
    greenPlane(a, { x, y, width: part, height: part }),
    greenPlane(b, { x: x + rough.dx, y: y + rough.dy, width: part, height: part }),
  );
  // Of a plain place the whole has to tell.
  if (!fine || fine.certainty < CERTAIN) return { dx: coarse.dx * sites, dy: coarse.dy * sites };
  return { dx: rough.dx + fine.dx * cell, dy: rough.dy + fine.dy * cell };
}

function shift(a: GreenPlane, b: GreenPlane): Shift | null {
  if (Math.min(a.width, a.height, b.width, b.height) < 16) return null;
  return shiftBetween(filled(a), filled(b));
}

/** Correlation from which two are taken to show the same (the house's judgement: frames of one thing have 0.9 and more, of two rarely half). */
const LEAST_LIKE = 0.7;

/** Correlation of light in stops, laid over each other: the same whatever the exposures. */
function likeness(a: GreenPlane, b: GreenPlane, { dx, dy }: Shift): number {
  const [sx, sy] = [Math.round(dx), Math.round(dy)];
  const stops = (v: number) => Math.log2(Math.max(DARKEST, Number.isNaN(v) ? 1 : v));
  let [n, sumA, sumB, squareA, squareB, product] = [0, 0, 0, 0, 0, 0];
  for (let y = Math.max(0, -sy); y < Math.min(a.height, b.height - sy); y++)
    for (let x = Math.max(0, -sx); x < Math.min(a.width, b.width - sx); x++) {
      const [p, q] = [stops(a.data[y * a.width + x]!), stops(b.data[(y + sy) * b.width + x + sx]!)];
      n++;
      sumA += p;
      sumB += q;
      squareA += p * p;
      squareB += q * q;
      product += p * q;
    }
  const spread = (squareA - (sumA * sumA) / n) * (squareB - (sumB * sumB) / n);
  return spread > 0 ? (product - (sumA * sumB) / n) / Math.sqrt(spread) : 0;
}

/** Share of saturation under which light is not compared. */
const DARKEST = 2 ** -9;

/** Stops more light in the second: the median over all that neither clips nor lies in the dark, laid over each other. */
export function lightBetween(a: ImageNumbers, b: ImageNumbers, moved: Known<Moved>): Known<number> {
  if (isUnknown(moved)) return moved;
  const binned = Math.max(1, Math.ceil(Math.max(a.width, a.height) / sitesAPlace(a) / COARSE));
  const [first, second] = [a, b].map((of) =>
    greenPlane(of, { x: 0, y: 0, width: of.width, height: of.height }, binned),
  ) as [GreenPlane, GreenPlane];
  const [dx, dy] = [moved.dx, moved.dy].map((v) => Math.round(v / first.sites)) as [number, number];
  const ratios: number[] = [];
  for (let y = Math.max(0, -dy); y < Math.min(first.height, second.height - dy); y++)
    for (let x = Math.max(0, -dx); x < Math.min(first.width, second.width - dx); x++) {
      const [one, two] = [first.data[y * first.width + x]!, second.data[(y + dy) * second.width + x + dx]!];
      if (one > DARKEST && two > DARKEST) ratios.push(two / one);
    }
  if (ratios.length < 64) return { unknown: 'too little of both is neither clipped nor dark' };
  ratios.sort((p, q) => p - q);
  return Math.log2(ratios[ratios.length >> 1]!);
}

function about({ x, y }: At, side: number) {
  return { x: x - side / 2, y: y - side / 2, width: side, height: side };
}
