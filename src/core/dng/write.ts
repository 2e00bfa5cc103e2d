// A capture as DNG 1.4: IFD0 with an RGB thumbnail and the facts of the file, a raw SubIFD (CFA, lossless-JPEG tiles or
// plain strips), a JPEG preview SubIFD, an Exif IFD and XMP. One function for each directory.
import { blackOf, cfaIndex, type RawFrame } from '../sensor/raw-frame';
import type { ExifFacts } from '../setting/setting';
import type { SettingValues } from '../setting/settings';
import { exifOf } from '../setting/values';
import { exifDateTime, exifOffset, exifSubSec, isoDateTime } from './exif-time';
import { jpegInfo } from './jpeg-info';
import { encodeLosslessJpeg } from './lossless-jpeg-encode';
import { COMPRESSION, EXIF, PHOTOMETRIC, TAG, TYPE } from './tags';
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
  undefinedBytes,
  type Field,
} from './tiff-writer';

export interface Picture {
  readonly width: number;
  readonly height: number;
  /** 8-bit R, G, B, A interleaved. */
  readonly rgba: Uint8ClampedArray;
}

/** How the capture was set, beyond the frame's own settings. */
export interface CaptureFacts {
  /** The settings as the person had them, as far as they are known. */
  readonly set: Partial<SettingValues> & Pick<SettingValues, 'meter'>;
  /** What the meter read, EV at ISO 100; null when it read nothing. */
  readonly meteredEv100: number | null;
  /** Identifier of the frame, 32 hexadecimal digits. */
  readonly uniqueId: string;
  /** Where the frame is kept; the first roll when absent. */
  readonly roll?: string;
  /** Of a frame that is one of a sequence. */
  readonly group?: { readonly id: string; readonly index: number; readonly of: number };
}

export interface DngOptions {
  /** A frame too narrow for tiles (under 33 sites) is written plain in any case. */
  readonly compression: 'lossless-jpeg' | 'none';
  readonly thumbnail: Picture;
  /** A finished baseline JPEG of the developed picture. */
  readonly previewJpeg: Uint8Array;
  readonly facts: CaptureFacts;
  /** Kept in the XMP packet as it is (`XMP_CAPTURE`): what the program knows of the capture beyond the standard's tags. */
  readonly note?: string;
  /** Called with the share of raw data written; throw from it to cancel. */
  readonly onProgress?: (share: number) => void;
}

export const SOFTWARE = 'Velmo 0.1.0';
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
    writer.appendDirectory(mainDirectory(frame, options, { thumbnail, rawIfd, previewIfd, exifIfd })),
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
    short(TAG.Orientation, 1),
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
    raw(TAG.XMP, TYPE.BYTE, xmpPacket(frame, options)),
    long(TAG.ExifIFD, at.exifIfd),
    byte(TAG.DNGVersion, 1, 4, 0, 0),
    byte(TAG.DNGBackwardVersion, 1, 1, 0, 0),
    ascii(TAG.UniqueCameraModel, source.camera),
    srational(TAG.ColorMatrix1, ...colour.colorMatrix.flat()),
    short(TAG.CalibrationIlluminant1, 21),
    rational(TAG.AsShotNeutral, ...colour.asShotNeutral),
    srational(TAG.BaselineExposure, frame.baselineEv),
    rational(TAG.BaselineNoise, 1),
    rational(TAG.BaselineSharpness, 1),
    rational(TAG.LinearResponseLimit, 1),
  ];
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
    long(TAG.DefaultCropOrigin, 0, 0),
    long(TAG.DefaultCropSize, width, height),
    long(TAG.ActiveArea, 0, 0, height, width),
    // Variance = S·x + O of the signal x scaled to 0 … 1 (DNG specification, NoiseProfile).
    double(TAG.NoiseProfile, frame.noise.shot / range, frame.noise.read / (range * range)),
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

