import type { Orientation } from '../src/core/body/orientation';
import { readSceneDescription } from '../src/core/scene/pack';
import { plateCropOf } from '../src/core/scene/framing';
import { OPTICS, opticsOf } from '../src/core/sensor/cameras';
import { SIM_ONE } from '../src/core/sensor/sim-one';
import { LENS_IDS, OFFERED_CAMERA_IDS, type SimulatedOptic } from '../src/core/sensor/simulated-optic';
import { choice, type Arguments } from './arguments';
import { sceneBytes, sceneList } from './scene-files';

export function scenes(args: Arguments): number {
  const orientation = choice<Orientation>(args, 'orientation', ['landscape', 'portrait'], 'landscape');
  const optic = OPTICS[choice(args, 'lens', LENS_IDS, 'wide')];
  const found = sceneList().map(({ id, name, says, lenses, lamps, oneOf, bytes }) => ({
    id,
    name,
    says,
    orientation,
    camera: optic.lens.name,
    cameras: OFFERED_CAMERA_IDS.map((camera) => {
      const optics = opticsOf(camera);
      return { id: camera, name: optics[0]!.name, lenses: optics.map((one) => one.lensId) };
    }),
    lenses: lenses.map((lens) => ({
      id: lens,
      name: SIM_ONE[lens].lens.name,
      equivalentMm: SIM_ONE[lens].equivalentMm,
      bytes: bytes[lens],
      patches: patchesOf(id, SIM_ONE[lens], orientation),
    })),
    lamps,
    ...(oneOf ? { oneOf } : {}),
    patches: lenses.includes(optic.plates) ? patchesOf(id, optic, orientation) : [],
  }));
  if (args.json) console.log(JSON.stringify(found));
  else {
    for (const scene of found) {
      console.log(`${scene.id}  ${scene.name}: ${scene.says}`);
      console.log(
        `    lenses ${scene.lenses.map((l) => l.id).join(', ')}; lamps ${scene.lamps.map((l) => l.id).join(', ')}`,
      );
      for (const { name, x, y, inFrame, luminance, distanceM } of scene.patches) {
        const at = inFrame ? `at ${x.toFixed(3)},${y.toFixed(3)}` : 'outside this frame';
        console.log(`    ${name}: ${at}, ${luminance} cd/m², ${distanceM} m away`);
      }
    }
  }
  return 0;
}

/** Named patches of a scene, in shares of the frame that the optic shows; the radius in shares of its width. */
function patchesOf(id: string, { plates, crop }: SimulatedOptic, orientation: Orientation) {
  const shown = plateCropOf(orientation, crop);
  const round = (v: number) => Math.round(v * 1e5) / 1e5;
  return readSceneDescription(sceneBytes(id, plates)).patches.map((patch) => {
    const x = round((patch.x - shown.x) / shown.width);
    const y = round((patch.y - shown.y) / shown.height);
    const inFrame = x >= 0 && x <= 1 && y >= 0 && y <= 1;
    return { ...patch, x, y, radius: round(patch.radius / shown.width), inFrame };
  });
}
