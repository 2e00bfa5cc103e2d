// One press from the finder to the roll: is there room, take, follow its progress, tell the roll. A second press while
// one is running does nothing; cancel ends it.
import type { Camera } from '../camera/port';
import { fileName } from '../library/file-name';
import { framesLeft, rollChanged } from '../library/roll';
import { frameId } from '../vault/frame-id';
import { useDesk } from './desk';

const DAY_S = 86_400;

let running: AbortController | undefined;

export const STORE_FULL =
  'The store is full. Export frames from the sheet and delete them, then press again.';

/** @param hardness how hard the release is pressed, 0 … 1: a key is struck softly */
export async function press(camera: Camera, hardness = 0.3): Promise<void> {
  if (running) return;
  const controller = new AbortController();
  running = controller;
  const { setCapture } = useDesk.getState();
  setCapture({ kind: 'busy', stage: 'expose', share: 0 });
  try {
    if ((await framesLeft(camera.profile.typicalFrameBytes)) === 0) {
      setCapture({ kind: 'failed', message: STORE_FULL });
      return;
    }
    const { report, controls, pattern, orientation, outside } = useDesk.getState();
    if (!report) return setCapture({ kind: 'idle' });
    const timeMs = Date.now();
    const random = crypto.getRandomValues(new Uint8Array(14));
    const plan = {
      settings: { ...report.settings, compensationEv: controls.compensationEv },
      colour: report.colour,
      facts: {
        pattern,
        shutterAuto: controls.shutter.auto,
        isoAuto: controls.iso.auto,
        uniqueId: frameId(timeMs, random),
      },
      seed: new DataView(random.buffer).getUint32(10) >>> 1,
      timeMs,
      offsetMinutes: -new Date(timeMs).getTimezoneOffset(),
      steadiness: { support: outside.support, press: hardness, sinceTouchS: 0 },
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
        const rescue = { name: fileName(event.record), dng: event.dng };
        setCapture({ kind: 'failed', message: unsavedWords(event.reason), rescue });
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

export function cancelCapture(): void {
  running?.abort();
}

function failureWords(error: unknown): string {
  const message = error instanceof Error ? error.message : String(error);
  return `Not taken: ${message}. Press again.`;
}

function unsavedWords(reason: string): string {
  const why = /quota/i.test(reason) ? 'the store is full' : reason;
  return `Taken, but not saved: ${why}. Download it now.`;
}
