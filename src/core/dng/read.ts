// Reads a DNG's raw mosaic and metadata. Plain strips or tiles of 16-bit samples, and lossless JPEG tiles or strips.
import { DngError } from './errors';
import { decodeLosslessJpeg } from './lossless-jpeg-decode';
import { COMPRESSION, EXIF, PHOTOMETRIC, TAG } from './tags';
import {
  fractionAt,
  number,
  numbers,
  openTiff,
  readDirectory,
  required,
  text,
  type Directory,
  type TiffFile,
} from './tiff-reader';

/** What a file says about itself. Fields that it lacks are absent. */
export interface DngMetadata {
  make?: string;
  model?: string;
  software?: string;
  dateTimeOriginal?: string;
  offsetTime?: string;
  exposureTimeS?: number;
  /** As written, such as "1/125". */
  exposureTime?: string;
  fNumber?: number;
  iso?: number;
  exposureBiasEv?: number;
  focalLengthMm?: number;
  focalLength35mm?: number;
  /** Infinity where the file says so. */
  subjectDistanceM?: number;
  lens?: string;
  baselineExposureEv?: number;
  asShotNeutral?: number[];
  colorMatrix1?: number[];
  noiseProfile?: number[];
  dngVersion?: string;
  uniqueCameraModel?: string;
}

export interface DngRaw {
  readonly width: number;
  readonly height: number;
  /** CFA colours of a 2×2 cell in reading order, 0 red, 1 green, 2 blue. */
  readonly cfa: readonly number[];
  readonly data: Uint16Array;
  readonly black: number;
  readonly white: number;
  readonly compression: 'none' | 'lossless-jpeg';
  /** Tile size, or [width, rows a strip]. */
  readonly block: readonly [number, number];
  readonly metadata: DngMetadata;
}

/** No sensor that can be looked at here has more sites. */
const MAX_SITES = 1 << 28;

/** @throws DngError that names what is wrong and where. */
export function readDng(bytes: Uint8Array): DngRaw {
  const file = openTiff(bytes);
  const visited = new Set<number>();
  const main = readDirectory(file, file.firstDirectory, visited);
  const subDirectories = (numbers(file, main, TAG.SubIFDs) ?? []).slice(0, 16);
  const all = [main, ...subDirectories.map((offset) => readDirectory(file, offset, visited))];
  for (let next = main.next; next !== 0;) {
    const directory = readDirectory(file, next, visited);
    all.push(directory);
    next = directory.next;
  }
  const rawIfd = all.find((d) => number(file, d, TAG.PhotometricInterpretation) === PHOTOMETRIC.cfa);
  if (!rawIfd) throw new DngError('no-raw', 'The file holds no raw mosaic', main.offset);
  const exifOffset = number(file, main, TAG.ExifIFD);
  const exif = exifOffset === undefined ? undefined : readDirectory(file, exifOffset, visited);
  return { ...readMosaic(file, rawIfd), metadata: metadataOf(file, main, rawIfd, exif) };
}

function readMosaic(file: TiffFile, ifd: Directory): Omit<DngRaw, 'metadata'> {
  const width = required(file, ifd, TAG.ImageWidth, 'ImageWidth');
  const height = required(file, ifd, TAG.ImageLength, 'ImageLength');
  if (width < 2 || height < 2 || width > 65535 || height > 65535 || width * height > MAX_SITES) {
    throw new DngError('absurd', `A raw mosaic of ${width}×${height}`, ifd.offset);
  }
  const bits = number(file, ifd, TAG.BitsPerSample) ?? 1;
  const samples = number(file, ifd, TAG.SamplesPerPixel) ?? 1;
  if (bits !== 16 || samples !== 1) {
    throw new DngError(
      'unsupported',
      `Raw with ${samples} × ${bits} bits a site is not read yet`,
      ifd.offset,
    );
  }
  const compression = number(file, ifd, TAG.Compression) ?? COMPRESSION.none;
  if (compression !== COMPRESSION.none && compression !== COMPRESSION.jpeg) {
    throw new DngError('unsupported', `Raw compression ${compression} is not read yet`, ifd.offset);
  }
  const cfa = numbers(file, ifd, TAG.CFAPattern) ?? [];
  if (cfa.join() !== '0,1,1,2') {
    throw new DngError(
      'unsupported',
      `The colour pattern ${cfa.join(' ') || '(none)'} is not read yet`,
      ifd.offset,
    );
  }
  const black = numbers(file, ifd, TAG.BlackLevel)?.[0] ?? 0;
  const white = numbers(file, ifd, TAG.WhiteLevel)?.[0] ?? 65535;
  if (!(black >= 0 && white > black && white <= 65535)) {
    throw new DngError('bad-tag', `Black ${black} and white ${white} do not go together`, ifd.offset);
  }
  const blocks = blocksOf(file, ifd, width, height);
  const stored = blocks.counts.reduce((sum, n) => sum + n, 0);
  // Before memory is asked for: plain data has two bytes a site, a lossless-JPEG site at least one bit.
  if (width * height > (compression === COMPRESSION.none ? stored / 2 : stored * 8)) {
    throw new DngError('truncated', `Too little data for ${width}×${height} sites`, ifd.offset);
  }
  const data = new Uint16Array(width * height);
  blocks.offsets.forEach((offset, i) => {
    const count = blocks.counts[i]!;
    if (offset + count > file.bytes.length) {
      throw new DngError(
        'truncated',
        `Block ${i + 1} of ${blocks.offsets.length} lies beyond the end of the file`,
        offset,
      );
    }
    const place = {
      x: (i % blocks.across) * blocks.width,
      y: Math.floor(i / blocks.across) * blocks.height,
    };
    const bytes = file.bytes.subarray(offset, offset + count);
    if (compression === COMPRESSION.none) copyPlain(file, bytes, offset, place, blocks, data, width, height);
    else copyLossless(bytes, offset, place, blocks, data, width, height);
  });
  return {
    width,
    height,
    cfa,
    data,
    black,
    white,
    compression: compression === COMPRESSION.none ? 'none' : 'lossless-jpeg',
    block: [blocks.width, blocks.height],
  };
}

