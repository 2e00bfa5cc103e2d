// What a scene is: plates of light, one for each lamp, with the words and figures that describe them.
import type { Plate } from './plate-codec';

export interface SceneLamp {
  readonly id: string;
  readonly name: string;
  /** Share of its full light in the scene as it opens, 0 … 1. */
  readonly level: number;
}

/** A named patch of the scene, for people and tests: centre and half size in shares of the square plate. */
export interface ScenePatch {
  readonly name: string;
  readonly x: number;
  readonly y: number;
  readonly radius: number;
  /** Luminance with all lamps at their opening level, cd/m². */
  readonly luminance: number;
  readonly distanceM: number;
}

export interface SceneDescription {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  /** Field across the square plate, degrees, and the lens it was made for. */
  readonly fieldDeg: number;
  readonly lamps: readonly SceneLamp[];
  readonly patches: readonly ScenePatch[];
}

/** A scene in memory. Plates are square, linear Rec. 709 with luminance in cd/m². */
export interface Scene {
  readonly description: SceneDescription;
  readonly size: number;
  readonly lamps: readonly Plate[];
  /** Distance in metres; unpacked when asked for, since a picture without defocus does not need it. */
  depth(): Promise<Plate>;
}

/** The light of all lamps added up at the given levels (opening levels where none is given). */
export function lightOf(scene: Scene, levels: Readonly<Record<string, number>> = {}): Float32Array {
  const sum = new Float32Array(scene.size * scene.size * 3);
  scene.lamps.forEach((plate, i) => {
    const lamp = scene.description.lamps[i];
    const level = lamp ? (levels[lamp.id] ?? lamp.level) : 0;
    if (!(level > 0)) return;
    const { data } = plate;
    for (let k = 0; k < sum.length; k++) sum[k] = sum[k]! + level * data[k]!;
  });
  return sum;
}
