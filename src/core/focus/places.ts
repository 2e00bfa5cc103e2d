// Where to focus when nobody says where: places with edges in the meter's picture, those near the middle first. An edge is a step of
// brightness in stops; how sharp it is does not show at that size.
import type { FramePoint, LuminanceMap } from '../meter/luminance-map';

/** So many are tried, so far apart, shares of the frame. */
const MOST = 3;
const APART = 0.12;
/** Places considered lie this far from the edge of the frame at least, and this far from one another. */
const MARGIN = 0.18;
const STEP = 0.04;
/** Half the width of what a place takes in. */
const REACH = 0.02;
/** The middle counts most: width of the bell. */
const BELL = 0.2;
/** A step of more stops than this between two fields of the meter counts no more. */
const MOST_STOPS = 1;
/** Less than this is no edge, mean square of stops. */
const LEAST = 1e-3;

/** At most three places, the likeliest first; none in a picture without edges. */
export function likelyPlaces(map: LuminanceMap): readonly FramePoint[] {
  const { width, height } = map;
  const stops = Float32Array.from(map.data, (v) => Math.log2(Math.max(v, 1e-9)));
  const scored: { at: FramePoint; score: number }[] = [];
  for (let y = MARGIN; y <= 1 - MARGIN + 1e-9; y += STEP)
    for (let x = MARGIN; x <= 1 - MARGIN + 1e-9; x += STEP) {
      const edges = edgesAbout(stops, width, height, { x, y });
      if (edges < LEAST) continue;
      const away = Math.hypot(x - 0.5, y - 0.5);
      scored.push({ at: { x, y }, score: edges * Math.exp(-(away * away) / (2 * BELL * BELL)) });
    }
  scored.sort((a, b) => b.score - a.score);
  const found: FramePoint[] = [];
  for (const { at } of scored) {
    if (found.length === MOST) break;
    if (found.every((other) => Math.hypot(at.x - other.x, at.y - other.y) > APART)) found.push(at);
  }
  return found;
}

function edgesAbout(stops: Float32Array, width: number, height: number, { x, y }: FramePoint): number {
  const [x0, x1] = [Math.floor((x - REACH) * width), Math.ceil((x + REACH) * width)];
  const [y0, y1] = [Math.floor((y - REACH) * height), Math.ceil((y + REACH) * height)];
  let [sum, count] = [0, 0];
  for (let v = Math.max(1, y0); v < Math.min(height - 1, y1); v++)
    for (let u = Math.max(1, x0); u < Math.min(width - 1, x1); u++) {
      const i = v * width + u;
      const across = (stops[i + 1]! - stops[i - 1]!) / 2;
      const down = (stops[i + width]! - stops[i - width]!) / 2;
      sum += Math.min(MOST_STOPS, across * across + down * down);
      count++;
    }
  return count > 0 ? sum / count : 0;
}
