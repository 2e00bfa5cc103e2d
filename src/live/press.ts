// One press from the finder to the roll: is there room, does the finder show what is set, expose, keep. What is latent is read out later
// (`read-out`), so that the next press can follow at once; what a camera gives at once is kept frame by frame. A second press while one is
// running does nothing; cancel ends it.
import type { Report } from '../camera/report';
import type { Sequence, Shot, TakeEvent, TakenFrame, TakeStage } from '../camera/port';
import type { Latent } from '../core/frame/queue';
import { forecastFigures } from '../core/frame/record';
import type { Roll } from '../core/frame/roll';
import { formatsOf, type Format } from '../core/setting/files';
import { meteredEv100 } from '../core/meter/read';
import type { PlannedShot, AsShown } from '../core/sequence/drive';
import { driveOf, type DriveInUse } from '../core/sequence/in-use';
import { creditOf } from '../core/setting/credit';
import type { SettingValues } from '../core/setting/settings';
import { settingsOf } from '../core/setting/values';
import { isUnknown } from '../core/units/known';
import { rollChanged, roomLeft } from '../library/roll';
import { rollFor } from '../library/rolls';
import { noteRefusal } from '../library/room';
import { rollKeeper } from '../library/staff';
import { frameId } from '../vault/frame-id';
import { WorkerGone, WorkerLate } from '../workers/hire';
import { STORE_IS_FULL, type SaveOutcome } from '../workers/save-outcome';
import { attitudeNow } from './attitude';
import { bodyWith, cameraWith, opticWith } from './camera';
import { useDesk } from './desk';
import type { CameraState } from './desk-state';
import { sendOrder, withFinder } from './feed';
import { nextFrameBytes } from './frame-bytes';
import { momentOf } from './moment';
import { positionNow } from './position';
import { readOutWaiting } from './read-out';
import { focusedReport, rawOf, reportAnswering } from './report';
import { MOST_UNSAVED, useUnsaved } from './unsaved';

/**
 * Longer than this the release does not wait for a finder that lives and does not show what is set: the wait is told, and can be ended. A scene in full
 * detail that just came keeps it for one second, and for five on a busy machine of half the speed.
 */
const ANSWER_MS = 12_000;
/** Longer than this it does not wait for the automatic focus; then it takes what there is. */
const FOCUS_MS = 2000;
/** What takes longer than this is told. */
const SAID_AFTER_MS = 200;

let running: AbortController | undefined;

export const STORE_FULL =
  'The store is full. Export frames from the sheet and delete them, then press again.';

export const UNSAVED_WAIT =
  'Frames wait to be saved. Download them, or delete others from the sheet, then press again.';

/**
 * @param hardness how hard the release is pressed, 0 … 1: a key is struck softly
 * @param released aborted when the release is let go; absent where nobody holds it
 */
export async function press(hardness = 0.3, released?: AbortSignal): Promise<void> {
  if (running) return;
  const controller = new AbortController();
  const { signal } = controller;
  running = controller;
  const { setCapture, settings, optic } = useDesk.getState();
  setCapture({ kind: 'idle' });
  try {
    if (useUnsaved.getState().frames.length >= MOST_UNSAVED) {
      setCapture({ kind: 'failed', message: UNSAVED_WAIT });
      return;
    }
    const left = await roomLeft(nextFrameBytes());
    const { frames, whileHeld } = driveWith(settings, optic);
    // Of a held one every frame is asked for by itself.
    if (left !== null && left < (whileHeld ? 1 : frames)) {
      setCapture({ kind: 'failed', message: left === 0 ? STORE_FULL : roomWords(left, frames) });
      return;
    }
    await countDown(settings.delayS, signal);
    const report = await said(() =>
      withFinder(async () => {
        const answer = await unlessItDies(reportAnswering(sendOrder(), ANSWER_MS, signal));
        return unlessItDies(focusedReport(answer, FOCUS_MS, signal));
      }),
    );
    const drive = driveWith(useDesk.getState().settings, report.optic);
    const planned = drive.plan(seenIn(report));
    if (planned.kind === 'beyond') {
      setCapture({ kind: 'failed', message: `Not taken: ${planned.says}` });
      return;
    }
    const roll = await rollFor(useDesk.getState().roll);
    const sequence = sequenceOf(report, drive, planned.shots, hardness, roll);
    // Where nobody holds the release it is let go already.
    const ends = { cancel: signal, letGo: released ?? AbortSignal.abort() };
    await keepAll(cameraWith(report.optic).take(sequence, ends), sequence.shots.length, signal);
    setCapture({ kind: 'idle' });
    useDesk.getState().noteTaken();
  } catch (error) {
    if (signal.aborted) setCapture({ kind: 'idle' });
    else setCapture({ kind: 'failed', message: failureWords(error) });
  } finally {
    running = undefined;
  }
}

