// The finder's frame from end to end: meter → automatic → light → expose → scopes → develop → marks. Buffers are made once;
// the worker only adds the canvas and the clock. What will be clipped or lost is told of the capture, from the light (outlook.ts);
// what is drawn and what white is set by is the finder's own frame.
import type { CameraColour } from '../colour/camera';
import {
  automaticPlan,
  fullPlan,
  resolveExposure,
  totalCompensation,
  type AutomaticPlan,
  type ExposureControls,
  type LensReach,
  type Resolved,
} from '../exposure/automatic';
import type { AutomaticRules } from '../exposure/control';
import { extendedStops, type ExposureSettings } from '../exposure/settings';
import type { FramePoint } from '../meter/luminance-map';
import type { MeterAim, PatternId } from '../meter/pattern';
import { readPin, type Pin, type PinReading } from '../meter/pins';
import { readMeter, type Reading } from '../meter/read';
import { developerFor, developRegion, type Developer } from '../raw/develop';
import { baselineExposureEv } from '../raw/tone';
import { printed } from '../raw/printed';
import { countSites, type SiteCounts } from '../raw/statistics';
import type { Disagreement } from '../scopes/marks';
import { floorSignal, type RawFrame } from '../sensor/raw-frame';
import { noiseModel } from '../sensor/sensor';
import type { Print } from '../setting/print';
import type { SettingValues } from '../setting/settings';
import { countings } from './counting';
import { dotted, lightUp, READ_FROM, type PeakingMark } from './drawing';
import { focusFollower, type FocusInUse, type FocusKept } from '../focus/follow';
import { distanceAt, drawDepth } from './depth';
import { marking, type MarksAsk } from './marking';
import { outlooks, type Outlook, type OutlookAsk } from './outlook';
import { whiteFollower, type WhiteInUse } from '../white/follow';
import { readRing, type Ring, type RingReading } from '../white/ring';
import { peaksShown } from './peaks-shown';
import type { Moment, Observed, Source } from './source';

/** A spot that is dragged about asks for a new reading each frame. */
const MOST_READINGS = 64;
/** While the automatic focus searches every third frame shows where the lens stands. */
const SEARCH_SHOWN = 3;

export interface FinderAsk {
  readonly settings: SettingValues;
  /** True lets the automatic do all that camera and lens can, whatever the person's rules: for trading one setting for another. */
  readonly freely: boolean;
  /** Where the spot lies. */
  readonly at: FramePoint;
  /** Where the automatic focus looks; null leaves the place to it. */
  readonly focusAt: FramePoint | null;
  /** Counts how often the person asked it to look again. */
  readonly focusAgain: number;
  readonly pins: readonly Pin[];
  readonly lockedEv100: number | null;
  /** Compensation that the person always wants beside that of the frame, EV. */
  readonly habitEv: number;
  readonly outlook: OutlookAsk;
  /** Where white is measured from a thing; null while it is not. */
  readonly ring: Ring | null;
}

export interface FinderFrame {
  readonly frame: RawFrame;
  readonly white: WhiteInUse;
  /** How it is developed; null for plainly. */
  readonly print: Print | null;
  readonly ring: RingReading | null;
  readonly counted: SiteCounts;
  readonly reading: Reading;
  /** EV100 that the settings were made for: the reading, or what is held. */
  readonly meteredEv100: number;
  /** What the whole frame reads in the whole pattern: to tell a spot that lies far off it. */
  readonly wholeEv100: number;
  readonly pins: readonly PinReading[];
  readonly plan: AutomaticPlan;
  readonly resolved: Resolved;
  readonly focus: FocusInUse;
  readonly outlook: Outlook;
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
  /** Where the lens stands, to be handed on to another finder of the same lens; null while it is not known. */
  focusKept(): FocusKept | null;
  /** Develops the measured frame into `rgba`. */
  develop(frame: FinderFrame): void;
  /** Draws the marks that are asked for over `rgba`; says how raw and picture disagree when that is `told`. */
  mark(frame: FinderFrame, which: MarksAsk, told: boolean): Disagreement | null;
  /**
   * Lights up edges in focus on `rgba`. The share of samples that light up; null where nothing can be told: the lens searches, or the scene is not
   * all there yet. While the lens moves it follows every third frame.
   */
  markPeaks(frame: FinderFrame, number: number, mark: PeakingMark): number | null;
  /** What the depth sensor tells of a place, m; null where it tells nothing. */
  distanceAt(at: FramePoint): number | null;
  /** Draws distances in place of the picture. False where nothing tells them. */
  drawDepth(): boolean;
  /** Dots `rgba` where the brightest part is that the highlight pattern reads. */
  markBrightest(burnShare: number): void;
}

