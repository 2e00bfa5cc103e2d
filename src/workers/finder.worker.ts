// The finder's worker: owns the canvas, runs the finder frame by frame, posts one report each.
import * as Comlink from 'comlink';
import { finderFor, type Finder } from '../core/finder/finder';
import { readScenePack } from '../core/scene/pack';
import type { Scene } from '../core/scene/scene';
import { viewScene, type Orientation } from '../core/scene/view';
import { pictureHistogram } from '../core/scopes/picture-histogram';
import { stopline } from '../core/scopes/stopline';
import { SIM_ONE } from '../core/sensor/sim-one';
import type { FinderOrder, FinderReport, FinderStage } from './finder-protocol';

/** A new frame every 40 ms while nothing is touched; a change is shown at once. */
const FRAME_MS = 40;

let canvas: OffscreenCanvas | undefined;
let context: OffscreenCanvasRenderingContext2D | null = null;
let scene: Scene | undefined;
let order: FinderOrder | undefined;
let finder: { orientation: Orientation; finder: Finder } | undefined;
let report: ((report: FinderReport) => void) | undefined;
let frameNumber = 0;
let timer: ReturnType<typeof setTimeout> | undefined;

const api = {
  /** Settles when the scene is there for a first look. @throws Error when it cannot be fetched or read. */
  load: (sceneUrl: string) => firstLook(sceneUrl),
  /** Takes the canvas to draw on. */
  open(target: OffscreenCanvas, onReport: (report: FinderReport) => void) {
    canvas = target;
    context = target.getContext('2d', { alpha: false, desynchronized: true });
    report = onReport;
    schedule(0);
  },
  set(next: FinderOrder) {
    order = next;
    schedule(0);
  },
};

export type FinderWorkerApi = typeof api;

/** The whole scene waits for the first frame: unpacking it would keep the worker from drawing when the canvas comes. */
let drawn: () => void = () => undefined;
const firstDrawn = new Promise<void>((resolve) => {
  drawn = resolve;
});

let loading: { url: string; look: Promise<void> } | undefined;

function firstLook(url: string): Promise<void> {
  if (loading?.url !== url) loading = { url, look: loadScene(url) };
  return loading.look;
}

/** A first look at half the detail is there in a quarter of the time; then the whole scene takes its place. */
async function loadScene(url: string): Promise<void> {
  const response = await fetch(url);
  if (!response.ok) throw new Error(`The scene did not load (${response.status})`);
  const bytes = new Uint8Array(await response.arrayBuffer());
  scene = await readScenePack(bytes, true);
  drawFrame();
  void firstDrawn.then(async () => {
    const started = performance.now();
    scene = await readScenePack(bytes);
    performance.measure('velmo-unpack', { start: started });
    finder = undefined;
    schedule(0);
  });
}

// The page's boot script starts this worker before the app itself is there, and names the scene in a plain message.
addEventListener('message', ({ data }: MessageEvent<unknown>) => {
  const wanted = (data as { velmoScene?: unknown } | null)?.velmoScene;
  if (typeof wanted === 'string') firstLook(wanted).catch(() => undefined); // told to whoever calls load
});

function schedule(delay: number): void {
  clearTimeout(timer);
  timer = setTimeout(drawFrame, delay);
}

function drawFrame(): void {
  if (!scene || !order || !canvas || !context || !order.running) return;
  const started = performance.now();
  const current = finderOf(scene, order.orientation);
  const stageMs: Record<FinderStage, number> = { expose: 0, scopes: 0, meter: 0, develop: 0, draw: 0 };
  let mark = performance.now();
  const lap = (stage: FinderStage) => {
    const now = performance.now();
    stageMs[stage] += now - mark;
    mark = now;
  };
  const measured = current.measure(order, ++frameNumber, lap);
  const line = stopline(measured.counted);
  lap('scopes');
  current.develop(measured);
  lap('develop');
  const picture = order.pictureHistogram ? pictureHistogram(current.rgba) : null;
  if (order.clipMarks) current.markClipping(measured);
  lap('scopes');
  if (canvas.width !== current.width || canvas.height !== current.height) {
    canvas.width = current.width;
    canvas.height = current.height;
  }
  context.putImageData(new ImageData(current.rgba, current.width, current.height), 0, 0);
  lap('draw');

  const [r, g1, g2, b] = measured.figures;
  const share = (kind: 'clipped' | 'belowFloor'): [number, number, number] => [
    r![kind] / r!.sites,
    (g1![kind] + g2![kind]) / (g1!.sites + g2!.sites),
    b![kind] / b!.sites,
  ];
  report?.({
    frame: frameNumber,
    scene: scene.description.id,
    width: current.width,
    height: current.height,
    settings: measured.resolved.settings,
    luminance: measured.reading.luminance,
    ev100: measured.reading.ev100,
    deviationEv: measured.resolved.deviationEv,
    outOfRangeEv: measured.resolved.outOfRangeEv,
    colour: measured.frame.colour,
    stopline: line,
    picture,
    clippedShare: share('clipped'),
    belowFloorShare: share('belowFloor'),
    clippedOfFrame: measured.figures.reduce((sum, f) => sum + f.clipped, 0) / measured.counted.sites,
    headroomEv: measured.headroomEv,
    floorEv: measured.floorEv,
    midGreyEv: measured.midGreyEv,
    stageMs,
  });
  drawn();
  schedule(Math.max(0, FRAME_MS - (performance.now() - started)));
}

function finderOf(from: Scene, orientation: Orientation): Finder {
  if (finder?.orientation !== orientation) {
    finder = { orientation, finder: finderFor(viewScene(from, SIM_ONE, orientation)) };
  }
  return finder.finder;
}

Comlink.expose(api);
