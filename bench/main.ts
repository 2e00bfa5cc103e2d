// `npm run bench [-- --json]`: what the figures in the README come from. Each row is a median against a reference that runs
// in the same process, so that a ratio means the same on a fast and on a slow machine.
import { colourOfNeutral } from '../src/core/colour/camera';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { encodeJpeg } from '../cli/jpeg';
import { readDng } from '../src/core/dng/read';
import { writeDng } from '../src/core/dng/write';
import { checkDng, reportOf } from '../src/core/dng/check';
import { aimOf, finderFor, type Finder, type FinderAsk } from '../src/core/finder/finder';
import { readMeter } from '../src/core/meter/read';
import { developReduced } from '../src/core/raw/develop';
import { countSites } from '../src/core/raw/statistics';
import { captureFrame } from '../src/core/scene/capture';
import { readFirstLook, readScenePack } from '../src/core/scene/pack';
import { plateRows, previewStage } from '../src/core/scene/light-rows';
import { OPENING } from '../src/core/scene/outside';
import { viewScene } from '../src/core/scene/view';
import { pictureHistogram } from '../src/core/scopes/picture-histogram';
import { SIM_ONE_WIDE } from '../src/core/sensor/sim-one';
import { sampledSize, sampleVideo, stepFor, type VideoPicture } from '../src/core/colour/video';
import { pictureFinder } from '../src/core/finder/picture-finder';
import { digestOf } from '../src/core/frame/digest';
import { sharpnessOf } from '../src/core/focus/sharpness';
import { focusSourceOf, viewSource } from '../src/core/scene/view-source';
import { initialValues } from '../src/core/setting/values';
import { decodedByUtif2, median, PASS_MS, UTIF2_MS } from './reference';
import { fromByteString, toByteString } from '../src/vault/byte-string';

interface Row {
  readonly name: string;
  readonly medianMs: number;
  readonly referenceName: string;
  readonly referenceMs: number;
  readonly ratio: number;
  /** What it may take here: a ratio, or a time that was set where its reference took a known one. */
  readonly budgetMs?: number;
}

const rows: Row[] = [];
/** A budget missed by more than this is a failure for \`--budget\`. */
const FAR = 1.25;

async function time(runs: number, work: () => unknown): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < runs + 1; i++) {
    const start = performance.now();
    await work();
    if (i > 0) times.push(performance.now() - start);
  }
  return median(times);
}

/** @param budget most times the reference */
function row(
  name: string,
  medianMs: number,
  referenceName: string,
  referenceMs: number,
  budget?: number,
): void {
  const ratio = medianMs / referenceMs;
  const of = { name, medianMs, referenceName, referenceMs, ratio };
  rows.push(budget === undefined ? of : { ...of, budgetMs: budget * referenceMs });
}

const ALL_MARKS = {
  rawClip: true,
  rawFloor: true,
  pictureWhite: true,
  pictureBlack: true,
  zebra: { of: 'raw', belowClip12: 6 },
  inFocus: { nearM: 0.8, farM: 1.6 },
} as const;
const PEAKING = { strength: 'usual', colour: 'lime' } as const;
const ONLY_SHARP = {
  ...ALL_MARKS,
  ...{ rawClip: false, rawFloor: false, pictureWhite: false, pictureBlack: false, zebra: null },
};

/** A frame of a camera's video: noise and gradients. */
function pictureOfVideo(width: number, height: number): VideoPicture {
  const bytes = Uint8Array.from({ length: (width * height * 3) / 2 }, (_, i) => 16 + ((i * 7919) % 219));
  const [luma, half] = [width * height, width / 2];
  const planes = [
    { offset: 0, stride: width },
    { offset: luma, stride: half },
    { offset: luma + luma / 4, stride: half },
  ];
  return { format: 'I420', width, height, bytes, planes, matrix: 'bt601', fullRange: false };
}

