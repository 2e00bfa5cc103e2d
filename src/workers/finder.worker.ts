// The finder's worker: owns the canvas, runs the finder frame by frame, posts one report each.
import * as Comlink from 'comlink';
import { effectsOf } from '../core/advice/effects';
import { BASE_ISO } from '../core/exposure/settings';
import { finderFor } from '../core/finder/finder';
import { PREVIEW_LONG_SIDE } from '../core/scene/capture';
import type { Scene } from '../core/scene/scene';
import { viewScene } from '../core/scene/view';
import { pictureHistogram } from '../core/scopes/picture-histogram';
import { toneLimits } from '../core/scopes/limits';
import { isLensId, OPTICS } from '../core/sensor/cameras';
import type { LensId } from '../core/sensor/simulated-camera';
import type { FinderOrder, FinderReport, FinderStage, SceneStatus } from './finder-protocol';
import { consequences, fitOf, handReading, heldUp, weightsOf, type Shown } from './finder-telling';
import { firstLookAt, forgetFailures, isReady, packAt, sceneAt, sceneUrl } from './scene-shelf';

/** A new frame every 40 ms while nothing is touched; a change is shown at once. */
const FRAME_MS = 40;
const DAY_S = 86_400;

let canvas: OffscreenCanvas | undefined;
let context: OffscreenCanvasRenderingContext2D | null = null;
/** The scene that is shown, and the lens that looks at it. */
let scene: Scene | undefined;
let lens: LensId = 'wide';
let order: FinderOrder | undefined;
let finder: Shown | undefined;

let report: ((report: FinderReport) => void) | undefined;
let tell: (status: SceneStatus) => void = () => undefined;
let frameNumber = 0;
let touchedMs = 0;
let timer: ReturnType<typeof setTimeout> | undefined;

const api = {
  /** Takes the canvas to draw on. */
  open(
    target: OffscreenCanvas,
    onReport: (report: FinderReport) => void,
    onScene: (status: SceneStatus) => void,
  ) {
    canvas = target;
    context = target.getContext('2d', { alpha: false, desynchronized: true });
    report = onReport;
    tell = onScene;
    if (status) tell(status);
    schedule(0);
  },
  set(next: FinderOrder) {
    if (next.retries !== order?.retries) forgetFailures();
    order = next;
    // Whoever changes a setting touches the camera.
    touchedMs = performance.now();
    show(next.scene, next.lens);
    schedule(0);
  },
};

export type FinderWorkerApi = typeof api;

/** Unpacking a whole scene would keep the worker from drawing: it waits for the first frame of the first look. */
let drawn: () => void = () => undefined;

let wanted = '';
let wantedLens: LensId = 'wide';
let shownUrl = '';
let reading = 0;
let status: SceneStatus | undefined;

function show(id: string, next: LensId): void {
  const url = sceneUrl(id, next);
  wantedLens = next;
  // Another stop of a zoom may look at the same plates.
  if (shownUrl === url && wanted === url) lens = next;
  if (wanted === url) return;
  wanted = url;
  void load(url, id).catch((error: unknown) => {
    if (wanted !== url) return;
    wanted = '';
    say({ kind: 'failed', scene: id, message: error instanceof Error ? error.message : String(error) });
  });
}

/** A first look at half the detail is there in a quarter of the time; then the whole scene takes its place. */
async function load(url: string, id: string): Promise<void> {
  const stillWanted = () => wanted === url;
  if (!isReady(url)) {
    say({ kind: 'loading', scene: id, share: 0 });
    const onShare = (share: number) => {
      if (stillWanted()) say({ kind: 'loading', scene: id, share });
    };
    await packAt(url, onShare);
    if (!stillWanted()) return;
    const look = await undisturbed(() => firstLookAt(url));
    if (!stillWanted()) return;
    const firstDrawn = new Promise<void>((resolve) => (drawn = resolve));
    hang(look, url);
    drawFrame();
    await firstDrawn;
    if (!stillWanted()) return;
  }
  const started = performance.now();
  const whole = await undisturbed(() => sceneAt(url));
  performance.measure('velmo-unpack', { start: started });
  if (!stillWanted()) return;
  hang(whole, url);
  say({ kind: 'ready', scene: id });
  schedule(0);
}

function hang(next: Scene, url: string): void {
  scene = next;
  shownUrl = url;
  lens = wantedLens;
}

/** Frames of what is about to be replaced would only hold up the reading. */
async function undisturbed<T>(read: () => Promise<T>): Promise<T> {
  reading++;
  try {
    return await read();
  } finally {
    reading--;
    schedule(0);
  }
}

