// Takes every packed scene through its lenses at its metered exposure: `npx tsx tools/scenes/contact.ts` → the contact picture
// docs/screenshots/scenes.png and the small pictures of the scene chooser, assets/scenes/SCENE.jpg.
import { colourOfNeutral } from '../../src/core/colour/camera';
import { measureWhite } from '../../src/core/white/measure';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { encode } from 'fast-png';
import { encodeJpeg } from '../../cli/jpeg';
import { loadScene, sceneList } from '../../cli/scene-files';
import { DEFAULT_RULES, resolveExposure } from '../../src/core/exposure/automatic';
import { planFor } from '../../src/core/finder/finder';
import { settledFocus } from '../../src/core/focus/follow';
import { initialValues } from '../../src/core/setting/values';
import { focusSourceOf, steadyTimeS } from '../../src/core/scene/view-source';
import { BURN_SHARE } from '../../src/core/meter/highlight';
import { readMeter } from '../../src/core/meter/read';
import { SPOT_SHARE } from '../../src/core/meter/spot';
import { developReduced } from '../../src/core/raw/develop';
import { captureFrame } from '../../src/core/scene/capture';
import { plateRows } from '../../src/core/scene/light-rows';
import { OPENING } from '../../src/core/scene/outside';
import { viewScene } from '../../src/core/scene/view';
import { SIM_ONE } from '../../src/core/sensor/sim-one';
import { PLATE_IDS, type PlateId } from '../../src/core/sensor/simulated-optic';
import { inPalette } from '../palette';
import { root } from './files';

const LONG_SIDE = 1344;
const CELL = { width: 256, height: 192 };
const GAP = 8;
const MIDDLE = { at: { x: 0.5, y: 0.5 }, spotShare: SPOT_SHARE, burnShare: BURN_SHARE };
/** Thirds of compensation that a photographer would give: bright stays bright, dark dark, and the night night. */
const THIRDS: Record<string, number> = {
  'bisque-shelf': 4,
  'soot-wall': -5,
  'yard-night': -4,
  'spy-hole': -3,
};

async function take(id: string, lens: PlateId) {
  const camera = SIM_ONE[lens];
  const outside = { ...OPENING, support: 'tripod' as const };
  const view = viewScene(await loadScene(id, lens), camera, 'landscape', outside);
  const controls = {
    shutter: { auto: true, exact: 1 },
    iso: { auto: true, exact: 100 },
    aperture: { auto: true, exact: 1 },
    compensationEv: (THIRDS[id] ?? 0) / 3,
  };
  const { ev100 } = readMeter(view.sight, 'whole', MIDDLE);
  const { settings } = resolveExposure(
    controls,
    ev100,
    planFor({ lens: camera.lens, steadyS: steadyTimeS(camera.equivalentMm, outside.support) }, DEFAULT_RULES),
  );
  const focusM = settledFocus(focusSourceOf(view), initialValues().focus, null).focusM;
  const daylight = colourOfNeutral(camera.matrices, [1, 1, 1]);
  const order = { settings, colour: daylight, seed: 7, timeMs: 0, offsetMinutes: 0, clockS: 72_000 };
  const rest = { support: 'tripod' as const, press: 0, sinceTouchS: 60 };
  const frame = captureFrame(plateRows(view, LONG_SIDE, focusM), order, rest);
  return { ...frame, colour: measureWhite(frame).colour };
}

async function main() {
  const scenes = sceneList();
  const width = PLATE_IDS.length * (CELL.width + GAP) - GAP;
  const height = scenes.length * (CELL.height + GAP) - GAP;
  const sheet = new Uint8Array(width * height * 3).fill(23);
  for (const [row, scene] of scenes.entries()) {
    for (const [column, lens] of PLATE_IDS.entries()) {
      if (!scene.lenses.includes(lens)) continue;
      const frame = await take(scene.id, lens);
      const rgba = developReduced(frame, CELL.width, CELL.height);
      for (let y = 0; y < CELL.height; y++)
        for (let x = 0; x < CELL.width; x++)
          for (let c = 0; c < 3; c++) {
            const to = ((row * (CELL.height + GAP) + y) * width + column * (CELL.width + GAP) + x) * 3 + c;
            sheet[to] = rgba[(y * CELL.width + x) * 4 + c]!;
          }
      if (lens === 'wide') {
        const small = encodeJpeg(developReduced(frame, 168, 126), 168, 126);
        writeFileSync(join(root, 'assets', 'scenes', `${scene.id}.jpg`), small);
      }
    }
  }
  const png = inPalette(encode({ width, height, data: sheet, channels: 3 }));
  writeFileSync(join(root, 'docs', 'screenshots', 'scenes.png'), png);
}

void main();
