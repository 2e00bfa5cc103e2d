// A camera for pages under test: frames that the test paints, with what a track tells and takes as the test wants it. It takes the place of
// the browser's own before the page loads; everything behind getUserMedia is the browser's.
import type { Page } from 'puppeteer-core';
import { byId } from './browser';

export interface LentOptions {
  /** What the track says it can do, and where it stands. */
  readonly can?: object;
  readonly stands?: object;
  /** The name of the error that asking for it gives. */
  readonly refuses?: string;
  /** Exposure times are kept to multiples of this, as a device with coarse steps does, units of 100 µs. */
  readonly coarse?: number;
  /** False for a browser without streams of frames. */
  readonly streams?: boolean;
  /** A video that says it would tell of its pictures and does not; or one of which there are none, though it plays. */
  readonly silent?: 'callback' | 'pictures';
  /** Frames of four fields, each brighter than the one before (across, then down), coded as a device does. */
  readonly coded?: {
    readonly size: readonly [width: number, height: number];
    readonly visible: readonly [x: number, y: number, width: number, height: number];
    readonly shown: readonly [width: number, height: number];
    /** Clockwise, degrees. */
    readonly rotation?: number;
  };
}

/** What the page under test can be told and asked; it stands on `window.lent`. */
export interface Lent {
  /** As the camera is from when it is asked for next. */
  options: LentOptions;
  /** sRGB code of the frame; with noise, a code is drawn for each pixel from −noise to noise beside it. */
  grey: number;
  noise: number;
  /** How often the page asked for a camera. */
  asked: number;
  /** Constraints that it gave, the newest last. */
  readonly given: object[];
  readonly tracks: MediaStreamTrack[];
  /** The device is pulled out. */
  unplug(): void;
}

export async function lend(page: Page, options: LentOptions = {}): Promise<void> {
  await page.evaluateOnNewDocument(setUp, options);
}

