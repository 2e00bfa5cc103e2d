// Packs a rendered scene: `npx tsx tools/scenes/pack.ts [SCENE]` → assets/scenes/SCENE.vsc, and a digest of the master
// (every aligned 16×16 mean, and full-size windows) for the tests. Refuses to write what is not faithful.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { LUMA_709 } from '../../src/core/colour/srgb';
import { decodePlate, encodePlate, type Plate } from '../../src/core/scene/plate-codec';
import { writeScenePack } from '../../src/core/scene/pack';
import type { SceneDescription } from '../../src/core/scene/scene';
import { readExr } from './exr';
import { fidelity, floorOf, outliers, valuesToKeep } from './fidelity';
import { masterFile, packedFile, renderFile, sourceDir } from './files';
import { writeMasterDigest } from './master-digest';

interface SceneSource extends Omit<SceneDescription, 'lamps' | 'patches'> {
  unitCdM2: number;
  lamps: { id: string; name: string; plate: string; gain: number; level: number }[];
  patches: { name: string; x: number; y: number; radius: number }[];
}

const STEP = 0.035;
const MAX_PATCH_ERROR = 0.005;
const MAX_RMS = 0.05;
/** Coarser colour at hard edges is put right where a single value would be off by more than this. */
const MAX_SINGLE_ERROR = 0.14;
const MAX_BYTES = 3_000_000;
/** The depth pass writes distance / 64 m. */
const DEPTH_RANGE_M = 64;

async function main() {
  const id = process.argv[2] ?? 'wheel-bench';
  const source = JSON.parse(readFileSync(join(sourceDir(id), 'scene.json'), 'utf8')) as SceneSource;
  const masters = source.lamps.map((lamp) => {
    const exr = readExr(readFileSync(renderFile(id, lamp.plate)));
    return plateOf(exr.width, exr.height, 3, exr.rgb, source.unitCdM2 * lamp.gain);
  });
  const depthExr = readExr(readFileSync(renderFile(id, 'DEPTH')));
  const depth = plateOf(
    depthExr.width,
    depthExr.height,
    1,
    depthExr.rgb.filter((_, i) => i % 3 === 0),
    DEPTH_RANGE_M,
  );

  const packed = [];
  for (const [i, master] of masters.entries()) {
    const quality = { step: STEP, ratioStep: STEP, floor: floorOf(master) / 4 };
    const first = encodePlate(master, quality);
    const decoded = await decodePlate(first.header, first.bytes);
    const edges = outliers(master, decoded, MAX_SINGLE_ERROR);
    const means = valuesToKeep(master, decoded, MAX_PATCH_ERROR * 0.9);
    const keep = [...new Set([...edges, ...means])].sort((a, b) => a - b);
    const final = encodePlate(master, quality, keep);
    const report = fidelity(master, await decodePlate(final.header, final.bytes));
    const [rms, patch] = [Math.max(...report.rms), Math.max(...report.worstPatch)];
    console.log(
      `${source.lamps[i]!.name}: ${final.bytes.length} bytes, ${keep.length} values kept exactly, ` +
        `pixel RMS ${(100 * rms).toFixed(2)} %, worst 16×16 mean ${(100 * patch).toFixed(2)} %`,
    );
    if (rms > MAX_RMS || patch > MAX_PATCH_ERROR) throw new Error('Not faithful enough');
    packed.push(final);
  }
  packed.push(encodePlate(depth, { step: 0.02, ratioStep: 0, floor: 0.01 }));

  const description: SceneDescription = {
    id: source.id,
    name: source.name,
    says: source.says,
    fieldDeg: source.fieldDeg,
    lamps: source.lamps.map(({ id: lamp, name, level }) => ({ id: lamp, name, level })),
    patches: source.patches.map((patch) => ({
      ...patch,
      luminance: round(
        patchMean(patch, depth.width, (i) =>
          masters.reduce((sum, m, k) => sum + source.lamps[k]!.level * luminance(m, i), 0),
        ),
      ),
      distanceM: round(patchMean(patch, depth.width, (i) => depth.data[i]!)),
    })),
  };
  const bytes = writeScenePack(description, packed);
  console.log(`${source.name}: ${bytes.length} bytes`, description.patches);
  if (bytes.length > MAX_BYTES) throw new Error(`More than ${MAX_BYTES} bytes`);
  for (const file of [packedFile(id), masterFile(id)]) mkdirSync(dirname(file), { recursive: true });
  writeFileSync(packedFile(id), bytes);
  writeFileSync(masterFile(id), writeMasterDigest(masters));
}

void main();

function plateOf(width: number, height: number, channels: 1 | 3, values: Float32Array, unit: number): Plate {
  return { width, height, channels, data: values.map((v) => v * unit) };
}

function luminance({ data }: Plate, i: number): number {
  return LUMA_709[0] * data[3 * i]! + LUMA_709[1] * data[3 * i + 1]! + LUMA_709[2] * data[3 * i + 2]!;
}

function patchMean(
  { x, y, radius }: { x: number; y: number; radius: number },
  size: number,
  value: (i: number) => number,
): number {
  let [sum, n] = [0, 0];
  for (let py = Math.floor((y - radius) * size); py < (y + radius) * size; py++)
    for (let px = Math.floor((x - radius) * size); px < (x + radius) * size; px++) {
      sum += value(py * size + px);
      n++;
    }
  return sum / n;
}

function round(value: number): number {
  return Number(value.toPrecision(4));
}
