// The page's side of the painter: one that hangs is let go, and the page draws by itself. The painter is the far end of a channel.
import { closeFarEnds, FarEnd } from '../../../tests/far-end';
import type { ScopeData } from './paint';

jest.mock('../theme', () => ({ font: { medium: 'x' }, fontUrl: () => '/x' }));

const DATA = {} as ScopeData;
let shown = 0;
let painter: FarEnd;

function Painter() {
  painter = new FarEnd({
    here: () => Promise.resolve(),
    beat: () => Promise.resolve(),
    show: () => void shown++,
  });
  painter.come();
  return painter;
}
function Canvas() {}
Canvas.prototype.transferControlToOffscreen = () => undefined;
Object.assign(globalThis, { Worker: Painter, HTMLCanvasElement: Canvas });
Object.defineProperty(globalThis, 'navigator', { value: {}, configurable: true });

afterAll(closeFarEnds);

it('draws what is newest; once it hangs it is let go, and the page draws', async () => {
  jest.useFakeTimers({ doNotFake: ['nextTick', 'queueMicrotask', 'setImmediate'] });
  const pass = async (ms: number) => {
    await jest.advanceTimersByTimeAsync(ms);
    for (let i = 0; i < 10; i++) await new Promise(setImmediate);
  };
  const { show, usePainter } = await import('./painter');
  const SILENT_MS = 3000;
  show(DATA);
  await pass(10);
  expect([usePainter.getState().by, shown]).toEqual(['painter', 1]);
  // One that takes its time between is left to it.
  await pass(10 * SILENT_MS);
  show(DATA);
  await pass(10);
  expect([usePainter.getState().by, shown, painter.ended]).toEqual(['painter', 2, false]);
  painter.hang();
  show(DATA);
  await pass(SILENT_MS / 2);
  expect(usePainter.getState().by).toBe('painter');
  await pass(SILENT_MS / 2 + 100);
  expect([usePainter.getState().by, painter.ended]).toEqual(['page', true]);
  show(DATA);
  await pass(10);
  expect(shown).toBe(2);
  jest.useRealTimers();
});