/** The plan of the automatic for one lens in one hand. @param steadyS longest time that is held by hand, s; null on a tripod */
export function planFor(
  { lens, steadyS }: { lens: LensReach; steadyS: number | null },
  rules: AutomaticRules | 'full',
): AutomaticPlan {
  return rules === 'full' ? fullPlan(lens) : automaticPlan(rules, lens, steadyS);
}

/** What the meter is aimed at. */
export function aimOf({ settings: { meter }, at }: Pick<FinderAsk, 'settings' | 'at'>): MeterAim {
  return { at, spotShare: meter.spotShare, burnShare: meter.burnShare };
}

/**
 * EV100 that settings are made for. Extended low ISO takes raw nearer to clip than its number says: what protects the highlights
 * must know it.
 */
export function meteredFor(pattern: PatternId, ev100: number, { iso }: ExposureControls): number {
  return pattern === 'highlight' && !iso.auto ? ev100 + extendedStops(iso.exact) : ev100;
}

/** Readings of a view's meter: its light stands still, and what was read of it stays true. */
function readingsOf({ sight }: Source): (pattern: PatternId, aim: MeterAim) => Reading {
  const readings = new Map<string, Reading>();
  return (pattern, aim) => {
    const key = JSON.stringify([pattern, aim]);
    const known = readings.get(key);
    if (known) return known;
    if (readings.size > MOST_READINGS) readings.clear();
    const reading = readMeter(sight, pattern, aim);
    readings.set(key, reading);
    return reading;
  };
}

/** The settings that the automatic comes to, frame after frame. */
function resolving(source: Source) {
  let plan: { rules: AutomaticRules | 'full'; plan: AutomaticPlan } | undefined;
  let previous: ExposureSettings | undefined;
  return ({ settings, freely, habitEv }: FinderAsk, meteredEv100: number) => {
    const rules = freely ? 'full' : settings.rules;
    if (plan?.rules !== rules) plan = { rules, plan: planFor(source, rules) };
    const compensationEv = totalCompensation(settings.compensationEv, habitEv);
    const resolved = resolveExposure({ ...settings, compensationEv }, meteredEv100, plan.plan, previous);
    previous = resolved.settings;
    return { plan: plan.plan, resolved };
  };
}

/**
 * The distance that the picture shows. While the lens searches it follows more slowly: all of it is made anew for another focus. Before it has found
 * anything for the first time there is no picture in focus to be left, and what is in focus is wanted soonest.
 */
function followedFocus(): (focus: FocusInUse, number: number) => number {
  /** The lens came to rest since this finder began. */
  let rested = false;
  let shownM: number | undefined;
  return ({ state, focusM }, number) => {
    const searching = state === 'searching';
    if (!searching && state !== 'waiting') rested = true;
    const follows = !searching || (rested && number % SEARCH_SHOWN === 0);
    shownM = follows ? focusM : (shownM ?? focusM);
    return shownM;
  };
}

/** Develops frames into `rgba`; what development needs to know is made anew only for another white, print or low ISO. */
function developing(width: number, height: number, rgba: Uint8ClampedArray<ArrayBuffer>) {
  let made: { iso: number; colour: CameraColour; print: Print | null; developer: Developer } | undefined;
  return ({ frame, print }: Pick<FinderFrame, 'frame' | 'print'>) => {
    const iso = Math.min(100, frame.settings.iso);
    const { colour } = frame;
    if (made?.iso !== iso || made.colour !== colour || made.print !== print)
      made = { iso, colour, print, developer: developerFor(printed(frame, print)) };
    developRegion(frame, made.developer, { x: 0, y: 0, width, height }, rgba);
  };
}