function previewDirectory(frame: RawFrame, jpeg: Uint8Array, offset: number): Field[] {
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
    ascii(TAG.PreviewDateTime, isoDateTime(frame.timeMs, frame.offsetMinutes)),
  ];
}

function exifDirectory(frame: RawFrame, facts: CaptureFacts): Field[] {
  const { source, timeMs, offsetMinutes } = frame;
  const told = factsOf(frame, facts);
  const time = exifDateTime(timeMs, offsetMinutes);
  const offset = exifOffset(offsetMinutes);
  const subSec = exifSubSec(timeMs);
  const program = exposureProgram(facts);
  return [
    ...settingFields(told),
    short(EXIF.ExposureProgram, program),
    undefinedBytes(EXIF.ExifVersion, 0x30, 0x32, 0x33, 0x32),
    ascii(EXIF.DateTimeOriginal, time),
    ascii(EXIF.DateTimeDigitized, time),
    ascii(EXIF.OffsetTime, offset),
    ascii(EXIF.OffsetTimeOriginal, offset),
    ascii(EXIF.OffsetTimeDigitized, offset),
    srational(EXIF.BrightnessValue, brightness(facts.meteredEv100)),
    rational(EXIF.MaxApertureValue, 2 * Math.log2(source.widestN)),
    short(EXIF.LightSource, 0),
    short(EXIF.Flash, 0x20),
    rational(EXIF.FocalLength, source.focalLengthMm),
    ascii(EXIF.SubSecTime, subSec),
    ascii(EXIF.SubSecTimeOriginal, subSec),
    ascii(EXIF.SubSecTimeDigitized, subSec),
    short(EXIF.ColorSpace, 0xffff),
    short(EXIF.SensingMethod, 2),
    undefinedBytes(EXIF.FileSource, 3),
    undefinedBytes(EXIF.SceneType, 1),
    short(EXIF.CustomRendered, 0),
    short(EXIF.ExposureMode, program === MANUAL ? 1 : 0),
    short(EXIF.WhiteBalance, 0),
    short(EXIF.FocalLengthIn35mmFilm, source.equivalentMm),
    short(EXIF.SceneCaptureType, 0),
    ascii(EXIF.ImageUniqueID, facts.uniqueId),
    rational(
      EXIF.LensSpecification,
      ...(source.lensRange ?? fixedLens(source.focalLengthMm, source.widestN)),
    ),
    ascii(EXIF.LensMake, source.make),
    ascii(EXIF.LensModel, `${source.camera} ${source.lensModel}`),
  ];
}

/** Shortest and longest focal length, mm, and the widest f-number at each. */
function fixedLens(mm: number, n: number): readonly number[] {
  return [mm, mm, n, n];
}

/** APEX: at ISO 100 Sv is 5, so Bv = EV100 − 5. Exif's numerator of all ones is unknown. */
function brightness(meteredEv100: number | null): number | [number, number] {
  return meteredEv100 !== null && Number.isFinite(meteredEv100) ? meteredEv100 - SV_OF_ISO_100 : [-1, 1];
}
const SV_OF_ISO_100 = Math.log2(100 / 3.125);

/** What the settings say of themselves. */
function factsOf({ settings, source }: RawFrame, { set }: CaptureFacts): ExifFacts {
  return exifOf(set, {
    ...settings,
    ...(source.focusM === undefined ? null : { focusM: source.focusM }),
  });
}