/** A file checked by the terminal's program and read by a native reader, as processes, ms; the first less the start of its platform. Null where there is no such reader. */
function wholeCheck(dng: Uint8Array): { ownMs: number; theirsMs: number } | null {
  const folder = mkdtempSync(join(tmpdir(), 'velmo-bench-'));
  const file = join(folder, 'frame.dng');
  writeFileSync(file, dng);
  const bundle = join(folder, 'cli.cjs');
  const root = join(__dirname, '..');
  const made = spawnSync(
    'npx',
    ['esbuild', 'cli/main.ts', '--bundle', '--platform=node', `--outfile=${bundle}`, '--log-level=error'],
    { cwd: root },
  );
  const run = (command: string, ...args: string[]) => {
    const times = Array.from({ length: 5 }, () => {
      const start = performance.now();
      const { error, status } = spawnSync(command, args, { cwd: root });
      return error || status !== 0 ? NaN : performance.now() - start;
    });
    return median(times);
  };
  const start = run(process.execPath, '-e', '0');
  const own = run(process.execPath, bundle, 'check', file);
  const theirs = run('unprocessed_raw', file);
  rmSync(folder, { recursive: true });
  return made.status === 0 && own > 0 && theirs > 0 ? { ownMs: own - start, theirsMs: theirs } : null;
}

