// The finder's screen under test: drawn in a page without a browser, fed with frames of a camera in the same thread. Whatever is done is
// followed by a frame that answers it, so that nothing is waited for.
import { QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render } from '@testing-library/react/pure';
import { GestureHandlerRootView } from 'react-native-gesture-handler';
import { SafeAreaInsetsContext } from 'react-native-safe-area-context';
import { queryClient } from '../../src/library/roll';
import { useDesk } from '../../src/live/desk';
import { rememberDesk } from '../../src/live/desk-memory';
import { useReport } from '../../src/live/report';
import { FinderScreen } from '../../src/screens/finder/finder-screen';
import { fetchRest } from '../../src/screens/later';
import { spacePresses } from '../../src/ui/space-key';
import { drawFrame, loadScene } from './camera';
import { keptIn } from './storage';

/** Frames that something may take to be told. */
const MOST_FRAMES = 40;

export const SIZES = { upright: [390, 844], lying: [844, 390], wide: [1280, 800] } as const;

/** So much time passes from frame to frame that words tell of each, ms. */
const FRAME_MS = 200;
let ahead = 0;
const now = performance.now.bind(performance);
performance.now = () => now() + ahead;

/** A frame by what is set, and words that tell of it. */
export async function frame(): Promise<void> {
  ahead += FRAME_MS;
  await act(async () => {
    drawFrame();
    // What was promised happens.
    await new Promise((done) => setTimeout(done));
  });
}

export async function frames(count: number): Promise<void> {
  for (let i = 0; i < count; i++) await frame();
}

/** A live finder with the small body; labels of a first visit are put away. */
export async function openFinder(size: keyof typeof SIZES = 'upright'): Promise<void> {
  const [width, height] = SIZES[size];
  Object.assign(window, { innerWidth: width, innerHeight: height });
  for (const [name, value] of Object.entries({ clientWidth: width, clientHeight: height }))
    Object.defineProperty(document.documentElement, name, { configurable: true, value });
  fireEvent(window, new Event('resize'));
  await fetchRest();
  await loadScene('wheel-bench', 'small-24');
  useDesk.setState({ optic: 'small-24', guided: true });
  keptIn('velmo-desk').clear();
  ends.push(spacePresses(), await rememberDesk());
  render(
    <GestureHandlerRootView>
      <SafeAreaInsetsContext.Provider value={{ left: 0, right: 0, top: 0, bottom: 0 }}>
        <QueryClientProvider client={queryClient}>
          <FinderScreen active />
        </QueryClientProvider>
      </SafeAreaInsetsContext.Provider>
    </GestureHandlerRootView>,
  );
  await until(
    () => (['found', 'failed'].includes(useReport.getState().words?.focus?.state ?? '') ? true : null),
    () => 'the lens stays on its way',
  );
}

/** What goes on until the finder is closed. */
const ends: (() => void)[] = [];

export function closeFinder(): void {
  cleanup();
  ends.splice(0).forEach((end) => end());
}

const selector = (id: string) => `[data-testid="${id}"]`;

export function there(id: string): HTMLElement | null {
  return document.querySelector(selector(id));
}

/** @throws Error where it is not on the screen */
export function shown(id: string): HTMLElement {
  const found = there(id);
  if (!found) throw new Error(`${id} is not on the screen`);
  return found;
}

export const text = (id: string) => shown(id).textContent ?? '';

/** Draws frames until something holds. @throws Error with what it was when it never does */
async function until<T>(look: () => T | null, told: () => string): Promise<T> {
  for (let i = 0; i < MOST_FRAMES; i++) {
    const found = look();
    if (found !== null) return found;
    await frame();
  }
  throw new Error(told());
}

export const appears = (id: string) =>
  until(
    () => there(id),
    () => `${id} does not appear`,
  );
export const goes = (id: string) =>
  until(
    () => (there(id) ? null : true),
    () => `${id} does not go`,
  );
export const becomes = (id: string, pattern: RegExp) =>
  until(
    () => (pattern.test(there(id)?.textContent ?? '') ? text(id) : null),
    () => `${id} does not become ${pattern}: it is ${there(id)?.textContent ?? 'not there'}`,
  );
/** Waits until the desk is kept with these words in it: "part":value. */
export const keeps = (words: string) =>
  until(
    () => (deskKept().includes(words) ? true : null),
    () => `${words} is not kept: ${deskKept()}`,
  );
const deskKept = () =>
  [...keptIn('velmo-desk')].map(([key, value]) => `"${key.split(':').at(-1)}":${value}`).join();
export const changes = (id: string, from: string) =>
  until(
    () => (text(id) === from ? null : text(id)),
    () => `${id} stays ${from}`,
  );

export async function tap(id: string): Promise<void> {
  await appears(id);
  await tapOn(shown(id));
}

export async function tapOn(element: Element): Promise<void> {
  await act(async () => void fireEvent.click(element));
  await frame();
}

/** The person's own doing, by the desk itself. */
export async function doing(what: () => void): Promise<void> {
  await act(async () => what());
  await frame();
}

export async function type(id: string, words: string): Promise<void> {
  await act(async () => void fireEvent.change(shown(id), { target: { value: words } }));
  await frame();
}

/** As a finger on the picture does: the spot lies there. */
export async function tapPicture(x: number, y: number): Promise<void> {
  await doing(() => useDesk.getState().setSpot({ x, y }));
}

/** Chooses a file in a field for one. */
export async function choose(id: string, name: string, content: string): Promise<void> {
  const file = Object.assign(new Blob([content]), { name });
  Object.defineProperty(shown(id), 'files', { configurable: true, value: [file] });
  await act(async () => void fireEvent.change(shown(id)));
  await frame();
}

/** Keys, one after the other, where the focus is, and a frame that answers them. */
export async function press(...keys: string[]): Promise<void> {
  for (const key of keys) {
    const at = document.activeElement ?? document.body;
    await act(async () => {
      fireEvent.keyDown(at, { key });
      fireEvent.keyUp(at, { key });
    });
  }
  await frame();
}

/** A key that is held down while something is looked at. */
export async function hold(key: string, looking: () => Promise<void>): Promise<void> {
  await act(async () => void fireEvent.keyDown(document.body, { key }));
  await looking();
  await act(async () => void fireEvent.keyUp(document.body, { key }));
  await frame();
}

export async function focus(id: string): Promise<void> {
  await appears(id);
  await act(async () => shown(id).focus());
}