function setUp(options: LentOptions): void {
  const [width, height] = [320, 240];
  const Streams = (window as { MediaStreamTrackProcessor?: unknown }).MediaStreamTrackProcessor;
  const lent: Lent = {
    options,
    grey: 118,
    noise: 0,
    asked: 0,
    given: [],
    tracks: [],
    unplug: () =>
      lent.tracks.forEach((track) => {
        track.stop();
        track.dispatchEvent(new Event('ended'));
      }),
  };
  Object.assign(window, { lent });
  // Stills of the stub would come from the frames all the same.
  Object.assign(window, { ImageCapture: undefined });
  /** In place of a track's own frames. */
  const codedFrames = ({
    size: [w, h],
    visible: [x, y, vw, vh],
    shown,
    rotation,
  }: Required<LentOptions>['coded']) => {
    const data = new Uint8Array((w * h * 3) / 2).fill(128);
    // BT.601 in limited range; what is not visible is black.
    data.fill(16, 0, w * h);
    for (let row = y; row < y + vh; row++)
      for (let half = 0; half < 2; half++) {
        const from = row * w + x + (half * vw) / 2;
        data.fill([70, 110, 150, 190][(row < y + vh / 2 ? 0 : 2) + half]!, from, from + vw / 2);
      }
    const frame = (timestamp: number) =>
      new VideoFrame(data, {
        ...{ format: 'I420', codedWidth: w, codedHeight: h, timestamp },
        visibleRect: { x, y, width: vw, height: vh },
        ...{ displayWidth: shown[0], displayHeight: shown[1], rotation },
      } as VideoFrameBufferInit);
    return class {
      readonly readable = new ReadableStream<VideoFrame>({
        pull: async (to) => {
          await new Promise((next) => setTimeout(next, 80));
          to.enqueue(frame(1000 * performance.now()));
        },
      });
    };
  };
  const { requestVideoFrameCallback } = HTMLVideoElement.prototype;
  const makeBitmap = window.createImageBitmap.bind(window) as (...of: unknown[]) => Promise<ImageBitmap>;
  window.createImageBitmap = (...of: unknown[]) =>
    lent.options.silent === 'pictures' && of[0] instanceof HTMLVideoElement
      ? Promise.reject(new DOMException('', 'InvalidStateError'))
      : makeBitmap(...of);
  const devices = navigator.mediaDevices;
  const device = { kind: 'videoinput', deviceId: 'lent', label: 'Lent camera', groupId: '' };
  devices.enumerateDevices = () => Promise.resolve([device as MediaDeviceInfo]);
  devices.getUserMedia = () => {
    lent.asked++;
    const { can = {}, stands = {}, refuses, coarse, streams = true, coded } = lent.options;
    const Processor = coded ? codedFrames(coded) : Streams;
    Object.assign(window, { MediaStreamTrackProcessor: streams ? Processor : undefined });
    HTMLVideoElement.prototype.requestVideoFrameCallback = lent.options.silent
      ? () => 0
      : requestVideoFrameCallback;
    const told = { deviceId: 'lent', ...stands } as Record<string, unknown>;
    if (refuses) return Promise.reject(new DOMException('', refuses));
    const canvas = document.createElement('canvas');
    Object.assign(canvas, { width, height });
    const context = canvas.getContext('2d')!;
    const image = context.createImageData(width, height);
    const pixels = new Uint32Array(image.data.buffer);
    const paint = () => {
      const code = () =>
        Math.max(0, Math.min(255, lent.grey + Math.round((2 * Math.random() - 1) * lent.noise)));
      for (let i = 0; i < pixels.length; i++) {
        const v = lent.noise > 0 ? code() : lent.grey;
        pixels[i] = 0xff000000 | (v << 16) | (v << 8) | v;
      }
      context.putImageData(image, 0, 0);
    };
    paint();
    const timer = setInterval(paint, 80);
    const stream = canvas.captureStream(12.5);
    const track = stream.getVideoTracks()[0]!;
    track.addEventListener('ended', () => clearInterval(timer));
    Object.defineProperty(track, 'label', { value: 'Lent camera' });
    track.getCapabilities = () => can as MediaTrackCapabilities;
    track.getSettings = () => ({ ...told }) as MediaTrackSettings;
    track.applyConstraints = (constraints) => {
      const asked = { ...(constraints?.advanced?.[0] as Record<string, unknown>) };
      lent.given.push(asked);
      if (coarse && typeof asked.exposureTime === 'number')
        asked.exposureTime = Math.round(asked.exposureTime / coarse) * coarse;
      Object.assign(told, asked);
      return Promise.resolve();
    };
    lent.tracks.push(track);
    return Promise.resolve(stream);
  };
}

export const lentOf = <T>(page: Page, ask: (lent: Lent) => T): Promise<T> =>
  page.evaluate(`(${ask.toString()})(window.lent)`) as Promise<T>;

/** Chooses the browser's camera in its panel, as a person does, and closes the panel again. */
export async function takeLent(page: Page): Promise<void> {
  await page.keyboard.press('x');
  await page.click(byId('more-tab-camera'));
  await page.click(byId('body-browser'));
  await page.keyboard.press('Escape');
  await page.waitForFunction((panel: string) => !document.querySelector(panel), {}, byId('more-tab'));
}

/** The simulated camera in place of the browser's, in the same way. */
export async function takeSimulated(page: Page): Promise<void> {
  await page.keyboard.press('x');
  await page.click(byId('more-tab-camera'));
  await page.click('[data-testid^="body-"]:first-of-type');
  await page.keyboard.press('Escape');
  await page.waitForFunction((panel: string) => !document.querySelector(panel), {}, byId('more-tab'));
}

/** Waits until the finder shows frames of the browser's camera. */
export async function lentLive(page: Page): Promise<void> {
  await page.waitForFunction(() => {
    const { scene = '', said = '' } = document.querySelector('canvas')?.dataset ?? {};
    return scene.startsWith('browser:') && Number(said) > 1;
  }, {});
}

/** Waits until the reading lies within a twentieth of a stop of this, and gives it. */
export async function readsAbout(page: Page, ev: number, within = 0.05): Promise<number> {
  await page.waitForFunction(
    (about: number, most: number) =>
      Math.abs(Number(document.querySelector('canvas')?.dataset.ev100) - about) <= most,
    {},
    ev,
    within,
  );
  return page.$eval('canvas', (canvas) => Number(canvas.dataset.ev100));
}
