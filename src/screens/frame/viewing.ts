// How frames are looked at: zoom and place, developed or a channel of raw, what is marked. The same for the next frame, until it is changed.
import { create } from 'zustand';
import type { Clipping } from '../../core/review/view';

/** Pixels of the screen for a pixel of the picture; `fit` for all of it. */
export type Zoom = 'fit' | number;

export const MOST_ZOOM = 8;

export interface Viewing {
  readonly zoom: Zoom;
  /** What lies in the middle, shares of the picture. */
  readonly at: { readonly x: number; readonly y: number };
  /** All that raw holds, also what lies outside the framing. */
  readonly whole: boolean;
  /** Index of a channel of raw; null for the picture. */
  readonly channel: number | null;
  readonly clipping: Clipping;
  /** Histograms of what is on view only. */
  readonly part: boolean;
  look(change: Partial<Omit<Viewing, 'look' | 'toggle'>>): void;
  toggle(which: keyof Clipping): void;
}

export const useViewing = create<Viewing>()((set) => ({
  zoom: 'fit',
  at: { x: 0.5, y: 0.5 },
  whole: false,
  channel: null,
  clipping: { raw: false, picture: false },
  part: false,
  look: (change) => set(change),
  toggle: (which) => set(({ clipping }) => ({ clipping: { ...clipping, [which]: !clipping[which] } })),
}));
