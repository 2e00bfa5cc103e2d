// Every packed scene against what its description states: luminances through the meter, distances, and, where the renderer is there, the source
// itself. What the tile board is through raw stands in white.test.ts.
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { loadScene, sceneList } from '../../cli/scene-files';
import { LUMA_709 } from '../../src/core/colour/srgb';
import type { Scene, ScenePatch } from '../../src/core/scene/scene';
import { viewScene } from '../../src/core/scene/view';
import { SIM_ONE } from '../../src/core/sensor/sim-one';
import { partOf } from '../sweep';
import { PLATE_IDS } from '../../src/core/sensor/simulated-optic';
import { readExr } from '../../tools/scenes/exr';
import { LENS_PLATES, packedFile, sourceDir } from '../../tools/scenes/files';
import { render, rendererIsThere } from '../../tools/scenes/povray';

const list = sceneList();

describe('the scenes together', () => {
  it('are eight, each for three lenses, 60 MB at most, 8 MB each; the opening view 4 MB', () => {
    expect(list).toHaveLength(8);
    const sizes = list.flatMap(({ id, lenses }) => lenses.map((lens) => statSync(packedFile(id, lens)).size));
    expect(sizes).toHaveLength(24);
    expect(sizes.reduce((a, b) => a + b)).toBeLessThan(60e6);
    for (const { bytes } of list) expect(Object.values(bytes).reduce((a, b) => a + b)).toBeLessThan(8e6);
    expect(list[0]!.bytes.wide!).toBeLessThan(4e6);
  });
});

/**
 * A patch as a spot of its size would read it: the mean of the meter's map over it. The map has 128 cells along the
 * frame; a patch of fewer than nine is read from the plates.
 */
function metered(scene: Scene, patch: ScenePatch): number {
  const { luminance } = viewScene(scene, SIM_ONE[scene.description.lens], 'landscape').sight;
  const { width, height, data } = luminance;
  const [u, v] = [patch.x * width, ((patch.y - 0.125) / 0.75) * height];
  const reach = patch.radius * width;
  const share = (cell: number, middle: number) =>
    Math.max(0, Math.min(cell + 1, middle + reach) - Math.max(cell, middle - reach));
  let [sum, area] = [0, 0];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const inside = share(x, u) * share(y, v);
      sum += inside * data[y * width + x]!;
      area += inside;
    }
  return area < 9 ? fromPlates(scene, patch) : sum / area;
}

function fromPlates({ size, lamps, description }: Scene, { x, y, radius }: ScenePatch): number {
  let [sum, n] = [0, 0];
  for (let py = Math.floor((y - radius) * size); py < (y + radius) * size; py++)
    for (let px = Math.floor((x - radius) * size); px < (x + radius) * size; px++) {
      const i = (py * size + px) * 3;
      lamps.forEach(({ data }, k) => {
        const light = LUMA_709[0] * data[i]! + LUMA_709[1] * data[i + 1]! + LUMA_709[2] * data[i + 2]!;
        sum += description.lamps[k]!.level * light;
      });
      n++;
    }
  return sum / n;
}

const views = list.flatMap(({ id }) => PLATE_IDS.map((lens) => [id, lens] as const));

describe('a scene', () => {
  it.each(partOf(views, 4))(
    '%s through the %s gives its patches back within 0.1 EV, at their distance',
    async (id, lens) => {
      const scene = await loadScene(id, lens);
      const { description, size, space } = scene;
      expect(description.lens).toBe(lens);
      if (lens === 'wide') expect(description.patches.length).toBeGreaterThan(2);
      for (const patch of description.patches) {
        const off = Math.abs(Math.log2(metered(scene, patch) / patch.luminance));
        expect([patch.name, off < 0.1 || off]).toEqual([patch.name, true]);
        const seen = space!.distance[Math.floor(patch.y * size) * size + Math.floor(patch.x * size)]!;
        const near = Math.abs(seen / patch.distanceM - 1) < 0.1;
        expect([patch.name, near || patch.radius * size < 4 || patch.distanceM > 100]).toEqual([
          patch.name,
          true,
        ]);
      }
    },
  );
});

