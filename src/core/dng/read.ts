// Reads a DNG's raw image and metadata: a mosaic in strips or tiles of any codec, or three linear components a pixel.
import { isTurn, type Rectangle, type Turn } from '../raw/shown';
import type { BayerPhase, PerSite } from '../sensor/raw-frame';
import { DngError } from './errors';
import type { CodecId } from './codec/codecs';
import { rawLayout } from './raw-layout';
import { readSamples } from './samples';
import { EXIF, PHOTOMETRIC, TAG } from './tags';
import {
  finiteNumber,
  finiteNumbers,
  fractionAt,
  number,
  numbers,
  openTiff,
  readDirectory,
  text,
  wholeNumber,
  wholeNumbers,
  type Directory,
  type TiffFile,
} from './tiff-reader';

/** What a file says about itself. Fields that it lacks are absent. */
export interface DngMetadata {
  make?: string;
  model?: string;
  software?: string;
  dateTimeOriginal?: string;
  subSecTimeOriginal?: string;
  offsetTime?: string;
  exposureTimeS?: number;
  /** As written, such as "1/125". */
  exposureTime?: string;
  fNumber?: number;
  iso?: number;
  exposureBiasEv?: number;
  exposureProgram?: number;
  meteringMode?: number;
  /** Exif: 0 automatic, 1 by hand. */
  whiteBalance?: number;
  lightSource?: number;
  focalLengthMm?: number;
  focalLength35mm?: number;
  digitalZoomRatio?: number;
  /** Columns and rows of the stored image: the middle of what was focused on, and its width and height. */
  subjectArea?: number[];
  /** Infinity where the file says so. */
  subjectDistanceM?: number;
  lens?: string;
  baselineExposureEv?: number;
  asShotNeutral?: number[];
  asShotWhiteXY?: number[];
  colorMatrix1?: number[];
  colorMatrix2?: number[];
  forwardMatrix1?: number[];
  forwardMatrix2?: number[];
  cameraCalibration1?: number[];
  cameraCalibration2?: number[];
  analogBalance?: number[];
  calibrationIlluminant1?: number;
  calibrationIlluminant2?: number;
  imageUniqueId?: string;
  noiseProfile?: number[];
  dngVersion?: string;
  uniqueCameraModel?: string;
}

interface DngImage {
  /** Of the part that saw light: masked borders are left out. */
  readonly width: number;
  readonly height: number;
  /** Linear numbers, row by row; of three components R, G, B of each pixel. */
  readonly data: Uint16Array;
  /** Of all sites; where they differ, the mean of the four. */
  readonly black: number;
  readonly white: number;
  /** The part that counts, in columns and rows of the above; absent where that is all. */
  readonly crop?: Rectangle;
  /** What of that is inside its frame lines; absent where that is all. */
  readonly userCrop?: Rectangle;
  readonly orientation: Turn;
  readonly compression: CodecId;
  /** Tile size, or [width, rows a strip]. */
  readonly block: readonly [number, number];
  readonly metadata: DngMetadata;
  /** The XMP packet, as text. */
  readonly xmp: string | undefined;
}

export interface DngMosaic extends DngImage {
  readonly layout: 'cfa';
  readonly phase: BayerPhase;
  readonly blacks?: PerSite<number>;
}

export interface DngComponents extends DngImage {
  readonly layout: 'rgb';
}

export type DngRaw = DngMosaic | DngComponents;

/** What a raw directory's PhotometricInterpretation may be. */
const RAW_KINDS: readonly (number | undefined)[] = [PHOTOMETRIC.cfa, PHOTOMETRIC.linearRaw];

/** @throws DngError that names what is wrong and where. */
export function readDng(bytes: Uint8Array): DngRaw {
  const file = openTiff(bytes);
  const visited = new Set<number>();
  const main = readDirectory(file, file.firstDirectory, visited);
  const subDirectories = (wholeNumbers(file, main, TAG.SubIFDs) ?? []).slice(0, 16);
  const all = [main, ...subDirectories.map((offset) => readDirectory(file, offset, visited))];
  for (let next = main.next; next !== 0;) {
    const directory = readDirectory(file, next, visited);
    all.push(directory);
    next = directory.next;
  }
  const rawIfd = all.find((d) => RAW_KINDS.includes(number(file, d, TAG.PhotometricInterpretation)));
  if (!rawIfd) throw new DngError('no-raw', 'The file holds no raw image', main.offset);
  const exifOffset = wholeNumber(file, main, TAG.ExifIFD);
  const exif = exifOffset === undefined ? undefined : readDirectory(file, exifOffset, visited);
  const layout = rawLayout(file, rawIfd);
  const { active, phase, blacks, white, codec, blocks } = layout;
  const differ = blacks.some((black) => black !== blacks[0]);
  const crop = cropOf(file, rawIfd, active);
  const userCrop = userCropOf(
    file,
    rawIfd,
    crop ?? { x: 0, y: 0, width: active.width, height: active.height },
  );
  const orientation = number(file, main, TAG.Orientation);
  const image: DngImage = {
    width: active.width,
    height: active.height,
    ...(crop && { crop }),
    ...(userCrop && { userCrop }),
    orientation: isTurn(orientation) ? orientation : 1,
    data: readSamples(file, layout),
    black: blacks.reduce((sum, black) => sum + black / 4, 0),
    white,
    compression: codec.id,
    block: [blocks.width, blocks.height],
    metadata: metadataOf(file, main, rawIfd, exif),
    xmp: text(file, main, TAG.XMP),
  };
  if (layout.layout === 'rgb') return { ...image, layout: 'rgb' };
  return { ...image, layout: 'cfa', phase, ...(differ && { blacks }) };
}

