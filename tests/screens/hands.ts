// What a person does on a screen under test, and what they look for on it. After each act something passes, a frame of a camera or a turn of the
// page, so that nothing is waited for by the clock.
import { act, fireEvent } from '@testing-library/react/pure';

export const SIZES = { upright: [390, 844], lying: [844, 390], wide: [1280, 800] } as const;

/** The window has that size, CSS pixels. */
export function windowOf([width, height]: readonly [number, number]): void {
  Object.assign(window, { innerWidth: width, innerHeight: height });
  for (const [name, value] of Object.entries({ clientWidth: width, clientHeight: height }))
    Object.defineProperty(document.documentElement, name, { configurable: true, value });
  fireEvent(window, new Event('resize'));
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

/** Has beats pass until something holds. @throws Error with what it was when it never does */
export const untilBy =
  (beat: () => Promise<void>, most: number) =>
  async <T>(look: () => T | null, told: () => string): Promise<T> => {
    for (let i = 0; i < most; i++) {
      const found = look();
      if (found !== null) return found;
      await beat();
    }
    throw new Error(told());
  };

/** @param beat what passes after each act @param most beats that something may take to be told */
export function handsBy(beat: () => Promise<void>, most: number) {
  const until = untilBy(beat, most);
  const appears = (id: string) =>
    until(
      () => there(id),
      () => `${id} does not appear`,
    );
  const doing = async (what: () => void): Promise<void> => {
    await act(async () => what());
    await beat();
  };
  const tapOn = (element: Element) => {
    // Nothing is laid out: what is tapped is what lies there.
    Object.assign(document, { elementFromPoint: () => element });
    return doing(() => void fireEvent.click(element));
  };
  return {
    appears,
    doing,
    tapOn,
    goes: (id: string) =>
      until(
        () => (there(id) ? null : true),
        () => `${id} does not go`,
      ),
    becomes: (id: string, pattern: RegExp) =>
      until(
        () => (pattern.test(there(id)?.textContent ?? '') ? text(id) : null),
        () => `${id} does not become ${pattern}: it is ${there(id)?.textContent ?? 'not there'}`,
      ),
    changes: (id: string, from: string) =>
      until(
        () => (text(id) === from ? null : text(id)),
        () => `${id} stays ${from}`,
      ),
    tap: async (id: string) => tapOn(await appears(id)),
    type: (id: string, words: string) =>
      doing(() => void fireEvent.change(shown(id), { target: { value: words } })),
    /** Chooses a file in a field for one. */
    choose: async (id: string, name: string, content: string) => {
      const file = Object.assign(new Blob([content]), { name });
      Object.defineProperty(shown(id), 'files', { configurable: true, value: [file] });
      await doing(() => void fireEvent.change(shown(id)));
    },
    /** Keys, one after the other, where the focus is, and a beat that answers them. */
    press: async (...keys: (string | KeyboardEventInit)[]) => {
      for (const key of keys) {
        const at = document.activeElement ?? document.body;
        const event = typeof key === 'string' ? { key } : key;
        await act(async () => {
          fireEvent.keyDown(at, event);
          fireEvent.keyUp(at, event);
        });
      }
      await beat();
    },
    /** A key that is held down while something is looked at. */
    hold: async (key: string, looking: () => Promise<void>) => {
      await act(async () => void fireEvent.keyDown(document.body, { key }));
      await looking();
      await doing(() => void fireEvent.keyUp(document.body, { key }));
    },
    focus: async (id: string) => {
      const element = await appears(id);
      await act(async () => element.focus());
    },
  };
}
