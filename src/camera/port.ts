// What the program asks of a camera, simulated or real: a profile, settings to apply, a stream of reports, captures
// as a sequence of events with a cancel. A new camera is a new folder beside this file.
import type { Press } from '../core/frame/shoot';
import type { Orientation } from '../core/scene/view';
import type { CaptureOutcome, CaptureStage } from '../workers/darkroom.worker';
import type { FinderOrder, FinderReport } from '../workers/finder-protocol';

export interface CameraProfile {
  readonly name: string;
  readonly lensName: string;
  readonly apertureN: number;
  readonly equivalentMm: number;
  readonly megapixels: number;
  /** A usual DNG of this camera, bytes: to tell how many frames are left. */
  readonly typicalFrameBytes: number;
}

export type CapturePlan = Omit<Press, 'scene'> & { readonly orientation: Orientation };

export type CaptureEvent =
  { readonly kind: 'progress'; readonly stage: CaptureStage; readonly share: number } | CaptureOutcome;

export interface Camera {
  readonly profile: CameraProfile;
  /** Gives the camera the canvas it draws the finder on. @throws Error when the camera cannot start. */
  open(canvas: HTMLCanvasElement, onReport: (report: FinderReport) => void): Promise<void>;
  apply(order: FinderOrder): void;
  /** Takes a frame; ends after `saved` or `unsaved`. Aborting the signal ends it with an AbortError and keeps nothing. */
  capture(plan: CapturePlan, signal: AbortSignal): AsyncGenerator<CaptureEvent, void, void>;
  close(): void;
}
