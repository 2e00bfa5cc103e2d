// Any linear image as DNG 1.4: IFD0 with an RGB thumbnail and the facts of the file, a SubIFD with the raw numbers of a mosaic or of three components, and
// one with a JPEG preview; a function for each. What is said of the image is handed in.
import type { CameraMatrices } from '../colour/calibrated';
import type { Facts } from '../facts/facts';
import type { Vec3 } from '../numeric/matrix';
import { blackOf, cfaIndex, type Mosaic, type NoiseModel } from '../sensor/raw-frame';
import type { ImageNumbers } from '../sensor/rgb-image';
import type { CodecId } from './codec/codecs';
import { creditFields } from './credit-fields';
import { exifDateTime, isoDateTime } from './exif-time';
import { illuminantCode } from './illuminants';
import { jpegInfo } from './jpeg-info';
import { writeSamples } from './samples';
import { COMPRESSION, PHOTOMETRIC, TAG, TYPE } from './tags';
import {
  ascii,
  byte,
  double,
  long,
  raw,
  rational,
  short,
  srational,
  TiffWriter,
  type Field,
} from './tiff-writer';
import { SOFTWARE } from './xmp';

export interface Picture {
  readonly width: number;
  readonly height: number;
  /** 8-bit R, G, B, A interleaved. */
  readonly rgba: Uint8ClampedArray;
}

/** What stands beside the raw image. Both are turned as it is: one Orientation stands for all. */
export interface Previews {
  readonly thumbnail: Picture;
  /** A finished baseline JPEG of the developed picture. */
  readonly previewJpeg: Uint8Array;
}

/** What the numbers mean in light. */
export interface DngColour {
  readonly matrices: CameraMatrices;
  /** Numbers of a white surface, R, G, B. */
  readonly asShotNeutral: Vec3;
  /** Stops that the picture is raised over the numbers. */
  readonly baselineEv: number;
}

/** What is said of the image. */
export interface DngFacts {
  readonly make?: string;
  /** ASCII. */
  readonly model: string;
  /** ms since 1970 UTC, and the local offset in minutes. */
  readonly timeMs: number;
  readonly offsetMinutes: number;
  readonly exif: readonly Field[];
  readonly xmp: Uint8Array;
  readonly credit: Pick<Facts, 'credit' | 'position'>;
}

export interface DngContent {
  /** The numbers, the part that counts, and how they are turned; tilt has no tag. `noise` of a single number, where it is known. */
  readonly image: ImageNumbers & { readonly noise: NoiseModel | null };
  readonly colour: DngColour;
  /** An image that it does not carry, or that is too narrow for its tiles, is written plain. */
  readonly codec: CodecId;
  readonly previews: Previews;
  readonly facts: DngFacts;
  /** Called with the share of raw data written; throw from it to cancel. */
  readonly onProgress?: (share: number) => void;
}

/** The whole file. @throws RangeError when the image's numbers do not fit its size */
export function writeDng(content: DngContent): Uint8Array {
  const { image, previews, facts } = content;
  const { width, height, data } = image;
  const [least, samples] = image.layout === 'cfa' ? [2, 1] : [1, 3];
  if (width < least || height < least || data.length !== samples * width * height) {
    const what = image.layout === 'cfa' ? 'A mosaic' : 'An image of three components';
    throw new RangeError(`${what} of ${width}×${height} with ${data.length} numbers`);
  }
  const writer = new TiffWriter();
  const thumbnail = writer.append(rgbOf(previews.thumbnail));
  const preview = writer.append(previews.previewJpeg);
  const rawIfd = writer.appendDirectory(rawDirectory(content, writer));
  const previewIfd = writer.appendDirectory(previewDirectory(facts, previews.previewJpeg, preview));
  const exifIfd = writer.appendDirectory(facts.exif);
  return writer.finish(
    writer.appendDirectory([
      ...mainDirectory(content, { thumbnail, rawIfd, previewIfd, exifIfd }),
      ...creditFields(facts.credit, writer),
    ]),
  );
}

