// A finder that is open on a device of the browser: the device follows what is ordered, its frames go to the worker that looks at them, and what
// goes wrong is told.
import * as Comlink from 'comlink';
import type { WhitePoint } from '../../core/colour/temperature';
import type { SettingValues } from '../../core/setting/settings';
import type { EventSource } from '../../workers/events';
import { PATIENCE_MS, WorkerGone, type Hired } from '../../workers/hire';
import type { Order } from '../order';
import type { CameraEvent } from '../port';
import { capabilities, GONE, NO_PICTURE, openDevice, openingTrouble, type Opened } from './device';
import { pump, streamOfFrames } from './frames';
import type { LookerApi } from './looker.worker';
import {
  capabilitiesOf,
  constraintsOf,
  exposureOf,
  standingOf,
  type TrackCapabilities,
  type TrackSettings,
} from './track-settings';

/** What is open: one finder and, once the person has agreed, one device. */
export interface Session {
  readonly worker: Hired<LookerApi>;
  readonly events: EventSource<CameraEvent>;
  readonly signal: AbortSignal;
  /** What was ordered last; undefined before anything was. */
  readonly order: () => Order | undefined;
  /** Told when it is known what devices there are: the one that is open, and all. */
  readonly onOptics: (opened: Opened) => Promise<void>;
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

/** Carries an order out: opens its device, asks of it what it can do, and tells the looker. */
export async function follow(now: Session, to: Order): Promise<void> {
  if (now.troubled === to.optic) return;
  now.troubled = undefined;
  try {
    if (!now.opened || (to.optic !== now.opened.id && to.optic !== now.alias)) await openTrack(now, to.optic);
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

/** Tells the looker what is asked, and what the device does by itself. */
export function tell(now: Session, to: Order): void {
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

/** Lets go of what is open, opens a device and has its frames looked at. */
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
    now.troubled = now.order()?.optic;
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
    const order = now.order();
    if (!order?.running || !now.looks) return awaitPicture(now, opened);
    now.troubled = order.optic;
    close(now);
    now.events.push({ kind: 'fault', message: NO_PICTURE });
  }, PATIENCE_MS);
}

/** Looks up what devices there are, and what the one that is open can do. */
export async function relist(now: Session): Promise<void> {
  if (!now.opened) return;
  now.can = abilitiesOf(now.opened);
  await now.onOptics(now.opened);
  if (now.opened) now.events.push({ kind: 'bodies', optic: now.opened.id });
}

export function broken(now: Session, error: unknown): void {
  // One that broke or was closed is told of elsewhere.
  if (error instanceof WorkerGone || now.signal.aborted) return;
  now.events.push({ kind: 'fault', message: `The finder broke: ${messageOf(error)}` });
}

/** What a device can do, to be compared. */
export function abilitiesOf({ track }: Opened): string {
  return JSON.stringify(capabilitiesOf(capabilities(track)));
}

/** Lets the device go. */
export function close(session: Session): void {
  clearTimeout(session.waits);
  session.stopPump?.();
  session.stopPump = undefined;
  if (session.opened) stop(session.opened);
  session.opened = undefined;
}

function stop({ stream }: Opened): void {
  for (const track of stream.getTracks()) track.stop();
}

/** White that has to be put on the picture; null where the device makes it, or the person left it to the device. */
export function whiteOnPictureOf(
  { white }: Partial<Pick<SettingValues, 'white'>>,
  can: TrackCapabilities,
): WhitePoint | null {
  return white && !white.auto && capabilitiesOf(can).white === undefined
    ? { kelvin: white.exact, tint: white.tint }
    : null;
}

export function settingsOf(track: MediaStreamTrack): TrackSettings {
  return track.getSettings() as TrackSettings;
}

function messageOf(error: unknown): string {
  return error instanceof Error ? error.message || error.name : String(error);
}
