// The world in front of a simulated camera, as the person arranged it. With a camera that looks at the real one it is not there.
import { create } from 'zustand';
import type { ViewStatus } from '../camera/port';
import type { World } from '../camera/simulated/world';
import { OPENING, type Outside } from '../core/scene/outside';
import opening from './opening.json';

interface WorldState extends World {
  readonly status: ViewStatus;
  /** Counts how often what did not load was asked for again. */
  readonly retries: number;
  setScene(scene: string): void;
  arrange(change: Partial<Outside>): void;
  setStatus(status: ViewStatus): void;
  /** Asks anew for what did not load. */
  tryAgain(): void;
}

export const useWorld = create<WorldState>()((set) => ({
  scene: opening.scene,
  outside: OPENING,
  status: { kind: 'loading', view: opening.scene, share: 0 },
  retries: 0,
  // Lamps have other names there; what the person holds in hand stays.
  // The one that did not load, chosen again, is asked for again.
  setScene: (scene) =>
    set(({ outside, retries }) => ({ scene, outside: { ...outside, levels: {} }, retries: retries + 1 })),
  arrange: (change) => set(({ outside }) => ({ outside: { ...outside, ...change } })),
  setStatus: (status) => set({ status }),
  tryAgain: () => set(({ retries }) => ({ retries: retries + 1 })),
}));
