// What the sheet shows, in which order, and which frames are chosen in it: kept while other screens lie over it.
import { create } from 'zustand';
import { USUAL, type Arrangement } from '../../core/frame/arrange';

interface SheetState {
  /** Id of a roll; null for all frames. */
  readonly roll: string | null;
  readonly arrangement: Arrangement;
  /** True while the ways to sort and to filter are shown. */
  readonly arranging: boolean;
  /** Sequences whose frames are shown one by one. */
  readonly open: ReadonlySet<string>;
  /** Frames that something is to be done with; null while none are being chosen. */
  readonly chosen: ReadonlySet<string> | null;
  /** True while what can be done with the roll itself is shown. */
  readonly about: boolean;
  show(roll: string | null): void;
  arrange(change: Partial<Arrangement>): void;
  setArranging(arranging: boolean): void;
  /** Opens a sequence, or closes it. */
  unfold(group: string): void;
  setAbout(about: boolean): void;
  choose(ids: readonly string[] | null): void;
  /** Chooses frames, or no longer when all of them are. */
  toggle(ids: readonly string[]): void;
}

export const useSheet = create<SheetState>()((set) => ({
  roll: null,
  arrangement: USUAL,
  arranging: false,
  open: new Set(),
  chosen: null,
  about: false,
  show: (roll) => set({ roll, chosen: null }),
  arrange: (change) => set(({ arrangement }) => ({ arrangement: { ...arrangement, ...change } })),
  setArranging: (arranging) => set({ arranging, about: false }),
  unfold: (group) =>
    set(({ open }) => {
      const next = new Set(open);
      if (!next.delete(group)) next.add(group);
      return { open: next };
    }),
  setAbout: (about) => set({ about, chosen: null, arranging: false }),
  choose: (ids) => set({ chosen: ids && new Set(ids), about: false, arranging: false }),
  toggle: (ids) =>
    set(({ chosen }) => {
      const next = new Set(chosen);
      const all = ids.every((id) => next.has(id));
      for (const id of ids)
        if (all) next.delete(id);
        else next.add(id);
      return { chosen: next };
    }),
}));
