// One press from the finder to the roll: is there room, take, follow its progress, tell the roll. A second press while
// one is running does nothing; cancel ends it.
import { bodyOf, type Camera } from '../camera/port';
import { totalCompensation } from '../core/exposure/automatic';
import { forecastFigures } from '../core/frame/record';
import { rollChanged } from '../library/roll';
import { framesLeft, noteRefusal } from '../library/room';
import { frameId } from '../vault/frame-id';
import { STORE_IS_FULL } from '../vault/vault';
import { useDesk } from './desk';
import { hasIris } from './desk-controls';
import { MOST_UNSAVED, useUnsaved } from './unsaved';

const DAY_S = 86_400;

let running: AbortController | undefined;

export const STORE_FULL =
  'The store is full. Export frames from the sheet and delete them, then press again.';

export const UNSAVED_WAIT =
  'Frames wait to be saved. Download them, or delete others from the sheet, then press again.';

/** @param hardness how hard the release is pressed, 0 … 1: a key is struck softly */
export async function press(camera: Camera, hardness = 0.3): Promise<void> {
  if (running) return;
  const controller = new AbortController();
  running = controller;
  const { setCapture, delayS } = useDesk.getState();
  setCapture({ kind: 'busy', stage: 'expose', share: 0 });
  try {
    if (useUnsaved.getState().frames.length >= MOST_UNSAVED) {
      setCapture({ kind: 'failed', message: UNSAVED_WAIT });
      return;
    }
    const { typicalFrameBytes } = bodyOf(camera, useDesk.getState().lens);
    if ((await framesLeft(typicalFrameBytes)) === 0) {
      setCapture({ kind: 'failed', message: STORE_FULL });
      return;
    }
    await countDown(delayS, controller.signal);
    setCapture({ kind: 'busy', stage: 'expose', share: 0 });
    const { report, controls, pattern, orientation, outside, check } = useDesk.getState();
    if (!report) return setCapture({ kind: 'idle' });
    const timeMs = Date.now();
    const random = crypto.getRandomValues(new Uint8Array(14));
    const plan = {
      settings: {
        ...report.settings,
        compensationEv: totalCompensation(controls.compensationEv, check.habitEv),
      },
      colour: report.colour,
      forecast: forecastFigures(report.forecast, report.headroomOfFileEv),
      facts: {
        pattern,
        shutterAuto: controls.shutter.auto,
        isoAuto: controls.iso.auto,
        ...(hasIris(report.lens) ? { apertureAuto: controls.aperture.auto } : null),
        meteredEv100: Number.isFinite(report.reading.ev100) ? report.reading.ev100 : null,
        uniqueId: frameId(timeMs, random),
      },
      seed: new DataView(random.buffer).getUint32(10) >>> 1,
      timeMs,
      offsetMinutes: -new Date(timeMs).getTimezoneOffset(),
      // After a delay the press itself is long over.
      steadiness: { support: outside.support, press: delayS > 0 ? 0 : hardness, sinceTouchS: delayS },
      clockS: (timeMs / 1000) % DAY_S,
      focusM: report.focusM,
      scene: report.scene,
      lens: report.lens,
      orientation,
      outside,
    };
    for await (const event of camera.capture(plan, controller.signal)) {
      if (event.kind === 'progress') setCapture({ kind: 'busy', stage: event.stage, share: event.share });
      else if (event.kind === 'saved') setCapture({ kind: 'idle' });
      else {
        const { record, dng, thumbnailJpeg, reason } = event;
        useUnsaved.getState().add({ record, dng, thumbnailJpeg, reason });
        if (reason === STORE_IS_FULL) await noteRefusal();
        setCapture({ kind: 'idle' });
      }
    }
  } catch (error) {
    if (controller.signal.aborted) setCapture({ kind: 'idle' });
    else setCapture({ kind: 'failed', message: failureWords(error) });
  } finally {
    running = undefined;
    rollChanged();
  }
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

function failureWords(error: unknown): string {
  const message = error instanceof Error ? error.message : String(error);
  return `Not taken: ${message}. Press again.`;
}
