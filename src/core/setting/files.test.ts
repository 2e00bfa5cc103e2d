// What files a frame is kept as: words there and back, and how large they will be.
import fc from 'fast-check';
import { frameBytes, type KeptFiles } from './file-bytes';
import {
  FILE_KINDS,
  filesWords,
  formatsOf,
  hasJpeg,
  hasPicture,
  hasRaw,
  parseFiles,
  PICTURE_SIZES,
  RAW_ONLY,
} from './files';

describe('in words', () => {
  it('goes there and back', () => {
    expect(parseFiles('dng')).toEqual(RAW_ONLY);
    expect(filesWords(parseFiles(' dng+jpeg, 90 ,half'))).toBe('DNG + JPEG 90, half');
    expect(parseFiles('png16,quarter')).toMatchObject({ kind: 'png16', size: 4 });
    expect(filesWords(RAW_ONLY)).toBe('DNG');
  });

  it('every kind has a file, and what it has agrees', () => {
    for (const kind of FILE_KINDS) {
      const choice = { ...RAW_ONLY, kind };
      const formats = formatsOf(choice);
      expect(formats.length).toBeGreaterThan(0);
      expect([hasRaw(choice), hasJpeg(choice)]).toEqual([formats.includes('dng'), formats.includes('jpeg')]);
      expect(hasPicture(choice)).toBe(formats.some((format) => format !== 'dng'));
    }
  });
});

const camera = { name: 'A', rawBytes: 15e6, megapixels: 12 };
const kept = (bytes: number, of = RAW_ONLY, name = 'A'): KeptFiles => ({
  camera: name,
  set: { files: of },
  files: [{ format: 'dng', bytes }],
});

describe('the size of a frame', () => {
  it('is the mean of the last of its kind by the same camera, the newest six', () => {
    const jpeg = parseFiles('jpeg,90');
    const frames = [kept(10), kept(30), kept(1e9, RAW_ONLY, 'B'), kept(77, jpeg)];
    expect(frameBytes(RAW_ONLY, camera, frames)).toEqual({ bytes: 20, from: 2 });
    expect(frameBytes(jpeg, camera, frames)).toEqual({ bytes: 77, from: 1 });
    expect(frameBytes(parseFiles('jpeg,88'), camera, frames).from).toBe(0);
    // The quality of a JPEG and the size of a picture say nothing of a DNG.
    expect(frameBytes({ ...RAW_ONLY, quality: 61, size: 4 }, camera, frames).from).toBe(2);
    const many = [...Array(6).fill(kept(10)), kept(1e6)];
    expect(frameBytes(RAW_ONLY, camera, many)).toEqual({ bytes: 10, from: 6 });
    expect(frameBytes(RAW_ONLY, camera, [{ ...kept(5), set: {} }])).toEqual({ bytes: 5, from: 1 });
  });

  it('is a usual one until there is one: more for better and for larger, and the sum of two files', () => {
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 99 }), fc.constantFrom(...PICTURE_SIZES), (quality, size) => {
        const of = (kind: 'jpeg' | 'dng+jpeg', more = 0) =>
          frameBytes({ kind, quality: quality + more, size }, camera, []).bytes;
        expect(of('jpeg', 1)).toBeGreaterThan(of('jpeg'));
        expect(Math.abs(of('dng+jpeg') - of('jpeg') - camera.rawBytes)).toBeLessThanOrEqual(1);
        expect(of('jpeg')).toBeLessThan(frameBytes({ ...RAW_ONLY, kind: 'tiff', size }, camera, []).bytes);
      }),
    );
    expect(frameBytes(parseFiles('tiff'), camera, [])).toEqual({ bytes: 72e6, from: 0 });
  });
});
