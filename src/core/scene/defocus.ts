// Defocus by depth: the picture is cut into layers of nearly equal blur, each blurred by the discs of its distances, and laid
// over each other from far to near, so that a near thing spreads over what is behind it and a far one does not spread over
// what is in front. Within a layer every sample is gathered over its own disc.
import { blocksOf, stretchFrom, type Blocks } from './blocks';
import { discNumber, type DiscMap } from './disc-map';
import { layByKernel, partByKernel, type Parts } from './blur-kernel';
import { blurByDiscs, discMap, HALVE_FROM_PX } from './disc-blur';

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
/** Least weight that is laid at all; a 32-bit float, as all weights are. */
const { fround } = Math;
const LEAST_WEIGHT = fround(1e-4);
/** Light that a layer borrows from what lies just in front of it, so that no seam opens on a slope. */
const BORROWED = 0.5;

/** Signed discs, `far` the greater, both of them there; and what lies between the outermost of its samples. */
interface Layer {
  readonly far: number;
  readonly near: number;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
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
  const layers = layersOf(disc, picture.width);
  if (layers.every(isSharp)) return picture;
  const { width, planes } = picture;
  const out = planes.map((plane) => new Float32Array(plane.length));
  layers.forEach((layer, i) => {
    const box = boxAround(layer, picture);
    const { weight, cover, discs, alone } = partIn(layer, i === 0, disc, width, box);
    if (alone && discs && weight.length === disc.length) {
      planes.forEach((plane, c) => out[c]!.set(blurByDiscs(plane, discs)));
      return;
    }
    const blur = (plane: Float32Array) => (discs ? blurByDiscs(plane, discs) : plane);
    const spread = blur(weight);
    const opacity = cover && blur(cover);
    if (layByKernel(planes, out, width, box, { weight, spread, opacity }, discs, LEAST_WEIGHT)) return;
    const there = blocksOf(weight, box.width, box.height, SQUARE);
    const reached = discs?.reached ?? there;
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
        if (w <= LEAST_WEIGHT) continue;
        const value = fround(light[j]! / w);
        const below = target[j + shift]!;
        target[j + shift] = opacity ? below + fround(opacity[j]! * fround(value - below)) : value;
      }
      part = stretchFrom(reached, box.width, y, part.to);
    }
}

type Limits = Pick<Layer, 'far' | 'near'>;

function isSharp({ far, near }: Limits): boolean {
  return Math.max(Math.abs(far), Math.abs(near)) < SHARP_PX;
}

/** All of it can be made at half the size, or less. */
function isWide({ far, near }: Limits): boolean {
  return Math.min(Math.abs(far), Math.abs(near)) >= HALVE_FROM_PX;
}

/** Steps of the count of discs, a sample of width. */
const STEPS = 16;
/** Added before a fraction is cut off, so that it is cut off downwards; and a half, so that it rounds. */
const ABOVE_ZERO = 2 ** 24 + 0.5;

/** Layers of nearly equal discs, as few as hold all of them, far ones first; the sharp part is one of them. */
function layersOf(disc: Float32Array, width: number): Layer[] {
  const steps = new Map<number, { -readonly [Key in keyof Layer]: number }>();
  for (let row = 0, y = 0; row < disc.length; row += width, y++) {
    let last = NaN;
    let open = { far: 0, near: 0, left: 0, right: 0, top: 0, bottom: 0 };
    for (let x = 0; x < width; x++) {
      const d = disc[row + x]!;
      const step = d < SHARP_PX && d > -SHARP_PX ? ABOVE_ZERO | 0 : (d * STEPS + ABOVE_ZERO) | 0;
      if (step !== last) {
        last = step;
        const found = steps.get(step);
        if (found) open = found;
        else steps.set(step, (open = { far: d, near: d, left: x, right: x, top: y, bottom: y }));
        if (x < open.left) open.left = x;
        open.bottom = y;
      }
      if (x > open.right) open.right = x;
      if (d > open.far) open.far = d;
      else if (d < open.near) open.near = d;
    }
  }
  const layers: Layer[] = [];
  for (const [, next] of [...steps].sort(([a], [b]) => b - a)) {
    const open = layers.at(-1);
    if (!open || !together(open, next)) layers.push(next);
    else
      layers[layers.length - 1] = {
        far: open.far,
        near: next.near,
        left: Math.min(open.left, next.left),
        right: Math.max(open.right, next.right),
        top: Math.min(open.top, next.top),
        bottom: Math.max(open.bottom, next.bottom),
      };
  }
  return layers;
}

function together(open: Layer, next: Layer): boolean {
  if (isSharp(open) || isSharp(next)) return isSharp(open) && isSharp(next);
  if (open.far > 0 !== next.near > 0) return false;
  if (isWide(open) !== isWide(next)) return false;
  return open.far - next.near <= LAYER_STEP_PX + LAYER_STEP_SHARE * Math.max(open.far, -next.near);
}

/** Box of a layer's samples, widened by the reach of its discs, samples. */
function boxAround({ far, near, left, right, top, bottom }: Layer, { width, height }: Planes): Box {
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
  /** True when there is nothing else in the box. */
  readonly alone: boolean;
}

/** How the samples of a box take part in a layer: with their light, by hiding what is farther, and over which discs. */
function partIn(
  { far, near }: Limits,
  farthest: boolean,
  disc: Float32Array,
  stride: number,
  box: Box,
): Part {
  const lends = fround(near - LAYER_STEP_PX - LAYER_STEP_SHARE * Math.abs(near));
  const limits = { far, near, lends, borrowed: BORROWED };
  const { weight, cover, numbers, others } =
    partByKernel(disc, stride, box, limits) ?? plainParts(disc, stride, box, limits);
  const [small, large] = [Math.min(Math.abs(far), Math.abs(near)), Math.max(Math.abs(far), Math.abs(near))];
  const sharp = isSharp({ far, near });
  const map = sharp ? null : discMap(numbers, box.width, box.height, small, large, weight);
  return { weight, cover: farthest ? null : cover, discs: map, alone: others === 0 };
}

/** Twin of the kernel. */
function plainParts(
  disc: Float32Array,
  stride: number,
  box: Box,
  { far, near, lends, borrowed }: { far: number; near: number; lends: number; borrowed: number },
): Parts {
  const size = box.width * box.height;
  const weight = new Float32Array(size);
  const cover = new Float32Array(size);
  const inside = new Uint16Array(size);
  let others = 0;
  for (let y = 0, j = 0; y < box.height; y++)
    for (let x = 0, at = (box.y + y) * stride + box.x; x < box.width; x++, j++, at++) {
      const d = disc[at]!;
      if (d <= far) cover[j] = 1;
      if (d <= far && d >= near) {
        weight[j] = 1;
        inside[j] = discNumber(Math.abs(d));
        continue;
      }
      others++;
      if (d < near && d >= lends) weight[j] = borrowed;
    }
  return { weight, cover, numbers: inside, others };
}
