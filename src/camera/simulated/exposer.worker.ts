// The exposer of the simulated cameras: takes sequences at full size, and shows pieces of captures before they are made.
import * as Comlink from 'comlink';
import type { Orientation } from '../../core/body/orientation';
import type { CameraColour } from '../../core/colour/camera';
import { readDng } from '../../core/dng/read';
import type { ExposureSettings } from '../../core/exposure/settings';
import { exposedOf, type Exposed, type LatentExposure } from '../../core/frame/expose-recipe';
import type { Latent } from '../../core/frame/queue';
import { shoot } from '../../core/frame/shoot';
import type { FramePoint } from '../../core/meter/luminance-map';
import { developerFor, developRegion } from '../../core/raw/develop';
import { printed } from '../../core/raw/printed';
import { captureStage, captureWindow, type CaptureStage } from '../../core/scene/capture';
import type { Outside } from '../../core/scene/outside';
import { digitallyZoomed } from '../../core/scene/digital-zoom';
import { frameSize, windowAbout } from '../../core/scene/framing';
import { focusedPlates, partFor, type FocusedPlates } from '../../core/scene/light-rows';
import { viewScene, type SceneView } from '../../core/scene/view';
import { OPTICS } from '../../core/sensor/cameras';
import type { LensId } from '../../core/sensor/simulated-optic';
import { watched } from '../../workers/alive';
import { pause } from '../../workers/pause';
import type { Print } from '../../core/setting/print';
import { encodeJpeg } from '../../workers/encode-jpeg';
import type { TakenFrame, TakeStage } from '../port';
import { exposedByAll, sharedStage, type Mate } from './band-crew';
import type { BandsApi } from './bands.worker';
import { sceneAt, sceneUrl } from './scene-shelf';
import type { World } from './world';

/** A window of the capture that the finder's settings would make now, before the press. */
export interface LoupeAsk {
  readonly lens: LensId;
  readonly zoomTimes: number;
  readonly orientation: Orientation;
  readonly settings: ExposureSettings;
  readonly colour: CameraColour;
  /** How the finder develops; null for plainly. */
  readonly print: Print | null;
  readonly focusM: number;
  readonly seed: number;
  readonly clockS: number;
  /** Middle of the window, shares of the frame. */
  readonly at: FramePoint;
  /** Sites across and down. */
  readonly width: number;
  readonly height: number;
}

/** Margin of light around the loupe's window that blur may bring in, as a share of the plate. */
const LOUPE_MARGIN_SHARE = 0.06;

/** What was last looked at: the next press mostly looks at the same. */
let looked: { key: string; view: SceneView } | undefined;

async function viewOf(
  scene: string,
  lens: LensId,
  zoomTimes: number,
  orientation: Orientation,
  outside: Outside,
): Promise<{ key: string; view: SceneView }> {
  const url = sceneUrl(scene, lens);
  const key = JSON.stringify([url, lens, zoomTimes, orientation, outside]);
  const whole = await sceneAt(url);
  if (looked?.key !== key) {
    await pause();
    looked = { key, view: viewScene(whole, digitallyZoomed(OPTICS[lens], zoomTimes), orientation, outside) };
  }
  return looked;
}

/** Plates as the loupe last looked at them: defocus takes longer than the window itself. */
let focused: { key: string; plates: FocusedPlates } | undefined;

/** What the last frame was exposed from: that of a set of frames, or of the next press, is mostly the same. */
let staged: { key: string; stage: CaptureStage; shared: boolean } | undefined;

/** Workers beside this one that expose stretches of its captures. */
const mates = new Map<string, Mate>();

/** @param gone rejects when the worker is of no more use */
function mateAt(port: MessagePort, gone: Promise<never>): Mate {
  const worker = Comlink.wrap<BandsApi>(port);
  /** What it has taken over. */
  let has: CaptureStage | undefined;
  return {
    expose: async (stage, order, steadiness, stretch, data) => {
      if (has !== stage) await Promise.race([gone, worker.take(stage.plates, stage.rows.longSide)]);
      has = stage;
      await Promise.race([gone, worker.expose(order, steadiness, stretch, data)]);
    },
  };
}

/** How each hand is told that its worker is gone, by the worker's name. */
const leaving = new Map<string, () => void>();

/** Ids of frames that were being read out and are not wanted any more. */
const left = new Set<string>();

