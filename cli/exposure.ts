// From flags to settings: what is not given is automatic.
import { resolveExposure, type ExposureControls, type Resolved } from '../src/core/exposure/automatic';
import type { ExposureSettings } from '../src/core/exposure/settings';
import { readMeter, type Reading } from '../src/core/meter/read';
import type { PatternId } from '../src/core/meter/pattern';
import { handHeldLimitS } from '../src/core/optics/lens';
import { viewScene, type Orientation, type SceneView } from '../src/core/scene/view';
import { SIM_ONE } from '../src/core/sensor/sim-one';
import {
  formatThirds,
  ISO_LADDER,
  parseCompensation,
  parseIso,
  parseShutter,
  SHUTTER_LADDER,
  stepOf,
} from '../src/core/units/ladders';
import { choice, place, type Arguments } from './arguments';
import { loadScene } from './scene-files';

export interface Asked {
  readonly view: SceneView;
  readonly scene: string;
  readonly pattern: PatternId;
  readonly controls: ExposureControls;
  readonly reading: Reading;
  readonly resolved: Resolved;
}

export async function ask(args: Arguments): Promise<Asked> {
  const scene = await loadScene(args.flags.get('scene'));
  const orientation = choice<Orientation>(args, 'orientation', ['landscape', 'portrait'], 'landscape');
  const pattern = choice<PatternId>(args, 'pattern', ['evaluative', 'centre', 'spot'], 'evaluative');
  const [shutter, iso, ev] = ['shutter', 'iso', 'ev'].map((name) => args.flags.get(name));
  const controls: ExposureControls = {
    shutter: {
      auto: shutter === undefined,
      exact: shutter === undefined ? 1 / 128 : parseShutter(shutter).exact,
    },
    iso: { auto: iso === undefined, exact: iso === undefined ? 100 : parseIso(iso).exact },
    compensationEv: ev === undefined ? 0 : parseCompensation(ev).exact,
  };
  const view = viewScene(scene, SIM_ONE, orientation);
  const reading = readMeter(view.luminance, pattern, place(args));
  const resolved = resolveExposure(controls, reading.ev100, {
    apertureN: SIM_ONE.lens.apertureN,
    handHeldS: handHeldLimitS(SIM_ONE.equivalentMm),
  });
  return { view, scene: scene.description.id, pattern, controls, reading, resolved };
}

/** Settings as they are shown and written: nominal beside exact. */
export function printable(settings: ExposureSettings, controls: ExposureControls) {
  return {
    shutter: stepOf(SHUTTER_LADDER, settings.shutterS).label,
    shutterS: settings.shutterS,
    shutterAuto: controls.shutter.auto,
    iso: stepOf(ISO_LADDER, settings.iso).nominal,
    isoAuto: controls.iso.auto,
    apertureN: settings.apertureN,
    compensationEv: settings.compensationEv,
    compensation: formatThirds(settings.compensationEv),
  };
}
