// What the person checks by before the press: marks, remedies, another exposure held up, the loupe.
import { CHECK_SETTINGS } from './check-settings';
import { clamp } from './desk-controls';
import type { CheckSlice } from './desk-state';
import type { Slice } from './slice';

export const checkSlice: Slice<CheckSlice> = (set) => ({
  check: CHECK_SETTINGS,
  remediesOff: [],
  other: null,
  holding: false,
  loupe: null,

  setCheck: (change) => set(({ check }) => ({ check: { ...check, ...change } })),
  toggleMark: (mark) =>
    set(({ check }) => ({ check: { ...check, marks: { ...check.marks, [mark]: !check.marks[mark] } } })),
  turnRemedy: (kind, on) =>
    set(({ remediesOff }) => ({
      remediesOff: on ? remediesOff.filter((k) => k !== kind) : [...new Set([...remediesOff, kind])],
    })),
  setOther: (other) => set({ other, holding: false }),
  hold: (holding) => set(({ other }) => ({ holding: holding && other !== null })),
  setLoupe: (loupe) => set({ loupe: loupe && { x: clamp(loupe.x), y: clamp(loupe.y) } }),
});
