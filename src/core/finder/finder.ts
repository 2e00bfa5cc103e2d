// The finder's frame from end to end: meter → automatic → light → expose → scopes → develop → marks. Buffers are made once;
// the worker only adds the canvas and the clock.
import type { CameraColour } from '../colour/camera';
import {
  automaticPlan,
  DEFAULT_RULES,
  fullPlan,
  resolveExposure,
  type AutomaticPlan,
  type AutomaticRules,
  type ExposureControls,
  type Resolved,
} from '../exposure/automatic';
import type { ExposureSettings } from '../exposure/settings';
import type { MeterAim, PatternId } from '../meter/pattern';
import { readPin, type Pin, type PinReading } from '../meter/pins';
import { readMeter, type Reading } from '../meter/read';
import { handHeldLimitS, lensQ } from '../optics/lens';
import { baselineExposureEv, developerFor, developRegion, type Developer } from '../raw/develop';
import {
  channelFigures,
  countSites,
  headroomEv,
  MEANINGFUL_SHARE,
  type ChannelFigures,
  type SiteCounts,
} from '../raw/statistics';
import { exposePreview, PREVIEW_LONG_SIDE, whiteFromCounts } from '../scene/capture';
import { previewExposer } from '../scene/preview-light';
import { previewStage, type PreviewLight } from '../scene/light-rows';
import type { Support } from '../scene/outside';
import { markedSites } from '../scene/surface-rows';
import { automaticFocusM, heldFocusM, type SceneView } from '../scene/view';
import { clipMask, drawClipMarks } from '../scopes/clipping';
import { cfaIndex, clipLevel, floorSignal, type RawFrame } from '../sensor/raw-frame';
import { electronsPerLxS, gainDnPerE } from '../sensor/sensor';
import type { SimulatedCamera } from '../sensor/simulated-camera';

/** Clip magenta of the house. */
const CLIP_COLOUR = [255, 111, 174] as const;
/** The white follows only when it is off by more than this, so that noise does not make the picture shimmer. */
const WHITE_STEP_KELVIN = 80;
/** Entries of the blur kernel at most: what keeps a frame inside its time. */
const MOST_KERNEL = 8;
/** Share of the level that the highlight pattern reads from which on a sample is marked as read. */
const READ_FROM = 0.8;
const DOT_PERIOD = 4;
/** A spot that is dragged about asks for a new reading each frame. */
const MOST_READINGS = 64;
const WHITE = 0xffffffff;
const BLACK = 0xff000000;

export interface FinderAsk {
  readonly controls: ExposureControls;
  /** What the automatic may do; "full" is all that camera and lens can, for trading one setting for another. */
  readonly rules: AutomaticRules | 'full';
  readonly pattern: PatternId;
  readonly aim: MeterAim;
  readonly pins: readonly Pin[];
  readonly lockedEv100: number | null;
  /** Of the filter in front of the lens, stops. */
  readonly filterStops: number;
  /** Distance set by hand, m; null when the focus is automatic. */
  readonly focusM: number | null;
}

/** When a frame is taken, and how long ago the camera was touched. */
export interface Moment {
  readonly timeS: number;
  readonly sinceTouchS: number;
}

export interface FinderFrame {
  readonly frame: RawFrame;
  readonly counted: SiteCounts;
  readonly figures: readonly ChannelFigures[];
  readonly reading: Reading;
  /** What the whole frame reads in the evaluative pattern: to tell a spot that lies far off it. */
  readonly wholeEv100: number;
  readonly pins: readonly PinReading[];
  readonly plan: AutomaticPlan;
  readonly resolved: Resolved;
  readonly focusM: number;
  readonly headroomEv: number;
  readonly floorEv: number;
  readonly midGreyEv: number;
}

