// What the finder worker is told and what it reports: one small report a frame, never pixels.
import type { Effects } from '../core/advice/effects';
import type { EquivalentGroup } from '../core/advice/equivalents';
import type { FitPlan, FitWay } from '../core/advice/fit';
import type { CameraColour } from '../core/colour/camera';
import type { AutomaticPlan, AutomaticRules, ExposureControls, SettingId } from '../core/exposure/automatic';
import type { ExposureSettings } from '../core/exposure/settings';
import type { Receptor } from '../core/meter/incident';
import type { FramePoint } from '../core/meter/luminance-map';
import type { MeterAim, PatternId } from '../core/meter/pattern';
import type { Pin, PinReading } from '../core/meter/pins';
import type { Reading } from '../core/meter/read';
import type { Orientation } from '../core/scene/framing';
import type { Outside } from '../core/scene/outside';
import type { PictureHistogram } from '../core/scopes/picture-histogram';
import type { OutlookAsk } from '../core/finder/outlook';
import type { Comparison } from '../core/scopes/compare';
import type { Forecast, PerChannel } from '../core/scopes/levels';
import type { RangeReport, ToneLimits } from '../core/scopes/limits';
import type { Disagreement } from '../core/scopes/marks';
import type { Stopline } from '../core/scopes/stopline';
import type { ZebraOn } from '../core/scopes/zebra';
import type { LensId } from '../core/sensor/simulated-camera';

/** What is drawn over the picture; the zebra's threshold for native and for extended ISO. */
export interface MarksOrder {
  readonly rawClip: boolean;
  readonly rawFloor: boolean;
  readonly pictureWhite: boolean;
  readonly pictureBlack: boolean;
  readonly zebra: { readonly native: ZebraOn; readonly extended: ZebraOn } | null;
  /** Dots on what the highlight pattern reads, while that is the pattern. */
  readonly brightest: boolean;
}

/** An exposure beside the present one, to be compared with it. */
export interface OtherExposure {
  readonly shutterS: number;
  readonly iso: number;
  readonly apertureN: number;
}

export interface FinderOrder {
  readonly controls: ExposureControls;
  readonly rules: AutomaticRules | 'full';
  readonly pattern: PatternId;
  readonly aim: MeterAim;
  readonly pins: readonly Pin[];
  /** EV100 that is held, or null when the meter is live. */
  readonly lockedEv100: number | null;
  readonly habitEv: number;
  readonly filterStops: number;
  /** Seconds between the press and the exposure. */
  readonly delayS: number;
  readonly orientation: Orientation;
  readonly lens: LensId;
  /** Distance set by hand, m; null when the focus is automatic. */
  readonly focusM: number | null;
  readonly scene: string;
  readonly outside: Outside;
  /** Where the hand meter is held, and with which receptor; null while it is put away. */
  readonly hand: { readonly at: FramePoint; readonly receptor: Receptor } | null;
  /** Set while a table of equivalents is wanted: what gives way. */
  readonly equivalentsFor: SettingId | null;
  /** True while the weights of the evaluative pattern are wanted. */
  readonly weights: boolean;
  readonly marks: MarksOrder;
  readonly outlook: OutlookAsk;
  readonly fitBy: FitWay;
  readonly pictureHistogram: boolean;
  /** True while it is wanted how raw and picture disagree. */
  readonly disagreement: boolean;
  /** Shown in place of the present exposure while it is held up. */
  readonly other: OtherExposure | null;
  readonly running: boolean;
  /** Counts how often the person asked to try again what did not load. */
  readonly retries: number;
}

export const STAGES = ['light', 'expose', 'scopes', 'meter', 'develop', 'draw'] as const;
export type FinderStage = (typeof STAGES)[number];

/** What the hand meter says: lux, or why it says nothing. */
export type HandReading =
  | { readonly kind: 'lux'; readonly lux: number }
  | { readonly kind: 'no-surface' }
  | { readonly kind: 'loading' }
  | { readonly kind: 'failed'; readonly message: string };

export interface FinderReport {
  readonly frame: number;
  readonly scene: string;
  readonly lens: LensId;
  readonly width: number;
  readonly height: number;
  readonly settings: ExposureSettings;
  /** What the automatic may do with this lens in this hand. */
  readonly plan: AutomaticPlan;
  /** Where the lens is set, m; Infinity is allowed. */
  readonly focusM: number;
  /** Live reading. */
  readonly reading: Reading;
  /** The whole frame's, by the evaluative pattern. */
  readonly wholeEv100: number;
  readonly pins: readonly PinReading[];
  readonly hand: HandReading | null;
  readonly effects: Effects;
  readonly equivalents: readonly EquivalentGroup[] | null;
  /** Weights of the evaluative pattern's fields, row by row, and fields across. */
  readonly weights: { readonly across: number; readonly values: readonly number[] } | null;
  readonly deviationEv: number;
  readonly outOfRangeEv: number | null;
  readonly colour: CameraColour;
  /** As the capture will have it. */
  readonly stopline: Stopline;
  readonly picture: PictureHistogram | null;
  /** Sites of the capture. */
  readonly sites: number;
  /** Shares of the capture's sites by channel. */
  readonly forecast: Forecast;
  /** The headroom that its file will tell; Infinity without light. */
  readonly headroomOfFileEv: number;
  /** Share of all sites that will be clipped. */
  readonly clippedOfFrame: number;
  /** Stops until the chosen share of a channel clips; negative when it is over already, by how much. */
  readonly headroomEv: number;
  /** Shares of highlights so small that they are not counted. */
  readonly sparkle: PerChannel<number>;
  readonly range: RangeReport;
  /** What one action would do for the headroom; null when there is nothing to fit to. */
  readonly fit: FitPlan | null;
  readonly toneLimits: ToneLimits;
  readonly disagreement: Disagreement | null;
  /** While another exposure is held up: it against the present one. */
  readonly comparison: Comparison | null;
  /** Where raw is clean, stops below saturation. */
  readonly cleanEv: number;
  /** SNR 1, stops below saturation. */
  readonly floorEv: number;
  /** Where 18 % grey of the picture lies in raw, stops below saturation. */
  readonly midGreyEv: number;
  readonly stageMs: Readonly<Record<FinderStage, number>>;
}

/** How far the scene that was asked for is. */
export type SceneStatus =
  | { readonly kind: 'loading'; readonly scene: string; readonly share: number }
  | { readonly kind: 'ready'; readonly scene: string }
  | { readonly kind: 'failed'; readonly scene: string; readonly message: string };
