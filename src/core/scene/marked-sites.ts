// Marks of a turning part on the samples that show it, apart from the grain of surfaces: for a preview, and for what a meter sees.
import type { Orientation } from '../body/orientation';
import { cropOf } from './framing';
import type { SceneDescription, SceneSpace } from './scene';
import { poseOf } from './space';
import { meanOverDisc, spinMarks, spinRow } from './spin';

/** Surfaces and turning things of a scene, or of a view of it. */
interface Turning {
  readonly description: SceneDescription;
  readonly size: number;
  readonly space?: SceneSpace | undefined;
}

/** Samples of a preview that show a turning part. */
export interface MarkedSites {
  /** Calls back with the number of each sample and its factor now. */
  /** @param discOn blur disc on a surface at a distance, m; sharp where it is not given */
  apply(
    each: (site: number, factor: number) => void,
    turnOf: (y: number) => number,
    arc: number,
    discOn?: (distanceM: number) => number,
  ): void;
}

/** Marks alone, worked out once for every sample of a preview: grain is finer than a preview shows. */
export function markedSites(
  view: Turning & { readonly orientation: Orientation },
  width: number,
  height: number,
): MarkedSites | undefined {
  return markedIn(view, cropOf(view.size, view.orientation), width, height);
}

/** Marks of the square plate when nothing turns: what is there for whoever looks. */
export function markedPlate(view: Turning): MarkedSites | undefined {
  const { size } = view;
  return markedIn(view, { x: 0, y: 0, width: size, height: size }, size, size);
}

function markedIn(
  { space, size, description }: Turning,
  crop: { x: number; y: number; width: number; height: number },
  width: number,
  height: number,
): MarkedSites | undefined {
  const { spin } = description;
  if (!space || !spin) return undefined;
  const { eye, right, up, ahead, tanHalf } = poseOf(description);
  const marks = spinMarks();
  const [sites, tableRow, angles]: [number[], number[], number[]] = [[], [], []];
  const [radii, distances]: [number[], number[]] = [[], []];
  for (let y = 0; y < height; y++) {
    const py = crop.y + ((y + 0.5) * crop.height) / height;
    const v = (1 - (2 * py) / size) * tanHalf;
    for (let x = 0; x < width; x++) {
      const px = crop.x + ((x + 0.5) * crop.width) / width;
      const i = Math.floor(py) * size + Math.floor(px);
      if (space.surface[i]! >> 5 !== spin.part) continue;
      const u = ((2 * px) / size - 1) * tanHalf;
      const dx = ahead[0] + up[0] * v + right[0] * u;
      const dy = ahead[1] + up[1] * v + right[1] * u;
      const dz = ahead[2] + up[2] * v + right[2] * u;
      const scale = space.distance[i]! / Math.sqrt(dx * dx + dy * dy + dz * dz);
      const [wx, wz] = [eye[0] + dx * scale - spin.x, eye[2] + dz * scale - spin.z];
      sites.push(y * width + x);
      // Whole rows: between them a preview cannot tell.
      const radius = Math.sqrt(wx * wx + wz * wz);
      tableRow.push(Math.floor(spinRow(eye[1] + dy * scale, radius)));
      radii.push(radius);
      distances.push(space.distance[i]!);
      angles.push(Math.atan2(wz, wx) / (2 * Math.PI));
    }
  }
  return {
    apply: (each, turnOf, arc, discOn = () => 0) => {
      for (let i = 0; i < sites.length; i++) {
        const site = sites[i]!;
        const turn = turnOf(Math.floor(site / width));
        const disc = discOn(distances[i]!);
        each(site, meanOverDisc(marks, tableRow[i]!, angles[i]! - turn - arc / 2, arc, disc, radii[i]!));
      }
    },
  };
}
