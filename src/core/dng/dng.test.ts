// Our own writer against our own reader, and the reader against broken and hostile files. Independent readers are in
// tests/reference.
import fc from 'fast-check';
import { SIM_ONE_COLOR_MATRIX } from '../colour/camera';
import { baselineExposureEv } from '../raw/develop';
import type { RawFrame } from '../sensor/raw-frame';
import { checkDng } from './check';
import { readDng } from './read';
import { TAG } from './tags';
import { rawFrameOf } from './file-frame';
import { writeDng } from './write';

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
    colour: { colorMatrix: SIM_ONE_COLOR_MATRIX, asShotNeutral: [0.51, 1, 0.73], kelvin: 5200 },
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

function fileOf(
  width: number,
  height: number,
  compression: 'lossless-jpeg' | 'none' = 'lossless-jpeg',
): Uint8Array {
  return writeDng(frameOf(width, height), {
    compression,
    thumbnail: { width: 4, height: 3, rgba: new Uint8ClampedArray(48).fill(90) },
    previewJpeg: tinyJpeg,
    facts: {
      pattern: 'spot',
      shutterAuto: false,
      isoAuto: false,
      meteredEv100: 4.5,
      uniqueId: '0'.repeat(32),
    },
  });
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

  it('becomes a frame again, also without colour and noise of its own', () => {
    const raw = readDng(fileOf(16, 16));
    const frame = rawFrameOf(raw);
    expect(frame.noise.shot).toBeCloseTo(0.349, 9);
    expect(frame.settings).toMatchObject({ iso: 50, shutterS: 2 ** (-8 / 3) });
    const bare = rawFrameOf({ ...raw, metadata: { asShotNeutral: [0, NaN, 1], iso: -4 } });
    expect(bare.colour.asShotNeutral).toEqual([1, 1, 1]);
    expect(bare.settings.iso).toBe(100);
  });

  it('is refused when the samples do not fit the size', () => {
    expect(() => writeDng({ ...frameOf(8, 8), width: 9 }, {} as never)).toThrow(RangeError);
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