export interface Finder {
  readonly width: number;
  readonly height: number;
  /** Developed picture, RGBA, of the last frame. */
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
  /** Exposes, counts and meters a frame. `lap` is called with the name of each stage as it ends. */
  measure(
    ask: FinderAsk,
    number: number,
    moment?: Moment,
    lap?: (stage: 'meter' | 'light' | 'expose' | 'scopes') => void,
  ): FinderFrame;
  /** Develops the measured frame into `rgba`. */
  develop(frame: FinderFrame): void;
  /** Hatches `rgba` where raw is clipped. */
  markClipping(frame: FinderFrame): void;
  /** Dots `rgba` where the brightest part is that the highlight pattern reads. */
  markBrightest(burnShare: number): void;
}

/** The plan of the automatic for one lens: by hand with the hand-held limit, on a tripod at base ISO. */
export function planFor(
  { lens, equivalentMm }: SimulatedCamera,
  support: Support,
  rules: AutomaticRules | 'full' = DEFAULT_RULES,
): AutomaticPlan {
  if (rules === 'full') return fullPlan(lens);
  return automaticPlan(rules, lens, support === 'tripod' ? null : handHeldLimitS(equivalentMm));
}

/** Where the lens is set: by hand, or on what lies under the spot (the middle for the other patterns). */
export function focusOf(
  view: SceneView,
  { focusM, pattern, aim }: Pick<FinderAsk, 'focusM' | 'pattern' | 'aim'>,
): number {
  if (focusM !== null) return heldFocusM(view.camera, focusM);
  return automaticFocusM(view, pattern === 'spot' ? aim.at : { x: 0.5, y: 0.5 });
}

/** What of a lens' setting the light on the sensor depends on. */
function lightKey(focusM: number, { apertureN, filterStops = 0 }: ExposureSettings): string {
  return `${focusM} ${apertureN} ${filterStops}`;
}

