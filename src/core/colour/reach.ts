// Which lights a camera can be balanced for. Its colours are measured in light of two kinds or one; carried far from there, to a warm light that is
// greener than any lamp, they leave a channel next to nothing, and then less than nothing: no gain makes a grey of that.
import { neutralOfWhite, type CameraMatrices } from './calibrated';
import { xyOfWhite, type WhitePoint } from './temperature';

/** Times that one channel may be lifted over another: four stops, beyond which it is noise for the most part. Our own choice. */
export const MOST_GAIN = 16;
/** Tints that are looked through. */
const FARTHEST_TINT = 300;

interface Range {
  readonly low: number;
  readonly high: number;
}

/** True where a surface that is white in that light has signal in every channel, none more than `MOST_GAIN` times another's. */
export function balances(matrices: CameraMatrices, white: WhitePoint): boolean {
  return neutralOfWhite(matrices, xyOfWhite(white)).every((share) => share >= 1 / MOST_GAIN && share <= 1);
}

/** The light itself where the camera can be balanced for it; else that of the same temperature with the nearest tint; itself where none is. */
export function nearestBalanced(matrices: CameraMatrices, white: WhitePoint): WhitePoint {
  if (balances(matrices, white)) return white;
  const from = Math.round(white.tint);
  for (let away = 1; away <= FARTHEST_TINT; away++)
    for (const tint of from > 0 ? [from - away, from + away] : [from + away, from - away]) {
      const near = { kelvin: white.kelvin, tint };
      if (balances(matrices, near)) return near;
    }
  return white;
}

/** Tints at a temperature, whole numbers from −most to most, that the camera can be balanced for; all where it can be for none. */
export function tintsBalanced(matrices: CameraMatrices, kelvin: number, most: number): Range {
  const good = (tint: number) => balances(matrices, { kelvin, tint });
  const { tint: middle } = nearestBalanced(matrices, { kelvin, tint: 0 });
  if (!good(middle)) return { low: -most, high: most };
  let [low, high] = [middle, middle];
  while (low > -most && good(low - 1)) low--;
  while (high < most && good(high + 1)) high++;
  return { low, high };
}
