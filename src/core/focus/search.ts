// Automatic focus by looking: the lens is moved through its range in steps of a depth of field, then about the place that stands out in
// steps of half of one; the middle of the peak is where it stays. Nothing is known but what is seen at each place. Positions are in
// dioptres (1/m, 0 for infinity), in which depth of field is about the same everywhere.
import type { Energy, Sharpness } from './sharpness';

export interface FocusReach {
  /** Closest distance, dioptres. */
  readonly nearDpt: number;
  /** Half of the depth of field at the widest aperture, dioptres. */
  readonly halfDepthDpt: number;
}

export type FocusFound =
  | { readonly kind: 'found'; readonly dpt: number; readonly seen: Sharpness }
  /**
   * Nothing that gets sharper or less sharp: too little contrast, or too little light to see it. Or too much: what is clipped in focus and not beside it
   * makes peaks where it is out of focus, and its own is not seen.
   */
  | { readonly kind: 'failed'; readonly why: 'plain' | 'dark' | 'bright' };

/** A search: it yields positions, is told what was seen at each, and returns what it found. */
export type FocusSearch = Generator<number, FocusFound, Sharpness>;

/** Steps of the coarse way, in half depths of field: what lies between two is blurred by the circle of confusion at most. */
const COARSE_STEP = 2;
/** Most positions on the coarse way: a lens whose depth of field is a small part of its way takes longer steps. */
const MOST_PLACES = 40;
/** Share of its own height that a peak stands over what is beside it, at least. */
const LEAST_RISE = 0.2;
/** Least rise of a peak over each of its sides: in standard errors, and as a share of its height. */
const SIDE_CONTRAST = 3.5;
const SIDE_RISE = 0.1;
/** Half a depth of field from where it is highest a peak has at least this share of its rise: that of the finest detail has a fifth. */
const LEAST_WIDTH = 1 / 6;
/** Least share of the finest detail seen anywhere that a position must have to be in focus. */
const OWN_DETAIL = 0.75;
/** Light that comes or goes steadily by more than this over the looks about a peak is the disc of something beside it. */
const MOST_COMING = 0.07;
/** Peaks that are looked at closely before the search is given up. */
const MOST_CANDIDATES = 3;
/** Places on either side of the sharpest that are looked at finely, each half a depth of field from the next. */
const FINE_PLACES = 3;
/** Contrast to noise under which passive focus fails (practice). */
const LEAST_CONTRAST = 5;
/** A cell darker than this cannot tell fine detail, dB. */
const DARK_DB = 20;
/** More of the cells than this that are clipped in one look and not in another are the disc of a lamp, or the lamp. */
const MOST_CLIPPED = 0.005;

interface Look {
  readonly dpt: number;
  readonly seen: Sharpness;
}

/**
 * @param fromDpt where the lens stands: the search begins at the nearer end
 * @param fineOnly true where coarse detail is too coarse to be told from discs of light
 */
export function* focusSearch(
  { nearDpt, halfDepthDpt }: FocusReach,
  fromDpt: number,
  fineOnly = false,
): FocusSearch {
  const measures = fineOnly ? [finely] : [finely, coarsely];
  const steps = Math.min(MOST_PLACES, Math.max(1, Math.ceil(nearDpt / (COARSE_STEP * halfDepthDpt))));
  const places = Array.from({ length: steps + 1 }, (_, i) => (nearDpt * i) / steps);
  if (fromDpt > nearDpt / 2) places.reverse();
  const all: Look[] = [];
  for (const dpt of places) all.push({ dpt, seen: yield dpt });
  const coarse = [...all];
  const way = places[0]! > 0 ? -1 : 1;
  for (const { dpt: middle } of candidates(coarse, halfDepthDpt, measures)) {
    const fine: Look[] = [];
    for (const dpt of about(middle, way * halfDepthDpt, nearDpt)) fine.push({ dpt, seen: yield dpt });
    all.push(...fine);
    if (comesIn(fine)) continue;
    const measure = measures.find((of) => peaks(fine, of, nearDpt) && isOwn(fine, of, coarse));
    if (!measure) continue;
    const dpt = peakOf(fine, (look) => measure(look).value) ?? middle;
    const seen = yield dpt;
    // What turns or flickers makes peaks that are gone at the next look: it must fall on both sides once more.
    const beside: Look[] = [];
    for (const side of [-FINE_PLACES, FINE_PLACES]) {
      const other = dpt + way * side * halfDepthDpt;
      if (other >= 0 && other <= nearDpt) beside.push({ dpt: other, seen: yield other });
    }
    all.push({ dpt, seen }, ...beside);
    if (beside.every((other) => standsOver({ dpt, seen }, other, measure)))
      return clips(all) ? { kind: 'failed', why: 'bright' } : { kind: 'found', dpt, seen };
  }
  if (clips(all)) return { kind: 'failed', why: 'bright' };
  return { kind: 'failed', why: coarse.every(({ seen }) => seen.snrDb > DARK_DB) ? 'plain' : 'dark' };
}

/** True where something is clipped in one look and not, or less, in another. */
function clips(looks: readonly Look[]): boolean {
  const shares = looks.map(({ seen }) => seen.clipped);
  return Math.max(...shares) - Math.min(...shares) > MOST_CLIPPED;
}

type Measure = (look: Look) => Energy;
const finely: Measure = ({ seen }) => seen.fine;
const coarsely: Measure = ({ seen }) => seen.coarse;

