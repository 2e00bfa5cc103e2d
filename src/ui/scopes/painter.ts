// The page's side of the painter: hands canvases over and passes on what there is to show. Should the painter break or not answer, or where canvases
// cannot be handed over, the page draws by itself.
import { font, fontUrl } from '../theme';
import * as Comlink from 'comlink';
import { create } from 'zustand';
import { hire } from '../../workers/hire';
import type { ScopeData, ScopeLook, Sheet } from './paint';
import type { PainterApi } from './painter.worker';

const handsOver =
  typeof globalThis.HTMLCanvasElement?.prototype.transferControlToOffscreen === 'function' &&
  typeof Worker === 'function';

/** By whom scopes are drawn. */
export const usePainter = create<{ readonly by: 'painter' | 'page' }>()(() => ({
  by: handsOver ? 'painter' : 'page',
}));

const byPage = () => usePainter.setState({ by: 'page' });

const worker = hire<PainterApi>({
  what: 'The painter',
  start: () => new Worker(new URL('./painter.worker.ts', import.meta.url), { name: 'painter' }),
  dispensable: true,
  onFault: byPage,
});

let typed = false;
/** What waits to be shown while the painter is at work: only the newest is. */
let waiting: { data: ScopeData | null } | undefined;
let busy = false;

function ask(what: Parameters<typeof worker.call<Promise<void>>>[0]): void {
  // One that broke is not hired again by what it leaves behind.
  if (usePainter.getState().by === 'painter') worker.call(what).catch(byPage);
}

/** A canvas that the painter draws on, until it is let go. A canvas can be handed over once. */
export function handOver(id: string, canvas: HTMLCanvasElement, sheet: Sheet, look: ScopeLook): void {
  const handed = canvas.transferControlToOffscreen();
  if (!typed) {
    typed = true;
    // Whole: a worker may have no address that this one could be relative to.
    const url = new URL(fontUrl(font.medium), location.href).href;
    worker.call((api) => api.type(url)).catch(() => undefined);
  }
  ask((api) => api.add(id, Comlink.transfer(handed, [handed]), sheet, look));
}

export function change(id: string, sheet: Sheet, look: ScopeLook): void {
  ask((api) => api.change(id, sheet, look));
}

export function letGo(id: string): void {
  ask((api) => api.remove(id));
}

export function show(data: ScopeData | null): void {
  if (usePainter.getState().by === 'page') return;
  waiting = { data };
  if (busy) return;
  busy = true;
  void (async () => {
    try {
      while (waiting) {
        const { data: next } = waiting;
        waiting = undefined;
        await worker.call((api) => api.show(next));
      }
    } catch {
      byPage();
    } finally {
      busy = false;
    }
  })();
}
