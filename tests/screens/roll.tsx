// The sheet and what opens from it, under test: drawn in a page without a browser over the demo's roll, which the roll's and the lightbox's own code
// keep and open in the same thread.
import { QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, render } from '@testing-library/react/pure';
import { useSyncExternalStore } from 'react';
import { GestureHandlerRootView } from 'react-native-gesture-handler';
import { pageStands } from '../../src/library/page-start';
import { queryClient, useRollChanges } from '../../src/library/roll';
import { useUndo } from '../../src/live/undo';
import { fetchRest } from '../../src/screens/later';
import { FrameScreen } from '../../src/screens/frame/frame-screen';
import { SheetScreen } from '../../src/screens/sheet/sheet-screen';
import { spacePresses } from '../../src/ui/space-key';
import { handsBy, SIZES, untilBy, windowOf } from './hands';
import { onGo, router, usePathname, went } from './router';
import { keptIn } from './storage';

/** Turns of the page that something may take; each lets what was promised happen. */
const MOST_TURNS = 5000;

export const turn = (): Promise<void> =>
  act(async () => void (await new Promise((done) => setTimeout(done, 1)))) as Promise<void>;

export const until = untilBy(turn, MOST_TURNS);
export const { appears, goes, becomes, tap, tapOn, doing, type, press, focus } = handsBy(turn, MOST_TURNS);
export { shown, text, there } from './hands';

function Screens() {
  useRollChanges();
  const path = useSyncExternalStore(onGo, usePathname);
  const frame = /^\/frame\/(\w+)$/.exec(path)?.[1];
  if (frame) return <FrameScreen id={frame} />;
  return path === '/sheet' ? <SheetScreen /> : null;
}

let end: (() => void) | undefined;

/** The sheet, once its frames are there. */
export async function openSheet(size: keyof typeof SIZES = 'upright'): Promise<void> {
  windowOf(SIZES[size]);
  await fetchRest();
  pageStands();
  went.push('/sheet');
  end = spacePresses();
  render(
    <GestureHandlerRootView>
      <QueryClientProvider client={queryClient}>
        <Screens />
      </QueryClientProvider>
    </GestureHandlerRootView>,
  );
  await appears('sheet-frame');
}

export function closeSheet(): void {
  cleanup();
  end?.();
  useUndo.getState().clear();
}

/** The frame in that place of the sheet, once it is open. */
export async function openFrame(index: number): Promise<void> {
  await doing(() => router.push('/sheet'));
  await tapOn(
    await until(
      () => tile(index),
      () => `There is no tile ${index}`,
    ),
  );
  await appears('picture-fit');
}

export const tile = (index: number) => document.querySelector<HTMLElement>(`[data-index="${index}"]`);
/** What tiles are called, in their order. */
export const labels = () =>
  [...document.querySelectorAll('[data-index]')].map((one) => one.getAttribute('aria-label') ?? '');
export const labelBecomes = (index: number, pattern: RegExp) =>
  until(
    () => (pattern.test(tile(index)?.getAttribute('aria-label') ?? '') ? true : null),
    () => `Tile ${index} does not become ${pattern}: it is ${tile(index)?.getAttribute('aria-label')}`,
  );

/** Records of the roll's store, by id. */
export const kept = (): Readonly<Record<string, Record<string, unknown>>> =>
  Object.fromEntries(
    [...keptIn('velmo-roll')]
      .filter(([key]) => key.startsWith('frame:'))
      .map(([key, value]) => [key.slice('frame:'.length), JSON.parse(value) as Record<string, unknown>]),
  );
export const store = keptIn('velmo-roll');
