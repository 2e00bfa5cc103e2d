// The browser's own cameras behind the port: devices and tracks are of the page, frames are looked at in a worker. The person is asked for
// leave when the finder is opened, and the device is let go when it is closed.
import * as Comlink from 'comlink';
import type { Body, Optic } from '../../core/body/body';
import type { WhitePoint } from '../../core/colour/temperature';
import type { SettingValues } from '../../core/setting/settings';
import { eventSource, type EventSource } from '../../workers/events';
import { hire, PATIENCE_MS, WorkerGone, WorkerReplaced, type Hired } from '../../workers/hire';
import type { Order } from '../order';
import type { Camera, CameraEvent, Sequence, Shot, ShotEvent } from '../port';
import type { Report } from '../report';
import {
  capabilities,
  GONE,
  listOptics,
  NO_PICTURE,
  openDevice,
  openingTrouble,
  unopened,
  type Opened,
} from './device';
import type { LookerApi } from './looker.worker';
import { pump, streamOfFrames } from './frames';
import { takeStill } from './still';
import {
  capabilitiesOf,
  constraintsOf,
  exposureOf,
  standingOf,
  type TrackCapabilities,
  type TrackSettings,
} from './track-settings';

/** What a device does by itself is looked up this often. */
const LOOK_MS = 250;
/** A JPEG of 12 MP. */
const TYPICAL_FRAME_BYTES = 5e6;

/** What is open: one finder and, once the person has agreed, one device. */
interface Session {
  readonly worker: Hired<LookerApi>;
  readonly events: EventSource<CameraEvent>;
  readonly signal: AbortSignal;
  opened?: Opened;
  /** What the person chose when the device had no id yet. */
  alias?: string;
  /** The settings that the track was last given. */
  given?: string;
  /** An optic that did not open, or is gone: it is asked for again by the person only. */
  troubled?: string;
  /** What it could do when it was last looked up. */
  can?: string;
  stopPump?: () => void;
  /** The worker has come and was given its canvas: a picture that does not come now is the device's fault. */
  looks?: boolean;
  /** Ends what was opened and gives no picture. */
  waits?: ReturnType<typeof setTimeout>;
}

