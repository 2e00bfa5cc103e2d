// What a meter reads: scene luminance over the frame, corrected for the fall-off of the lens.

export interface LuminanceMap {
  readonly width: number;
  readonly height: number;
  /** cd/m², row by row. */
  readonly data: Float32Array;
}

/** A place in the frame, 0 … 1 from the left and from the top. */
export interface FramePoint {
  readonly x: number;
  readonly y: number;
}
