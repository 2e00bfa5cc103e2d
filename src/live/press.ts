// One press from the finder to the roll: is there room, does the finder show what is set, take, keep. A second press while one is running
// does nothing; cancel ends it.
import type { Report } from '../camera/report';
import type { Sequence, TakenFrame } from '../camera/port';
import { forecastFigures, type Format } from '../core/frame/record';
import { meteredEv100 } from '../core/meter/read';
import type { SettingValues } from '../core/setting/settings';
import { settingsOf } from '../core/setting/values';
import { isUnknown } from '../core/units/known';
import { rollChanged } from '../library/roll';
import { framesLeft, noteRefusal } from '../library/room';
import { rollKeeper } from '../library/staff';
import { frameId } from '../vault/frame-id';
import { STORE_IS_FULL } from '../workers/save-outcome';
import { attitudeNow } from './attitude';
import { bodyWith, cameraWith, opticWith } from './camera';
import { useDesk } from './desk';
import type { CameraState } from './desk-state';
import { sendOrder } from './feed';
import { focusedReport, rawOf, reportAnswering } from './report';
import { MOST_UNSAVED, useUnsaved } from './unsaved';

/** Longer than this the release does not wait for the finder to show what is set. */
const ANSWER_MS = 500;
/** Longer than this it does not wait for the automatic focus; then it takes what there is. */
const FOCUS_MS = 2000;

let running: AbortController | undefined;

export const STORE_FULL =
  'The store is full. Export frames from the sheet and delete them, then press again.';

export const UNSAVED_WAIT =
  'Frames wait to be saved. Download them, or delete others from the sheet, then press again.';

/** @param hardness how hard the release is pressed, 0 … 1: a key is struck softly */
export async function press(hardness = 0.3): Promise<void> {
  if (running) return;
  const controller = new AbortController();
  const { signal } = controller;
  running = controller;
  const { setCapture, settings, optic } = useDesk.getState();
  setCapture({ kind: 'busy', stage: 'answer', share: 0 });
  try {
    if (useUnsaved.getState().frames.length >= MOST_UNSAVED) {
      setCapture({ kind: 'failed', message: UNSAVED_WAIT });
      return;
    }
    if ((await framesLeft(bodyWith(optic).typicalFrameBytes)) === 0) {
      setCapture({ kind: 'failed', message: STORE_FULL });
      return;
    }
    await countDown(settings.delayS, signal);
    setCapture({ kind: 'busy', stage: 'answer', share: 0 });
    const answer = await unlessItDies(reportAnswering(sendOrder(), ANSWER_MS, signal));
    const report = await unlessItDies(focusedReport(answer, FOCUS_MS, signal));
    setCapture({ kind: 'busy', stage: 'expose', share: 0 });
    const sequence = sequenceOf(report, hardness);
    for await (const event of cameraWith(report.optic).take(sequence, signal)) {
      if (event.kind === 'progress') setCapture({ kind: 'busy', stage: event.stage, share: event.share });
      else await keep(event.frame, signal);
    }
    setCapture({ kind: 'idle' });
  } catch (error) {
    if (signal.aborted) setCapture({ kind: 'idle' });
    else setCapture({ kind: 'failed', message: failureWords(error) });
  } finally {
    running = undefined;
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

/** What the person saw, as a sequence of one shot. */
function sequenceOf(report: Report, hardness: number): Sequence {
  const { settings: set, orientation } = useDesk.getState();
  const raw = rawOf(report);
  const timeMs = Date.now();
  const random = crypto.getRandomValues(new Uint8Array(14));
  const { delayS } = set;
  const held = attitudeNow();
  return {
    answers: report.seq,
    optic: report.optic,
    files: filesOf(report.optic, set),
    shots: [
      {
        settings: isUnknown(report.exposure) ? report.exposure : report.exposure.settings,
        orientation,
        focusM: report.focusM,
        facts: {
          set: settingsOf(set, opticWith(report.optic)),
          meteredEv100: meteredEv100(report.reading, report.relative),
          uniqueId: frameId(timeMs, random),
          ...(held && { held }),
          ...(report.focus?.state === 'found' && report.focus.at && { focusedAt: report.focus.at }),
        },
        colour: raw?.colour,
        // While the lens searches, what was told is of where it stood a moment ago.
        forecast:
          raw && report.focus?.state !== 'searching'
            ? forecastFigures(raw.forecast, raw.headroomOfFileEv)
            : undefined,
        seed: new DataView(random.buffer).getUint32(10) >>> 1,
        timeMs,
        offsetMinutes: -new Date(timeMs).getTimezoneOffset(),
        // After a delay the press itself is long over.
        press: delayS > 0 ? 0 : hardness,
        sinceTouchS: delayS,
      },
    ],
  };
}

/** Raw where the body has it; else the picture, and a linear file beside it when the person wants one. */
function filesOf(optic: string, { pictures }: SettingValues): readonly Format[] {
  if (bodyWith(optic).evidence === 'raw') return ['dng'];
  return pictures > 0 ? ['jpeg', 'dng'] : ['jpeg'];
}

/** Gives a frame to the roll; one that cannot be saved waits in the page. */
async function keep(frame: TakenFrame, signal: AbortSignal): Promise<void> {
  useDesk.getState().setCapture({ kind: 'busy', stage: 'store', share: 0 });
  // The files stay here until they are known to be safe: what a worker that breaks had in hand would be lost.
  const outcome = await rollKeeper
    .call((api) => api.save(frame))
    .catch((error: unknown) => ({ kind: 'unsaved' as const, reason: words(error) }));
  if (signal.aborted) {
    await rollKeeper.call((api) => api.purge([frame.record.id]));
    return;
  }
  if (outcome.kind === 'saved') return;
  useUnsaved.getState().add({ ...frame, reason: outcome.reason });
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

function words(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}

function failureWords(error: unknown): string {
  return `Not taken: ${words(error)}. Press again.`;
}
