// What remedies are worked out from, and what one is.
import type { Attitude } from '../body/attitude';
import type { Optic } from '../body/body';
import type { WhitePoint } from '../colour/temperature';
import type { AutomaticPlan, ExposureControls } from '../exposure/automatic';
import type { AutomaticRules } from '../exposure/control';
import type { ExposureSettings, SettingId } from '../exposure/settings';
import type { FocusInUse } from '../focus/follow';
import type { PatternId } from '../meter/pattern';
import type { Doubt } from '../meter/read';
import type { Cut } from '../setting/cut';
import type { FocusSet } from '../setting/focus';
import type { SettingKey, SettingValues } from '../setting/settings';
import type { LengthUnit } from '../units/lengths';
import type { MixedLight } from '../white/mixed';
import type { Effects } from './effects';

export const REMEDY_KINDS = [
  'range',
  'clipping',
  'meter',
  'doubt',
  'focus',
  'spot',
  'shake',
  'motion',
  'flicker',
  'trails',
  'touch',
  'noise',
  'diffraction',
  'extended',
  'white',
  'lights',
  'horizon',
  'closest',
  'depth',
  'lens',
  'detail',
] as const;
export type RemedyKind = (typeof REMEDY_KINDS)[number];

/** One change of the desk: a fader to a step of its ladder, a setting to a value or to a part of one, another lens, or the level shown. */
export type DeskChange =
  | { readonly optic: string }
  | { readonly show: 'level' }
  | { readonly fader: SettingId | 'compensation'; readonly index: number | 'auto' }
  | { [K in SettingKey]: { readonly setting: K; readonly value: Partial<SettingValues[K]> } }[SettingKey];

export interface RemedyAction {
  readonly label: string;
  readonly changes: readonly DeskChange[];
}

export interface Remedy {
  readonly kind: RemedyKind;
  readonly says: string;
  /** At least one. */
  readonly actions: readonly RemedyAction[];
}

/** What is known of a lens for advice. */
export interface LensFacts {
  readonly equivalentMm: number;
  /** Its widest. */
  readonly apertureN: number;
}

export interface Situation {
  readonly controls: ExposureControls;
  readonly plan: AutomaticPlan;
  readonly rules: AutomaticRules;
  readonly settings: ExposureSettings;
  /** The lens in use and the others of its body. */
  readonly lens: Pick<Optic, 'id' | 'can'> & LensFacts;
  readonly others: readonly (Pick<Optic, 'id'> & LensFacts)[];
  readonly cut: Cut;
  readonly focusSet: FocusSet;
  /** Sites of the part of the frame that is shown. */
  readonly sites: number;
  /** How the camera is held, where that is known and no level shows it. */
  readonly held: Attitude | null;
  readonly lengths: LengthUnit;
  readonly outOfRangeEv: number | null;
  readonly headroomEv: number;
  readonly clippedOfFrame: number;
  /** Share of a channel that the person lets burn. */
  readonly burntShare: number;
  readonly deviationEv: number;
  readonly pattern: PatternId;
  readonly readingEv100: number;
  readonly wholeEv100: number;
  readonly doubt: Doubt;
  /** True while the reading is held: what the meter sees now does not matter. */
  readonly locked: boolean;
  readonly delayS: number;
  readonly effects: Effects;
  /** How the automatic focus fares, and where the lens stands, m; null where the camera tells nothing of it. */
  readonly focus: Pick<FocusInUse, 'state' | 'why' | 'focusM'> | null;
  /** How far what the person marked lies, m; null where nothing tells. */
  readonly subjectM: number | null;
  /** White as it stands and what the camera measures; null where it tells nothing of it. */
  readonly white: {
    readonly stands: WhitePoint;
    readonly byHand: boolean;
    readonly measured: WhitePoint | null;
    readonly mixed: Pick<MixedLight, 'warmer' | 'cooler'> | null;
  } | null;
}

/** One thing that may be wrong; null where it is not. */
export type RemedyCheck = (situation: Situation) => Remedy | null;
