// Renders every plate of the scenes with POV-Ray: `npx tsx tools/scenes/render.ts [SCENE …]`. Finished plates are kept in
// .cache/scenes under the hash of their source; all scenes take about two hours on two cores.
import { existsSync, mkdirSync, readFileSync, renameSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { LENS_PLATES, platesOf, renderFile, SCENE_IDS, sourceDir } from './files';
import { render, rendererIsThere } from './povray';

if (!rendererIsThere()) {
  console.error('POV-Ray is not installed: apt-get install povray povray-includes');
  process.exit(2);
}
const asked = process.argv.slice(2);
for (const lens of Object.keys(LENS_PLATES)) {
  for (const id of asked.length > 0 ? asked : SCENE_IDS) {
    const { lamps } = JSON.parse(readFileSync(join(sourceDir(id), 'scene.json'), 'utf8')) as {
      lamps: { plate: string }[];
    };
    for (const plate of ['DEPTH', 'SURFACE', ...lamps.map((lamp) => lamp.plate)]) {
      const target = renderFile(id, plate, lens);
      if (existsSync(target)) continue;
      mkdirSync(dirname(target), { recursive: true });
      const partial = target.replace(/\.exr$/, '.part.exr');
      const started = Date.now();
      render({ id, plate, ...platesOf(id, lens) }, partial);
      renameSync(partial, target);
      console.log(`${id} ${lens} ${plate}: ${((Date.now() - started) / 1000).toFixed(0)} s`);
    }
  }
}
