// How large the blur of a hand is likely to be: counted over many hands, with the spread among them.
import { shakePath, type Steadiness } from './shake';

export interface ShakeSize {
  /** Longer side of the picture's path, rad: half of the presses stay under it. */
  readonly likely: number;
  /** A tenth of the presses stay under the first, a tenth pass the second. */
  readonly range: readonly [number, number];
}

const HANDS = 200;
const known = new Map<string, ShakeSize>();

/** @param durationS > 0; counted at whole stops and read between them */
export function shakeSize(steadiness: Steadiness, durationS: number): ShakeSize {
  const stops = Math.log2(durationS);
  const [below, above] = [Math.floor(stops), Math.ceil(stops)];
  const low = sizeAt(steadiness, below);
  if (below === above) return low;
  const high = sizeAt(steadiness, above);
  // Blur grows as a power of time: straight in the logarithms.
  const between = (a: number, b: number) =>
    a > 0 && b > 0 ? a * (b / a) ** (stops - below) : a + (b - a) * (stops - below);
  return {
    likely: between(low.likely, high.likely),
    range: [between(low.range[0], high.range[0]), between(low.range[1], high.range[1])],
  };
}

/** Over 2^stops seconds. */
function sizeAt(steadiness: Steadiness, stops: number): ShakeSize {
  const { support, press, sinceTouchS } = steadiness;
  // By hand it does not matter how long ago the camera was touched.
  const key = `${support} ${press} ${support === 'hand' ? '' : sinceTouchS} ${stops}`;
  const found = known.get(key);
  if (found) return found;
  const extents = Float64Array.from({ length: HANDS }, (_, hand) => {
    const { x, y } = shakePath(hand + 1, steadiness, 2 ** stops);
    return Math.max(spanOf(x), spanOf(y));
  }).sort();
  const at = (share: number) => extents[Math.round(share * (HANDS - 1))]!;
  const size: ShakeSize = { likely: at(0.5), range: [at(0.1), at(0.9)] };
  known.set(key, size);
  return size;
}

function spanOf(values: Float64Array): number {
  let [low, high] = [Infinity, -Infinity];
  for (const v of values) {
    if (v < low) low = v;
    if (v > high) high = v;
  }
  return high - low;
}
