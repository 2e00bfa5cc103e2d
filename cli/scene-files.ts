// The packed scenes that ship with the program.
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readScenePack } from '../src/core/scene/pack';
import type { Scene } from '../src/core/scene/scene';
import { UsageError } from './arguments';

const folder = join(__dirname, '..', 'assets', 'scenes');

export function sceneIds(): string[] {
  return readdirSync(folder)
    .filter((name) => name.endsWith('.vsc'))
    .map((name) => name.slice(0, -4))
    .sort();
}

/** @throws UsageError that lists the scenes when there is none of this name. */
export async function loadScene(id: string | undefined): Promise<Scene> {
  if (!id) throw new UsageError(`--scene is missing. Scenes: ${sceneIds().join(', ')}`);
  const file = join(folder, `${id}.vsc`);
  if (!/^[a-z0-9-]+$/.test(id) || !existsSync(file)) {
    throw new UsageError(`No scene ${id}. Scenes: ${sceneIds().join(', ')}`);
  }
  return readScenePack(readFileSync(file));
}
