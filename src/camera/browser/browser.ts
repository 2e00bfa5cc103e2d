// The browser's own cameras behind the port: devices and tracks are of the page, frames are looked at in a worker. The person is asked for
// leave when the finder is opened, and the device is let go when it is closed.
import * as Comlink from 'comlink';
import type { Body, Optic } from '../../core/body/body';
import { eventSource } from '../../workers/events';
import { hire, PATIENCE_MS, WorkerReplaced, type Hired } from '../../workers/hire';
import type { Order } from '../order';
import type { Camera, CameraEvent, Sequence, Shot, ShotEvent } from '../port';
import type { Report } from '../report';
import { capabilities, GONE, listOptics, unopened, type Opened } from './device';
import type { LookerApi } from './looker.worker';
import {
  abilitiesOf,
  broken,
  close,
  follow,
  relist,
  settingsOf,
  tell,
  whiteOnPictureOf,
  type Session,
} from './session';
import { takeStill } from './still';
import { exposureOf, standingOf } from './track-settings';

/** What a device does by itself is looked up this often. */
const LOOK_MS = 250;
/** A JPEG of 12 MP. */
const TYPICAL_FRAME_BYTES = 5e6;

function bodyOf(optics: readonly Optic[]): Body {
  return {
    id: 'browser',
    name: 'This device’s camera',
    says: 'What the browser lends: a finished picture, no raw. It asks for your leave.',
    optics,
    evidence: 'picture',
    megapixels: { unknown: 'the browser does not tell it' },
    typicalFrameBytes: TYPICAL_FRAME_BYTES,
    arrangedWorld: false,
  };
}

export function browserCamera(): Camera {
  let optics: readonly Optic[] = unopened();
  let session: Session | undefined;
  let order: Order | undefined;
  let carrying = false;

  /** Carries out the newest order; what was ordered meanwhile comes after. */
  async function carryOut(): Promise<void> {
    if (carrying) return;
    carrying = true;
    try {
      for (let done: Order | undefined; order && session && done !== order;) {
        done = order;
        await follow(session, order);
      }
    } finally {
      carrying = false;
    }
  }

  /** What the device does by itself is told with the frames that follow. */
  function lookUp(now: Session): void {
    if (!order || !now.opened || carrying) return;
    if (now.can === abilitiesOf(now.opened)) return tell(now, order);
    // Some browsers learn only after a while what a device can do.
    now.given = undefined;
    void relist(now).then(carryOut);
  }

  function begin(signal: AbortSignal): Session {
    const events = eventSource<CameraEvent>((a, b) => a.kind === b.kind && a.kind === 'report');
    const worker = hire<LookerApi>({
      what: 'The finder',
      start: () => new Worker(new URL('./looker.worker.ts', import.meta.url), { name: 'looker' }),
      working: () => mine.opened !== undefined && (order?.running ?? false),
      onFault: (error) => {
        close(mine);
        events.push({ kind: 'fault', message: error.message, again: error instanceof WorkerReplaced });
      },
    });
    const mine: Session = {
      ...{ worker, events, signal },
      order: () => order,
      onOptics: async (opened) => void (optics = await listOptics(opened, optics)),
    };
    return mine;
  }

  return {
    get bodies() {
      return [bodyOf(optics)];
    },

    apply: (next) => {
      order = next;
      void carryOut();
    },

    open: async function* (canvas, signal) {
      if (signal.aborted) return;
      const mine = begin(signal);
      session = mine;
      const onDevices = () => void relist(mine);
      const devices = (navigator as { mediaDevices?: MediaDevices }).mediaDevices;
      devices?.addEventListener('devicechange', onDevices);
      const looking = setInterval(() => lookUp(mine), LOOK_MS);
      const told = draw(mine, canvas);
      signal.addEventListener(
        'abort',
        () => {
          told();
          clearInterval(looking);
          devices?.removeEventListener('devicechange', onDevices);
          close(mine);
          mine.worker.dismiss('The finder was closed');
          if (session === mine) session = undefined;
          mine.events.end();
        },
        { once: true },
      );
      // What was ordered before the finder was opened.
      void carryOut();
      yield* mine.events.read();
    },

    take: (sequence, { cancel }) => {
      if (!session?.opened) throw new Error(session?.troubled ? GONE : 'The camera is not open');
      return take(session, session.opened, sequence, cancel);
    },
  };
}

/** Has the looker draw on a canvas, and tells when it does not come. Returns a function that leaves that untold. */
function draw(mine: Session, canvas: HTMLCanvasElement): () => void {
  const { worker, events } = mine;
  const late = setTimeout(
    () => events.push({ kind: 'fault', message: 'The finder does not come' }),
    PATIENCE_MS,
  );
  const onReport = (report: Report) => {
    // One that was under way when the device ended would make a dead finder look alive.
    if (!mine.opened) return;
    clearTimeout(mine.waits);
    events.push({ kind: 'report', report });
  };
  const offscreen = canvas.transferControlToOffscreen();
  void worker
    .ready()
    .finally(() => clearTimeout(late))
    .then(() =>
      worker.call((api) => api.open(Comlink.transfer(offscreen, [offscreen]), Comlink.proxy(onReport))),
    )
    .then(() => (mine.looks = true))
    .catch((error: unknown) => broken(mine, error));
  return () => clearTimeout(late);
}

async function* take(
  { worker }: Session,
  { track }: Opened,
  { shots, files }: Sequence,
  signal: AbortSignal,
): AsyncGenerator<ShotEvent, void, void> {
  for (const [i, shot] of shots.entries()) {
    const events = eventSource<ShotEvent>((a, b) => a.kind === 'progress' && b.kind === 'progress');
    const onAbort = () => events.end(new DOMException('Cancelled', 'AbortError'));
    if (signal.aborted) throw new DOMException('Cancelled', 'AbortError');
    signal.addEventListener('abort', onAbort, { once: true });
    shotOf(worker, track, shot, files.includes('dng'), (stage, share) =>
      events.push({ kind: 'progress', shot: i, stage, share }),
    ).then(
      (frame) => {
        events.push({ kind: 'frame', shot: i, frame });
        events.end();
      },
      (error: unknown) => events.end(error ?? new Error('The capture failed')),
    );
    try {
      yield* events.read();
    } finally {
      signal.removeEventListener('abort', onAbort);
    }
  }
}

async function shotOf(
  worker: Hired<LookerApi>,
  track: MediaStreamTrack,
  { facts }: Shot,
  linear: boolean,
  onProgress: (stage: 'expose' | 'picture' | 'encode' | 'verify', share: number) => void,
) {
  onProgress('expose', 0);
  const told = settingsOf(track);
  const { shutterS, iso } = exposureOf(told);
  const can = capabilities(track);
  const { focus, white, compensationEv } = standingOf(told, can);
  const still = await takeStill(track);
  if (track.readyState === 'ended') throw new Error(GONE);
  const made = {
    ...(shutterS === undefined ? null : { shutterS }),
    ...(iso === undefined ? null : { iso }),
    ...(focus === undefined ? null : { focusM: focus }),
    ...(white === undefined ? null : { kelvin: white }),
    ...(compensationEv === undefined ? null : { compensationEv }),
  };
  const ask = {
    ...{ facts, made, still },
    device: track.label || 'Camera',
    pictures: linear ? Math.max(1, facts.set.pictures ?? 1) : 0,
    whiteOnPicture: whiteOnPictureOf(facts.set, can),
  };
  return worker.call((api) => api.take(ask, Comlink.proxy(onProgress)));
}