/** The settings' facts as fields of their types. */
function settingFields(told: ExifFacts): Field[] {
  const { ExposureTime, FNumber, PhotographicSensitivity: iso, SubjectDistance } = told;
  const { ShutterSpeedValue, ApertureValue, ExposureBiasValue, MeteringMode } = told;
  return [
    ...(ExposureTime ? [rational(EXIF.ExposureTime, [...ExposureTime])] : []),
    ...(FNumber === undefined ? [] : [rational(EXIF.FNumber, FNumber)]),
    ...(iso === undefined
      ? []
      : [
          short(EXIF.PhotographicSensitivity, iso),
          short(EXIF.SensitivityType, 1),
          long(EXIF.StandardOutputSensitivity, iso),
        ]),
    ...(ShutterSpeedValue === undefined ? [] : [srational(EXIF.ShutterSpeedValue, ShutterSpeedValue)]),
    ...(ApertureValue === undefined ? [] : [rational(EXIF.ApertureValue, ApertureValue)]),
    ...(ExposureBiasValue ? [srational(EXIF.ExposureBiasValue, [...ExposureBiasValue])] : []),
    ...(MeteringMode === undefined ? [] : [short(EXIF.MeteringMode, MeteringMode)]),
    ...(SubjectDistance === undefined
      ? []
      : [
          rational(
            EXIF.SubjectDistance,
            typeof SubjectDistance === 'number' ? SubjectDistance : [...SubjectDistance],
          ),
        ]),
  ];
}

const MANUAL = 1;

/**
 * 1 manual, 2 programme, 3 aperture priority, 4 shutter priority. Automatic ISO alone leaves a held time and a fixed
 * aperture: shutter priority.
 */
function exposureProgram({ set: { shutter, iso, aperture } }: CaptureFacts): number {
  if (!shutter?.auto && !iso?.auto && !aperture?.auto) return MANUAL;
  if (shutter?.auto) return aperture?.auto === false ? 3 : 2;
  return 4;
}

function xmpPacket(frame: RawFrame, { note: captureNote, facts }: DngOptions): Uint8Array {
  const time = isoDateTime(frame.timeMs, frame.offsetMinutes);
  const { source } = frame;
  const scene = source.scene ? ` Simulated scene: ${source.scene}, seed ${source.seed}.` : '';
  const note = `${factsOf(frame, facts).comment ?? ''}${scene}`.trim();
  const own =
    captureNote === undefined
      ? ''
      : `\n    xmlns:velmo="${NAMESPACE}" velmo:Capture="${escapeXml(captureNote)}"`;
  const body = `<?xpacket begin="\ufeff" id="W5M0MpCehiHzreSzNTczkc9d"?>
<x:xmpmeta xmlns:x="adobe:ns:meta/">
 <rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">
  <rdf:Description rdf:about="" xmlns:xmp="http://ns.adobe.com/xap/1.0/" xmlns:dc="http://purl.org/dc/elements/1.1/"
    xmp:CreatorTool="${escapeXml(SOFTWARE)}" xmp:CreateDate="${time}" xmp:ModifyDate="${time}"${own}>
   <dc:description><rdf:Alt><rdf:li xml:lang="x-default">${escapeXml(note)}</rdf:li></rdf:Alt></dc:description>
  </rdf:Description>
 </rdf:RDF>
</x:xmpmeta>
<?xpacket end="w"?>`;
  return new TextEncoder().encode(body);
}

const NAMESPACE = 'urn:velmo:capture:1';

/** The note that `writeDng` kept in an XMP packet; undefined where there is none. */
export function captureNoteOf(xmp: string | undefined): string | undefined {
  const found = new RegExp(`xmlns:velmo="${NAMESPACE}" velmo:Capture="([^"]*)"`).exec(xmp ?? '');
  return found?.[1]?.replace(/&#(\d{1,7});/g, (_, code: string) =>
    String.fromCodePoint(Math.min(0x10ffff, Number(code))),
  );
}

function escapeXml(text: string): string {
  return text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);
}

function rgbOf({ rgba, width, height }: Picture): Uint8Array {
  const out = new Uint8Array(width * height * 3);
  for (let i = 0, o = 0; o < out.length; i += 4, o += 3) {
    out[o] = rgba[i]!;
    out[o + 1] = rgba[i + 1]!;
    out[o + 2] = rgba[i + 2]!;
  }
  return out;
}