/** Places worth a closer look, the most promising first: what stands out in fine detail and at once, before what does so by and by. */
function candidates(
  looks: readonly Look[],
  halfDepthDpt: number,
  measures: readonly Measure[],
): readonly Look[] {
  const found: Look[] = [];
  for (const span of [1, 2, 4])
    for (const of of measures) {
      const look = standingOut(looks, of, span);
      if (look && found.every(({ dpt }) => Math.abs(dpt - look.dpt) > FINE_PLACES * halfDepthDpt))
        found.push(look);
    }
  return found.slice(0, MOST_CANDIDATES);
}

/**
 * The look that stands out most over those `span` steps beside it. The highest alone may be a bright thing far out of focus whose disc has crept in:
 * that grows slowly, while what comes into focus is gone again a few depths of field farther.
 * @returns undefined where nothing stands out more than chance would have it
 */
function standingOut(looks: readonly Look[], of: Measure, span: number): Look | undefined {
  const values = looks.map((look) => of(look).value);
  const out = values.map((value, i) => {
    const [before, after] = [values[i - span], values[i + span]];
    // At an end only half of the rise is seen.
    if (before === undefined || after === undefined) return (value - (before ?? after ?? value)) / 2;
    return value - (before + after) / 2;
  });
  const i = out.indexOf(Math.max(...out));
  const error = Math.max(...looks.map((look) => of(look).error));
  return out[i]! > LEAST_CONTRAST * error && out[i]! > LEAST_RISE * values[i]! ? looks[i] : undefined;
}

/** Places in steps about one, with the end of the lens' way in place of what lies beyond it. */
function about(middle: number, stepDpt: number, nearDpt: number): readonly number[] {
  const all = Array.from({ length: 2 * FINE_PLACES + 1 }, (_, i) =>
    Math.min(nearDpt, Math.max(0, middle + (i - FINE_PLACES) * stepDpt)),
  );
  return [...new Set(all)];
}

function standsOver(look: Look, other: Look, of: Measure): boolean {
  const rise = of(look).value - of(other).value;
  const error = Math.max(of(look).error, of(other).error);
  return rise > SIDE_CONTRAST * error && rise > SIDE_RISE * of(look).value;
}

/** True for looks in a row of which the best is no chance, and a peak: it falls on both sides within a few depths of field. */
function peaks(looks: readonly Look[], of: Measure, nearDpt: number): boolean {
  const values = looks.map((look) => of(look).value);
  const error = Math.max(...looks.map((look) => of(look).error));
  const high = Math.max(...values);
  const at = values.indexOf(high);
  const falls = (side: readonly number[]) => {
    const rise = high - Math.min(high, ...side);
    return rise > SIDE_CONTRAST * error && rise > SIDE_RISE * high;
  };
  const [before, after] = [values.slice(0, at), values.slice(at + 1)];
  const beside = [...before.slice(-1), ...after.slice(0, 1)];
  if (Math.max(...beside) < high - (1 - LEAST_WIDTH) * (high - Math.min(...values))) return false;
  // Within a depth of field of an end of the lens' way one side is too short to fall: fine detail must tell the other.
  const isShort = (side: readonly number[], end: Look) =>
    of === finely && side.length < COARSE_STEP && (end.dpt === 0 || end.dpt === nearDpt);
  return (
    (falls(before) && (falls(after) || isShort(after, looks.at(-1)!))) ||
    (falls(after) && isShort(before, looks[0]!))
  );
}

/**
 * True where it grows brighter, or darker, from each look to the next: what is in focus spreads its light to both sides alike, the disc of a bright
 * thing beside what is looked at creeps in.
 */
function comesIn(looks: readonly Look[]): boolean {
  const steps = looks.slice(1).map(({ seen }, i) => seen.mean - looks[i]!.seen.mean);
  const [first, last] = [looks[0]!.seen.mean, looks.at(-1)!.seen.mean];
  const oneWay = steps.every((step) => step > 0) || steps.every((step) => step < 0);
  return oneWay && Math.abs(last - first) > MOST_COMING * Math.max(first, last);
}

/**
 * False for a peak of coarse detail alone: where there is far more fine detail elsewhere, or none although there is light to see it by, the disc of
 * something beside it is seen.
 */
function isOwn(looks: readonly Look[], of: Measure, way: readonly Look[]): boolean {
  if (of === finely) return true;
  const peak = looks.reduce((best, look) => (of(look).value > of(best).value ? look : best));
  const most = Math.max(...way.map((look) => finely(look).value));
  const least = LEAST_CONTRAST * Math.max(...way.map((look) => finely(look).error));
  if (most < least) return peak.seen.snrDb <= DARK_DB;
  return finely(peak).value > OWN_DETAIL * most;
}

/**
 * The middle of what stands over half of the rise: within the depth of field the top is flat, and no place of it is better than another.
 * @returns undefined where all are alike
 */
function peakOf(looks: readonly Look[], of: (look: Look) => number): number | undefined {
  const values = looks.map(of);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const level = low + 0.5 * (high - low);
  let [sum, weights] = [0, 0];
  looks.forEach(({ dpt }, i) => {
    const weight = Math.max(0, values[i]! - level);
    sum += weight * dpt;
    weights += weight;
  });
  return weights > 0 ? sum / weights : undefined;
}
