// Velmo Sim One: the simulated camera. The finder runs in one worker, captures in the darkroom's.
import * as Comlink from 'comlink';
import { SIM_ONE } from '../../core/sensor/sim-one';
import type { FinderWorkerApi } from '../../workers/finder.worker';
import type { Camera, CaptureEvent } from '../port';
import { darkroom, restartDarkroom } from '../darkroom';

const SCENE = 'wheel-bench';
const SCENE_URL = `/scenes/${SCENE}.vsc`;
/** The finder and its first adjustments come first on a machine with few cores. */
const PREPARE_AFTER_MS = 1200;

interface FinderWorker {
  readonly worker: Worker;
  readonly api: Comlink.Remote<FinderWorkerApi>;
  /** Settles when the scene is there, or with what went wrong. */
  readonly ready: Promise<void>;
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
  const ready = Promise.race([api.load(SCENE_URL), failed]);
  ready.catch(() => undefined); // told to whoever opens the finder
  return { worker, api, ready };
}

export function simulatedCamera(): Camera {
  // The scene is fetched while the page is still being built.
  let finder: FinderWorker | undefined = typeof Worker === 'undefined' ? undefined : startFinder();
  return {
    profile: {
      name: SIM_ONE.name,
      lensName: SIM_ONE.lens.name,
      apertureN: SIM_ONE.lens.apertureN,
      equivalentMm: SIM_ONE.equivalentMm,
      megapixels: Math.round((SIM_ONE.sensor.width * SIM_ONE.sensor.height) / 1e6),
      typicalFrameBytes: 15_500_000,
    },
    open: async (canvas, onReport) => {
      finder ??= startFinder();
      const offscreen = canvas.transferControlToOffscreen();
      let first = true;
      const report = (next: Parameters<typeof onReport>[0]) => {
        onReport(next);
        // The darkroom unpacks the scene for itself once the finder shows it.
        if (first) setTimeout(() => void darkroom().prepare(SCENE_URL), PREPARE_AFTER_MS);
        first = false;
      };
      await finder.api.open(Comlink.transfer(offscreen, [offscreen]), Comlink.proxy(report));
      await finder.ready;
    },
    apply: (order) => void finder?.api.set(order),
    capture: (plan, signal) => capture(plan, signal),
    close: () => {
      finder?.worker.terminate();
      finder = undefined;
    },
  };
}

async function* capture(
  { orientation, ...press }: Parameters<Camera['capture']>[0],
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
    // The darkroom computes without a pause: to stop it is to start a new one. What it had written of the file has no
    // record and is swept away.
    restartDarkroom();
    end(new DOMException('Cancelled', 'AbortError'));
  };
  if (signal.aborted) throw new DOMException('Cancelled', 'AbortError');
  signal.addEventListener('abort', onAbort, { once: true });
  darkroom()
    .capture(
      SCENE_URL,
      orientation,
      { ...press, scene: SCENE },
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
