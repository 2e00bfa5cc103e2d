// White on the desk: by hand or measured from a thing, and whites kept under names.
import { tintsOn, whiteByHand } from '../core/setting/white';
import { RING_RADII } from '../core/white/ring';
import { opticWith } from './camera';
import { clamp, standingWhite } from './desk-controls';
import type { WhiteSlice } from './desk-state';
import { MOST_NAME, MOST_WHITES } from './kept-white';
import { latestReport } from './report';
import type { Slice } from './slice';

export const whiteSlice: Slice<WhiteSlice> = (set, get) => ({
  ring: null,
  whites: [],
  showLights: false,

  setWhite: (white) => get().setSetting('white', whiteByHand(white)),
  setTint: (tint) => {
    const { settings, optic } = get();
    const stands = standingWhite(settings, latestReport());
    const { low, high } = tintsOn(opticWith(optic), stands.exact);
    get().setSetting('white', { ...stands, tint: Math.min(high, Math.max(low, Math.round(tint))) });
  },
  setRing: (ring) =>
    set({
      ring: ring && {
        at: { x: clamp(ring.at.x), y: clamp(ring.at.y) },
        radius: Math.min(RING_RADII.most, Math.max(RING_RADII.least, ring.radius)),
      },
    }),
  keepWhite: (given) =>
    set(({ settings, whites }) => {
      const name = given.trim().slice(0, MOST_NAME);
      const others = whites.filter((white) => white.name !== name);
      if (name === '') return {};
      if (others.length >= MOST_WHITES)
        return { notice: `${MOST_WHITES} whites are kept. Remove one to keep another.` };
      const { exact: kelvin, tint } = standingWhite(settings, latestReport());
      return { whites: [...others, { name, kelvin, tint }] };
    }),
  forgetWhite: (name) => set(({ whites }) => ({ whites: whites.filter((white) => white.name !== name) })),
  setShowLights: (showLights) => set({ showLights }),
});
