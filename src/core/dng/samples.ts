// The numbers of a raw image from the blocks of a file, and into them. How a block is coded is the codec's; everything is 16 bits a number.
import { plain } from './codec/plain';
import { codecOf, type CodecId } from './codec/codecs';
import type { SamplesAPixel } from './codec/codec';
import type { RawLayout } from './raw-layout';
import { TAG } from './tags';
import type { TiffFile } from './tiff-reader';
import { long, short, type Field, type TiffWriter } from './tiff-writer';

/** Linear numbers of the active area, row by row. @throws DngError */
export function readSamples(file: TiffFile, layout: RawLayout): Uint16Array {
  const { height, active, table, blocks, codec, samples } = layout;
  // Numbers, not pixels, from here on: a row of three components is a row three times as wide.
  const width = layout.width * samples;
  const data = new Uint16Array(width * height);
  const block = {
    ...{ width: blocks.width * samples, height: blocks.height },
    ...{ tiled: blocks.tiled, littleEndian: file.littleEndian },
  };
  blocks.offsets.forEach((offset, i) => {
    const x = (i % blocks.across) * block.width;
    const y = Math.floor(i / blocks.across) * block.height;
    const columns = Math.min(block.width, width - x);
    const rows = Math.min(block.height, height - y);
    const bytes = file.bytes.subarray(offset, offset + blocks.counts[i]!);
    codec.decodeBlock(bytes, { ...block, columns, rows, offset }, { data, at: y * width + x, stride: width });
  });
  if (table) {
    const last = table.length - 1;
    for (let i = 0; i < data.length; i++) data[i] = table[Math.min(last, data[i]!)]!;
  }
  if (active.width === layout.width && active.height === height) return data;
  const row = active.width * samples;
  const inside = new Uint16Array(row * active.height);
  for (let y = 0; y < active.height; y++) {
    const from = (active.y + y) * width + active.x * samples;
    inside.set(data.subarray(from, from + row), y * row);
  }
  return inside;
}

/** The numbers of an image: width × samples a row. */
export interface Samples {
  readonly width: number;
  readonly height: number;
  readonly samples: SamplesAPixel;
  readonly data: Uint16Array;
}

/** Rows of a tile, and its columns at most. */
const TILE = 256;

/**
 * Writes the numbers, and returns the fields that say where they are. Plain in one strip where the codec does not carry such an image, or it is too narrow
 * for tiles (under 33 columns).
 * @param onProgress called with the share that is written
 */
export function writeSamples(
  image: Samples,
  wanted: CodecId,
  writer: TiffWriter,
  onProgress?: (share: number) => void,
): Field[] {
  const codec = codecOf(wanted);
  const tileWidth = codec.tiles ? tileWidthFor(image.width) : undefined;
  if (!codec.samples.includes(image.samples) || tileWidth === undefined) return strip(image, writer);
  const across = Math.ceil(image.width / tileWidth);
  const down = Math.ceil(image.height / TILE);
  const [offsets, counts]: [number[], number[]] = [[], []];
  const tile = new Uint16Array(tileWidth * TILE * image.samples);
  for (let ty = 0; ty < down; ty++) {
    for (let tx = 0; tx < across; tx++) {
      copyTile(image, tx * tileWidth, ty * TILE, tileWidth, tile);
      const coded = codec.encodeBlock(tile, tileWidth * image.samples, TILE);
      offsets.push(writer.append(coded));
      counts.push(coded.length);
    }
    onProgress?.((ty + 1) / down);
  }
  return [
    short(TAG.Compression, codec.number),
    long(TAG.TileWidth, tileWidth),
    long(TAG.TileLength, TILE),
    long(TAG.TileOffsets, ...offsets),
    long(TAG.TileByteCounts, ...counts),
  ];
}

function strip({ data, width, height, samples }: Samples, writer: TiffWriter): Field[] {
  const bytes = plain.encodeBlock(data, width * samples, height);
  return [
    short(TAG.Compression, plain.number),
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

/** Copies a tile; beyond the image's edge its last pixel goes on, of a mosaic the last one of the same colour. */
function copyTile(
  { data, width, height, samples }: Samples,
  x0: number,
  y0: number,
  tileWidth: number,
  tile: Uint16Array,
): void {
  const period = samples === 1 ? 2 : 1;
  const inside = Math.min(tileWidth, width - x0);
  for (let y = 0; y < TILE; y++) {
    const from = lastLike(y0 + y, height, period) * width;
    const row = y * tileWidth;
    tile.set(data.subarray((from + x0) * samples, (from + x0 + inside) * samples), row * samples);
    for (let x = inside; x < tileWidth; x++) {
      const pixel = (from + lastLike(x0 + x, width, period)) * samples;
      for (let c = 0; c < samples; c++) tile[(row + x) * samples + c] = data[pixel + c]!;
    }
  }
}

/** The last index below `size` of the same place in the pattern as `i`, or `i` itself when it lies inside. */
function lastLike(i: number, size: number, period: 1 | 2): number {
  if (i < size) return i;
  return size - 1 - ((size - 1 - i) & (period - 1));
}