function mainDirectory(
  { image, colour, previews, facts }: DngContent,
  at: { thumbnail: number; rawIfd: number; previewIfd: number; exifIfd: number },
): Field[] {
  const { width, height } = previews.thumbnail;
  return [
    long(TAG.NewSubfileType, 1),
    long(TAG.ImageWidth, width),
    long(TAG.ImageLength, height),
    short(TAG.BitsPerSample, 8, 8, 8),
    short(TAG.Compression, COMPRESSION.none),
    short(TAG.PhotometricInterpretation, PHOTOMETRIC.rgb),
    ...(facts.make === undefined ? [] : [ascii(TAG.Make, facts.make)]),
    ascii(TAG.Model, facts.model),
    long(TAG.StripOffsets, at.thumbnail),
    short(TAG.Orientation, image.orientation ?? 1),
    short(TAG.SamplesPerPixel, 3),
    long(TAG.RowsPerStrip, height),
    long(TAG.StripByteCounts, width * height * 3),
    rational(TAG.XResolution, 72),
    rational(TAG.YResolution, 72),
    short(TAG.PlanarConfiguration, 1),
    short(TAG.ResolutionUnit, 2),
    ascii(TAG.Software, SOFTWARE),
    ascii(TAG.DateTime, exifDateTime(facts.timeMs, facts.offsetMinutes)),
    long(TAG.SubIFDs, at.rawIfd, at.previewIfd),
    raw(TAG.XMP, TYPE.BYTE, facts.xmp),
    long(TAG.ExifIFD, at.exifIfd),
    byte(TAG.DNGVersion, 1, 4, 0, 0),
    byte(TAG.DNGBackwardVersion, 1, 1, 0, 0),
    ascii(TAG.UniqueCameraModel, facts.model),
    ...calibrationFields(colour.matrices),
    rational(TAG.AsShotNeutral, ...colour.asShotNeutral),
    srational(TAG.BaselineExposure, colour.baselineEv),
    rational(TAG.BaselineNoise, 1),
    rational(TAG.BaselineSharpness, 1),
    rational(TAG.LinearResponseLimit, 1),
  ];
}

/** What the camera's calibration found, one or two of it. */
function calibrationFields(matrices: CameraMatrices): Field[] {
  const tags = [
    [TAG.ColorMatrix1, TAG.ForwardMatrix1, TAG.CalibrationIlluminant1],
    [TAG.ColorMatrix2, TAG.ForwardMatrix2, TAG.CalibrationIlluminant2],
  ] as const;
  return matrices.flatMap(({ kelvin, matrix, forward }, i) => {
    const [colorTag, forwardTag, illuminantTag] = tags[i]!;
    return [
      srational(colorTag, ...matrix.flat()),
      ...(forward ? [srational(forwardTag, ...forward.flat())] : []),
      short(illuminantTag, illuminantCode(kelvin)),
    ];
  });
}

function rawDirectory({ image, codec, onProgress }: DngContent, writer: TiffWriter): Field[] {
  const { width, height, black, white, noise } = image;
  const range = white - black;
  const samples = image.layout === 'cfa' ? 1 : 3;
  return [
    long(TAG.NewSubfileType, 0),
    long(TAG.ImageWidth, width),
    long(TAG.ImageLength, height),
    short(TAG.BitsPerSample, ...each(samples, 16)),
    short(TAG.SamplesPerPixel, samples),
    short(TAG.PlanarConfiguration, 1),
    ...writeSamples({ width, height, samples, data: image.data }, codec, writer, onProgress),
    ...(image.layout === 'cfa' ? mosaicFields(image) : componentFields(image)),
    short(TAG.WhiteLevel, ...each(samples, white)),
    rational(TAG.DefaultScale, 1, 1),
    ...cropFields(image),
    long(TAG.ActiveArea, 0, 0, height, width),
    // Variance = S·x + O of the signal x scaled to 0 … 1 (DNG specification, NoiseProfile).
    ...(noise ? [double(TAG.NoiseProfile, noise.shot / range, noise.read / (range * range))] : []),
  ];
}

/** The same for each number of a pixel. */
function each(samples: 1 | 3, value: number): number[] {
  return new Array<number>(samples).fill(value);
}

