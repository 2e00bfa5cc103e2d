// Small parts of the file: times as Exif 2.32 writes them, JPEG frame headers (T.81 B.2.2), TIFF 6.0 fields.
import { encodeJpeg } from '../../../cli/jpeg';
import { DngError } from './errors';
import { exifDateTime, exifOffset, exifSubSec, isoDateTime } from './exif-time';
import { jpegInfo } from './jpeg-info';
import { TYPE } from './tags';
import { number, numbers, openTiff, readDirectory, text } from './tiff-reader';
import { ascii, byte, double, long, rational, short, srational, TiffWriter } from './tiff-writer';

describe('time in a file', () => {
  const moment = Date.UTC(2031, 11, 31, 23, 30, 5, 7);
  it('is local, with its offset', () => {
    expect(exifDateTime(moment, 60)).toBe('2032:01:01 00:30:05');
    expect([exifOffset(60), exifOffset(-210), exifOffset(0)]).toEqual(['+01:00', '-03:30', '+00:00']);
    expect(isoDateTime(moment, -210)).toBe('2031-12-31T20:00:05.007-03:30');
  });
  it('has milliseconds, also before 1970', () => {
    expect(exifSubSec(moment)).toBe('007');
    expect(exifSubSec(-1)).toBe('999');
  });
});

describe('a JPEG’s frame header', () => {
  it('tells size and subsampling', () => {
    expect(jpegInfo(encodeJpeg(new Uint8ClampedArray(40 * 24 * 4), 40, 24))).toEqual({
      width: 40,
      height: 24,
      subsampling: [1, 1],
    });
  });
  it.each([[[]], [[0xff, 0xd8]], [[0xff, 0xd8, 0xff, 0xe0, 0, 0, 0, 0, 0, 0, 0, 0]], [[1, 2, 3]]])(
    'is missed in %j',
    (bytes) => {
      expect(() => jpegInfo(Uint8Array.from(bytes))).toThrow(DngError);
    },
  );
});

describe('TIFF fields', () => {
  const write = (...fields: Parameters<TiffWriter['appendDirectory']>[0]) => {
    const writer = new TiffWriter();
    const file = openTiff(writer.finish(writer.appendDirectory(fields)));
    return { file, directory: readDirectory(file, file.firstDirectory, new Set()) };
  };

  it('come back as written, whatever their type', () => {
    const { file, directory } = write(
      short(300, 1, 65535),
      long(301, 4294967295),
      byte(302, 1, 2, 3, 4, 5),
      ascii(303, 'Ferrow Kiln'),
      rational(304, 0.65, [1, 125]),
      srational(305, -2 / 3, [-1, 3]),
      double(306, 1e-9),
    );
    expect(numbers(file, directory, 300)).toEqual([1, 65535]);
    expect(number(file, directory, 301)).toBe(4294967295);
    expect(numbers(file, directory, 302)).toEqual([1, 2, 3, 4, 5]);
    expect(text(file, directory, 303)).toBe('Ferrow Kiln');
    expect(numbers(file, directory, 304)).toEqual([0.65, 1 / 125]);
    expect(number(file, directory, 305)).toBeCloseTo(-2 / 3, 6);
    expect(number(file, directory, 306)).toBe(1e-9);
    expect(number(file, directory, 999)).toBeUndefined();
  });

  it('lie in the order of their tags, at even offsets (TIFF 6.0)', () => {
    const { file, directory } = write(short(400, 1), ascii(300, 'odd'), ascii(350, 'seven'));
    expect([...directory.entries.keys()]).toEqual([300, 350, 400]);
    for (const entry of directory.entries.values()) expect(entry.offset % 2).toBe(0);
    expect(file.littleEndian).toBe(true);
  });

  it('of unknown type are passed over (TIFF 6.0)', () => {
    const { file } = write(short(300, 7), short(301, 8));
    const bytes = file.bytes.slice();
    new DataView(bytes.buffer).setUint16(file.firstDirectory + 4, 99, true);
    const again = openTiff(bytes);
    const directory = readDirectory(again, again.firstDirectory, new Set());
    expect(number(again, directory, 300)).toBeUndefined();
    expect(number(again, directory, 301)).toBe(8);
  });

  it('are read big-endian too', () => {
    const bytes = Uint8Array.from([
      0x4d,
      0x4d,
      0,
      42,
      0,
      0,
      0,
      8,
      0,
      1,
      1,
      0x2c,
      0,
      TYPE.SHORT,
      0,
      0,
      0,
      1,
      1,
      2,
      0,
      0,
      0,
      0,
      0,
      0,
    ]);
    const file = openTiff(bytes);
    expect(number(file, readDirectory(file, 8, new Set()), 300)).toBe(258);
  });
});
