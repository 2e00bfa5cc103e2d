// The page's side of the mates beside the exposer: hires them, and puts each in touch with it.
import * as Comlink from 'comlink';
import { hire, type Hired } from '../../workers/hire';
import type { BandsApi } from './bands.worker';
import type { ExposerApi } from './exposer.worker';

/** More take memory for little: each has what it exposes from, and rows that the blur of a hand reaches over are worked out by two. */
const MOST_MATES = 6;

/** One core is the finder's, one the exposer's own. */
export function matesFor(cores: number): number {
  return Math.min(MOST_MATES, Math.max(0, (cores || 1) - 2));
}

export interface Mates {
  /** Sees to it that all who can are there; those who come late join then. */
  call(): void;
  /** There is another exposer: none has joined it yet. */
  anew(): void;
}

/** @param working whether a frame is being exposed, by them too */
export function matesBeside(exposer: () => Hired<ExposerApi>, working: () => boolean): Mates {
  const joined = new Set<string>();
  /** Known when they are first called. */
  let staff: ReturnType<typeof hireAll> | undefined;
  const hireAll = () =>
    Array.from({ length: matesFor(navigator.hardwareConcurrency) }, (_, i) => {
      const name = `bands-${i + 1}`;
      const worker = hire<BandsApi>({
        what: 'A helper of the exposer',
        // One that does not come to the end of its stretch would keep the frame from its own for ever.
        ...{ working, dispensable: true },
        start: () => new Worker(new URL('./bands.worker.ts', import.meta.url), { name }),
        onFault: () => {
          joined.delete(name);
          exposer()
            .call((api) => api.part(name))
            .catch(() => undefined);
        },
      });
      return { name, worker };
    });
  const join = async (name: string, worker: Hired<BandsApi>) => {
    try {
      // One that starts now knows of nobody.
      await exposer().ready();
      if (joined.has(name)) return;
      joined.add(name);
      const port = await worker.call((api) => api[Comlink.createEndpoint]());
      await exposer().call((api) => api.join(name, Comlink.transfer(port, [port])));
    } catch {
      // The exposer does without; the next capture asks again.
      joined.delete(name);
    }
  };
  return {
    call: () => {
      staff ??= hireAll();
      for (const { name, worker } of staff) {
        worker.attend();
        if (!joined.has(name)) void join(name, worker);
      }
    },
    anew: () => joined.clear(),
  };
}
