// The plates of a view at their finest, for what looks closely: a capture, a loupe, the automatic focus. Where a scene keeps more detail than
// the finder needs, its light is worked out for the part that is asked for.
import type { Mat3 } from '../numeric/matrix';
import { addGreen, addPart, addPoints } from './coded-plate';
import { addOwnAnswers, timesAt, type OwnAnswer } from './own-surfaces';
import type { PlatePart } from './plate';
import { horizontalPass, pointTaps, verticalPass } from './resample';
import type { FinePlates, SceneSpace } from './scene';

/** Light in camera channels R, G, B, cd/m². */
export type LightPlanes = readonly [Float32Array, Float32Array, Float32Array];

export interface Detail {
  /** Side of the square plate here. */
  readonly size: number;
  readonly space: SceneSpace | undefined;
  /** Light of a part of the plates, group by group; what is given back is not to be changed. @param part even corners */
  planes(part: PlatePart): readonly LightPlanes[];
  /** Light of green sites alone, all groups together as they are on average. */
  green(part: PlatePart): Float32Array;
  /** Light at the middles of `width` × `height` cells of a part, at single points however far apart they lie. */
  points(part: PlatePart, width: number, height: number): readonly LightPlanes[];
}

/** What a camera makes of a lamp's plate. */
export interface LampAnswer {
  readonly plate: number;
  readonly toCamera: Mat3;
  /** On surfaces with a reflectance of their own. */
  readonly own: readonly OwnAnswer[];
}

/** Lamps whose light varies together: which plates they are, and what takes each to camera channels at its level. */
export interface LampSet {
  readonly lamps: readonly LampAnswer[];
}

export function noLight(size: number): LightPlanes {
  return [new Float32Array(size), new Float32Array(size), new Float32Array(size)];
}

/** No site gives light back: what a lamp's colour takes below zero is nothing. */
export function heldAtZero(planes: LightPlanes): LightPlanes {
  for (const plane of planes) for (let i = 0; i < plane.length; i++) if (plane[i]! < 0) plane[i] = 0;
  return planes;
}

/** Detail that is the view's own. */
export function ownDetail(
  size: number,
  space: SceneSpace | undefined,
  groups: readonly LightPlanes[],
): Detail {
  return {
    size,
    space,
    planes: (part) => {
      if (part.width === size && part.height === size) return groups;
      return groups.map((planes) => mapped(planes, (plane) => cutOut(plane, size, part)));
    },
    green: (part) => {
      const out = new Float32Array(part.width * part.height);
      for (const [, plane] of groups) {
        const cut = cutOut(plane, size, part);
        for (let i = 0; i < out.length; i++) out[i] = out[i]! + cut[i]!;
      }
      return out;
    },
    points: ({ x, y, width: wide, height: high }, width, height) => {
      const down = pointTaps(height, y, y + high, size);
      const across = pointTaps(width, x, x + wide, size);
      const row = new Float32Array(size);
      const sampled = (plane: Float32Array) => {
        const out = new Float32Array(width * height);
        for (let line = 0; line < height; line++) {
          verticalPass(plane, size, down, line, row);
          horizontalPass(row, across, width, out, line * width);
        }
        return out;
      };
      return groups.map((planes) => mapped(planes, sampled));
    },
  };
}

/** Detail beyond what the view works with. */
export function fineDetail(fine: FinePlates, sets: readonly LampSet[]): Detail {
  const { from, size, lamps } = fine;
  /** The part that was asked for last, with its light: frames that follow one another look at the same. */
  let last: { part: PlatePart; groups: readonly LightPlanes[] } | undefined;
  return {
    size,
    get space() {
      return fine.space();
    },
    planes: (part) => {
      const { x, y, width, height } = part;
      if (last && sameParts(last.part, part)) return last.groups;
      const groups = sets.map((set) => {
        const planes = noLight(width * height);
        const stored = { x: from + x, y: from + y, width, height };
        for (const { plate, toCamera, own } of set.lamps) {
          addPart(planes, lamps[plate]!, stored, toCamera);
          addOwnAnswers(planes, part, size, own, (cut) => {
            const lit = noLight(cut.width * cut.height);
            addPart(lit, lamps[plate]!, { ...cut, x: from + cut.x, y: from + cut.y }, toCamera);
            return lit;
          });
        }
        return heldAtZero(planes);
      });
      last = { part, groups };
      return groups;
    },
    green: (wanted) => {
      const { x, y, width, height } = wanted;
      const plane = new Float32Array(width * height);
      const part = { x: from + x, y: from + y, width, height };
      for (const set of sets)
        for (const { plate, toCamera, own } of set.lamps) {
          addGreen(plane, lamps[plate]!, part, toCamera[1]);
          const green = own.map((answer) => ({ ...answer, times: [answer.times[1]!] }));
          addOwnAnswers([plane], wanted, size, green, (cut) => {
            const lit = new Float32Array(cut.width * cut.height);
            addGreen(lit, lamps[plate]!, { ...cut, x: from + cut.x, y: from + cut.y }, toCamera[1]);
            return [lit];
          });
        }
      return plane;
    },
    points: ({ x, y, width: wide, height: high }, width, height) => {
      const places = (count: number, start: number, length: number) =>
        Float64Array.from({ length: count }, (_, i) => from + start + ((i + 0.5) * length) / count);
      const [xs, ys] = [places(width, x, wide), places(height, y, high)];
      return sets.map((set) => {
        const planes = noLight(width * height);
        for (const { plate, toCamera, own } of set.lamps) {
          if (own.length === 0) addPoints(planes, lamps[plate]!, xs, ys, toCamera);
          else {
            const lit = noLight(width * height);
            addPoints(lit, lamps[plate]!, xs, ys, toCamera);
            for (let i = 0; i < width * height; i++) {
              const [px, py] = [xs[i % width]!, ys[Math.floor(i / width)]!];
              const times = timesAt(own, (px - from) / size, (py - from) / size);
              lit.forEach((plane, c) => (planes[c]![i] = planes[c]![i]! + plane[i]! * (times?.[c] ?? 1)));
            }
          }
        }
        return heldAtZero(planes);
      });
    },
  };
}

function sameParts(a: PlatePart, b: PlatePart): boolean {
  return a.x === b.x && a.y === b.y && a.width === b.width && a.height === b.height;
}

function mapped(planes: LightPlanes, f: (plane: Float32Array) => Float32Array): LightPlanes {
  return [f(planes[0]), f(planes[1]), f(planes[2])];
}

export function cutOut(plane: Float32Array, size: number, { x, y, width, height }: PlatePart): Float32Array {
  const out = new Float32Array(width * height);
  for (let row = 0; row < height; row++)
    out.set(plane.subarray((y + row) * size + x, (y + row) * size + x + width), row * width);
  return out;
}
