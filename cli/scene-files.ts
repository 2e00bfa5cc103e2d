// The packed scenes that ship with the program.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readScenePack } from '../src/core/scene/pack';
import type { Scene, SceneListing } from '../src/core/scene/scene';
import type { PlateId } from '../src/core/sensor/simulated-optic';
import { UsageError } from './arguments';

/** Where packed scenes are; another folder of them can be named in the environment. */
const folder = () => process.env.VELMO_SCENES ?? join(__dirname, '..', 'assets', 'scenes');

/** Scenes in the order of the firing day. */
export function sceneList(): SceneListing[] {
  return JSON.parse(readFileSync(join(folder(), 'scenes.json'), 'utf8')) as SceneListing[];
}

/** @throws UsageError that lists the scenes when there is none of this name. */
export async function loadScene(id: string | undefined, lens: PlateId = 'wide'): Promise<Scene> {
  const path = scenePath(id, lens);
  if (last?.path !== path) last = { path, scene: readScenePack(readFileSync(path)) };
  return last.scene;
}
/** What was read last: questions that follow each other are often about one scene. */
let last: { readonly path: string; readonly scene: Promise<Scene> } | undefined;

export function sceneBytes(id: string | undefined, lens: PlateId): Uint8Array {
  return readFileSync(scenePath(id, lens));
}

function scenePath(id: string | undefined, lens: PlateId): string {
  const list = sceneList();
  const all = list.map((scene) => scene.id).join(', ');
  if (!id) throw new UsageError(`--scene is missing. Scenes: ${all}`);
  const found = list.find((scene) => scene.id === id);
  if (!found) throw new UsageError(`No scene ${id}. Scenes: ${all}`);
  if (!found.lenses.includes(lens)) {
    throw new UsageError(`${id} is not there for the ${lens}. Lenses: ${found.lenses.join(', ')}`);
  }
  return join(folder(), `${id}.${lens}.vsc`);
}
