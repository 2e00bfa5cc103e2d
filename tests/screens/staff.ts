// The page's workers for what was taken, in the same thread: the roll's and the lightbox's own code over a store in memory. Stands in place of
// `library/staff`.
import type { Staff } from '../../src/library/staff';
import type { ExporterApi } from '../../src/workers/export.worker';
import { WorkerGone, WorkerLate } from '../../src/workers/hire';
import type { LightboxApi } from '../../src/workers/lightbox.worker';
import type { RollApi } from '../../src/workers/roll.worker';
import { lastLent } from './comlink';

/** One after the other: what was lent last is of the module that was loaded last. */
let loading: Promise<unknown> = Promise.resolve();

/** @param load loads the worker's module */
function inThread<Api>(
  what: string,
  load: () => Promise<unknown>,
): Staff<Api> & { break(inWork?: boolean): void; late(): () => void } {
  const listeners = new Set<(error: WorkerGone) => void>();
  let api: Promise<Api> | undefined;
  let broken = false;
  /** Resolves when it comes after all. */
  let coming: Promise<void> | undefined;
  const there = async (): Promise<Api> => {
    if (broken) {
      // The next one is another.
      broken = false;
      throw new WorkerGone(`${what} is gone`);
    }
    loading = api ??= loading.then(load).then(() => lastLent() as Api);
    return api;
  };
  return {
    call: async (ask) => {
      if (coming) throw new WorkerLate(`${what} does not come`);
      return (await ask((await there()) as never)) as never;
    },
    ready: async () => {
      await coming;
      await there();
    },
    attend: () => undefined,
    dismiss: () => undefined,
    onFault: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    /** It is gone, which is told; another takes its place. @param inWork true: what is asked next is lost with it */
    break: (inWork = false) => {
      broken = inWork;
      listeners.forEach((listener) => listener(new WorkerGone(`${what} is gone`)));
    },
    /** It does not come in time, until what is returned is called. */
    late: () => {
      let come = () => {};
      coming = new Promise((resolve) => (come = resolve));
      return () => {
        coming = undefined;
        come();
      };
    },
  };
}

export const rollKeeper = inThread<RollApi>('The roll', () => import('../../src/workers/roll.worker'));
export const lightbox = inThread<LightboxApi>(
  'The lightbox',
  () => import('../../src/workers/lightbox.worker'),
);
export const exporter = inThread<ExporterApi>(
  'The exporter',
  () => import('../../src/workers/export.worker'),
);
