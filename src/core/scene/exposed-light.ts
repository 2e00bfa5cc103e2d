// The light that falls on each site while the shutter is open, as its mean over that time: lamps that flicker, things that
// turn, a hand that shakes, stars that move. Rows come from top to bottom, each with its own moment of a rolling shutter.
import { cfaIndex } from '../sensor/raw-frame';
import type { LightGrid, LightRows, PreviewLight } from './light-rows';
import { meanFactor } from './outside';
import { kernelOf, shakePath, type BlurKernel, type Steadiness } from './shake';
import { drawStars, StarRows, type AddLight } from './star-light';
import type { MarkedSites, SurfaceRows } from './surface-rows';

/** When and how steadily the shutter is open. */
export interface Opening {
  readonly startS: number;
  readonly durationS: number;
  readonly seed: number;
  readonly steadiness: Steadiness;
}

/** Time from the first row's start to the last one's, s. */
export const READOUT_S = 1 / 60;

/** What varies over an exposure: the blur of the hand, lamps line by line, the turn of what turns, the stars. */
function varying(grid: LightGrid, { startS, durationS, seed, steadiness }: Opening, mostKernel: number) {
  const { view, width, height } = grid;
  const shake = shakePath(seed, steadiness, durationS);
  const landscape = view.orientation === 'landscape';
  const rate = view.description.spin?.turnsPerS[view.outside.wheel] ?? 0;
  // The sensor is read along its short side: row by row in landscape, column by column in portrait.
  const lines = landscape ? height : width;
  const startOf = (line: number) => startS + (READOUT_S * line) / lines;
  const kernel = kernelOf(shake, view.camera.lens.focalLengthMm / grid.siteMm, mostKernel);
  return {
    kernel,
    drawStars: (add: AddLight) => drawStars(grid, startS, durationS, kernel.reach === 0 ? null : shake, add),
    landscape,
    arc: rate * durationS,
    turnOf: (y: number) => rate * (landscape ? startOf(y) : startS + READOUT_S / 2),
    /** Factor of each line for each group of lamps; null for steady ones. */
    factors: view.groups.map(({ flicker }) =>
      flicker
        ? Float32Array.from({ length: lines }, (_, i) => meanFactor(flicker, startOf(i), durationS))
        : null,
    ),
  };
}

/** Rows of light one after the other, lx on each site in the colour of that site. */
export interface ExposedLight {
  next(out: Float32Array): void;
}

