// Our own writer against our own reader, and the reader against broken and hostile files. Independent readers are in
// tests/reference.
import { colourOfNeutral, srgbFromBalanced, type CameraColour } from '../colour/camera';
import { SIM_COLOUR } from '../sensor/sim-colour';
import { captureNoteOf } from './xmp';
import { initialValues } from '../setting/values';
import fc from 'fast-check';
import { matrixAt, neutralOfWhite, type CameraMatrices } from '../colour/calibrated';
import { xyOfWhite } from '../colour/temperature';
import type { Mat3 } from '../numeric/matrix';
import { developerFor, developRegion } from '../raw/develop';
import { baselineExposureEv } from '../raw/tone';
import { floorSignal, type RawFrame } from '../sensor/raw-frame';
import { checkDng, reportOf } from './check';
import { readDng, type DngMetadata } from './read';
import { EXIF, TAG } from './tags';
import { number, openTiff, readDirectory, text } from './tiff-reader';
import { factsOf } from './file-facts';
import { rawFrameOf } from './file-frame';
import { captureDng } from './capture';
import type { Known } from '../units/known';
import { someFacts } from '../../../tests/facts';

const tinyJpeg = Uint8Array.from([
  ...[0xff, 0xd8, 0xff, 0xc0, 0, 17, 8, 0, 8, 0, 8, 3, 1, 0x11, 0, 2, 0x11, 0, 3, 0x11, 0, 0xff, 0xd9],
]);

function frameOf(width: number, height: number): RawFrame {
  return {
    width,
    height,
    layout: 'cfa',
    data: Uint16Array.from({ length: width * height }, (_, i) => 200 + ((i * 2654435761) >>> 20)).map((v) =>
      Math.min(4095, v),
    ),
    black: 256,
    white: 4095,
    colour: colourOfNeutral(SIM_COLOUR.matrices, [0.51, 1, 0.73]),
    noise: { shot: 0.349, read: 0.85 },
    baselineEv: baselineExposureEv({ iso: 50 }),
    settings: { shutterS: 2 ** (-8 / 3), iso: 50, apertureN: 1.8, compensationEv: -2 / 3 },
    timeMs: Date.UTC(2031, 3, 9, 5, 30, 5, 120),
    offsetMinutes: 150,
    source: {
      make: 'Velmo',
      camera: 'Velmo Sim One',
      lens: '24 mm f/1.8',
      lensModel: '24 mm f/1.8',
      widestN: 1.8,
      focalLengthMm: 6.9,
      equivalentMm: 24,
      scene: 'test',
      seed: 1,
    },
  };
}

const FACTS = someFacts({
  set: {
    ...initialValues(),
    meter: { ...initialValues().meter, pattern: 'spot' as const },
    shutter: { auto: false, exact: 1 },
    iso: { auto: false, exact: 50 },
    aperture: { auto: false, exact: 1.8 },
  },
  meteredEv100: 4.5,
});
const OPTIONS = {
  compression: 'lossless-jpeg' as const,
  thumbnail: { width: 4, height: 3, rgba: new Uint8ClampedArray(48).fill(90) },
  previewJpeg: tinyJpeg,
  facts: FACTS,
};

function fileOf(
  width: number,
  height: number,
  compression: 'lossless-jpeg' | 'none' = 'lossless-jpeg',
): Uint8Array {
  return captureDng(frameOf(width, height), { ...OPTIONS, compression });
}

