// Every format that a frame can be kept as, against independent readers: ExifTool finds nothing wrong, Exiv2 reads the same facts, other decoders
// find the picture that was developed, and the colour profile is that of sRGB.
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { decode as decodePng } from 'fast-png';
import jpegJs from 'jpeg-js';
import UTIF from 'utif2';
import { encodeJpeg } from '../../cli/jpeg';
import '../light-scenes';
import { loadScene } from '../../cli/scene-files';
import { shoot, type ShotFiles } from '../../src/core/frame/shoot';
import { readTiff16 } from '../../src/core/formats/tiff';
import { developOut, developOut16 } from '../../src/core/raw/develop-out';
import { viewScene } from '../../src/core/scene/view';
import { OPTICS } from '../../src/core/sensor/cameras';
import { ENDINGS, parseFiles, PICTURE_SIZES, type Format } from '../../src/core/setting/files';
import { initialValues } from '../../src/core/setting/values';
import { runTool } from './run-tool';
import { someFacts } from '../facts';

const folder = mkdtempSync(join(tmpdir(), 'velmo-formats-'));
beforeAll(() => void jest.spyOn(console, 'log').mockImplementation(() => undefined)); // utif2 prints as it decodes
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const KINDS = ['dng+jpeg,90', 'jpeg,60', 'tiff', 'png', 'png16', 'png,half', 'tiff,quarter'] as const;
const taken = new Map<string, ShotFiles>();
const fileOf = (kind: string, format: Format) => join(folder, `${kind.replace(',', '-')}.${ENDINGS[format]}`);
const picturesOf = (kind: string) =>
  taken.get(kind)!.files.map(({ format }): [Format, string] => [format, fileOf(kind, format)]);

beforeAll(async () => {
  const camera = OPTICS.wide;
  // Held upright, and cut: a picture is turned and shows what is inside the lines.
  const view = viewScene(await loadScene('wheel-bench'), camera, 'portrait');
  for (const kind of KINDS) {
    const shot = await shoot(
      view,
      {
        settings: { shutterS: 2 ** -9, iso: 200, apertureN: camera.lens.apertureN, compensationEv: -1 / 3 },
        facts: someFacts({
          set: {
            ...initialValues(),
            cut: { ...initialValues().cut, aspect: '1:1' },
            files: parseFiles(kind),
          },
          meteredEv100: 9.5,
          id: 'ef'.repeat(16),
          focusedAt: { x: 0.4, y: 0.6 },
          timeMs: Date.UTC(2031, 3, 9, 5, 30, 5, 120),
          offsetMinutes: 150,
        }),
        seed: 3,
        ...{ clockS: 3, focusM: 1.5, steadiness: { support: 'tripod', press: 0, sinceTouchS: 60 } },
      },
      { longSide: 640, compression: 'lossless-jpeg', encodeJpeg },
    );
    taken.set(kind, shot);
    for (const { format, bytes } of shot.files) writeFileSync(fileOf(kind, format), bytes);
  }
});

it('a frame has the files that were asked for, and its record tells of each', () => {
  const formats = KINDS.map((kind) =>
    taken
      .get(kind)!
      .files.map(({ format }) => format)
      .join('+'),
  );
  expect(formats).toEqual(['dng+jpeg', 'jpeg', 'tiff', 'png', 'png', 'png', 'tiff']);
  for (const { record, files } of taken.values()) {
    expect(record.files.map(({ bytes }) => bytes)).toEqual(files.map(({ bytes }) => bytes.length));
    // Without raw the frame is its picture; what raw held was counted all the same.
    expect(record.image.kind).toBe(files[0]!.format === 'dng' ? 'mosaic' : 'rgb');
    expect(record.result).toMatchObject({ channels: expect.any(Array) });
  }
  expect(taken.get('png')!.record.image).toMatchObject({ width: 480, height: 480 });
  expect(taken.get('png,half')!.record.image).toMatchObject({ width: 240, height: 240 });
  expect(taken.get('tiff,quarter')!.record.image).toMatchObject({ width: 120, height: 120 });
});

