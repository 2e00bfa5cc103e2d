// From flags to settings: what is not given is automatic.
import {
  resolveExposure,
  type AutomaticPlan,
  type ExposureControls,
  type Resolved,
} from '../src/core/exposure/automatic';
import type { ExposureSettings } from '../src/core/exposure/settings';
import { readMeter, type Reading } from '../src/core/meter/read';
import { filterStopsOf } from '../src/core/light/filter';
import { PATTERN_IDS, type MeterAim, type PatternId } from '../src/core/meter/pattern';
import { BURN_SHARE } from '../src/core/meter/highlight';
import { SPOT_NAMES, SPOT_SHARES } from '../src/core/meter/spot';
import { focusOf, meteredFor, planFor } from '../src/core/finder/finder';
import type { Lens } from '../src/core/optics/lens';
import { OPENING, SUPPORTS, type Outside } from '../src/core/scene/outside';
import { WHEEL_SPEEDS, type SceneDescription } from '../src/core/scene/scene';
import { viewScene, type SceneView } from '../src/core/scene/view';
import type { Orientation } from '../src/core/scene/framing';
import { OPTICS } from '../src/core/sensor/cameras';
import { LENS_IDS } from '../src/core/sensor/simulated-camera';
import {
  APERTURE_LADDER,
  formatThirds,
  ISO_LADDER,
  parseAperture,
  parseCompensation,
  parseIso,
  parseShutter,
  SHUTTER_LADDER,
  stepOf,
} from '../src/core/units/ladders';
import { choice, numberOf, place, UsageError, type Arguments } from './arguments';
import { loadScene } from './scene-files';

export interface Asked {
  readonly view: SceneView;
  readonly focusM: number;
  readonly pattern: PatternId;
  readonly aim: MeterAim;
  readonly plan: AutomaticPlan;
  readonly filterStops: number;
  readonly controls: ExposureControls;
  readonly reading: Reading;
  readonly resolved: Resolved;
}

export async function ask(args: Arguments): Promise<Asked> {
  const camera = OPTICS[choice(args, 'lens', LENS_IDS, 'wide')];
  const scene = await loadScene(args.flags.get('scene'), camera.plates);
  const orientation = choice<Orientation>(args, 'orientation', ['landscape', 'portrait'], 'landscape');
  const pattern = choice<PatternId>(args, 'pattern', PATTERN_IDS, 'evaluative');
  const [shutter, iso, ev, aperture] = ['shutter', 'iso', 'ev', 'aperture'].map((name) =>
    args.flags.get(name),
  );
  const controls: ExposureControls = {
    shutter: {
      auto: shutter === undefined,
      exact: shutter === undefined ? 1 / 128 : parseShutter(shutter).exact,
    },
    iso: { auto: iso === undefined, exact: iso === undefined ? 100 : parseIso(iso).exact },
    aperture: {
      auto: aperture === undefined,
      exact: aperture === undefined ? camera.lens.apertureN : apertureAsked(aperture, camera.lens),
    },
    compensationEv: ev === undefined ? 0 : parseCompensation(ev).exact,
  };
  const outside = outsideOf(args, scene.description);
  const view = viewScene(scene, camera, orientation, outside);
  const size = choice(args, 'spot', SPOT_SIZES, 'medium');
  const spotShare = SPOT_SHARES[SPOT_SIZES.indexOf(size)]!;
  const aim = { at: place(args), spotShare, burnShare: BURN_SHARE };
  const reading = readMeter(view.sight, pattern, aim);
  const plan = planFor(camera, outside.support);
  const filterStops = filterAsked(args);
  const metered = meteredFor(pattern, reading.ev100, controls);
  const resolved = resolveExposure(controls, metered, plan, undefined, filterStops);
  const focusM = focusOf(view, { focusM: focusAsked(args), pattern, aim });
  return { view, focusM, pattern, aim, plan, filterStops, controls, reading, resolved };
}

export const SPOT_SIZES: readonly string[] = SPOT_NAMES.map((name) => name.toLowerCase());

/** An f-number that this lens can be set to. */
function apertureAsked(text: string, { apertureN, narrowestN }: Lens): number {
  if (narrowestN === undefined) throw new UsageError(`This lens has no iris: its aperture is f/${apertureN}`);
  const { exact } = parseAperture(text);
  if (exact < apertureN - 1e-6 || exact > narrowestN + 1e-6) {
    throw new UsageError(`--aperture is f/2.8 … f/${narrowestN} on this lens, not ${text}`);
  }
  return exact;
}

/** `--filter STOPS`, or none. */
function filterAsked(args: Arguments): number {
  const text = args.flags.get('filter');
  if (text === undefined) return 0;
  return filterStopsOf(numberOf(text), 'stops');
}

/** `--lamp NAME=0..1` (as often as there are lamps), `--support`, `--wheel`. */
function outsideOf(args: Arguments, { lamps, oneOf = [] }: SceneDescription): Outside {
  const levels: Record<string, number> = {};
  for (const text of args.many.get('lamp') ?? []) {
    const [id = '', value = ''] = text.split('=');
    const level = numberOf(value);
    if (!lamps.some((lamp) => lamp.id === id)) {
      throw new UsageError(`No lamp ${id}. Lamps: ${lamps.map((lamp) => lamp.id).join(', ')}`);
    }
    if (!(level >= 0 && level <= 1)) {
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
  const metres = /^(inf|infinity|∞)$/i.test(text) ? Infinity : numberOf(text);
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
    aperture: stepOf(APERTURE_LADDER, settings.apertureN).label,
    apertureAuto: controls.aperture.auto,
    filterStops: settings.filterStops ?? 0,
    compensationEv: settings.compensationEv,
    compensation: formatThirds(settings.compensationEv),
  };
}
