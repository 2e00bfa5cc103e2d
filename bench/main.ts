// `npm run bench [-- --json]`: what the figures in the README come from. Each row is a median against a reference that takes its turns with
// it, so that a ratio means the same on a fast and on a slow machine.
import { colourOfNeutral } from '../src/core/colour/camera';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { encodeJpeg } from '../cli/jpeg';
import { readDng } from '../src/core/dng/read';
import { captureDng } from '../src/core/dng/capture';
import { checkDng, reportOf } from '../src/core/dng/check';
import { aimOf, finderFor, type Finder, type FinderAsk } from '../src/core/finder/finder';
import { readMeter } from '../src/core/meter/read';
import { developReduced } from '../src/core/raw/develop';
import { countSites } from '../src/core/raw/statistics';
import { captureFrame } from '../src/core/scene/capture';
import { readFirstLook, readScenePack } from '../src/core/scene/pack';
import { plateRows, previewStage } from '../src/core/scene/light-rows';
import { OPENING } from '../src/core/scene/outside';
import type { Scene } from '../src/core/scene/scene';
import type { Steadiness } from '../src/core/scene/shake';
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
import { known, print, row, stages, timeOf, type Reference } from './table';
import { fromByteString, toByteString } from '../src/vault/byte-string';
import { someFacts } from '../tests/facts';

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

/** A loop over something as large as what is timed. */
function pass(name: string, each: () => void): Reference {
  return { name: `one pass over ${name}`, once: () => timeOf(each) };
}

async function ofScene(bytes: Uint8Array): Promise<Scene> {
  const floats = new Float32Array(3 << 20);
  const beside = pass('3 × 2²⁰ floats', () => {
    for (let i = 0; i < floats.length; i++) floats[i] = floats[i]! * 0.5 + 1;
  });
  await row('scene: unpack, first look', { runs: 7, beside }, () => readFirstLook(bytes));
  await row('scene: unpack, whole', { runs: 7, beside }, () => readScenePack(bytes));
  const scene = await readScenePack(bytes);
  await row('scene: through the lens', { runs: 5, beside }, () => viewScene(scene, SIM_ONE_WIDE, 'portrait'));
  return scene;
}

