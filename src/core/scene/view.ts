// A scene through a lens, before any exposure: light in the camera's channels, where it comes from, and what the meter sees.
import type { Orientation } from '../body/orientation';
import { LUMA_709 } from '../colour/srgb';
import { lightPassing, type ExposureSettings } from '../exposure/settings';
import type { MeterSight } from '../meter/luminance-map';
import { blurDiscMm } from '../optics/lens';
import { scaleRows } from '../numeric/matrix';
import { cameraFromLamp } from '../sensor/sensitivities';
import type { SimulatedOptic } from '../sensor/simulated-optic';
import {
  fineDetail,
  heldAtZero,
  noLight,
  ownDetail,
  type Detail,
  type LampAnswer,
  type LampSet,
  type LightPlanes,
} from './detail';
import { addOwnAnswers, ownAnswers } from './own-surfaces';
import { levelsOf, OPENING, type Outside } from './outside';
import { croppedScene } from './crop';
import { meterSight } from './sight';
import { markedPlate } from './marked-sites';
import { FAR_M } from '../units/ladders';
import type { Flicker, Scene, SceneDescription, SceneSpace } from './scene';

/** Light that varies together: all steady lamps in one, each flickering lamp by itself. */
export interface LightGroup {
  readonly flicker: Flicker | null;
  /** Camera channels R, G, B of the plate, as luminance-like cd/m²; square, `size` a side. */
  readonly planes: LightPlanes;
}

/** Who looks at what, and where it is on square plates of `size` a side; the light itself apart. */
export interface Ground {
  readonly description: SceneDescription;
  readonly camera: SimulatedOptic;
  readonly orientation: Orientation;
  readonly outside: Outside;
  readonly size: number;
  readonly groups: readonly Pick<LightGroup, 'flicker'>[];
  readonly space: SceneSpace | undefined;
}

export interface SceneView extends Ground {
  readonly groups: readonly LightGroup[];
  /** Through the lens as the camera has it, without a filter: what the meter sees. */
  readonly sight: MeterSight;
  readonly detail: Detail;
}

/** The same ground in all its detail, and nothing else of the view: plain data. */
export function finestGround({
  description,
  camera,
  orientation,
  outside,
  groups,
  detail: { size, space },
}: SceneView): Ground {
  const lamps = groups.map(({ flicker }) => ({ flicker }));
  return { description, camera, orientation, outside, groups: lamps, size, space };
}

/** The same view with no more detail than it works with itself. */
export function withoutDetail(view: SceneView): SceneView {
  return { ...view, detail: detailOf(view.size, view.space, view.groups) };
}

function detailOf(size: number, space: SceneSpace | undefined, groups: readonly LightGroup[]): Detail {
  return ownDetail(
    size,
    space,
    groups.map(({ planes }) => planes),
  );
}

export function viewScene(
  whole: Scene,
  camera: SimulatedOptic,
  orientation: Orientation,
  outside: Outside = OPENING,
): SceneView {
  const scene = croppedScene(whole, camera.crop);
  const { description, size, space } = scene;
  const levels = levelsOf(description, outside);
  const y709 = new Float32Array(size * size);
  const sets = lampSetsOf(description, levels, camera);
  const groups = sets.map(({ flicker, lamps }): LightGroup => {
    const planes = noLight(size * size);
    for (const lamp of lamps) {
      const { data } = scene.lamps[lamp.plate]!;
      addLight(planes, y709, data, size, levels[lamp.plate]!, lamp);
    }
    return { flicker, planes: heldAtZero(planes) };
  });
  return {
    description,
    camera,
    orientation,
    outside,
    size,
    groups,
    space,
    sight: meterSight({ camera, orientation, size, groups: asMetered(groups, y709, scene, outside) }, y709),
    detail: scene.fine ? fineDetail(scene.fine, sets) : detailOf(size, space, groups),
  };
}

/** The lamps that burn, as they vary together; one set at least. */
function lampSetsOf(
  { lamps, surfaces = [] }: SceneDescription,
  levels: readonly number[],
  camera: SimulatedOptic,
): (LampSet & { readonly flicker: Flicker | null })[] {
  const burning = lamps.flatMap((lamp, plate) => {
    const level = levels[plate]!;
    if (!(level > 0)) return [];
    const toCamera = scaleRows(cameraFromLamp(camera.sensitivities, lamp), [level, level, level]);
    const own = ownAnswers(surfaces, camera.sensitivities, lamp);
    return [{ plate, toCamera, own, flicker: lamp.flicker ?? null }];
  });
  const steady = { flicker: null, lamps: burning.filter(({ flicker }) => !flicker) };
  const flickering = burning
    .filter(({ flicker }) => flicker)
    .map((l) => ({ flicker: l.flicker, lamps: [l] }));
  return steady.lamps.length > 0 || flickering.length === 0 ? [steady, ...flickering] : flickering;
}

