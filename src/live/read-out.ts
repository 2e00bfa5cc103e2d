// Reads out what waits: latent frames one after the other, oldest first, in the background while the next are taken; one tab at a time. What was waiting when
// a page closed is read out by the next. A frame leaves its record behind before its exposure is given up: none is lost, none is there twice.
import { create } from 'zustand';
import type { TakeStage } from '../camera/port';
import type { Latent } from '../core/frame/queue';
import { onFreed, onOthersChange, rollChanged, waitingFrames } from '../library/roll';
import { noteRefusal } from '../library/room';
import { rollKeeper } from '../library/staff';
import { WorkerGone, WorkerLate } from '../workers/hire';
import { STORE_IS_FULL } from '../workers/save-outcome';
import { makerOf } from './makers';
import { useUnsaved } from './unsaved';

/** The lock that is the turn of a tab. */
const TURN = 'velmo-read-out';

/** Where it is told under that nothing can be read out at all. */
const ROLL_FAILED = 'roll';

export interface ReadOut {
  /** What is read out in this page now; null while nothing is, or another tab does it. */
  readonly now: { readonly id: string; readonly stage: TakeStage | 'store'; readonly share: number } | null;
  /** True from the press until nothing waits that could be read out. */
  readonly busy: boolean;
  /** Why frames of those ids were not read out, or none is; they go on waiting. */
  readonly failed: Readonly<Record<string, string>>;
  /** Reads those that failed out again. */
  again(): void;
}

export const useReadOut = create<ReadOut>()((set) => ({
  now: null,
  busy: false,
  failed: {},
  again: () => {
    set({ failed: {} });
    void readOutWaiting();
  },
}));

/** Of the whole read-out, by about what each stage takes. */
export function shareOf({ stage, share }: NonNullable<ReadOut['now']>): number {
  const [from, to] = COURSE[stage];
  return from + (to - from) * share;
}

const COURSE: Readonly<Record<TakeStage | 'store', readonly [number, number]>> = {
  expose: [0, 0.65],
  picture: [0.65, 0.8],
  encode: [0.8, 0.9],
  verify: [0.9, 0.95],
  store: [0.95, 1],
};

const set = useReadOut.setState;
/** Something came to wait while it was looked whether anything does. */
let more = false;
let current: { readonly id: string; readonly controller: AbortController } | undefined;

/** Reads out all that waits; returns when nothing does, or what does cannot be read out now. */
export async function readOutWaiting(): Promise<void> {
  more = true;
  if (useReadOut.getState().busy) return;
  const { [ROLL_FAILED]: _, ...failed } = useReadOut.getState().failed;
  set({ busy: true, failed });
  try {
    await inTurn(async () => {
      while (more) {
        more = false;
        for (let next = await nextFrame(); next; next = await nextFrame()) await readOut(next);
      }
    });
  } catch (error) {
    set({ failed: { ...useReadOut.getState().failed, [ROLL_FAILED]: words(error) } });
  } finally {
    set({ busy: false });
  }
}

/** Ends the read-out of a frame that nobody wants any more. */
export function leaveReadOut(ids: readonly string[]): void {
  if (current && ids.includes(current.id)) current.controller.abort();
}

/** The finder comes first when a page opens. */
const AFTER_MS = 1500;

/** Reads out what an earlier page left or another tab may leave, and what waits for room once there is some. Returns a function that ends it. */
export function keepReadingOut(): () => void {
  const look = () => void readOutWaiting();
  const timer = setTimeout(look, AFTER_MS);
  const stops = [
    onOthersChange(look),
    onFreed(() => useReadOut.getState().again()),
    useUnsaved.subscribe(({ frames }, before) => {
      if (frames.length === 0 && before.frames.length > 0) look();
    }),
  ];
  return () => {
    clearTimeout(timer);
    stops.forEach((stop) => stop());
  };
}

async function nextFrame(): Promise<Latent | undefined> {
  // A frame that could not be stored stays in the page's hands: the next ones would only join it there.
  if (useUnsaved.getState().frames.length > 0) return undefined;
  const { failed } = useReadOut.getState();
  return (await waitingFrames()).find(({ id }) => !(id in failed));
}

/** @param again false once its worker died: that may have been for another reason, twice it was not */
async function readOut(frame: Latent, again = true): Promise<void> {
  const { id } = frame;
  const controller = new AbortController();
  current = { id, controller };
  try {
    set({ now: { id, stage: 'expose', share: 0 } });
    for await (const event of makerOf(frame).make(frame, controller.signal)) {
      if (event.kind === 'progress') set({ now: { id, stage: event.stage, share: event.share } });
      else {
        set({ now: { id, stage: 'store', share: 0 } });
        const outcome = await rollKeeper.call((api) => api.save(event.frame, true));
        if (outcome.kind !== 'unsaved') continue;
        // It was read out and does not fit: it can be downloaded from here, and waits as an exposure as well.
        useUnsaved.getState().add({ ...event.frame, reason: outcome.reason, latent: true });
        if (outcome.reason === STORE_IS_FULL) await noteRefusal();
      }
    }
  } catch (error) {
    if (controller.signal.aborted) return;
    const late = error instanceof WorkerLate;
    if (again && error instanceof WorkerGone && !late) return await readOut(frame, false);
    set({ failed: { ...useReadOut.getState().failed, [id]: words(error) } });
    // On a busy machine it comes by and by: nobody has to ask again.
    if (late)
      error.comes.then(
        () => tryAgain(id),
        () => undefined,
      );
  } finally {
    current = undefined;
    set({ now: null });
    rollChanged();
  }
}

/** Reads out a frame that failed, unless that was asked for meanwhile. */
function tryAgain(id: string): void {
  const { [id]: failed, ...others } = useReadOut.getState().failed;
  if (failed === undefined) return;
  set({ failed: others });
  void readOutWaiting();
}

async function inTurn(act: () => Promise<void>): Promise<void> {
  const { locks } = (globalThis.navigator ?? {}) as { locks?: LockManager };
  await (locks ? locks.request(TURN, act) : act());
}

function words(error: unknown): string {
  if (!(error instanceof Error)) return String(error);
  return error.message || 'the browser gave no reason';
}
