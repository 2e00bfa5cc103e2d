// What the finder worker is told and what it reports: one small report a frame, never pixels.
import type { ExposureControls } from '../core/exposure/automatic';
import type { ExposureSettings } from '../core/exposure/settings';
import type { FramePoint } from '../core/meter/luminance-map';
import type { PatternId } from '../core/meter/pattern';
import type { CameraColour } from '../core/colour/camera';
import type { Stopline } from '../core/scopes/stopline';
import type { PictureHistogram } from '../core/scopes/picture-histogram';
import type { Outside } from '../core/scene/outside';
import type { Orientation } from '../core/scene/view';
import type { LensId } from '../core/sensor/sim-one';

export interface FinderOrder {
  readonly controls: ExposureControls;
  readonly pattern: PatternId;
  readonly spot: FramePoint;
  /** EV100 that is held, or null when the meter is live. */
  readonly lockedEv100: number | null;
  readonly orientation: Orientation;
  readonly lens: LensId;
  /** Distance set by hand, m; null when the focus is automatic. */
  readonly focusM: number | null;
  readonly scene: string;
  readonly outside: Outside;
  readonly clipMarks: boolean;
  readonly pictureHistogram: boolean;
  readonly running: boolean;
}

export const STAGES = ['light', 'expose', 'scopes', 'meter', 'develop', 'draw'] as const;
export type FinderStage = (typeof STAGES)[number];

export interface FinderReport {
  readonly frame: number;
  readonly scene: string;
  readonly lens: LensId;
  readonly width: number;
  readonly height: number;
  readonly settings: ExposureSettings;
  /** Where the lens is set, m; Infinity is allowed. */
  readonly focusM: number;
  readonly luminance: number;
  /** Live reading. */
  readonly ev100: number;
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
