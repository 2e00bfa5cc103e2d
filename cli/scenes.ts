import { SIM_ONE } from '../src/core/sensor/sim-one';
import type { Arguments } from './arguments';
import { loadScene, sceneIds } from './scene-files';

export function scenes(args: Arguments): number {
  const found = sceneIds().map((id) => {
    const { description } = loadScene(id);
    const { name, says, lamps, patches } = description;
    return { id, name, says, camera: SIM_ONE.name, lenses: [SIM_ONE.lens.name], lamps, patches };
  });
  if (args.json) console.log(JSON.stringify(found));
  else {
    for (const scene of found) {
      console.log(`${scene.id}  ${scene.name}: ${scene.says}`);
      for (const p of scene.patches) console.log(`    ${p.name}: ${p.luminance} cd/m² at ${p.distanceM} m`);
    }
  }
  return 0;
}