export function browserCamera(): Camera {
  let optics: readonly Optic[] = unopened();
  let session: Session | undefined;
  let order: Order | undefined;
  let carrying = false;

  const body = (): Body => ({
    id: 'browser',
    name: 'This device’s camera',
    says: 'What the browser lends: a finished picture, no raw. It asks for your leave.',
    optics,
    evidence: 'picture',
    megapixels: { unknown: 'the browser does not tell it' },
    typicalFrameBytes: TYPICAL_FRAME_BYTES,
    arrangedWorld: false,
  });

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

  async function follow(now: Session, to: Order): Promise<void> {
    if (now.troubled === to.optic) return;
    now.troubled = undefined;
    try {
      if (!now.opened || (to.optic !== now.opened.id && to.optic !== now.alias))
        await openTrack(now, to.optic);
      if (now.signal.aborted || !now.opened) return;
      const { track } = now.opened;
      const key = JSON.stringify([to.settings, to.lockedEv100 !== null]);
      if (now.given !== key) {
        const asked = constraintsOf(
          to.settings,
          capabilities(track),
          to.lockedEv100 !== null,
          settingsOf(track),
        );
        now.given = key;
        if (Object.keys(asked).length > 0) {
          await track
            .applyConstraints({ advanced: [asked as MediaTrackConstraintSet] })
            .catch((error: unknown) => {
              now.events.push({ kind: 'note', message: `The camera refused a setting: ${messageOf(error)}` });
            });
        }
      }
      tell(now, to);
    } catch (error) {
      if (now.signal.aborted) return;
      now.troubled = to.optic;
      now.events.push({ kind: 'fault', message: openingTrouble(error) });
    }
  }

  function tell(now: Session, to: Order): void {
    if (!now.opened) return;
    const { track, id } = now.opened;
    const told = settingsOf(track);
    const can = capabilities(track);
    const asked = {
      order: to,
      whiteOnPicture: whiteOnPictureOf(to.settings, can),
      optic: id,
      view: id,
      standing: standingOf(told, can),
      exposure: exposureOf(told),
    };
    now.worker.call((api) => api.set(asked)).catch(() => undefined);
  }

  async function openTrack(now: Session, id: string): Promise<void> {
    close(now);
    const opened = await openDevice(id);
    if (now.signal.aborted) {
      stop(opened);
      return;
    }
    now.opened = opened;
    now.alias = id;
    now.given = undefined;
    opened.track.addEventListener('ended', () => {
      if (now.opened !== opened) return;
      now.worker.call((api) => api.ended(GONE)).catch(() => undefined);
      now.troubled = order?.optic;
      close(now);
      now.events.push({ kind: 'fault', message: GONE });
    });
    awaitPicture(now, opened);
    await relist(now);
    const frames = streamOfFrames(opened.track);
    if (frames) {
      now.worker
        .call((api) => api.frames(Comlink.transfer(frames, [frames as unknown as Transferable])))
        .catch((error: unknown) => broken(now, error));
    } else {
      now.stopPump = pump(
        opened.stream,
        (bitmap) => now.worker.call((api) => api.picture(Comlink.transfer(bitmap, [bitmap]))),
        (error) => broken(now, error),
      );
    }
  }

  /** Tells of a device that is open and gives no picture. A finder that rests, or has not come yet, shows none of anybody's. */
  function awaitPicture(now: Session, opened: Opened): void {
    now.waits = setTimeout(() => {
      if (now.opened !== opened) return;
      if (!order?.running || !now.looks) return awaitPicture(now, opened);
      now.troubled = order.optic;
      close(now);
      now.events.push({ kind: 'fault', message: NO_PICTURE });
    }, PATIENCE_MS);
  }

  async function relist(now: Session): Promise<void> {
    if (!now.opened) return;
    now.can = JSON.stringify(capabilitiesOf(capabilities(now.opened.track)));
    optics = await listOptics(now.opened, optics);
    if (now.opened) now.events.push({ kind: 'bodies', optic: now.opened.id });
  }

  function broken(now: Session, error: unknown): void {
    // One that broke or was closed is told of elsewhere.
    if (error instanceof WorkerGone || now.signal.aborted) return;
    now.events.push({ kind: 'fault', message: `The finder broke: ${messageOf(error)}` });
  }

  return {
    get bodies() {
      return [body()];
    },

    apply: (next) => {
      order = next;
      void carryOut();
    },

    open: async function* (canvas, signal) {
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
      const mine: Session = { worker, events, signal };
      if (signal.aborted) return;
      session = mine;
      const onDevices = () => void relist(mine);
      const devices = (navigator as { mediaDevices?: MediaDevices }).mediaDevices;
      devices?.addEventListener('devicechange', onDevices);
      // What the device does by itself is told with the frames that follow.
      const looking = setInterval(() => {
        if (!order || !mine.opened || carrying) return;
        // Some browsers learn only after a while what a device can do.
        const can = JSON.stringify(capabilitiesOf(capabilities(mine.opened.track)));
        if (mine.can !== can) {
          mine.given = undefined;
          void relist(mine).then(carryOut);
        } else tell(mine, order);
      }, LOOK_MS);
      const late = setTimeout(
        () => events.push({ kind: 'fault', message: 'The finder does not come' }),
        PATIENCE_MS,
      );
      signal.addEventListener(
        'abort',
        () => {
          clearTimeout(late);
          clearInterval(looking);
          devices?.removeEventListener('devicechange', onDevices);
          close(mine);
          worker.dismiss('The finder was closed');
          if (session === mine) session = undefined;
          events.end();
        },
        { once: true },
      );
      const offscreen = canvas.transferControlToOffscreen();
      void worker
        .ready()
        .finally(() => clearTimeout(late))
        .then(() =>
          worker.call((api) =>
            api.open(
              Comlink.transfer(offscreen, [offscreen]),
              Comlink.proxy((report: Report) => {
                // One that was under way when the device ended would make a dead finder look alive.
                if (!mine.opened) return;
                clearTimeout(mine.waits);
                events.push({ kind: 'report', report });
              }),
            ),
          ),
        )
        .then(() => (mine.looks = true))
        .catch((error: unknown) => broken(mine, error));
      // What was ordered before the finder was opened.
      void carryOut();
      yield* events.read();
    },

    take: (sequence, { cancel }) => {
      if (!session?.opened) throw new Error(session?.troubled ? GONE : 'The camera is not open');
      return take(session, session.opened, sequence, cancel);
    },
  };
}

function close(session: Session): void {
  clearTimeout(session.waits);
  session.stopPump?.();
  session.stopPump = undefined;
  if (session.opened) stop(session.opened);
  session.opened = undefined;
}

function stop({ stream }: Opened): void {
  for (const track of stream.getTracks()) track.stop();
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

/** White that has to be put on the picture; null where the device makes it, or the person left it to the device. */
function whiteOnPictureOf(
  { white }: Partial<Pick<SettingValues, 'white'>>,
  can: TrackCapabilities,
): WhitePoint | null {
  return white && !white.auto && capabilitiesOf(can).white === undefined
    ? { kelvin: white.exact, tint: white.tint }
    : null;
}

function settingsOf(track: MediaStreamTrack): TrackSettings {
  return track.getSettings() as TrackSettings;
}

function messageOf(error: unknown): string {
  return error instanceof Error ? error.message || error.name : String(error);
}
