// The darkroom's worker: takes captures from exposure to a verified file in the vault, and opens files to look at them.
import * as Comlink from 'comlink';
import { reportOf, type CheckReport } from '../core/dng/check';
import type { CameraColour } from '../core/colour/camera';
import { readDng, type DngRaw } from '../core/dng/read';
import type { FrameRecord } from '../core/frame/record';
import { shoot, type Press, type Stage } from '../core/frame/shoot';
import { developerFor, developReduced, developRegion, type Region } from '../core/raw/develop';
import { countSites } from '../core/raw/statistics';
import type { Outside } from '../core/scene/outside';
import { viewScene } from '../core/scene/view';
import type { FramePoint } from '../core/meter/luminance-map';
import { captureWindow } from '../core/scene/capture';
import { frameSize, windowAbout, type Orientation } from '../core/scene/framing';
import { focusedPlates, type FocusedPlates } from '../core/scene/light-rows';
import type { Steadiness } from '../core/scene/shake';
import { pictureHistogram, type PictureHistogram } from '../core/scopes/picture-histogram';
import { stopline, type Stopline } from '../core/scopes/stopline';
import type { RawImage } from '../core/sensor/raw-frame';
import { OPTICS } from '../core/sensor/cameras';
import type { LensId } from '../core/sensor/simulated-camera';
import { recordFromFile } from '../core/frame/recover';
import { openVault, STORE_IS_FULL } from '../vault/vault';
import { rawFrameOf } from '../core/dng/file-frame';
import { fetchWhole } from './fetch-whole';
import { sceneAt, sceneUrl } from './scene-shelf';

export type CaptureStage = Stage | 'store' | 'verify';

/** A press with the world it is made in. */
export type WorldPress = Press & {
  readonly scene: string;
  readonly lens: LensId;
  readonly orientation: Orientation;
  readonly outside: Outside;
};

/** A window of the capture that the finder's settings would make now, before the press. */
export interface LoupeAsk extends Pick<
  WorldPress,
  'scene' | 'lens' | 'orientation' | 'outside' | 'settings'
> {
  readonly colour: CameraColour;
  readonly focusM: number;
  readonly seed: number;
  readonly clockS: number;
  readonly steadiness: Steadiness;
  /** Middle of the window, shares of the frame. */
  readonly at: FramePoint;
  /** Sites across and down. */
  readonly width: number;
  readonly height: number;
}

export interface OpenedFile {
  readonly check: CheckReport;
  readonly stopline: Stopline;
}

export interface FitPicture {
  readonly bitmap: ImageBitmap;
  readonly histogram: PictureHistogram;
}

export type CaptureOutcome =
  | { readonly kind: 'saved'; readonly record: FrameRecord }
  | {
      readonly kind: 'unsaved';
      readonly record: FrameRecord;
      readonly dng: Uint8Array;
      readonly thumbnailJpeg: Uint8Array;
      readonly reason: string;
    };

/** What files without a record tell of their frames. */
export interface FoundRecords {
  /** Still to be checked by the schema. */
  readonly records: readonly { readonly id: string; readonly record: unknown }[];
  /** Files that could not be read, or tell nothing. */
  readonly unreadable: number;
}

const vault = openVault();
let opened: { id: string; frame: RawImage } | undefined;
/** Plates as the loupe last looked at them: defocus takes longer than the window itself. */
let focused: { key: string; plates: FocusedPlates } | undefined;

