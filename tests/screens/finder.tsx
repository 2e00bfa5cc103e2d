// The finder's screen under test: drawn in a page without a browser, fed with frames of a camera in the same thread. Whatever is done is
// followed by a frame that answers it, so that nothing is waited for.
import { QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, render } from '@testing-library/react/pure';
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
import { handsBy, SIZES, untilBy, windowOf } from './hands';
import { keptIn } from './storage';

/** Frames that something may take to be told. */
const MOST_FRAMES = 40;

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

/** A live finder with the small body on a screen of that size; labels of a first visit are put away. One that is there already is turned. */
export async function openFinder(size: keyof typeof SIZES = 'upright'): Promise<void> {
  await act(async () => windowOf(SIZES[size]));
  if (ends.length > 0) return frames(2);
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

/** Draws frames until something holds. @throws Error with what it was when it never does */
const until = untilBy(frame, MOST_FRAMES);
export const { appears, goes, becomes, changes, tap, tapOn, doing, type, choose, press, hold, focus } =
  handsBy(frame, MOST_FRAMES);
export { shown, text, there } from './hands';

/** Waits until the desk is kept with these words in it: "part":value. */
export const keeps = (words: string) =>
  until(
    () => (deskKept().includes(words) ? true : null),
    () => `${words} is not kept: ${deskKept()}`,
  );
const deskKept = () =>
  [...keptIn('velmo-desk')].map(([key, value]) => `"${key.split(':').at(-1)}":${value}`).join();

/** As a finger on the picture does: the spot lies there. */
export async function tapPicture(x: number, y: number): Promise<void> {
  await doing(() => useDesk.getState().setSpot({ x, y }));
}
