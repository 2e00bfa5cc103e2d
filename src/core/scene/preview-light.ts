// The light of an opening on the finder's samples: whole planes, of which only what moves is made anew for a frame.
import type { PreviewLight } from './light-rows';
import { gatherer, type Gatherer } from './gather';
import { channelAt, varying, type Opening } from './opening';
import type { BlurKernel } from './shake';
import type { MarkedSites } from './marked-sites';
import { rowMosaic, type RowMosaic } from './site-rows';
import { discOnSurface } from './spin-rows';

/** Openings longer than this hold their picture until they end. */
const SLOW_S = 1 / 15;
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
  let madeFrom: PreviewLight | undefined;
  let [madeAt, madeS] = [0, 0];
  let rows: { readonly reach: number; readonly sites: number; readonly of: Gatherer } | undefined;
  let mosaic: { readonly width: number; readonly put: RowMosaic } | undefined;
  const skySites: number[] = [];
  const skyLux: number[] = [];
  return {
    expose: (from, opening, light) => {
      const { width, height, groups } = from;
      const { startS, durationS } = opening;
      // While a slow shutter is open there is nothing new to show.
      const passed = startS - madeAt;
      if (
        madeFrom === from &&
        madeS === durationS &&
        durationS > SLOW_S &&
        passed >= 0 &&
        passed < durationS
      ) {
        return false;
      }
      [madeFrom, madeAt, madeS] = [from, startS, durationS];
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
        discOnSurface(from.view.camera.lens, from.focusM),
      );
      if (kernel.reach === 0) {
        if (mosaic?.width !== width) mosaic = { width, put: rowMosaic(width) };
        mosaicOf(mosaic.put, sum, width, height, light);
      } else {
        // Hands differ from frame to frame: rows with room for a wider blur are kept.
        if (!rows || rows.reach < kernel.reach || rows.sites !== light.length) {
          const reach = 2 * kernel.reach;
          rows = { reach, sites: light.length, of: gatherer(width, height, reach) };
        }
        gatherInto(rows.of, sum, width, height, kernel, light);
      }
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

/** The mosaic of three planes. */
function mosaicOf(
  put: RowMosaic,
  planes: readonly Float32Array[],
  width: number,
  height: number,
  light: Float32Array,
): void {
  for (let y = 0; y < height; y++) {
    const row = (of: Float32Array) => of.subarray(y * width, (y + 1) * width);
    put(row(planes[channelAt(0, y)]!), row(planes[channelAt(1, y)]!), row(light));
  }
}

/** Each site of it gathered through the kernel; outside the frame is what is at its edge. */
function gatherInto(
  rows: Gatherer,
  planes: readonly Float32Array[],
  width: number,
  height: number,
  { dx, dy, weight }: BlurKernel,
  light: Float32Array,
): void {
  const slots = new Int32Array(weight.length);
  planes.forEach((plane, c) => {
    for (let y = 0; y < height; y++) rows.put(c, y, plane, y * width);
  });
  for (let y = 0; y < height; y++) {
    // What the kernel moves by (dx, dy) comes from (−dx, −dy).
    for (let k = 0; k < weight.length; k++) slots[k] = Math.min(height - 1, Math.max(0, y - dy[k]!));
    rows.gather([channelAt(0, y), channelAt(1, y)], slots, { dx, weight }, light, y * width);
  }
}