/** For a capture: rows from the plates. @param mostKernel entries of the blur kernel at most */
export function exposedLight(
  rows: LightRows,
  surface: SurfaceRows | undefined,
  opening: Opening,
  mostKernel: number,
): ExposedLight {
  const { view, width, height } = rows;
  const { kernel, landscape, arc, turnOf, factors, ...sky } = varying(rows, opening, mostKernel);
  const stars = new StarRows();
  sky.drawStars(stars.collect);
  const falling = new Float32Array(width);
  const part = new Float32Array(width);

  /** A row of one channel, or of the mosaic, before shake; `site` holds fall-off and surface factors of that row. */
  const addGroups = (
    channel: number,
    y: number,
    out: Float32Array,
    at: number,
    first: number,
    step: number,
  ) => {
    for (let g = 0; g < view.groups.length; g++) {
      const byLine = factors[g];
      const target = g === 0 ? out : part;
      const shift = g === 0 ? at : 0;
      rows.row(g, channel, y, target, shift, first, step);
      if (!byLine && g === 0) continue;
      for (let x = first; x < width; x += step) {
        const f = byLine ? byLine[landscape ? y : x]! : 1;
        if (g === 0) out[at + x] = out[at + x]! * f;
        else out[at + x] = out[at + x]! + f * part[x]!;
      }
    }
  };
  const siteFactors = (y: number) => {
    rows.fallOff(y, falling);
    surface?.apply(y, turnOf(y), arc, falling);
  };

  let y = 0;
  if (kernel.reach === 0) {
    return {
      next: (out) => {
        siteFactors(y);
        for (let phase = 0; phase < 2; phase++) addGroups(channelAt(phase, y), y, out, 0, phase, 2);
        for (let x = 0; x < width; x++) out[x] = out[x]! * falling[x]!;
        stars.addTo(y, out);
        y++;
      },
    };
  }

  const { reach, dx, dy, weight } = kernel;
  const span = width + 2 * reach;
  const kept = Math.min(height, 2 * reach + 1);
  const ring = [0, 1, 2].map(() => new Float32Array(kept * span));
  const place = new Int32Array(weight.length);
  let made = 0;
  const make = () => {
    siteFactors(made);
    const at = (made % kept) * span + reach;
    for (let c = 0; c < 3; c++) {
      const plane = ring[c]!;
      addGroups(c, made, plane, at, 0, 1);
      for (let x = 0; x < width; x++) plane[at + x] = plane[at + x]! * falling[x]!;
      plane.fill(plane[at]!, at - reach, at);
      plane.fill(plane[at + width - 1]!, at + width, at + width + reach);
    }
    made++;
  };
  return {
    next: (out) => {
      while (made < height && made <= y + reach) make();
      out.fill(0);
      for (let k = 0; k < weight.length; k++) {
        const sy = Math.min(height - 1, Math.max(0, y + dy[k]!));
        place[k] = (sy % kept) * span + reach + dx[k]!;
      }
      for (let phase = 0; phase < 2; phase++) {
        gatherRow(ring[channelAt(phase, y)]!, place, weight, out, 0, phase, width);
      }
      stars.addTo(y, out);
      y++;
    },
  };
}

/** In this time a star moves by a small part of a preview's sample. */
const SKY_HOLDS_S = 2;

export interface PreviewExposer {
  /** Fills `light` for an opening; returns false when it holds what it would become. */
  expose(from: PreviewLight, opening: Opening, light: Float32Array): boolean;
}

/** For the finder: whole planes, of which only what moves is made anew. */
export function previewExposer(marks: MarkedSites | undefined, mostKernel: number): PreviewExposer {
  let still: PreviewLight | undefined;
  let sum: Float32Array[] = [];
  let summed: PreviewLight | undefined;
  let skyOf: PreviewLight | undefined;
  let [skyAt, skyS] = [0, 0];
  const skySites: number[] = [];
  const skyLux: number[] = [];
  return {
    expose: (from, opening, light) => {
      const { width, height, groups } = from;
      const { startS, durationS } = opening;
      const { kernel, landscape, arc, turnOf, factors, ...sky } = varying(from, opening, mostKernel);
      const { stars } = from.view.description;
      const flickers = factors.some((f) => f !== null);
      const turning = marks !== undefined && arc > 0;
      const resting = kernel.reach === 0 && !flickers && !turning && !stars;
      if (resting && still === from) return false;
      still = resting ? from : undefined;
      if (summed !== from || flickers) {
        if (sum[0]?.length !== light.length) sum = [0, 1, 2].map(() => new Float32Array(light.length));
        groups.forEach((planes, g) =>
          planes.forEach((plane, c) => addGroup(sum[c]!, plane, factors[g]!, g === 0, width, landscape)),
        );
      }
      summed = from;
      // Marks change the planes in place, from the light without them.
      marks?.apply(
        (i, factor) => {
          for (let c = 0; c < 3; c++) {
            let value = 0;
            for (let g = 0; g < groups.length; g++) {
              const byLine = factors[g];
              value +=
                groups[g]![c]![i]! * (byLine ? byLine[landscape ? Math.floor(i / width) : i % width]! : 1);
            }
            sum[c]![i] = value * factor;
          }
        },
        turnOf,
        arc,
      );
      gather(sum, width, height, kernel, light);
      // Stars hardly move from frame to frame: while the camera rests they are drawn anew once in a while.
      const due =
        skyOf !== from || kernel.reach > 0 || durationS !== skyS || Math.abs(startS - skyAt) > SKY_HOLDS_S;
      if (stars && due) {
        [skyOf, skyAt, skyS] = [from, startS, durationS];
        skySites.length = skyLux.length = 0;
        sky.drawStars((x, y, lux) => {
          skySites.push(y * width + x);
          skyLux.push(lux);
        });
      }
      if (stars) skySites.forEach((site, i) => (light[site] = light[site]! + skyLux[i]!));
      return true;
    },
  };
}

