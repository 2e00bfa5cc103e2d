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
import { extendedStops, lightPassing, type ExposureSettings } from '../exposure/settings';
import type { FramePoint } from '../meter/luminance-map';
import type { MeterAim, PatternId } from '../meter/pattern';
import { readPin, type Pin, type PinReading } from '../meter/pins';
import { readMeter, type Reading } from '../meter/read';
import { developerFor, developRegion, type Developer } from '../raw/develop';
import { baselineExposureEv } from '../raw/tone';
import { printed } from '../raw/printed';
import { countSites, type SiteCounts } from '../raw/statistics';
import {
  disagreement,
  drawMarks,
  markBright,
  markPicture,
  markRaw,
  type Disagreement,
} from '../scopes/marks';
import { BLACK, CLIP_ALL, FLOOR_ALL, WHITE, ZEBRA } from '../scopes/mark-bits';
import { zebraOnPicture, zebraOnRaw, type ZebraOn } from '../scopes/zebra';
import { floorSignal, type RawFrame } from '../sensor/raw-frame';
import { noiseModel } from '../sensor/sensor';
import type { Print } from '../setting/print';
import type { SettingValues } from '../setting/settings';
import { dotted, lightUp, MARK_COLOURS, READ_FROM, type PeakingMark } from './drawing';
import { focusFollower, type FocusInUse, type FocusKept } from '../focus/follow';
import { distanceAt, drawDepth, drawSharp, type SharpRange } from './depth';
import { outlooks, type Outlook, type OutlookAsk } from './outlook';
import { whiteFollower, type WhiteInUse } from '../white/follow';
import { readRing, type Ring, type RingReading } from '../white/ring';
import type { Moment, Observed, Source } from './source';

/** A spot that is dragged about asks for a new reading each frame. */
const MOST_READINGS = 64;
/** While the automatic focus searches every third frame shows where the lens stands. */
const SEARCH_SHOWN = 3;
/** While the lens is moved every third frame shows what peaks. */
const PEAKS_SHOWN = 3;
/** Frames of a view before the first look at what peaks, which takes the longest. */
const PEAKS_FROM = 3;
/** Frames after which moving light is counted again, and while the lens is being focused, which makes all of it anew. */
const COUNT_EVERY = 4;
const COUNT_LATER = 12;

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

