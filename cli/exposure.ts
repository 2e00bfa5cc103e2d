// From flags to settings: what is not given is automatic. Which flags set a setting is the list's to say (`core/setting`).
import { resolveExposure, type AutomaticPlan, type Resolved } from '../src/core/exposure/automatic';
import type { ExposureSettings } from '../src/core/exposure/settings';
import { readMeter, type Reading } from '../src/core/meter/read';
import type { MeterAim } from '../src/core/meter/pattern';
import { settledFocus, type FocusInUse } from '../src/core/focus/follow';
import { aimOf, meteredFor, planFor } from '../src/core/finder/finder';
import { OPENING, SUPPORTS, type Outside } from '../src/core/scene/outside';
import { digitallyZoomed } from '../src/core/scene/digital-zoom';
import { WHEEL_SPEEDS, type SceneDescription } from '../src/core/scene/scene';
import { viewScene, type SceneView } from '../src/core/scene/view';
import { focusSourceOf, steadyTimeS, viewSource } from '../src/core/scene/view-source';
import type { Orientation } from '../src/core/body/orientation';
import { OPTICS, opticOfCamera } from '../src/core/sensor/cameras';
import { LENS_IDS, type SimulatedOptic } from '../src/core/sensor/simulated-optic';
import { noiseModel } from '../src/core/sensor/sensor';
import type { SettingKey, SettingValues } from '../src/core/setting/settings';
import { initialValues, listed } from '../src/core/setting/values';
import { FOCUS_AT, HYPERFOCAL, type FocusSet } from '../src/core/setting/focus';
import { hyperfocalM } from '../src/core/optics/lens';
import type { FramePoint } from '../src/core/meter/luminance-map';
import { whiteByHand, type WhiteSet } from '../src/core/setting/white';
import { APERTURE_LADDER, formatThirds, ISO_LADDER, SHUTTER_LADDER, stepOf } from '../src/core/units/ladders';
import { readRing, RING_RADII } from '../src/core/white/ring';
import { choice, numberOf, place, pointOf, UsageError, type Arguments } from './arguments';
import { loadScene } from './scene-files';

export interface Asked {
  /** What the finder shows: with a digital zoom the middle of the frame. */
  readonly view: SceneView;
  /** The lens's whole frame, which a capture holds. */
  readonly whole: SceneView;
  /** Where the lens comes to stand; looked for when it is first asked. */
  readonly focus: () => FocusInUse;
  readonly aim: MeterAim;
  readonly plan: AutomaticPlan;
  readonly settings: SettingValues;
  readonly reading: Reading;
  readonly resolved: Resolved;
}

/** Flags that set a setting. */
export function settingFlags(): string[] {
  return listed().flatMap(({ options = [] }) => options.map(({ flag }) => flag));
}

/** The same as the help shows them: [--iso S]. */
export function settingUsage(): string[] {
  return listed().flatMap(({ options = [] }) =>
    options.map(({ flag, placeholder }) => `[--${flag} ${placeholder}]`),
  );
}

/** What has to be measured in front of the camera first. */
function isMeasured(flag: string, text: string): boolean {
  return (flag === 'white' && text.startsWith(AT)) || (flag === 'bracket' && text === PLANNED);
}

/** `--bracket planned`: from the range of the scene. */
export const PLANNED = 'planned';

/** Settings as the flags ask for them. @throws RangeError that says what is allowed */
export function settingsAsked(args: Arguments, camera: SimulatedOptic): SettingValues {
  const optic = opticOfCamera(camera);
  const values = { ...initialValues() } as Record<SettingKey, unknown>;
  for (const { key, options = [] } of listed())
    for (const { flag, parse } of options) {
      const text = args.flags.get(flag);
      if (text !== undefined && !isMeasured(flag, text)) values[key] = parse(text, values[key], optic);
    }
  return values as unknown as SettingValues;
}

