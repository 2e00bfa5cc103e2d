// Histogram of the developed picture: 256 bins of sRGB code values for R, G, B and Rec. 709 luminance.

import { histogramByKernel } from '../raw/scopes-kernel';

export interface PictureHistogram {
  readonly r: Uint32Array;
  readonly g: Uint32Array;
  readonly b: Uint32Array;
  readonly luminance: Uint32Array;
  readonly pixels: number;
}

/** @param rgba interleaved 8-bit code values, four bytes a pixel; alpha is not looked at */
export function pictureHistogram(rgba: Uint8ClampedArray | Uint8Array): PictureHistogram {
  const pixels = new Uint32Array(rgba.buffer, rgba.byteOffset, rgba.length >> 2);
  const counted = histogramByKernel(pixels);
  if (counted) {
    const [r, g, b, luminance] = counted;
    return { r: r!, g: g!, b: b!, luminance: luminance!, pixels: pixels.length };
  }
  const r = new Uint32Array(256);
  const g = new Uint32Array(256);
  const b = new Uint32Array(256);
  const luminance = new Uint32Array(256);
  for (let i = 0; i < pixels.length; i++) {
    const pixel = pixels[i]!;
    const cr = pixel & 255;
    const cg = (pixel >>> 8) & 255;
    const cb = (pixel >>> 16) & 255;
    r[cr]!++;
    g[cg]!++;
    b[cb]!++;
    // Weights of Rec. 709 in 1/65536, rounded to the nearest code.
    luminance[(13933 * cr + 46871 * cg + 4732 * cb + 32768) >> 16]!++;
  }
  return { r, g, b, luminance, pixels: pixels.length };
}