export function finderFor(view: SceneView, seed = 1, longSide = PREVIEW_LONG_SIDE): Finder {
  const { camera, outside } = view;
  const stage = previewStage(view, longSide);
  const { width, height } = stage;
  let focused: { key: string; light: PreviewLight } | undefined;
  const exposer = previewExposer(markedSites(view, width, height), MOST_KERNEL);
  const light = new Float32Array(width * height);
  const data = new Uint16Array(width * height);
  const rgba = new Uint8ClampedArray(width * height * 4);
  const mask = new Uint8Array(width * height);
  let plan: { rules: FinderAsk['rules']; plan: AutomaticPlan } | undefined;
  let brightestOf: PreviewLight | undefined;
  let brightest = 0;
  let previous: ExposureSettings | undefined;
  let colour: CameraColour | undefined;
  let counts: SiteCounts | undefined;
  let developer: { key: string; developer: Developer } | undefined;

  // A view's light stands still; what was read of it stays true.
  const readings = new Map<string, Reading>();
  const read = (pattern: PatternId, aim: MeterAim): Reading => {
    const key = JSON.stringify([pattern, aim]);
    const known = readings.get(key);
    if (known) return known;
    if (readings.size > MOST_READINGS) readings.clear();
    const reading = readMeter(view.sight, pattern, aim);
    readings.set(key, reading);
    return reading;
  };

  return {
    width,
    height,
    rgba,
    measure: (ask, number, moment = { timeS: 0, sinceTouchS: Infinity }, lap) => {
      const reading = read(ask.pattern, ask.aim);
      const whole = read('evaluative', ask.aim);
      if (plan?.rules !== ask.rules)
        plan = { rules: ask.rules, plan: planFor(camera, outside.support, ask.rules) };
      const metered = ask.lockedEv100 ?? reading.ev100;
      const resolved = resolveExposure(ask.controls, metered, plan.plan, previous, ask.filterStops);
      previous = resolved.settings;
      const pins = ask.pins.map((pin) => readPin(view.sight, pin, resolved.settings));
      lap?.('meter');
      const focusM = focusOf(view, ask);
      const key = lightKey(focusM, resolved.settings);
      if (focused?.key !== key) focused = { key, light: stage.focused(focusM, resolved.settings) };
      const lens = focused.light;
      const { shutterS, iso } = resolved.settings;
      const steadiness = { support: outside.support, press: 0, sinceTouchS: moment.sinceTouchS };
      const opening = { startS: moment.timeS, durationS: shutterS, seed: seed + number, steadiness };
      exposer.expose(lens, opening, light);
      if (brightestOf !== lens) brightest = brightestLux(light, width, height);
      brightestOf = lens;
      lap?.('light');
      const order = {
        settings: resolved.settings,
        colour: colour ?? { colorMatrix: camera.colorMatrix, asShotNeutral: [1, 1, 1] as const, kelvin: 0 },
        seed: seed + number,
        timeMs: 0,
        offsetMinutes: 0,
        clockS: moment.timeS,
      };
      const exposed = exposePreview(lens, order, light, data);
      lap?.('expose');
      const counted = countSites(exposed, counts);
      counts = counted;
      const white = whiteFromCounts(counted, exposed.noise, camera.colorMatrix);
      if (!colour || Math.abs(white.kelvin - colour.kelvin) > WHITE_STEP_KELVIN) colour = white;
      const frame = { ...exposed, colour };
      const figures = channelFigures(counted, frame.noise);
      const toDn = electronsPerLxS(camera.sensor) * shutterS * gainDnPerE(camera.sensor, iso);
      const room = headroomEv(counted);
      const clip = clipLevel(frame) - frame.black;
      const measured: FinderFrame = {
        frame,
        counted,
        figures,
        reading,
        wholeEv100: whole.ev100,
        pins,
        plan: plan.plan,
        resolved,
        focusM,
        // Past clip the numbers say nothing more: there the light itself does.
        headroomEv: room > 0 ? room : Math.min(0, Math.log2(clip / (brightest * toDn))),
        floorEv: Math.log2(floorSignal(frame.noise) / (frame.white - frame.black)),
        midGreyEv: Math.log2(0.18) - baselineExposureEv(resolved.settings),
      };
      lap?.('scopes');
      return measured;
    },
    develop: ({ frame }) => {
      const key = `${frame.settings.iso < 100 ? frame.settings.iso : 100} ${frame.colour.kelvin}`;
      if (developer?.key !== key) developer = { key, developer: developerFor(frame) };
      developRegion(frame, developer.developer, { x: 0, y: 0, width, height }, rgba);
    },
    markClipping: ({ frame }) => {
      clipMask(frame, mask);
      drawClipMarks(rgba, mask, width, CLIP_COLOUR);
    },
    markBrightest: (burnShare) => {
      if (!focused) return;
      const { lens } = focused.light.view.camera;
      const level = view.sight.brightest(burnShare) * READ_FROM;
      const lux = (level * lensQ(lens)) / (lens.apertureN * lens.apertureN);
      const pixels = new Uint32Array(rgba.buffer, rgba.byteOffset, rgba.length >> 2);
      for (let y = 0, i = 0; y < height; y++)
        for (let x = 0; x < width; x++, i++) {
          if (light[i]! < lux) continue;
          // White and black dots in turn are seen on anything.
          if ((x + y) % DOT_PERIOD === 0)
            pixels[i] = (x + 2 * y) % (2 * DOT_PERIOD) < DOT_PERIOD ? WHITE : BLACK;
        }
    },
  };
}

const LOG_FROM = -20;
const LOG_STEPS = 96;
const LOG_BINS = 44 * LOG_STEPS;

/** Light, lx, that the brightest 0.1 % of the sites of the most exposed channel reach, to 1/96 stop. */
function brightestLux(light: Float32Array, width: number, height: number): number {
  const counts = [0, 1, 2, 3].map(() => new Uint32Array(LOG_BINS));
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const bin = ((Math.log2(light[y * width + x]! + 1e-6) - LOG_FROM) * LOG_STEPS) | 0;
      counts[cfaIndex(x, y)]![Math.min(LOG_BINS - 1, Math.max(0, bin))]!++;
    }
  }
  const sites = (width * height) / 4;
  let top = 0;
  for (const channel of counts) {
    let above = 0;
    for (let bin = LOG_BINS - 1; bin > top; bin--) {
      above += channel[bin]!;
      if (above >= sites * MEANINGFUL_SHARE) top = bin;
    }
  }
  return 2 ** (LOG_FROM + (top + 0.5) / LOG_STEPS);
}
