// The finder of the simulated cameras: owns the canvas, runs the finder frame by frame, posts one report each.
import * as Comlink from 'comlink';
import { effectsOf } from '../../core/advice/effects';
import { BASE_ISO } from '../../core/exposure/settings';
import { finderFor, type FinderFrame } from '../../core/finder/finder';
import { digitallyZoomed } from '../../core/scene/digital-zoom';
import type { Scene } from '../../core/scene/scene';
import { viewScene } from '../../core/scene/view';
import { viewSource } from '../../core/scene/view-source';
import { pictureHistogram } from '../../core/scopes/picture-histogram';
import { toneLimits } from '../../core/scopes/limits';
import { isLensId, OPTICS } from '../../core/sensor/cameras';
import type { LensId } from '../../core/sensor/simulated-camera';
import type { Known } from '../../core/units/known';
import { watched } from '../../workers/alive';
import type { Order } from '../order';
import type { ViewStatus } from '../port';
import type { Report, Standing } from '../report';
import { stopwatch } from '../stopwatch';
import { consequences, fitOf, handReading, heldUp, weightsOf, type Shown } from './finder-telling';
import { finderPace } from './pace';
import { firstLookAt, forgetFailures, isReady, packAt, sceneAt, sceneUrl } from './scene-shelf';
import type { World } from './world';

/** A new frame every 40 ms while nothing is touched; a change is shown at once. */
const FRAME_MS = 40;
const DAY_S = 86_400;
/** Of a first look, which has little detail and is there for a moment: samples along. */
const FIRST_LOOK_SIDE = 320;

let canvas: OffscreenCanvas | undefined;
let context: OffscreenCanvasRenderingContext2D | null = null;
/** The scene that is shown, and the lens that looks at it. */
let scene: Scene | undefined;
let lens: LensId = 'wide';
let order: Order | undefined;
let world: World | undefined;
let finder: Shown | undefined;
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
  const shown = finderOf(scene, order, world);
  const current = shown.finder;
  const { stageMs, lap } = stopwatch();
  const moment = { timeS: (Date.now() / 1000) % DAY_S, sinceTouchS: (started - touchedMs) / 1000 };
  const measured = current.measure(order, ++frameNumber, moment, lap);
  current.develop(measured);
  lap('develop');
  const picture = order.pictureHistogram ? pictureHistogram(current.rgba) : null;
  const held = order.other && heldUp(shown, order, order.other, measured, frameNumber, moment);
  const told = consequences(shown, measured, order);
  const { zebra, brightest, inFocus, depth, peaking, ...marks } = order.marks;
  if (depth && !held) current.drawDepth();
  const iso = held ? order.other!.iso : measured.resolved.settings.iso;
  const which = {
    ...marks,
    inFocus: inFocus ? told.effects : null,
    zebra: zebra && zebra[iso < BASE_ISO ? 'extended' : 'native'],
  };
  const seen = held?.finder ?? current;
  const disagreement = seen.mark(held?.measured ?? measured, which, order.disagreement);
  const peaks = peaking && seen.markPeaks(held?.measured ?? measured, frameNumber, peaking);
  if (brightest && order.settings.meter.pattern === 'highlight' && order.lockedEv100 === null && !held)
    current.markBrightest(order.settings.meter.burnShare);
  lap('scopes');
  if (canvas.width !== current.width || canvas.height !== current.height) {
    canvas.width = current.width;
    canvas.height = current.height;
  }
  context.putImageData(new ImageData(seen.rgba, current.width, current.height), 0, 0);
  lap('draw');

  const { outlook } = measured;
  const { sensor } = shown.view.camera;
  const { resolved } = measured;
  // A frame of the view before answers no order that is meant for another.
  if (shownUrl === sceneUrl(world.scene, order.optic as LensId) && lens === order.optic) answers = order.seq;
  report?.({
    seq: answers,
    frame: frameNumber,
    optic: shown.view.camera.lensId,
    orientation: order.orientation,
    view: `${scene.description.id}.${shown.view.camera.lensId}`,
    width: current.width,
    height: current.height,
    zoomTimes: order.settings.cut.times,
    exposure: {
      settings: resolved.settings,
      plan: measured.plan,
      deviationEv: resolved.deviationEv,
      outOfRangeEv: resolved.outOfRangeEv,
    },
    standing: standingOf(measured),
    focusM: measured.focus.focusM,
    subjectM: subjectOf(shown, order, measured),
    focus: measured.focus,
    peaking: peaks,
    reading: measured.reading,
    relative: null,
    fromGreyEv: null,
    wholeEv100: measured.wholeEv100,
    pins: measured.pins,
    hand: handReading(shown.view, order, world.scene, () => schedule(0)),
    weights: order.weights ? weightsOf(shown.view) : null,
    picture,
    ends: disagreement && { white: disagreement.pictureWhite, black: disagreement.pictureBlack },
    white: { ...measured.frame.colour.white, by: measured.white.by, measured: measured.white.measured },
    ring: measured.ring,
    mixed: measured.white.mixed,
    raw: {
      colour: measured.frame.colour,
      ...told,
      stopline: outlook.stopline,
      sites: sensor.width * sensor.height,
      forecast: outlook.forecast,
      headroomOfFileEv: outlook.headroomOfFileEv,
      clippedOfFrame: outlook.forecast.clipped.reduce((sum, share) => sum + share / 4, 0),
      headroomEv: outlook.headroomEv,
      sparkle: outlook.sparkle,
      range: outlook.range,
      fit: fitOf(shown.view, measured, order),
      toneLimits: toneLimits(measured.frame.colour, resolved.settings, measured.print),
      disagreement,
      comparison: held?.comparison ?? null,
      cleanEv: outlook.cleanEv,
      floorEv: measured.floorEv,
      midGreyEv: measured.midGreyEv,
    },
    stageMs,
  });
  drawn();
  const tookMs = performance.now() - started;
  // What is looked at first is there for a moment only.
  if (isReady(shownUrl)) pace.took(tookMs);
  schedule(Math.max(0, FRAME_MS - tookMs));
}

