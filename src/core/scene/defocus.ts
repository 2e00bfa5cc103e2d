// Defocus by depth: the picture is cut into layers of nearly equal blur, each blurred by the discs of its distances, and laid
// over each other from far to near, so that a near thing spreads over what is behind it and a far one does not spread over
// what is in front. Within a layer every sample is gathered over its own disc.
import { blocksOf, stretchFrom, type Blocks } from './blocks';
import { blurByDiscs, discNumber, discMap, HALVE_FROM_PX, type DiscMap } from './disc-blur';

export interface Planes {
  readonly width: number;
  readonly height: number;
  readonly planes: readonly Float32Array[];
}

/** Discs narrower than this are left sharp, samples. */
const SHARP_PX = 0.9;
/** Discs of one layer differ by at most this, samples, or this share of the largest. */
const LAYER_STEP_PX = 1.2;
const LAYER_STEP_SHARE = 0.3;
/** Side of the squares that are passed by where a layer is not. */
const SQUARE = 16;
/** Light that a layer borrows from what lies just in front of it, so that no seam opens on a slope. */
const BORROWED = 0.5;

/** Signed discs, `far` the greater; both of them there. */
interface Layer {
  readonly far: number;
  readonly near: number;
}

/** A stretch of the picture. */
interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/**
 * @param disc signed diameter of the blur disc of every sample, in samples, rising with distance (negative in front)
 * @returns new planes; the same ones when all is sharp
 */
export function defocus(picture: Planes, disc: Float32Array): Planes {
  const layers = layersOf(disc);
  if (layers.every(isSharp)) return picture;
  const { width, planes } = picture;
  const out = planes.map((plane) => new Float32Array(plane.length));
  layers.forEach((layer, i) => {
    const box = boxAround(layer, disc, picture);
    const { weight, cover, discs, alone, there, reached } = partIn(layer, i === 0, disc, width, box);
    if (alone && discs && weight.length === disc.length) {
      planes.forEach((plane, c) => out[c]!.set(blurByDiscs(plane, discs)));
      return;
    }
    const blur = (plane: Float32Array) => (discs ? blurByDiscs(plane, discs) : plane);
    const spread = blur(weight);
    const opacity = cover && blur(cover);
    planes.forEach((plane, c) => {
      const light = new Float32Array(weight.length);
      for (let y = 0; y < box.height; y++)
        for (let part = stretchFrom(there, box.width, y, 0); part;) {
          const shift = (box.y + y) * width + box.x - y * box.width;
          for (let j = y * box.width + part.from, end = y * box.width + part.to; j < end; j++)
            light[j] = weight[j]! * plane[j + shift]!;
          part = stretchFrom(there, box.width, y, part.to);
        }
      layOver(out[c]!, width, box, reached, blur(light), spread, opacity);
    });
  });
  return { ...picture, planes: out };
}

/** Lays a layer over what is there: its light by its weight, as opaque as it covers (wholly without a cover). */
function layOver(
  target: Float32Array,
  width: number,
  box: Box,
  reached: Blocks,
  light: Float32Array,
  spread: Float32Array,
  opacity: Float32Array | null,
): void {
  for (let y = 0; y < box.height; y++)
    for (let part = stretchFrom(reached, box.width, y, 0); part;) {
      const shift = (box.y + y) * width + box.x - y * box.width;
      for (let j = y * box.width + part.from, end = y * box.width + part.to; j < end; j++) {
        const w = spread[j]!;
        if (w <= 1e-4) continue;
        const value = light[j]! / w;
        const below = target[j + shift]!;
        target[j + shift] = opacity ? below + opacity[j]! * (value - below) : value;
      }
      part = stretchFrom(reached, box.width, y, part.to);
    }
}

function isSharp({ far, near }: Layer): boolean {
  return Math.max(Math.abs(far), Math.abs(near)) < SHARP_PX;
}

/** All of it can be made at half the size, or less. */
function isWide({ far, near }: Layer): boolean {
  return Math.min(Math.abs(far), Math.abs(near)) >= HALVE_FROM_PX;
}

/** Steps of the count of discs, a sample of width. */
const STEPS = 16;

