// What the program asks of a camera, simulated or real: a profile, settings to apply, a stream of reports, captures
// as a sequence of events with a cancel. A new camera is a new folder beside this file.
import type { LensId } from '../core/sensor/sim-one';
import type { CaptureOutcome, CaptureStage, WorldPress } from '../workers/darkroom.worker';
import type { FinderOrder, FinderReport, SceneStatus } from '../workers/finder-protocol';

export interface LensProfile {
  readonly id: LensId;
  readonly name: string;
  readonly apertureN: number;
  readonly equivalentMm: number;
  readonly focalLengthMm: number;
  readonly closestM: number;
  readonly hyperfocalM: number;
  /** Set for a lens without a focus drive. */
  readonly fixedFocusM?: number;
}

export interface CameraProfile {
  readonly name: string;
  /** From the widest to the longest. */
  readonly lenses: readonly LensProfile[];
  readonly megapixels: number;
  /** A usual DNG of this camera, bytes: to tell how many frames are left. */
  readonly typicalFrameBytes: number;
  /** True when the world in front of the camera is simulated too and can be arranged. */
  readonly arrangedWorld: boolean;
}

export type CapturePlan = WorldPress;

export type CaptureEvent =
  { readonly kind: 'progress'; readonly stage: CaptureStage; readonly share: number } | CaptureOutcome;

export interface Camera {
  readonly profile: CameraProfile;
  /** Gives the camera the canvas it draws the finder on. @throws Error when the camera cannot start. */
  open(
    canvas: HTMLCanvasElement,
    onReport: (report: FinderReport) => void,
    onScene: (status: SceneStatus) => void,
  ): Promise<void>;
  apply(order: FinderOrder): void;
  /** Takes a frame; ends after `saved` or `unsaved`. Aborting the signal ends it with an AbortError and keeps nothing. */
  capture(plan: CapturePlan, signal: AbortSignal): AsyncGenerator<CaptureEvent, void, void>;
  close(): void;
}

/** The lens of that id. @throws RangeError when the camera has none */
export function lensOf({ lenses }: CameraProfile, id: LensId): LensProfile {
  const found = lenses.find((lens) => lens.id === id);
  if (!found) throw new RangeError(`No lens ${id}`);
  return found;
}