describe.each(KINDS)('%s', (kind) => {
  it('is clean to ExifTool', () => {
    for (const [, file] of picturesOf(kind)) {
      const { stdout } = runTool('exiftool', ['-validate', '-warning', '-error', '-a', '-G1', file], folder);
      expect(stdout.toString()).toMatch(/Validate\s*: OK/);
      expect(stdout.toString()).not.toMatch(/Warning|Error/);
    }
  });

  it('tells ExifTool and Exiv2 how it was taken', () => {
    for (const [format, file] of picturesOf(kind)) {
      const told = JSON.parse(runTool('exiftool', ['-j', '-n', file], folder).stdout.toString())[0] as Record<
        string,
        unknown
      >;
      expect(told).toMatchObject({
        ...{
          Make: 'Velmo',
          ISO: 200,
          FNumber: 1.8,
          MeteringMode: 5,
          WhiteBalance: 0,
          ImageUniqueID: 'ef'.repeat(16),
        },
        ...{ OffsetTimeOriginal: '+02:30', DateTimeOriginal: '2031:04:09 08:00:05', SubjectDistance: 1.5 },
      });
      // Nominal, as it is shown.
      expect(told.ExposureTime).toBeCloseTo(1 / 500, 9);
      expect(told.ExposureCompensation).toBeCloseTo(-1 / 3, 5);
      expect(String(told.Description)).toMatch(/wheel-bench, seed 3/);
      if (format === 'dng') continue;
      // Turned already; sRGB.
      expect([told.Orientation, told.ColorSpace]).toEqual([1, 1]);
      const { width, height } = taken.get(kind)!.record.image;
      if (kind !== 'dng+jpeg,90' && format !== 'tiff')
        expect([told.ExifImageWidth, told.ExifImageHeight]).toEqual([width, height]);
      const read = runTool('exiv2', ['-PEkv', 'print', file], folder).stdout.toString();
      const value = (key: string) =>
        new RegExp(`^${key.replaceAll('.', '\\.')}\\s+(.*)$`, 'm').exec(read)?.[1];
      expect(value('Exif.Photo.ISOSpeedRatings')).toBe('200');
      expect(value('Exif.Photo.DateTimeOriginal')).toBe('2031:04:09 08:00:05');
      expect(value('Exif.Image.Orientation')).toBe('1');
    }
  });

  it('holds the developed picture, by another decoder', () => {
    const { frame } = taken.get(kind)!;
    const { size, quality } = parseFiles(kind);
    for (const [format, file] of picturesOf(kind)) {
      const bytes = readFileSync(file);
      if (format === 'dng') continue;
      if (format === 'jpeg') {
        const { width, height, data } = jpegJs.decode(bytes);
        const wanted = developOut(frame, size);
        expect([width, height]).toEqual([wanted.width, wanted.height]);
        const square = wanted.rgba.reduce((sum, v, i) => sum + (v - data[i]!) ** 2, 0) / data.length;
        expect(10 * Math.log10(255 ** 2 / square)).toBeGreaterThan(quality >= 90 ? 34 : 28);
      } else if (format === 'png') {
        const { width, height, depth, channels, data } = decodePng(bytes);
        expect(channels).toBe(3);
        if (depth === 16)
          expect(Buffer.compare(rgb16(developOut16(frame, size).rgb), rgb16(data as Uint16Array))).toBe(0);
        else {
          const wanted = developOut(frame, size);
          expect([width, height]).toEqual([wanted.width, wanted.height]);
          expect(
            Buffer.compare(Buffer.from(data.buffer, data.byteOffset, data.length), withoutAlpha(wanted.rgba)),
          ).toBe(0);
        }
      } else {
        const buffer = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length) as ArrayBuffer;
        const [directory] = UTIF.decode(buffer);
        UTIF.decodeImage(buffer, directory!);
        const { data } = directory as unknown as { data: Uint8Array };
        const wanted = developOut16(frame, size);
        expect(Buffer.compare(Buffer.from(data), rgb16(wanted.rgb))).toBe(0);
        const own = readTiff16(bytes);
        expect([own.width, own.height]).toEqual([wanted.width, wanted.height]);
        expect(Buffer.compare(rgb16(own.rgb), rgb16(wanted.rgb))).toBe(0);
        for (const broken of [bytes.subarray(0, bytes.length >> 1), bytes.subarray(0, 6), new Uint8Array(0)])
          expect(() => readTiff16(broken)).toThrow();
      }
    }
  });
});

const rgb16 = (samples: Uint16Array) => Buffer.from(samples.buffer, samples.byteOffset, samples.byteLength);
const withoutAlpha = (rgba: Uint8ClampedArray) => Buffer.from(rgba.filter((_, i) => (i & 3) !== 3));

it('16 bits are 8 bits told finer, at every size', () => {
  const { frame } = taken.get('png')!;
  for (const size of PICTURE_SIZES) {
    const eight = withoutAlpha(developOut(frame, size).rgba);
    const { rgb } = developOut16(frame, size);
    let off = 0;
    for (let i = 0; i < rgb.length; i++) if (Math.abs(rgb[i]! / 257 - eight[i]!) > 0.502) off++;
    expect(off).toBe(0);
    expect(new Set(rgb).size).toBeGreaterThan(new Set(eight).size * 4);
  }
});

it('the colour profile is that of sRGB: its primaries under D50 as the ICC publishes them, its curve that of IEC 61966-2-1', () => {
  for (const format of ['jpeg', 'png', 'tiff'] as const) {
    const file = fileOf(format === 'jpeg' ? 'jpeg,60' : format, format);
    const told = JSON.parse(
      runTool('exiftool', ['-j', '-n', '-ICC_Profile:all', file], folder).stdout.toString(),
    )[0] as Record<string, string>;
    const numbers = (text: string) => text.split(' ').map(Number);
    // sRGB v4 ICC preference and v2 profiles: sRGB adapted by Bradford.
    const near = (text: string, wanted: readonly number[]) =>
      numbers(text).forEach((v, i) => expect(v).toBeCloseTo(wanted[i]!, 3));
    near(told.RedMatrixColumn!, [0.436, 0.2225, 0.0139]);
    near(told.GreenMatrixColumn!, [0.3851, 0.7169, 0.0971]);
    near(told.BlueMatrixColumn!, [0.1431, 0.0606, 0.7141]);
    near(told.MediaWhitePoint!, [0.9642, 1, 0.8249]);
    expect(told.ProfileDescription).toMatch(/sRGB/);
  }
});

it.each([
  '',
  'raw',
  'jpeg,59',
  'jpeg,101',
  'dng,90',
  'tiff,90',
  'dng,half',
  'jpeg,90,half,half',
  'png,third',
])('refuses "%s" as a format', (text) => expect(() => parseFiles(text)).toThrow(/--format is/));
