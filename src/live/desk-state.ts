// What the desk knows and what can be done to it, by subject. What the camera reports is not in it (`report.ts`), nor the world that
// a simulated camera looks at (`world.ts`).
import type { FitPlan } from '../core/advice/fit';
import type { DeskChange, RemedyKind } from '../core/advice/situation';
import type { Orientation } from '../core/body/orientation';
import type { PeakingMark } from '../core/finder/drawing';
import type { AutomaticRules } from '../core/exposure/control';
import type { SettingId } from '../core/exposure/settings';
import type { Calibration } from '../core/meter/calibration';
import type { Receptor } from '../core/meter/incident';
import type { FramePoint } from '../core/meter/luminance-map';
import type { PatternId } from '../core/meter/pattern';
import type { Pin, PinLetter } from '../core/meter/pins';
import { SETTINGS, type SettingKey, type SettingValues } from '../core/setting/settings';
import type { SetupValues } from '../core/setup/setup';
import type { Ladder } from '../core/units/ladders';
import type { LengthUnit } from '../core/units/lengths';
import type { WhitePoint } from '../core/colour/temperature';
import type { Ring } from '../core/white/ring';
import type { OtherExposure } from '../camera/order';
import type { TakeStage } from '../camera/port';
import type { ThemeId } from '../ui/theme';
import type { CheckSettings, MarkId } from './check-settings';

export type FaderId = SettingId | 'compensation' | 'focus' | 'white' | 'zoom';
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
  | {
      readonly kind: 'busy';
      readonly stage: TakeStage | 'answer' | 'store';
      readonly share: number;
      /** Which frame of how many, from 1; absent where one is taken. */
      readonly shot?: number;
      readonly of?: number;
    }
  | { readonly kind: 'failed'; readonly message: string };

export type CameraState =
  | { readonly kind: 'starting' }
  | { readonly kind: 'live' }
  /** The finder itself is dead, or lives and has nothing to show. */
  | { readonly kind: 'failed'; readonly message: string; readonly what: 'finder' | 'view' };

/** All settings, and what changes several of them at once. */
export interface SettingsSlice {
  readonly settings: SettingValues;
  readonly optic: string;
  setSetting<K extends SettingKey>(key: K, value: SettingValues[K]): void;
  /** Changes a part of a setting whose value is an object. */
  changeSetting<K extends SettingKey>(key: K, change: Partial<SettingValues[K]>): void;
  /** Carries out what a remedy offers. */
  change(changes: readonly DeskChange[]): void;
  applySetup(values: Partial<SetupValues>): void;
  setOptic(optic: string): void;
  takeBody(id: string): void;
}

/** Shutter, ISO, aperture, compensation and focus on their faders; brightness held or traded. */
export interface ExposureSlice {
  readonly lock: Lock | null;
  readonly trade: Trade | null;
  /** Sets a fader to a ladder step and so makes it manual. */
  set(fader: FaderId, index: number): void;
  setAutomatic(fader: FaderId): void;
  setAllAutomatic(): void;
  /** Moves exposure by thirds through the setting that carries it. */
  nudge(thirds: number): void;
  toggleLock(): void;
  /** Holds a reading that came from somewhere else; with everything manual the shutter goes there. */
  takeReading(ev100: number, by: string, compensationEv?: number): void;
  /** Holds brightness and lets a setting give way; null ends it. */
  startTrade(gives: SettingId | null): void;
  setRules(change: Partial<AutomaticRules>): void;
  /** Takes over what a fit has worked out; trading ends, for it would take the light back. */
  takeFit(plan: FitPlan): void;
}

/** What was measured of each optic's meter, by the optic's id. */
export type Calibrations = Readonly<Record<string, Calibration>>;

/** Where and how light is read. */
export interface MeterSlice {
  readonly spot: FramePoint;
  readonly pins: readonly Pin[];
  /** Where the hand meter is held; null while it is put away. */
  readonly hand: FramePoint | null;
  readonly receptor: Receptor;
  setPattern(pattern: PatternId): void;
  nextPattern(): void;
  setSpot(spot: FramePoint): void;
  setSpotShare(share: number): void;
  setBurnShare(share: number): void;
  addPin(place: FramePoint): void;
  movePin(letter: PinLetter, place: FramePoint): void;
  removePin(letter: PinLetter): void;
  /** Exposes so that a pin falls on a step from mid-grey, −5 … +5. */
  placePin(letter: PinLetter, step: number): void;
  setHand(hand: FramePoint | null): void;
  setReceptor(receptor: Receptor): void;
  /** Of meters that tell differences only until they were shown something known. */
  readonly calibrations: Calibrations;
  /** Calibrates the meter in use, or with null forgets how it was. */
  calibrate(calibration: Calibration | null): void;
}

/** A white that the person keeps under a name. */
export interface KeptWhite extends WhitePoint {
  readonly name: string;
}

/** What light the picture is white in. */
export interface WhiteSlice {
  /** Where white is measured from a thing; null while it is not. */
  readonly ring: Ring | null;
  readonly whites: readonly KeptWhite[];
  /** True while it is shown on the picture which part is lit by which of two lights. */
  readonly showLights: boolean;
  /** Sets white by hand; what lies beyond the ends is held at them. */
  setWhite(white: WhitePoint): void;
  setTint(tint: number): void;
  setRing(ring: Ring | null): void;
  keepWhite(name: string): void;
  forgetWhite(name: string): void;
  setShowLights(shown: boolean): void;
}

/** Whether and how edges in focus light up. */
export interface Peaking extends PeakingMark {
  readonly on: boolean;
}

