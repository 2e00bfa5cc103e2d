// The automatic focus tried at places of the demo's scenes, against the distances that only whoever rendered them knows.
import { settledFocus, type FocusInUse } from '../src/core/focus/follow';
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

export interface FocusTrial {
  readonly inUse: FocusInUse;
  /** Share of what was looked at that lies within the depth of field about what was found. */
  readonly sharp: number;
  /** True where that is more than a twentieth. */
  readonly right: boolean;
}

export function focusTrial(view: SceneView, at: FramePoint): FocusTrial {
  const { camera, space, size, orientation } = view;
  const inUse = settledFocus(focusSourceOf(view), initialValues().focus, at);
  const whole = frameSize(camera, orientation, camera.sensor.width);
  const side = inUse.wide ? WIDER * LOOK_SITES : LOOK_SITES;
  const window = windowAbout(at, side, side, whole);
  const crop = cropOf(size, orientation);
  const scale = crop.width / whole.width;
  const half = halfDepthDpt(camera.lens, camera.sensor);
  let [inside, all] = [0, 0];
  for (let y = Math.floor(crop.y + window.y * scale); y < crop.y + (window.y + side) * scale; y++)
    for (let x = Math.floor(crop.x + window.x * scale); x < crop.x + (window.x + side) * scale; x++) {
      all++;
      if (Math.abs(1 / space!.distance[y * size + x]! - 1 / inUse.focusM) <= half) inside++;
    }
  const sharp = inside / all;
  return { inUse, sharp, right: sharp > LEAST_SHARE };
}
