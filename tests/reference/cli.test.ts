// The command line as a person meets it: JSON with stable keys, exit codes, errors that help.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pgmSamples, runTool } from './run-tool';

const root = join(__dirname, '..', '..');
const folder = mkdtempSync(join(tmpdir(), 'velmo-cli-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
jest.setTimeout(60_000);

function velmo(...args: string[]) {
  const { stdout, stderr, status } = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'cli/main.ts', ...args],
    { cwd: root, encoding: 'utf8' },
  );
  return { stdout, stderr, status, json: () => JSON.parse(stdout) as Record<string, never> };
}
const preview = (out: string, ...args: string[]) =>
  velmo(
    'shoot',
    '--scene',
    'wheel-bench',
    '--size',
    'preview',
    '--json',
    '--out',
    join(folder, out),
    ...args,
  ).json();

describe('velmo', () => {
  it('lists scenes with their lenses, lamps and patches', () => {
    const found = velmo('scenes', '--json').json() as unknown as {
      id: string;
      lenses: { id: string; equivalentMm: number }[];
      lamps: { id: string; level: number }[];
      patches: { name: string; luminance: number; distanceM: number }[];
    }[];
    expect(found.map((s) => s.id)).toEqual(expect.arrayContaining(['wheel-bench', 'spy-hole', 'yard-night']));
    for (const scene of found) {
      expect(scene.lenses.map((l) => l.equivalentMm).sort()).toEqual([13, 24, 77]);
      expect(scene.lamps.length).toBeGreaterThan(0);
      expect(scene.patches.length).toBeGreaterThan(2);
      for (const p of scene.patches) expect(p.luminance * p.distanceM).toBeGreaterThan(0);
    }
  });

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

  it('meters: a spot on the black jar reads far below the yard', () => {
    const meter = (at: string) =>
      velmo(
        'meter',
        '--scene',
        'wheel-bench',
        '--pattern',
        'spot',
        '--at',
        at,
        '--json',
      ).json() as unknown as { ev100: number };
    const [jar, yard] = [meter('0.968,0.67'), meter('0.455,0.347')];
    expect(Object.keys(jar)).toEqual(
      expect.arrayContaining(['ev100', 'luminance', 'deviationEv', 'settings']),
    );
    expect(yard.ev100 - jar.ev100).toBeGreaterThan(2);
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

  it.each(['soot-wall', 'bisque-shelf', 'spy-hole'])('meters %s with every pattern in one go', (id) => {
    const { status, json } = velmo('meter', '--scene', id, '--pin', '0.5,0.5', '--pin', '0.2,0.2', '--json');
    expect(status).toBe(0);
    const report = json() as unknown as {
      patterns: { id: string; spot?: string; ev100: number; settings: { shutter: string } }[];
      pins: { letter: string; fromGreyEv: number; toClipEv: number }[];
      contrast: { stops: number };
    };
    expect(report.patterns.map((p) => [p.id, p.spot].filter(Boolean).join(' '))).toEqual([
      'evaluative',
      'centre',
      'spot small',
      'spot medium',
      'spot large',
      'highlight',
    ]);
    for (const { ev100, settings } of report.patterns) {
      expect(Number.isFinite(ev100)).toBe(true);
      expect(settings.shutter).toMatch(/^(1\/\d+|[\d.]+ s)$/);
    }
    expect(report.pins.map((p) => p.letter)).toEqual(['A', 'B']);
    expect(report.contrast.stops).toBeGreaterThan(0);
  });

  it('sets the iris of the second camera, and a filter that the time makes up for', () => {
    const settings = (...args: string[]) =>
      (
        velmo(
          'meter',
          '--scene',
          'wheel-bench',
          '--lens',
          'zoom-50',
          '--iso',
          '100',
          '--json',
          ...args,
        ).json() as unknown as {
          settings: { aperture: string; apertureAuto: boolean; shutterS: number; filterStops: number };
        }
      ).settings;
    const [open, closed, behind] = [
      settings('--aperture', 'f/2.8'),
      settings('--aperture', '8'),
      settings('--aperture', '2.8', '--filter', '6'),
    ];
    expect(closed).toMatchObject({ aperture: 'f/8', apertureAuto: false });
    expect(closed!.shutterS / open!.shutterS).toBeCloseTo(8, 6);
    expect(behind!.shutterS / open!.shutterS).toBeCloseTo(64, 6);
  });

  it('states the hash of the samples that an independent reader finds', () => {
    const shot = preview('hash.dng', '--shutter', '1/60', '--iso', '200', '--compression', 'none');
    const { data } = pgmSamples(
      runTool('dcraw', ['-E', '-4', '-j', '-t', '0', '-c', join(folder, 'hash.dng')], folder).stdout,
    );
    expect(createHash('sha256').update(Buffer.from(data.buffer)).digest('hex')).toBe(shot.mosaicSha256);
  });

  it('checks a sound file with 0 and refuses a broken one with 1, by name and place', () => {
    preview('sound.dng', '--shutter', '1/60', '--iso', '200');
    const sound = velmo('check', join(folder, 'sound.dng'), '--json');
    expect(sound.status).toBe(0);
    const report = sound.json() as unknown as { ok: boolean; channels: { name: string; sites: number }[] };
    expect(report.channels.map((c) => c.name)).toEqual(['R', 'G1', 'G2', 'B']);
    expect(report.channels.reduce((sum, c) => sum + c.sites, 0)).toBe(640 * 480);
    writeFileSync(join(folder, 'cut.dng'), readFileSync(join(folder, 'sound.dng')).subarray(0, 9000));
    const cut = velmo('check', join(folder, 'cut.dng'), '--json');
    expect(cut.status).toBe(1);
    expect(cut.json()).toMatchObject({
      ok: false,
      code: 'truncated',
      message: expect.any(String),
      offset: expect.any(Number),
    });
  });

  it.each([
    [['nonsense'], /No command nonsense/],
    [[], /meter --scene/],
    [['shoot', '--scene', 'wheel-bench', '--out', 'x.dng', '--shutter', '1/7000000'], /1\/8000 … 30 s/],
    [['shoot', '--scene', 'atlantis', '--out', 'x.dng'], /Scenes: wheel-bench/],
    [['shoot', '--scene', 'wheel-bench'], /--out is missing/],
    [['meter', '--scene', 'wheel-bench', '--at', '9,9'], /shares of the frame/],
    [['meter', '--scene', 'wheel-bench', '--wrong', '1'], /Unknown option --wrong/],
    [['meter', '--scene', 'wheel-bench', '--lamp', 'moon=1'], /No lamp moon\. Lamps: window, sun, lamp/],
    [['meter', '--scene', 'wheel-bench', '--lamp', 'sun=2'], /level from 0 to 1/],
    [['meter', '--scene', 'wheel-bench', '--lens', 'fisheye'], /--lens is ultra-wide or wide or tele/],
    [['meter', '--scene', 'wheel-bench', '--aperture', '4'], /no iris/],
    [['meter', '--scene', 'wheel-bench', '--lens', 'zoom-24', '--aperture', '16'], /f\/2\.8 … f\/8/],
    [['meter', '--scene', 'wheel-bench', '--filter', '-2'], /A filter has 0 … 20/],
    [['meter', '--scene', 'wheel-bench', '--pin', '3'], /--pin needs two shares/],
    [['shoot', '--scene', 'wheel-bench', '--out', 'x.dng', '--focus', '-1'], /--focus needs metres/],
    [['check', '/no/such/file.dng'], /cannot be read/],
  ])('answers wrong use %j with 2 and the way out', (args, message) => {
    const { status, stderr } = velmo(...args);
    expect(status).toBe(2);
    expect(stderr).toMatch(message);
  });
});
