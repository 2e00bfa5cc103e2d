// The simulated cameras behind the port. The finder draws in one worker, captures are exposed in another, so that the finder goes on.
import type { Print } from '../../core/setting/print';
import * as Comlink from 'comlink';
import { latentOf, type LatentExposure } from '../../core/frame/expose-recipe';
import type { Latent } from '../../core/frame/queue';
import { isLensId, simulatedBodies } from '../../core/sensor/cameras';
import type { LensId } from '../../core/sensor/simulated-optic';
import { isUnknown } from '../../core/units/known';
import { eventSource } from '../../workers/events';
import { hire, PATIENCE_MS, WorkerGone, WorkerReplaced, type Hired } from '../../workers/hire';
import type { Order } from '../order';
import type { Camera, CameraEvent, LoupeWindow, Maker, Sequence, Shot, ShotEvent, ViewStatus } from '../port';
import type { Report } from '../report';
import { oneByOne } from '../while-held';
import type { ExposerApi } from './exposer.worker';
import type { FinderApi } from './finder.worker';
import { matesBeside } from './mates';
import type { World } from './world';

/** The finder and its first adjustments come first on a machine with few cores. */
const PREPARE_AFTER_MS = 5000;
/** A scene's plates are unpacked and put through the lens in one go: seconds on a slow phone, and nobody is kept waiting by it. */
const EXPOSER_SILENCE_MS = 10_000;
const DAY_S = 86_400;
/** Worlds by the orders that they belong to: a press may answer one that is a little older. */
const KEPT_WORLDS = 16;

export interface SimulatedCamera extends Camera, Maker {
  /** Arranges the world in front of the camera; orders that follow are meant for it. */
  arrange(world: World): void;
}

export function simulatedCamera(): SimulatedCamera {
  let world: World | undefined;
  let order: Order | undefined;
  const worlds = new Map<number, World>();
  const prints = new Map<number, Print | null>();
  let finder: Hired<FinderApi> | undefined;
  /** Frames that are being exposed. */
  let readingOut = 0;
  let preparing: ReturnType<typeof setTimeout> | undefined;
  /** Where the open finder tells what is to be known, and that it is of no more use. */
  let note: (message: string) => void = () => undefined;
  let giveUp: (error: unknown) => void = () => undefined;
  const exposer: Hired<ExposerApi> = hire<ExposerApi>({
    what: 'The exposer',
    silenceMs: EXPOSER_SILENCE_MS,
    start: () => {
      mates.anew();
      return new Worker(new URL('./exposer.worker.ts', import.meta.url), { name: 'exposer' });
    },
    onFault: (error) => {
      // What it had in hand is asked for again without a word.
      if (!(error instanceof WorkerReplaced)) note(`${error.message}. The next press starts it again.`);
    },
  });

  const mates = matesBeside(
    () => exposer,
    () => readingOut > 0,
  );

  function tell(): void {
    if (!finder || !order || !world) return;
    const [now, at] = [order, world];
    finder.call((api) => api.set(now, at)).catch(giveUp);
  }

  return {
    bodies: simulatedBodies(),

    arrange: (next) => {
      world = next;
    },

    apply: (next) => {
      if (!world) throw new Error('The world was not arranged');
      order = next;
      worlds.set(next.seq, world);
      prints.set(next.seq, next.settings.print);
      for (const seq of worlds.keys()) if (worlds.size > KEPT_WORLDS) worlds.delete(seq);
      for (const seq of prints.keys()) if (prints.size > KEPT_WORLDS) prints.delete(seq);
      tell();
      // The exposer unpacks the scene for itself once the finder shows it.
      const { scene } = world;
      clearTimeout(preparing);
      preparing = setTimeout(() => {
        // What does not come now is asked for, and told of, by the press.
        exposer.call((api) => api.prepare(scene, lensOf(next))).catch(() => undefined);
        mates.call();
      }, PREPARE_AFTER_MS);
    },

    open: async function* (canvas, signal) {
      const events = eventSource<CameraEvent>(
        (a, b) => a.kind === b.kind && (a.kind === 'report' || a.kind === 'status'),
      );
      let broken = false;
      const fault = (error: WorkerGone) => {
        if (finder === mine) finder = undefined;
        // What it had sent may still arrive.
        broken = true;
        events.push({ kind: 'fault', message: error.message, again: error instanceof WorkerReplaced });
      };
      const mine = hire<FinderApi>({
        ...{ what: 'The finder', start: startFinder, onFault: fault },
        working: () => order?.running ?? false,
      });
      finder = mine;
      note = (message) => events.push({ kind: 'note', message });
      giveUp = (error) => {
        // One that broke, is late or was closed is told of elsewhere.
        if (error instanceof WorkerGone) return;
        mine.dismiss('The finder was given up');
        fault(new WorkerGone(`The finder broke: ${wordsOf(error)}`));
      };
      const late = setTimeout(
        () => events.push({ kind: 'fault', message: 'The finder does not come' }),
        PATIENCE_MS,
      );
      const end = () => {
        clearTimeout(late);
        mine.dismiss('The finder was closed');
        if (finder === mine) finder = undefined;
        clearTimeout(preparing);
        events.end();
      };
      if (signal.aborted) return end();
      signal.addEventListener('abort', end, { once: true });
      const offscreen = canvas.transferControlToOffscreen();
      void mine
        .ready()
        .finally(() => clearTimeout(late))
        .then(() => {
          tell();
          return mine.call((api) =>
            api.open(
              Comlink.transfer(offscreen, [offscreen]),
              Comlink.proxy((report: Report) => {
                if (!broken) events.push({ kind: 'report', report });
              }),
              Comlink.proxy((status: ViewStatus) => events.push({ kind: 'status', status })),
            ),
          );
        })
        .catch(giveUp);
      yield* events.read();
    },

    take: async function* (sequence, ends) {
      const at = worlds.get(sequence.answers) ?? world;
      if (!at) throw new Error('The finder has shown nothing yet');
      const latents = sequence.shots.map((shot) => exposed(shot, sequence, at));
      if (!sequence.whileHeld) yield { kind: 'exposed', latents };
      else for await (const latent of oneByOne(latents, ends)) yield { kind: 'exposed', latents: [latent] };
    },

    make: async function* (latent, signal) {
      readingOut++;
      try {
        mates.call();
        yield* readOut(exposer, latent, signal);
      } finally {
        readingOut--;
      }
    },

    loupe: (window, report) => {
      const ask = loupeAsk(window, report, prints.get(report.seq) ?? null);
      const at = worlds.get(report.seq) ?? world;
      if (!ask || !at) return Promise.reject(new Error('The finder has shown nothing yet'));
      return exposer.call((api) => api.loupe(ask, at));
    },
  };
}

