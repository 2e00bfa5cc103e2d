// The live desk: what is set, what is automatic, what the camera reports. One store, selected in small slices.
import { create } from 'zustand';
import type { DeskChange, RemedyKind } from '../core/advice/remedy';
import {
  carrierOf,
  DEFAULT_RULES,
  isAllManual,
  SETTING_IDS,
  type AutomaticRules,
  type Control,
  type ExposureControls,
  type SettingId,
} from '../core/exposure/automatic';
import { ev100OfSettings } from '../core/light/apex';
import type { Receptor } from '../core/meter/incident';
import type { FramePoint } from '../core/meter/luminance-map';
import type { PatternId } from '../core/meter/pattern';
import { freeLetter, type Pin, type PinLetter } from '../core/meter/pins';
import { PATTERNS } from '../core/meter/read';
import { BURN_SHARE } from '../core/meter/highlight';
import { SPOT_SHARE } from '../core/meter/spot';
import type { Orientation } from '../core/scene/framing';
import { OPENING, type Outside } from '../core/scene/outside';
import { nearestOptic, OPTICS } from '../core/sensor/cameras';
import type { CameraId, LensId } from '../core/sensor/simulated-camera';
import { controlsWith, type SetupValues } from '../core/setup/setup';
import {
  APERTURE_LADDER,
  at,
  COMPENSATION_LADDER,
  FAR_M,
  FOCUS_LADDER,
  formatThirds,
  ISO_LADDER,
  nearestStep,
  SHUTTER_LADDER,
  stepOf,
  type Ladder,
} from '../core/units/ladders';
import type { CaptureStage } from '../workers/darkroom.worker';
import type { FinderOrder, FinderReport, SceneStatus } from '../workers/finder-protocol';

export type FaderId = SettingId | 'compensation' | 'focus';
export type Scope = 'raw' | 'picture';

/** A reading that is held, and whose. */
export interface Lock {
  readonly ev100: number;
  readonly by: string;
}

/** Brightness is held: `gives` moves against `with`, click for click. */
export interface Trade {
  readonly gives: SettingId;
  readonly with: SettingId;
}

export type CaptureState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'waiting'; readonly leftS: number }
  | { readonly kind: 'busy'; readonly stage: CaptureStage; readonly share: number }
  | { readonly kind: 'failed'; readonly message: string; readonly rescue?: UnsavedFile };

/** A frame that was taken but that the store would not have: to be downloaded before it is gone. */
export interface UnsavedFile {
  readonly name: string;
  readonly dng: Uint8Array;
}

export type CameraState =
  | { readonly kind: 'starting' }
  | { readonly kind: 'live' }
  | { readonly kind: 'failed'; readonly message: string };

/** The scene that the desk opens with. */
export const OPENING_SCENE = 'wheel-bench';

export interface Desk {
  readonly controls: ExposureControls;
  readonly focus: Control;
  readonly lens: LensId;
  /** The stand-in for the world: which scene, and how it is arranged. */
  readonly scene: string;
  readonly outside: Outside;
  readonly sceneStatus: SceneStatus;
  readonly pattern: PatternId;
  readonly spot: FramePoint;
  readonly spotShare: number;
  readonly burnShare: number;
  readonly pins: readonly Pin[];
  readonly rules: AutomaticRules;
  readonly lock: Lock | null;
  readonly trade: Trade | null;
  readonly filterStops: number;
  readonly delayS: number;
  /** Where the hand meter is held; null while it is put away. */
  readonly hand: FramePoint | null;
  readonly receptor: Receptor;
  /** Kinds of remedy that the person does not want to hear of. */
  readonly remediesOff: readonly RemedyKind[];
  /** What the finder is asked for beside its frames, while a panel shows it. */
  readonly wants: { readonly equivalents: SettingId | null; readonly weights: boolean };
  /** What changed by itself, to be read once. */
  readonly notice: string | null;
  readonly clipMarks: boolean;
  readonly scope: Scope;
  readonly orientation: Orientation;
  readonly report: FinderReport | null;
  readonly camera: CameraState;
  readonly capture: CaptureState;

