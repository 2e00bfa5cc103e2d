// Brackets from the terminal to the file: steps of light in raw numbers, what independent readers say of them, and sets planned from a scene held
// against what their frames contain.
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readDng } from '../../src/core/dng/read';
import { CLEAN_DB, DARK_SHARE, signalOfSnr } from '../../src/core/scopes/limits';
import { blackOf, cfaIndex, clipLevel } from '../../src/core/sensor/raw-frame';
import { noiseModel } from '../../src/core/sensor/sensor';
import { SIM_ONE_WIDE } from '../../src/core/sensor/sim-one';
import { partOf } from '../sweep';
import { runTool } from './run-tool';
import { openTerminal } from './terminal';

const root = join(__dirname, '..', '..');
const folder = mkdtempSync(join(tmpdir(), 'velmo-bracket-'));
const terminal = openTerminal();
afterAll(async () => {
  await terminal.close();
  rmSync(folder, { recursive: true, force: true });
});

interface Told {
  readonly folder: string;
  readonly bracket: { readonly frames: number; readonly stepThirds: number };
  readonly plan?: { readonly kind: string; readonly frames?: number };
  readonly frames: readonly {
    readonly path: string;
    readonly settings: { readonly shutterS: number; readonly iso: number; readonly compensationEv: number };
    readonly result: { readonly channels: readonly { readonly clippedShare: number }[] };
  }[];
}
const run = (...args: string[]) =>
  terminal.run(['shoot', '--size', 'preview', '--support', 'tripod', ...args]);
const told = (out: string, ...args: string[]) => {
  const { stdout, stderr } = run('--json', '--out', join(folder, out), ...args);
  if (stdout === '') throw new Error(stderr);
  return JSON.parse(stdout) as Told;
};

/** Signals of green sites above black, DN. */
const greens = (path: string): Float64Array => {
  const frame = readDng(readFileSync(path));
  const { width, height, data } = frame;
  const blacks = ([0, 1, 2, 3] as const).map((site) => blackOf(frame, site));
  const out = new Float64Array((width * height) / 2);
  let n = 0;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const site = cfaIndex(x, y);
      if (site === 1 || site === 2) out[n++] = data[y * width + x]! - blacks[site]!;
    }
  return out;
};
const mean = (of: Float64Array) => {
  let sum = 0;
  for (let i = 0; i < of.length; i++) sum += of[i]!;
  return sum / of.length;
};

it('frames lie one step apart in raw within 1 %, through time and through ISO, and carry it in standard tags', () => {
  for (const [way, ...base] of [
    ['shutter', '--shutter', '1/1000', '--iso', '100'],
    ['iso', '--shutter', '1/4000', '--iso', '200'],
  ] as const) {
    const { frames, bracket } = told(
      way,
      '--scene',
      'tile-board',
      ...base,
      '--bracket',
      `3x2/3,rising,${way}`,
    );
    expect([frames.length, bracket.frames, bracket.stepThirds]).toEqual([3, 3, 2]);
    expect(readdirSync(join(folder, way))).toEqual(['01.dng', '02.dng', '03.dng']);
    // Nothing clips, so that means can be compared.
    for (const { result } of frames)
      for (const { clippedShare } of result.channels) expect(clippedShare).toBe(0);
    const means = frames.map(({ path }) => mean(greens(path)));
    means.slice(1).forEach((m, i) => expect(m / means[i]! / 2 ** (2 / 3)).toBeCloseTo(1, 2));
    const names = ['ExposureMode', 'ExposureCompensation', 'ISO', 'AsShotNeutral'].map((name) => `-${name}`);
    const { stdout } = runTool(
      'exiftool',
      ['-json', '-n', '-fileOrder', 'FileName', ...names, '.'],
      join(folder, way),
    );
    const read = JSON.parse(stdout.toString()) as {
      ExposureMode: number;
      ExposureCompensation: number;
      ISO: number;
      AsShotNeutral: string;
    }[];
    expect(read.map((t) => t.ExposureMode)).toEqual([2, 2, 2]);
    const biases = read.map((t) => t.ExposureCompensation);
    biases.slice(1).forEach((bias, i) => expect(bias - biases[i]!).toBeCloseTo(2 / 3, 2));
    // One white for all.
    expect(new Set(read.map((t) => t.AsShotNeutral)).size).toBe(1);
    if (way === 'iso') expect(new Set(read.map((t) => t.ISO)).size).toBe(3);
  }
});

