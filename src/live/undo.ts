// What was done to frames last and can still be taken back, across screens.
import { create } from 'zustand';
import type { Roll } from '../core/frame/roll';

/** Frames that went out of the sheet, or into another roll; and the roll that went with it, where one did. */
export type Done =
  | { readonly kind: 'deleted'; readonly ids: readonly string[]; readonly roll?: Roll }
  | {
      readonly kind: 'moved';
      /** Ids by the rolls that they were in. */
      readonly from: Readonly<Record<string, readonly string[]>>;
      readonly to: string;
      readonly roll?: Roll;
    };

interface Undo {
  readonly done: Done | null;
  note(done: Done): void;
  clear(): void;
}

export const useUndo = create<Undo>()((set) => ({
  done: null,
  note: (done) => set({ done }),
  clear: () => set({ done: null }),
}));
