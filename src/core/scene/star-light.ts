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
import { skyAxes, starDirection, starsOf, type Star } from './stars';
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
  const reach = spot.reach + 1;
  const margin = reach + 40;
  for (const star of list) {
    if (star.lux * electrons < FAINTEST_E) break; // they come brightest first
    const from = place(star, startS);
    const to = place(star, startS + durationS);
    if (!from || !to) continue;
    if (Math.max(from.x, to.x) < -margin || Math.min(from.x, to.x) > width + margin) continue;
    if (Math.max(from.y, to.y) < -margin || Math.min(from.y, to.y) > height + margin) continue;
    const channel = apply3(toCamera, star.colour);
    const trail = Math.hypot(to.x - from.x, to.y - from.y);
    const count = Math.min(4000, Math.max(1, Math.ceil(trail * 1.5), shake ? shake.x.length : 1));
    const light = (star.lux * gain) / count;
    for (let i = 0; i < count; i++) {
      const t = (i + 0.5) / count;
      const at = trail > 0.3 ? place(star, startS + t * durationS) : from;
      if (!at || at.px < 0 || at.py < 0 || at.px >= size || at.py >= size) continue;
      if (space.distance[at.py * size + at.px]! < OPEN_SKY_M / 2) continue;
      const k = shake ? Math.min(shake.x.length - 1, Math.floor(t * shake.x.length)) : 0;
      const x = at.x + (shake ? shake.x[k]! * perRad : 0);
      const y = at.y + (shake ? shake.y[k]! * perRad : 0);
      const [x0, y0] = [Math.floor(x), Math.floor(y)];
      for (let sy = Math.max(0, y0 - reach); sy <= y0 + reach && sy < height; sy++)
        for (let sx = Math.max(0, x0 - reach); sx <= x0 + reach && sx < width; sx++) {
          const w = spot.at(sx + 0.5 - x, sy + 0.5 - y);
          if (w <= 0) continue;
          const site = cfaIndex(sx, sy);
          add(sx, sy, w * light * channel[site === 0 ? 0 : site === 3 ? 2 : 1]!);
        }
    }
  }
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