const api = {
  /** Loads the scene ahead of the first press. */
  async prepare(scene: string, lens: LensId) {
    await sceneAt(sceneUrl(scene, lens));
  },

  /**
   * Takes one frame. It is saved when the file in the store has been read back and found the same; when the store will not
   * have it, the file itself comes back so that it is not lost.
   * @throws Error with a message for people when there is no file to save
   */
  async capture(
    { scene, lens, orientation, outside, ...press }: WorldPress,
    onProgress: (stage: CaptureStage, share: number) => void,
  ): Promise<CaptureOutcome> {
    const view = viewScene(await sceneAt(sceneUrl(scene, lens)), OPTICS[lens], orientation, outside);
    const { record, dng, thumbnailJpeg, frame } = await shoot(view, press, {
      longSide: view.camera.sensor.width,
      compression: 'lossless-jpeg',
      encodeJpeg,
      onProgress,
    });
    return save({ record, dng, thumbnailJpeg }, frame.data, onProgress);
  },

  /** Saves a frame that the store would not have before. */
  async saveAgain(record: FrameRecord, dng: Uint8Array, thumbnailJpeg: Uint8Array): Promise<CaptureOutcome> {
    return save({ record, dng, thumbnailJpeg }, readDng(dng).data, () => undefined);
  },

  /** Removes what a cancelled capture had written. */
  async discard(id: string): Promise<void> {
    if ((await vault.orphans(null)).includes(id)) await vault.purge([id]);
  },

  /** Makes the records again of frames that were stored whole when their page closed, but had none yet. */
  async recover(): Promise<FoundRecords> {
    // Whoever writes holds the lock: when it is free, nobody does.
    return alone((free) => recordsOfOrphans(free ? null : Date.now()));
  },

  /** The window of a capture at one pixel a site, as it will be: its blur, its noise, its brightness. */
  async loupe(ask: LoupeAsk): Promise<ImageBitmap> {
    const { scene, lens, orientation, outside, focusM, settings } = ask;
    const url = sceneUrl(scene, lens);
    const { apertureN, filterStops } = settings;
    const key = JSON.stringify([url, lens, orientation, outside, focusM, apertureN, filterStops]);
    if (focused?.key !== key) {
      const view = viewScene(await sceneAt(url), OPTICS[lens], orientation, outside);
      focused = { key, plates: focusedPlates(view, focusM, settings) };
    }
    const { sensor } = OPTICS[lens];
    const whole = frameSize(OPTICS[lens], orientation, sensor.width);
    const window = windowAbout(ask.at, ask.width, ask.height, whole);
    const order = { ...ask, timeMs: 0, offsetMinutes: 0 };
    const frame = captureWindow(focused.plates, sensor.width, window, order, ask.steadiness);
    const rgba = new Uint8ClampedArray(window.width * window.height * 4);
    developRegion(
      frame,
      developerFor(frame),
      { x: 0, y: 0, width: window.width, height: window.height },
      rgba,
    );
    const bitmap = await createImageBitmap(new ImageData(rgba, window.width, window.height));
    return Comlink.transfer(bitmap, [bitmap]);
  },

  /** Opens a frame's file. @throws DngError when it is broken, Error when it is not there. */
  async open(id: string, place: FrameRecord['place']): Promise<OpenedFile> {
    const raw: DngRaw = readDng(await bytesOf(id, place));
    const frame = rawFrameOf(raw);
    opened = { id, frame };
    return { check: reportOf(raw), stopline: stopline(countSites(frame)) };
  },

  /** The opened frame, developed to fit into width × height. */
  async fit(id: string, width: number, height: number): Promise<FitPicture> {
    const { frame } = frameOf(id);
    const scale = Math.min(width / frame.width, height / frame.height, 0.5);
    const size = {
      width: Math.max(1, Math.round(frame.width * scale)),
      height: Math.max(1, Math.round(frame.height * scale)),
    };
    const rgba = developReduced(frame, size.width, size.height) as Uint8ClampedArray<ArrayBuffer>;
    const histogram = pictureHistogram(rgba);
    const bitmap = await createImageBitmap(new ImageData(rgba, size.width, size.height));
    return Comlink.transfer({ bitmap, histogram }, [bitmap]);
  },

  /** A region of the opened frame at one picture pixel a site. */
  async region(id: string, region: Region): Promise<ImageBitmap> {
    const { frame } = frameOf(id);
    const rgba = new Uint8ClampedArray(region.width * region.height * 4);
    developRegion(frame, developerFor(frame), region, rgba);
    const bitmap = await createImageBitmap(new ImageData(rgba, region.width, region.height));
    return Comlink.transfer(bitmap, [bitmap]);
  },

  /** The file itself, for download. */
  async file(id: string, place: FrameRecord['place']): Promise<Uint8Array> {
    const bytes = await bytesOf(id, place);
    return Comlink.transfer(bytes, [bytes.buffer as ArrayBuffer]);
  },
};

