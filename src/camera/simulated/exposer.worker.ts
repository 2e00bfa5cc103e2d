// The exposer of the simulated cameras: takes sequences at full size, and shows pieces of captures before they are made.
import * as Comlink from 'comlink';
import type { Orientation } from '../../core/body/orientation';
import type { CameraColour } from '../../core/colour/camera';
import { readDng } from '../../core/dng/read';
import type { ExposureSettings } from '../../core/exposure/settings';
import { shoot } from '../../core/frame/shoot';
import type { FramePoint } from '../../core/meter/luminance-map';
import { developerFor, developRegion } from '../../core/raw/develop';
import { captureWindow } from '../../core/scene/capture';
import type { Outside } from '../../core/scene/outside';
import { digitallyZoomed } from '../../core/scene/digital-zoom';
import { frameSize, windowAbout } from '../../core/scene/framing';
import { focusedPlates, partFor, type FocusedPlates } from '../../core/scene/light-rows';
import { viewScene, type SceneView } from '../../core/scene/view';
import { OPTICS } from '../../core/sensor/cameras';
import type { LensId } from '../../core/sensor/simulated-camera';
import { isUnknown } from '../../core/units/known';
import { watched } from '../../workers/alive';
import { encodeJpeg } from '../../workers/encode-jpeg';
import type { Sequence, Shot, TakenFrame, TakeStage } from '../port';
import { sceneAt, sceneUrl } from './scene-shelf';
import type { World } from './world';

const DAY_S = 86_400;

/** A window of the capture that the finder's settings would make now, before the press. */
export interface LoupeAsk {
  readonly lens: LensId;
  readonly zoomTimes: number;
  readonly orientation: Orientation;
  readonly settings: ExposureSettings;
  readonly colour: CameraColour;
  readonly focusM: number;
  readonly seed: number;
  readonly clockS: number;
  /** Middle of the window, shares of the frame. */
  readonly at: FramePoint;
  /** Sites across and down. */
  readonly width: number;
  readonly height: number;
}

/** Of the plates beside the loupe's window whose light is taken along. */
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
  if (looked?.key !== key)
    looked = { key, view: viewScene(whole, digitallyZoomed(OPTICS[lens], zoomTimes), orientation, outside) };
  return looked;
}

/** Plates as the loupe last looked at them: defocus takes longer than the window itself. */
let focused: { key: string; plates: FocusedPlates } | undefined;

const api = {
  ...watched(),

  /** Loads the scene ahead of the first press. */
  async prepare(scene: string, lens: LensId) {
    await sceneAt(sceneUrl(scene, lens));
  },

  /** Takes the shots one after the other. @throws Error with a message for people when one cannot be made */
  async take(
    { shots, files }: Sequence,
    lens: LensId,
    world: World,
    onProgress: (shot: number, stage: TakeStage, share: number) => void,
    onFrame: (shot: number, frame: TakenFrame) => void,
  ): Promise<void> {
    const other = files.find((format) => format !== 'dng');
    if (other) throw new Error(`This camera does not write ${other.toUpperCase()}`);
    for (const [i, shot] of shots.entries()) {
      const frame = await taken(shot, lens, world, (stage, share) => onProgress(i, stage, share));
      const buffers = [...frame.files.map(({ bytes }) => bytes), frame.thumbnailJpeg];
      onFrame(i, Comlink.transfer(frame, [...new Set(buffers.map((b) => b.buffer as ArrayBuffer))]));
    }
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
    developRegion(frame, developerFor(frame), region, rgba);
    const bitmap = await createImageBitmap(new ImageData(rgba, window.width, window.height));
    return Comlink.transfer(bitmap, [bitmap]);
  },
};

export type ExposerApi = typeof api;

/** One shot as a frame whose file was read again and found to hold what was exposed. */
async function taken(
  shot: Shot,
  lens: LensId,
  { scene, outside }: World,
  onProgress: (stage: TakeStage, share: number) => void,
): Promise<TakenFrame> {
  const { orientation, settings, focusM, colour, forecast, press, sinceTouchS, ...rest } = shot;
  if (isUnknown(settings)) throw new Error(`It is not known what is exposed with: ${settings.unknown}`);
  if (isUnknown(focusM)) throw new Error(`It is not known where the lens is focused: ${focusM.unknown}`);
  const { view } = await viewOf(scene, lens, 1, orientation, outside);
  const { record, dng, thumbnailJpeg, frame } = await shoot(
    view,
    {
      ...rest,
      settings,
      focusM,
      steadiness: { support: outside.support, press, sinceTouchS },
      clockS: (shot.timeMs / 1000) % DAY_S,
      ...(colour && { colour }),
      ...(forecast && { forecast }),
    },
    { longSide: view.camera.sensor.width, compression: 'lossless-jpeg', encodeJpeg, onProgress },
  );
  onProgress('verify', 0);
  if (!sameSamples(readDng(dng).data, frame.data)) throw new Error('the file does not hold what was exposed');
  onProgress('verify', 1);
  return { record, files: [{ format: 'dng', bytes: dng }], thumbnailJpeg };
}

function sameSamples(a: Uint16Array, b: Uint16Array): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}

Comlink.expose(api);
