// A picture of a scene by one of its lamps, and a part of one.

/** A square or oblong picture of three interleaved linear values a pixel, cd/m². */
export interface Plate {
  readonly width: number;
  readonly height: number;
  readonly data: Float32Array;
}

/** A stretch of a plate, in its pixels. */
export interface PlatePart {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
