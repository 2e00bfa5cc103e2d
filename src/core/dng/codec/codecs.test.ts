// What every codec of the list owes: numbers come back as they were, in the part of a block that counts; and a file names it by a number of its own.
import * as fc from 'fast-check';
import { someFacts } from '../../../../tests/facts';
import { DngError } from '../errors';
import { EXIF_VERSION } from '../exif-directory';
import { readDng } from '../read';
import { writeDng, type DngContent } from '../write';
import { CODECS, codecNumbered, codecOf } from './codecs';

it('is found by the number in a file and by its name, each its own', () => {
  for (const codec of CODECS)
    expect([codecNumbered(codec.number), codecOf(codec.id)]).toEqual([codec, codec]);
  expect(new Set(CODECS.map(({ number }) => number)).size).toBe(CODECS.length);
  expect(codecNumbered(34712)).toBeUndefined();
});

describe.each(CODECS)('$id', (codec) => {
  const block = (width: number, height: number) => ({
    ...{ width, height, tiled: true, littleEndian: true, offset: 0 },
  });

  it('gives back the numbers that count, where they are wanted, and nothing beside them', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 9 }),
        fc.array(fc.integer({ min: 0, max: 65535 }), { minLength: 162, maxLength: 162 }),
        fc.integer({ min: 0, max: 5 }),
        (half, height, numbers, less) => {
          const width = 2 * half;
          const samples = Uint16Array.from(numbers.slice(0, width * height));
          const [columns, rows] = [Math.max(1, width - less), Math.max(1, height - less)];
          const [stride, at] = [columns + 3, 2];
          const data = new Uint16Array(at + rows * stride).fill(7);
          const bytes = codec.encodeBlock(samples, width, height);
          codec.decodeBlock(bytes, { ...block(width, height), columns, rows }, { data, at, stride });
          const wanted = data.slice().fill(7);
          for (let y = 0; y < rows; y++)
            wanted.set(samples.subarray(y * width, y * width + columns), at + y * stride);
          expect(data).toEqual(wanted);
        },
      ),
    );
  });

  it('refuses a block that is cut off', () => {
    const bytes = codec.encodeBlock(
      new Uint16Array(64).map((_, i) => (i * 7919) & 65535),
      8,
      8,
    );
    const to = { data: new Uint16Array(64), at: 0, stride: 8 };
    for (const length of [0, 1, bytes.length >> 1])
      expect(() =>
        codec.decodeBlock(bytes.subarray(0, length), { ...block(8, 8), columns: 8, rows: 8 }, to),
      ).toThrow(DngError);
  });

  it('is written of a mosaic, and plain is what an image is that it does not carry', () => {
    const of = (layout: 'cfa' | 'rgb'): DngContent => {
      const samples = layout === 'cfa' ? 1 : 3;
      const image = { width: 50, height: 40, black: 10, white: 60000, noise: null };
      return {
        image: { ...image, layout, data: new Uint16Array(2000 * samples).map((_, i) => (i * 31) & 65535) },
        colour: {
          matrices: [
            {
              kelvin: 5000,
              matrix: [
                [1, 0, 0],
                [0, 1, 0],
                [0, 0, 1],
              ],
            },
          ],
          asShotNeutral: [1, 1, 1],
          baselineEv: 0,
        },
        codec: codec.id,
        previews: {
          thumbnail: { width: 1, height: 1, rgba: new Uint8ClampedArray(4) },
          previewJpeg: TINY_JPEG,
        },
        facts: {
          ...{ model: 'Any', timeMs: 0, offsetMinutes: 0, exif: [EXIF_VERSION], xmp: new Uint8Array(1) },
          credit: someFacts(),
        },
      };
    };
    for (const layout of ['cfa', 'rgb'] as const) {
      const content = of(layout);
      const back = readDng(writeDng(content));
      const carried = codec.samples.includes(layout === 'cfa' ? 1 : 3);
      expect([back.layout, back.compression]).toEqual([layout, carried ? codec.id : 'none']);
      expect(back.data).toEqual(content.image.data);
    }
  });
});

/** A head that says 1 × 1 in three components: all that the writer reads of a preview. */
const TINY_JPEG = Uint8Array.of(
  ...[0xff, 0xd8, 0xff, 0xc0, 0, 17, 8, 0, 1, 0, 1, 3, 1, 0x11, 0, 2, 0x11, 0, 3, 0x11, 0, 0xff, 0xd9],
);
