// The kernel against its twin, bit for bit: whole captures and windows of them, through several lenses, near and far.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { allowKernels } from '../kernels/kernel';
import { OPTICS } from '../sensor/cameras';
import { plateRows, focusedPlates } from './light-rows';
import { readScenePack } from './pack';
import type { Scene } from './scene';
import { surfaceRows } from './surface-rows';
import { viewScene } from './view';
import { partOf } from '../../../tests/sweep';

const scenes = new Map<string, Promise<Scene>>();
function sceneOf(id: string, plates: string): Promise<Scene> {
  const file = join(__dirname, '..', '..', '..', 'assets', 'scenes', `${id}.${plates}.vsc`);
  const known = scenes.get(file) ?? readScenePack(readFileSync(file));
  scenes.set(file, known);
  return known;
}

afterEach(() => allowKernels(true));

/** Factors of some rows of a grid, with the kernel and without. */
function rowsOf(grid: ReturnType<typeof plateRows>, kept: boolean) {
  return [true, false].map((use) => {
    allowKernels(use);
    const surface = surfaceRows(grid, { plain: true, kept })!;
    return [0, 1, 7, grid.height >> 1, grid.height - 1, 1].map((y) => {
      const out = new Float32Array(grid.width).fill(0.75);
      surface.apply(y, 0, 0, out);
      return out;
    });
  });
}

it.each(
  partOf(
    [
      ['wheel-bench', 'wide', 640, 1.5, 'portrait'],
      ['wheel-bench', 'wide', 4032, 1.2, 'landscape'],
      ['wheel-bench', 'tele', 1300, Infinity, 'portrait'],
      ['glaze-table', 'wide', 2002, 0.5, 'landscape'],
    ] as const,
    2,
  ),
)('%s through %s at %i sites, focused at %f m, %s', async (id, lens, longSide, focusM, held) => {
  const camera = OPTICS[lens];
  const view = viewScene(await sceneOf(id, camera.plates), camera, held);
  const [fast, plain] = rowsOf(plateRows(view, longSide, focusM), false);
  expect(fast).toEqual(plain);
  // There is grain: it is not only ones that are compared.
  expect(new Set(fast![3]!).size).toBeGreaterThan(50);
});

it('windows of any width, in turn, as a camera that focuses takes them between the rows of a capture', async () => {
  const camera = OPTICS.wide;
  const view = viewScene(await sceneOf('wheel-bench', camera.plates), camera, 'portrait');
  const plates = focusedPlates(view, 0.8);
  for (const width of [1, 2, 3, 5, 17, 128]) {
    const grid = plates.rows(camera.sensor.width, { x: 1400, y: 1800, width, height: 12 });
    const [fast, plain] = rowsOf(grid, true);
    expect(fast).toEqual(plain);
  }
});
