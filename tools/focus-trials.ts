// The automatic focus tried at places of the demo's scenes, against the distances that only whoever rendered them knows.
import { settledFocus, type FocusInUse } from '../src/core/focus/follow';
import { sharpnessOf } from '../src/core/focus/sharpness';
import type { FramePoint } from '../src/core/meter/luminance-map';
import { halfDepthDpt } from '../src/core/optics/lens';
import { LOOK_SITES } from '../src/core/scene/focus-look';
import { cropOf, frameSize, windowAbout } from '../src/core/scene/framing';
import type { SceneView } from '../src/core/scene/view';
import { focusSourceOf } from '../src/core/scene/view-source';
import { initialValues } from '../src/core/setting/values';

/** A thing that fills less of what is looked at is no thing to focus on. */
const LEAST_SHARE = 0.05;
/** Of the wider area. */
const WIDER = 3;
/** Distances of what lies in a window: these shares of it are farther. */
const SHARES = [0.1, 0.3, 0.5, 0.7, 0.9];
/** A place has contrast when what lies there is sharper in focus than three depths of field beside it: by this share, and so many deviations of its noise. */
const LEAST_RISE = 0.2;
const LEAST_CONTRAST = 5;
const BESIDE = 6;
/** Of the looks that tell contrast: others than those of a search. */
const SEED = 3;

export interface FocusTrial {
  readonly inUse: FocusInUse;
  /** Share of what was looked at that lies within the depth of field about what was found. */
  readonly sharp: number;
  /** True where that is more than a twentieth. */
  readonly right: boolean;
}

export function focusTrial(view: SceneView, at: FramePoint): FocusTrial {
  const { camera } = view;
  const inUse = settledFocus(focusSourceOf(view), initialValues().focus, at);
  const half = halfDepthDpt(camera.lens, camera.sensor);
  const all = distancesIn(view, at, inUse.wide);
  const sharp = all.filter((dpt) => Math.abs(dpt - 1 / inUse.focusM) <= half).length / all.length;
  return { inUse, sharp, right: sharp > LEAST_SHARE };
}

/** Whether there is anything to focus on: by looks with the lens at the distances of what lies there, and beside them. */
export function hasContrast(view: SceneView, at: FramePoint): boolean {
  const source = focusSourceOf(view, SEED);
  const { nearDpt, halfDepthDpt } = source.drive!;
  let number = 0;
  const fineAt = (dpt: number) => {
    const focusM = dpt > 0 ? 1 / dpt : Infinity;
    const frame = source.look({ at, wide: false, focusM, lessEv: 0, number: ++number, timeS: 0 })!;
    return sharpnessOf(frame, frame.noise).fine;
  };
  const inReach = (dpt: number) => dpt >= 0 && dpt <= nearDpt;
  const distances = distancesIn(view, at, false).sort((a, b) => a - b);
  const tried: number[] = [];
  for (const share of SHARES) {
    const dpt = distances[Math.floor(share * (distances.length - 1))]!;
    if (inReach(dpt) && tried.every((other) => Math.abs(other - dpt) > halfDepthDpt)) tried.push(dpt);
  }
  return tried.some((dpt) => {
    const own = fineAt(dpt);
    const beside = [dpt - BESIDE * halfDepthDpt, dpt + BESIDE * halfDepthDpt].filter(inReach).map(fineAt);
    return beside.every(({ value, error }) => {
      const rise = own.value - value;
      return rise > LEAST_CONTRAST * Math.max(own.error, error) && rise > LEAST_RISE * own.value;
    });
  });
}

/** Of what lies in the window about a place, dioptres, a number for each sample of the rendering. */
function distancesIn(
  { camera, space, size, orientation }: SceneView,
  at: FramePoint,
  wide: boolean,
): number[] {
  const whole = frameSize(camera, orientation, camera.sensor.width);
  const side = wide ? WIDER * LOOK_SITES : LOOK_SITES;
  const window = windowAbout(at, side, side, whole);
  const crop = cropOf(size, orientation);
  const scale = crop.width / whole.width;
  const out: number[] = [];
  for (let y = Math.floor(crop.y + window.y * scale); y < crop.y + (window.y + side) * scale; y++)
    for (let x = Math.floor(crop.x + window.x * scale); x < crop.x + (window.x + side) * scale; x++)
      out.push(1 / space!.distance[y * size + x]!);
  return out;
}