/** What the depth sensor tells of what is focused on: the place of the focus where that was parted, the spot, or where it looked. */
function subjectOf({ finder: of, view }: Shown, { focusAt }: Order, { focus }: FinderFrame): Known<number> {
  if (!view.camera.depthSensor) return { unknown: 'this camera has no depth sensor' };
  const at = focusAt ?? (focus.state === 'hand' ? null : focus.at);
  if (!at) return { unknown: 'no place is chosen' };
  return of.distanceAt(at) ?? { unknown: 'farther than the depth sensor reaches' };
}

function standingOf({ resolved: { settings }, focus: { focusM }, frame: { colour } }: FinderFrame): Standing {
  const { shutterS, iso, apertureN, compensationEv } = settings;
  return {
    shutter: shutterS,
    iso,
    aperture: apertureN,
    compensationEv,
    focus: focusM,
    white: colour.white.kelvin,
  };
}

function finderOf(from: Scene, { orientation, settings }: Order, { outside }: World): Shown {
  const { times } = settings.cut;
  const key = JSON.stringify([orientation, outside, lens, times]);
  const longSide = isReady(shownUrl) ? pace.longSide : FIRST_LOOK_SIDE;
  if (finder?.scene !== from || finder.key !== key || finder.longSide !== longSide) {
    const same = finder?.scene === from && finder.key === key;
    const view = same
      ? finder!.view
      : viewScene(from, digitallyZoomed(OPTICS[lens], times), orientation, outside);
    // Lamps that are turned up move no lens.
    const lies = JSON.stringify([orientation, lens, times]);
    const kept = finder?.scene === from && finder.lies === lies ? finder.finder.focusKept() : null;
    finder = {
      key,
      lies,
      longSide,
      scene: from,
      view,
      finder: finderFor(viewSource(view, 1, longSide), true, kept),
      effects: same ? finder!.effects : effectsOf(view),
    };
  }
  return finder;
}

Comlink.expose(api);
