// One press from the finder to the roll: is there room, does the finder show what is set, expose, keep. What is latent is read out later
// (`read-out`), so that the next press can follow at once; what a camera gives at once is kept frame by frame. A second press while one is
// running does nothing; cancel ends it.
import type { Report } from '../camera/report';
import type { Sequence, Shot, ShotEvent, TakenFrame, TakeStage } from '../camera/port';
import type { ExposureSettings } from '../core/exposure/settings';
import type { LatentFrame } from '../core/frame/latent';
import { forecastFigures } from '../core/frame/record';
import type { Roll } from '../core/frame/roll';
import { formatsOf, type Format } from '../core/setting/files';
import { meteredEv100 } from '../core/meter/read';
import { bracketed } from '../core/sequence/bracket';
import { isBurst, MOST_BURST } from '../core/sequence/burst';
import { momentsOf } from '../core/sequence/moments';
import { beyondWords } from '../core/setting/bracket';
import { creditOf } from '../core/setting/credit';
import type { SettingValues } from '../core/setting/settings';
import { settingsOf } from '../core/setting/values';
import { isUnknown, type Known } from '../core/units/known';
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

/** Longer than this the release does not wait for the finder to show what is set; a scene that just came may keep it for a second. */
const ANSWER_MS = 4000;
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
    const wanted = framesWanted(settings, optic);
    // Of a held one every frame is asked for by itself.
    if (left !== null && left < (isHeldBurst(settings, optic) ? 1 : wanted)) {
      setCapture({ kind: 'failed', message: left === 0 ? STORE_FULL : roomWords(left, wanted) });
      return;
    }
    await countDown(settings.delayS, signal);
    const report = await said(() =>
      withFinder(async () => {
        const answer = await unlessItDies(reportAnswering(sendOrder(), ANSWER_MS, signal));
        return unlessItDies(focusedReport(answer, FOCUS_MS, signal));
      }),
    );
    const exposures = exposuresOf(report);
    if (exposures.kind === 'beyond') {
      setCapture({ kind: 'failed', message: exposures.message });
      return;
    }
    const roll = await rollFor(useDesk.getState().roll);
    const sequence = sequenceOf(report, exposures.shots, hardness, roll);
    const { taking } = cameraWith(report.optic);
    if (taking.kind === 'at once')
      await takeAtOnce(taking.take(sequence, signal), sequence.shots.length, signal);
    else if (!isHeldBurst(useDesk.getState().settings, report.optic))
      await keepLatent(taking.expose(sequence), signal);
    else await takeWhileHeld(taking.expose(sequence), signal, released);
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
async function keepLatent(frames: readonly LatentFrame[], signal: AbortSignal): Promise<void> {
  const outcome = await putLatent(frames, signal);
  if (outcome.kind === 'unsaved') throw new Error(outcome.reason);
  rollChanged();
  void readOutWaiting();
}