it('what does not fit is told with what does, and nothing is written', () => {
  const { status, stderr } = run(
    ...['--scene', 'tile-board', '--shutter', '1/4000', '--iso', '100', '--bracket', '5x2'],
    ...['--out', join(folder, 'none')],
  );
  expect(status).toBe(2);
  expect(stderr).toMatch(/darkest frame lies 3 EV below .* What fits: its middle moved by \+3 EV/);
  expect(() => readdirSync(join(folder, 'none'))).toThrow();
  expect(run('--scene', 'tile-board', '--bracket', '1x1', '--out', join(folder, 'none')).stderr).toMatch(
    /2 to 9 frames/,
  );
});

/** The share of green sites that are clean, and of all sites that are clipped. */
function holds(path: string, iso: number) {
  const clean = signalOfSnr(noiseModel(SIM_ONE_WIDE.sensor, iso), CLEAN_DB);
  const frame = readDng(readFileSync(path));
  const signals = greens(path);
  return {
    cleanShare: signals.filter((s) => s >= clean).length / signals.length,
    clippedShare: frame.data.filter((v) => v >= clipLevel(frame)).length / frame.data.length,
  };
}

it.each(
  partOf(
    [
      ['shed-door', 'the sun through the door'],
      ['spy-hole', 'a white-hot hole in the night'],
    ],
    1,
  ),
)(
  '%s, %s: the set planned holds the highlights in its darkest frame and the shadows in its brightest',
  (scene) => {
    const { frames, plan } = told(scene, '--scene', scene, '--bracket', 'planned');
    expect(plan).toMatchObject({ kind: 'set' });
    expect(frames.length).toBeGreaterThan(1);
    const ends = [frames[0]!, frames.at(-1)!].map(({ path, settings }) => holds(path, settings.iso));
    // A thousandth of a channel may burn, a hundredth sink: single sites of a preview stand for many.
    expect(ends[0]!.clippedShare).toBeLessThan(0.002);
    expect(ends[1]!.cleanShare).toBeGreaterThan(1 - 2 * DARK_SHARE);
    // Neither end does both.
    expect(ends[0]!.cleanShare).toBeLessThan(1 - 2 * DARK_SHARE);
    expect(ends[1]!.clippedShare).toBeGreaterThan(0.001);
    expect(new Set(frames.map(({ settings }) => settings.iso))).toEqual(new Set([100]));
  },
);

it('bisque-shelf: one frame holds it, and that is what is taken', () => {
  const { frames, plan } = told('bisque', '--scene', 'bisque-shelf', '--bracket', 'planned');
  expect(plan).toMatchObject({ kind: 'one' });
  expect(frames).toHaveLength(1);
  const { cleanShare, clippedShare } = holds(frames[0]!.path, 100);
  expect(clippedShare).toBeLessThan(0.002);
  expect(cleanShare).toBeGreaterThan(1 - 2 * DARK_SHARE);
});

it('a burst lies on the clock to the millisecond, in what its files say and in what turns between them, and has the files that were asked for', () => {
  const { frames } = told(
    ...['burst', '--scene', 'wheel-bench', '--wheel', 'fast', '--shutter', '1/1000', '--iso', '100'],
    ...['--time', '2031-04-09T08:00:05.120Z', '--burst', '3@10', '--format', 'dng+jpeg,80,half'],
  ) as unknown as {
    frames: { path: string; sinceFirstS: number; files: { format: string; path: string }[] }[];
  };
  expect(frames.map(({ sinceFirstS }) => sinceFirstS)).toEqual([0, 0.1, 0.2]);
  expect(readdirSync(join(folder, 'burst')).sort()).toEqual(
    ['01', '02', '03'].flatMap((name) => [`${name}.dng`, `${name}.jpg`]),
  );
  const exif = JSON.parse(
    runTool(
      'exiftool',
      ['-j', '-SubSecTimeOriginal', ...frames.map(({ path }) => path)],
      root,
    ).stdout.toString(),
  ) as { SubSecTimeOriginal: number }[];
  expect(exif.map((told) => Number(told.SubSecTimeOriginal))).toEqual([120, 220, 320]);
  // Frames of one exposure on a tripod: alike but for noise where nothing turns, and not alike where the wheel does.
  const [first, second] = frames.map(({ path }) => readDng(readFileSync(path)));
  const differs = (share: { x: [number, number]; y: [number, number] }) => {
    let [sum, n] = [0, 0];
    for (let y = Math.round(share.y[0] * first!.height); y < share.y[1] * first!.height; y++)
      for (let x = Math.round(share.x[0] * first!.width); x < share.x[1] * first!.width; x++) {
        const i = y * first!.width + x;
        sum += Math.abs(first!.data[i]! - second!.data[i]!);
        n++;
      }
    return sum / n;
  };
  const wheel = differs({ x: [0.3, 0.45], y: [0.6, 0.75] });
  const table = differs({ x: [0.6, 0.7], y: [0.85, 0.95] });
  expect(wheel).toBeGreaterThan(1.5 * table);
});
