// What a camera is asked for: settings, where to look, and what the report should tell beside the frame.
import type { FitWay } from '../core/advice/fit';
import type { Orientation } from '../core/body/orientation';
import type { SettingId } from '../core/exposure/settings';
import type { PeakingMark } from '../core/finder/drawing';
import type { FinderAsk } from '../core/finder/finder';
import type { Calibration } from '../core/meter/calibration';
import type { Receptor } from '../core/meter/incident';
import type { FramePoint } from '../core/meter/luminance-map';
import type { ZebraOn } from '../core/scopes/zebra';

/** What is drawn over the picture; the zebra's threshold for native and for extended ISO. */
export interface MarksOrder {
  readonly rawClip: boolean;
  readonly rawFloor: boolean;
  readonly pictureWhite: boolean;
  readonly pictureBlack: boolean;
  readonly zebra: { readonly native: ZebraOn; readonly extended: ZebraOn } | null;
  /** Dots on what the highlight pattern reads, while that is the pattern. */
  readonly brightest: boolean;
  /** A mesh over what lies within what is sharp, where the camera sees depth. */
  readonly inFocus: boolean;
  /** Edges in focus light up; null for none. */
  readonly peaking: PeakingMark | null;
  /** Distances in place of the picture, likewise. */
  readonly depth: boolean;
}

/** An exposure beside the present one, to be compared with it. */
export interface OtherExposure {
  readonly shutterS: number;
  readonly iso: number;
  readonly apertureN: number;
}

export interface Order extends FinderAsk {
  /** Rises with every order: a report says which it answers. */
  readonly seq: number;
  readonly optic: string;
  readonly orientation: Orientation;
  /** Of the optic's meter, where it is calibrated by the person. */
  readonly calibration: Calibration | null;
  /** Where the hand meter is held, and with which receptor; null while it is put away. */
  readonly hand: { readonly at: FramePoint; readonly receptor: Receptor } | null;
  /** Set while a table of equivalents is wanted: what gives way. */
  readonly equivalentsFor: SettingId | null;
  /** True while the weights of the whole pattern are wanted. */
  readonly weights: boolean;
  readonly marks: MarksOrder;
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