async function main(): Promise<void> {
  const bytes = readFileSync(join(__dirname, '..', 'assets', 'scenes', 'wheel-bench.wide.vsc'));

  // ---- scene
  const floats = new Float32Array(3 << 20);
  const pass = await time(9, () => {
    for (let i = 0; i < floats.length; i++) floats[i] = floats[i]! * 0.5 + 1;
  });
  const passName = 'one pass over 3 × 2²⁰ floats';
  row('scene: unpack, first look', await time(7, () => readFirstLook(bytes)), passName, pass);
  row('scene: unpack, whole', await time(7, () => readScenePack(bytes)), passName, pass);
  const scene = await readScenePack(bytes);
  row(
    'scene: through the lens',
    await time(5, () => viewScene(scene, SIM_ONE_WIDE, 'portrait')),
    passName,
    pass,
  );

  // ---- finder, 480×640, all stages that run for each frame
  const view = viewScene(scene, SIM_ONE_WIDE, 'portrait');
  const ask = {
    settings: initialValues(),
    freely: false,
    at: { x: 0.5, y: 0.5 },
    focusAt: { x: 0.5, y: 0.5 },
    focusAgain: 0,
    pins: [],
    habitEv: 0,
    ring: null,
    outlook: { tolerance: { share: 0.001, area: 0.0001 }, cleanDb: 10 },
    lockedEv100: null,
  };
  const pixels = new Uint8ClampedArray(480 * 640 * 4);
  const copy = await time(21, () => {
    for (let i = 0; i < pixels.length; i++) pixels[i] = i;
  });
  const copyName = 'one pass over 480×640 RGBA bytes';
  /** Medians of the stages of a finder that runs for a while. */
  const run = (name: string, finder: Finder, asked: FinderAsk, budgetMs: number, everyS = 1 / 25) => {
    const stages: Record<string, number[]> = {};
    const whole: number[] = [];
    for (let i = 0; i < 60; i++) {
      const start = performance.now();
      let mark = start;
      const lap = (stage: string) => {
        const now = performance.now();
        if (i >= 15) (stages[stage] ??= []).push(now - mark);
        mark = now;
      };
      const frame = finder.measure(asked, i, { timeS: i * everyS, sinceTouchS: 60 }, lap);
      finder.develop(frame);
      lap('develop');
      pictureHistogram(finder.rgba);
      lap('picture histogram');
      finder.mark(frame, ALL_MARKS, true);
      lap('marks, all of them');
      finder.mark(frame, ONLY_SHARP, false);
      lap('mesh on what is sharp');
      finder.markPeaks(frame, i, PEAKING);
      lap('peaking');
      if (i >= 15) whole.push(mark - start);
    }
    for (const [stage, times] of Object.entries(stages))
      row(`${name}: ${stage}`, median(times), copyName, copy);
    row(`${name}: whole frame`, median(whole), copyName, copy, budgetMs / PASS_MS);
  };
  const still = viewScene(scene, SIM_ONE_WIDE, 'portrait', { ...OPENING, support: 'tripod', wheel: 'still' });
  run('finder at rest', finderFor(viewSource(still)), ask, 12);
  run('finder, wheel turning, by hand', finderFor(viewSource(view)), ask, 18);
  const by = (exact: number) => ({ auto: false, exact });
  const slow = {
    ...ask,
    settings: {
      ...ask.settings,
      shutter: by(1 / 4),
      focus: { ...ask.settings.focus, auto: false, exact: 0.4 },
    },
  };
  run('finder, 1/4 s by hand, near focus', finderFor(viewSource(view)), slow, 22, 0.3);
  const stage = previewStage(view, 640);
  row('finder: focus moved', await time(9, () => stage.focused(0.3).groups), copyName, copy, 60 / PASS_MS);
  const source = viewSource(still);
  let moved = 0;
  const { ev100 } = readMeter(still.sight, 'whole', aimOf(ask));
  row(
    'finder: peaking after focus moved',
    await time(9, () =>
      source.peaks({
        ...{
          settings: { shutterS: 1 / 60, iso: 100, apertureN: SIM_ONE_WIDE.lens.apertureN, compensationEv: 0 },
          ev100,
          strength: 'usual',
          seed: 1,
        },
        focusM: 1.5 + ++moved / 100,
      }),
    ),
    copyName,
    copy,
  );
  const looking = focusSourceOf(view);
  const look = (number: number) =>
    looking.look({ at: { x: 0.35, y: 0.6 }, wide: false, focusM: 1 + number / 40, number, timeS: 0 })!;
  let looks = 0;
  row(
    'focus: a look of the automatic',
    await time(40, () => {
      const frame = look(++looks);
      sharpnessOf(frame, frame.noise);
    }),
    copyName,
    copy,
  );

  // ---- capture, 12 MP
  const order = {
    settings: { shutterS: 1 / 512, iso: 100, apertureN: 1.8, compensationEv: 0 },
    colour: colourOfNeutral(SIM_ONE_WIDE.matrices, [0.5, 1, 0.7]),
    seed: 1,
    timeMs: 0,
    offsetMinutes: 0,
    clockS: 0,
  };
  const rest = { support: 'tripod' as const, press: 0, sinceTouchS: 60 };
  const hand = { support: 'hand' as const, press: 0.5, sinceTouchS: 0 };
  const expose = await time(3, () => captureFrame(plateRows(view, 4032, 1.4), order, rest));
  const slowOrder = { ...order, settings: { ...order.settings, shutterS: 1 / 4 } };
  const frame = captureFrame(plateRows(view, 4032, 1.4), order, rest);
  const samples = new Uint16Array(frame.data.length);
  const plain = await time(5, () => {
    for (let i = 0; i < samples.length; i++) samples[i] = frame.data[i]! + 1;
  });
  const plainName = 'one pass over 12 million samples';
  const exposeSlow = await time(3, () => captureFrame(plateRows(view, 4032, 1.4), slowOrder, hand));
  row('capture: expose', expose, plainName, plain);
  row('capture: expose 1/4 s by hand', exposeSlow, plainName, plain);
  row('capture: defocus the plates', await time(3, () => plateRows(view, 4032, 0.2)), plainName, plain);
  const small = await time(3, () => [developReduced(frame, 1008, 1344), developReduced(frame, 240, 320)]);
  row('capture: small pictures', small, plainName, plain);
  const rgba = developReduced(frame, 240, 320);
  const options = {
    compression: 'lossless-jpeg' as const,
    thumbnail: { width: 240, height: 320, rgba },
    previewJpeg: encodeJpeg(rgba, 240, 320),
    facts: {
      set: initialValues(),
      meteredEv100: 9,
      uniqueId: '0'.repeat(32),
    },
  };
  const dng = writeDng(frame, options);
  const encode = await time(3, () => writeDng(frame, options));
  row('capture: encode lossless JPEG DNG', encode, plainName, plain);
  const buffer = dng.buffer.slice(dng.byteOffset, dng.byteOffset + dng.byteLength) as ArrayBuffer;
  const utif = median([0, 1, 2].map(() => decodedByUtif2(buffer)));
  const decode = await time(3, () => readDng(dng));
  const utifName = 'utif2 decode of the same file';
  row('capture: decode and verify', decode, utifName, utif, 0.35);
  const rest12 = small + encode + decode;
  row('capture: from light to a file that was read again', expose + rest12, utifName, utif, 2000 / UTIF2_MS);
  row('capture: the same, 1/4 s by hand', exposeSlow + rest12, utifName, utif, 3000 / UTIF2_MS);
  row(
    'capture: to and from a byte string',
    await time(3, () => fromByteString(toByteString(dng))),
    plainName,
    plain,
  );
  row('capture: hash of the file', await time(3, () => digestOf(dng)), plainName, plain);
  row('raw: count 12 MP', await time(5, () => countSites(frame)), plainName, plain);
  const decoded = readDng(dng);
  row('check: analysis after decoding', await time(3, () => reportOf(decoded)), plainName, plain);
  row('check: whole file', await time(3, () => checkDng(dng)), utifName, utif);
  const native = wholeCheck(dng);
  if (native)
    row('check: as a process, without its start', native.ownMs, 'unprocessed_raw', native.theirsMs, 0.8);

  const video = pictureOfVideo(1280, 960);
  const step = stepFor(video, 480);
  const size = sampledSize(video, step);
  const rgbaOfVideo = new Uint8ClampedArray(4 * size.width * size.height);
  const pictures = pictureFinder(size.width, size.height);
  const askedOfVideo = {
    settings: initialValues(),
    at: { x: 0.5, y: 0.5 },
    focusAt: { x: 0.5, y: 0.5 },
    focusAgain: 0,
    pins: [],
    calibration: null,
  };
  const touched = new Uint8ClampedArray(rgbaOfVideo.length);
  const touch = await time(20, () => {
    for (let i = 0; i < rgbaOfVideo.length; i++) touched[i] = rgbaOfVideo[i]!;
  });
  const touchName = `one pass over ${size.width}×${size.height} RGBA bytes`;
  row(
    'pictures: sample a video frame',
    await time(20, () => sampleVideo(video, step, rgbaOfVideo)),
    touchName,
    touch,
  );
  row(
    'pictures: meter',
    await time(20, () => pictures.read({ ...size, rgba: rgbaOfVideo, exposure: {} }, askedOfVideo)),
    touchName,
    touch,
  );
  row(
    'pictures: marks, all of them',
    await time(20, () =>
      pictures.marks({ white: true, black: true, zebraPercent: 90, brightestShare: 0.01, peaks: null }),
    ),
    touchName,
    touch,
  );

  if (process.argv.includes('--json')) console.log(JSON.stringify(rows));
  else {
    for (const r of rows) {
      const time = `${r.name.padEnd(50)} ${r.medianMs.toFixed(1).padStart(8)} ms   ${r.ratio.toFixed(2).padStart(6)} × ${r.referenceName} (${r.referenceMs.toFixed(1)} ms)`;
      const held =
        r.budgetMs === undefined
          ? ''
          : `   ${r.medianMs <= r.budgetMs ? 'held' : 'MISSED'}: ${r.budgetMs.toFixed(0)} ms`;
      console.log(time + held);
    }
  }
  const missed = rows.filter(({ medianMs, budgetMs = Infinity }) => medianMs > FAR * budgetMs);
  if (process.argv.includes('--budget') && missed.length > 0) {
    console.error(`Missed by more than a quarter: ${missed.map(({ name }) => name).join('; ')}`);
    process.exitCode = 1;
  }
}

void main();
