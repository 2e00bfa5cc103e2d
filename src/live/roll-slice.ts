// Where frames go, and what their files say of the person and the place.
import { FIRST_ROLL } from '../core/facts/facts';
import type { RollSlice } from './desk-state';
import type { Slice } from './slice';

export const rollSlice: Slice<RollSlice> = (set) => ({
  roll: FIRST_ROLL,
  credit: { person: '', copyright: '' },
  placed: false,
  setRoll: (roll) => set({ roll }),
  setCredit: (change) => set(({ credit }) => ({ credit: { ...credit, ...change } })),
  setPlaced: (placed) => set({ placed }),
});
