// What the sheet shows and which frames are chosen in it: kept while other screens lie over it.
import { create } from 'zustand';

interface SheetState {
  /** Id of a roll; null for all frames. */
  readonly roll: string | null;
  /** Frames that something is to be done with; null while none are being chosen. */
  readonly chosen: ReadonlySet<string> | null;
  /** True while what can be done with the roll itself is shown. */
  readonly about: boolean;
  show(roll: string | null): void;
  setAbout(about: boolean): void;
  choose(ids: readonly string[] | null): void;
  /** Chooses a frame, or no longer. */
  toggle(id: string): void;
}

export const useSheet = create<SheetState>()((set) => ({
  roll: null,
  chosen: null,
  about: false,
  show: (roll) => set({ roll, chosen: null }),
  setAbout: (about) => set({ about, chosen: null }),
  choose: (ids) => set({ chosen: ids && new Set(ids), about: false }),
  toggle: (id) =>
    set(({ chosen }) => {
      const next = new Set(chosen);
      if (!next.delete(id)) next.add(id);
      return { chosen: next };
    }),
}));
