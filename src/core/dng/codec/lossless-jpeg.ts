// Lossless JPEG (ITU-T T.81 Annex H) in blocks, as DNG 1.4 has it: Compression 7 of a mosaic.
import { DngError } from '../errors';
import { COMPRESSION } from '../tags';
import type { Codec } from './codec';
import { decodeLosslessJpeg } from './lossless-jpeg-decode';
import { encodeLosslessJpeg } from './lossless-jpeg-encode';

export const losslessJpeg: Codec<'lossless-jpeg'> = {
  id: 'lossless-jpeg',
  number: COMPRESSION.jpeg,
  words: 'lossless JPEG',
  samples: [1],
  tiles: true,
  leastBits: 1,

  decodeBlock: (bytes, { width, height, columns, rows, tiled, offset }, { data, at, stride }) => {
    const jpeg = decodeLosslessJpeg(bytes, offset, width * height * 2);
    // Its components lie beside each other: a row of them is a row of the block.
    const row = jpeg.width * jpeg.components;
    if (row < columns || jpeg.height < rows || (tiled && row !== width))
      throw new DngError(
        'bad-jpeg',
        `A block holds ${row}×${jpeg.height} samples instead of ${width}×${height}`,
        offset,
      );
    for (let y = 0; y < rows; y++)
      data.set(jpeg.samples.subarray(y * row, y * row + columns), at + y * stride);
  },

  encodeBlock: encodeLosslessJpeg,
};
