// Raw → picture: black, white balance, bilinear demosaic, camera matrix, a plain tone curve, sRGB. The picture's
// brightness follows DNG BaselineExposure, so extended low ISO comes out darker from the same raw numbers.
import { balanceGains, srgbFromBalanced } from '../colour/camera';
import { encodeSrgb } from '../colour/srgb';
import { extendedStops, type ExposureSettings } from '../exposure/settings';
import type { RawFrame } from '../sensor/raw-frame';

/**
 * Stops from raw full scale to picture white at base ISO: a metered grey lies at 0.08125/0.78 of saturation
 * (ISO 12232) and belongs at 18 %, so the picture is raised by log2(0.18/0.10417) = 0.79 EV.
 */
const NATIVE_BASELINE_EV = Math.log2((0.18 * 0.78) / 0.08125);

/** DNG BaselineExposure for these settings, EV. */
export function baselineExposureEv(settings: Pick<ExposureSettings, 'iso'>): number {
  return NATIVE_BASELINE_EV - extendedStops(settings.iso);
}

/**
 * The plain tone curve: straight (slope 1) up to a knee, then one cubic to white at the point where raw clips, so that a
 * burnt highlight is white whatever the baseline.
 * @param x linear light, 1 = a 100 % white under the metered exposure
 * @param clipAt the value of x at which raw clips (2^baseline)
 */
export function toneCurve(x: number, clipAt: number): number {
  if (x <= 0) return 0;
  if (x >= clipAt) return 1;
  const knee = 0.42 * Math.min(1, clipAt);
  if (x <= knee) return x;
  const span = clipAt - knee;
  const t = (x - knee) / span;
  const slopeOut = clipAt > 1 ? 0.12 * span : 1.1 * span;
  const [t2, t3] = [t * t, t * t * t];
  return (2 * t3 - 3 * t2 + 1) * knee + (t3 - 2 * t2 + t) * span + (-2 * t3 + 3 * t2) + (t3 - t2) * slopeOut;
}

const TONE_STEPS = 4096;

/** Everything about a development that does not depend on the pixel, tabulated. */
export interface Developer {
  /** Balanced linear value (0 … 1 = raw clip) of each DN, a table for R, G, B. */
  readonly linear: readonly [Float32Array, Float32Array, Float32Array];
  /** Camera → linear sRGB, row by row. */
  readonly matrix: Float64Array;
  /** Code value 0 … 255 of linear 0 … 1 in TONE_STEPS steps. */
  readonly tone: Uint8Array;
}

export function developerFor(frame: Pick<RawFrame, 'black' | 'white' | 'colour' | 'settings'>): Developer {
  const { black, white, colour } = frame;
  const gains = balanceGains(colour);
  // A balanced channel is cut at the level of the weakest one: what is burnt becomes white, not magenta.
  const linear = gains.map((gain) =>
    Float32Array.from({ length: 65536 }, (_, dn) =>
      Math.min(1, Math.max(-0.02, (dn - black) / (white - black)) * gain),
    ),
  ) as unknown as Developer['linear'];
  const clipAt = 2 ** baselineExposureEv(frame.settings);
  const tone = Uint8Array.from({ length: TONE_STEPS + 1 }, (_, i) =>
    // Steps go by the square root: even in the shadows one step is less than one code value.
    Math.round(255 * encodeSrgb(toneCurve((i / TONE_STEPS) ** 2 * clipAt, clipAt))),
  );
  return { linear, matrix: Float64Array.from(srgbFromBalanced(colour).flat()), tone };
}