  /** Sets a fader to a ladder step and so makes it manual. */
  set(fader: FaderId, index: number): void;
  setAutomatic(fader: FaderId): void;
  setAllAutomatic(): void;
  /** Moves exposure by thirds through the setting that carries it. */
  nudge(thirds: number): void;
  setPattern(pattern: PatternId): void;
  nextPattern(): void;
  setSpot(spot: FramePoint): void;
  setSpotShare(share: number): void;
  setBurnShare(share: number): void;
  toggleLock(): void;
  /** Holds a reading that came from somewhere else; with everything manual the shutter goes there. */
  takeReading(ev100: number, by: string, compensationEv?: number): void;
  addPin(place: FramePoint): void;
  movePin(letter: PinLetter, place: FramePoint): void;
  removePin(letter: PinLetter): void;
  /** Exposes so that a pin falls on a step from mid-grey, −5 … +5. */
  placePin(letter: PinLetter, step: number): void;
  /** Holds brightness and lets a setting give way; null ends it. */
  startTrade(gives: SettingId | null): void;
  setRules(change: Partial<AutomaticRules>): void;
  setFilter(stops: number): void;
  setDelay(seconds: number): void;
  setHand(hand: FramePoint | null): void;
  setReceptor(receptor: Receptor): void;
  turnRemedy(kind: RemedyKind, on: boolean): void;
  /** Carries out what a remedy offers. */
  change(changes: readonly DeskChange[]): void;
  applySetup(values: Partial<SetupValues>): void;
  setWants(wants: Partial<Desk['wants']>): void;
  takeBody(id: CameraId): void;
  setNotice(notice: string | null): void;
  toggleClipMarks(): void;
  toggleScope(): void;
  setOrientation(orientation: Orientation): void;
  setLens(lens: LensId): void;
  setScene(scene: string): void;
  arrange(change: Partial<Outside>): void;
  setSceneStatus(status: SceneStatus): void;
  setReport(report: FinderReport): void;
  setCamera(camera: CameraState): void;
  setCapture(capture: CaptureState): void;
  restore(kept: Partial<KeptDesk>): void;
}

/** What returns after a reload. */
export type KeptDesk = Pick<
  Desk,
  | 'controls'
  | 'focus'
  | 'lens'
  | 'scene'
  | 'outside'
  | 'pattern'
  | 'spot'
  | 'spotShare'
  | 'burnShare'
  | 'pins'
  | 'rules'
  | 'lock'
  | 'trade'
  | 'filterStops'
  | 'delayS'
  | 'receptor'
  | 'remediesOff'
  | 'clipMarks'
  | 'scope'
>;

export const LADDERS: Record<FaderId, Ladder> = {
  shutter: SHUTTER_LADDER,
  iso: ISO_LADDER,
  aperture: APERTURE_LADDER,
  compensation: COMPENSATION_LADDER,
  focus: FOCUS_LADDER,
};

const AUTOMATIC: ExposureControls = {
  shutter: { auto: true, exact: stepOf(SHUTTER_LADDER, 1 / 128).exact },
  iso: { auto: true, exact: 100 },
  aperture: { auto: true, exact: 2 ** 1.5 },
  compensationEv: 0,
};

const FOCUS_AUTOMATIC: Control = { auto: true, exact: 1.5 };