/**
 * DefaultCropOrigin and -Size, of the active area; they may be fractions. Undefined for all of it, and for what does not lie in it: a crop is
 * a wish, and no reason to refuse the numbers.
 */
function cropOf(
  file: TiffFile,
  ifd: Directory,
  { width, height }: { width: number; height: number },
): Rectangle | undefined {
  const [x = 0, y = 0] = (numbers(file, ifd, TAG.DefaultCropOrigin) ?? []).map(Math.round);
  const [w = width, h = height] = (numbers(file, ifd, TAG.DefaultCropSize) ?? []).map(Math.round);
  const whole = x === 0 && y === 0 && w === width && h === height;
  const inside = x >= 0 && y >= 0 && w >= 2 && h >= 2 && x + w <= width && y + h <= height;
  return inside && !whole ? { x, y, width: w, height: h } : undefined;
}

/** DefaultUserCrop: top, left, bottom and right as shares of the part that counts. Undefined for all of it, and for what is none. */
function userCropOf(file: TiffFile, ifd: Directory, part: Rectangle): Rectangle | undefined {
  const shares = numbers(file, ifd, TAG.DefaultUserCrop);
  if (shares?.length !== 4) return undefined;
  const [top, left, bottom, right] = shares as [number, number, number, number];
  if (!(top >= 0 && left >= 0 && bottom <= 1 && right <= 1)) return undefined;
  const column = (share: number) => part.x + Math.round(share * part.width);
  const row = (share: number) => part.y + Math.round(share * part.height);
  const [x, y] = [column(left), row(top)];
  const [width, height] = [column(right) - x, row(bottom) - y];
  const whole = width === part.width && height === part.height;
  return width >= 2 && height >= 2 && !whole ? { x, y, width, height } : undefined;
}

function metadataOf(file: TiffFile, main: Directory, rawIfd: Directory, exif?: Directory): DngMetadata {
  const time = exif && fractionAt(file, exif, EXIF.ExposureTime);
  const version = numbers(file, main, TAG.DNGVersion);
  const inExif = (tag: number) => exif && finiteNumber(file, exif, tag);
  const found: Record<keyof DngMetadata, string | number | number[] | undefined> = {
    make: text(file, main, TAG.Make),
    model: text(file, main, TAG.Model),
    software: text(file, main, TAG.Software),
    dateTimeOriginal: exif && text(file, exif, EXIF.DateTimeOriginal),
    subSecTimeOriginal: exif && text(file, exif, EXIF.SubSecTimeOriginal),
    offsetTime: exif && text(file, exif, EXIF.OffsetTimeOriginal),
    exposureTimeS: time && time[1] > 0 ? time[0] / time[1] : undefined,
    exposureTime: time && (time[1] === 1 ? String(time[0]) : `${time[0]}/${time[1]}`),
    fNumber: inExif(EXIF.FNumber),
    iso: inExif(EXIF.PhotographicSensitivity),
    exposureBiasEv: inExif(EXIF.ExposureBiasValue),
    exposureProgram: inExif(EXIF.ExposureProgram),
    meteringMode: inExif(EXIF.MeteringMode),
    whiteBalance: inExif(EXIF.WhiteBalance),
    lightSource: inExif(EXIF.LightSource),
    focalLengthMm: inExif(EXIF.FocalLength),
    subjectDistanceM: exif && distance(number(file, exif, EXIF.SubjectDistance)),
    focalLength35mm: inExif(EXIF.FocalLengthIn35mmFilm),
    digitalZoomRatio: inExif(EXIF.DigitalZoomRatio),
    subjectArea: exif && numbers(file, exif, EXIF.SubjectArea),
    lens: exif && text(file, exif, EXIF.LensModel),
    imageUniqueId: exif && text(file, exif, EXIF.ImageUniqueID),
    baselineExposureEv: finiteNumber(file, main, TAG.BaselineExposure),
    asShotNeutral: finiteNumbers(file, main, TAG.AsShotNeutral),
    asShotWhiteXY: finiteNumbers(file, main, TAG.AsShotWhiteXY),
    colorMatrix1: finiteNumbers(file, main, TAG.ColorMatrix1),
    colorMatrix2: finiteNumbers(file, main, TAG.ColorMatrix2),
    forwardMatrix1: finiteNumbers(file, main, TAG.ForwardMatrix1),
    forwardMatrix2: finiteNumbers(file, main, TAG.ForwardMatrix2),
    cameraCalibration1: finiteNumbers(file, main, TAG.CameraCalibration1),
    cameraCalibration2: finiteNumbers(file, main, TAG.CameraCalibration2),
    analogBalance: finiteNumbers(file, main, TAG.AnalogBalance),
    calibrationIlluminant1: finiteNumber(file, main, TAG.CalibrationIlluminant1),
    calibrationIlluminant2: finiteNumber(file, main, TAG.CalibrationIlluminant2),
    noiseProfile: numbers(file, rawIfd, TAG.NoiseProfile) ?? numbers(file, main, TAG.NoiseProfile),
    dngVersion: version?.join('.'),
    uniqueCameraModel: text(file, main, TAG.UniqueCameraModel),
  };
  return Object.fromEntries(Object.entries(found).filter(([, v]) => v !== undefined)) as DngMetadata;
}

/** Exif: all ones mean infinity, 0 unknown. */
function distance(value: number | undefined): number | undefined {
  if (value === undefined || !(value > 0)) return undefined;
  return value >= 0xffffffff ? Infinity : value;
}