async function putLatent(frames: readonly LatentFrame[], signal: AbortSignal): Promise<SaveOutcome> {
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

/** Keeps the frames of a burst one by one as their moments come, until the release is let go. */
async function takeWhileHeld(
  frames: readonly LatentFrame[],
  signal: AbortSignal,
  released?: AbortSignal,
): Promise<void> {
  const startMs = performance.now();
  const firstMs = frames[0]?.timeMs ?? 0;
  for (const { group, ...frame } of frames) {
    const waitMs = frame.timeMs - firstMs - (performance.now() - startMs);
    if (waitMs > 0 && released) await elapsed(waitMs, released);
    if (group!.index > 0 && (released?.aborted ?? true)) return;
    // How many it will be nobody knows yet.
    await keepLatent([{ ...frame, group: { id: group!.id, index: group!.index } }], signal);
  }
}

/** Waits; shorter when the signal comes. */
function elapsed(ms: number, signal: AbortSignal): Promise<void> {
  return new Promise((resolve) => {
    const done = () => {
      clearTimeout(timer);
      signal.removeEventListener('abort', done);
      resolve();
    };
    const timer = setTimeout(done, ms);
    signal.addEventListener('abort', done, { once: true });
  });
}

/** True where the release is to be held for as long as frames are wanted. */
export function isHeldBurst({ burst }: SettingValues, optic: string): boolean {
  return burst.held && opticWith(optic).can.burst !== undefined;
}

/** Keeps frames as they come, each with its data. */
async function takeAtOnce(events: AsyncIterable<ShotEvent>, of: number, signal: AbortSignal): Promise<void> {
  const course = (stage: TakeStage | 'store', share: number, shot: number) =>
    useDesk.getState().setCapture({ kind: 'busy', stage, share, ...(of > 1 && { shot: shot + 1, of }) });
  course('expose', 0, 0);
  for await (const event of events) {
    if (event.kind === 'progress') course(event.stage, event.share, event.shot);
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

/** Frames that one press takes, or at most where it is held. */
function framesWanted({ bracket, burst }: SettingValues, optic: string): number {
  const { can } = opticWith(optic);
  if (can.burst && isBurst(burst)) return burst.held ? MOST_BURST : burst.frames;
  return can.bracket ? bracket.frames : 1;
}

function roomWords(left: number, wanted: number): string {
  return `There is room for ${left} of ${wanted} frames. Export frames from the sheet and delete them, or take fewer.`;
}

type Exposures =
  | { readonly kind: 'fits'; readonly shots: readonly Known<ExposureSettings>[] }
  | { readonly kind: 'beyond'; readonly message: string };

/** The exposure that the person saw, or the set about it; told before the first is made where it does not fit. */
function exposuresOf({ exposure, optic }: Report): Exposures {
  const { settings } = useDesk.getState();
  if (isUnknown(exposure)) return { kind: 'fits', shots: [exposure] };
  const frames = framesWanted(settings, optic);
  if (frames === 1 || isBurst(settings.burst))
    return { kind: 'fits', shots: Array.from({ length: frames }, () => exposure.settings) };
  const made = bracketed(exposure.settings, settings.bracket);
  return made.kind === 'fits' ? made : { kind: 'beyond', message: `Not taken: ${beyondWords(made)}` };
}

/** What the person saw, as a sequence: one shot, or several that differ in light. */
function sequenceOf(
  report: Report,
  exposures: readonly Known<ExposureSettings>[],
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
  const seen = isUnknown(report.exposure) ? null : report.exposure.settings;
  const group = exposures.length > 1 ? frameId(timeMs, randomBytes()) : null;
  const moments = momentsOf(
    exposures.map((settings) => (isUnknown(settings) ? { shutterS: 0 } : settings)),
    isBurst(set.burst) ? set.burst : undefined,
  );
  const shots = exposures.map((settings, index): Shot => {
    const random = randomBytes();
    const atMs = timeMs + Math.round(1000 * moments[index]!);
    return {
      settings,
      orientation,
      focusM: report.focusM,
      facts: {
        set: settingsOf(set, opticWith(report.optic)),
        meteredEv100: meteredEv100(report.reading, report.relative),
        uniqueId: frameId(atMs, random),
        roll,
        ...(credit && { credit }),
        ...(position && { position }),
        ...(group && { group: { id: group, index, of: exposures.length } }),
        ...(held && { held }),
        ...(report.focus?.state === 'found' && {
          focusedAt: { ...report.focus.at, side: report.focus.side },
        }),
      },
      colour: raw?.colour,
      // While the lens searches, what was told is of where it stood a moment ago; and of one exposure only.
      forecast:
        raw && report.focus?.state !== 'searching' && isSame(settings, seen)
          ? forecastFigures(raw.forecast, raw.headroomOfFileEv)
          : undefined,
      seed: new DataView(random.buffer).getUint32(10) >>> 1,
      timeMs: atMs,
      offsetMinutes,
      // After a delay, and for the frames after the first, the press itself is over.
      press: delayS > 0 || index > 0 ? 0 : hardness,
      sinceTouchS: delayS + (atMs - timeMs) / 1000,
    };
  });
  return { answers: report.seq, optic: report.optic, files: filesOf(report.optic, set), shots };
}

function randomBytes(): Uint8Array<ArrayBuffer> {
  return crypto.getRandomValues(new Uint8Array(14));
}

/** The exposure that the finder showed is in a set, where the set has a middle. */
function isSame(settings: Known<ExposureSettings>, seen: ExposureSettings | null): boolean {
  if (isUnknown(settings) || !seen) return true;
  return settings.shutterS === seen.shutterS && settings.iso === seen.iso;
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
