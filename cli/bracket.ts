// The set of `shoot --bracket planned`: the smallest that holds the scene.
import { outlooks } from '../src/core/finder/outlook';
import { BASE_ISO, type ExposureSettings } from '../src/core/exposure/settings';
import { BURN_SHARE } from '../src/core/meter/highlight';
import { PREVIEW_LONG_SIDE } from '../src/core/scene/capture';
import { previewExposer } from '../src/core/scene/preview-light';
import { previewStage } from '../src/core/scene/light-rows';
import { markedSites } from '../src/core/scene/marked-sites';
import type { SceneView } from '../src/core/scene/view';
import { CLEAN_DB } from '../src/core/scopes/limits';
import { roomOf, type Bracket } from '../src/core/sequence/bracket';
import { ONE_FRAME } from '../src/core/sequence/drives/bracket';
import { planBracket, type BracketPlan } from '../src/core/sequence/plan-bracket';
import { UsageError } from './arguments';

export interface PlannedBracket {
  readonly bracket: Bracket;
  /** The exposure that it lies about. */
  readonly middle: ExposureSettings;
  /** What the scene asks for: a set, or one frame. */
  readonly plan: Exclude<BracketPlan, { kind: 'none' }>;
}

/**
 * The smallest set at base ISO that holds the scene but for the share that the highlight pattern lets burn, about the exposure that was metered.
 * @throws UsageError when there is none
 */
export function plannedBracket(
  view: SceneView,
  metered: ExposureSettings,
  focusM: number,
  clockS: number,
): PlannedBracket {
  const settings = { ...metered, iso: BASE_ISO };
  const { width, height, ...stage } = previewStage(view, PREVIEW_LONG_SIDE);
  const light = new Float32Array(width * height);
  const opening = {
    ...{ startS: clockS, durationS: settings.shutterS, seed: 1 },
    steadiness: { support: 'tripod' as const, press: 0, sinceTouchS: Infinity },
  };
  previewExposer(markedSites(view, width, height), 1).expose(
    stage.focused(focusM, settings).points(),
    opening,
    light,
  );
  const counted = outlooks(view.camera.sensor);
  counted.count({ light: light, width: width });
  const { range, headroomEv } = counted.at(settings, {
    tolerance: { share: BURN_SHARE, area: 0 },
    cleanDb: CLEAN_DB,
  });
  const plan = planBracket(range, headroomEv, roomOf('shutter', settings));
  if (plan.kind === 'none') throw new UsageError(`--bracket planned: ${plan.why}`);
  const { frames, stepThirds } = plan.kind === 'set' ? plan : ONE_FRAME;
  const middle = {
    ...settings,
    shutterS: settings.shutterS * 2 ** (plan.middleThirds / 3),
    compensationEv: settings.compensationEv + plan.middleThirds / 3,
  };
  return { bracket: { frames, stepThirds, order: 'rising', by: 'shutter' }, middle, plan };
}
