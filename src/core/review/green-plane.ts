// The green of an image as one plane of linear light: what sharpness, noise and shifts are measured in. Green has half of a mosaic's sites, and is what
// eyes see most of an edge by.
import { blackOf, cfaIndex, clipLevel } from '../sensor/raw-frame';
import type { ImageNumbers } from '../sensor/rgb-image';
import type { Rectangle } from '../raw/shown';
import type { Plane } from './registration';

/** Sites that a place of the finest plane stands for, across and down: a cell of a mosaic has two greens; of three components each pixel has one. */
export function sitesAPlace({ layout }: ImageNumbers): 1 | 2 {
  return layout === 'cfa' ? 2 : 1;
}

export interface GreenPlane extends Plane {
  /** Where it begins in the image, and how many of its columns and rows a place stands for. */
  readonly x: number;
  readonly y: number;
  readonly sites: number;
  /** Greens that were averaged into a place. */
  readonly greens: number;
}

/**
 * Signal above black as a share of the range up to white, averaged over squares; NaN where any of their greens is clipped.
 * @param region of the image, in its columns and rows; what of it lies outside is left out
 * @param binned finest places that are put together, across and down
 */
export function greenPlane(image: ImageNumbers, region: Rectangle, binned = 1): GreenPlane {
  const cell = sitesAPlace(image);
  const sites = cell * binned;
  const start = (from: number) => Math.max(0, cell * Math.floor(from / cell));
  const [x, y] = [start(region.x), start(region.y)];
  const count = (from: number, to: number, all: number) =>
    Math.max(0, Math.floor((Math.min(all, to) - from) / sites));
  const width = count(x, region.x + region.width, image.width);
  const height = count(y, region.y + region.height, image.height);
  const data = new Float32Array(width * height);
  const { of, step, black } = greensOf(image);
  const range = image.white - black;
  const clip = clipLevel({ black, white: image.white });
  const row = image.width * (image.layout === 'cfa' ? 1 : 3);
  const numbers = image.data;
  for (let py = 0, i = 0; py < height; py++)
    for (let px = 0; px < width; px++, i++) {
      let [sum, clipped] = [0, false];
      for (let by = 0; by < binned; by++) {
        let from = (y + py * sites + by * cell) * row + ((x + px * sites) / cell) * step;
        for (let bx = 0; bx < binned; bx++, from += step)
          for (const green of of) {
            const number = numbers[from + green]!;
            if (number >= clip) clipped = true;
            sum += number;
          }
      }
      data[i] = clipped ? NaN : (sum / (of.length * binned * binned) - black) / range;
    }
  return { x, y, width, height, sites, greens: of.length * binned * binned, data };
}

/** Where the greens of a cell or pixel lie from its first number on, how far it is to the next one's, and their black. */
function greensOf(image: ImageNumbers): { of: readonly number[]; step: number; black: number } {
  if (image.layout === 'rgb') return { of: [1], step: 3, black: image.black };
  const [px, py] = image.phase ?? [0, 0];
  const green = [0, 1, 2, 3].filter((i) => [1, 2].includes(cfaIndex(px + (i & 1), py + (i >> 1))));
  return {
    of: green.map((i) => (i >> 1) * image.width + (i & 1)),
    step: 2,
    black: (blackOf(image, 1) + blackOf(image, 2)) / 2,
  };
}

/**
 * The plane without what is clipped and all within so many sites of it: the flank of a highlight that is cut off says nothing of how sharp it is, for
 * how much of it is there depends on how widely it was blurred.
 */
export function apartFromClipped(plane: GreenPlane, sites: number): GreenPlane {
  const reach = Math.ceil(sites / plane.sites);
  const { width, height, data } = plane;
  const out = data.slice();
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      if (!Number.isNaN(data[y * width + x]!)) continue;
      const right = Math.min(width, x + reach + 1);
      for (let row = Math.max(0, y - reach); row <= Math.min(height - 1, y + reach); row++)
        out.fill(NaN, row * width + Math.max(0, x - reach), row * width + right);
    }
  return { ...plane, data: out };
}

/** The first plane where the second is known too; as it is where they are not of one size. */
export function whereBoth(plane: GreenPlane, other: GreenPlane): GreenPlane {
  if (plane.width !== other.width || plane.height !== other.height) return plane;
  return { ...plane, data: plane.data.map((v, i) => (Number.isNaN(other.data[i]!) ? NaN : v)) };
}

/** The plane with what is clipped as bright as it can be: for shifts, which need every place. */
export function filled(plane: GreenPlane): GreenPlane {
  return { ...plane, data: plane.data.map((v) => (Number.isNaN(v) ? 1 : v)) };
}
