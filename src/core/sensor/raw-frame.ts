// The raw frame: the hinge of the program. Cameras make it; meter, scopes, development and files read it.
import type { CameraColour } from '../colour/camera';
import type { Rendering } from '../colour/rendering';
import type { ExposureSettings } from '../exposure/settings';

/** Noise of a raw frame: variance in DN² at a signal of s DN above black is `shot`·s + `read`. */
export interface NoiseModel {
  /** DN² per DN: the system gain in DN/e⁻ (divided by the number of sites averaged). */
  readonly shot: number;
  /** DN². */
  readonly read: number;
}

export interface FrameSource {
  readonly make: string;
  readonly camera: string;
  readonly lens: string;
  /** Of the lens as it is sold, in plain ASCII: the same at every focal length of a zoom. */
  readonly lensModel: string;
  /** Widest f-number at this focal length. */
  readonly widestN: number;
  readonly focalLengthMm: number;
  readonly equivalentMm: number;
  /** Of a zoom: shortest and longest focal length, mm, and the widest f-number at each. */
  readonly lensRange?: readonly [number, number, number, number];
  /** Distance the lens was focused at, m; Infinity is allowed. */
  readonly focusM?: number;
  readonly scene?: string;
  readonly seed?: number;
}

/** One value for each of `CFA_NAMES`. */
export type PerSite<T> = readonly [T, T, T, T];

/** Columns and rows that are missing before the first whole cell R G / G B: [0, 0] for RGGB, [1, 0] for GRBG, [0, 1] for GBRG, [1, 1] for BGGR. */
export type BayerPhase = readonly [0 | 1, 0 | 1];

/** The numbers of a sensor behind a Bayer filter, of any phase. */
export interface Mosaic {
  readonly width: number;
  readonly height: number;
  /** RGGB when absent: row 0 is R G R G …, row 1 G B G B …. */
  readonly phase?: BayerPhase;
  /** width × height numbers, row by row. */
  readonly data: Uint16Array;
  /** Of all sites; where they differ, the mean of the four. */
  readonly black: number;
  /** Where black differs from site to site of a cell. */
  readonly blacks?: PerSite<number>;
  readonly white: number;
}

interface Part {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Which part of an image is to be seen, and how it is to be turned; all of it, as stored, where nothing is said. */
export interface Seen {
  /** The part that counts, in columns and rows of the image: figures are of it (DNG DefaultCrop). */
  readonly crop?: Part;
  /** What of that is inside the person's frame lines, in columns and rows of the image: pictures are of it (DNG DefaultUserCrop). */
  readonly userCrop?: Part;
  /** TIFF's Orientation. */
  readonly orientation?: 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8;
  /** Degrees that the frame lines are turned clockwise about their middle, over the image as it is stored. */
  readonly tiltDeg?: number;
}

/** A mosaic with what is needed to look at it, whoever made it. */
export interface RawImage extends Mosaic, Seen {
  readonly layout: 'cfa';
  readonly colour: CameraColour;
  /** Of a full-size site; null when nobody knows it. */
  readonly noise: NoiseModel | null;
  /** Stops that the picture is raised over raw (DNG BaselineExposure). */
  readonly baselineEv: number;
  /** Tones and colours other than plain. */
  readonly rendering?: Rendering;
}

/** One exposure of a camera of ours. */
export interface RawFrame extends RawImage {
  readonly noise: NoiseModel;
  readonly settings: ExposureSettings;
  /** Time of the capture, ms since 1970 UTC, and the local offset in minutes. */
  readonly timeMs: number;
  readonly offsetMinutes: number;
  readonly source: FrameSource;
}

/** The four sites of a 2×2 cell in reading order. G1 shares rows with red, G2 with blue. */
export const CFA_NAMES = ['R', 'G1', 'G2', 'B'] as const;
export type CfaName = (typeof CFA_NAMES)[number];

/** Index into `CFA_NAMES` of the site at (x, y). */
export function cfaIndex(x: number, y: number): number {
  return ((y & 1) << 1) | (x & 1);
}

/** Black of one of `CFA_NAMES`. */
export function blackOf({ black, blacks }: Pick<Mosaic, 'black' | 'blacks'>, channel: number): number {
  return blacks?.[channel] ?? black;
}

/** How far below white a site counts as clipped, DN: saturation is dead-on, the guard only covers averaging. */
const CLIP_GUARD_DN = 4;

/** DN from which a site counts as clipped. */
export function clipLevel({ black, white }: { black: number; white: number }): number {
  return Math.max(black + 1, white - Math.min(CLIP_GUARD_DN, Math.floor((white - black) / 64)));
}

/**
 * DN above black at which signal equals noise (SNR = 1): s² = shot·s + read, EMVA 1288 terms. Uses the noise of one
 * full-size site, so that a binned preview counts the same shadows as the capture.
 */
export function floorSignal(noise: NoiseModel): number {
  return (noise.shot + Math.sqrt(noise.shot * noise.shot + 4 * noise.read)) / 2;
}
