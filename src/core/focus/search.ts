// Automatic focus by looking: the lens is moved through its range in steps of a depth of field, then about the place that stands out in
// steps of half of one; the middle of the peak is where it stays. Nothing is known but what is seen at each place. Positions are in
// dioptres (1/m, 0 for infinity), in which depth of field is about the same everywhere.
import type { Energy, Sharpness } from './sharpness';

export interface FocusReach {
  /** Of the closest distance, dioptres. */
  readonly nearDpt: number;
  /** Half of the depth of field at the widest aperture, dioptres. */
  readonly halfDepthDpt: number;
}

export type FocusFound =
  | { readonly kind: 'found'; readonly dpt: number; readonly seen: Sharpness }
  /** Nothing that gets sharper or less sharp: too little contrast, or too little light to see it. */
  | { readonly kind: 'failed'; readonly why: 'plain' | 'dark' };

/** A search: it yields positions, is told what was seen at each, and returns what it found. */
export type FocusSearch = Generator<number, FocusFound, Sharpness>;

/** Steps of the coarse way, in half depths of field: what lies between two is blurred by the circle of confusion at most. */
const COARSE_STEP = 2;
/** Of a lens whose depth of field is a small part of its way the steps are longer. */
const MOST_PLACES = 40;
/** Share of its own height that a peak stands over what is beside it, at least. */
const LEAST_RISE = 0.2;
/** On each side of a peak that is looked at closely. */
const SIDE_CONTRAST = 3.5;
const SIDE_RISE = 0.1;
/** So many places are looked at closely before the search is given up. */
const MOST_CANDIDATES = 3;
/** Places on either side of the sharpest that are looked at finely, each half a depth of field from the next. */
const FINE_PLACES = 3;
/** Contrast to noise under which passive focus fails (practice). */
const LEAST_CONTRAST = 5;
/** A cell darker than this cannot tell fine contrast, dB. */
const DARK_DB = 20;

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
  const coarse: Look[] = [];
  for (const dpt of places) coarse.push({ dpt, seen: yield dpt });
  const way = places[0]! > 0 ? -1 : 1;
  for (const { dpt: middle } of candidates(coarse, halfDepthDpt, measures)) {
    const fine: Look[] = [];
    for (let i = -FINE_PLACES; i <= FINE_PLACES; i++) {
      const dpt = middle + way * i * halfDepthDpt;
      if (dpt >= 0 && dpt <= nearDpt) fine.push({ dpt, seen: yield dpt });
    }
    const measure = measures.find((of) => peaks(fine, of));
    if (!measure) continue;
    const dpt = peakOf(fine, (look) => measure(look).value) ?? middle;
    const seen = yield dpt;
    // What turns or flickers makes peaks that are gone at the next look: it must fall on both sides once more.
    const beside: Look[] = [];
    for (const side of [-FINE_PLACES, FINE_PLACES]) {
      const other = dpt + way * side * halfDepthDpt;
      if (other >= 0 && other <= nearDpt) beside.push({ dpt: other, seen: yield other });
    }
    if (beside.every((other) => standsOver({ dpt, seen }, other, measure)))
      return { kind: 'found', dpt, seen };
  }
  return { kind: 'failed', why: coarse.every(({ seen }) => seen.snrDb > DARK_DB) ? 'plain' : 'dark' };
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

function standsOver(look: Look, other: Look, of: Measure): boolean {
  const rise = of(look).value - of(other).value;
  const error = Math.max(of(look).error, of(other).error);
  return rise > SIDE_CONTRAST * error && rise > SIDE_RISE * of(look).value;
}

/** True for looks in a row of which the best is no chance, and a peak: it falls on both sides within a few depths of field. */
function peaks(looks: readonly Look[], of: Measure): boolean {
  const values = looks.map((look) => of(look).value);
  const error = Math.max(...looks.map((look) => of(look).error));
  const high = Math.max(...values);
  const at = values.indexOf(high);
  const falls = (side: readonly number[]) => {
    const rise = high - Math.min(high, ...side);
    return rise > SIDE_CONTRAST * error && rise > SIDE_RISE * high;
  };
  const [before, after] = [values.slice(0, at), values.slice(at + 1)];
  // At an end of the lens' way there is one side only: fine detail must tell it.
  if (before.length === 0 || after.length === 0)
    return of === finely && looks.length < 2 * FINE_PLACES + 1 && falls([...before, ...after]);
  return falls(before) && falls(after);
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
