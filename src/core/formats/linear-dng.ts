// A linear image as DNG 1.4: three components a pixel (LinearRaw), 16 bits in one plain strip, with a thumbnail, a JPEG preview and what is
// known of the frame. Its colours are linear sRGB, so its matrix is that of sRGB (IEC 61966-2-1) for D65; with white set by hand, that of a picture that
// was made for daylight.
import type { CameraMatrices } from '../colour/calibrated';
import { XYZ_FROM_SRGB } from '../colour/srgb';
import type { WhitePoint } from '../colour/temperature';
import { creditFields } from '../dng/credit-fields';
import { exifDateTime } from '../dng/exif-time';
import { COMPRESSION, PHOTOMETRIC, TAG, TYPE } from '../dng/tags';
import { ascii, byte, double, long, raw, rational, short, srational, TiffWriter } from '../dng/tiff-writer';
import { calibrationFields, cropFields, previewDirectory, rgbOf, type Picture } from '../dng/write';
import { SOFTWARE } from '../dng/xmp';
import { invert3 } from '../numeric/matrix';
import { PICTURE_MATRICES, pictureWhite } from '../white/on-picture';
import type { NoiseModel, Seen } from '../sensor/raw-frame';
import type { Components } from '../sensor/rgb-image';
import { pictureExif, pictureXmp, plain, type PictureFacts } from './picture-facts';

const SRGB_MATRICES: CameraMatrices = [{ kelvin: 6504, matrix: invert3(XYZ_FROM_SRGB) }];

export interface LinearDngOptions {
  readonly facts: PictureFacts;
  readonly thumbnail: Picture;
  readonly previewJpeg: Uint8Array;
  readonly note?: string;
  /** White by hand, told in the tags and not put on the numbers; absent for sRGB as it comes. */
  readonly white?: WhitePoint;
}

/** @throws RangeError when the numbers do not fit the size */
export function writeLinearDng(
  image: Components & Pick<Seen, 'crop' | 'userCrop'> & { readonly noise: NoiseModel | null },
  { facts, thumbnail, previewJpeg, note, white: balanced }: LinearDngOptions,
): Uint8Array {
  const { width, height, data, black, white, noise } = image;
  if (width < 1 || height < 1 || data.length !== 3 * width * height)
    throw new RangeError(`An image of ${width}×${height} with ${data.length} numbers`);
  const writer = new TiffWriter();
  const small = writer.append(rgbOf(thumbnail));
  const preview = writer.append(previewJpeg);
  const strip = new Uint8Array(2 * data.length);
  const view = new DataView(strip.buffer);
  data.forEach((v, i) => view.setUint16(2 * i, v, true));
  const range = white - black;
  const rawIfd = writer.appendDirectory([
    long(TAG.NewSubfileType, 0),
    long(TAG.ImageWidth, width),
    long(TAG.ImageLength, height),
    short(TAG.BitsPerSample, 16, 16, 16),
    short(TAG.Compression, COMPRESSION.none),
    short(TAG.PhotometricInterpretation, PHOTOMETRIC.linearRaw),
    long(TAG.StripOffsets, writer.append(strip)),
    short(TAG.SamplesPerPixel, 3),
    long(TAG.RowsPerStrip, height),
    long(TAG.StripByteCounts, strip.length),
    short(TAG.PlanarConfiguration, 1),
    short(TAG.BlackLevelRepeatDim, 1, 1),
    short(TAG.BlackLevel, black, black, black),
    short(TAG.WhiteLevel, white, white, white),
    rational(TAG.DefaultScale, 1, 1),
    ...cropFields(image),
    long(TAG.ActiveArea, 0, 0, height, width),
    // Variance = S·x + O of the signal x scaled to 0 … 1 (DNG specification, NoiseProfile).
    ...(noise ? [double(TAG.NoiseProfile, noise.shot / range, noise.read / (range * range))] : []),
  ]);
  const previewIfd = writer.appendDirectory(previewDirectory(facts, previewJpeg, preview));
  const exifIfd = writer.appendDirectory(pictureExif(facts, width, height));
  return writer.finish(
    writer.appendDirectory([
      long(TAG.NewSubfileType, 1),
      long(TAG.ImageWidth, thumbnail.width),
      long(TAG.ImageLength, thumbnail.height),
      short(TAG.BitsPerSample, 8, 8, 8),
      short(TAG.Compression, COMPRESSION.none),
      short(TAG.PhotometricInterpretation, PHOTOMETRIC.rgb),
      ascii(TAG.Model, plain(facts.device)),
      long(TAG.StripOffsets, small),
      short(TAG.Orientation, 1),
      short(TAG.SamplesPerPixel, 3),
      long(TAG.RowsPerStrip, thumbnail.height),
      long(TAG.StripByteCounts, 3 * thumbnail.width * thumbnail.height),
      rational(TAG.XResolution, 72),
      rational(TAG.YResolution, 72),
      short(TAG.PlanarConfiguration, 1),
      short(TAG.ResolutionUnit, 2),
      ascii(TAG.Software, SOFTWARE),
      ascii(TAG.DateTime, exifDateTime(facts.timeMs, facts.offsetMinutes)),
      long(TAG.SubIFDs, rawIfd, previewIfd),
      raw(TAG.XMP, TYPE.BYTE, pictureXmp(facts, note)),
      long(TAG.ExifIFD, exifIfd),
      byte(TAG.DNGVersion, 1, 4, 0, 0),
      byte(TAG.DNGBackwardVersion, 1, 1, 0, 0),
      ascii(TAG.UniqueCameraModel, plain(facts.device)),
      ...calibrationFields(balanced ? PICTURE_MATRICES : SRGB_MATRICES),
      rational(TAG.AsShotNeutral, ...(balanced ? pictureWhite(balanced).neutral : ([1, 1, 1] as const))),
      srational(TAG.BaselineExposure, 0),
      rational(TAG.BaselineNoise, 1),
      rational(TAG.BaselineSharpness, 1),
      rational(TAG.LinearResponseLimit, 1),
      ...creditFields(facts, writer),
    ]),
  );
}
