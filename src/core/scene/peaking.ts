// What peaking looks at in a scene: at each sample of the finder four groups of single green sites along the steepest rise near it, exposed as the
// meter reads, with their noise. Averages of many sites cannot tell what is in focus: the disc of what is just out of it is smaller than they
// are. Where nothing rises nothing is looked at, and where the lens blurs more widely than the groups reach nothing can peak.
import type { PeaksAsk } from '../finder/source';
import { isPeak, PEAKING_RULES } from '../focus/peaking';
import { nextUint32, NORMAL_BITS, normalQuantiles, randomFrom } from '../numeric/random';
import { cos4, lensQ } from '../optics/lens';
import { electronsPerLxS, gainDnPerE } from '../sensor/sensor';
import { cropOf } from './framing';
import { lookExposure } from './focus-look';
import { asSet, discsOf, finestGround, type SceneView } from './view';
import type { PlatePart } from './plate';

/** Steepest rises of a view: one for each sample that has any. */
interface Rises {
  /** Numbers of the samples, row by row. */
  readonly sample: Uint32Array;
  /** Middle of the rise on the part, in its pixels. */
  readonly x: Float32Array;
  readonly y: Float32Array;
  /** 1 where it runs across, 0 where it runs down. */
  readonly across: Uint8Array;
  /** Distance of what rises, and of the nearest thing around it, m. */
  readonly distance: Float32Array;
  readonly nearest: Float32Array;
}

/** Rises of less than this between neighbours, of their mean, are lost in noise in any light. */
const LEAST_RISE = 0.06;
/** Sites from the middle of a rise to the inner groups, and to the outer ones. */
const [NEAR_SITES, FAR_SITES] = [1.5, 4.5];
/** Widest blur that is looked at, sites: about twice the reach of the groups, where a fifth of an edge lies between the inner ones. */
const MOST_DISC_SITES = 20;
/** Blur of something nearer from which on it hides the edges beside it, sites. */
const VEILING_DISC_SITES = 5;
/** Green sites of a group: it reaches as far to either side along the edge, sites. */
const GROUP = 3;
const GROUP_REACH_SITES = 1.5;
/** Half the width of a square with the variance of a disc of diameter 1, d²/16. */
const SQUARE_OF_DISC = Math.sqrt(3) / 4;
/** Deviations by which chance may lift a rise that is looked at in full. */
const LUCK = 4;
/** Next to sites filled as far as this there is no edge to be had. */
const MOST_FILLED = 0.9;

/** Looks for what peaks on a grid of samples. What stands still in a view is worked out at the first look. */
export function peakingOf(
  view: SceneView,
  width: number,
  height: number,
): (ask: PeaksAsk) => Uint32Array | null {
  let stage: { rises: Rises; sums: Sums } | undefined;
  return (ask) => {
    const { size, space } = view.detail;
    if (!space) return null;
    const crop = cropOf(size, view.orientation);
    const part = { x: crop.x & ~1, y: crop.y & ~1, width: crop.width & ~1, height: crop.height & ~1 };
    if (!stage) {
      const plane = view.detail.green(part);
      stage = { rises: risesOf(plane, part, space.distance, size, width, height), sums: sumsOf(plane, part) };
    }
    return peaksAmong(stage.rises, stage.sums, part, view, ask);
  };
}

function risesOf(
  plane: Float32Array,
  part: PlatePart,
  distance: Float32Array,
  size: number,
  width: number,
  height: number,
): Rises {
  const { width: w, height: h } = part;
  const best = new Float32Array(width * height);
  const place = new Int32Array(width * height);
  const columns = Uint32Array.from({ length: w }, (_, x) => Math.floor(((x + 0.5) * width) / w));
  for (let y = 1; y < h - 2; y++) {
    const row = Math.floor(((y + 0.5) * height) / h) * width;
    for (let x = 1, i = y * w + 1; x < w - 2; x++, i++) {
      const here = plane[i]!;
      const [right, below] = [plane[i + 1]!, plane[i + w]!];
      const lying = Math.abs(right - here) / (right + here + 1e-9);
      const upright = Math.abs(below - here) / (below + here + 1e-9);
      const rise = lying > upright ? lying : upright;
      const cell = row + columns[x]!;
      if (rise <= best[cell]!) continue;
      best[cell] = rise;
      place[cell] = lying > upright ? i + 1 : -(i + 1);
    }
  }
  const found: number[] = [];
  best.forEach((rise, cell) => 2 * rise >= LEAST_RISE && found.push(cell));
  const count = found.length;
  const rises = {
    sample: Uint32Array.from(found),
    x: new Float32Array(count),
    y: new Float32Array(count),
    across: new Uint8Array(count),
    distance: new Float32Array(count),
    nearest: new Float32Array(count),
  };
  const hold = (v: number) => (v < 0 ? 0 : v >= size ? size - 1 : v);
  /** The nearest of nine places about one. */
  const nearestAbout = (x: number, y: number, reach: number) => {
    let nearest = Infinity;
    for (let v = -reach; v <= reach; v += reach)
      for (let u = -reach; u <= reach; u += reach)
        nearest = Math.min(nearest, distance[hold(y + v) * size + hold(x + u)]!);
    return nearest;
  };
  found.forEach((cell, k) => {
    const across = place[cell]! > 0;
    const i = Math.abs(place[cell]!) - 1;
    const [x, y] = [i % w, Math.floor(i / w)];
    // A rise lies between two pixels.
    rises.x[k] = x + (across ? 1 : 0.5);
    rises.y[k] = y + (across ? 0.5 : 1);
    rises.across[k] = across ? 1 : 0;
    const [px, py] = [part.x + x, part.y + y];
    rises.distance[k] = nearestAbout(px, py, 1);
    rises.nearest[k] = Math.min(rises.distance[k]!, nearestAbout(px, py, 3), nearestAbout(px, py, 6));
  });
  return rises;
}

