// How the page looks, and what goes on.
import type { PageSlice } from './desk-state';
import type { Slice } from './slice';

export const pageSlice: Slice<PageSlice> = (set) => ({
  wants: { equivalents: null, weights: false, disagreement: false, picture: false },
  notice: null,
  cleared: false,
  guide: false,
  guided: false,
  theme: 'studio',
  thumb: 'right',
  manners: { sound: false, haptics: true, awake: true },
  scope: 'raw',
  orientation: 'portrait',
  camera: { kind: 'starting' },
  capture: { kind: 'idle' },
  planShown: null,
  taken: 0,

  setWants: (wants) => set((desk) => ({ wants: { ...desk.wants, ...wants } })),
  setNotice: (notice) => set({ notice }),
  clear: (cleared) => set({ cleared }),
  // They count as seen once they were put away.
  showGuide: (guide) => set(({ guided }) => ({ guide, guided: guided || !guide })),
  setTheme: (theme) => set({ theme }),
  setManners: (change) => set(({ manners }) => ({ manners: { ...manners, ...change } })),
  setThumb: (thumb) => set({ thumb }),
  toggleScope: () => set(({ scope }) => ({ scope: scope === 'raw' ? 'picture' : 'raw' })),
  setOrientation: (orientation) => set({ orientation }),
  setCamera: (camera) => set({ camera }),
  setCapture: (capture) => set({ capture }),
  showPlan: (planShown) => set({ planShown }),
  noteTaken: () => set(({ taken }) => ({ taken: taken + 1 })),
});
