// What is laid over the picture to compose by, and the part of the frame that is to be the picture.
import { at, CUT_LADDER, nearestStep } from '../core/units/ladders';
import type { FramingSlice } from './desk-state';
import type { Slice } from './slice';

export const framingSlice: Slice<FramingSlice> = (set, get) => ({
  grid: 'none',
  level: false,
  lengths: 'm',

  setGrid: (grid) => set({ grid }),
  setLevel: (level) => set({ level }),
  setLengths: (lengths) => set({ lengths }),
  stepCut: (by) => {
    const { cut } = get().settings;
    get().changeSetting('cut', { times: at(CUT_LADDER, nearestStep(CUT_LADDER, cut.times) + by).exact });
  },
});
