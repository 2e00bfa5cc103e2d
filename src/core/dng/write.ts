// A capture as DNG 1.4: IFD0 with an RGB thumbnail and the facts of the file, a raw SubIFD (CFA, lossless-JPEG tiles or
// plain strips) and a JPEG preview SubIFD, one function for each; Exif and XMP have modules of their own.
import type { CameraMatrices } from '../colour/calibrated';
import { whiteWords } from '../colour/temperature';
import { illuminantCode } from './illuminants';
import { blackOf, cfaIndex, type RawFrame, type Seen } from '../sensor/raw-frame';
import type { Facts } from '../facts/facts';
import { exifDirectory, settingFacts } from './exif-directory';
import { creditFields } from './credit-fields';
import { exifDateTime, isoDateTime } from './exif-time';
import { jpegInfo } from './jpeg-info';
import { encodeLosslessJpeg } from './lossless-jpeg-encode';
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
import { SOFTWARE, xmpPacket } from './xmp';

export interface Picture {
  readonly width: number;
  readonly height: number;
  /** 8-bit R, G, B, A interleaved. */
  readonly rgba: Uint8ClampedArray;
}

/** Small pictures are turned as the frame is: one Orientation stands for all. */
export interface DngOptions {
  /** A frame too narrow for tiles (under 33 sites) is written plain in any case. */
  readonly compression: 'lossless-jpeg' | 'none';
  readonly thumbnail: Picture;
  /** A finished baseline JPEG of the developed picture. */
  readonly previewJpeg: Uint8Array;
  readonly facts: Facts;
  /** Kept in the XMP packet as it is: what the program knows of the capture beyond the standard's tags. */
  readonly note?: string;
  /** Called with the share of raw data written; throw from it to cancel. */
  readonly onProgress?: (share: number) => void;
}

const TILE = 256;

/** The whole file. @throws RangeError when the frame's data do not fit its size. */
export function writeDng(frame: RawFrame, options: DngOptions): Uint8Array {
  if (frame.data.length !== frame.width * frame.height || frame.width < 2 || frame.height < 2) {
    throw new RangeError(`A mosaic of ${frame.width}×${frame.height} with ${frame.data.length} samples`);
  }
  const writer = new TiffWriter();
  const thumbnail = writer.append(rgbOf(options.thumbnail));
  const preview = writer.append(options.previewJpeg);
  const rawIfd = writer.appendDirectory(rawDirectory(frame, options, writer));
  const previewIfd = writer.appendDirectory(previewDirectory(frame, options.previewJpeg, preview));
  const exifIfd = writer.appendDirectory(exifDirectory(frame, options.facts));
  return writer.finish(
    writer.appendDirectory([
      ...mainDirectory(frame, options, { thumbnail, rawIfd, previewIfd, exifIfd }),
      ...creditFields(options.facts, writer),
    ]),
  );
}

function mainDirectory(
  frame: RawFrame,
  options: DngOptions,
  at: { thumbnail: number; rawIfd: number; previewIfd: number; exifIfd: number },
): Field[] {
  const { width, height } = options.thumbnail;
  const { source, colour } = frame;
  return [
    long(TAG.NewSubfileType, 1),
    long(TAG.ImageWidth, width),
    long(TAG.ImageLength, height),
    short(TAG.BitsPerSample, 8, 8, 8),
    short(TAG.Compression, COMPRESSION.none),
    short(TAG.PhotometricInterpretation, PHOTOMETRIC.rgb),
    ascii(TAG.Make, source.make),
    ascii(TAG.Model, source.camera),
    long(TAG.StripOffsets, at.thumbnail),
    short(TAG.Orientation, frame.orientation ?? 1),
    short(TAG.SamplesPerPixel, 3),
    long(TAG.RowsPerStrip, height),
    long(TAG.StripByteCounts, width * height * 3),
    rational(TAG.XResolution, 72),
    rational(TAG.YResolution, 72),
    short(TAG.PlanarConfiguration, 1),
    short(TAG.ResolutionUnit, 2),
    ascii(TAG.Software, SOFTWARE),
    ascii(TAG.DateTime, exifDateTime(frame.timeMs, frame.offsetMinutes)),
    long(TAG.SubIFDs, at.rawIfd, at.previewIfd),
    raw(
      TAG.XMP,
      TYPE.BYTE,
      xmpPacket(frame, wordsOf(frame, options.facts), options.note, options.facts.credit),
    ),
    long(TAG.ExifIFD, at.exifIfd),
    byte(TAG.DNGVersion, 1, 4, 0, 0),
    byte(TAG.DNGBackwardVersion, 1, 1, 0, 0),
    ascii(TAG.UniqueCameraModel, source.camera),
    ...calibrationFields(colour.matrices),
    rational(TAG.AsShotNeutral, ...colour.asShotNeutral),
    srational(TAG.BaselineExposure, frame.baselineEv),
    rational(TAG.BaselineNoise, 1),
    rational(TAG.BaselineSharpness, 1),
    rational(TAG.LinearResponseLimit, 1),
  ];
}