/** Sums of all that lies above and to the left of each corner: a mean over any rectangle is four of them. */
interface Sums {
  readonly sums: Float64Array;
  readonly width: number;
  readonly height: number;
}

function sumsOf(plane: Float32Array, { width, height }: PlatePart): Sums {
  const span = width + 1;
  const sums = new Float64Array(span * (height + 1));
  for (let y = 0; y < height; y++) {
    let row = 0;
    for (let x = 0, i = y * width, o = (y + 1) * span + 1; x < width; x++, i++, o++) {
      row += plane[i]!;
      sums[o] = sums[o - span]! + row;
    }
  }
  return { sums, width, height };
}

/** The sum above and to the left of any place. */
function cornerSum({ sums, width, height }: Sums, x: number, y: number): number {
  const [px, py] = [x < 0 ? 0 : x > width ? width : x, y < 0 ? 0 : y > height ? height : y];
  const left = px < width ? px | 0 : width - 1;
  const top = py < height ? py | 0 : height - 1;
  const [u, v] = [px - left, py - top];
  const at = top * (width + 1) + left;
  const below = at + width + 1;
  const above = sums[at]! + u * (sums[at + 1]! - sums[at]!);
  return above + v * (sums[below]! + u * (sums[below + 1]! - sums[below]!) - above);
}

function meanAbout(of: Sums, x: number, y: number, rx: number, ry: number): number {
  const sum =
    cornerSum(of, x + rx, y + ry) -
    cornerSum(of, x - rx, y + ry) -
    cornerSum(of, x + rx, y - ry) +
    cornerSum(of, x - rx, y - ry);
  return sum / (4 * rx * ry);
}

function peaksAmong(
  rises: Rises,
  sums: Sums,
  part: PlatePart,
  view: SceneView,
  { settings, focusM, ev100, strength, seed }: PeaksAsk,
): Uint32Array {
  const ground = asSet(finestGround(view), settings);
  const { camera, size } = ground;
  const { sensor, lens } = camera;
  const sitePx = size / sensor.width;
  const { shutterS, iso } = lookExposure(settings.apertureN, ev100);
  const electronsPerLevel =
    (lensQ(lens) / (lens.apertureN * lens.apertureN)) * shutterS * electronsPerLxS(sensor);
  // Twice the root of what is gathered and what reading adds has the same noise everywhere: 1, less for a group (Anscombe 1948).
  const gain = gainDnPerE(sensor, iso);
  const read = sensor.readPreE ** 2 + (sensor.readPostDn / gain) ** 2;
  const most = (MOST_FILLED * sensor.fullWellE * 100) / iso;
  const deviation = 1 / Math.sqrt(GROUP);
  const rule = PEAKING_RULES[strength];
  const quantiles = normalQuantiles();
  const random = randomFrom(seed, 77);
  const noise = () => quantiles[nextUint32(random) >>> (32 - NORMAL_BITS)]! * deviation;
  const discs = discsOf(ground, focusM, rises.distance, size);
  const veils = discsOf(ground, focusM, rises.nearest, size);
  const mmPerPx = (sensor.width * sensor.pitchMm) / size;
  const alongEdge = GROUP_REACH_SITES * sitePx;
  const edgeSquare = alongEdge * alongEdge;
  const siteSquare = (sitePx * sitePx) / 4;
  const offset = read + 3 / 8;
  /** Below this, noise does not lift the rise between the inner groups far enough. */
  const hopeless = (rule.deviations - LUCK) * Math.SQRT2 * deviation;
  const peaks: number[] = [];
  for (let i = 0; i < rises.sample.length; i++) {
    const disc = Math.abs(discs[i]!);
    if (disc > MOST_DISC_SITES * sitePx) continue;
    if (rises.nearest[i]! < 0.98 * rises.distance[i]! && -veils[i]! > VEILING_DISC_SITES * sitePx) continue;
    const [x, y, across] = [rises.x[i]!, rises.y[i]!, rises.across[i]! === 1];
    const blurSquare = (SQUARE_OF_DISC * disc) ** 2;
    const [along, aside] = [Math.sqrt(blurSquare + siteSquare), Math.sqrt(blurSquare + edgeSquare)];
    const perLevel =
      electronsPerLevel *
      cos4(lens.focalLengthMm, (part.x + x - size / 2) * mmPerPx, (part.y + y - size / 2) * mmPerPx);
    const electronsAt = (sites: number) =>
      perLevel *
      Math.max(
        0,
        across
          ? meanAbout(sums, x + sites * sitePx, y, along, aside)
          : meanAbout(sums, x, y + sites * sitePx, aside, along),
      );
    const [before, after] = [electronsAt(-NEAR_SITES), electronsAt(NEAR_SITES)];
    const [b, c] = [2 * Math.sqrt(before + offset), 2 * Math.sqrt(after + offset)];
    if (Math.abs(c - b) < hopeless) continue;
    const [first, last] = [electronsAt(-FAR_SITES), electronsAt(FAR_SITES)];
    if (Math.max(first, before, after, last) > most) continue;
    const [a, d] = [2 * Math.sqrt(first + offset), 2 * Math.sqrt(last + offset)];
    if (isPeak(a + noise(), b + noise(), c + noise(), d + noise(), deviation, rule))
      peaks.push(rises.sample[i]!);
  }
  return Uint32Array.from(peaks);
}