function mosaicFields(mosaic: Mosaic): Field[] {
  return [
    short(TAG.PhotometricInterpretation, PHOTOMETRIC.cfa),
    short(TAG.CFARepeatPatternDim, 2, 2),
    byte(TAG.CFAPattern, ...patternOf(mosaic)),
    byte(TAG.CFAPlaneColor, 0, 1, 2),
    short(TAG.CFALayout, 1),
    ...mosaicBlack(mosaic),
  ];
}

function componentFields({ black }: { readonly black: number }): Field[] {
  return [
    short(TAG.PhotometricInterpretation, PHOTOMETRIC.linearRaw),
    short(TAG.BlackLevelRepeatDim, 1, 1),
    short(TAG.BlackLevel, ...each(3, black)),
  ];
}

/** The part that counts, and as shares of it what is inside the frame lines. */
function cropFields({
  width,
  height,
  crop = { x: 0, y: 0, width, height },
  userCrop,
}: ImageNumbers): Field[] {
  const place = [
    long(TAG.DefaultCropOrigin, crop.x, crop.y),
    long(TAG.DefaultCropSize, crop.width, crop.height),
  ];
  if (!userCrop) return place;
  const [top, left] = [userCrop.y - crop.y, userCrop.x - crop.x];
  const share = (v: number, of: number): [number, number] => [v, of];
  return [
    ...place,
    rational(
      TAG.DefaultUserCrop,
      share(top, crop.height),
      share(left, crop.width),
      share(top + userCrop.height, crop.height),
      share(left + userCrop.width, crop.width),
    ),
  ];
}

/** Colours of the first 2×2 cell in reading order: 0 red, 1 green, 2 blue. */
function patternOf({ phase: [px, py] = [0, 0] }: Mosaic): number[] {
  return [0, 1, 2, 3].map((i) => [0, 1, 1, 2][cfaIndex(px + (i & 1), py + (i >> 1))]!);
}

function mosaicBlack(mosaic: Mosaic): Field[] {
  const { black, blacks, phase: [px, py] = [0, 0] } = mosaic;
  if (!blacks) return [short(TAG.BlackLevelRepeatDim, 1, 1), short(TAG.BlackLevel, black)];
  const bySite = [0, 1, 2, 3].map((i) => blackOf(mosaic, cfaIndex(px + (i & 1), py + (i >> 1))));
  return [short(TAG.BlackLevelRepeatDim, 2, 2), short(TAG.BlackLevel, ...bySite)];
}

/** A finished JPEG beside the raw image. */
function previewDirectory({ timeMs, offsetMinutes }: DngFacts, jpeg: Uint8Array, offset: number): Field[] {
  const info = jpegInfo(jpeg);
  return [
    long(TAG.NewSubfileType, 1),
    long(TAG.ImageWidth, info.width),
    long(TAG.ImageLength, info.height),
    short(TAG.BitsPerSample, 8, 8, 8),
    short(TAG.Compression, COMPRESSION.jpeg),
    short(TAG.PhotometricInterpretation, PHOTOMETRIC.ycbcr),
    long(TAG.StripOffsets, offset),
    short(TAG.SamplesPerPixel, 3),
    long(TAG.RowsPerStrip, info.height),
    long(TAG.StripByteCounts, jpeg.length),
    short(TAG.PlanarConfiguration, 1),
    short(TAG.YCbCrSubSampling, ...info.subsampling),
    short(TAG.YCbCrPositioning, 1),
    rational(TAG.ReferenceBlackWhite, 0, 255, 128, 255, 128, 255),
    ascii(TAG.PreviewApplicationName, 'Velmo'),
    ascii(TAG.PreviewApplicationVersion, SOFTWARE.replace('Velmo ', '')),
    long(TAG.PreviewColorSpace, 2),
    ascii(TAG.PreviewDateTime, isoDateTime(timeMs, offsetMinutes)),
  ];
}

/** R, G, B of every pixel. */
function rgbOf({ rgba, width, height }: Picture): Uint8Array {
  const out = new Uint8Array(width * height * 3);
  for (let i = 0, o = 0; o < out.length; i += 4, o += 3) {
    out[o] = rgba[i]!;
    out[o + 1] = rgba[i + 1]!;
    out[o + 2] = rgba[i + 2]!;
  }
  return out;
}
