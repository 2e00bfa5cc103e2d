// What the program asks of a camera, simulated or real: a profile, settings to apply, a stream of reports, captures
// as a sequence of events with a cancel. A new camera is a new folder beside this file.
import type { CameraId, LensId } from '../core/sensor/simulated-camera';
import type { CaptureOutcome, CaptureStage, WorldPress } from '../workers/darkroom.worker';
import type { FinderOrder, FinderReport, SceneStatus } from '../workers/finder-protocol';

export interface LensProfile {
  readonly id: LensId;
  readonly name: string;
  readonly apertureN: number;
  /** Set for a lens with an iris. */
  readonly narrowestN?: number;
  readonly equivalentMm: number;
  readonly focalLengthMm: number;
  readonly closestM: number;
  readonly hyperfocalM: number;
  /** Set for a lens without a focus drive. */
  readonly fixedFocusM?: number;
}

export interface CameraProfile {
  readonly id: CameraId;
  readonly name: string;
  /** What it is, in few words. */
  readonly says: string;
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
  /** One, or several bodies that the person can choose from. */
  readonly profiles: readonly CameraProfile[];
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

/** The body that a lens belongs to. @throws RangeError when there is none */
export function bodyOf({ profiles }: Pick<Camera, 'profiles'>, id: LensId): CameraProfile {
  const found = profiles.find(({ lenses }) => lenses.some((lens) => lens.id === id));
  if (!found) throw new RangeError(`No lens ${id}`);
  return found;
}

/** The lens of that id. @throws RangeError when there is none */
export function lensOf(camera: Pick<Camera, 'profiles'>, id: LensId): LensProfile {
  return bodyOf(camera, id).lenses.find((lens) => lens.id === id)!;
}
