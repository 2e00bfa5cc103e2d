import { readSceneDescription } from '../src/core/scene/pack';
import { opticsOf } from '../src/core/sensor/cameras';
import { SIM_ONE } from '../src/core/sensor/sim-one';
import { CAMERA_IDS } from '../src/core/sensor/simulated-camera';
import type { Arguments } from './arguments';
import { sceneBytes, sceneList } from './scene-files';

export function scenes(args: Arguments): number {
  const found = sceneList().map(({ id, name, says, lenses, lamps, oneOf, bytes }) => ({
    id,
    name,
    says,
    camera: SIM_ONE.wide.name,
    cameras: CAMERA_IDS.map((camera) => {
      const optics = opticsOf(camera);
      return { id: camera, name: optics[0]!.name, lenses: optics.map((optic) => optic.lensId) };
    }),
    lenses: lenses.map((lens) => ({
      id: lens,
      name: SIM_ONE[lens].lens.name,
      equivalentMm: SIM_ONE[lens].equivalentMm,
      bytes: bytes[lens],
      patches: readSceneDescription(sceneBytes(id, lens)).patches,
    })),
    lamps,
    ...(oneOf ? { oneOf } : {}),
    patches: readSceneDescription(sceneBytes(id, 'wide')).patches,
  }));
  if (args.json) console.log(JSON.stringify(found));
  else {
    for (const scene of found) {
      console.log(`${scene.id}  ${scene.name}: ${scene.says}`);
      console.log(
        `    lenses ${scene.lenses.map((l) => l.id).join(', ')}; lamps ${scene.lamps.map((l) => l.id).join(', ')}`,
      );
      for (const p of scene.patches) console.log(`    ${p.name}: ${p.luminance} cd/m² at ${p.distanceM} m`);
    }
  }
  return 0;
}