function addGroup(
  sum: Float32Array,
  plane: Float32Array,
  byLine: Float32Array | null,
  first: boolean,
  width: number,
  landscape: boolean,
): void {
  if (!byLine && first) {
    sum.set(plane);
    return;
  }
  for (let row = 0, y = 0; row < sum.length; row += width, y++) {
    for (let x = 0; x < width; x++) {
      const f = byLine ? byLine[landscape ? y : x]! : 1;
      sum[row + x] = (first ? 0 : sum[row + x]!) + f * plane[row + x]!;
    }
  }
}

/** The mosaic of three planes, each site gathered through the kernel; outside the frame is what is at its edge. */
function gather(
  planes: readonly Float32Array[],
  width: number,
  height: number,
  { dx, dy, weight }: BlurKernel,
  light: Float32Array,
): void {
  const place = new Int32Array(weight.length);
  const aside = dx.reduce((most, d) => Math.max(most, Math.abs(d)), 0);
  const inside = Math.min(width >> 1, aside + (aside & 1));
  light.fill(0);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    for (let k = 0; k < weight.length; k++) {
      place[k] = Math.min(height - 1, Math.max(0, y + dy[k]!)) * width + dx[k]!;
    }
    for (let phase = 0; phase < 2; phase++) {
      const plane = planes[channelAt(phase, y)]!;
      gatherRow(plane, place, weight, light, row, inside + phase, width - inside);
      for (let edge = 0; edge < 2 * inside; edge++) {
        const x = edge < inside ? edge : width - 2 * inside + edge;
        if ((x & 1) !== phase) continue;
        let sum = 0;
        for (let k = 0; k < weight.length; k++) {
          const start = place[k]! - dx[k]!;
          sum += weight[k]! * plane[start + Math.min(width - 1, Math.max(0, x + dx[k]!))]!;
        }
        light[row + x] = sum;
      }
    }
  }
}

/**
 * Adds to every second site of a row what the kernel gathers for it. Four entries at a time: storing a sum costs more than
 * making it.
 */
function gatherRow(
  plane: Float32Array,
  place: Int32Array,
  weight: Float32Array,
  out: Float32Array,
  at: number,
  from: number,
  to: number,
): void {
  const whole = weight.length & ~3;
  for (let k = 0; k < whole; k += 4) {
    const p0 = place[k]!;
    const p1 = place[k + 1]!;
    const p2 = place[k + 2]!;
    const p3 = place[k + 3]!;
    const w0 = weight[k]!;
    const w1 = weight[k + 1]!;
    const w2 = weight[k + 2]!;
    const w3 = weight[k + 3]!;
    for (let x = from; x < to; x += 2) {
      out[at + x] =
        out[at + x]! + w0 * plane[p0 + x]! + w1 * plane[p1 + x]! + w2 * plane[p2 + x]! + w3 * plane[p3 + x]!;
    }
  }
  for (let k = whole; k < weight.length; k++) {
    const p = place[k]!;
    const w = weight[k]!;
    for (let x = from; x < to; x += 2) out[at + x] = out[at + x]! + w * plane[p + x]!;
  }
}

function channelAt(x: number, y: number): number {
  const site = cfaIndex(x, y);
  return site === 0 ? 0 : site === 3 ? 2 : 1;
}
