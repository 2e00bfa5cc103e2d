// The darkroom's worker: takes captures from exposure to a verified file in the vault, and opens files to look at them.
import * as Comlink from 'comlink';
import { reportOf, type CheckReport } from '../core/dng/check';
import { readDng, type DngRaw } from '../core/dng/read';
import type { FrameRecord } from '../core/frame/record';
import { shoot, type Press, type Stage } from '../core/frame/shoot';
import { developerFor, developReduced, developRegion, type Region } from '../core/raw/develop';
import { countSites } from '../core/raw/statistics';
import type { Outside } from '../core/scene/outside';
import { viewScene } from '../core/scene/view';
import type { Orientation } from '../core/scene/framing';
import { pictureHistogram, type PictureHistogram } from '../core/scopes/picture-histogram';
import { stopline, type Stopline } from '../core/scopes/stopline';
import type { RawFrame } from '../core/sensor/raw-frame';
import { OPTICS } from '../core/sensor/cameras';
import type { LensId } from '../core/sensor/simulated-camera';
import { openVault } from '../vault/vault';
import { rawFrameOf } from '../core/dng/raw-frame-of';
import { sceneAt, sceneUrl } from './scene-shelf';

export type CaptureStage = Stage | 'store' | 'verify';

/** A press with the world it is made in. */
export type WorldPress = Press & {
  readonly scene: string;
  readonly lens: LensId;
  readonly orientation: Orientation;
  readonly outside: Outside;
};

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
      readonly reason: string;
    };

const vault = openVault();
let opened: { id: string; frame: RawFrame } | undefined;

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
    try {
      onProgress('store', 0);
      await vault.putFile(record.id, dng, thumbnailJpeg);
      onProgress('verify', 0);
      const back = readDng(await vault.file(record.id));
      if (!sameSamples(back.data, frame.data)) throw new Error('The stored file does not match the exposure');
      await vault.putRecord(record);
      onProgress('verify', 1);
      return { kind: 'saved', record };
    } catch (error) {
      const reason = error instanceof Error ? error.message : String(error);
      return Comlink.transfer({ kind: 'unsaved', record, dng, reason }, [dng.buffer as ArrayBuffer]);
    }
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

async function bytesOf(id: string, place: FrameRecord['place']): Promise<Uint8Array> {
  if (place.kind === 'stored') return vault.file(id);
  const response = await fetch(place.url);
  if (!response.ok) throw new Error(`The file did not load (${response.status})`);
  return new Uint8Array(await response.arrayBuffer());
}

function frameOf(id: string): { frame: RawFrame } {
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
