// Stars on the sensor: the path of each over the exposure, spread by the lens, as light on single sites.
import { apply3 } from '../numeric/matrix';
import { blurDiscMm, lensQ } from '../optics/lens';
import { cfaIndex } from '../sensor/raw-frame';
import { cameraFromLamp, PLAIN_LAMP } from '../sensor/sensitivities';
import { electronsPerLxS } from '../sensor/sensor';
import type { LightGrid } from './light-grid';
import { OPEN_SKY_M } from './scene';
import type { ShakePath } from './shake';
import { plateShareOf, poseOf } from './space';
import { SIDEREAL_RAD_S, skyAxes, starDirection, starsOf, type Star } from './stars';
import { cropOf } from './framing';

/** Half width of a sharp star on the sensor, sites (Gaussian σ). */
const SHARP_SIGMA = 0.6;
/** A star that gives a sample less than this many electrons is not to be seen. */
const FAINTEST_E = 0.1;
const catalogues = new Map<number, Star[]>();

/** Called for every site that a star touches, as often as it does: light to be added, lx. */
export type AddLight = (x: number, y: number, lux: number) => void;

/** Draws the stars of a scene; does nothing where there are none. @param shake null when the camera rests */
export function drawStars(
  grid: LightGrid,
  startS: number,
  durationS: number,
  shake: ShakePath | null,
  add: AddLight,
): void {
  const { view, width, height, x0, y0, wholeWidth, wholeHeight, siteMm, focusM } = grid;
  const { stars } = view.description;
  const { space, size, camera } = view;
  if (!stars || !space) return;
  const list = catalogues.get(stars.seed) ?? starsOf(stars);
  catalogues.set(stars.seed, list);
  const axes = skyAxes(stars);
  const pose = poseOf(view.description);
  const crop = cropOf(size, view.orientation);
  const { lens, sensor } = camera;
  const pupilMm = lens.focalLengthMm / lens.apertureN;
  // All light through the pupil, T·π/4·D² = q·D², falls on one site's area.
  const gain = (lensQ(lens) * pupilMm * pupilMm) / (siteMm * siteMm);
  const electrons = electronsPerLxS(sensor) * durationS * gain;
  const toCamera = cameraFromLamp(camera.sensitivities, PLAIN_LAMP);
  const spot = spotOf(SHARP_SIGMA, Math.abs(blurDiscMm(lens, focusM, Infinity)) / siteMm);
  const perRad = lens.focalLengthMm / siteMm;
  const place = (star: Star, timeS: number) => {
    const share = plateShareOf(pose, starDirection(axes, star, timeS));
    if (!share) return null;
    const x = ((share.x * size - crop.x) / crop.width) * wholeWidth - x0;
    const y = ((share.y * size - crop.y) / crop.height) * wholeHeight - y0;
    return { x, y, px: Math.floor(share.x * size), py: Math.floor(share.y * size) };
  };
  // A straight picture is stretched towards its corners, by 1 + tan² of the angle from the axis.
  const corner = Math.hypot(wholeWidth, wholeHeight) / 2 / perRad;
  const trail = SIDEREAL_RAD_S * durationS * perRad * (1 + corner * corner);
  const stretches = smears(spot, shake, perRad, trail);
  const margin = Math.max(...stretches.map(({ reach }) => reach)) / FINE + 1;
  for (const star of list) {
    if (star.lux * electrons < FAINTEST_E) break; // they come brightest first
    const from = place(star, startS);
    const to = place(star, startS + durationS);
    if (!from || !to) continue;
    if (Math.max(from.x, to.x) < -margin || Math.min(from.x, to.x) > width + margin) continue;
    if (Math.max(from.y, to.y) < -margin || Math.min(from.y, to.y) > height + margin) continue;
    const channel = apply3(toCamera, star.colour);
    const light = star.lux * gain;
    stretches.forEach((smear, i) => {
      const at = place(star, startS + ((i + 0.5) / stretches.length) * durationS);
      if (!at || at.px < 0 || at.py < 0 || at.px >= size || at.py >= size) return;
      if (space.distance[at.py * size + at.px]! < OPEN_SKY_M / 2) return;
      const [left, top] = [placed(at.x, smear.left), placed(at.y, smear.top)];
      for (let y = Math.max(0, top.site); y < height; y++) {
        const row = y * FINE - top.from;
        if (row >= smear.height) break;
        for (let x = Math.max(0, left.site); x < width; x++) {
          const column = x * FINE - left.from;
          if (column >= smear.width) break;
          const w = smear.share[row * smear.width + column]!;
          if (w === 0) continue;
          const site = cfaIndex(x, y);
          add(x, y, w * light * channel[site === 0 ? 0 : site === 3 ? 2 : 1]!);
        }
      }
    });
  }
}

