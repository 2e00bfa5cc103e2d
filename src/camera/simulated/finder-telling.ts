// What the finder's report tells beside the frame itself: consequences, the fit, an exposure held up against the present one, the
// hand meter.
import { equivalentsOf } from '../../core/advice/equivalents';
import type { EffectsOf } from '../../core/advice/effects';
import { fitPlan } from '../../core/advice/fit';
import { fullPlan } from '../../core/exposure/automatic';
import { finderFor, type Finder, type FinderFrame } from '../../core/finder/finder';
import type { Moment } from '../../core/finder/source';
import { fieldWeights } from '../../core/meter/whole';
import { simulatedLux } from '../../core/meter/incident';
import { plateCropOf } from '../../core/scene/framing';
import type { Scene } from '../../core/scene/scene';
import { PRESS_HARDNESS } from '../../core/scene/shake';
import type { SceneView } from '../../core/scene/view';
import { viewSource } from '../../core/scene/view-source';
import { FAR_M } from '../../core/units/ladders';
import { compareExposures } from '../../core/scopes/compare';
import type { Order, OtherExposure } from '../order';
import type { HandReading, RawReport, Report } from '../report';
import { reflectanceAt } from './scene-shelf';

/** A view with what was made for it. */
export interface Shown {
  readonly key: string;
  /** What of it the lens' place depends on. */
  readonly lies: string;
  /** Of its finder's frames, samples. */
  readonly longSide: number;
  readonly scene: Scene;
  readonly view: SceneView;
  readonly finder: Finder;
  readonly effects: EffectsOf;
  /** Made when another exposure is first held up. */
  other?: Finder;
}

/** The same moment at another exposure, with the same draw of noise. */
export function heldUp(
  shown: Shown,
  order: Order,
  { shutterS, iso, apertureN }: OtherExposure,
  present: FinderFrame,
  frameNumber: number,
  moment: Moment,
) {
  const finder = (shown.other ??= finderFor(viewSource(shown.view, 1, shown.longSide)));
  const by = (exact: number) => ({ auto: false, exact });
  const { focusM } = present.focus;
  const settings = {
    ...order.settings,
    ...{ shutter: by(shutterS), iso: by(iso), aperture: by(apertureN) },
    // The lens stands where it stands.
    focus: { ...order.settings.focus, auto: false, exact: Math.min(FAR_M, focusM) },
  };
  const measured = finder.measure({ ...order, settings, pins: [] }, frameNumber, moment);
  finder.develop(measured);
  const comparison = compareExposures(
    { frame: present.frame, rgba: shown.finder.rgba },
    { frame: measured.frame, rgba: finder.rgba },
  );
  return { finder, measured, comparison };
}

export function fitOf(
  { camera: { sensor } }: SceneView,
  { outlook, resolved, plan, meteredEv100 }: FinderFrame,
  { settings: controls, fitBy, habitEv, outlook: { cleanDb } }: Order,
) {
  const { settings, deviationEv } = resolved;
  const { headroomEv } = outlook;
  return fitPlan(fitBy, {
    ...{
      controls,
      settings,
      plan,
      headroomEv,
      deviationEv,
      meteredEv100,
      habitEv,
      cleanDb,
      sensor,
    },
  });
}

/** What the exposure will do, and what its equivalents would when somebody wants to know. */
export function consequences(
  { effects, view }: Shown,
  { resolved, focus: { focusM } }: FinderFrame,
  { settings: { delayS }, equivalentsFor }: Order,
): Pick<RawReport, 'effects' | 'equivalents'> {
  const handling = { press: PRESS_HARDNESS, delayS };
  const { settings, deviationEv } = resolved;
  const all = fullPlan(view.camera.lens);
  return {
    effects: effects(settings, focusM, deviationEv, handling),
    equivalents:
      equivalentsFor &&
      equivalentsOf(settings, equivalentsFor, all, (other) => effects(other, focusM, deviationEv, handling)),
  };
}

export function weightsOf({ sight }: SceneView): Report['weights'] {
  const { across, weights } = fieldWeights(sight.luminance);
  return { across, values: Array.from(weights, (w) => Math.round(w * 50) / 100) };
}

/** The hand meter over a surface; the map of surfaces is fetched when it is first held up. */
export function handReading(
  { sight, camera, orientation }: SceneView,
  { hand }: Order,
  id: string,
  onMap: () => void,
): HandReading | null {
  if (!hand) return null;
  const map = reflectanceAt(id, camera.plates, onMap);
  if (map.kind !== 'ready') return map;
  const crop = plateCropOf(orientation, camera.crop);
  const lux = simulatedLux(sight.luminance, map.reflectance, crop, hand.at, hand.receptor);
  return lux === null ? { kind: 'no-surface' } : { kind: 'lux', lux };
}
