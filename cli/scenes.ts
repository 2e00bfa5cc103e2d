import { SIM_ONE } from '../src/core/sensor/sim-one';
import type { Arguments } from './arguments';
import { loadScene, sceneIds } from './scene-files';

export async function scenes(args: Arguments): Promise<number> {
  const found = await Promise.all(
    sceneIds().map(async (id) => {
      const { description } = await loadScene(id);
      const { name, says, lamps, patches } = description;
      return { id, name, says, camera: SIM_ONE.name, lenses: [SIM_ONE.lens.name], lamps, patches };
    }),
  );
  if (args.json) console.log(JSON.stringify(found));
  else {
    for (const scene of found) {
      console.log(`${scene.id}  ${scene.name}: ${scene.says}`);
      for (const p of scene.patches) console.log(`    ${p.name}: ${p.luminance} cd/m² at ${p.distanceM} m`);
    }
  }
  return 0;
}
