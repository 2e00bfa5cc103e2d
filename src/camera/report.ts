// What a camera tells with every frame of its finder: figures, never pixels. What it cannot know is unknown, with the reason.
import type { Effects } from '../core/advice/effects';
import type { EquivalentGroup } from '../core/advice/equivalents';
import type { FitPlan } from '../core/advice/fit';
import type { Orientation } from '../core/body/orientation';
import type { CameraColour } from '../core/colour/camera';
import type { AutomaticPlan } from '../core/exposure/automatic';
import type { ExposureSettings } from '../core/exposure/settings';
import type { FocusInUse } from '../core/focus/follow';
import type { PictureEnds } from '../core/finder/picture-finder';
import type { PinReading } from '../core/meter/pins';
import type { Reading } from '../core/meter/read';
import type { Comparison } from '../core/scopes/compare';
import type { Forecast, PerChannel } from '../core/scopes/levels';
import type { ToneLimits } from '../core/scopes/limits';
import type { Disagreement } from '../core/scopes/marks';
import type { PictureHistogram } from '../core/scopes/picture-histogram';
import type { Stopline } from '../core/scopes/stopline';
import type { RangeReport } from '../core/sequence/plan-bracket';
import type { Known } from '../core/units/known';
import type { WhitePoint } from '../core/colour/temperature';
import type { WhiteInUse } from '../core/white/follow';
import type { MixedLight } from '../core/white/mixed';
import type { RingReading } from '../core/white/ring';

export const STAGES = ['light', 'expose', 'scopes', 'meter', 'develop', 'draw'] as const;
export type FinderStage = (typeof STAGES)[number];

/** What the hand meter says: lux, or why it says nothing. */
export type HandReading =
  | { readonly kind: 'lux'; readonly lux: number }
  | { readonly kind: 'no-surface' }
  | { readonly kind: 'loading' }
  | { readonly kind: 'failed'; readonly message: string };

/** The exposure that the frame was made with. */
export interface ExposureReport {
  /** Compensation with the person's habit in it. */
  readonly settings: ExposureSettings;
  /** What the automatic may do with this lens in this hand. */
  readonly plan: AutomaticPlan;
  readonly deviationEv: number;
  readonly outOfRangeEv: number | null;
}

/** What is told of raw: of the capture at the present settings, unless it says otherwise. */
export interface RawReport {
  readonly colour: CameraColour;
  readonly effects: Effects;
  readonly equivalents: readonly EquivalentGroup[] | null;
  readonly stopline: Stopline;
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
}

/** The light that the picture is balanced for. */
export interface WhiteReport {
  readonly kelvin: number;
  /** Null where the device does not tell it. */
  readonly tint: number | null;
  readonly by: WhiteInUse['by'];
  /** The light that the camera measures and is sure of, whoever sets the white. */
  readonly measured: WhitePoint | null;
}

/** Settings that stand at a number, by their names in `core/setting`. */
export const STANDING = ['shutter', 'iso', 'aperture', 'compensationEv', 'focus', 'white', 'zoom'] as const;
export type Standing = Readonly<Partial<Record<(typeof STANDING)[number], number>>>;

export interface Report {
  /** The newest order that the frame was made by. */
  readonly seq: number;
  readonly frame: number;
  readonly optic: string;
  readonly orientation: Orientation;
  /** What is in front of the camera, by a name of the camera's own; another name is another view. */
  readonly view: string;
  readonly width: number;
  readonly height: number;
  /** How many times narrower than the lens's whole frame what is shown is: all figures are of that part. */
  readonly zoomTimes: number;
  /** The whole of it; where only parts are known they are in `standing`. */
  readonly exposure: Known<ExposureReport>;
  /** Where settings stand, set by hand or by themselves, as the camera tells it; what it does not tell is not there. */
  readonly standing: Standing;
  /** Where the lens is set, m; Infinity is allowed. */
  readonly focusM: Known<number>;
  /** What a depth sensor tells of the place that is focused on, m; unknown where there is none, or it does not reach. */
  readonly subjectM: Known<number>;
  /** How that came to be; null where the camera does not tell. */
  readonly focus: FocusInUse | null;
  /** Share of the frame that lights up as edges in focus; null while that is not asked for, or cannot be told. */
  readonly peaking: number | null;
  /** Live reading. */
  readonly reading: Reading;
  /** Why readings tell differences of light only; null where they are absolute. */
  readonly relative: string | null;
  /** Stops that what is read lies over (+) or under (−) mid-grey of the picture; null where the exposure tells it. */
  readonly fromGreyEv: number | null;
  /** The whole frame's, by the whole pattern. */
  readonly wholeEv100: number;
  readonly pins: readonly PinReading[];
  readonly hand: HandReading | null;
  /** Weights of the whole pattern's fields, row by row, and fields across. */
  readonly weights: { readonly across: number; readonly values: readonly number[] } | null;
  readonly picture: PictureHistogram | null;
  /** Shares at the ends of the picture's tones, while they are asked for. */
  readonly ends: PictureEnds | null;
  readonly white: Known<WhiteReport>;
  /** What the ring would give, while there is one. */
  readonly ring: RingReading | null;
  /** Two lights in the frame; null where it looks lit by one, or nothing can be told. */
  readonly mixed: MixedLight | null;
  readonly raw: Known<RawReport>;
  readonly stageMs: Readonly<Record<FinderStage, number>>;
}
