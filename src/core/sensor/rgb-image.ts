// An image of three linear components a pixel, made from a finished picture or by another program's hand; and either kind of image.
import type { CameraColour } from '../colour/camera';
import type { Rendering } from '../colour/rendering';
import type { Mosaic, NoiseModel, RawImage, Seen } from './raw-frame';

/** Linear R, G, B of every pixel. */
export interface Components {
  readonly width: number;
  readonly height: number;
  /** 3 × width × height numbers: R, G, B of each pixel, row by row. */
  readonly data: Uint16Array;
  readonly black: number;
  readonly white: number;
}

/** Three components with what is needed to look at them. */
export interface RgbImage extends Components, Seen {
  readonly layout: 'rgb';
  readonly colour: CameraColour;
  /** Of one component; null when nobody knows it. */
  readonly noise: NoiseModel | null;
  /** Stops that the picture is raised over the numbers (DNG BaselineExposure). */
  readonly baselineEv: number;
  /** Tones and colours other than plain. */
  readonly rendering?: Rendering;
}

export type LinearImage = RawImage | RgbImage;

/** The numbers of an image of either kind, and which part of them counts. */
export type ImageNumbers = (
  | (Mosaic & { readonly layout: 'cfa' })
  | (Components & { readonly layout: 'rgb' })
) &
  Seen;

export const RGB_NAMES = ['R', 'G', 'B'] as const;
