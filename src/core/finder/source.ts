// What the finder looks at: a camera's preview, simulated or real. The finder asks for frames and knows nothing of where they come
// from.
import type { DepthPicture } from './depth';
import type { CameraMatrices } from '../colour/calibrated';
import type { CameraColour } from '../colour/camera';
import type { LensReach } from '../exposure/automatic';
import type { ExposureSettings } from '../exposure/settings';
import type { FocusSource } from '../focus/follow';
import type { PeakingStrength } from '../focus/peaking';
import type { MeterSight } from '../meter/luminance-map';
import type { RawFrame } from '../sensor/raw-frame';
import type { SensorModel } from '../sensor/sensor';

/** When a frame is taken, and how long ago the camera was touched. */
export interface Moment {
  readonly timeS: number;
  readonly sinceTouchS: number;
}

export interface ObserveAsk {
  readonly settings: ExposureSettings;
  readonly focusM: number;
  /** Counts the frames: of two with the same number the noise is the same. */
  readonly number: number;
  readonly moment: Moment;
  /** The white so far; undefined before the first frame. */
  readonly colour: CameraColour | undefined;
}

/** Light on places in rows of `width`, each in the colour channel of a mosaic, lx. */
export interface Samples {
  readonly light: Float32Array;
  readonly width: number;
}

/** Light before it is exposed: what will be in a frame and what a capture will hold. */
export interface Observed {
  /** Light on each sample in its own colour channel, lx. Stays as it is until the next look. */
  readonly light: Float32Array;
  /** True when the lens was set anew since the look before, so that all of the light was made anew. */
  readonly refocused: boolean;
  /**
   * Light on single points of the picture, for counting: samples average many sites and hide what is small. As many as the finder's samples at their most,
   * however small its frames are made.
   * @returns null while it is what it was; `again` asks for it all the same
   */
  points(again: boolean): Samples | null;
  /** Light on a sample where the meter's peak channel has this level (`MeterSight.brightest`), lx. */
  luxOf(level: number): number;
  expose(): RawFrame;
}

/** How edges in focus are looked for. */
export interface PeaksAsk {
  /** Aperture and filter as they are set: the time and the ISO of a look are its own. */
  readonly settings: ExposureSettings;
  readonly focusM: number;
  /** EV at ISO 100 that it is exposed for. */
  readonly ev100: number;
  readonly strength: PeakingStrength;
  /** Of the noise. */
  readonly seed: number;
}

export interface Source extends FocusSource {
  /** Samples of a frame. */
  readonly width: number;
  readonly height: number;
  readonly sight: MeterSight;
  readonly lens: LensReach;
  /** Longest time that is held by hand, s; null where time costs nothing. */
  readonly steadyS: number | null;
  readonly sensor: SensorModel;
  readonly matrices: CameraMatrices;
  /** What a depth sensor tells; null where there is none. */
  readonly depth: DepthPicture | null;
  /**
   * Samples in which an edge is in focus through the lens as it is set, by what single sites show; null while there is nothing to look at.
   */
  peaks(ask: PeaksAsk): Uint32Array | null;
  observe(ask: ObserveAsk): Observed;
}