export async function ask(args: Arguments): Promise<Asked> {
  const lens = OPTICS[choice(args, 'lens', LENS_IDS, 'wide')];
  const scene = await loadScene(args.flags.get('scene'), lens.plates);
  const orientation = choice<Orientation>(args, 'orientation', ['landscape', 'portrait'], 'landscape');
  let settings = settingsAsked(args, lens);
  const camera = digitallyZoomed(lens, settings.cut.times);
  const outside = outsideOf(args, scene.description);
  const view = viewScene(scene, camera, orientation, outside);
  const whole = camera === lens ? view : viewScene(scene, lens, orientation, outside);
  const asked = { settings, at: place(args) };
  const aim = aimOf(asked);
  const { pattern } = settings.meter;
  const reading = readMeter(view.sight, pattern, aim);
  const steadyS = steadyTimeS(camera.equivalentMm, outside.support);
  const plan = planFor({ lens: camera.lens, steadyS }, settings.rules);
  const resolved = resolveExposure(settings, meteredFor(pattern, reading.ev100, settings), plan);
  settings = { ...settings, focus: hyperfocalIfAsked(args, camera, settings, resolved.settings) };
  const focusAt = focusPlace(args) ?? (pattern === 'spot' ? asked.at : null);
  const { focus: set } = settings;
  let focused: FocusInUse | undefined;
  const focus = () => (focused ??= settledFocus(focusSourceOf(view), set, focusAt));
  const white = args.flags.get('white');
  if (white?.startsWith(AT))
    settings = { ...settings, white: whiteAt(white, view, resolved.settings, focus().focusM) };
  return { view, whole, focus, aim, plan, settings, reading, resolved };
}

/** `--focus auto@X,Y`: where the automatic looks, in shares of the frame. */
function focusPlace(args: Arguments): FramePoint | undefined {
  const text = args.flags.get('focus');
  return text?.startsWith(FOCUS_AT) ? pointOf(text.slice(FOCUS_AT.length), 'focus auto@') : undefined;
}

/** `--focus hyperfocal`: at the aperture that is set. */
function hyperfocalIfAsked(
  args: Arguments,
  { lens, sensor }: SimulatedOptic,
  { focus }: SettingValues,
  { apertureN }: ExposureSettings,
): FocusSet {
  if (args.flags.get('focus') !== HYPERFOCAL) return focus;
  return { ...focus, auto: false, exact: hyperfocalM({ ...lens, apertureN }, sensor) };
}

/** White measured from a thing: `--white at:X,Y,RADIUS`, in shares of the frame, the radius of its long side. */
const AT = 'at:';

function whiteAt(text: string, view: SceneView, settings: ExposureSettings, focusM: number): WhiteSet {
  const [x, y, radius, ...rest] = text.slice(AT.length).split(',').map(numberOf);
  const inside = (v: number | undefined) => v !== undefined && v >= 0 && v <= 1;
  if (
    rest.length > 0 ||
    !inside(x) ||
    !inside(y) ||
    !(radius! >= RING_RADII.least && radius! <= RING_RADII.most)
  )
    throw new UsageError(
      `--white ${AT} needs X,Y,RADIUS in shares of the frame, the radius ${RING_RADII.least} to ${RING_RADII.most}, such as at:0.4,0.6,0.02, not ${text}`,
    );
  const source = viewSource(view);
  const moment = { timeS: 0, sinceTouchS: Infinity };
  const frame = source.observe({ settings, focusM, number: 1, moment, colour: undefined }).expose();
  const noise = noiseModel(view.camera.sensor, settings.iso);
  const reading = readRing(frame, view.camera.matrices, { at: { x: x!, y: y! }, radius: radius! }, noise);
  if (reading.kind === 'refused') throw new UsageError(`--white ${text}: ${reading.why}`);
  return whiteByHand(reading.white);
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

/** Settings as they are shown and written: nominal beside exact. */
export function printable(made: ExposureSettings, set: SettingValues) {
  return {
    shutter: stepOf(SHUTTER_LADDER, made.shutterS).label,
    shutterS: made.shutterS,
    shutterAuto: set.shutter.auto,
    iso: stepOf(ISO_LADDER, made.iso).nominal,
    isoAuto: set.iso.auto,
    apertureN: made.apertureN,
    aperture: stepOf(APERTURE_LADDER, made.apertureN).label,
    apertureAuto: set.aperture.auto,
    ...plainNumbers(set),
    compensationEv: made.compensationEv,
    compensation: formatThirds(made.compensationEv),
  };
}

/** Settings that are plain numbers, under their own names. */
function plainNumbers(set: SettingValues): Readonly<Record<string, number>> {
  const entries: [string, unknown][] = Object.entries(set);
  return Object.fromEntries(entries.filter((e): e is [string, number] => typeof e[1] === 'number'));
}
