// What the program asks of a camera, simulated or real. A new camera is a new folder beside this file.
import type { CameraColour } from '../core/colour/camera';
import type { Body } from '../core/body/body';
import type { Orientation } from '../core/body/orientation';
import type { ExposureSettings } from '../core/exposure/settings';
import type { Facts } from '../core/facts/facts';
import type { Latent } from '../core/frame/queue';
import type { FrameRecord } from '../core/frame/record';
import type { RawFigures } from '../core/frame/record-parts';
import type { Format } from '../core/setting/files';
import type { FramePoint } from '../core/meter/luminance-map';
import type { Known } from '../core/units/known';
import type { Order } from './order';
import type { Report } from './report';

/** How far what is in front of the camera is. */
export type ViewStatus =
  | { readonly kind: 'loading'; readonly view: string; readonly share: number }
  | { readonly kind: 'ready'; readonly view: string }
  | { readonly kind: 'failed'; readonly view: string; readonly message: string };

export type CameraEvent =
  | { readonly kind: 'report'; readonly report: Report }
  | { readonly kind: 'status'; readonly status: ViewStatus }
  /** The finder is dead, or does not come; when it answers after all, a report follows. With `again` the person wants another at once. */
  | { readonly kind: 'fault'; readonly message: string; readonly again?: boolean }
  /** Something that the person should know, and need not do anything about. */
  | { readonly kind: 'note'; readonly message: string }
  /** Its bodies are others now, and the optic that is in use goes by this id. */
  | { readonly kind: 'bodies'; readonly optic: string };

/** One exposure, with what the person saw before it. */
export interface Shot {
  readonly settings: Known<ExposureSettings>;
  readonly orientation: Orientation;
  readonly focusM: Known<number>;
  readonly facts: Facts;
  /** The white that the finder showed, and what it told of raw; undefined where it told nothing. */
  readonly colour: CameraColour | undefined;
  readonly forecast: RawFigures | undefined;
  /** Whole number below 2³¹ that chance is drawn from. */
  readonly seed: number;
  /** How hard the press shook the camera, 0 … 1, and how long ago that was, s. */
  readonly press: number;
  readonly sinceTouchS: number;
}

export interface Sequence {
  /** The order whose report the person saw. */
  readonly answers: number;
  readonly optic: string;
  readonly shots: readonly Shot[];
  /** Its shots come one by one at their moments, for as long as the release is held; the first comes in any case. */
  readonly whileHeld: boolean;
  readonly files: readonly Format[];
}

export interface FrameFile {
  readonly format: Format;
  readonly bytes: Uint8Array;
}

/** A frame that was taken and is to be kept. Its files were read back and hold what was exposed. */
export interface TakenFrame {
  readonly record: FrameRecord;
  /** In the order of the record's. */
  readonly files: readonly FrameFile[];
  readonly thumbnailJpeg: Uint8Array;
}

export const TAKE_STAGES = ['expose', 'picture', 'encode', 'verify'] as const;
export type TakeStage = (typeof TAKE_STAGES)[number];

export type ShotEvent =
  | { readonly kind: 'progress'; readonly shot: number; readonly stage: TakeStage; readonly share: number }
  | { readonly kind: 'frame'; readonly shot: number; readonly frame: TakenFrame };

/** A piece of a capture: its middle in shares of the frame, its size in sites. */
export interface LoupeWindow {
  readonly at: FramePoint;
  readonly width: number;
  readonly height: number;
}

/** What comes of a press, as it comes. */
export type TakeEvent =
  /** Exposures that were made: small records that everything depends on, to be kept at once and made into frames later. */
  { readonly kind: 'exposed'; readonly latents: readonly Latent[] } | ShotEvent;

/** How a press ends before all of it is taken. */
export interface Ends {
  /** Ends it with an AbortError; what was not handed over yet leaves nothing behind. */
  readonly cancel: AbortSignal;
  /** The release was let go: of a sequence that goes on while it is held no more is begun. */
  readonly letGo: AbortSignal;
}

/** Whoever makes frames of what waits, by recipes of one kind. */
export interface Maker {
  /**
   * The files of one: the same whenever and wherever it is done. Aborting the signal ends it with an AbortError.
   * @throws Error in words for people
   */
  make(latent: Latent, signal: AbortSignal): AsyncIterable<ShotEvent>;
}

export interface Camera {
  /** The bodies that it is: one, or several that the person can choose from. They may change while it is open. */
  readonly bodies: readonly Body[];
  /**
   * Draws the finder on a canvas that nobody has drawn on, until the signal ends it. Events come as they happen; a reader that is
   * slower than the frames gets the newest.
   */
  open(canvas: HTMLCanvasElement, signal: AbortSignal): AsyncIterable<CameraEvent>;
  apply(order: Order): void;
  /** Takes what a press asks for, and tells of it as it comes. @throws Error in words for people */
  take(sequence: Sequence, ends: Ends): AsyncIterable<TakeEvent>;
  /** A piece of the capture that a report tells of, one pixel a site. Absent where the camera cannot know it before the press. */
  loupe?(window: LoupeWindow, report: Report): Promise<ImageBitmap>;
}