interface Blocks {
  readonly width: number;
  readonly height: number;
  readonly across: number;
  readonly tiled: boolean;
  readonly offsets: readonly number[];
  readonly counts: readonly number[];
}

function blocksOf(file: TiffFile, ifd: Directory, width: number, height: number): Blocks {
  const tileWidth = number(file, ifd, TAG.TileWidth);
  const tiled = tileWidth !== undefined;
  const blockWidth = tileWidth ?? width;
  const blockHeight = tiled
    ? required(file, ifd, TAG.TileLength, 'TileLength')
    : Math.min(height, number(file, ifd, TAG.RowsPerStrip) ?? height);
  if (blockWidth < 1 || blockHeight < 1 || blockWidth > 65535 || blockHeight > 65535) {
    throw new DngError('absurd', `Raw blocks of ${blockWidth}×${blockHeight}`, ifd.offset);
  }
  const offsets = numbers(file, ifd, tiled ? TAG.TileOffsets : TAG.StripOffsets);
  const counts = numbers(file, ifd, tiled ? TAG.TileByteCounts : TAG.StripByteCounts);
  const across = Math.ceil(width / blockWidth);
  const wanted = across * Math.ceil(height / blockHeight);
  if (!offsets || !counts)
    throw new DngError('bad-tag', 'The places of the raw data are missing', ifd.offset);
  if (offsets.length !== wanted || counts.length !== wanted) {
    throw new DngError(
      'bad-tag',
      `${offsets.length} blocks of raw data where ${wanted} are needed`,
      ifd.offset,
    );
  }
  return { width: blockWidth, height: blockHeight, across, tiled, offsets, counts };
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
  const found: Record<keyof DngMetadata, string | number | number[] | undefined> = {
    make: text(file, main, TAG.Make),
    model: text(file, main, TAG.Model),
    software: text(file, main, TAG.Software),
    dateTimeOriginal: exif && text(file, exif, EXIF.DateTimeOriginal),
    offsetTime: exif && text(file, exif, EXIF.OffsetTimeOriginal),
    exposureTimeS: time && time[1] > 0 ? time[0] / time[1] : undefined,
    exposureTime: time && (time[1] === 1 ? String(time[0]) : `${time[0]}/${time[1]}`),
    fNumber: exif && number(file, exif, EXIF.FNumber),
    iso: exif && number(file, exif, EXIF.PhotographicSensitivity),
    exposureBiasEv: exif && number(file, exif, EXIF.ExposureBiasValue),
    focalLengthMm: exif && number(file, exif, EXIF.FocalLength),
    subjectDistanceM: exif && distance(number(file, exif, EXIF.SubjectDistance)),
    focalLength35mm: exif && number(file, exif, EXIF.FocalLengthIn35mmFilm),
    lens: exif && text(file, exif, EXIF.LensModel),
    baselineExposureEv: number(file, main, TAG.BaselineExposure),
    asShotNeutral: numbers(file, main, TAG.AsShotNeutral),
    colorMatrix1: numbers(file, main, TAG.ColorMatrix1),
    noiseProfile: numbers(file, rawIfd, TAG.NoiseProfile) ?? numbers(file, main, TAG.NoiseProfile),
    dngVersion: version?.join('.'),
    uniqueCameraModel: text(file, main, TAG.UniqueCameraModel),
  };
  return Object.fromEntries(Object.entries(found).filter(([, v]) => v !== undefined)) as DngMetadata;
}

/** Exif: all ones mean infinity, 0 unknown. */
function distance(value: number | undefined): number | undefined {
  return value === undefined || value === 0 ? undefined : value >= 0xffffffff ? Infinity : value;
}
