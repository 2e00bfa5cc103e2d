// From flags to settings: what is not given is automatic.
import { resolveExposure, type ExposureControls, type Resolved } from '../src/core/exposure/automatic';
import type { ExposureSettings } from '../src/core/exposure/settings';
import { readMeter, type Reading } from '../src/core/meter/read';
import type { PatternId } from '../src/core/meter/pattern';
import { automaticLimits, focusOf } from '../src/core/finder/finder';
import { OPENING, SUPPORTS, type Outside } from '../src/core/scene/outside';
import { WHEEL_SPEEDS, type SceneDescription } from '../src/core/scene/scene';
import { viewScene, type Orientation, type SceneView } from '../src/core/scene/view';
import { LENS_IDS, SIM_ONE } from '../src/core/sensor/sim-one';
import {
  formatThirds,
  ISO_LADDER,
  parseCompensation,
  parseIso,
  parseShutter,
  SHUTTER_LADDER,
  stepOf,
} from '../src/core/units/ladders';
import { choice, place, UsageError, type Arguments } from './arguments';
import { loadScene } from './scene-files';

export interface Asked {
  readonly view: SceneView;
  readonly focusM: number;
  readonly pattern: PatternId;
  readonly controls: ExposureControls;
  readonly reading: Reading;
  readonly resolved: Resolved;
}

export async function ask(args: Arguments): Promise<Asked> {
  const camera = SIM_ONE[choice(args, 'lens', LENS_IDS, 'wide')];
  const scene = await loadScene(args.flags.get('scene'), camera.lensId);
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
  const outside = outsideOf(args, scene.description);
  const view = viewScene(scene, camera, orientation, outside);
  const reading = readMeter(view.luminance, pattern, place(args));
  const resolved = resolveExposure(controls, reading.ev100, automaticLimits(camera, outside.support));
  const focusM = focusOf(view, { focusM: focusAsked(args), pattern, spot: place(args) });
  return { view, focusM, pattern, controls, reading, resolved };
}

/** `--lamp NAME=0..1` (as often as there are lamps), `--support`, `--wheel`. */
function outsideOf(args: Arguments, { lamps, oneOf = [] }: SceneDescription): Outside {
  const levels: Record<string, number> = {};
  for (const text of args.many.get('lamp') ?? []) {
    const [id = '', value = ''] = text.split('=');
    const level = Number(value);
    if (!lamps.some((lamp) => lamp.id === id)) {
      throw new UsageError(`No lamp ${id}. Lamps: ${lamps.map((lamp) => lamp.id).join(', ')}`);
    }
    if (value.trim() === '' || !(level >= 0 && level <= 1)) {
      throw new UsageError(`--lamp needs a level from 0 to 1 such as ${id}=0.5, not ${text}`);
    }
    // One lamp that is moved: lit at one place, it is out at the others.
    if (oneOf.includes(id) && level > 0) for (const other of oneOf) levels[other] ??= 0;
    levels[id] = level;
  }
  return {
    levels,
    support: choice(args, 'support', SUPPORTS, OPENING.support),
    wheel: choice(args, 'wheel', WHEEL_SPEEDS, OPENING.wheel),
  };
}

/** Metres, "inf", or null for automatic. */
function focusAsked(args: Arguments): number | null {
  const text = args.flags.get('focus');
  if (text === undefined || text === 'auto') return null;
  const metres = /^(inf|infinity|∞)$/i.test(text) ? Infinity : Number(text);
  if (!(metres > 0)) throw new UsageError(`--focus needs metres such as 0.5, or inf, not ${text}`);
  return metres;
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
