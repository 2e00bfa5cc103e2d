// The command line as a person meets it: JSON with stable keys, exit codes, errors that help.
import { spawn, spawnSync } from 'node:child_process';
import {
  existsSync,
  lstatSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { buildSync } from 'esbuild';
import { runTool } from './run-tool';
import { LIGHT } from '../light-scenes';
import { openVelmo } from './velmo';

const root = join(__dirname, '..', '..');
const program = openVelmo();
afterAll(() => program.close());
const { folder, run: velmo, preview } = program;
/** The program as one script. */
function bundled(): string {
  const outfile = join(folder, 'velmo', 'cli', 'velmo.cjs');
  const entryPoints = [join(root, 'cli', 'main.ts')];
  buildSync({ entryPoints, bundle: true, platform: 'node', outfile, logLevel: 'error' });
  return outfile;
}

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

  it('plans depth: sharp by the lens, and as large with another one', () => {
    const plan = velmo(
      'plan',
      'depth',
      '--lens',
      'wide',
      '--focus',
      '1.5',
      '--background',
      '6',
      '--json',
    ).json() as never as {
      nearM: number;
      farM: number;
      hyperfocalM: number;
      heightM: number;
      sameSize: { lens: string; distanceM: number; heightM: number }[];
    };
    // H = f²/(N·c) + f with c = 0.03 mm · 12.3 mm / 43.27 mm; near s(H−f)/(H+s−2f), far s(H−f)/(H−s).
    const c = (0.03 * Math.hypot(4032, 3024) * 0.00244) / 43.27;
    const H = 6.9 ** 2 / (1.8 * c) + 6.9;
    expect(plan.hyperfocalM).toBeCloseTo(H / 1000, 6);
    expect(plan.nearM).toBeCloseTo((1.5 * (H - 6.9)) / (H + 1500 - 13.8), 6);
    expect(plan.farM).toBeCloseTo((1.5 * (H - 6.9)) / (H - 1500), 6);
    expect(plan.sameSize.map(({ lens }) => lens)).toEqual(['ultra-wide', 'tele']);
    for (const { heightM } of plan.sameSize) expect(heightM).toBeCloseTo(plan.heightM, 6);
    expect(velmo('plan', 'depth', '--focus', '0', '--json').status).toBe(2);
    expect(velmo('plan', 'width').stderr).toMatch(/plan is depth/);
    expect(velmo('plan', 'depth', '--focus', 'hyperfocal').stdout).toMatch(/to ∞, hyperfocal 3\.1 m/);
  });

  it.each(['ultra-wide', 'tele', 'zoom-77'])(
    'plans through the %s at infinity, and where a background lies before the subject; what is out of reach is told',
    (lens) => {
      interface Told {
        readonly farM: number | null;
        readonly outOfReach: string | null;
        readonly sameSize: readonly { readonly lens: string; readonly unknown?: string }[];
      }
      const plan = (...args: string[]) =>
        velmo('plan', 'depth', '--lens', lens, ...args, '--json').json() as unknown as Told;
      const far = plan('--focus', 'inf');
      expect([far.farM, far.outOfReach]).toEqual([null, lens === 'ultra-wide' ? expect.any(String) : null]);
      const near = plan('--focus', '2', '--background', '1');
      expect(near.farM).not.toBeUndefined();
      // Through a shorter lens the camera would stand before the background.
      const shorter = { tele: ['ultra-wide', 'wide'], 'zoom-77': ['zoom-24', 'zoom-35'] };
      const without = near.sameSize.filter(({ unknown }) => unknown).map((other) => other.lens);
      expect(without.sort()).toEqual(shorter[lens as 'tele'] ?? []);
      expect(plan('--focus', '0.05').outOfReach).toMatch(/no nearer|fixed/);
    },
  );

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

  it('takes frames into a roll, with who made them and words to find them by', () => {
    const out = join(folder, 'rolled');
    const credit = ['--person', 'Ansa Verrel', '--copyright', 'all of it', '--keywords', 'kiln, glaze'];
    const taken = velmo(
      ...['shoot', '--scene', 'wheel-bench', '--size', 'preview', '--burst', '2@10', '--roll', ' Kiln  day '],
      ...[...credit, '--out', out, '--json'],
    );
    expect(taken.status).toBe(0);
    const { frames } = taken.json() as unknown as { frames: { roll: string; path: string }[] };
    expect(frames.map(({ roll }) => roll)).toEqual(['Kiln day', 'Kiln day']);
    const { stdout } = runTool(
      'exiftool',
      ['-j', '-Artist', '-Copyright', '-Subject', frames[1]!.path],
      folder,
    );
    expect(JSON.parse(stdout.toString())[0]).toMatchObject({
      Artist: 'Ansa Verrel',
      Copyright: 'all of it',
      Subject: ['kiln', 'glaze'],
    });
    const long = velmo('shoot', '--scene', 'wheel-bench', '--roll', 'x'.repeat(61), '--out', `${out}.dng`);
    expect([long.status, long.stderr]).toEqual([2, expect.stringMatching(/--roll.*60 letters/)]);
  });

  it('knows a pattern by the name that it had before', () => {
    const of = (pattern: string) =>
      velmo('meter', '--scene', 'soot-wall', '--pattern', pattern, '--json').json() as unknown as {
        ev100: number;
      };
    expect(of('evaluative').ev100).toBe(of('whole').ev100);
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
      'whole',
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

  it('as a process of its own: answers, its code, and a word that its answer could not be written', () => {
    const program = bundled();
    const env = { ...process.env, VELMO_SCENES: LIGHT };
    const told = (...args: string[]) =>
      spawnSync(process.execPath, [program, ...args], { encoding: 'utf8', env });
    const asked = ['plan', 'depth', '--lens', 'wide', '--focus', '1.5', '--json'];
    expect(told(...asked)).toMatchObject({ status: 0, stdout: velmo(...asked).stdout, stderr: '' });
    expect(told('check', join(folder, 'none.dng'))).toMatchObject({ status: 2, stdout: '' });
    writeFileSync(join(folder, 'none.dng'), 'nothing');
    expect(told('check', join(folder, 'none.dng'))).toMatchObject({ status: 1, stdout: '' });
    const { status, stderr } = spawnSync(
      'sh',
      ['-c', `"${process.execPath}" "${program}" scenes --json > /dev/full`],
      { encoding: 'utf8', env },
    );
    expect([status, stderr.trim()]).toEqual([1, 'The answer could not be written: no space left']);
  });

  it('ended by a signal it leaves nothing behind', async () => {
    const program = bundled();
    const there = join(folder, 'ended');
    for (const [signal, code] of [
      ['SIGINT', 130],
      ['SIGTERM', 143],
    ] as const) {
      const child = spawn(
        process.execPath,
        [...[program, 'shoot', '--scene', 'soot-wall', '--focus', '1.2', '--out', join(there, 'x.dng')]],
        { env: { ...process.env, VELMO_SCENES: LIGHT } },
      );
      const ended = new Promise((done) => child.on('close', done));
      // It has begun.
      while (!existsSync(there) || readdirSync(there).length === 0)
        await new Promise((done) => setTimeout(done, 20));
      child.kill(signal);
      expect(await ended).toBe(code);
      expect(readdirSync(there)).toEqual([]);
    }
  });

  it('replaces nothing unless it is told to, and then a link itself and not what it leads to', () => {
    const take = (out: string, ...args: string[]) =>
      velmo(
        ...['shoot', '--scene', 'soot-wall', '--size', 'preview', '--focus', '1.2'],
        ...['--out', join(folder, out), ...args],
      );
    const [kept, link] = [join(folder, 'kept.dng'), join(folder, 'link.dng')];
    writeFileSync(kept, 'kept');
    symlinkSync(kept, link);
    symlinkSync(join(folder, 'nowhere'), join(folder, 'loose.dng'));
    for (const out of ['kept.dng', 'link.dng', 'loose.dng'])
      expect(take(out)).toMatchObject({ status: 2, stderr: expect.stringMatching(/--force/) });
    expect(take('link.dng', '--force').status).toBe(0);
    expect(readFileSync(kept, 'utf8')).toBe('kept');
    expect(lstatSync(link).isFile()).toBe(true);
    // Of several, none is taken when one is in the way.
    mkdirSync(join(folder, 'several'));
    writeFileSync(join(folder, 'several', '02.dng'), 'kept');
    expect(take('several', '--burst', '2@10').status).toBe(2);
    expect(readdirSync(join(folder, 'several'))).toEqual(['02.dng']);
  });

  it('calls a file what it is', () => {
    const take = (out: string, kind: string) =>
      velmo(
        ...['shoot', '--scene', 'soot-wall', '--size', 'preview', '--focus', '1.2'],
        ...['--format', kind, '--out', join(folder, out)],
      );
    expect(take('m.dng', 'tiff')).toMatchObject({ status: 2, stderr: expect.stringMatching(/end in \.tif/) });
    expect(take('m.tif', 'dng').status).toBe(2);
    expect(take('m.TIFF', 'tiff').status).toBe(0);
  });

  it.each([['help'], ['--help'], ['-h'], ['shoot', '--help']])(
    '%s %s: says what there is, with 0',
    (...words) => {
      const { status, stdout, stderr } = velmo(...words.filter(Boolean));
      expect([status, stderr]).toEqual([0, '']);
      expect(stdout).toMatch(/meter --scene/);
    },
  );

  it('tells places in one way: a patch is metered where the list says it is, through any lens and either way up', () => {
    for (const [lens, orientation] of [
      ['wide', 'landscape'],
      ['wide', 'portrait'],
      ['zoom-50', 'landscape'],
    ] as const) {
      const asked = ['--lens', lens, '--orientation', orientation, '--json'];
      const scenes = velmo('scenes', ...asked).json() as unknown as {
        id: string;
        patches: { name: string; x: number; y: number; inFrame: boolean; luminance: number }[];
      }[];
      const { patches } = scenes.find((s) => s.id === 'tile-board')!;
      for (const name of ['Grey 18', 'Yellow']) {
        const patch = patches.find((p) => p.name === name)!;
        expect(patch.inFrame).toBe(true);
        const at = `${patch.x},${patch.y}`;
        const { pins } = velmo('meter', '--scene', 'tile-board', '--pin', at, ...asked).json() as unknown as {
          pins: { luminance: number }[];
        };
        expect(Math.abs(Math.log2(pins[0]!.luminance / patch.luminance))).toBeLessThan(0.1);
      }
    }
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
    [
      ['shoot', '--scene', 'wheel-bench', '--out', 'x.dng', '--focus', 'auto@3'],
      /focus auto@ needs two shares/,
    ],
    [['constructor'], /^No command constructor/],
    [['__proto__'], /^No command __proto__/],
    [['check', 'a.dng', 'b.dng'], /check does not take "b.dng" as well/],
    [['scenes', 'wheel-bench'], /scenes does not take/],
    [['check', '/dev/zero'], /not a file/],
    [['check', '/dev/full'], /not a file/],
    [['check', '/tmp'], /not a file/],
    [['meter', '--scene', 'wheel-bench', '--at', ','], /--at needs two shares/],
    [['meter', '--scene', 'wheel-bench', '--at', '0.1,0.2,0.3'], /--at needs two shares/],
    [
      ['shoot', '--scene', 'wheel-bench', '--out', 'x.dng', '--seed', ''],
      /--seed needs a whole number, not nothing/,
    ],
    [
      ['shoot', '--scene', 'wheel-bench', '--out', 'x.dng', '--time', '0000-01-01T00:00:00Z'],
      /years 1 to 9999/,
    ],
    [
      ['shoot', '--scene', 'wheel-bench', '--out', 'x.dng', '--time', '+010000-01-01T00:00:00Z'],
      /years 1 to 9999/,
    ],
    [['shoot', '--scene', 'wheel-bench', '--out', 'x.dng', '--clock', 'noon'], /--clock needs seconds/],
    [['shoot', '--scene', 'wheel-bench', '--out', '/proc/none/x.dng'], /--out .* cannot be written/],
    [['shoot', '--scene', 'wheel-bench', '--out', '/dev/null/x.dng'], /--out .* cannot be written/],
    [['shoot', '--scene', 'wheel-bench', '--out', '/tmp'], /there already and not a file/],
    [['check', '/no/such/file.dng'], /cannot be read/],
  ])('answers wrong use %j with 2 and the way out', (args, message) => {
    const { status, stderr } = velmo(...args);
    expect(status).toBe(2);
    expect(stderr).toMatch(message);
    expect(stderr).not.toMatch(/\n\s+at /);
  });
});