const api = {
  ...watched(),

  /** Loads the scene ahead of the first press. */
  async prepare(scene: string, lens: LensId) {
    await sceneAt(sceneUrl(scene, lens));
  },

  /** A worker that exposes stretches beside this one, by a name of its own; in place of one that had the name before. */
  async join(name: string, port: MessagePort) {
    // Without memory that is shared there is nothing that it could do.
    if (!crossOriginIsolated || typeof SharedArrayBuffer === 'undefined') return;
    leaving.get(name)?.();
    const gone = new Promise<never>((_, reject) =>
      leaving.set(name, () => reject(new Error(`${name} is gone`))),
    );
    gone.catch(() => undefined);
    mates.set(name, mateAt(port, gone));
  },

  /** That worker is gone. */
  async part(name: string) {
    leaving.get(name)?.();
    leaving.delete(name);
    mates.delete(name);
  },

  /** Makes the files of a latent frame. @throws Error with a message for people when they cannot be made, or nobody wants them any more */
  async readOut(latent: Latent, onProgress: (stage: TakeStage, share: number) => void): Promise<TakenFrame> {
    left.delete(latent.id);
    // Of its kind: the store has checked it, and the queue goes by kinds.
    const frame = await taken(exposedOf(latent as LatentExposure), (stage, share) => {
      if (left.has(latent.id)) throw new Error('Nobody wants this frame any more');
      onProgress(stage, share);
    });
    const buffers = [...frame.files.map(({ bytes }) => bytes), frame.thumbnailJpeg];
    return Comlink.transfer(frame, [...new Set(buffers.map((b) => b.buffer as ArrayBuffer))]);
  },

  /** Nobody wants the frame of that id any more. */
  async leave(id: string) {
    left.add(id);
  },

  /** The window of a capture at one pixel a site, as it will be: its blur, its noise, its brightness. */
  async loupe(ask: LoupeAsk, { scene, outside }: World): Promise<ImageBitmap> {
    const { lens, zoomTimes, orientation, focusM, settings } = ask;
    const camera = digitallyZoomed(OPTICS[lens], zoomTimes);
    const { shutterS: _, iso: __, ...ofLens } = settings;
    const { sensor } = camera;
    const whole = frameSize(camera, orientation, sensor.width);
    const window = windowAbout(ask.at, ask.width, ask.height, whole);
    const { key: viewKey, view } = await viewOf(scene, lens, zoomTimes, orientation, outside);
    const key = JSON.stringify([viewKey, window, focusM, ofLens]);
    if (focused?.key !== key) {
      const part = partFor(view, window, whole, focusM, LOUPE_MARGIN_SHARE);
      focused = { key, plates: focusedPlates(view, focusM, settings, part) };
    }
    const order = { ...ask, timeMs: 0, offsetMinutes: 0 };
    const steadiness = { support: outside.support, press: 0, sinceTouchS: 1 };
    const frame = captureWindow(focused.plates, sensor.width, window, order, steadiness);
    const rgba = new Uint8ClampedArray(window.width * window.height * 4);
    const region = { x: 0, y: 0, width: window.width, height: window.height };
    developRegion(frame, developerFor(printed(frame, ask.print)), region, rgba);
    const bitmap = await createImageBitmap(new ImageData(rgba, window.width, window.height));
    return Comlink.transfer(bitmap, [bitmap]);
  },
};

export type ExposerApi = typeof api;

/** An exposure as a frame whose file was read again and found to hold what was exposed. */
async function taken(
  { lensId, scene, outside, orientation, press }: Exposed,
  onProgress: (stage: TakeStage, share: number) => void,
): Promise<TakenFrame> {
  const { key: viewKey, view } = await viewOf(scene, lensId, 1, orientation, outside);
  const longSide = view.camera.sensor.width;
  const { shutterS: _, iso: __, compensationEv: ___, ...ofLens } = press.settings;
  const key = JSON.stringify([viewKey, press.focusM, ofLens]);
  // Its own from here on: while it pauses another may be begun, for which this one was cancelled.
  let from = staged?.key === key ? staged : undefined;
  if (!from) {
    // The one before is let go first: both would not be small.
    staged = undefined;
    await pause();
    from = { key, stage: captureStage(view, longSide, press.focusM, press.settings, true), shared: false };
  }
  if (mates.size > 0 && !from.shared) {
    await pause();
    from = { key, stage: sharedStage(from.stage), shared: true };
  }
  staged = from;
  const { stage, shared } = from;
  const options = { longSide, stage, compression: 'lossless-jpeg', encodeJpeg, onProgress, pause } as const;
  const { record, files, thumbnailJpeg, frame } = await shoot(view, press, {
    ...options,
    ...(shared && {
      expose: (of, order, steadiness, onShare) => exposedByAll(mates, of, order, steadiness, onShare, pause),
    }),
  });
  onProgress('verify', 0);
  await pause();
  const dng = files.find(({ format }) => format === 'dng');
  if (dng && !sameSamples(readDng(dng.bytes).data, frame.data))
    throw new Error('the file does not hold what was exposed');
  onProgress('verify', 1);
  return { record, files, thumbnailJpeg };
}

function sameSamples(a: Uint16Array, b: Uint16Array): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}

Comlink.expose(api);