/** Where the lens is focused. */
export interface FocusSlice {
  /** Where the automatic looks; null while that is where the spot lies. */
  readonly focusAt: FramePoint | null;
  /** How often the person asked it to look again. */
  readonly focusAgain: number;
  /** True where the loupe opens by itself while focus is moved by hand. */
  readonly focusLoupe: boolean;
  /** Where the camera sees depth: what is sharp is marked; distances are shown in place of the picture. */
  readonly inFocus: boolean;
  readonly depth: boolean;
  /** Edges in focus light up. */
  readonly peaking: Peaking;
  setPeaking(change: Partial<Peaking>): void;
  setInFocus(on: boolean): void;
  setDepth(on: boolean): void;
  /** Parts the place from the spot, or with null joins them. */
  setFocusAt(at: FramePoint | null): void;
  lookAgain(): void;
  /** Holds the lens where it stands. */
  holdFocus(): void;
  setFocusLoupe(on: boolean): void;
}

/** Lines over the picture to compose by. */
export const GRIDS = ['none', 'thirds', 'golden', 'cross', 'diagonals'] as const;
export type Grid = (typeof GRIDS)[number];

/** What is laid over the picture to compose by. */
export interface FramingSlice {
  readonly grid: Grid;
  /** True while the level is shown. */
  readonly level: boolean;
  /** What distances are told in. */
  readonly lengths: LengthUnit;
  setGrid(grid: Grid): void;
  setLevel(level: boolean): void;
  setLengths(lengths: LengthUnit): void;
  /** Moves the digital zoom by steps of its ladder; the ends hold. */
  stepCut(by: number): void;
}

/** What the person checks by before the press. */
export interface CheckSlice {
  readonly check: CheckSettings;
  /** Kinds of remedy that the person does not want to hear of. */
  readonly remediesOff: readonly RemedyKind[];
  /** An exposure to compare with, and whether it is held up now. */
  readonly other: OtherExposure | null;
  readonly holding: boolean;
  /** Where the loupe lies; null while it is put away. */
  readonly loupe: FramePoint | null;
  setCheck(change: Partial<CheckSettings>): void;
  toggleMark(mark: MarkId): void;
  turnRemedy(kind: RemedyKind, on: boolean): void;
  setOther(other: OtherExposure | null): void;
  hold(holding: boolean): void;
  setLoupe(at: FramePoint | null): void;
}

/** Where frames go, and what their files say. */
export interface RollSlice {
  /** Id of the roll that frames go into; the first where it is gone. */
  readonly roll: string;
  /** Of the person who presses; empty for nothing. */
  readonly credit: { readonly person: string; readonly copyright: string };
  /** Frames tell where they were taken. */
  readonly placed: boolean;
  setRoll(roll: string): void;
  setCredit(change: Partial<RollSlice['credit']>): void;
  setPlaced(placed: boolean): void;
}

/** Each on or off, as the person wants it. */
export interface Manners {
  readonly sound: boolean;
  readonly haptics: boolean;
  readonly awake: boolean;
}

/** How the page looks, and what goes on. */
export interface PageSlice {
  /** What the finder is asked for beside its frames, while a panel shows it. */
  readonly wants: {
    readonly equivalents: SettingId | null;
    readonly weights: boolean;
    readonly disagreement: boolean;
    readonly picture: boolean;
  };
  /** What changed by itself, to be read once. */
  readonly notice: string | null;
  /** Everything is off the finder for the time being. */
  readonly cleared: boolean;
  /** The labels that tell what things mean: shown now, and whether they ever were. */
  readonly guide: boolean;
  readonly guided: boolean;
  readonly theme: ThemeId;
  /** Of the hand that holds the screen: the desk stands on its side. */
  readonly thumb: 'right' | 'left';
  /** A sound and a tap for the hand when frames are taken, a screen that stays awake. */
  readonly manners: Manners;
  setManners(change: Partial<Manners>): void;
  readonly scope: Scope;
  readonly orientation: Orientation;
  readonly camera: CameraState;
  readonly capture: CaptureState;
  /** Of the set that the scene asks for, while it is told: how much more light each frame gets than the exposure that stands, thirds of a stop. */
  readonly planShown: readonly number[] | null;
  showPlan(thirds: readonly number[] | null): void;
  /** Counts the presses whose frames are safe. */
  readonly taken: number;
  noteTaken(): void;
  setWants(wants: Partial<PageSlice['wants']>): void;
  setNotice(notice: string | null): void;
  clear(cleared: boolean): void;
  showGuide(shown: boolean): void;
  setTheme(theme: ThemeId): void;
  setThumb(thumb: PageSlice['thumb']): void;
  toggleScope(): void;
  setOrientation(orientation: Orientation): void;
  setCamera(camera: CameraState): void;
  setCapture(capture: CaptureState): void;
}

export interface Desk
  extends
    SettingsSlice,
    ExposureSlice,
    MeterSlice,
    FocusSlice,
    FramingSlice,
    WhiteSlice,
    CheckSlice,
    RollSlice,
    PageSlice {
  /** Brings back what was kept, or what stood before. */
  restore(kept: Partial<Desk>): void;
}

/** The setting that a fader moves. */
export function settingOf(fader: FaderId): SettingId | 'compensationEv' | 'focus' | 'white' | 'zoom' {
  return fader === 'compensation' ? 'compensationEv' : fader;
}

const ladderOf = (fader: FaderId): Ladder => SETTINGS[settingOf(fader)].ladder!;

export const LADDERS: Readonly<Record<FaderId, Ladder>> = {
  shutter: ladderOf('shutter'),
  iso: ladderOf('iso'),
  aperture: ladderOf('aperture'),
  compensation: ladderOf('compensation'),
  focus: ladderOf('focus'),
  white: ladderOf('white'),
  zoom: ladderOf('zoom'),
};
