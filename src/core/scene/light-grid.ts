// The grid that light is worked out on: a whole frame, full or a preview's, or a window of one.
import type { Ground } from './view';

/** A stretch of a frame, in sites; it begins at an even row and column, so that colours lie as in the whole. */
export interface FrameWindow {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The grid of sites, or of a preview's samples, that light falls on: a whole frame, or a window of one. */
export interface LightGrid {
  readonly view: Ground;
  readonly focusM: number;
  readonly width: number;
  readonly height: number;
  /** Where the grid begins in the whole frame, and how large that is. */
  readonly x0: number;
  readonly y0: number;
  readonly wholeWidth: number;
  readonly wholeHeight: number;
  readonly longSide: number;
  /** Sites of the full sensor that each sample stands for. */
  readonly sitesPerSample: number;
  readonly siteMm: number;
}