export const useDesk = create<Desk>()((set, get) => ({
  controls: AUTOMATIC,
  focus: FOCUS_AUTOMATIC,
  lens: 'wide',
  scene: OPENING_SCENE,
  outside: OPENING,
  sceneStatus: { kind: 'loading', scene: OPENING_SCENE, share: 0 },
  pattern: 'evaluative',
  spot: { x: 0.5, y: 0.5 },
  spotShare: SPOT_SHARE,
  burnShare: BURN_SHARE,
  pins: [],
  rules: DEFAULT_RULES,
  lock: null,
  trade: null,
  filterStops: 0,
  delayS: 0,
  hand: null,
  receptor: 'flat',
  remediesOff: [],
  wants: { equivalents: null, weights: false },
  notice: null,
  clipMarks: true,
  scope: 'raw',
  orientation: 'portrait',
  report: null,
  camera: { kind: 'starting' },
  capture: { kind: 'idle' },

  set: (fader, index) =>
    set(({ controls, trade }) => {
      if (fader === 'focus') return { focus: { auto: false, exact: at(FOCUS_LADDER, index).exact } };
      const moved = withStep(controls, fader, index);
      if (!trade || fader === 'compensation') return { controls: moved };
      // What is moved does not give way: when it is the one that did, the two change places.
      const next = { gives: fader === trade.gives ? trade.with : trade.gives, with: fader };
      return { controls: givingWay(moved, next.gives), trade: next };
    }),
  setAutomatic: (fader) =>
    set(({ controls, focus, trade, lock }) => {
      if (fader === 'focus') return { focus: { ...focus, auto: true } };
      if (fader === 'compensation') return { controls: { ...controls, compensationEv: 0 } };
      const next = { ...controls, [fader]: { ...controls[fader], auto: true } };
      // A second setting that moves by itself ends the trading of two.
      return trade && fader !== trade.gives
        ? { controls: next, trade: null, lock: unlessTrading(lock, trade) }
        : { controls: next };
    }),
  // A lock is opened on purpose only: it stays.
  setAllAutomatic: () =>
    set(({ lock, trade }) => ({
      controls: AUTOMATIC,
      focus: FOCUS_AUTOMATIC,
      trade: null,
      lock: unlessTrading(lock, trade),
    })),
  nudge: (thirds) => {
    const { controls, lens } = get();
    const fader = carrierOf(controls, hasIris(lens));
    const current = fader === 'shutter' ? controls.shutter.exact : controls.compensationEv;
    get().set(fader, nearestStep(LADDERS[fader], current) + thirds);
  },
  setPattern: (pattern) => set({ pattern }),
  nextPattern: () => {
    const ids = PATTERNS.map((p) => p.id);
    set({ pattern: ids[(ids.indexOf(get().pattern) + 1) % ids.length]! });
  },
  setSpot: ({ x, y }) => set({ spot: { x: clamp(x), y: clamp(y) }, pattern: 'spot' }),
  setSpotShare: (spotShare) => set({ spotShare, pattern: 'spot' }),
  setBurnShare: (burnShare) => set({ burnShare, pattern: 'highlight' }),
  toggleLock: () =>
    set(({ lock, report, pattern, trade }) => {
      if (lock) return { lock: null, trade: null, controls: trade ? heldBy(get()) : get().controls };
      if (!report || !Number.isFinite(report.reading.ev100)) return {};
      const by = PATTERNS.find((p) => p.id === pattern)!.name.toLowerCase();
      return { lock: { ev100: report.reading.ev100, by: `${by} reading` } };
    }),
  takeReading: (ev100, by, compensationEv) => {
    const { controls, lens, report, filterStops } = get();
    if (!Number.isFinite(ev100)) return;
    if (isAllManual(controls, hasIris(lens)) && report) {
      const { apertureN, shutterS, iso } = report.settings;
      const step = compensationEv ?? controls.compensationEv;
      const over = ev100 - step - filterStops - ev100OfSettings(apertureN, shutterS, iso);
      const index = nearestStep(SHUTTER_LADDER, shutterS) - Math.round(over * 3);
      const held = Math.min(SHUTTER_LADDER.length - 1, Math.max(0, index));
      get().set('shutter', held);
      if (held !== index) {
        const iso3 = nearestStep(ISO_LADDER, iso) + (index - held);
        get().set('iso', iso3);
      }
      return;
    }
    set({
      lock: { ev100, by },
      trade: null,
      controls: compensationEv === undefined ? controls : { ...controls, compensationEv },
    });
  },
  addPin: (place) =>
    set(({ pins }) => {
      const letter = freeLetter(pins);
      if (!letter) return { notice: 'Eight pins are in use. Remove one to place another.' };
      return { pins: [...pins, { letter, x: clamp(place.x), y: clamp(place.y) }] };
    }),
  movePin: (letter, place) =>
    set(({ pins }) => ({
      pins: pins.map((pin) =>
        pin.letter === letter ? { letter, x: clamp(place.x), y: clamp(place.y) } : pin,
      ),
    })),
  removePin: (letter) => set(({ pins }) => ({ pins: pins.filter((pin) => pin.letter !== letter) })),
  placePin: (letter, step) => {
    const reading = get().report?.pins.find((pin) => pin.letter === letter);
    if (!reading) return;
    const where = step === 0 ? 'mid-grey' : formatThirds(step);
    get().takeReading(reading.ev100, `pin ${letter} at ${where}`, step);
  },
  startTrade: (gives) =>
    set((desk) => {
      const { report, lens, trade, lock } = desk;
      if (!gives && !trade) return {};
      if (!gives || !report) return { trade: null, lock: unlessTrading(lock, trade), controls: heldBy(desk) };
      const others = SETTING_IDS.filter((id) => id !== gives && (id !== 'aperture' || hasIris(lens)));
      const { apertureN, shutterS, iso, compensationEv, filterStops = 0 } = report.settings;
      return {
        trade: { gives, with: others.includes('shutter') ? 'shutter' : others[0]! },
        lock: {
          ev100: ev100OfSettings(apertureN, shutterS, iso) + compensationEv + filterStops,
          by: 'trading',
        },
        controls: givingWay(heldBy(desk), gives),
      };
    }),
  setRules: (change) => set(({ rules }) => ({ rules: { ...rules, ...change } })),
  setFilter: (filterStops) => set({ filterStops }),
  setDelay: (delayS) => set({ delayS }),
  setHand: (hand) => set({ hand: hand && { x: clamp(hand.x), y: clamp(hand.y) } }),
  setReceptor: (receptor) => set({ receptor }),
  turnRemedy: (kind, on) =>
    set(({ remediesOff }) => ({
      remediesOff: on ? remediesOff.filter((k) => k !== kind) : [...new Set([...remediesOff, kind])],
    })),
  change: (changes) => {
    for (const one of changes) {
      if ('delayS' in one) get().setDelay(one.delayS);
      else if ('filterStops' in one) get().setFilter(one.filterStops);
      else if ('pattern' in one) get().setPattern(one.pattern);
      else if (one.index === 'auto') get().setAutomatic(one.fader);
      else get().set(one.fader, one.index);
    }
  },
  applySetup: (values) => {
    const { trade, lock } = get();
    set(({ controls, focus, pattern, spotShare, burnShare, rules, filterStops, delayS }) => ({
      controls: controlsWith(controls, values),
      focus: values.focus ?? focus,
      pattern: values.meter?.pattern ?? pattern,
      spotShare: values.meter?.spotShare ?? spotShare,
      burnShare: values.meter?.burnShare ?? burnShare,
      rules: values.rules ?? rules,
      filterStops: values.filterStops ?? filterStops,
      delayS: values.delayS ?? delayS,
      trade: null,
      lock: values.lock === false ? null : unlessTrading(lock, trade),
    }));
    if (values.lock && !get().lock) get().toggleLock();
  },
  setWants: (wants) => set((desk) => ({ wants: { ...desk.wants, ...wants } })),
  takeBody: (id) => {
    const { lens, focus, trade, lock, controls } = get();
    const from = OPTICS[lens];
    if (from.id === id) return;
    const to = nearestOptic(id, lens);
    const closest = to.lens.closestM;
    const tooNear = !focus.auto && focus.exact < closest;
    const ends = trade && (trade.gives === 'aperture' || trade.with === 'aperture');
    const said = [
      `${to.name}, ${from.equivalentMm} mm becomes ${to.equivalentMm} mm`,
      to.lens.narrowestN === undefined
        ? `aperture fixed at f/${to.lens.apertureN}`
        : `aperture ${controls.aperture.auto ? 'automatic' : stepOf(APERTURE_LADDER, controls.aperture.exact).label} (f/2.8–f/8)`,
      tooNear && `focus ${focus.exact} m becomes ${closest} m, the closest`,
      to.lens.fixedFocusM !== undefined && 'focus fixed',
      ends && 'trading ended',
      'all else stays',
    ].filter(Boolean);
    // While trading nothing but what gives way moves by itself.
    const aperture =
      trade && !ends && to.lens.narrowestN !== undefined
        ? { auto: false, exact: to.lens.apertureN }
        : controls.aperture;
    set({
      lens: to.lensId,
      controls: { ...controls, aperture },
      focus: tooNear ? { auto: false, exact: stepOf(FOCUS_LADDER, closest).exact } : focus,
      trade: ends ? null : trade,
      lock: ends ? unlessTrading(lock, trade) : lock,
      notice: `${said.join('; ')}.`,
    });
  },
  setNotice: (notice) => set({ notice }),
  toggleClipMarks: () => set(({ clipMarks }) => ({ clipMarks: !clipMarks })),
  toggleScope: () => set(({ scope }) => ({ scope: scope === 'raw' ? 'picture' : 'raw' })),
  setOrientation: (orientation) => set({ orientation }),
  setLens: (lens) => set({ lens }),
  // Lamps have other names there; what the person holds in hand stays.
  setScene: (scene) => set(({ outside }) => ({ scene, outside: { ...outside, levels: {} } })),
  arrange: (change) => set(({ outside }) => ({ outside: { ...outside, ...change } })),
  setSceneStatus: (sceneStatus) => set({ sceneStatus }),
  setReport: (report) =>
    set(({ controls, focus }) => ({
      report,
      controls: followed(controls, report),
      focus: followedFocus(focus, report),
    })),
  setCamera: (camera) => set({ camera }),
  setCapture: (capture) => set({ capture }),
  restore: (kept) => set(kept),
}));

