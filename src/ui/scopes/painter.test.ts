// The page's side of the painter: one that hangs is let go, and the page draws by itself. The painter is the far end of a channel.
import * as Comlink from 'comlink';
import type { ScopeData } from './paint';

jest.mock('../theme', () => ({ font: { medium: 'x' }, fontUrl: () => '/x' }));

const DATA = {} as ScopeData;
const opened: MessagePort[] = [];
let [shown, ended, hangs] = [0, false, false];

class Painter extends EventTarget {
  readonly #port: MessagePort;
  constructor() {
    super();
    const { port1, port2 } = new MessageChannel();
    opened.push(port1, port2);
    this.#port = port1;
    port1.start();
    port1.addEventListener('message', ({ data }) =>
      this.dispatchEvent(new MessageEvent('message', { data })),
    );
    const api = {
      here: () => Promise.resolve(),
      show: () => (hangs ? new Promise(() => undefined) : void shown++),
    };
    Comlink.expose(api, port2 as unknown as Comlink.Endpoint);
  }
  postMessage(message: unknown): void {
    this.#port.postMessage(message);
  }
  terminate(): void {
    ended = true;
  }
}

function Canvas() {}
Canvas.prototype.transferControlToOffscreen = () => undefined;
Object.assign(globalThis, { Worker: Painter, HTMLCanvasElement: Canvas });
Object.defineProperty(globalThis, 'navigator', { value: {}, configurable: true });

afterAll(() => opened.forEach((port) => port.close()));

it('draws what is newest; once it hangs it is let go, and the page draws', async () => {
  jest.useFakeTimers({ doNotFake: ['nextTick', 'queueMicrotask', 'setImmediate'] });
  const pass = async (ms: number) => {
    await jest.advanceTimersByTimeAsync(ms);
    for (let i = 0; i < 10; i++) await new Promise(setImmediate);
  };
  const { show, SILENT_MS, usePainter } = await import('./painter');
  show(DATA);
  await pass(10);
  expect([usePainter.getState().by, shown]).toEqual(['painter', 1]);
  // One that takes its time between is left to it.
  await pass(10 * SILENT_MS);
  show(DATA);
  await pass(10);
  expect([usePainter.getState().by, shown, ended]).toEqual(['painter', 2, false]);
  hangs = true;
  show(DATA);
  await pass(SILENT_MS - 100);
  expect(usePainter.getState().by).toBe('painter');
  await pass(200);
  expect([usePainter.getState().by, ended]).toEqual(['page', true]);
  show(DATA);
  await pass(10);
  expect(shown).toBe(2);
  jest.useRealTimers();
});
