// What the desk knows and what can be done to it. The store itself is in desk.ts.
import type { FitPlan } from '../core/advice/fit';
import type { DeskChange, RemedyKind } from '../core/advice/remedy';
import type { AutomaticRules, Control, ExposureControls, SettingId } from '../core/exposure/automatic';
import type { Receptor } from '../core/meter/incident';
import type { FramePoint } from '../core/meter/luminance-map';
import type { PatternId } from '../core/meter/pattern';
import type { Pin, PinLetter } from '../core/meter/pins';
import type { Orientation } from '../core/scene/framing';
import type { Outside } from '../core/scene/outside';
import type { CameraId, LensId } from '../core/sensor/simulated-camera';
import type { SetupValues } from '../core/setup/setup';
import {
  APERTURE_LADDER,
  COMPENSATION_LADDER,
  FOCUS_LADDER,
  ISO_LADDER,
  SHUTTER_LADDER,
  stepOf,
  type Ladder,
} from '../core/units/ladders';
import type { CaptureStage } from '../workers/darkroom.worker';
import type { FinderReport, OtherExposure, SceneStatus } from '../workers/finder-protocol';
import type { ThemeId } from '../ui/theme';
import type { CheckSettings, MarkId } from './check-settings';

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
  | { readonly kind: 'failed'; readonly message: string };

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
  readonly retries: number;
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
  readonly wants: {
    readonly equivalents: SettingId | null;
    readonly weights: boolean;
    readonly disagreement: boolean;
  };
  /** What changed by itself, to be read once. */
  readonly notice: string | null;
  readonly check: CheckSettings;
  /** An exposure to compare with, and whether it is held up now. */
  readonly other: OtherExposure | null;
  readonly holding: boolean;
  /** Where the loupe lies; null while it is put away. */
  readonly loupe: FramePoint | null;
  /** Everything is off the finder for the time being. */
  readonly cleared: boolean;
  readonly theme: ThemeId;
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
  setCheck(change: Partial<CheckSettings>): void;
  toggleMark(mark: MarkId): void;
  /** Takes over what a fit has worked out; trading ends, for it would take the light back. */
  takeFit(plan: FitPlan): void;
  setOther(other: OtherExposure | null): void;
  hold(holding: boolean): void;
  setLoupe(at: FramePoint | null): void;
  clear(cleared: boolean): void;
  setTheme(theme: ThemeId): void;
  toggleScope(): void;
  setOrientation(orientation: Orientation): void;
  setLens(lens: LensId): void;
  setScene(scene: string): void;
  arrange(change: Partial<Outside>): void;
  setSceneStatus(status: SceneStatus): void;
  /** Asks anew for what did not load. */
  tryAgain(): void;
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
  | 'check'
  | 'other'
  | 'theme'
  | 'scope'
>;

export const LADDERS: Record<FaderId, Ladder> = {
  shutter: SHUTTER_LADDER,
  iso: ISO_LADDER,
  aperture: APERTURE_LADDER,
  compensation: COMPENSATION_LADDER,
  focus: FOCUS_LADDER,
};

export const AUTOMATIC: ExposureControls = {
  shutter: { auto: true, exact: stepOf(SHUTTER_LADDER, 1 / 128).exact },
  iso: { auto: true, exact: 100 },
  aperture: { auto: true, exact: 2 ** 1.5 },
  compensationEv: 0,
};

export const FOCUS_AUTOMATIC: Control = { auto: true, exact: 1.5 };
