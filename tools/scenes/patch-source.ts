// A scene's description as it is written by hand, and its named patches as they stand on the plates of a lens.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { LUMA_709 } from '../../src/core/colour/srgb';
import { dot, plateShareOf, poseOf, type Pose } from '../../src/core/scene/space';
import type { Plate } from '../../src/core/scene/plate';
import type {
  Point3,
  SceneDescription,
  ScenePlace,
  SceneLamp,
  ScenePatch,
  SceneSpace,
  StatedSurface,
} from '../../src/core/scene/scene';
import type { PlateId } from '../../src/core/sensor/simulated-optic';
import { LENS_PLATES, sourceDir } from './files';

export interface SceneSource extends Omit<
  SceneDescription,
  'lamps' | 'patches' | 'surfaces' | 'lens' | 'fieldDeg'
> {
  readonly place: ScenePlace;
  unitCdM2: number;
  /** Stops under the brightest value at which a lamp's plate ends. */
  floorStops: number;
  /** Times the usual side of a lens's plates, where they carry more detail than is usual. */
  detail?: Partial<Record<PlateId, number>>;
  /** How coarsely such plates are quantised, stops, where it is not as usual. */
  fineStep?: number;
  lamps: (SceneLamp & { plate: string; gain: number })[];
  patches: PatchSource[];
}

/** A patch by its place in the world, or on the wide plate in shares. */
type PatchSource = {
  name: string;
  reflectance?: [number, number, number];
  /** Of the whole square that the patch is the middle of, where its reflectance is not the smooth one of its colour. */
  own?: { halfM: number; spectrum: number[] };
} & (
  | {
      at: Point3;
      radiusM: number;
      /** Seen through an opening: what is there lies farther. */ through?: boolean;
    }
  | { x: number; y: number; radius: number }
);

export function readSource(id: string): SceneSource {
  return JSON.parse(readFileSync(join(sourceDir(id), 'scene.json'), 'utf8')) as SceneSource;
}

/** What a lens sees of a scene. */
export interface SeenThrough extends SceneSource {
  readonly lens: PlateId;
  readonly fieldDeg: number;
  readonly size: number;
  readonly space: SceneSpace;
  /** One a lamp, at its full level. */
  readonly plates: readonly Plate[];
}

/** A patch with its place and figures; null when it does not lie wholly on the plates. */
export function statedPatch(patch: PatchSource, seen: SeenThrough): ScenePatch | null {
  const { id, eye, aim, lens, fieldDeg, size, space, plates, lamps } = seen;
  const { name, reflectance } = patch;
  const zoom = Math.tan((LENS_PLATES.wide!.fieldDeg * Math.PI) / 360) / Math.tan((fieldDeg * Math.PI) / 360);
  const place = placeOf(patch, poseOf({ eye, aim, fieldDeg }), zoom);
  if (![place.x, place.y].every((v) => v - place.radius > 0 && v + place.radius < 1)) return null;
  const distanceM = patchMean(place, size, (i) => space.distance[i]!);
  if ('at' in patch && !patch.through && lens === 'wide') {
    const away = Math.hypot(...patch.at.map((v, k) => v - eye[k]!));
    if (Math.abs(distanceM / away - 1) > 0.03)
      throw new Error(`${id}: ${name} is at ${away} m, seen at ${distanceM} m`);
  }
  const light = (i: number) =>
    plates.reduce((sum, plate, k) => sum + lamps[k]!.level * luminance(plate, i), 0);
  return {
    name,
    x: round(place.x),
    y: round(place.y),
    radius: round(place.radius),
    luminance: round(patchMean(place, size, light)),
    distanceM: round(distanceM),
    ...(reflectance ? { reflectance } : {}),
  };
}

/** The squares with a reflectance of their own, on the plate of a lens; those that lie beside it, too. */
export function statedSurfaces(
  { patches, eye, aim }: SceneSource,
  fieldDeg: number,
): readonly StatedSurface[] {
  const pose = poseOf({ eye, aim, fieldDeg });
  return patches.flatMap((patch) => {
    const { name, reflectance, own } = patch;
    if (!own || !reflectance || !('at' in patch)) return [];
    const { x, y, radius } = placeOf({ ...patch, radiusM: own.halfM }, pose, 1);
    return [{ name, x: round(x), y: round(y), half: round(radius), reflectance, spectrum: own.spectrum }];
  });
}

/** A patch on the plate of a lens, shares. */
function placeOf(patch: PatchSource, pose: Pose, zoom: number): { x: number; y: number; radius: number } {
  if ('x' in patch) {
    return { x: 0.5 + (patch.x - 0.5) * zoom, y: 0.5 + (patch.y - 0.5) * zoom, radius: patch.radius * zoom };
  }
  const [dx, dy, dz] = patch.at.map((v, k) => v - pose.eye[k]!) as [number, number, number];
  const share = plateShareOf(pose, [dx, dy, dz]);
  if (!share) throw new Error(`${patch.name} lies behind the camera`);
  return { ...share, radius: patch.radiusM / (2 * pose.tanHalf * dot([dx, dy, dz], pose.ahead)) };
}

function luminance({ data }: Plate, i: number): number {
  return LUMA_709[0] * data[3 * i]! + LUMA_709[1] * data[3 * i + 1]! + LUMA_709[2] * data[3 * i + 2]!;
}

function patchMean(
  { x, y, radius }: { x: number; y: number; radius: number },
  size: number,
  value: (i: number) => number,
): number {
  let [sum, n] = [0, 0];
  for (let py = Math.floor((y - radius) * size); py < (y + radius) * size; py++)
    for (let px = Math.floor((x - radius) * size); px < (x + radius) * size; px++) {
      sum += value(py * size + px);
      n++;
    }
  return sum / n;
}

function round(value: number): number {
  return Number(value.toPrecision(4));
}
