// What a small depth sensor beside the lens tells: distances on a coarse grid, a little noisy, out to where its own light still reaches. It is not
// asked by the automatic focus, which looks.
import { inverseNormal, nextUint32, randomFrom } from '../numeric/random';
import type { DepthPicture } from '../finder/depth';
import { cropOf } from './framing';
import type { SceneView } from './view';

/** Cells along the long side of the plates' whole field, the farthest that is told, m, and the error, of the distance (invented, of usual size). */
const CELLS = 192;
const REACH_M = 8;
const ERROR = 0.01;
const SEED = 4211;

/** null for a camera without one, and while the scene's first look is all there is. */
export function depthSensed(view: SceneView): DepthPicture | null {
  const { camera, space, size, orientation } = view;
  if (!camera.depthSensor || !space) return null;
  const crop = cropOf(size, orientation);
  const perCell = Math.max(1, (size * camera.crop) / CELLS);
  const width = Math.max(2, Math.round(crop.width / perCell));
  const height = Math.max(2, Math.round(crop.height / perCell));
  const random = randomFrom(SEED);
  const metres = Float32Array.from({ length: width * height }, (_, i) => {
    const x = Math.floor(crop.x + (((i % width) + 0.5) * crop.width) / width);
    const y = Math.floor(crop.y + ((Math.floor(i / width) + 0.5) * crop.height) / height);
    const noise = inverseNormal((nextUint32(random) + 0.5) / 2 ** 32);
    const told = space.distance[y * size + x]! * (1 + ERROR * noise);
    return told <= REACH_M ? told : NaN;
  });
  return { width, height, metres };
}
