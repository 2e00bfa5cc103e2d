// What a meter sees: scene luminance over the frame, the light of the channel that clips first, and how far it can be trusted.

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

/** Luminance between which a meter's own exposures are neither clipped nor lost in noise, cd/m². */
export interface MeterRange {
  readonly floor: number;
  readonly clip: number;
}

export interface MeterSight {
  /** Corrected for the fall-off of the lens. */
  readonly luminance: LuminanceMap;
  /**
   * The most exposed raw channel, as the luminance of a neutral that would expose it as much; with the lens' fall-off, since
   * that is what clips.
   */
  peak(): LuminanceMap;
  /** Level in the unit of `peak` that the brightest `share` of the frame reaches, in fine detail. */
  brightest(share: number): number;
  readonly range: MeterRange;
}

/** A meter that sees only a map, without limits: for maps that do not come from a camera. */
export function sightOf(luminance: LuminanceMap): MeterSight {
  return {
    luminance,
    peak: () => luminance,
    brightest: (share) => {
      const sorted = Float32Array.from(luminance.data).sort();
      const above = Math.max(1, Math.ceil(sorted.length * share));
      return sorted[Math.max(0, sorted.length - above)] ?? 0;
    },
    range: { floor: 0, clip: Infinity },
  };
}