describe('ranges', () => {
  /** Stops between the shares of the frame, with all lamps at their opening level. */
  const range = async (id: string, low: number, high: number) => {
    const { luminance } = viewScene(await loadScene(id), SIM_ONE.wide, 'landscape').sight;
    const sorted = Float32Array.from(luminance.data).sort();
    const at = (share: number) => sorted[Math.floor(share * (sorted.length - 1))]!;
    return Math.log2(at(high) / at(low));
  };
  /** Stops from the darkest 0.1 % of the plates to their brightest pixel. */
  const span = async (id: string) => {
    const { description, lamps, size } = await loadScene(id);
    const light = Float32Array.from({ length: size * size }, (_, i) =>
      lamps.reduce(
        (sum, { data }, k) =>
          sum +
          description.lamps[k]!.level *
            (LUMA_709[0] * data[3 * i]! + LUMA_709[1] * data[3 * i + 1]! + LUMA_709[2] * data[3 * i + 2]!),
        0,
      ),
    ).sort();
    return Math.log2(light[light.length - 1]! / light[Math.floor(light.length / 1000)]!);
  };
  it('the spy-hole spans 18 stops and more, the shed door 16 and more', async () => {
    expect(await span('spy-hole')).toBeGreaterThan(18);
    expect(await span('shed-door')).toBeGreaterThan(16);
  });
  it('bisque and soot are even: most of the frame within five stops', async () => {
    expect(await range('bisque-shelf', 0.05, 0.95)).toBeLessThan(5);
    expect(await range('soot-wall', 0.05, 0.95)).toBeLessThan(6);
  });
  it('the lantern of the night yard stands at about EV 9, the yard itself at EV −6 … −4', async () => {
    const scene = await loadScene('yard-night');
    const lantern = scene.description.patches.find((p) => p.name === 'Lantern')!;
    expect(Math.abs(Math.log2(lantern.luminance / 0.125) - 9)).toBeLessThan(1);
    const { luminance } = viewScene(scene, SIM_ONE.wide, 'landscape').sight;
    const sorted = Float32Array.from(luminance.data).sort();
    const ev = Math.log2(sorted[sorted.length >> 1]! / 0.125);
    expect(ev).toBeGreaterThan(-7);
    expect(ev).toBeLessThan(-4);
  });
});

const there = rendererIsThere();
if (!there)
  process.stderr.write(
    'POV-Ray is not installed: the check of a scene against its source was skipped' + '\n',
  );
(there ? describe : describe.skip)('a scene rendered small from its source', () => {
  const folder = mkdtempSync(join(tmpdir(), 'velmo-render-'));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  it('looks like its packed plate', async () => {
    const id = 'soot-wall';
    const source = JSON.parse(readFileSync(join(sourceDir(id), 'scene.json'), 'utf8')) as {
      unitCdM2: number;
      lamps: { plate: string; gain: number }[];
    };
    const SIZE = 64;
    const target = join(folder, 'small.exr');
    render(
      { id, plate: source.lamps[0]!.plate, fieldDeg: LENS_PLATES.wide!.fieldDeg, size: SIZE, draft: true },
      target,
    );
    const { rgb } = readExr(readFileSync(target));
    const { lamps, size } = await loadScene(id);
    const step = size / 8;
    // Means of an 8×8 grid, green, within half a stop nearly everywhere: the small one has coarse light.
    let good = 0;
    for (let cell = 0; cell < 64; cell++) {
      const [cx, cy] = [cell % 8, Math.floor(cell / 8)];
      let [small, packed] = [0, 0];
      for (let k = 0; k < 64; k++)
        small += rgb[((cy * 8 + (k >> 3)) * SIZE + cx * 8 + (k & 7)) * 3 + 1]! / 64;
      for (let y = 0; y < step; y++)
        for (let x = 0; x < step; x++)
          packed += lamps[0]!.data[((cy * step + y) * size + cx * step + x) * 3 + 1]!;
      packed /= step * step;
      const lit = small * source.unitCdM2 * source.lamps[0]!.gain;
      if (Math.abs(Math.log2(lit / packed)) < 0.5) good++;
    }
    expect(good).toBeGreaterThan(58);
  });
});
