// The world in front of the simulated cameras, as the person arranged it. Only they know of it.
import type { Outside } from '../../core/scene/outside';

export interface World {
  readonly scene: string;
  readonly outside: Outside;
}
