// What the finder worker is told and what it reports: one small report a frame, never pixels.
import type { Effects } from '../core/advice/effects';
import type { EquivalentGroup } from '../core/advice/equivalents';
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
import type { Stopline } from '../core/scopes/stopline';
import type { LensId } from '../core/sensor/simulated-camera';

export interface FinderOrder {
  readonly controls: ExposureControls;
  readonly rules: AutomaticRules | 'full';
  readonly pattern: PatternId;
  readonly aim: MeterAim;
  readonly pins: readonly Pin[];
  /** EV100 that is held, or null when the meter is live. */
  readonly lockedEv100: number | null;
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
  readonly clipMarks: boolean;
  readonly pictureHistogram: boolean;
  readonly running: boolean;
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
  readonly stopline: Stopline;
  readonly picture: PictureHistogram | null;
  /** Shares of the sites of R, G, B that are clipped, or below the floor. */
  readonly clippedShare: readonly [number, number, number];
  readonly belowFloorShare: readonly [number, number, number];
  /** Share of all sites that are clipped. */
  readonly clippedOfFrame: number;
  /** Stops until the first 0.1 % of a channel clips; negative when it is over already, by how much. */
  readonly headroomEv: number;
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
