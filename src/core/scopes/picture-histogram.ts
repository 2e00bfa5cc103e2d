// Histogram of the developed picture: 256 bins of sRGB code values for R, G, B and Rec. 709 luminance.

export interface PictureHistogram {
  readonly r: Uint32Array;
  readonly g: Uint32Array;
  readonly b: Uint32Array;
  readonly luminance: Uint32Array;
  readonly pixels: number;
}

/** @param rgba interleaved 8-bit code values; alpha is not looked at */
export function pictureHistogram(rgba: Uint8ClampedArray | Uint8Array): PictureHistogram {
  const make = () => new Uint32Array(256);
  const [r, g, b, luminance] = [make(), make(), make(), make()];
  for (let i = 0; i + 3 < rgba.length; i += 4) {
    const [cr, cg, cb] = [rgba[i]!, rgba[i + 1]!, rgba[i + 2]!];
    r[cr]!++;
    g[cg]!++;
    b[cb]!++;
    // Weights of Rec. 709 in 1/65536, rounded to the nearest code.
    luminance[(13933 * cr + 46871 * cg + 4732 * cb + 32768) >> 16]!++;
  }
  return { r, g, b, luminance, pixels: rgba.length >> 2 };
}