describe('a DNG', () => {
  it.each([
    [2, 2],
    [17, 9],
    [255, 31],
    [256, 256],
    [257, 33],
    [300, 300],
    [512, 20],
    [513, 20],
    [770, 5],
  ])('of %i×%i comes back bit for bit, plain and compressed', (w, h) => {
    for (const compression of ['lossless-jpeg', 'none'] as const) {
      const back = readDng(fileOf(w, h, compression));
      expect([back.width, back.height, back.compression]).toEqual([w, h, w < 33 ? 'none' : compression]);
      expect(back.data).toEqual(frameOf(w, h).data);
    }
  });

  it('is never exactly two tiles wide', () => {
    for (const w of [33, 64, 100, 258, 300, 400, 512]) {
      const across = Math.ceil(w / readDng(fileOf(w, 8)).block[0]);
      expect(across).not.toBe(2);
      expect(readDng(fileOf(w, 8)).block[0]).toBeLessThanOrEqual(w);
    }
  });

  it('says how it was taken', () => {
    const m = readDng(fileOf(16, 16)).metadata;
    expect(m).toMatchObject({
      model: 'Velmo Sim One',
      exposureTime: '1/6',
      iso: 50,
      fNumber: 1.8,
      focalLength35mm: 24,
      dateTimeOriginal: '2031:04:09 08:00:05',
      offsetTime: '+02:30',
      dngVersion: '1.4.0.0',
    });
    expect(m.exposureBiasEv).toBeCloseTo(-2 / 3, 9);
    expect(m.baselineExposureEv).toBeCloseTo(Math.log2((0.18 * 0.78) / 0.08125) - 1, 5);
    expect(m.asShotNeutral).toEqual([0.51, 1, 0.73]);
    expect(m.noiseProfile![0]).toBeCloseTo(0.349 / (4095 - 256), 12);
  });

  it.each([
    [400, 300, 128 / 4032, 13],
    [64, 48, 128 / 4032, 2],
    [400, 300, (3 * 128) / 4032, 38],
    [400, 300, undefined, 13],
  ])(
    'tells of %d × %d sites the part that was focused on, as wide as it was looked at',
    (w, h, side, wide) => {
      const facts = { ...FACTS, focusedAt: { x: 0.25, y: 0.5, ...(side !== undefined && { side }) } };
      const { metadata } = readDng(captureDng(frameOf(w, h), { ...OPTIONS, facts }));
      expect(metadata.subjectArea).toEqual([w / 4, h / 2, wide, wide]);
    },
  );

  it('becomes a frame again with what it says, exactly', () => {
    const raw = readDng(fileOf(16, 16));
    const frame = rawFrameOf(raw);
    expect(frame.noise!.shot).toBeCloseTo(0.349, 9);
    expect(frame.baselineEv).toBeCloseTo(baselineExposureEv({ iso: 50 }), 5);
    expect(frame.facts).toMatchObject({
      iso: 50,
      camera: 'Velmo Sim One',
      // The file has 1/6; the ladder's exact value is its own affair.
      shutterS: 1 / 6,
      timeMs: Date.UTC(2031, 3, 9, 5, 30, 5, 120),
      offsetMinutes: 150,
    });
  });

  it('of another maker is told by its own figures; what it does not say is unknown, with the reason', () => {
    const raw = readDng(fileOf(16, 16));
    const bare = rawFrameOf({
      ...raw,
      metadata: {
        asShotNeutral: [0, NaN, 1],
        iso: -4,
        exposureTimeS: 0.0123,
        dateTimeOriginal: '2031:04:09 08:00:05',
      },
    });
    expect(bare.facts.shutterS).toBe(0.0123);
    for (const fact of ['iso', 'apertureN', 'timeMs', 'lens', 'matrices', 'asShotNeutral'] as const)
      expect(bare.facts[fact]).toEqual({ unknown: expect.stringMatching(/file|Its/) });
    expect([bare.noise, bare.baselineEv]).toEqual([null, 0]);
    // Shown plainly: a camera that sees as sRGB does.
    const [r, g, b] = srgbFromBalanced(bare.colour);
    expect([r[0], g[1], b[2]]).toEqual([1, 1, 1].map((v) => expect.closeTo(v, 9)));
  });

  it('takes both matrices of lights that have a temperature, else the one that was made for D65', () => {
    const raw = readDng(fileOf(16, 16));
    const [one, two] = [Array(9).fill(0.1), Array(9).fill(0.2)] as number[][];
    const of = (first: number, second: number) =>
      factsOf({
        ...raw.metadata,
        colorMatrix1: one!,
        colorMatrix2: two!,
        calibrationIlluminant1: first,
        calibrationIlluminant2: second,
      }).matrices as CameraMatrices;
    // Both lights have a temperature: both matrices serve.
    expect(of(17, 21).map(({ kelvin, matrix }) => [kelvin, matrix[0][0]])).toEqual([
      [2856, 0.1],
      [6504, 0.2],
    ]);
    // Tungsten has none by its code: the other is taken.
    expect(of(3, 21).map(({ matrix }) => matrix[0][0])).toEqual([0.2]);
    expect(of(21, 3).map(({ matrix }) => matrix[0][0])).toEqual([0.1]);
  });

  it('tells the light that its white was made for, and is developed by the matrix of that light', () => {
    const raw = readDng(fileOf(16, 16));
    const [a, d65] = [
      [0.95, -0.3, -0.06, -0.4, 1.2, 0.22, -0.05, 0.16, 0.5],
      [0.86, -0.22, -0.085, -0.46, 1.33, 0.14, -0.09, 0.22, 0.58],
    ] as const;
    const rows = (m: readonly number[]) => [m.slice(0, 3), m.slice(3, 6), m.slice(6)] as unknown as Mat3;
    const both: CameraMatrices = [
      { kelvin: 2856, matrix: rows(a) },
      { kelvin: 6504, matrix: rows(d65) },
    ];
    const of = (metadata: DngMetadata) => rawFrameOf({ ...raw, metadata });
    const matrixOf = ({ matrices, white }: CameraColour) => matrixAt(matrices, white.kelvin)[0][0];
    const calibrated = {
      ...{ colorMatrix1: [...a], colorMatrix2: [...d65] },
      ...{ calibrationIlluminant1: 17, calibrationIlluminant2: 21 },
    };
    const asShotNeutral = [...neutralOfWhite(both, xyOfWhite({ kelvin: 3600, tint: 12 }))];
    const { facts, colour } = of({ ...calibrated, asShotNeutral });
    expect(facts.white).toEqual({ kelvin: expect.closeTo(3600, -1), tint: expect.closeTo(12, 0) });
    expect(matrixOf(colour)).toBeCloseTo(matrixAt(both, 3600)[0][0], 4);
    // A light without a temperature of its own (4: flash) calibrates for the one that has.
    const one = of({ ...calibrated, calibrationIlluminant1: 4, asShotNeutral });
    expect(matrixOf(one.colour)).toBe(0.86);
    // Where the white is told as a chromaticity, that is it.
    const told = of({ ...calibrated, asShotWhiteXY: [0.3127, 0.329] });
    expect(told.facts.white).toMatchObject({ kelvin: expect.closeTo(6504, -1) });
    // Its neutral is that of the matrix it is developed by: a white of warm light comes out white.
    const warm = of({ ...calibrated, asShotWhiteXY: [...xyOfWhite({ kelvin: 3600, tint: 12 })] });
    warm.colour.asShotNeutral.forEach((v, c) => expect(v).toBeCloseTo(asShotNeutral[c]!, 6));
    expect(matrixOf(warm.colour)).toBeCloseTo(matrixOf(colour), 6);
    expect(reportOf({ ...raw, metadata: {} }).asShotWhite).toBeNull();
  });

  it('without a noise profile has no floor, on the check and in the frame alike', () => {
    const raw = readDng(fileOf(300, 40));
    const { noiseProfile: _, ...metadata } = raw.metadata;
    const report = reportOf({ ...raw, metadata });
    expect([report.floorEv, report.channels[0]!.belowFloorShare]).toEqual([null, null]);
    const told = reportOf(raw);
    const { noise } = rawFrameOf(raw);
    expect(told.floorEv).toBeCloseTo(Math.log2(floorSignal(noise!) / (4095 - 256)), 9);
  });

  it('develops numbers over white to white', () => {
    const frame = rawFrameOf({ ...readDng(fileOf(16, 16)), data: new Uint16Array(256).fill(60000) });
    const rgba = new Uint8ClampedArray(16 * 16 * 4);
    developRegion(frame, developerFor(frame), { x: 0, y: 0, width: 16, height: 16 }, rgba);
    expect(new Set(rgba)).toEqual(new Set([255]));
  });

  it('tells the lens and the light, not the settings', () => {
    const tags = (over: Partial<RawFrame>, meteredEv100: Known<number> = 4.5) => {
      const bytes = captureDng(
        { ...frameOf(16, 16), ...over },
        { ...OPTIONS, facts: { ...FACTS, meteredEv100 } },
      );
      const file = openTiff(bytes);
      const main = readDirectory(file, file.firstDirectory, new Set());
      const exif = readDirectory(file, number(file, main, TAG.ExifIFD)!, new Set());
      return {
        max: number(file, exif, EXIF.MaxApertureValue)!,
        brightness: number(file, exif, EXIF.BrightnessValue)!,
        lens: text(file, exif, EXIF.LensModel)!,
      };
    };
    const { settings, source } = frameOf(16, 16);
    const zoom = { ...source, lens: '24–77 mm f/2.8 at 50 mm', lensModel: '24-77 mm f/2.8', widestN: 2.8 };
    const closed = tags({ settings: { ...settings, apertureN: 8 }, source: zoom });
    // APEX: Av of f/2.8 is 2·log2 2.8.
    expect(closed.max).toBeCloseTo(2 * Math.log2(2.8), 5);
    expect(closed.lens).toBe('Velmo Sim One 24-77 mm f/2.8');
    expect(closed.lens).toMatch(/^[\x20-\x7e]*$/);
    // APEX: Bv = EV100 − 5, whatever is set.
    expect(closed.brightness).toBeCloseTo(4.5 - 5, 5);
    expect(tags({ settings: { ...settings, iso: 3200 } }).brightness).toBeCloseTo(-0.5, 5);
    // Exif: all ones are unknown.
    expect(tags({}, { unknown: 'not metered' }).brightness).toBe(-1);
  });

  it('carries a note and gives it back, whatever is in it', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60, unit: 'grapheme' }), (words) => {
        const note = JSON.stringify({ words });
        expect(captureNoteOf(readDng(captureDng(frameOf(16, 16), { ...OPTIONS, note })).xmp)).toBe(note);
      }),
      { numRuns: 50 },
    );
    expect(captureNoteOf(readDng(fileOf(16, 16)).xmp)).toBeUndefined();
    expect(captureNoteOf(undefined)).toBeUndefined();
  });

  it('is refused when the samples do not fit the size', () => {
    expect(() => captureDng({ ...frameOf(8, 8), width: 9 }, OPTIONS)).toThrow(RangeError);
  });
});

