// Stars on the sensor: the path of each over the exposure, spread by the lens, as light on single sites.
import { cameraFromSrgb } from '../colour/camera';
import { apply3 } from '../numeric/matrix';
import { blurDiscMm, lensQ } from '../optics/lens';
import { cfaIndex } from '../sensor/raw-frame';
import type { LightGrid } from './light-rows';
import { OPEN_SKY_M } from './scene';
import type { ShakePath } from './shake';
import { plateShareOf, poseOf } from './space';
import { skyAxes, starDirection, starsOf, type Star } from './stars';
import { cropOf } from './view';

/** Light added to sites, row by row: site numbers rise. */
export interface StarLight {
  /** Adds the light of row `y`, lx, to a mosaic row. */
  add(y: number, row: Float32Array): void;
}

/** Half width of a sharp star on the sensor, sites (Gaussian σ). */
const SHARP_SIGMA = 0.6;
const catalogues = new Map<number, Star[]>();

export function starLight(
  grid: LightGrid,
  startS: number,
  durationS: number,
  shake: ShakePath,
): StarLight | undefined {
  const { view, width, height, siteMm, focusM } = grid;
  const { stars } = view.description;
  const { space, size, camera } = view;
  if (!stars || !space) return undefined;
  const list = catalogues.get(stars.seed) ?? starsOf(stars);
  catalogues.set(stars.seed, list);
  const axes = skyAxes(stars);
  const pose = poseOf(view.description);
  const crop = cropOf(size, view.orientation);
  const { lens } = camera;
  const pupilMm = lens.focalLengthMm / lens.apertureN;
  // All light through the pupil, T·π/4·D² = q·D², falls on one site's area.
  const gain = (lensQ(lens) * pupilMm * pupilMm) / (siteMm * siteMm);
  const toCamera = cameraFromSrgb(camera.colorMatrix);
  const disc = Math.abs(blurDiscMm(lens, focusM, Infinity)) / siteMm;
  const spot = spotOf(SHARP_SIGMA, disc);
  const perRad = lens.focalLengthMm / siteMm;
  const place = (star: Star, timeS: number) => {
    const share = plateShareOf(pose, starDirection(axes, star, timeS));
    if (!share) return null;
    return {
      x: ((share.x * size - crop.x) / crop.width) * width,
      y: ((share.y * size - crop.y) / crop.height) * height,
      px: Math.floor(share.x * size),
      py: Math.floor(share.y * size),
    };
  };
  const lines = new Map<number, Map<number, number>>();
  const reach = spot.reach + 1;
  for (const star of list) {
    const [from, to] = [place(star, startS), place(star, startS + durationS)];
    if (!from || !to) continue;
    const margin = 60;
    if (Math.max(from.x, to.x) < -margin || Math.min(from.x, to.x) > width + margin) continue;
    if (Math.max(from.y, to.y) < -margin || Math.min(from.y, to.y) > height + margin) continue;
    const channel = apply3(toCamera, star.colour);
    const trail = Math.hypot(to.x - from.x, to.y - from.y);
    const count = Math.min(4000, Math.max(1, Math.ceil(trail * 2), shake.x.length > 8 ? shake.x.length : 1));
    const light = (star.lux * gain) / count;
    for (let i = 0; i < count; i++) {
      const t = (i + 0.5) / count;
      const at = trail > 0.3 ? place(star, startS + t * durationS) : from;
      if (!at || at.px < 0 || at.py < 0 || at.px >= size || at.py >= size) continue;
      if (space.distance[at.py * size + at.px]! < OPEN_SKY_M / 2) continue;
      const k = Math.min(shake.x.length - 1, Math.floor(t * shake.x.length));
      const [x, y] = [at.x + shake.x[k]! * perRad, at.y + shake.y[k]! * perRad];
      const [x0, y0] = [Math.floor(x), Math.floor(y)];
      for (let sy = y0 - reach; sy <= y0 + reach; sy++) {
        if (sy < 0 || sy >= height) continue;
        let line = lines.get(sy);
        for (let sx = x0 - reach; sx <= x0 + reach; sx++) {
          if (sx < 0 || sx >= width) continue;
          const w = spot.at(sx + 0.5 - x, sy + 0.5 - y);
          if (w <= 0) continue;
          if (!line) lines.set(sy, (line = new Map<number, number>()));
          const site = cfaIndex(sx, sy);
          const c = site === 0 ? 0 : site === 3 ? 2 : 1;
          line.set(sx, (line.get(sx) ?? 0) + w * light * channel[c]!);
        }
      }
    }
  }
  return {
    add: (y, row) => lines.get(y)?.forEach((light, x) => (row[x] = row[x]! + light)),
  };
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
