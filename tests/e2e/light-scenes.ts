// The scenes as they ship, but for the one that the program opens with: that one at half its detail, so that pages which are about anything but
// detail are there sooner. Made once, kept beside what is built.
import { createHash } from 'node:crypto';
import { cpSync, existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { defaultFolders } from '../../server/main';
import { encodePlate } from '../../src/core/scene/plate-codec';
import { readScenePack, writeScenePack } from '../../src/core/scene/pack';
import { encodeSpace } from '../../src/core/scene/space-codec';
import opening from '../../src/live/opening.json';

const STEP = 0.035;
/** Stops under the brightest value at which a plate ends. */
const DEPTH_STOPS = 20;

/** The folder with them. */
export async function lightScenes(): Promise<string> {
  const name = `${opening.scene}.wide.vsc`;
  const bytes = readFileSync(join(defaultFolders.scenes, name));
  const hash = createHash('sha256').update(bytes).digest('hex').slice(0, 12);
  const folder = join(defaultFolders.demo, '..', `light-scenes-${hash}`);
  if (existsSync(folder)) return folder;
  const part = `${folder}.${process.pid}.part`;
  rmSync(part, { recursive: true, force: true });
  mkdirSync(part, { recursive: true });
  cpSync(defaultFolders.scenes, part, { recursive: true });
  const { description, size, lamps, space } = await readScenePack(bytes);
  const plates = lamps.map((lamp) => {
    const peak = lamp.data.reduce((most, v) => Math.max(most, v), 0);
    return encodePlate(lamp, { step: STEP, ratioStep: STEP, floor: peak / 2 ** DEPTH_STOPS });
  });
  writeFileSync(join(part, name), writeScenePack(description, plates, encodeSpace(space!, size)));
  renameSync(part, folder);
  return folder;
}
