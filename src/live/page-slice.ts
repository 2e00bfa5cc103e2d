// How the page looks, and what goes on.
import type { PageSlice } from './desk-state';
import type { Slice } from './slice';

export const pageSlice: Slice<PageSlice> = (set) => ({
  wants: { equivalents: null, weights: false, disagreement: false },
  notice: null,
  cleared: false,
  theme: 'studio',
  scope: 'raw',
  orientation: 'portrait',
  camera: { kind: 'starting' },
  capture: { kind: 'idle' },

  setWants: (wants) => set((desk) => ({ wants: { ...desk.wants, ...wants } })),
  setNotice: (notice) => set({ notice }),
  clear: (cleared) => set({ cleared }),
  setTheme: (theme) => set({ theme }),
  toggleScope: () => set(({ scope }) => ({ scope: scope === 'raw' ? 'picture' : 'raw' })),
  setOrientation: (orientation) => set({ orientation }),
  setCamera: (camera) => set({ camera }),
  setCapture: (capture) => set({ capture }),
});
