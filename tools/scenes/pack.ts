// Packs rendered scenes: `npx tsx tools/scenes/pack.ts [SCENE …]` → assets/scenes/SCENE.LENS.vsc for every lens that has been
// rendered, their list in assets/scenes/scenes.json, and a digest of the opening scene's masters for the tests. Refuses to
// write what is not faithful.
import { existsSync, mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { decodePlate, encodePlate } from '../../src/core/scene/plate-codec';
import type { Plate } from '../../src/core/scene/plate';
import { readSceneDescription, writeScenePack } from '../../src/core/scene/pack';
import { encodeSpace } from '../../src/core/scene/space-codec';
import { OPEN_SKY_M, type SceneDescription } from '../../src/core/scene/scene';
import { PLATE_IDS, type PlateId } from '../../src/core/sensor/simulated-optic';
import { readExr } from './exr';
import { fidelity, floorOf, outliers, valuesToKeep } from './fidelity';
import {
  LENS_PLATES,
  masterFile,
  packedFile,
  platesOf,
  renderFile,
  root,
  SCENE_IDS,
  sourceDir,
} from './files';
import { writeMasterDigest } from './master-digest';
import { readSource, statedPatch, statedSurfaces, type SceneSource } from './patch-source';

/** Of the usual plates; more detail is quantised more coarsely, since each of its pixels is a smaller part of what is seen. */
const STEP = 0.035;
const FINE_STEP = 0.06;
const MAX_PATCH_ERROR = 0.005;
const MAX_RMS = 0.05;
/** Coarser colour at hard edges is put right where a single value would be off by more than this. */
const MAX_SINGLE_ERROR = 0.14;
const MAX_FINE_SINGLE_ERROR = 0.25;
const OPENING = 'wheel-bench';
const MAX_OPENING_BYTES = 4_000_000;
const MAX_SCENE_BYTES = 8_000_000;
/** The depth pass writes distance / 128 m, and nothing where there is nothing. */
const DEPTH_RANGE_M = 128;

async function packLens(source: SceneSource, lens: PlateId): Promise<void> {
  const { id } = source;
  const read = (plate: string) => readExr(readFileSync(renderFile(id, plate, lens)));
  const masters = source.lamps.map((lamp): Plate => {
    const { width, height, rgb } = read(lamp.plate);
    return { width, height, data: rgb.map((v) => v * source.unitCdM2 * lamp.gain) };
  });
  const packed = [];
  for (const [i, master] of masters.entries()) {
    const floor = floorOf(master, source.floorStops);
    const isFine = master.width > LENS_PLATES[lens]!.size;
    const step = isFine ? (source.fineStep ?? FINE_STEP) : STEP;
    const quality = { step, ratioStep: step, floor: floor / 4 };
    const first = encodePlate(master, quality);
    const decoded = await decodePlate(first.header, first.bytes);
    const edges = outliers(master, decoded, isFine ? MAX_FINE_SINGLE_ERROR : MAX_SINGLE_ERROR, floor);
    const means = valuesToKeep(master, decoded, MAX_PATCH_ERROR * 0.9, floor);
    const keep = [...new Set([...edges, ...means])].sort((a, b) => a - b);
    const final = encodePlate(master, quality, keep);
    const report = fidelity(master, await decodePlate(final.header, final.bytes), floor);
    const [rms, patch] = [Math.max(...report.rms), Math.max(...report.worstPatch)];
    console.log(
      `${id} ${lens} ${source.lamps[i]!.name}: ${final.bytes.length} bytes, ${keep.length} values kept exactly, ` +
        `pixel RMS ${(100 * rms).toFixed(2)} %, worst mean of a patch ${(100 * patch).toFixed(2)} %`,
    );
    if (rms > MAX_RMS || patch > MAX_PATCH_ERROR) throw new Error('Not faithful enough');
    packed.push(final);
  }
  const depth = read('DEPTH').rgb;
  const kinds = read('SURFACE').rgb;
  const { size, fieldDeg } = platesOf(id, lens);
  const count = size * size;
  const space = {
    distance: Float32Array.from({ length: count }, (_, i) =>
      depth[3 * i]! > 1e-5 ? depth[3 * i]! * DEPTH_RANGE_M : OPEN_SKY_M,
    ),
    surface: Uint8Array.from({ length: count }, (_, i) => {
      const [grain, part, fibre] = [kinds[3 * i]!, kinds[3 * i + 1]!, kinds[3 * i + 2]!];
      return Math.round(Math.min(1, grain) * 15) | (fibre > 0.5 ? 16 : 0) | (Math.round(part * 8) << 5);
    }),
  };
  const {
    unitCdM2,
    floorStops,
    detail: _,
    fineStep: _fine,
    place: _place,
    patches,
    lamps,
    ...words
  } = source;
  const surfaces = statedSurfaces(source, fieldDeg);
  const description: SceneDescription = {
    ...words,
    lens,
    fieldDeg,
    lamps: lamps.map(({ plate, gain, ...lamp }) => lamp),
    patches: patches.flatMap(
      (patch) => statedPatch(patch, { ...source, lens, fieldDeg, size, space, plates: masters }) ?? [],
    ),
    ...(surfaces.length > 0 && { surfaces }),
  };
  const bytes = writeScenePack(description, packed, encodeSpace(space, size));
  console.log(`${id} ${lens}: ${bytes.length} bytes`);
  if (id === OPENING && lens === 'wide') {
    if (bytes.length > MAX_OPENING_BYTES) throw new Error(`More than ${MAX_OPENING_BYTES} bytes`);
    writeFileSync(masterFile(id), writeMasterDigest(masters));
  }
  const file = packedFile(id, lens);
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, bytes);
}

async function main() {
  const asked = process.argv.slice(2);
  for (const id of asked.length > 0 ? asked : SCENE_IDS) {
    const source = readSource(id);
    const plates = ['DEPTH', 'SURFACE', ...source.lamps.map((l) => l.plate)];
    for (const lens of PLATE_IDS) {
      const renders = plates.map((plate) => renderFile(id, plate, lens));
      if (!renders.every((file) => existsSync(file))) console.log(`${id} ${lens}: not rendered`);
      else if (isOlder(packedFile(id, lens), [...renders, join(sourceDir(id), 'scene.json')])) {
        await packLens(source, lens);
      }
    }
  }
  // The list of scenes: what the chooser shows before a scene is loaded.
  const list = SCENE_IDS.flatMap((id) => {
    const lenses = PLATE_IDS.filter((lens) => existsSync(packedFile(id, lens)));
    if (!lenses.includes('wide')) return [];
    const {
      patches: _p,
      surfaces: _s,
      lens: _l,
      fieldDeg: _f,
      ...words
    } = readSceneDescription(readFileSync(packedFile(id, 'wide')));
    const bytes = Object.fromEntries(lenses.map((lens) => [lens, statSync(packedFile(id, lens)).size]));
    const all = Object.values(bytes).reduce((sum, n) => sum + n, 0);
    if (all > MAX_SCENE_BYTES) throw new Error(`${id} has ${all} bytes, more than ${MAX_SCENE_BYTES}`);
    return { ...words, place: readSource(id).place, lenses, bytes };
  });
  writeFileSync(join(root, 'assets', 'scenes', 'scenes.json'), `${JSON.stringify(list, null, 1)}\n`);
}

void main();

/** Is a product missing, or older than one of its sources? */
function isOlder(product: string, sources: readonly string[]): boolean {
  if (!existsSync(product)) return true;
  const made = statSync(product).mtimeMs;
  return sources.some((source) => statSync(source).mtimeMs > made);
}