/** Points of a smear to a site, along each axis. */
const FINE = 4;
/** Farthest that a star moves within one stretch of time, sites. */
const STRETCH_SITES = 2 / 3;
const MOST_STRETCHES = 4000;

/**
 * What the lens and the hand make of a point of light in a stretch of the exposure: the share of all its light that falls on a site, by
 * where the site's middle lies from the star. Rows of points, `FINE` to a site.
 */
interface Smear {
  /** Distance of the first column, and of the first row, from the star, points. */
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
  readonly share: Float32Array;
  /** Farthest that it reaches from the star, points. */
  readonly reach: number;
}

/** Place of a smear about a star along one axis: its first column in points of the grid, and the first site within it. */
function placed(star: number, first: number): { readonly from: number; readonly site: number } {
  const from = Math.round((star - 0.5) * FINE) + first;
  return { from, site: Math.ceil(from / FINE) };
}

/**
 * The exposure in stretches, short enough for stars to stand still in them: all stars share their smears.
 * @param trail of the fastest star, sites
 */
function smears(
  spot: ReturnType<typeof spotOf>,
  shake: ShakePath | null,
  perRad: number,
  trail: number,
): readonly Smear[] {
  const path = shake ?? { x: Float64Array.of(0), y: Float64Array.of(0) };
  const moments = path.x.length;
  const count = Math.min(MOST_STRETCHES, Math.max(1, Math.ceil(trail / STRETCH_SITES)));
  const reach = (spot.reach + 1) * FINE;
  const side = 2 * reach + 1;
  const single = Float32Array.from({ length: side * side }, (_, i) =>
    spot.at(((i % side) - reach) / FINE, (Math.floor(i / side) - reach) / FINE),
  );
  const made = new Map<string, Smear>();
  return Array.from({ length: count }, (_, i) => {
    // A path with fewer moments than stretches stands still for some of them.
    const from = Math.floor((i * moments) / count);
    const to = Math.max(from + 1, Math.floor(((i + 1) * moments) / count));
    const key = `${from} ${to}`;
    const known = made.get(key);
    if (known) return known;
    const xs = Int32Array.from(path.x.subarray(from, to), (v) => Math.round(v * perRad * FINE));
    const ys = Int32Array.from(path.y.subarray(from, to), (v) => Math.round(v * perRad * FINE));
    const smear = smearOf(single, reach, xs, ys, 1 / (count * (to - from)));
    made.set(key, smear);
    return smear;
  });
}

/** @param single smear of a point, `2·reach + 1` a side @param each weight of every place of the path */
function smearOf(single: Float32Array, reach: number, xs: Int32Array, ys: Int32Array, each: number): Smear {
  const side = 2 * reach + 1;
  const [minX, minY] = [Math.min(...xs), Math.min(...ys)];
  const width = Math.max(...xs) - minX + side;
  const height = Math.max(...ys) - minY + side;
  const share = new Float32Array(width * height);
  for (let k = 0; k < xs.length; k++)
    for (let v = 0; v < side; v++) {
      const at = (ys[k]! - minY + v) * width + xs[k]! - minX;
      for (let u = 0; u < side; u++) share[at + u] = share[at + u]! + each * single[v * side + u]!;
    }
  const [left, top] = [minX - reach, minY - reach];
  const ends = [left, top, left + width, top + height];
  return { left, top, width, height, share, reach: Math.max(...ends.map(Math.abs)) };
}

/** Collected light of a capture, to be added row by row. */
export class StarRows {
  private readonly lines = new Map<number, { x: number[]; lux: number[] }>();

  readonly collect: AddLight = (x, y, lux) => {
    let line = this.lines.get(y);
    if (!line) this.lines.set(y, (line = { x: [], lux: [] }));
    line.x.push(x);
    line.lux.push(lux);
  };

  addTo(y: number, row: Float32Array): void {
    const line = this.lines.get(y);
    line?.x.forEach((x, i) => (row[x] = row[x]! + line.lux[i]!));
  }
}

/** Light of a point around itself: a Gaussian, or a soft-edged disc when out of focus; its sum over sites is 1. */
function spotOf(sigma: number, discPx: number) {
  const radius = discPx / 2;
  const reach = Math.ceil(radius + 3 * sigma);
  const value =
    radius < 1
      ? (r2: number) => Math.exp(-r2 / (2 * (sigma * sigma + (radius * radius) / 4)))
      : (r2: number) => Math.min(1, Math.max(0, radius + 0.5 - Math.sqrt(r2)));
  let sum = 0;
  for (let y = -reach; y <= reach; y++) for (let x = -reach; x <= reach; x++) sum += value(x * x + y * y);
  return { reach, at: (dx: number, dy: number) => value(dx * dx + dy * dy) / sum };
}
