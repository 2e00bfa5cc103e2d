// Numbers of 16 bits as they are, in the file's order of bytes (TIFF 6.0, Compression 1).
import { DngError } from '../errors';
import { COMPRESSION } from '../tags';
import type { Codec } from './codec';

export const plain: Codec<'none'> = {
  id: 'none',
  number: COMPRESSION.none,
  words: 'plain',
  samples: [1, 3],
  tiles: false,
  leastBits: 16,

  decodeBlock: (bytes, { width, columns, rows, littleEndian, offset }, { data, at, stride }) => {
    if (bytes.length < ((rows - 1) * width + columns) * 2)
      throw new DngError('truncated', 'A block of raw data is too short', offset);
    const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
    for (let y = 0; y < rows; y++)
      for (let x = 0; x < columns; x++)
        data[at + y * stride + x] = view.getUint16((y * width + x) * 2, littleEndian);
  },

  encodeBlock: (samples) => {
    const bytes = new Uint8Array(2 * samples.length);
    const view = new DataView(bytes.buffer);
    for (let i = 0; i < samples.length; i++) view.setUint16(2 * i, samples[i]!, true);
    return bytes;
  },
};