/** Says that the finder is waited for, where that takes long enough to be read. */
async function said<T>(wait: () => Promise<T>): Promise<T> {
  const timer = setTimeout(
    () => useDesk.getState().setCapture({ kind: 'busy', stage: 'answer', share: 0 }),
    SAID_AFTER_MS,
  );
  try {
    return await wait();
  } finally {
    clearTimeout(timer);
  }
}

/**
 * Keeps exposures that are read out later. They are in hand until they are safe: a roll that is late is waited for until the person cancels, and one that
 * broke is asked a second time. Put twice, they are there once.
 * @throws Error in words for people when they are not safe
 */
async function keepLatent(frames: readonly Latent[], signal: AbortSignal): Promise<void> {
  const outcome = await putLatent(frames, signal);
  if (outcome.kind === 'unsaved') throw new Error(outcome.reason);
  rollChanged();
  void readOutWaiting();
}

async function putLatent(frames: readonly Latent[], signal: AbortSignal): Promise<SaveOutcome> {
  for (let broke = false; ;) {
    try {
      return await rollKeeper.call((api) => api.putLatent(frames));
    } catch (error) {
      if (error instanceof WorkerLate) {
        useDesk.getState().setCapture({ kind: 'busy', stage: 'store', share: 0 });
        await unlessCancelled(rollKeeper.ready(), signal);
      } else if (error instanceof WorkerGone && !broke) broke = true;
      else throw error;
    }
  }
}

function unlessCancelled<T>(wait: Promise<T>, signal: AbortSignal): Promise<T> {
  return new Promise((resolve, reject) => {
    const cancel = () => reject(signal.reason as Error);
    signal.addEventListener('abort', cancel, { once: true });
    wait.then(resolve, reject).finally(() => signal.removeEventListener('abort', cancel));
  });
}

/** The drive that a press goes by, of those that the optic's camera has. */
export function driveWith(settings: SettingValues, optic: string): DriveInUse {
  return driveOf(settings, opticWith(optic));
}

/** Keeps what is taken as it comes: exposures as records, and frames with their data. */
async function keepAll(events: AsyncIterable<TakeEvent>, of: number, signal: AbortSignal): Promise<void> {
  const course = (stage: TakeStage | 'store', share: number, shot: number) =>
    useDesk.getState().setCapture({ kind: 'busy', stage, share, ...(of > 1 && { shot: shot + 1, of }) });
  for await (const event of events) {
    if (event.kind === 'exposed') await keepLatent(event.latents, signal);
    else if (event.kind === 'progress') course(event.stage, event.share, event.shot);
    else {
      course('store', 0, event.shot);
      await keep(event.frame, signal);
    }
  }
}

/** What the finder answers, or what its camera says when it dies first. */
function unlessItDies<T>(answer: Promise<T>): Promise<T> {
  return new Promise((resolve, reject) => {
    const look = ({ camera }: { camera: CameraState }) => {
      if (camera.kind === 'failed') reject(new Error(camera.message));
    };
    const stop = useDesk.subscribe(look);
    look(useDesk.getState());
    answer.then(resolve, reject).finally(stop);
  });
}

function roomWords(left: number, wanted: number): string {
  return `There is room for ${left} of ${wanted} frames. Export frames from the sheet and delete them, or take fewer.`;
}

function seenIn({ exposure, focusM }: Report): AsShown {
  return { settings: isUnknown(exposure) ? exposure : exposure.settings, focusM };
}

