// Focus on the desk: where the automatic looks, apart from the spot once the person parts them; held where it stands; looked anew.
import { FAR_M } from '../core/units/ladders';
import { known } from '../core/units/known';
import { clamp } from './desk-controls';
import type { FocusSlice } from './desk-state';
import { latestReport } from './report';
import type { Slice } from './slice';

export const focusSlice: Slice<FocusSlice> = (set, get) => ({
  focusAt: null,
  focusAgain: 0,
  focusLoupe: true,
  inFocus: false,
  depth: false,
  peaking: { on: false, strength: 'usual', colour: 'lime' },

  setFocusAt: (at) => set({ focusAt: at && { x: clamp(at.x), y: clamp(at.y) } }),
  lookAgain: () => set(({ focusAgain }) => ({ focusAgain: focusAgain + 1 })),
  setFocusLoupe: (focusLoupe) => set({ focusLoupe }),
  setInFocus: (inFocus) => set({ inFocus }),
  setDepth: (depth) => set({ depth }),
  setPeaking: (change) => set(({ peaking }) => ({ peaking: { ...peaking, ...change } })),
  holdFocus: () => {
    const stands = known(latestReport()?.focusM ?? { unknown: '' });
    if (stands !== undefined) get().changeSetting('focus', { auto: false, exact: Math.min(FAR_M, stands) });
  },
});