/** A setting taken over by hand starts from where the automatic stood, so the store follows the automatic's values. */
function followed(controls: ExposureControls, { settings, lens }: FinderReport): ExposureControls {
  const follow = (control: Control, exact: number) =>
    control.auto && control.exact !== exact ? { auto: true, exact } : control;
  const { shutter, iso, aperture } = controls;
  const next = {
    ...controls,
    shutter: follow(shutter, settings.shutterS),
    iso: follow(iso, settings.iso),
    // A lens without an iris has no say in where the aperture stands for one that has.
    aperture: hasIris(lens) ? follow(aperture, settings.apertureN) : aperture,
  };
  return SETTING_IDS.every((id) => next[id] === controls[id]) ? controls : next;
}

/** True for a lens whose aperture can be set. */
export function hasIris(lens: LensId): boolean {
  return OPTICS[lens].lens.narrowestN !== undefined;
}

/** All settings held where they stand. */
function heldBy({ controls, lens }: Pick<Desk, 'controls' | 'lens'>): ExposureControls {
  const held = ({ exact }: Control): Control => ({ auto: false, exact });
  return {
    ...controls,
    shutter: held(controls.shutter),
    iso: held(controls.iso),
    aperture: hasIris(lens) ? held(controls.aperture) : controls.aperture,
  };
}

