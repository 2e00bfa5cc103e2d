// The simulated cameras, Velmo Sim One and Velmo Sim Iris, behind one port. The finder runs in one worker, captures in the darkroom's.
import * as Comlink from 'comlink';
import { hyperfocalM } from '../../core/optics/lens';
import { opticsOf } from '../../core/sensor/cameras';
import { CAMERA_IDS, type CameraId } from '../../core/sensor/simulated-camera';
import type { FinderWorkerApi } from '../../workers/finder.worker';
import { darkroom, restartDarkroom } from '../darkroom';
import type { Camera, CameraProfile, CaptureEvent, LensProfile } from '../port';

/** The finder and its first adjustments come first on a machine with few cores. */
const PREPARE_AFTER_MS = 1200;

interface FinderWorker {
  readonly worker: Worker;
  readonly api: Comlink.Remote<FinderWorkerApi>;
  /** Settles only when the worker breaks. */
  readonly failed: Promise<never>;
}

/** Takes over the worker that the boot script started, or starts one. */
function startFinder(): FinderWorker {
  const started = globalThis as { velmoFinder?: Worker };
  const worker =
    started.velmoFinder ?? new Worker(new URL('../../workers/finder.worker.ts', import.meta.url));
  started.velmoFinder = undefined;
  const api = Comlink.wrap<FinderWorkerApi>(worker);
  const failed = new Promise<never>((_, reject) => {
    worker.addEventListener('error', (e) => reject(new Error(e.message || 'The finder stopped')));
  });
  failed.catch(() => undefined); // told to whoever opens the finder
  return { worker, api, failed };
}

const SAYS: Readonly<Record<CameraId, string>> = {
  'sim-one': 'A phone: three lenses, each with one aperture.',
  'sim-iris': 'A compact camera: one zoom lens with an iris, f/2.8 to f/8, and a larger sensor.',
};

function profileOf(id: CameraId): CameraProfile {
  const optics = opticsOf(id);
  const { name, sensor } = optics[0]!;
  return {
    id,
    name,
    says: SAYS[id],
    megapixels: Math.round((sensor.width * sensor.height) / 1e6),
    typicalFrameBytes: 15_500_000,
    arrangedWorld: true,
    lenses: optics.map(({ lensId, lens, sensor: behind, equivalentMm }): LensProfile => {
      const { focalLengthMm, apertureN, narrowestN, closestM, fixedFocusM } = lens;
      return {
        id: lensId,
        name: narrowestN === undefined ? lens.name : `${equivalentMm} mm f/2.8–${narrowestN}`,
        apertureN,
        equivalentMm,
        focalLengthMm,
        closestM,
        hyperfocalM: hyperfocalM(lens, behind),
        ...(narrowestN === undefined ? null : { narrowestN }),
        ...(fixedFocusM === undefined ? null : { fixedFocusM }),
      };
    }),
  };
}

export function simulatedCamera(): Camera {
  // The scene is fetched while the page is still being built.
  let finder: FinderWorker | undefined = typeof Worker === 'undefined' ? undefined : startFinder();
  let preparing: ReturnType<typeof setTimeout> | undefined;
  return {
    profiles: CAMERA_IDS.map(profileOf),
    open: async (canvas, onReport, onScene) => {
      finder ??= startFinder();
      const offscreen = canvas.transferControlToOffscreen();
      const shown = new Promise<void>((resolve, reject) => {
        let first = true;
        const report = (next: Parameters<typeof onReport>[0]) => {
          onReport(next);
          first = false;
          resolve();
        };
        const onStatus = (status: Parameters<typeof onScene>[0]) => {
          onScene(status);
          if (status.kind === 'failed' && first) reject(new Error(status.message));
        };
        void finder?.api.open(
          Comlink.transfer(offscreen, [offscreen]),
          Comlink.proxy(report),
          Comlink.proxy(onStatus),
        );
      });
      await Promise.race([shown, finder.failed]);
    },
    apply: (order) => {
      void finder?.api.set(order);
      // The darkroom unpacks the scene for itself once the finder shows it.
      clearTimeout(preparing);
      preparing = setTimeout(
        () =>
          void darkroom()
            .prepare(order.scene, order.lens)
            .catch(() => undefined),
        PREPARE_AFTER_MS,
      );
    },
    capture: (plan, signal) => capture(plan, signal),
    close: () => {
      clearTimeout(preparing);
      finder?.worker.terminate();
      finder = undefined;
    },
  };
}

async function* capture(
  plan: Parameters<Camera['capture']>[0],
  signal: AbortSignal,
): AsyncGenerator<CaptureEvent, void, void> {
  const queue: CaptureEvent[] = [];
  let wake: () => void = () => undefined;
  let over: { error?: unknown } | undefined;
  const push = (event: CaptureEvent) => {
    queue.push(event);
    wake();
  };
  const end = (error?: unknown) => {
    over ??= error === undefined ? {} : { error };
    wake();
  };
  const onAbort = () => {
    // The darkroom computes without a pause: to stop it is to start a new one, which clears away what was written of the file.
    restartDarkroom();
    void darkroom()
      .discard(plan.facts.uniqueId)
      .catch(() => undefined);
    end(new DOMException('Cancelled', 'AbortError'));
  };
  if (signal.aborted) throw new DOMException('Cancelled', 'AbortError');
  signal.addEventListener('abort', onAbort, { once: true });
  darkroom()
    .capture(
      plan,
      Comlink.proxy((stage, share) => push({ kind: 'progress', stage, share })),
    )
    .then(
      (outcome) => {
        push(outcome);
        end();
      },
      (error: unknown) => end(error ?? new Error('The capture failed')),
    );
  try {
    for (;;) {
      const event = queue.shift();
      if (event) yield event;
      else if (over) break;
      else await new Promise<void>((resolve) => (wake = resolve));
    }
    if (over.error !== undefined) throw over.error;
  } finally {
    signal.removeEventListener('abort', onAbort);
  }
}