/** What the person saw, as a sequence: one shot, or several as the drive planned them. */
function sequenceOf(
  report: Report,
  { id: kind, whileHeld }: DriveInUse,
  planned: readonly PlannedShot[],
  hardness: number,
  { id: roll, keywords }: Roll,
): Sequence {
  const { settings: set, orientation, credit: own } = useDesk.getState();
  const credit = creditOf({ ...own, keywords });
  const raw = rawOf(report);
  const { timeMs, offsetMinutes, odd } = momentOf(Date.now());
  if (odd) useDesk.getState().setNotice(odd);
  const { delayS } = set;
  const held = attitudeNow();
  const position = positionNow(timeMs);
  const seen = seenIn(report);
  const group = kind !== 'single' && planned.length > 1 ? { id: frameId(timeMs, randomBytes()), kind } : null;
  const shots = planned.map(({ settings, focusM, atS }, index): Shot => {
    const random = randomBytes();
    const atMs = timeMs + Math.round(1000 * atS);
    return {
      settings,
      orientation,
      focusM,
      facts: {
        set: settingsOf(set, opticWith(report.optic)),
        meteredEv100: meteredEv100(report.reading, report.relative),
        id: frameId(atMs, random),
        roll,
        timeMs: atMs,
        offsetMinutes,
        ...(credit && { credit }),
        ...(position && { position }),
        ...(group && { group: { ...group, index, of: planned.length } }),
        ...(held && { held }),
        ...(report.focus?.state === 'found' && {
          focusedAt: { ...report.focus.at, side: report.focus.side },
        }),
      },
      colour: raw?.colour,
      // While the lens searches, what was told is of where it stood a moment ago; and of one exposure at one distance only.
      forecast:
        raw && report.focus?.state !== 'searching' && isSame({ settings, focusM }, seen)
          ? forecastFigures(raw.forecast, raw.headroomOfFileEv)
          : undefined,
      seed: new DataView(random.buffer).getUint32(10) >>> 1,
      // After a delay, and for the frames after the first, the press itself is over.
      press: delayS > 0 || index > 0 ? 0 : hardness,
      sinceTouchS: delayS + (atMs - timeMs) / 1000,
    };
  });
  return { answers: report.seq, optic: report.optic, files: filesOf(report.optic, set), shots, whileHeld };
}

function randomBytes(): Uint8Array<ArrayBuffer> {
  return crypto.getRandomValues(new Uint8Array(14));
}

/** The exposure that the finder showed is in a set, where the set has a middle. */
function isSame({ settings, focusM }: AsShown, seen: AsShown): boolean {
  if (focusM !== seen.focusM) return false;
  if (isUnknown(settings) || isUnknown(seen.settings)) return true;
  return settings.shutterS === seen.settings.shutterS && settings.iso === seen.settings.iso;
}

/** What the person chose where the body has raw; else the picture, and a linear file beside it when the person wants one. */
function filesOf(optic: string, { pictures, files }: SettingValues): readonly Format[] {
  if (bodyWith(optic).evidence === 'raw') return formatsOf(files);
  return pictures > 0 ? ['jpeg', 'dng'] : ['jpeg'];
}

/** Gives a frame to the roll; one that cannot be saved waits in the page. */
async function keep(frame: TakenFrame, signal: AbortSignal): Promise<void> {
  // The files stay here until they are known to be safe: what a worker that breaks had in hand would be lost.
  const outcome = await rollKeeper
    .call((api) => api.save(frame))
    .catch((error: unknown) => ({ kind: 'unsaved' as const, reason: words(error) }));
  if (signal.aborted) {
    await rollKeeper.call((api) => api.purge([frame.record.id]));
    return;
  }
  if (outcome.kind !== 'unsaved') return;
  useUnsaved.getState().add({ ...frame, reason: outcome.reason, latent: false });
  if (outcome.reason !== STORE_IS_FULL) return;
  await noteRefusal();
  // The roll is what it was; the room in it is not.
  rollChanged();
}

/** Waits with the seconds on the screen. @throws the signal's reason when it is cancelled */
async function countDown(seconds: number, signal: AbortSignal): Promise<void> {
  const { setCapture } = useDesk.getState();
  for (let left = seconds; left > 0; left--) {
    setCapture({ kind: 'waiting', leftS: left });
    await new Promise<void>((resolve, reject) => {
      const stop = () => {
        clearTimeout(timer);
        reject(new DOMException('Cancelled', 'AbortError'));
      };
      const timer = setTimeout(() => {
        signal.removeEventListener('abort', stop);
        resolve();
      }, 1000);
      signal.addEventListener('abort', stop, { once: true });
    });
  }
}

export function cancelCapture(): void {
  running?.abort();
}

let holding: AbortController | undefined;

/** The release goes down, by a finger or a key: for a burst it is held until `letGo`. */
export function pressDown(hardness?: number): void {
  holding?.abort();
  holding = new AbortController();
  void press(hardness, holding.signal);
}

export function letGo(): void {
  holding?.abort();
  holding = undefined;
}

function words(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}

function failureWords(error: unknown): string {
  return `Not taken: ${words(error)}. Press again.`;
}