function givingWay(controls: ExposureControls, gives: SettingId): ExposureControls {
  const next = Object.fromEntries(
    SETTING_IDS.map((id) => [
      id,
      { ...controls[id], auto: id === gives || (id === 'aperture' && controls[id].auto) },
    ]),
  ) as unknown as Record<SettingId, Control>;
  return { ...controls, ...next };
}

/** A lock that the person set stays; one that only served trading goes with it. */
function unlessTrading(lock: Lock | null, trade: Trade | null): Lock | null {
  return trade ? null : lock;
}

/** What a setup would hold of the desk. */
export function setupValuesOf(desk: Desk): SetupValues {
  const { controls, focus, pattern, spotShare, burnShare, rules, filterStops, delayS, lock } = desk;
  const { compensationEv, shutter, iso, aperture } = controls;
  return {
    ...{ shutter, iso, aperture, compensationEv, focus, rules, filterStops, delayS },
    meter: { pattern, spotShare, burnShare },
    lock: lock !== null,
  };
}

function followedFocus(focus: Control, { focusM }: FinderReport): Control {
  const exact = Math.min(FAR_M, focusM);
  return !focus.auto || focus.exact === exact ? focus : { auto: true, exact };
}

type ExposureFader = Exclude<FaderId, 'focus'>;

/** What stands on a fader. */
export function exactOf({ controls, focus }: Pick<Desk, 'controls' | 'focus'>, fader: FaderId): number {
  if (fader === 'focus') return focus.exact;
  return fader === 'compensation' ? controls.compensationEv : controls[fader].exact;
}

/** Does a fader move by itself? Compensation counts as automatic at zero. */
export function isAuto({ controls, focus }: Pick<Desk, 'controls' | 'focus'>, fader: FaderId): boolean {
  if (fader === 'focus') return focus.auto;
  return fader === 'compensation' ? controls.compensationEv === 0 : controls[fader].auto;
}

function withStep(controls: ExposureControls, fader: ExposureFader, index: number): ExposureControls {
  const { exact } = at(LADDERS[fader], index);
  return fader === 'compensation'
    ? { ...controls, compensationEv: exact }
    : { ...controls, [fader]: { auto: false, exact } };
}

function clamp(share: number): number {
  return Math.min(1, Math.max(0, share));
}

export function orderOf(desk: Desk, running: boolean): FinderOrder {
  const { controls, focus, lens, scene, outside, pattern, spot, spotShare, burnShare } = desk;
  const {
    pins,
    lock,
    trade,
    rules,
    filterStops,
    delayS,
    orientation,
    hand,
    receptor,
    wants,
    clipMarks,
    scope,
  } = desk;
  return {
    ...{
      controls,
      pattern,
      pins,
      filterStops,
      delayS,
      orientation,
      lens,
      scene,
      outside,
      clipMarks,
      running,
    },
    rules: trade ? 'full' : rules,
    aim: { at: spot, spotShare, burnShare },
    lockedEv100: lock?.ev100 ?? null,
    focusM: focus.auto ? null : focus.exact,
    hand: hand && { at: hand, receptor },
    equivalentsFor: wants.equivalents,
    weights: wants.weights,
    pictureHistogram: scope === 'picture' || orientation === 'landscape',
  };
}
