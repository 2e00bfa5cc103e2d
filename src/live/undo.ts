// What was deleted last and can still be taken back, across screens.
import { create } from 'zustand';

interface Undo {
  readonly deleted: readonly string[] | null;
  note(ids: readonly string[]): void;
  clear(): void;
}

export const useUndo = create<Undo>()((set) => ({
  deleted: null,
  note: (deleted) => set({ deleted }),
  clear: () => set({ deleted: null }),
}));
