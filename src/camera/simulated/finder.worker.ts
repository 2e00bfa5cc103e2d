// The finder of the simulated cameras: owns the canvas and the scene that is shown, draws frame by frame, posts one report each.
import * as Comlink from 'comlink';
import type { Scene } from '../../core/scene/scene';
import { isLensId, OPTICS } from '../../core/sensor/cameras';
import type { LensId } from '../../core/sensor/simulated-optic';
import { watched } from '../../workers/alive';
import type { Order } from '../order';
import type { ViewStatus } from '../port';
import type { Report } from '../report';
import { stopwatch } from '../stopwatch';
import { finderFrames } from './finder-frames';
import { finderPace } from './pace';
import { firstLookAt, forgetFailures, isReady, packAt, sceneAt, sceneUrl } from './scene-shelf';
import type { World } from './world';

const DAY_S = 86_400;
/** Of a first look, which has little detail and is there for a moment: samples along. */
const FIRST_LOOK_SIDE = 320;

/** From frame to frame while the lens searches, at most, ms. */
const SEARCH_MS = 40;

let canvas: OffscreenCanvas | undefined;
let context: OffscreenCanvasRenderingContext2D | null = null;
/** The scene that is shown, and the lens that looks at it. */
let scene: Scene | undefined;
let lens: LensId = 'wide';
let order: Order | undefined;
let world: World | undefined;
const frames = finderFrames();
const pace = finderPace();

let report: ((report: Report) => void) | undefined;
let tell: (status: ViewStatus) => void = () => undefined;
let frameNumber = 0;
/** The newest order that was answered by a frame of its own view. */
let answers = 0;
let touchedMs = 0;
let timer: ReturnType<typeof setTimeout> | undefined;

const api = {
  ...watched(),

  /** Takes the canvas to draw on. */
  open(target: OffscreenCanvas, onReport: (report: Report) => void, onScene: (status: ViewStatus) => void) {
    canvas = target;
    context = target.getContext('2d', { alpha: false, desynchronized: true });
    report = onReport;
    tell = onScene;
    if (status) tell(status);
    schedule(0);
  },
  set(next: Order, at: World) {
    if (!isLensId(next.optic)) throw new RangeError(`No lens ${next.optic}`);
    if (next.retries !== order?.retries) forgetFailures();
    order = next;
    world = at;
    // Whoever changes a setting touches the camera.
    touchedMs = performance.now();
    show(at.scene, next.optic);
    schedule(0);
  },
};

export type FinderApi = typeof api;

/** Unpacking a whole scene would keep the worker from drawing: it waits for the first frame of the first look. */
let drawn: () => void = () => undefined;

let wanted = '';
let wantedLens: LensId = 'wide';
let shownUrl = '';
let reading = 0;
let status: ViewStatus | undefined;

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
    say({ kind: 'failed', view: id, message: error instanceof Error ? error.message : String(error) });
  });
}

/** A first look with little detail is there in a part of the time; then the whole scene takes its place. */
async function load(url: string, id: string): Promise<void> {
  const stillWanted = () => wanted === url;
  if (!isReady(url)) {
    say({ kind: 'loading', view: id, share: 0 });
    const onShare = (share: number) => {
      if (stillWanted()) say({ kind: 'loading', view: id, share });
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
  say({ kind: 'ready', view: id });
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

function say(next: ViewStatus): void {
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
  if (!scene || !order || !world || !canvas || !context || !order.running || reading > 0) return;
  const started = performance.now();
  const { stageMs, lap } = stopwatch();
  // A frame of the view before answers no order that is meant for another.
  if (shownUrl === sceneUrl(world.scene, order.optic as LensId) && lens === order.optic) answers = order.seq;
  const asked = {
    ...{ scene, lens, order, world, answers },
    longSide: isReady(shownUrl) ? pace.longSide : FIRST_LOOK_SIDE,
    number: ++frameNumber,
    moment: { timeS: (Date.now() / 1000) % DAY_S, sinceTouchS: (started - touchedMs) / 1000 },
  };
  const { rgba, width, height, report: told } = frames.draw(asked, lap, () => schedule(0));
  if (canvas.width !== width || canvas.height !== height) {
    canvas.width = width;
    canvas.height = height;
  }
  context.putImageData(new ImageData(rgba, width, height), 0, 0);
  lap('draw');
  report?.({ ...told, stageMs });
  drawn();
  const tookMs = performance.now() - started;
  // What is looked at first is there for a moment only.
  if (isReady(shownUrl)) pace.took(tookMs);
  // While nothing is touched; a change is shown at once, and a lens that searches needs every frame.
  const { finderMs } = OPTICS[lens];
  const everyMs = told.focus?.state === 'searching' ? Math.min(finderMs, SEARCH_MS) : finderMs;
  schedule(Math.max(0, everyMs - tookMs));
}

Comlink.expose(api);