export type DarkroomWorkerApi = typeof api;

const WRITING = 'velmo-writing';

/** While frames are written, others must not take them for remains. */
function whileWriting<T>(write: () => Promise<T>): Promise<T> {
  const { locks } = navigator as { locks?: LockManager };
  return locks ? (locks.request(WRITING, { mode: 'shared' }, write) as Promise<T>) : write();
}

/** Calls back with true when nobody writes, and nobody begins until it is done. */
function alone<T>(act: (free: boolean) => Promise<T>): Promise<T> {
  const { locks } = navigator as { locks?: LockManager };
  if (!locks) return act(false);
  return locks.request(WRITING, { ifAvailable: true }, (lock) => act(lock !== null)) as Promise<T>;
}

interface Taken {
  readonly record: FrameRecord;
  readonly dng: Uint8Array;
  readonly thumbnailJpeg: Uint8Array;
}

/** Writes a frame, reads it back and compares every sample; the frame itself comes back when the store will not have it. */
async function save(
  { record, dng, thumbnailJpeg }: Taken,
  samples: Uint16Array,
  onProgress: (stage: CaptureStage, share: number) => void,
): Promise<CaptureOutcome> {
  try {
    await whileWriting(async () => {
      onProgress('store', 0);
      await vault.putFile(record.id, dng, thumbnailJpeg);
      onProgress('verify', 0);
      const back = readDng(await vault.file(record.id));
      if (!sameSamples(back.data, samples)) throw new Error('the stored file does not match the exposure');
      await vault.putRecord(record);
      onProgress('verify', 1);
    });
    return { kind: 'saved', record };
  } catch (error) {
    const reason = await reasonOf(error);
    return Comlink.transfer({ kind: 'unsaved', record, dng, thumbnailJpeg, reason }, [
      dng.buffer as ArrayBuffer,
      thumbnailJpeg.buffer as ArrayBuffer,
    ]);
  }
}

/** A store this full refuses without always saying why. */
const NEARLY_FULL = 0.9;

/** Why the store refused, in words. Browsers name a full store in the error's name, its message, or not at all. */
async function reasonOf(error: unknown): Promise<string> {
  const { name = '', message = '' } = (error ?? {}) as Partial<Error>;
  if (/quota/i.test(name + message)) return STORE_IS_FULL;
  if (message !== '') return message;
  const { usage = 0, quota = Infinity } =
    (await navigator.storage?.estimate?.().catch(() => undefined)) ?? {};
  return usage > NEARLY_FULL * quota ? STORE_IS_FULL : 'the browser refused to store it and gave no reason';
}

async function recordsOfOrphans(nowMs: number | null): Promise<FoundRecords> {
  const records: { id: string; record: unknown }[] = [];
  let unreadable = 0;
  for (const id of await vault.orphans(nowMs)) {
    try {
      const bytes = await vault.file(id);
      const record = recordFromFile(readDng(bytes), bytes.length);
      if (record === undefined) unreadable++;
      else records.push({ id, record });
    } catch {
      unreadable++;
    }
  }
  return { records, unreadable };
}

async function bytesOf(id: string, place: FrameRecord['place']): Promise<Uint8Array> {
  if (place.kind === 'stored') return vault.file(id);
  return fetchWhole(place.url, { what: 'The file' });
}

function frameOf(id: string): { frame: RawImage } {
  if (opened?.id !== id) throw new Error('This frame is not open');
  return opened;
}

async function encodeJpeg(rgba: Uint8ClampedArray, width: number, height: number): Promise<Uint8Array> {
  const canvas = new OffscreenCanvas(width, height);
  canvas
    .getContext('2d')
    ?.putImageData(new ImageData(rgba as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0);
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.88 });
  if (blob.type !== 'image/jpeg') throw new Error('This browser cannot write JPEG');
  return new Uint8Array(await blob.arrayBuffer());
}

function sameSamples(a: Uint16Array, b: Uint16Array): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}

Comlink.expose(api);