/**
 * @param atOnce true where the first frame must come before its figures are exact
 * @param kept where the same lens stood on the same world, arranged a little differently
 */
export function finderFor(source: Source, atOnce = false, kept: FocusKept | null = null): Finder {
  const { width, height } = source;
  const rgba = new Uint8ClampedArray(width * height * 4);
  const outlookFor = outlooks(source.sensor);
  const read = readingsOf(source);
  const resolve = resolving(source);
  const focuser = focusFollower(source, kept);
  const followed = followedFocus();
  const count = countings(outlookFor, width, atOnce);
  const follower = whiteFollower(source.matrices, atOnce);
  const mark = marking(source, rgba);
  const peaks = peaksShown(source);
  let observed: Observed | undefined;
  let colour: CameraColour | undefined;
  let counts: SiteCounts | undefined;

  return {
    width,
    height,
    rgba,
    measure: (ask, number, moment = { timeS: 0, sinceTouchS: Infinity }, lap) => {
      const { settings } = ask;
      const { pattern } = settings.meter;
      const aim = aimOf(ask);
      const reading = read(pattern, aim);
      const whole = read('whole', aim);
      const metered = ask.lockedEv100 ?? meteredFor(pattern, reading.ev100, settings);
      const { plan, resolved } = resolve(ask, metered);
      const pins = ask.pins.map((pin) => readPin(source.sight, pin, resolved.settings));
      lap?.('meter');
      const { focusAt: at, focusAgain: again } = ask;
      const focus = focuser.next({ set: settings.focus, at, again, timeS: moment.timeS });
      const focusM = followed(focus, number);
      observed = source.observe({ settings: resolved.settings, focusM, number, moment, colour });
      count(observed, resolved.settings, focus.state === 'searching');
      lap?.('light');
      const exposed = observed.expose();
      lap?.('expose');
      counts = countSites(exposed, counts);
      const white = follower.next(exposed, settings.white, ask.lockedEv100 !== null);
      ({ colour } = white);
      const frame = { ...exposed, colour };
      const measured: FinderFrame = {
        ...{ frame, white, reading, pins, plan, resolved, focus },
        print: settings.print,
        ring:
          ask.ring &&
          readRing(exposed, source.matrices, ask.ring, noiseModel(source.sensor, exposed.settings.iso)),
        counted: counts,
        wholeEv100: whole.ev100,
        meteredEv100: metered,
        outlook: outlookFor.at(resolved.settings, ask.outlook),
        floorEv: Math.log2(floorSignal(frame.noise) / (frame.white - frame.black)),
        midGreyEv: Math.log2(0.18) - baselineExposureEv(resolved.settings),
      };
      lap?.('scopes');
      return measured;
    },
    focusKept: () => focuser.kept(),
    develop: developing(width, height, rgba),
    mark: ({ frame, outlook }, which, told) => mark({ frame, outlook, light: observed!.light }, which, told),
    markPeaks: ({ frame: { settings }, focus, wholeEv100: ev100 }, number, { strength, colour: lit }) => {
      if (focus.state === 'searching') return null;
      const samples = peaks({ settings, focusM: focus.focusM, ev100, strength, number });
      if (!samples) return null;
      lightUp(rgba, width, samples, lit);
      return samples.length / (width * height);
    },
    distanceAt: (at) => source.depth && distanceAt(source.depth, at),
    drawDepth: () => {
      if (source.depth) drawDepth(source.depth, rgba, width, height);
      return source.depth !== null;
    },
    markBrightest: (burnShare) => {
      if (!observed) return;
      const { light } = observed;
      const lux = observed.luxOf(source.sight.brightest(burnShare) * READ_FROM);
      dotted(rgba, width, height, (i) => light[i]! >= lux);
    },
  };
}
