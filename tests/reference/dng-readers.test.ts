// Files against independent readers: LibRaw (unprocessed_raw), dcraw, utif2 and ExifTool. Bit for bit, or it is not raw.
import { colourOfNeutral } from '../../src/core/colour/camera';
import { opticOfCamera } from '../../src/core/sensor/cameras';
import { initialValues, settingsOf } from '../../src/core/setting/values';
import { mkdtempSync, readFileSync, rmSync, writeFileSync, existsSync, unlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import UTIF from 'utif2';
import { encodeJpeg } from '../../cli/jpeg';
import '../light-scenes';
import { loadScene } from '../../cli/scene-files';
import { shoot } from '../../src/core/frame/shoot';
import { sourceOf } from '../../src/core/scene/capture';
import { rawFrameOf } from '../../src/core/dng/file-frame';
import { readDng } from '../../src/core/dng/read';
import { captureDng } from '../../src/core/dng/capture';
import { pictureReduced } from '../../src/core/raw/develop-image';
import { OPENING } from '../../src/core/scene/outside';
import { viewScene } from '../../src/core/scene/view';
import type { RawFrame } from '../../src/core/sensor/raw-frame';
import { SIM_ONE_WIDE } from '../../src/core/sensor/sim-one';
import { noiseModel } from '../../src/core/sensor/sensor';
import { parseCompensation, parseIso, parseShutter } from '../../src/core/units/ladders';
import { pgmSamples, runTool } from './run-tool';
import { someFacts } from '../facts';

const folder = mkdtempSync(join(tmpdir(), 'velmo-dng-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
beforeAll(() => void jest.spyOn(console, 'log').mockImplementation(() => undefined)); // utif2 prints as it decodes

type Compression = 'lossless-jpeg' | 'none';

/** A frame of noise and gradient, so that every size category of the codec occurs. */
function testFrame(width: number, height: number): RawFrame {
  let s = 12345;
  const data = Uint16Array.from({ length: width * height }, (_, i) => {
    s = (Math.imul(s, 1664525) + 1013904223) | 0;
    const x = i % width;
    return Math.min(4095, 240 + ((x * 7 + ((s >>> 16) & (x % 50 < 3 ? 4095 : 31))) % 3900));
  });
  const { sensor, matrices } = SIM_ONE_WIDE;
  return {
    width,
    height,
    layout: 'cfa',
    data,
    black: sensor.black,
    white: sensor.white,
    colour: colourOfNeutral(matrices, [0.5, 1, 0.7]),
    noise: noiseModel(sensor, 100),
    baselineEv: 0,
    settings: { shutterS: parseShutter('1/125').exact, iso: 100, apertureN: 1.8, compensationEv: 0 },
    timeMs: Date.UTC(2031, 3, 9),
    offsetMinutes: 0,
    source: { ...sourceOf(SIM_ONE_WIDE, 'test', 1), focusM: Infinity },
  };
}

function write(name: string, frame: RawFrame, compression: Compression): string {
  // Smaller than the smallest mosaic: readers take the largest picture for the raw one.
  const rgba = new Uint8ClampedArray(16 * 12 * 4).fill(120);
  const file = join(folder, name);
  writeFileSync(
    file,
    captureDng(frame, {
      compression,
      thumbnail: { width: 16, height: 12, rgba },
      previewJpeg: encodeJpeg(rgba, 16, 12),
      facts: someFacts(),
    }),
  );
  return file;
}

/** The mosaic as each independent reader sees it. */
const READERS: Record<string, (file: string) => Uint16Array> = {
  unprocessed_raw: (file) => {
    const out = `${file}.pgm`;
    if (existsSync(out)) unlinkSync(out);
    runTool('unprocessed_raw', [file], folder);
    return pgmSamples(readFileSync(out)).data;
  },
  dcraw: (file) =>
    pgmSamples(runTool('dcraw', ['-E', '-4', '-j', '-t', '0', '-c', file], folder).stdout).data,
  utif2: (file) => {
    const bytes = readFileSync(file);
    const buffer = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength);
    const ifd = UTIF.decode(buffer)[0]!;
    const raw = (ifd.subIFD as unknown as UTIF.IFD[])[0]!;
    UTIF.decodeImage(buffer, raw);
    return new Uint16Array(raw.data.buffer, raw.data.byteOffset, raw.data.byteLength / 2);
  },
};

const SIZES = [
  [22, 22],
  [64, 40],
  [127, 65],
  [255, 33],
  [300, 200],
  [400, 301],
  [512, 64],
  [777, 333],
  [1025, 258],
] as const;

describe.each(Object.keys(READERS))('%s reads back exactly what was written', (reader) => {
  it.each(SIZES.flatMap(([w, h]) => (['lossless-jpeg', 'none'] as const).map((c) => [w, h, c] as const)))(
    '%i×%i, %s',
    (w, h, compression) => {
      const frame = testFrame(w, h);
      const read = READERS[reader]!(write(`${w}x${h}-${compression}.dng`, frame, compression));
      expect(
        Buffer.from(read.buffer, read.byteOffset, w * h * 2).equals(Buffer.from(frame.data.buffer)),
      ).toBe(true);
    },
  );
});

describe('a full capture', () => {
  let file: string;
  let mosaic: Uint16Array;
  beforeAll(async () => {
    const view = viewScene(await loadScene('wheel-bench'), SIM_ONE_WIDE, 'landscape');
    const settings = {
      shutterS: parseShutter('1/8000').exact,
      iso: parseIso('1250').exact,
      apertureN: 1.8,
      compensationEv: parseCompensation('-0.67').exact,
    };
    const facts = someFacts({
      set: settingsOf(
        {
          ...initialValues(),
          meter: { ...initialValues().meter, pattern: 'spot' as const },
          shutter: { auto: false, exact: settings.shutterS },
        },
        opticOfCamera(SIM_ONE_WIDE),
      ),
      meteredEv100: 7.25,
      id: '0123456789abcdef'.repeat(2),
      timeMs: Date.UTC(2031, 3, 9, 5, 30, 5, 120),
      offsetMinutes: -210,
    });
    const shot = await shoot(
      view,
      {
        settings,
        facts,
        seed: 3,
        clockS: 0,
        focusM: 1.5,
        steadiness: { support: 'tripod', press: 0, sinceTouchS: 60 },
      },
      { longSide: 4032, compression: 'lossless-jpeg', encodeJpeg },
    );
    file = join(folder, 'full.dng');
    writeFileSync(file, shot.files[0]!.bytes);
    mosaic = shot.frame.data;
  });

  it.each(Object.keys(READERS))('of 12 MP is read bit for bit by %s', (reader) => {
    const read = READERS[reader]!(file);
    expect(
      Buffer.from(read.buffer, read.byteOffset, mosaic.byteLength).equals(Buffer.from(mosaic.buffer)),
    ).toBe(true);
  });

  it('is OK to ExifTool, without a warning', () => {
    const { stdout } = runTool('exiftool', ['-validate', '-warning', '-error', '-a', '-G1', file], folder);
    const lines = stdout.toString().trim().split('\n');
    expect(lines).toHaveLength(1);
    expect(lines[0]).toMatch(/Validate\s*: OK$/);
  });

  it('tells ExifTool the settings it was made with', () => {
    const { stdout } = runTool('exiftool', ['-j', '-n', '-G1', file], folder);
    const tags = (JSON.parse(stdout.toString()) as Record<string, unknown>[])[0]!;
    expect(tags).toMatchObject({
      'ExifIFD:ISO': 1250,
      'ExifIFD:FNumber': 1.8,
      'ExifIFD:MeteringMode': 3,
      'ExifIFD:ExposureProgram': 4,
      'ExifIFD:FocalLengthIn35mmFormat': 24,
      'ExifIFD:LensModel': 'Velmo Sim One 24 mm f/1.8',
      'ExifIFD:BrightnessValue': expect.closeTo(7.25 - 5, 4),
      'ExifIFD:MaxApertureValue': expect.closeTo(1.8, 2),
      'ExifIFD:DateTimeOriginal': '2031:04:09 02:00:05',
      'ExifIFD:OffsetTimeOriginal': '-03:30',
      'IFD0:Model': 'Velmo Sim One',
      'SubIFD:BlackLevel': 256,
      'SubIFD:WhiteLevel': 4095,
    });
    expect(tags['ExifIFD:ExposureTime']).toBeCloseTo(1 / 8000, 9);
    expect(tags['ExifIFD:ExposureCompensation']).toBeCloseTo(-2 / 3, 6);
    expect(tags['XMP-xmp:CreatorTool']).toMatch(/^Velmo/);
  });

  it('writes the nominal time as a rational', () => {
    const { stdout } = runTool('exiftool', ['-s3', '-ExposureTime', file], folder);
    expect(stdout.toString().trim()).toBe('1/8000');
  });

  it('carries a preview and a thumbnail that can be taken out', () => {
    const jpeg = runTool('exiftool', ['-b', '-PreviewImage', file], folder).stdout;
    expect(jpeg.subarray(0, 2).toString('hex')).toBe('ffd8');
    expect(jpeg.length).toBeGreaterThan(20_000);
  });

  it('is developed by another hand to the same brightness', () => {
    // dcraw's own development, half size, no automatic brightening: its mean must be a picture, not black or white.
    const { stdout } = runTool('dcraw', ['-h', '-w', '-W', '-c', file], folder);
    const head = /^P6\s+(\d+)\s+(\d+)\s+255\s/.exec(stdout.subarray(0, 40).toString('latin1'));
    expect(head).not.toBeNull();
    const pixels = stdout.subarray(head![0].length);
    const mean = pixels.reduce((a, b) => a + b, 0) / pixels.length;
    expect(mean).toBeGreaterThan(20);
    expect(mean).toBeLessThan(240);
  });
});

describe('a capture held upright', () => {
  let file: string;
  let seen: { width: number; height: number; rgba: Uint8ClampedArray };
  beforeAll(async () => {
    const scene = await loadScene('wheel-bench', 'wide');
    const view = viewScene(scene, SIM_ONE_WIDE, 'portrait', OPENING);
    const settings = {
      shutterS: parseShutter('1/500').exact,
      iso: 100,
      apertureN: 1.8,
      compensationEv: 0,
    };
    const shot = await shoot(
      view,
      {
        settings,
        facts: someFacts({
          set: settingsOf(initialValues(), opticOfCamera(SIM_ONE_WIDE)),
          id: '0123456789abcdef'.repeat(2),
          timeMs: Date.UTC(2031, 3, 9),
        }),
        seed: 3,
        ...{ clockS: 0, focusM: 1.5 },
        steadiness: { support: 'tripod', press: 0, sinceTouchS: 60 },
      },
      { longSide: 640, compression: 'lossless-jpeg', encodeJpeg },
    );
    file = join(folder, 'upright.dng');
    writeFileSync(file, shot.files[0]!.bytes);
    const rgba = pictureReduced(rawFrameOf(readDng(shot.files[0]!.bytes)), 120, 160);
    seen = { width: 120, height: 160, rgba };
  });

  it('lies as its sensor does, with an Orientation that says so', () => {
    const { stdout } = runTool(
      'exiftool',
      ['-j', '-n', '-IFD0:Orientation', '-SubIFD:ImageWidth', '-SubIFD:ImageHeight', file],
      folder,
    );
    expect((JSON.parse(stdout.toString()) as unknown[])[0]).toMatchObject({
      Orientation: 6,
      ImageWidth: 640,
      ImageHeight: 480,
    });
  });

  it('is seen upright by another hand, as by ours', () => {
    const { stdout } = runTool('dcraw', ['-h', '-w', '-W', '-c', file], folder);
    const head = /^P6\s+(\d+)\s+(\d+)\s+255\s/.exec(stdout.subarray(0, 40).toString('latin1'))!;
    const [width, height] = [Number(head[1]), Number(head[2])];
    expect(height).toBeGreaterThan(width);
    const pixels = stdout.subarray(head[0].length);
    const theirs = cells(width, height, (x, y) => pixels[3 * (y * width + x) + 1]!);
    const ours = cells(seen.width, seen.height, (x, y) => seen.rgba[4 * (y * seen.width + x) + 1]!);
    expect(likeness(theirs, ours)).toBeGreaterThan(0.95);
    // Turned the other way round it would not be.
    expect(likeness(theirs, [...ours].reverse())).toBeLessThan(0.8);
  });

  /** Means of green over 6 × 8 parts of the picture. */
  function cells(width: number, height: number, green: (x: number, y: number) => number): number[] {
    return Array.from({ length: 48 }, (_, i) => {
      const [cx, cy] = [i % 6, Math.floor(i / 6)];
      let [sum, n] = [0, 0];
      for (let y = Math.floor((cy * height) / 8); y < Math.floor(((cy + 1) * height) / 8); y++)
        for (let x = Math.floor((cx * width) / 6); x < Math.floor(((cx + 1) * width) / 6); x++) {
          sum += green(x, y);
          n++;
        }
      return sum / n;
    });
  }

  /** Pearson's correlation. */
  function likeness(a: readonly number[], b: readonly number[]): number {
    const mean = (v: readonly number[]) => v.reduce((sum, x) => sum + x, 0) / v.length;
    const [ma, mb] = [mean(a), mean(b)];
    const dot = (f: (i: number) => number) => a.reduce((sum, _, i) => sum + f(i), 0);
    return (
      dot((i) => (a[i]! - ma) * (b[i]! - mb)) /
      Math.sqrt(dot((i) => (a[i]! - ma) ** 2) * dot((i) => (b[i]! - mb) ** 2))
    );
  }
});