function say(next: SceneStatus): void {
  status = next;
  tell(next);
}

// The page's boot script starts this worker before the app itself is there, and names the scene in a plain message.
addEventListener('message', ({ data }: MessageEvent<unknown>) => {
  const early = (data as { velmoScene?: { id?: unknown; lens?: unknown } } | null)?.velmoScene;
  if (typeof early?.id === 'string' && isLensId(early.lens)) show(early.id, early.lens);
});

function schedule(delay: number): void {
  clearTimeout(timer);
  timer = setTimeout(drawFrame, delay);
}

function drawFrame(): void {
  if (!scene || !order || !canvas || !context || !order.running || reading > 0) return;
  const started = performance.now();
  const shown = finderOf(scene, order);
  const current = shown.finder;
  const stageMs: Record<FinderStage, number> = {
    light: 0,
    expose: 0,
    scopes: 0,
    meter: 0,
    develop: 0,
    draw: 0,
  };
  let mark = performance.now();
  const lap = (stage: FinderStage) => {
    const now = performance.now();
    stageMs[stage] += now - mark;
    mark = now;
  };
  const moment = { timeS: (Date.now() / 1000) % DAY_S, sinceTouchS: (started - touchedMs) / 1000 };
  const measured = current.measure(order, ++frameNumber, moment, lap);
  current.develop(measured);
  lap('develop');
  const picture = order.pictureHistogram ? pictureHistogram(current.rgba) : null;
  const held = order.other && heldUp(shown, order, order.other, measured, frameNumber, moment);
  const { zebra, brightest, ...marks } = order.marks;
  const iso = held ? order.other!.iso : measured.resolved.settings.iso;
  const which = { ...marks, zebra: zebra && zebra[iso < BASE_ISO ? 'extended' : 'native'] };
  const seen = held?.finder ?? current;
  const disagreement = seen.mark(held?.measured ?? measured, which, order.disagreement);
  if (brightest && order.pattern === 'highlight' && order.lockedEv100 === null && !held)
    current.markBrightest(order.aim.burnShare);
  lap('scopes');
  if (canvas.width !== current.width || canvas.height !== current.height) {
    canvas.width = current.width;
    canvas.height = current.height;
  }
  context.putImageData(new ImageData(seen.rgba, current.width, current.height), 0, 0);
  lap('draw');

  const { outlook } = measured;
  const { sensor } = shown.view.camera;
  report?.({
    frame: frameNumber,
    scene: scene.description.id,
    lens: shown.view.camera.lensId,
    width: current.width,
    height: current.height,
    settings: measured.resolved.settings,
    plan: measured.plan,
    focusM: measured.focusM,
    reading: measured.reading,
    wholeEv100: measured.wholeEv100,
    pins: measured.pins,
    hand: handReading(shown.view, order, () => schedule(0)),
    ...consequences(shown, measured, order),
    weights: order.weights ? weightsOf(shown.view) : null,
    deviationEv: measured.resolved.deviationEv,
    outOfRangeEv: measured.resolved.outOfRangeEv,
    colour: measured.frame.colour,
    stopline: outlook.stopline,
    picture,
    sites: sensor.width * sensor.height,
    forecast: outlook.forecast,
    headroomOfFileEv: outlook.headroomOfFileEv,
    clippedOfFrame: outlook.forecast.clipped.reduce((sum, share) => sum + share / 4, 0),
    headroomEv: outlook.headroomEv,
    sparkle: outlook.sparkle,
    range: outlook.range,
    fit: fitOf(shown.view, measured, order),
    toneLimits: toneLimits(measured.frame.colour, measured.resolved.settings),
    disagreement,
    comparison: held?.comparison ?? null,
    cleanEv: outlook.cleanEv,
    floorEv: measured.floorEv,
    midGreyEv: measured.midGreyEv,
    stageMs,
  });
  drawn();
  schedule(Math.max(0, FRAME_MS - (performance.now() - started)));
}

function finderOf(from: Scene, { orientation, outside }: FinderOrder): Shown {
  const key = JSON.stringify([orientation, outside, lens]);
  if (finder?.scene !== from || finder.key !== key) {
    const view = viewScene(from, OPTICS[lens], orientation, outside);
    finder = {
      key,
      scene: from,
      view,
      finder: finderFor(view, 1, PREVIEW_LONG_SIDE, true),
      effects: effectsOf(view),
    };
  }
  return finder;
}

Comlink.expose(api);