describe('the check of a file', () => {
  const good = fileOf(300, 40);
  const view = new DataView(good.buffer);

  it('reports sites, clipping and headroom of a sound one', () => {
    const report = checkDng(good);
    if (!report.ok) throw new Error(report.message);
    expect(report.channels.map((c) => [c.name, c.sites])).toEqual([
      ['R', 3000],
      ['G1', 3000],
      ['G2', 3000],
      ['B', 3000],
    ]);
    expect(report.channels.every((c) => c.clipped <= c.sites && c.min <= c.mean && c.mean <= c.max)).toBe(
      true,
    );
    expect(report).toMatchObject({ width: 300, height: 40, black: 256, white: 4095 });
  });

  it('names what is wrong with an empty file, a JPEG and random bytes', () => {
    expect(checkDng(new Uint8Array(0))).toMatchObject({ ok: false, code: 'empty' });
    expect(checkDng(tinyJpeg)).toMatchObject({
      ok: false,
      code: 'not-tiff',
      message: expect.stringContaining('JPEG'),
    });
    expect(checkDng(Uint8Array.from({ length: 5000 }, (_, i) => (i * 193 + 7) & 255))).toMatchObject({
      ok: false,
      code: 'not-tiff',
    });
  });

  it('refuses it cut at every hundredth of its length', () => {
    for (let percent = 0; percent < 100; percent++) {
      const report = checkDng(good.subarray(0, Math.floor((good.length * percent) / 100)));
      expect(report.ok).toBe(false);
      if (!report.ok) expect(['empty', 'truncated']).toContain(report.code);
    }
  });

  /** Changes the first value of a tag somewhere in the file's directories. */
  function withTag(tag: number, change: (view: DataView, entry: number) => void): Uint8Array {
    const copy = good.slice();
    const v = new DataView(copy.buffer);
    const first = v.getUint32(4, true);
    const visit = (offset: number): boolean => {
      const n = v.getUint16(offset, true);
      for (let i = 0; i < n; i++) {
        const entry = offset + 2 + i * 12;
        if (v.getUint16(entry, true) === tag) {
          change(v, entry);
          return true;
        }
      }
      return false;
    };
    const subIfds = subDirectories(v, first);
    if (![...subIfds, first].some(visit)) throw new Error(`no tag ${tag}`);
    return copy;
  }
  function subDirectories(v: DataView, first: number): number[] {
    for (let i = 0; i < v.getUint16(first, true); i++) {
      const entry = first + 2 + i * 12;
      if (v.getUint16(entry, true) === TAG.SubIFDs) {
        const at = v.getUint32(entry + 8, true);
        return [v.getUint32(at, true), v.getUint32(at + 4, true)];
      }
    }
    return [];
  }

  it('finds directories that loop', () => {
    const first = view.getUint32(4, true);
    const looped = good.slice();
    const v = new DataView(looped.buffer);
    v.setUint32(first + 2 + v.getUint16(first, true) * 12, first, true);
    expect(checkDng(looped)).toMatchObject({ ok: false, code: 'loop', offset: first });
  });

  it.each([
    [
      'an absurd count',
      TAG.TileOffsets,
      (v: DataView, e: number) => v.setUint32(e + 4, 0xffffffff, true),
      ['absurd'],
    ],
    [
      'an absurd size',
      TAG.ImageWidth,
      (v: DataView, e: number) => v.setUint32(e + 8, 60000, true),
      ['bad-tag', 'truncated'],
    ],
    [
      'a size of nothing',
      TAG.ImageLength,
      (v: DataView, e: number) => v.setUint32(e + 8, 0, true),
      ['absurd'],
    ],
    [
      'an offset beyond the end',
      TAG.TileOffsets,
      (v: DataView, e: number) => v.setUint32(e + 8, 0x7fffffff, true),
      ['truncated'],
    ],
    [
      'a compression that is not read',
      TAG.Compression,
      (v: DataView, e: number) => v.setUint16(e + 8, 34892, true),
      ['unsupported'],
    ],
    [
      'white below black',
      TAG.WhiteLevel,
      (v: DataView, e: number) => v.setUint16(e + 8, 100, true),
      ['bad-tag'],
    ],
  ])('refuses %s', (_, tag, change, codes) => {
    const report = checkDng(withTag(tag, change));
    expect(report.ok).toBe(false);
    if (!report.ok) {
      expect(codes).toContain(report.code);
      expect(report.message.length).toBeGreaterThan(10);
    }
  });

  it('meets random damage anywhere with a report or a refusal, quickly', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(good.length - 1), fc.nat(255)), { minLength: 1, maxLength: 8 }),
        (edits) => {
          const bad = good.slice();
          for (const [at, value] of edits) bad[at] = value;
          expect(typeof checkDng(bad).ok).toBe('boolean');
        },
      ),
      { numRuns: 300 },
    );
    // The same aimed at the directories, where it hurts most.
    const start = view.getUint32(4, true) - 1200;
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: start, max: good.length - 1 }), fc.nat(255)), {
          minLength: 1,
          maxLength: 4,
        }),
        (edits) => {
          const bad = good.slice();
          for (const [at, value] of edits) bad[at] = value;
          expect(typeof checkDng(bad).ok).toBe('boolean');
        },
      ),
      { numRuns: 600 },
    );
  });
});