/**
 * The light as a meter sees it. Marks of what turns pass by and leave their mean, which is that of the plates; of what stands still
 * they are where they are. Changes `y709` as well.
 */
function asMetered(
  groups: readonly LightGroup[],
  y709: Float32Array,
  { description, space, size }: Scene,
  { wheel }: Outside,
): readonly LightGroup[] {
  if (!description.spin || description.spin.turnsPerS[wheel] !== 0) return groups;
  const marks = markedPlate({ description, space, size });
  if (!marks) return groups;
  const marked = groups.map(({ flicker, planes }): LightGroup => ({
    flicker,
    planes: [planes[0].slice(), planes[1].slice(), planes[2].slice()],
  }));
  marks.apply(
    (i, factor) => {
      y709[i] = y709[i]! * factor;
      for (const { planes } of marked) for (const plane of planes) plane[i] = plane[i]! * factor;
    },
    () => 0,
    0,
  );
  return marked;
}

/** How the lens is set beside its focus, and what is in front of it. */
export type LensSetting = Omit<ExposureSettings, 'shutterS' | 'iso' | 'compensationEv'>;

/** A view through the lens stopped down and behind its filter. */
export function asSet<View extends Ground>(view: View, setting: LensSetting): View {
  const { camera } = view;
  const { lens } = camera;
  const { apertureN } = setting;
  const passing = lightPassing(setting);
  if (apertureN === lens.apertureN && passing === 1) return view;
  const transmission = lens.transmission * passing;
  return { ...view, camera: { ...camera, lens: { ...lens, apertureN, transmission } } };
}

/** Adds a lamp's picture, linear Rec. 709, to the planes of a camera's channels and to one of luminance: all at once, since memory is what it waits for. */
function addLight(
  planes: LightPlanes,
  y709: Float32Array,
  data: Float32Array,
  size: number,
  level: number,
  { toCamera, own }: LampAnswer,
): void {
  const [red, green, blue] = planes;
  const [[rr, rg, rb], [gr, gg, gb], [br, bg, bb]] = toCamera;
  const [yr, yg, yb] = [level * LUMA_709[0], level * LUMA_709[1], level * LUMA_709[2]];
  for (let i = 0, j = 0; i < y709.length; i++, j += 3) {
    const r = data[j]!;
    const g = data[j + 1]!;
    const b = data[j + 2]!;
    red[i] = red[i]! + rr * r + rg * g + rb * b;
    green[i] = green[i]! + gr * r + gg * g + gb * b;
    blue[i] = blue[i]! + br * r + bg * g + bb * b;
    y709[i] = y709[i]! + yr * r + yg * g + yb * b;
  }
  addOwnAnswers(planes, { x: 0, y: 0, width: size, height: size }, size, own, ({ x, y, width, height }) =>
    toCamera.map(([r, g, b]) =>
      Float32Array.from({ length: width * height }, (_, i) => {
        const j = 3 * ((y + Math.floor(i / width)) * size + x + (i % width));
        return r * data[j]! + g * data[j + 1]! + b * data[j + 2]!;
      }),
    ),
  );
}

/** Blur disc of each of the given distances, in samples of a grid with `longSide` along the frame; signed. */
export function discsOf(
  { camera }: Pick<SceneView, 'camera'>,
  focusM: number,
  distance: Float32Array,
  longSide: number,
): Float32Array {
  const { sensor, lens } = camera;
  const perMm = longSide / (sensor.width * sensor.pitchMm);
  // The disc is a + b / distance.
  const far = blurDiscMm(lens, focusM, Infinity) * perMm;
  const slope = blurDiscMm(lens, focusM, 1) * perMm - far;
  const discs = new Float32Array(distance.length);
  for (let i = 0; i < discs.length; i++) discs[i] = far + slope / distance[i]!;
  return discs;
}

/** Distances that a lens can be focused at, held; Infinity is allowed. */
export function heldFocusM({ lens }: SimulatedOptic, wantedM: number): number {
  if (lens.fixedFocusM !== undefined) return lens.fixedFocusM;
  return wantedM >= FAR_M / 4 ? Infinity : Math.max(lens.closestM, wantedM);
}
