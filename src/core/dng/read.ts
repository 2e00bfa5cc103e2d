// Reads a DNG's raw mosaic and metadata. Plain strips or tiles of 16-bit samples, and lossless JPEG tiles or strips.
import type { BayerPhase, PerSite } from '../sensor/raw-frame';
import { DngError } from './errors';
import { decodeLosslessJpeg } from './lossless-jpeg-decode';
import { mosaicLayout, type Blocks, type MosaicLayout } from './mosaic-layout';
import { EXIF, PHOTOMETRIC, TAG } from './tags';
import {
  finiteNumber,
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
  focalLengthMm?: number;
  focalLength35mm?: number;
  /** Infinity where the file says so. */
  subjectDistanceM?: number;
  lens?: string;
  baselineExposureEv?: number;
  asShotNeutral?: number[];
  asShotWhiteXY?: number[];
  colorMatrix1?: number[];
  colorMatrix2?: number[];
  calibrationIlluminant1?: number;
  calibrationIlluminant2?: number;
  imageUniqueId?: string;
  noiseProfile?: number[];
  dngVersion?: string;
  uniqueCameraModel?: string;
}

export interface DngRaw {
  /** Of the part that saw light: masked borders are left out. */
  readonly width: number;
  readonly height: number;
  readonly phase: BayerPhase;
  /** Linear numbers, row by row. */
  readonly data: Uint16Array;
  /** Of all sites; where they differ, the mean of the four. */
  readonly black: number;
  readonly blacks?: PerSite<number>;
  readonly white: number;
  readonly compression: 'none' | 'lossless-jpeg';
  /** Tile size, or [width, rows a strip]. */
  readonly block: readonly [number, number];
  readonly metadata: DngMetadata;
  /** The XMP packet, as text. */
  readonly xmp: string | undefined;
}

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
  const rawIfd = all.find((d) => number(file, d, TAG.PhotometricInterpretation) === PHOTOMETRIC.cfa);
  if (!rawIfd) throw new DngError('no-raw', 'The file holds no raw mosaic', main.offset);
  const exifOffset = wholeNumber(file, main, TAG.ExifIFD);
  const exif = exifOffset === undefined ? undefined : readDirectory(file, exifOffset, visited);
  const layout = mosaicLayout(file, rawIfd);
  const { active, phase, blacks, white, compression, blocks } = layout;
  const differ = blacks.some((black) => black !== blacks[0]);
  return {
    width: active.width,
    height: active.height,
    phase,
    data: readSamples(file, layout),
    black: blacks.reduce((sum, black) => sum + black / 4, 0),
    ...(differ && { blacks }),
    white,
    compression,
    block: [blocks.width, blocks.height],
    metadata: metadataOf(file, main, rawIfd, exif),
    xmp: text(file, main, TAG.XMP),
  };
}

/** Linear numbers of the active area. */
function readSamples(file: TiffFile, layout: MosaicLayout): Uint16Array {
  const { width, height, active, table, blocks, compression } = layout;
  const data = new Uint16Array(width * height);
  blocks.offsets.forEach((offset, i) => {
    const place = {
      x: (i % blocks.across) * blocks.width,
      y: Math.floor(i / blocks.across) * blocks.height,
    };
    const bytes = file.bytes.subarray(offset, offset + blocks.counts[i]!);
    if (compression === 'none') copyPlain(file, bytes, offset, place, blocks, data, width, height);
    else copyLossless(bytes, offset, place, blocks, data, width, height);
  });
  if (table) {
    const last = table.length - 1;
    for (let i = 0; i < data.length; i++) data[i] = table[Math.min(last, data[i]!)]!;
  }
  if (active.width === width && active.height === height) return data;
  const inside = new Uint16Array(active.width * active.height);
  for (let y = 0; y < active.height; y++) {
    const from = (active.y + y) * width + active.x;
    inside.set(data.subarray(from, from + active.width), y * active.width);
  }
  return inside;
}

interface Place {
  readonly x: number;
  readonly y: number;
}

function copyPlain(
  file: TiffFile,
  bytes: Uint8Array,
  offset: number,
  place: Place,
  blocks: Blocks,
  data: Uint16Array,
  width: number,
  height: number,
): void {
  const rows = Math.min(blocks.height, height - place.y);
  const columns = Math.min(blocks.width, width - place.x);
  if (bytes.length < ((rows - 1) * blocks.width + columns) * 2) {
    throw new DngError('truncated', 'A block of raw data is too short', offset);
  }
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let y = 0; y < rows; y++) {
    for (let x = 0; x < columns; x++) {
      data[(place.y + y) * width + place.x + x] = view.getUint16(
        (y * blocks.width + x) * 2,
        file.littleEndian,
      );
    }
  }
}

function copyLossless(
  bytes: Uint8Array,
  offset: number,
  place: Place,
  blocks: Blocks,
  data: Uint16Array,
  width: number,
  height: number,
): void {
  const jpeg = decodeLosslessJpeg(bytes, offset, blocks.width * blocks.height * 2);
  const row = jpeg.width * jpeg.components;
  const rows = Math.min(blocks.height, height - place.y);
  const columns = Math.min(blocks.width, width - place.x);
  if (row < columns || jpeg.height < rows || (blocks.tiled && row !== blocks.width)) {
    throw new DngError(
      'bad-jpeg',
      `A block holds ${row}×${jpeg.height} samples instead of ${blocks.width}×${blocks.height}`,
      offset,
    );
  }
  for (let y = 0; y < rows; y++) {
    data.set(jpeg.samples.subarray(y * row, y * row + columns), (place.y + y) * width + place.x);
  }
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
    focalLengthMm: inExif(EXIF.FocalLength),
    subjectDistanceM: exif && distance(number(file, exif, EXIF.SubjectDistance)),
    focalLength35mm: inExif(EXIF.FocalLengthIn35mmFilm),
    lens: exif && text(file, exif, EXIF.LensModel),
    imageUniqueId: exif && text(file, exif, EXIF.ImageUniqueID),
    baselineExposureEv: finiteNumber(file, main, TAG.BaselineExposure),
    asShotNeutral: numbers(file, main, TAG.AsShotNeutral),
    asShotWhiteXY: numbers(file, main, TAG.AsShotWhiteXY),
    colorMatrix1: numbers(file, main, TAG.ColorMatrix1),
    colorMatrix2: numbers(file, main, TAG.ColorMatrix2),
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
