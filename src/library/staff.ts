// The page's workers for what was taken: the roll keeps it, the lightbox shows it, the exporter hands it on.
import { hire, type Hired, type WorkerGone } from '../workers/hire';
import type { ExporterApi } from '../workers/export.worker';
import type { LightboxApi } from '../workers/lightbox.worker';
import type { RollApi } from '../workers/roll.worker';

export interface Staff<Api> extends Hired<Api> {
  /** Calls back when the worker breaks or is gone; what it held is lost then. Returns a function that ends it. */
  onFault(listener: (error: WorkerGone) => void): () => void;
}

function staff<Api>(what: string, start: () => Worker): Staff<Api> {
  const listeners = new Set<(error: WorkerGone) => void>();
  const tell = (error: WorkerGone) => listeners.forEach((listener) => listener(error));
  return {
    ...hire<Api>({ what, start, onFault: tell }),
    onFault: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  };
}

export const rollKeeper = staff<RollApi>(
  'The roll',
  () => new Worker(new URL('../workers/roll.worker.ts', import.meta.url), { name: 'roll' }),
);

export const lightbox = staff<LightboxApi>(
  'The lightbox',
  () => new Worker(new URL('../workers/lightbox.worker.ts', import.meta.url), { name: 'lightbox' }),
);

export const exporter = staff<ExporterApi>(
  'The exporter',
  () => new Worker(new URL('../workers/export.worker.ts', import.meta.url), { name: 'exporter' }),
);
