// What a raw directory says of its image, a mosaic or three linear components: size, blocks, black and white, the part that counts.
// Everything is checked before any memory is asked for; what is not understood is refused by the name of its tag. TIFF 6.0, DNG 1.4 chapter 4.
import { cfaIndex, type BayerPhase, type PerSite } from '../sensor/raw-frame';
import type { Codec, SamplesAPixel } from './codec/codec';
import { codecNumbered, type CodecId } from './codec/codecs';
import { DngError } from './errors';
import { COMPRESSION, PHOTOMETRIC, TAG, tagName } from './tags';
import {
  numbers,
  requiredWhole,
  wholeNumber,
  wholeNumbers,
  type Directory,
  type TiffFile,
} from './tiff-reader';

export interface Area {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface Blocks {
  readonly width: number;
  readonly height: number;
  readonly across: number;
  readonly tiled: boolean;
  /** Byte offsets and lengths in the file, row by row of blocks. */
  readonly offsets: readonly number[];
  readonly counts: readonly number[];
}

export interface RawLayout {
  readonly layout: 'cfa' | 'rgb';
  /** Numbers a pixel: one behind a colour filter, or three. */
  readonly samples: SamplesAPixel;
  /** As stored, masked borders included. */
  readonly width: number;
  readonly height: number;
  /** The part that saw light (ActiveArea). */
  readonly active: Area;
  /** Of the active area's corner. */
  readonly phase: BayerPhase;
  readonly blacks: PerSite<number>;
  readonly white: number;
  /** Linear number of every stored one (LinearizationTable); what is larger takes its last entry. */
  readonly table: Uint16Array | undefined;
  readonly codec: Codec<CodecId>;
  readonly blocks: Blocks;
}

/** 100 megapixels: no sensor that can be looked at here has more sites. */
const MAX_SITES = 100 * 2 ** 20;

/** @throws DngError */
export function rawLayout(file: TiffFile, ifd: Directory): RawLayout {
  const width = requiredWhole(file, ifd, TAG.ImageWidth);
  const height = requiredWhole(file, ifd, TAG.ImageLength);
  if (width < 2 || height < 2 || width > 65535 || height > 65535 || width * height > MAX_SITES) {
    throw new DngError('absurd', `Raw of ${width}×${height}`, ifd.offset);
  }
  const linear = wholeNumber(file, ifd, TAG.PhotometricInterpretation) === PHOTOMETRIC.linearRaw;
  const bits = wholeNumbers(file, ifd, TAG.BitsPerSample) ?? [1];
  const samples = wholeNumber(file, ifd, TAG.SamplesPerPixel) ?? 1;
  if (bits.some((b) => b !== 16) || samples !== (linear ? 3 : 1))
    unsupported(ifd, `${linear ? 'Linear raw' : 'Raw'} with ${samples} × ${bits[0]} bits a pixel`);
  onlyAs(file, ifd, TAG.SampleFormat, new Array<number>(samples).fill(1));
  onlyAs(file, ifd, TAG.RowInterleaveFactor, [1]);
  onlyAs(file, ifd, TAG.SubTileBlockSize, [1, 1]);
  if (linear) onlyAs(file, ifd, TAG.PlanarConfiguration, [1]);
  const phase = linear ? ([0, 0] as const) : phaseOf(file, ifd);
  const compression = wholeNumber(file, ifd, TAG.Compression) ?? COMPRESSION.none;
  const codec = codecNumbered(compression) ?? unsupported(ifd, `Raw compression ${compression}`);
  if (!codec.samples.includes(linear ? 3 : 1)) unsupported(ifd, 'Compressed linear raw');
  const active = activeAreaOf(file, ifd, width, height);
  checkMasked(file, ifd, active, width, height);
  const blacks = linear ? evenBlack(file, ifd) : blacksOf(file, ifd, phase);
  const whites = wholeNumbers(file, ifd, TAG.WhiteLevel) ?? [65535];
  const white = whites[0] ?? 65535;
  if (whites.some((w) => w !== white)) unsupported(ifd, 'A WhiteLevel that differs by component');
  if (!blacks.every((black) => black >= 0 && white > black && white <= 65535)) {
    const told = [...new Set(blacks)].join(' ');
    throw new DngError('bad-tag', `Black ${told} and white ${white} do not go together`, ifd.offset);
  }
  const table = wholeNumbers(file, ifd, TAG.LinearizationTable);
  if (table && (table.length < 2 || table.length > 65536 || table.some((v) => v > 65535)))
    throw new DngError('bad-tag', 'The LinearizationTable is not one of 16-bit numbers', ifd.offset);
  const blocks = blocksOf(file, ifd, width, height);
  checkPlaces(file, blocks);
  const stored = blocks.counts.reduce((sum, n) => sum + n, 0);
  if (width * height * samples > (8 * stored) / codec.leastBits) {
    throw new DngError(
      'truncated',
      `Too little data for ${width}×${height} ${linear ? 'pixels' : 'sites'}`,
      ifd.offset,
    );
  }
  return {
    layout: linear ? 'rgb' : 'cfa',
    samples: linear ? 3 : 1,
    width,
    height,
    active,
    phase,
    blacks,
    white,
    table: table && Uint16Array.from(table),
    codec,
    blocks,
  };
}

/** Colours of the first 2×2 cell, and that nothing else is said of the pattern than what is read here. */
function phaseOf(file: TiffFile, ifd: Directory): BayerPhase {
  onlyAs(file, ifd, TAG.CFARepeatPatternDim, [2, 2]);
  onlyAs(file, ifd, TAG.CFAPlaneColor, [0, 1, 2]);
  onlyAs(file, ifd, TAG.CFALayout, [1]);
  const cfa = wholeNumbers(file, ifd, TAG.CFAPattern) ?? [];
  return PHASES.get(cfa.join()) ?? unsupported(ifd, `The colour pattern ${cfa.join(' ') || '(none)'}`);
}

/** Black of linear raw: one for all components, wherever they lie. */
function evenBlack(file: TiffFile, ifd: Directory): PerSite<number> {
  const [black = 0, ...others] = numbers(file, ifd, TAG.BlackLevel) ?? [0];
  if (others.some((b) => b !== black)) unsupported(ifd, 'A BlackLevel that differs by component');
  if (!Number.isInteger(black)) unsupported(ifd, `A BlackLevel of ${black}`);
  for (const tag of [TAG.BlackLevelDeltaH, TAG.BlackLevelDeltaV])
    if (numbers(file, ifd, tag)?.some((v) => v !== 0)) unsupported(ifd, tagName(tag));
  return [black, black, black, black];
}

function unsupported(ifd: Directory, what: string): never {
  throw new DngError('unsupported', `${what} is not read yet`, ifd.offset);
}

/** A tag that may be absent, but must not say anything else than this. */
function onlyAs(file: TiffFile, ifd: Directory, tag: number, usual: readonly number[]): void {
  const values = wholeNumbers(file, ifd, tag);
  if (values && values.join() !== usual.join())
    unsupported(ifd, `${tagName(tag)} ${values.slice(0, 4).join(' ')}`);
}

/** DNG: top, left, bottom, right. A mosaic's colours are counted from its corner, wherever that lies (so dcraw and LibRaw read it too). */
function activeAreaOf(file: TiffFile, ifd: Directory, width: number, height: number): Area {
  const values = wholeNumbers(file, ifd, TAG.ActiveArea);
  if (!values) return { x: 0, y: 0, width, height };
  const [top, left, bottom, right] = values;
  if (
    values.length !== 4 ||
    !(bottom! <= height && right! <= width && top! + 2 <= bottom! && left! + 2 <= right!)
  ) {
    throw new DngError(
      'bad-tag',
      `The ActiveArea ${values.slice(0, 4).join(' ')} does not lie in ${width}×${height}`,
      ifd.offset,
    );
  }
  return { x: left!, y: top!, width: right! - left!, height: bottom! - top! };
}

/** Masked borders tell nothing that BlackLevel does not, as long as there is one and no light is counted from them. */
function checkMasked(file: TiffFile, ifd: Directory, active: Area, width: number, height: number): void {
  const values = wholeNumbers(file, ifd, TAG.MaskedAreas);
  if (!values) return;
  if (values.length % 4 !== 0)
    throw new DngError('bad-tag', 'MaskedAreas are not whole rectangles', ifd.offset);
  if (!ifd.entries.has(TAG.BlackLevel)) unsupported(ifd, 'Black that must be measured on MaskedAreas');
  for (let i = 0; i < values.length; i += 4) {
    const [top, left, bottom, right] = values.slice(i, i + 4) as [number, number, number, number];
    const inside = top <= bottom && left <= right && bottom <= height && right <= width;
    const apart =
      bottom <= active.y ||
      right <= active.x ||
      top >= active.y + active.height ||
      left >= active.x + active.width;
    if (!inside || !apart)
      throw new DngError('bad-tag', 'MaskedAreas lie in the light or outside the mosaic', ifd.offset);
  }
}

/** CFAPattern of a 2×2 cell (0 red, 1 green, 2 blue) of the four Bayer phases. */
const PHASES: ReadonlyMap<string, BayerPhase> = new Map([
  ['0,1,1,2', [0, 0]],
  ['1,0,2,1', [1, 0]],
  ['1,2,0,1', [0, 1]],
  ['2,1,1,0', [1, 1]],
]);

/** Black of each of the four sites. DNG: the pattern of BlackLevel begins at the corner of the active area. */
function blacksOf(file: TiffFile, ifd: Directory, [px, py]: BayerPhase): PerSite<number> {
  const values = numbers(file, ifd, TAG.BlackLevel) ?? [0];
  const repeats = wholeNumbers(file, ifd, TAG.BlackLevelRepeatDim) ?? [1, 1];
  if (repeats.length !== 2)
    throw new DngError(
      'bad-tag',
      `A BlackLevelRepeatDim of ${repeats.length} number${repeats.length === 1 ? '' : 's'}`,
      ifd.offset,
    );
  const [rows, columns] = repeats;
  if (!(rows! >= 1 && columns! >= 1 && values.length === rows! * columns!))
    throw new DngError(
      'bad-tag',
      `${values.length} BlackLevel values for ${rows}×${columns} sites`,
      ifd.offset,
    );
  if (rows! > 2 || columns! > 2) unsupported(ifd, `A BlackLevel of ${rows}×${columns} sites`);
  for (const tag of [TAG.BlackLevelDeltaH, TAG.BlackLevelDeltaV])
    if (numbers(file, ifd, tag)?.some((v) => v !== 0)) unsupported(ifd, tagName(tag));
  const whole = values.find((v) => !Number.isInteger(v));
  if (whole !== undefined) unsupported(ifd, `A BlackLevel of ${whole}`);
  const blacks: [number, number, number, number] = [0, 0, 0, 0];
  for (let y = 0; y < 2; y++)
    for (let x = 0; x < 2; x++)
      blacks[cfaIndex(x + px, y + py)] = values[(y % rows!) * columns! + (x % columns!)]!;
  return blacks;
}

function blocksOf(file: TiffFile, ifd: Directory, width: number, height: number): Blocks {
  const tileWidth = wholeNumber(file, ifd, TAG.TileWidth);
  const tiled = tileWidth !== undefined;
  const blockWidth = tileWidth ?? width;
  const blockHeight = tiled
    ? requiredWhole(file, ifd, TAG.TileLength)
    : Math.min(height, wholeNumber(file, ifd, TAG.RowsPerStrip) ?? height);
  if (blockWidth < 1 || blockHeight < 1 || blockWidth > 65535 || blockHeight > 65535) {
    throw new DngError('absurd', `Raw blocks of ${blockWidth}×${blockHeight}`, ifd.offset);
  }
  const across = Math.ceil(width / blockWidth);
  const wanted = across * Math.ceil(height / blockHeight);
  const offsets = wholeNumbers(file, ifd, tiled ? TAG.TileOffsets : TAG.StripOffsets);
  const counts = wholeNumbers(file, ifd, tiled ? TAG.TileByteCounts : TAG.StripByteCounts);
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

/**
 * Blocks lie inside the file and apart: a file that names the same bytes again and again would cost far more work than it has
 * bytes.
 */
function checkPlaces(file: TiffFile, { offsets, counts }: Blocks): void {
  const order = Array.from(offsets.keys()).sort((a, b) => offsets[a]! - offsets[b]!);
  let end = 0;
  for (const i of order) {
    const [offset, count] = [offsets[i]!, counts[i]!];
    if (offset + count > file.bytes.length) {
      throw new DngError(
        'truncated',
        `Block ${i + 1} of ${offsets.length} lies beyond the end of the file`,
        offset,
      );
    }
    if (offset < end && count > 0)
      throw new DngError('bad-tag', `Block ${i + 1} of the raw data lies over another one`, offset);
    end = Math.max(end, offset + count);
  }
}
