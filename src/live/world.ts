// The world in front of a simulated camera, as the person arranged it. With a camera that looks at the real one it is not there.
import { create } from 'zustand';
import type { ViewStatus } from '../camera/port';
import type { World } from '../camera/simulated/world';
import { LEVEL, type Attitude } from '../core/body/attitude';
import { OPENING, type Outside } from '../core/scene/outside';
import opening from './opening.json';

interface WorldState extends World {
  readonly status: ViewStatus;
  /** Counts how often what did not load was asked for again. */
  readonly retries: number;
  /** How the simulated camera is held. */
  readonly attitude: Attitude;
  setScene(scene: string): void;
  hold(attitude: Partial<Attitude>): void;
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
  attitude: LEVEL,
  // Lamps have other names there; what the person holds in hand stays.
  // The one that did not load, chosen again, is asked for again.
  setScene: (scene) =>
    set(({ outside, retries }) => ({ scene, outside: { ...outside, levels: {} }, retries: retries + 1 })),
  arrange: (change) => set(({ outside }) => ({ outside: { ...outside, ...change } })),
  hold: (change) => set(({ attitude }) => ({ attitude: { ...attitude, ...change } })),
  setStatus: (status) => set({ status }),
  tryAgain: () => set(({ retries }) => ({ retries: retries + 1 })),
}));