/** The finder at 480×640, all stages that run for each frame. */
async function ofFinder(scene: Scene): Promise<void> {
  const view = viewScene(scene, SIM_ONE_WIDE, 'portrait');
  const still = viewScene(scene, SIM_ONE_WIDE, 'portrait', { ...OPENING, support: 'tripod', wheel: 'still' });
  const ask: FinderAsk = {
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
  const beside = pass('480×640 RGBA bytes', () => {
    for (let i = 0; i < pixels.length; i++) pixels[i] = i;
  });
  /** Of a finder that runs for a while. */
  const run = (name: string, finder: Finder, asked: FinderAsk, budgetMs: number, everyS = 1 / 25) =>
    stages(
      name,
      { runs: 45, warm: 15, beside },
      (lap, i) => {
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
      },
      { name: 'whole frame', budget: budgetMs / PASS_MS },
    );
  await run('finder at rest', finderFor(viewSource(still)), ask, 12);
  await run('finder, wheel turning, by hand', finderFor(viewSource(view)), ask, 18);
  const by = (exact: number) => ({ auto: false, exact });
  const slow = {
    ...ask,
    settings: {
      ...ask.settings,
      shutter: by(1 / 4),
      focus: { ...ask.settings.focus, auto: false, exact: 0.4 },
    },
  };
  await run('finder, 1/4 s by hand, near focus', finderFor(viewSource(view)), slow, 22, 0.3);

  const stage = previewStage(view, 640);
  await row('finder: focus moved', { runs: 9, beside }, () => stage.focused(0.3).groups, 60 / PASS_MS);
  const source = viewSource(still);
  let moved = 0;
  const { ev100 } = readMeter(still.sight, 'whole', aimOf(ask));
  await row('finder: peaking after focus moved', { runs: 9, beside }, () =>
    source.peaks({
      ...{
        settings: { shutterS: 1 / 60, iso: 100, apertureN: SIM_ONE_WIDE.lens.apertureN, compensationEv: 0 },
        ev100,
        strength: 'usual',
        seed: 1,
      },
      focusM: 1.5 + ++moved / 100,
    }),
  );
  const looking = focusSourceOf(view);
  let looks = 0;
  await row('focus: a look of the automatic', { runs: 40, beside }, () => {
    const number = ++looks;
    const aim = { at: { x: 0.35, y: 0.6 }, wide: false, lessEv: 0, focusM: 1 + number / 40 };
    const frame = looking.look({ ...aim, number, timeS: 0 })!;
    sharpnessOf(frame, frame.noise);
  });
}

/** Captures of 12 megapixels, from light to a file that was read again. */
async function ofCapture(scene: Scene): Promise<void> {
  const view = viewScene(scene, SIM_ONE_WIDE, 'portrait');
  const order = {
    settings: { shutterS: 1 / 512, iso: 100, apertureN: 1.8, compensationEv: 0 },
    colour: colourOfNeutral(SIM_ONE_WIDE.matrices, [0.5, 1, 0.7]),
    seed: 1,
    timeMs: 0,
    offsetMinutes: 0,
    clockS: 0,
  };
  const slowOrder = { ...order, settings: { ...order.settings, shutterS: 1 / 4 } };
  const rest = { support: 'tripod' as const, press: 0, sinceTouchS: 60 };
  const hand = { support: 'hand' as const, press: 0.5, sinceTouchS: 0 };
  const made = (of: typeof order, steadiness: Steadiness, lap: (stage: string) => void) => {
    const frame = captureFrame(plateRows(view, 4032, 1.4), of, steadiness);
    lap('expose');
    developReduced(frame, 1008, 1344);
    const rgba = developReduced(frame, 240, 320);
    lap('small pictures');
    const previewJpeg = encodeJpeg(rgba, 240, 320);
    lap('the preview as JPEG, by a peer');
    const dng = captureDng(frame, {
      compression: 'lossless-jpeg',
      thumbnail: { width: 240, height: 320, rgba },
      previewJpeg,
      facts: someFacts(),
    });
    lap('encode lossless JPEG DNG');
    readDng(dng);
    lap('decode and verify');
    return { frame, dng };
  };
  const { frame, dng } = made(order, rest, () => undefined);
  const buffer = dng.buffer.slice(dng.byteOffset, dng.byteOffset + dng.byteLength) as ArrayBuffer;
  const byUtif2: Reference = {
    name: 'utif2 decode of the same file',
    once: () => decodedByUtif2(buffer),
  };
  const whole = 'from light to a file that was read again';
  await stages('capture', { runs: 5, beside: byUtif2 }, (lap) => made(order, rest, lap), {
    name: whole,
    budget: 2000 / UTIF2_MS,
  });
  await stages('capture, 1/4 s by hand', { runs: 5, beside: byUtif2 }, (lap) => made(slowOrder, hand, lap), {
    name: whole,
    budget: 3000 / UTIF2_MS,
  });
  await row('decode', { runs: 5, beside: byUtif2 }, () => readDng(dng), 0.35);

  const samples = new Uint16Array(frame.data.length);
  const beside = pass('12 million samples', () => {
    for (let i = 0; i < samples.length; i++) samples[i] = frame.data[i]! + 1;
  });
  await row('capture: defocus the plates', { runs: 3, beside }, () => plateRows(view, 4032, 0.2));
  await row('capture: to and from a byte string', { runs: 3, beside }, () =>
    fromByteString(toByteString(dng)),
  );
  await row('capture: hash of the file', { runs: 3, beside }, () => digestOf(dng));
  await row('raw: count 12 MP', { runs: 5, beside }, () => countSites(frame));
  const decoded = readDng(dng);
  await row('check: analysis after decoding', { runs: 3, beside }, () => reportOf(decoded));
  await row('check: whole file', { runs: 3, beside: byUtif2 }, () => checkDng(dng));
  const native = wholeCheck(dng);
  if (native)
    known('check: as a process, without its start', native.ownMs, 'unprocessed_raw', native.theirsMs, 0.8);
}

/** The finder of a camera that gives pictures. */
async function ofPictures(): Promise<void> {
  const video = pictureOfVideo(1280, 960);
  const step = stepFor(video, 480);
  const size = sampledSize(video, step);
  const rgba = new Uint8ClampedArray(4 * size.width * size.height);
  const pictures = pictureFinder(size.width, size.height);
  const asked = {
    settings: initialValues(),
    at: { x: 0.5, y: 0.5 },
    focusAt: { x: 0.5, y: 0.5 },
    focusAgain: 0,
    pins: [],
    calibration: null,
  };
  const touched = new Uint8ClampedArray(rgba.length);
  const beside = pass(`${size.width}×${size.height} RGBA bytes`, () => {
    for (let i = 0; i < rgba.length; i++) touched[i] = rgba[i]!;
  });
  const turns = { runs: 20, beside };
  await row('pictures: sample a video frame', turns, () => sampleVideo(video, step, rgba));
  await row('pictures: meter', turns, () => pictures.read({ ...size, rgba, exposure: {} }, asked));
  await row('pictures: marks, all of them', turns, () =>
    pictures.marks({ white: true, black: true, zebraPercent: 90, brightestShare: 0.01, peaks: null }),
  );
}

async function main(): Promise<void> {
  const scene = await ofScene(
    readFileSync(join(__dirname, '..', 'assets', 'scenes', 'wheel-bench.wide.vsc')),
  );
  await ofFinder(scene);
  await ofCapture(scene);
  await ofPictures();
  print();
}

void main();
