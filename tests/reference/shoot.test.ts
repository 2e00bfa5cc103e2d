// Captures by the terminal: through every lens, focused, cut, in any white and at any second, as their files tell it.
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readDng } from '../../src/core/dng/read';
import { pgmSamples, runTool } from './run-tool';
import { SHIPPED } from './terminal';
import { openVelmo } from './velmo';

const program = openVelmo();
afterAll(() => program.close());
const { folder, run: velmo, preview } = program;

describe('velmo', () => {
  it('shoots through another lens, with lamps, focus and support as told', () => {
    const bright = preview(
      'tele.dng',
      '--lens',
      'tele',
      '--shutter',
      '1/125',
      '--iso',
      '100',
      '--support',
      'tripod',
    );
    const dim = preview(
      'dim.dng',
      '--lens',
      'tele',
      '--shutter',
      '1/125',
      '--lamp',
      'window=0.2',
      '--lamp',
      'sun=0',
    );
    expect(bright.mosaicSha256).not.toBe(dim.mosaicSha256);
    const { metadata } = velmo('check', join(folder, 'tele.dng'), '--json').json() as unknown as {
      metadata: { lensModel?: string; subjectDistanceM?: number };
    };
    expect(JSON.stringify(metadata)).toMatch(/77 mm f\/2\.8/);
    const near = ['--focus', '0.2', '--support', 'tripod', '--shutter', '1/250', '--iso', '100'];
    preview('near.dng', ...near);
    const back = velmo('check', join(folder, 'near.dng'), '--json').json() as unknown as {
      metadata: { subjectDistanceM?: number };
    };
    expect(back.metadata.subjectDistanceM).toBeCloseTo(0.2, 6);
  });

  it('focuses by looking, at a place that is told or that it chooses, or at the hyperfocal distance of the aperture', () => {
    const focus = (...args: string[]) =>
      (
        preview('focus.dng', ...args) as unknown as {
          focus: { state: string; focusM: number; tookS: number };
        }
      ).focus;
    const wall = focus('--focus', 'auto@0.1,0.2');
    expect([wall.state, wall.tookS > 0.1]).toEqual(['found', true]);
    expect(focus('--focus', 'auto').focusM).not.toBe(wall.focusM);
    const [open, closed] = ['2.8', '8'].map((n) =>
      focus('--lens', 'zoom-50', '--focus', 'hyperfocal', '--aperture', n),
    );
    expect(open!.state).toBe('hand');
    // H = f²/(N·c) + f.
    expect(open!.focusM / closed!.focusM).toBeCloseTo(8 / 2.828, 1);
  });

  it('cuts pictures and tells the cut in the file, while raw holds the whole frame', () => {
    // The focus finds there what has detail.
    const shipped = program.on(SHIPPED);
    const whole = shipped.preview('whole.dng');
    const cut = shipped.preview(
      'cut.dng',
      '--zoom',
      '2',
      '--crop',
      '16:9',
      '--focus',
      'auto@0.2,0.6',
    ) as never as {
      forecast: { headroomEv: number };
      result: { headroomEv: number };
    };
    const numbers = (name: string) => readDng(readFileSync(join(folder, name)));
    expect(numbers('cut.dng').data.length).toBe(numbers('whole.dng').data.length);
    expect(whole).not.toHaveProperty('crop');
    // By the names and in the order of the specification, as an independent reader finds them.
    const tags = JSON.parse(
      runTool(
        'exiftool',
        ['-json', '-n', '-DefaultCrop*', '-DefaultUserCrop', '-DigitalZoomRatio', '-SubjectArea', 'cut.dng'],
        folder,
      ).stdout.toString(),
    ) as Record<string, string | number>[];
    const { DefaultCropOrigin, DefaultCropSize, DefaultUserCrop, DigitalZoomRatio, SubjectArea } = tags[0]!;
    expect([DefaultCropOrigin, DefaultCropSize, DigitalZoomRatio]).toEqual(['160 120', '320 240', 2]);
    expect(String(DefaultUserCrop).split(' ').map(Number)).toEqual(
      [0.125, 0, 0.875, 1].map((v) => expect.closeTo(v, 2)),
    );
    // A fifth across and three fifths down of the part.
    expect(String(SubjectArea).split(' ').map(Number).slice(0, 2)).toEqual([224, 264]);
    const { forecast, result } = cut;
    expect(Math.abs(forecast.headroomEv - result.headroomEv)).toBeLessThan(0.15);
    expect(
      velmo('shoot', '--scene', 'wheel-bench', '--zoom', '9', '--out', join(folder, 'no.dng')).stderr,
    ).toMatch(/1 to 8/);
  });

  it('shoots the same bytes with the same seed, identical raw at ISO 50 and 100, and different brightness', () => {
    const a = preview('a.dng', '--shutter', '1/125', '--iso', '100', '--seed', '7');
    const b = preview('b.dng', '--shutter', '1/125', '--iso', '50', '--seed', '7');
    const c = preview('c.dng', '--shutter', '1/125', '--iso', '100', '--seed', '8');
    expect(a.mosaicSha256).toBe(b.mosaicSha256);
    expect(a.mosaicSha256).not.toBe(c.mosaicSha256);
    expect(Object.keys(a)).toEqual(
      expect.arrayContaining(['path', 'width', 'height', 'mosaicSha256', 'settings', 'ev100', 'forecast']),
    );
    const baseline = (file: string) =>
      (
        velmo('check', join(folder, file), '--json').json() as unknown as {
          metadata: { baselineExposureEv: number };
        }
      ).metadata.baselineExposureEv;
    expect(baseline('a.dng') - baseline('b.dng')).toBeCloseTo(1, 5);
  });

  it('white changes what a file says of it, and no raw number', () => {
    const still = ['--shutter', '1/500', '--iso', '100', '--seed', '7'];
    const shots = ['2500,-4', 'shade', 'auto'].map((white, i) =>
      preview(`white-${i}.dng`, ...still, '--white', white),
    );
    expect(new Set(shots.map(({ mosaicSha256 }) => mosaicSha256)).size).toBe(1);
    expect(new Set(shots.map(({ forecast }) => JSON.stringify(forecast))).size).toBe(1);
    const told = shots.map(
      (_, i) =>
        velmo('check', join(folder, `white-${i}.dng`), '--json').json() as unknown as {
          asShotWhite: { kelvin: number; tint: number };
          metadata: { whiteBalance: number; lightSource: number };
        },
    );
    expect(told[0]!.asShotWhite).toEqual({ kelvin: expect.closeTo(2500, -1), tint: expect.closeTo(-4, 0) });
    // Exif: by hand or automatic; 255 other, 11 shade, 0 unknown.
    expect(told.map(({ metadata: { whiteBalance, lightSource } }) => [whiteBalance, lightSource])).toEqual([
      [1, 255],
      [1, 11],
      [0, 0],
    ]);
  });

  it('white is measured from a thing, and what cannot be is refused in words', () => {
    const board = ['--scene', 'tile-board', '--lamp', 'day=0', '--lamp', 'tungsten=1'];
    const out = ['--out', join(folder, 'ring.dng'), '--size', 'preview'];
    const shot = velmo(
      'shoot',
      ...board,
      ...out,
      '--white',
      'at:0.24,0.72,0.02',
      '--json',
    ).json() as unknown as {
      white: { kelvin: number; auto: boolean };
    };
    expect(shot.white.auto).toBe(false);
    expect(Math.abs(1e6 / shot.white.kelvin - 1e6 / 2710)).toBeLessThan(5);
    for (const [white, why] of [
      ['at:0.5,0.5', /needs X,Y,RADIUS/],
      ['500', /2000 to 12000/],
      ['5200,+999', /2000 to 12000/],
      ['moonlight', /tungsten/],
    ] as const) {
      const said = velmo(
        'shoot',
        ...board,
        '--out',
        join(folder, 'no.dng'),
        '--size',
        'preview',
        '--white',
        white,
      );
      expect([said.status, said.stderr]).toEqual([2, expect.stringMatching(why)]);
    }
    const dark = ['--shutter', '1/8000', '--white', 'at:0.24,0.72,0.02'];
    expect(
      velmo('shoot', ...board, '--out', join(folder, 'no.dng'), '--size', 'preview', ...dark),
    ).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/Too dark: .*blue (is|are) under 20 dB/),
    });
  });

  it('shoots at the second of the scene that --clock says; 0 without it, that of --time with it', () => {
    const still = ['--shutter', '1/500', '--iso', '100', '--support', 'tripod', '--wheel', 'slow'];
    const hash = (...words: string[]) => preview('clock.dng', ...still, ...words).mosaicSha256;
    const at = (s: string) => hash('--clock', s);
    expect(at('0')).toBe(hash());
    const seventh = at('7');
    expect(seventh).not.toBe(at('0'));
    expect(hash('--time', '2031-04-09T00:00:07Z')).toBe(seventh);
    expect(hash('--time', '2031-04-09T00:00:03Z', '--clock', '7')).toBe(seventh);
  });

  it('tells the noise of a preview file as it is, and its deep shadows follow the light', () => {
    const files = ['1/1000', '1/16'].map((time, i) => {
      const name = `deep-${i}.dng`;
      velmo(
        ...['shoot', '--scene', 'tile-board', '--size', 'preview', '--support', 'tripod', '--iso', '100'],
        ...['--shutter', time, '--filter', i ? '12' : '6', '--out', join(folder, name)],
      );
      return readDng(readFileSync(join(folder, name)));
    });
    // The same light, six stops under what it would be: both hold the same numbers on average.
    const means = files.map((f) => f.data.reduce((sum, v) => sum + v, 0) / f.data.length - f.black);
    expect(Math.abs(Math.log2(means[0]! / means[1]!))).toBeLessThan(0.03);
    // Two draws of one exposure: half their squared difference is the variance that the file states.
    const [a, b] = ['7', '8'].map((seed) => {
      velmo(
        ...[
          'shoot',
          '--scene',
          'tile-board',
          '--size',
          'preview',
          '--support',
          'tripod',
          '--iso',
          '100',
          '--force',
        ],
        ...['--shutter', '1/250', '--seed', seed, '--out', join(folder, 'noise.dng')],
      );
      return readDng(readFileSync(join(folder, 'noise.dng')));
    });
    const [s, o] = a!.metadata.noiseProfile! as [number, number];
    const range = a!.white - a!.black;
    let [found, stated] = [0, 0];
    a!.data.forEach((v, i) => {
      const w = b!.data[i]!;
      if (v >= a!.white || w >= a!.white) return;
      found += (v - w) ** 2 / 2;
      stated += (s * Math.max(0, (v + w) / 2 - a!.black) + o * range) * range;
    });
    expect(Math.abs(found / stated - 1)).toBeLessThan(0.05);
  });

  it('states the hash of the samples that an independent reader finds', () => {
    const shot = preview('hash.dng', '--shutter', '1/60', '--iso', '200', '--compression', 'none');
    const { data } = pgmSamples(
      runTool('dcraw', ['-E', '-4', '-j', '-t', '0', '-c', join(folder, 'hash.dng')], folder).stdout,
    );
    expect(createHash('sha256').update(Buffer.from(data.buffer)).digest('hex')).toBe(shot.mosaicSha256);
  });
});
