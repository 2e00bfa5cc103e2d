// `npx tsx tools/light-scenes.ts`: the scenes for tests that are about anything but detail, in .cache/light-scenes. Those with fine plates come on
// plates of 512 samples, the others are as they ship.
import { cpSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { encodePlate } from '../src/core/scene/plate-codec';
import { halvedSpace, readScenePack, writeScenePack } from '../src/core/scene/pack';
import type { Plate } from '../src/core/scene/plate';
import { encodeSpace } from '../src/core/scene/space-codec';

const root = join(__dirname, '..');
const SCENES = join(root, 'assets', 'scenes');
const LIGHT = join(root, '.cache', 'light-scenes');
const STEP = 0.035;
/** Samples along that are left. */
const SIDE = 512;
/** Stops under the brightest value at which a plate ends. */
const DEPTH_STOPS = 20;

async function main(): Promise<void> {
  const part = `${LIGHT}.${process.pid}.part`;
  mkdirSync(part, { recursive: true });
  cpSync(SCENES, part, { recursive: true });
  for (const name of readdirSync(part).filter((file) => file.endsWith('.vsc'))) {
    const scene = await readScenePack(readFileSync(join(SCENES, name)));
    if (!scene.fine) continue;
    let { size, lamps, space } = scene;
    for (; size > SIDE; size >>= 1) {
      space = halvedSpace(space!, size);
      lamps = lamps.map(halved);
    }
    const plates = lamps.map((plate) => {
      const peak = plate.data.reduce((most, v) => Math.max(most, v), 0);
      return encodePlate(plate, { step: STEP, ratioStep: STEP, floor: peak / 2 ** DEPTH_STOPS });
    });
    writeFileSync(join(part, name), writeScenePack(scene.description, plates, encodeSpace(space!, size)));
  }
  rmSync(LIGHT, { recursive: true, force: true });
  renameSync(part, LIGHT);
}

/** Means of two by two pixels. */
function halved({ width, height, data }: Plate): Plate {
  const [w, h] = [width >> 1, height >> 1];
  const less = new Float32Array(w * h * 3);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++)
      for (let c = 0; c < 3; c++) {
        const at = (2 * y * width + 2 * x) * 3 + c;
        less[(y * w + x) * 3 + c] =
          (data[at]! + data[at + 3]! + data[at + 3 * width]! + data[at + 3 * width + 3]!) / 4;
      }
  return { width: w, height: h, data: less };
}

void main();