export interface Region {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/**
 * Develops a region of an RGGB mosaic at one picture pixel a site.
 * @param rgba receives region.width × region.height opaque pixels
 * @throws RangeError when the region leaves the frame
 */
export function developRegion(
  frame: Pick<RawFrame, 'width' | 'height' | 'data'>,
  developer: Developer,
  region: Region,
  rgba: Uint8ClampedArray,
): void {
  const { width, height, data } = frame;
  if (region.x < 0 || region.y < 0 || region.x + region.width > width || region.y + region.height > height) {
    throw new RangeError('The region leaves the frame');
  }
  if (width < 2 || height < 2) throw new RangeError('A mosaic needs two rows and two columns');
  const [lr, lg, lb] = developer.linear;
  const m = developer.matrix;
  const [m0, m1, m2, m3, m4, m5, m6, m7, m8] = [m[0]!, m[1]!, m[2]!, m[3]!, m[4]!, m[5]!, m[6]!, m[7]!, m[8]!];
  const tone = developer.tone;
  let o = 0;
  for (let y = region.y; y < region.y + region.height; y++) {
    const row = y * width;
    const up = (y > 0 ? y - 1 : 1) * width;
    const down = (y < height - 1 ? y + 1 : height - 2) * width;
    const oddRow = y & 1;
    for (let x = region.x; x < region.x + region.width; x++, o += 4) {
      const l = x > 0 ? x - 1 : 1;
      const r = x < width - 1 ? x + 1 : width - 2;
      let red: number;
      let green: number;
      let blue: number;
      if ((x & 1) === oddRow) {
        // A red site (even row) or a blue one (odd row): green beside it, the other colour at the corners.
        green = (lg[data[row + l]!]! + lg[data[row + r]!]! + lg[data[up + x]!]! + lg[data[down + x]!]!) * 0.25;
        const far = oddRow ? lr : lb;
        const corners = (far[data[up + l]!]! + far[data[up + r]!]! + far[data[down + l]!]! + far[data[down + r]!]!) * 0.25;
        if (oddRow) {
          blue = lb[data[row + x]!]!;
          red = corners;
        } else {
          red = lr[data[row + x]!]!;
          blue = corners;
        }
      } else {
        green = lg[data[row + x]!]!;
        if (oddRow) {
          blue = (lb[data[row + l]!]! + lb[data[row + r]!]!) * 0.5;
          red = (lr[data[up + x]!]! + lr[data[down + x]!]!) * 0.5;
        } else {
          red = (lr[data[row + l]!]! + lr[data[row + r]!]!) * 0.5;
          blue = (lb[data[up + x]!]! + lb[data[down + x]!]!) * 0.5;
        }
      }
      rgba[o] = code(tone, m0 * red + m1 * green + m2 * blue);
      rgba[o + 1] = code(tone, m3 * red + m4 * green + m5 * blue);
      rgba[o + 2] = code(tone, m6 * red + m7 * green + m8 * blue);
      rgba[o + 3] = 255;
    }
  }
}

function code(tone: Uint8Array, linear: number): number {
  return linear <= 0 ? 0 : linear >= 1 ? 255 : tone[(Math.sqrt(linear) * TONE_STEPS) | 0]!;
}

/**
 * A smaller developed picture: the mosaic is averaged cell by cell to `width` × `height`, then developed. For
 * previews and thumbnails.
 */
export function developReduced(frame: RawFrame, width: number, height: number): Uint8ClampedArray {
  const developer = developerFor(frame);
  const [lr, lg, lb] = developer.linear;
  const m = developer.matrix;
  const rgba = new Uint8ClampedArray(width * height * 4);
  const cellsX = frame.width >> 1;
  const cellsY = frame.height >> 1;
  for (let y = 0; y < height; y++) {
    const y0 = Math.floor((y * cellsY) / height);
    const y1 = Math.max(y0 + 1, Math.floor(((y + 1) * cellsY) / height));
    for (let x = 0; x < width; x++) {
      const x0 = Math.floor((x * cellsX) / width);
      const x1 = Math.max(x0 + 1, Math.floor(((x + 1) * cellsX) / width));
      let [red, green, blue] = [0, 0, 0];
      for (let cy = y0; cy < y1; cy++) {
        for (let cx = x0; cx < x1; cx++) {
          const i = 2 * cy * frame.width + 2 * cx;
          red += lr[frame.data[i]!]!;
          green += lg[frame.data[i + 1]!]! + lg[frame.data[i + frame.width]!]!;
          blue += lb[frame.data[i + frame.width + 1]!]!;
        }
      }
      const n = (y1 - y0) * (x1 - x0);
      red /= n;
      green /= 2 * n;
      blue /= n;
      const o = (y * width + x) * 4;
      for (let c = 0; c < 3; c++) {
        rgba[o + c] = code(developer.tone, m[3 * c]! * red + m[3 * c + 1]! * green + m[3 * c + 2]! * blue);
      }
      rgba[o + 3] = 255;
    }
  }
  return rgba;
}