/** What the camera's calibration found, one or two of it. */
export function calibrationFields(matrices: CameraMatrices): Field[] {
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

/** What Exif has no tag for: the settings' comments, and how a simulated capture was made. */
export function wordsOf(frame: RawFrame, facts: Facts): string {
  const { scene, seed } = frame.source;
  const made = scene ? `Simulated scene: ${scene}, seed ${seed}.` : '';
  const white = `White ${whiteWords(frame.colour.white)}.`;
  return [settingFacts(frame, facts).comment, white, made].filter(Boolean).join(' ');
}

function rawDirectory(frame: RawFrame, options: DngOptions, writer: TiffWriter): Field[] {
  const { width, height, black, white } = frame;
  const range = white - black;
  const tileWidth = options.compression === 'none' ? undefined : tileWidthFor(width);
  return [
    long(TAG.NewSubfileType, 0),
    long(TAG.ImageWidth, width),
    long(TAG.ImageLength, height),
    short(TAG.BitsPerSample, 16),
    short(TAG.PhotometricInterpretation, PHOTOMETRIC.cfa),
    short(TAG.SamplesPerPixel, 1),
    short(TAG.PlanarConfiguration, 1),
    ...(tileWidth ? losslessTiles(frame, tileWidth, options, writer) : plainStrip(frame, writer)),
    short(TAG.CFARepeatPatternDim, 2, 2),
    byte(TAG.CFAPattern, ...patternOf(frame)),
    byte(TAG.CFAPlaneColor, 0, 1, 2),
    short(TAG.CFALayout, 1),
    ...blackFields(frame),
    short(TAG.WhiteLevel, white),
    rational(TAG.DefaultScale, 1, 1),
    ...cropFields(frame),
    long(TAG.ActiveArea, 0, 0, height, width),
    // Variance = S·x + O of the signal x scaled to 0 … 1 (DNG specification, NoiseProfile).
    double(TAG.NoiseProfile, frame.noise.shot / range, frame.noise.read / (range * range)),
  ];
}

/** The part that counts, and as shares of it what is inside the frame lines. */
export function cropFields({
  width,
  height,
  crop = { x: 0, y: 0, width, height },
  userCrop,
}: Seen & { readonly width: number; readonly height: number }): Field[] {
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
function patternOf({ phase: [px, py] = [0, 0] }: RawFrame): number[] {
  return [0, 1, 2, 3].map((i) => [0, 1, 1, 2][cfaIndex(px + (i & 1), py + (i >> 1))]!);
}

function blackFields(frame: RawFrame): Field[] {
  const { black, blacks, phase: [px, py] = [0, 0] } = frame;
  if (!blacks) return [short(TAG.BlackLevelRepeatDim, 1, 1), short(TAG.BlackLevel, black)];
  const bySite = [0, 1, 2, 3].map((i) => blackOf(frame, cfaIndex(px + (i & 1), py + (i >> 1))));
  return [short(TAG.BlackLevelRepeatDim, 2, 2), short(TAG.BlackLevel, ...bySite)];
}

function plainStrip({ data, width, height }: RawFrame, writer: TiffWriter): Field[] {
  const bytes = new Uint8Array(width * height * 2);
  const view = new DataView(bytes.buffer);
  for (let i = 0; i < data.length; i++) view.setUint16(i * 2, data[i]!, true);
  return [
    short(TAG.Compression, COMPRESSION.none),
    long(TAG.StripOffsets, writer.append(bytes)),
    long(TAG.RowsPerStrip, height),
    long(TAG.StripByteCounts, bytes.length),
  ];
}

/**
 * The widest tile, at most 256 and a multiple of 16 (TIFF 6.0), that common readers all get right: not wider than the
 * frame, and not exactly two to a row. Undefined for a frame too narrow for any.
 */
function tileWidthFor(width: number): number | undefined {
  for (let tile = TILE; tile >= 16; tile -= 16)
    if (tile <= width && Math.ceil(width / tile) !== 2) return tile;
  return undefined;
}

function losslessTiles(frame: RawFrame, tileWidth: number, options: DngOptions, writer: TiffWriter): Field[] {
  const across = Math.ceil(frame.width / tileWidth);
  const down = Math.ceil(frame.height / TILE);
  const offsets: number[] = [];
  const counts: number[] = [];
  const tile = new Uint16Array(tileWidth * TILE);
  for (let ty = 0; ty < down; ty++) {
    for (let tx = 0; tx < across; tx++) {
      copyTile(frame, tx * tileWidth, ty * TILE, tileWidth, tile);
      const coded = encodeLosslessJpeg(tile, tileWidth, TILE);
      offsets.push(writer.append(coded));
      counts.push(coded.length);
    }
    options.onProgress?.((ty + 1) / down);
  }
  return [
    short(TAG.Compression, COMPRESSION.jpeg),
    long(TAG.TileWidth, tileWidth),
    long(TAG.TileLength, TILE),
    long(TAG.TileOffsets, ...offsets),
    long(TAG.TileByteCounts, ...counts),
  ];
}

/** Copies a tile; beyond the frame's edge the last sample of the same colour goes on. */
function copyTile(
  { data, width, height }: RawFrame,
  x0: number,
  y0: number,
  tileWidth: number,
  tile: Uint16Array,
): void {
  const inside = Math.min(tileWidth, width - x0);
  for (let y = 0; y < TILE; y++) {
    const sy = sameParity(y0 + y, height);
    const row = y * tileWidth;
    tile.set(data.subarray(sy * width + x0, sy * width + x0 + inside), row);
    for (let x = inside; x < tileWidth; x++) tile[row + x] = data[sy * width + sameParity(x0 + x, width)]!;
  }
}

/** The last index below `size` with the parity of `i`, or `i` itself when it lies inside. */
function sameParity(i: number, size: number): number {
  if (i < size) return i;
  return size - 1 - ((size - 1 - i) & 1);
}

/** A finished JPEG beside the raw image. */
export function previewDirectory(
  { timeMs, offsetMinutes }: { timeMs: number; offsetMinutes: number },
  jpeg: Uint8Array,
  offset: number,
): Field[] {
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
export function rgbOf({ rgba, width, height }: Picture): Uint8Array {
  const out = new Uint8Array(width * height * 3);
  for (let i = 0, o = 0; o < out.length; i += 4, o += 3) {
    out[o] = rgba[i]!;
    out[o + 1] = rgba[i + 1]!;
    out[o + 2] = rgba[i + 2]!;
  }
  return out;
}