/** Takes over the worker that the boot script started, or starts one. */
function startFinder(): Worker {
  const started = globalThis as { velmoFinder?: Worker };
  const worker =
    started.velmoFinder ?? new Worker(new URL('./finder.worker.ts', import.meta.url), { name: 'finder' });
  started.velmoFinder = undefined;
  return worker;
}

function lensOf({ optic }: { optic: string }): LensId {
  if (!isLensId(optic)) throw new RangeError(`No lens ${optic}`);
  return optic;
}

function loupeAsk({ at, width, height }: LoupeWindow, report: Report, print: Print | null) {
  const { optic, zoomTimes, exposure, raw, focusM, frame, orientation } = report;
  if (!isLensId(optic) || isUnknown(exposure) || isUnknown(raw) || isUnknown(focusM)) return undefined;
  const now = { seed: frame, clockS: (Date.now() / 1000) % DAY_S };
  return {
    ...{ lens: optic, zoomTimes, orientation, settings: exposure.settings, colour: raw.colour, focusM },
    ...{ at, width, height, print },
    ...now,
  };
}

/** One exposure of a sequence, whose light is that of its own moment. @throws Error where it is not known what is exposed with */
function exposed(shot: Shot, sequence: Sequence, { scene, outside }: World): LatentExposure {
  const { orientation, settings, focusM, colour, forecast, press, sinceTouchS, facts, seed } = shot;
  if (isUnknown(settings)) throw new Error(`It is not known what is exposed with: ${settings.unknown}`);
  if (isUnknown(focusM)) throw new Error(`It is not known where the lens is focused: ${focusM.unknown}`);
  return latentOf({
    ...{ lensId: lensOf(sequence), scene, outside, orientation },
    press: {
      ...{ facts, seed, settings, focusM },
      clockS: (facts.timeMs / 1000) % DAY_S,
      steadiness: { support: outside.support, press, sinceTouchS },
      ...(colour && { colour }),
      ...(forecast && { forecast }),
    },
  });
}

async function* readOut(
  exposer: Hired<ExposerApi>,
  frame: Latent,
  signal: AbortSignal,
): AsyncGenerator<ShotEvent, void, void> {
  signal.throwIfAborted();
  const events = eventSource<ShotEvent>((a, b) => a.kind === 'progress' && b.kind === 'progress');
  const onAbort = () => {
    // It hears of it between two bands; nobody needs to wait for that.
    exposer.call((api) => api.leave(frame.id)).catch(() => undefined);
    events.end(new DOMException('Cancelled', 'AbortError'));
  };
  signal.addEventListener('abort', onAbort, { once: true });
  exposer
    .call((api) =>
      api.readOut(
        frame,
        Comlink.proxy((stage, share) => events.push({ kind: 'progress', shot: 0, stage, share })),
      ),
    )
    .then(
      (taken) => {
        events.push({ kind: 'frame', shot: 0, frame: taken });
        events.end();
      },
      (error: unknown) => events.end(error ?? new Error('The read-out failed')),
    );
  try {
    yield* events.read();
  } finally {
    signal.removeEventListener('abort', onAbort);
  }
}

function wordsOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