/** What is drawn over the picture. */
export interface MarksAsk {
  readonly rawClip: boolean;
  readonly rawFloor: boolean;
  readonly pictureWhite: boolean;
  readonly pictureBlack: boolean;
  readonly zebra: ZebraOn | null;
  /** What is sharp, where that is to be marked. */
  readonly inFocus: SharpRange | null;
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

/** Key of the settings that light on single points depends on, beside what moves. */
function countingKey(settings: ExposureSettings): string {
  const { compensationEv: _, iso: __, ...of } = settings;
  return JSON.stringify(of);
}

/**
 * @param atOnce true where the first frame must come before its figures are exact
 * @param kept where the same lens stood on the same world, arranged a little differently
 */
export function finderFor(source: Source, atOnce = false, kept: FocusKept | null = null): Finder {
  const { width, height } = source;
  const rgba = new Uint8ClampedArray(width * height * 4);
  const outlookFor = outlooks(source.sensor);
  const mask = new Uint16Array(width * height);
  const striped = { key: '', held: new Uint8Array(width * height) };
  let observed: Observed | undefined;
  let sinceCounted = 0;
  let countedFor: string | null = null;
  let plan: { rules: AutomaticRules | 'full'; plan: AutomaticPlan } | undefined;
  let previous: ExposureSettings | undefined;
  const follower = whiteFollower(source.matrices, atOnce);
  const focuser = focusFollower(source, kept);
  let colour: CameraColour | undefined;
  let shownM: number | undefined;
  /** The lens came to rest since this finder began. */
  let rested = false;
  /** What peaks, what that was told for, and what it was last wanted for. */
  let framesHere = 0;
  let peaking: { wanted: string; key?: string; samples?: Uint32Array } | undefined;
  let counts: SiteCounts | undefined;
  let developer: { iso: number; colour: CameraColour; print: Print | null; developer: Developer } | undefined;

  // A view's light stands still; what was read of it stays true.
  const readings = new Map<string, Reading>();
  const read = (pattern: PatternId, aim: MeterAim): Reading => {
    const key = JSON.stringify([pattern, aim]);
    const known = readings.get(key);
    if (known) return known;
    if (readings.size > MOST_READINGS) readings.clear();
    const reading = readMeter(source.sight, pattern, aim);
    readings.set(key, reading);
    return reading;
  };

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
      const rules = ask.freely ? 'full' : settings.rules;
      if (plan?.rules !== rules) plan = { rules, plan: planFor(source, rules) };
      const metered = ask.lockedEv100 ?? meteredFor(pattern, reading.ev100, settings);
      const compensationEv = totalCompensation(settings.compensationEv, ask.habitEv);
      const controls = { ...settings, compensationEv };
      const resolved = resolveExposure(controls, metered, plan.plan, previous);
      previous = resolved.settings;
      const pins = ask.pins.map((pin) => readPin(source.sight, pin, resolved.settings));
      lap?.('meter');
      const focus = focuser.next({
        set: settings.focus,
        at: ask.focusAt,
        again: ask.focusAgain,
        timeS: moment.timeS,
      });
      // While the lens searches the picture follows it more slowly: all of it is made anew for another focus. Before it has found anything for
      // the first time there is no picture in focus to be left, and what is in focus is wanted soonest.
      const searching = focus.state === 'searching';
      if (!searching && focus.state !== 'waiting') rested = true;
      const follows = !searching || (rested && number % SEARCH_SHOWN === 0);
      const focusM = follows ? focus.focusM : (shownM ?? focus.focusM);
      shownM = focusM;
      observed = source.observe({ settings: resolved.settings, focusM, number, moment, colour });
      const counting = countingKey(resolved.settings);
      if (atOnce && countedFor === null) {
        // The first frame must not wait: its own averages are near enough until the next.
        outlookFor.count({ light: observed.light, width });
        countedFor = '';
      } else if (
        // Until the lens rests, averages do.
        !(searching && countedFor === '') &&
        (countedFor !== counting || ++sinceCounted >= (observed.refocused ? COUNT_LATER : COUNT_EVERY))
      ) {
        // What moves is counted anew once in a while: figures that change faster cannot be read.
        sinceCounted = 0;
        const points = observed.points(countedFor !== counting);
        if (points) outlookFor.count(points);
        countedFor = counting;
      }
      lap?.('light');
      const exposed = observed.expose();
      lap?.('expose');
      const counted = countSites(exposed, counts);
      counts = counted;
      const white = follower.next(exposed, settings.white, ask.lockedEv100 !== null);
      ({ colour } = white);
      const frame = { ...exposed, colour };
      const measured: FinderFrame = {
        frame,
        white,
        print: settings.print,
        ring:
          ask.ring &&
          readRing(exposed, source.matrices, ask.ring, noiseModel(source.sensor, exposed.settings.iso)),
        counted,
        reading,
        wholeEv100: whole.ev100,
        meteredEv100: metered,
        pins,
        plan: plan.plan,
        resolved,
        focus,
        outlook: outlookFor.at(resolved.settings, ask.outlook),
        floorEv: Math.log2(floorSignal(frame.noise) / (frame.white - frame.black)),
        midGreyEv: Math.log2(0.18) - baselineExposureEv(resolved.settings),
      };
      lap?.('scopes');
      return measured;
    },
    focusKept: () => focuser.kept(),
    develop: ({ frame, print }) => {
      const iso = Math.min(100, frame.settings.iso);
      const { colour } = frame;
      if (developer?.iso !== iso || developer.colour !== colour || developer.print !== print)
        developer = { iso, colour, print, developer: developerFor(printed(frame, print)) };
      developRegion(frame, developer.developer, { x: 0, y: 0, width, height }, rgba);
    },
    mark: ({ frame, outlook }, { rawClip, rawFloor, pictureWhite, pictureBlack, zebra, inFocus }, told) => {
      // Under whatever else is marked.
      if (inFocus && source.depth) drawSharp(source.depth, inFocus, rgba, width, height);
      if (!rawClip && !rawFloor && !pictureWhite && !pictureBlack && !zebra && !told) return null;
      mask.fill(0);
      // What is told needs more than what is drawn; the rest is left out of the drawing.
      const wanted =
        (rawClip ? CLIP_ALL : 0) |
        (rawFloor ? FLOOR_ALL : 0) |
        (pictureWhite ? WHITE : 0) |
        (pictureBlack ? BLACK : 0);
      if (rawClip || rawFloor || told) markRaw(frame, { clip: rawClip || told, floor: rawFloor }, mask);
      if (pictureWhite || pictureBlack || told)
        markPicture(rgba, { white: pictureWhite || told, black: pictureBlack || told }, mask);
      if (told) markBright(rgba, mask);
      const said = told ? disagreement(mask) : null;
      if (zebra?.of === 'raw')
        zebraOnRaw(observed!.light, width, outlook.levels, outlook.response, zebra.belowClip12, mask);
      else if (zebra) {
        // Another exposure starts anew: only noise is held back.
        const { shutterS, iso, apertureN } = frame.settings;
        const of = `${shutterS} ${iso} ${apertureN} ${zebra.percent}`;
        if (striped.key !== of) striped.held.fill(0);
        striped.key = of;
        zebraOnPicture(rgba, zebra.percent, striped.held, mask);
      }
      drawMarks(rgba, mask, width, MARK_COLOURS, wanted | ZEBRA);
      return said;
    },
    markPeaks: ({ frame, focus, wholeEv100 }, number, { strength, colour: lit }) => {
      if (focus.state === 'searching') return null;
      const { settings } = frame;
      const { focusM } = focus;
      const key = `${focusM} ${settings.apertureN} ${lightPassing(settings)} ${strength}`;
      const stands = peaking?.wanted === key;
      if (!stands) peaking = { ...peaking, wanted: key };
      // A view that is about to be replaced is not worth the first look.
      if (!peaking!.key && ++framesHere < PEAKS_FROM) return null;
      if (peaking!.key !== key && (stands || number % PEAKS_SHOWN === 0 || !peaking!.key)) {
        const samples = source.peaks({ settings, focusM, ev100: wholeEv100, strength, seed: number });
        if (!samples) return null;
        peaking = { wanted: key, key, samples };
      }
      const samples = peaking!.samples;
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