/** As few layers as hold all discs that there are, far ones first; what is sharp is one of them. */
function layersOf(disc: Float32Array): Layer[] {
  const steps = new Map<number, { far: number; near: number }>();
  let [last, open] = [NaN, { far: 0, near: 0 }];
  for (let i = 0; i < disc.length; i++) {
    const d = disc[i]!;
    const step = d < SHARP_PX && d > -SHARP_PX ? 0 : Math.round(d * STEPS);
    if (step !== last) {
      last = step;
      const found = steps.get(step);
      if (found) open = found;
      else steps.set(step, (open = { far: d, near: d }));
    }
    if (d > open.far) open.far = d;
    else if (d < open.near) open.near = d;
  }
  const layers: Layer[] = [];
  for (const [, next] of [...steps].sort(([a], [b]) => b - a)) {
    const open = layers.at(-1);
    if (open && together(open, next)) layers[layers.length - 1] = { far: open.far, near: next.near };
    else layers.push(next);
  }
  return layers;
}

function together(open: Layer, next: Layer): boolean {
  if (isSharp(open) || isSharp(next)) return isSharp(open) && isSharp(next);
  if (open.far > 0 !== next.near > 0) return false;
  if (isWide(open) !== isWide(next)) return false;
  return open.far - next.near <= LAYER_STEP_PX + LAYER_STEP_SHARE * Math.max(open.far, -next.near);
}

/** Where a layer's light comes to lie, and as far around again as the discs there reach. */
function boxAround({ far, near }: Layer, disc: Float32Array, { width, height }: Planes): Box {
  let [left, right, top, bottom] = [width, -1, height, -1];
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      const d = disc[i]!;
      if (d > far || d < near) continue;
      if (x < left) left = x;
      if (x > right) right = x;
      if (y < top) top = y;
      bottom = y;
    }
  const reach = Math.ceil(Math.max(Math.abs(far), Math.abs(near))) + 4;
  // Even corners: wide discs are made at half the size.
  const x = Math.max(0, left - reach) & ~1;
  const y = Math.max(0, top - reach) & ~1;
  return {
    x,
    y,
    width: Math.min(width, right + reach + 1) - x,
    height: Math.min(height, bottom + reach + 1) - y,
  };
}

interface Part {
  readonly weight: Float32Array;
  readonly cover: Float32Array | null;
  /** null for what is sharp. */
  readonly discs: DiscMap | null;
  /** Squares of the box with any of its light, and those that this is spread over. */
  readonly there: Blocks;
  readonly reached: Blocks;
  /** True when there is nothing else in the box. */
  readonly alone: boolean;
}

/** How the samples of a box take part in a layer: with their light, by hiding what is farther, and over which discs. */
function partIn({ far, near }: Layer, farthest: boolean, disc: Float32Array, width: number, box: Box): Part {
  const sharp = isSharp({ far, near });
  const size = box.width * box.height;
  const weight = new Float32Array(size);
  const cover = farthest ? null : new Float32Array(size);
  const numbers = sharp ? null : new Uint16Array(size);
  let others = 0;
  const lends = near - LAYER_STEP_PX - LAYER_STEP_SHARE * Math.abs(near);
  for (let y = 0, j = 0; y < box.height; y++)
    for (let x = 0, at = (box.y + y) * width + box.x; x < box.width; x++, j++, at++) {
      const d = disc[at]!;
      if (d > far) {
        others++;
        continue;
      }
      if (cover) cover[j] = 1;
      if (d >= near) {
        weight[j] = 1;
        if (numbers) numbers[j] = discNumber(d < 0 ? -d : d);
        continue;
      }
      others++;
      if (d >= lends) weight[j] = BORROWED;
    }
  const [small, large] = [Math.min(Math.abs(far), Math.abs(near)), Math.max(Math.abs(far), Math.abs(near))];
  const discs = numbers && discMap(numbers, box.width, box.height, small, large, weight);
  const there = blocksOf(weight, box.width, box.height, SQUARE);
  return { weight, cover, discs, alone: others === 0, there, reached: discs?.reached ?? there };
}
