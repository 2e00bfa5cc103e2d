// The packed scene against a digest of its rendered master (made by tools/scenes/pack.ts when the scene was packed).
import { readFileSync, statSync } from 'node:fs';
import { loadScene } from '../../cli/scene-files';
import { sightOf } from '../../src/core/meter/luminance-map';
import { readMeter } from '../../src/core/meter/read';
import { expanded } from '../../src/core/scene/coded-plate';
import type { Plate } from '../../src/core/scene/plate';
import type { Scene } from '../../src/core/scene/scene';
import { viewScene } from '../../src/core/scene/view';
import { SIM_ONE_WIDE } from '../../src/core/sensor/sim-one';
import { patchSide } from '../../tools/scenes/fidelity';
import { masterFile, packedFile } from '../../tools/scenes/files';
import { readMasterDigest, type MasterDigest } from '../../tools/scenes/master-digest';

const ID = 'wheel-bench';
let scene: Scene;
let master: MasterDigest;
/** In all their detail. */
let plates: readonly Plate[];
beforeAll(async () => {
  scene = await loadScene(ID);
  plates = scene.fine?.lamps.map(expanded) ?? scene.lamps;
  master = readMasterDigest(readFileSync(masterFile(ID)));
});

/** 16 stops under the brightest value of a plate: what lies lower is measured against this. */
const floorOf = (data: Float32Array) => data.reduce((a, b) => Math.max(a, b), 0) / 65536;

describe('the packed wheel bench', () => {
  it('is no larger than 4 MB', () => expect(statSync(packedFile(ID, 'wide')).size).toBeLessThan(4_000_000));

  it('keeps the mean of every patch, a 64th of the side, within 0.5 % in every channel of every lamp', () => {
    let worst = 0;
    master.plates.forEach(({ means }, p) => {
      const { data, width } = plates[p]!;
      const floor = floorOf(data);
      const side = patchSide(width);
      const across = width / side;
      means.forEach((truth, i) => {
        const [c, cell] = [i % 3, Math.floor(i / 3)];
        const [x0, y0] = [(cell % across) * side, Math.floor(cell / across) * side];
        let sum = 0;
        for (let k = 0; k < side * side; k++)
          sum += data[((y0 + Math.floor(k / side)) * width + x0 + (k % side)) * 3 + c]!;
        worst = Math.max(worst, Math.abs(sum / side ** 2 - truth) / Math.max(truth, floor));
      });
    });
    expect(worst).toBeLessThan(0.005);
  });

  it('keeps single pixels within 5 % RMS, in windows with hard edges and fine texture', () => {
    master.plates.forEach(({ windows }, p) => {
      const { data, width } = plates[p]!;
      const floor = floorOf(data);
      for (const { x, y, rgb } of windows) {
        let square = 0;
        rgb.forEach((truth, i) => {
          const at = ((y + Math.floor(i / 384)) * width + x) * 3 + (i % 384);
          square += ((data[at]! - truth) / Math.max(truth, floor)) ** 2;
        });
        expect(Math.sqrt(square / rgb.length)).toBeLessThan(0.05);
      }
    });
  });

  it('has no banding: a smooth wall has nearly as many values as pixels', () => {
    const { data, width } = plates[0]!;
    const values = new Set<number>();
    for (let y = 0; y < 32; y++)
      for (let x = 0; x < 32; x++)
        values.add(data[((Math.floor(0.29 * width) + y) * width + Math.floor(0.15 * width) + x) * 3 + 1]!);
    // 1/256-stop steps: a wall that varies by a stop can show 256 of them.
    expect(values.size).toBeGreaterThan(60);
  });

  it('has the grey card near 60 cd/m² and the yard at several thousand', () => {
    const patch = (name: string) => scene.description.patches.find((p) => p.name === name)!;
    expect(patch('Grey card').luminance).toBeGreaterThan(55);
    expect(patch('Grey card').luminance).toBeLessThan(65);
    expect(patch('Yard wall').luminance).toBeGreaterThan(3000);
  });

  it('gives its stated luminances back through the spot meter within 0.1 EV', () => {
    const view = viewScene(scene, SIM_ONE_WIDE, 'landscape');
    for (const name of ['Left wall', 'Grey card']) {
      const patch = scene.description.patches.find((p) => p.name === name)!;
      // A map of the patch alone: the spot is larger than some patches.
      const { width, height, data } = view.sight.luminance;
      const [u, v] = [patch.x, (patch.y - 0.125) / 0.75];
      const cells: number[] = [];
      for (let y = 0; y < height; y++)
        for (let x = 0; x < width; x++) {
          const inside =
            Math.abs((x + 0.5) / width - u) < patch.radius &&
            Math.abs((y + 0.5) / height - v) < patch.radius / 0.75;
          if (inside) cells.push(data[y * width + x]!);
        }
      const map = { width: cells.length, height: 1, data: Float32Array.from(cells) };
      const aim = { at: { x: 0.5, y: 0.5 }, spotShare: 0.01, burnShare: 0.0003 };
      const read = readMeter(sightOf(map), 'centre', aim);
      expect(Math.abs(Math.log2(read.luminance / patch.luminance))).toBeLessThan(0.1);
    }
  });

  it('knows how far things are', () => {
    for (const { name, x, y, distanceM } of scene.description.patches) {
      const read =
        scene.space!.distance[Math.floor(y * scene.size) * scene.size + Math.floor(x * scene.size)]!;
      expect([name, Math.abs(read / distanceM - 1) < 0.08]).toEqual([name, true]);
    }
  });
});
