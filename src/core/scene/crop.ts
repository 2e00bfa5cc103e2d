// The middle of a scene, as a longer lens at the same place sees it: what a zoom does to plates rendered for a wider one.
import type { Plate } from './plate';
import type { FinePlates, Scene, ScenePatch, SceneSpace, StatedSurface } from './scene';

/** The latest cuts of each scene: a zoom that is dragged passes many. */
const MOST_CUTS = 3;
const cropped = new WeakMap<Scene, Map<number, Scene>>();

/** @param factor times the focal length of the plates' own lens, ≥ 1; the factors that were asked for last are made once */
export function croppedScene(scene: Scene, factor: number): Scene {
  if (!(factor >= 1)) throw new RangeError(`A crop cannot widen: ${factor}`);
  if (factor === 1) return scene;
  const known = cropped.get(scene) ?? new Map<number, Scene>();
  cropped.set(scene, known);
  const made = known.get(factor) ?? crop(scene, factor);
  known.delete(factor);
  known.set(factor, made);
  for (const old of known.keys()) if (known.size > MOST_CUTS) known.delete(old);
  return made;
}

function crop({ description, size, lamps, space, fine }: Scene, factor: number): Scene {
  const side = Math.max(4, 2 * Math.round(size / factor / 2));
  const from = Math.floor((size - side) / 2);
  const exact = size / side;
  const tan = Math.tan((description.fieldDeg * Math.PI) / 360) / exact;
  const share = (v: number) => (v - from / size) * exact;
  const patch = (p: ScenePatch): ScenePatch => ({
    ...p,
    x: share(p.x),
    y: share(p.y),
    radius: p.radius * exact,
  });
  const surface = (s: StatedSurface): StatedSurface => ({
    ...s,
    x: share(s.x),
    y: share(s.y),
    half: s.half * exact,
  });
  return {
    description: {
      ...description,
      fieldDeg: (Math.atan(tan) * 360) / Math.PI,
      patches: description.patches.map(patch).filter((p) => p.x > 0 && p.x < 1 && p.y > 0 && p.y < 1),
      ...(description.surfaces && { surfaces: description.surfaces.map(surface) }),
    },
    size: side,
    lamps: lamps.map((plate): Plate => ({
      ...plate,
      width: side,
      height: side,
      data: window(plate.data, size, from, side, 3),
    })),
    ...(space && {
      space: {
        distance: window(space.distance, size, from, side, 1),
        surface: window(space.surface, size, from, side, 1),
      },
    }),
    ...(fine && { fine: cropFine(fine, 2 * from, 2 * side) }),
  };
}

/** The plates stay whole, they are read in part; where surfaces are is cut when it is asked for. */
function cropFine(fine: FinePlates, from: number, side: number): FinePlates {
  let cut: SceneSpace | undefined;
  return {
    ...fine,
    from: fine.from + from,
    size: side,
    space: () => {
      const { distance, surface } = fine.space();
      cut ??= {
        distance: window(distance, fine.size, from, side, 1),
        surface: window(surface, fine.size, from, side, 1),
      };
      return cut;
    },
  };
}

/** A square window of a square raster with `channels` values a pixel. */
function window<Data extends Float32Array | Uint8Array>(
  data: Data,
  size: number,
  from: number,
  side: number,
  channels: number,
): Data {
  const out = new (data.constructor as new (length: number) => Data)(side * side * channels);
  for (let y = 0; y < side; y++) {
    const start = ((from + y) * size + from) * channels;
    out.set(data.subarray(start, start + side * channels), y * side * channels);
  }
  return out;
}
