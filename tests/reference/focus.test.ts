// Automatic focus on the scenes that ship: what it finds by looking, against the distances that only a test knows. Depth of field by the thin
// lens with the circle of confusion of 0.030 mm on 36 × 24 mm; within half of it either way is in focus.
import { loadScene } from '../../cli/scene-files';
import { settledFocus } from '../../src/core/focus/follow';
import { hyperfocalM } from '../../src/core/optics/lens';
import { viewScene } from '../../src/core/scene/view';
import { focusSourceOf } from '../../src/core/scene/view-source';
import { OPTICS } from '../../src/core/sensor/cameras';
import { initialValues } from '../../src/core/setting/values';
import { LONG, partOf } from '../sweep';
import { focusTrial, type FocusTrial } from '../../tools/focus-trials';

const SCENES = [
  ...['bisque-shelf', 'yard-night'],
  ...partOf(['wheel-bench', 'glaze-table', 'spy-hole', 'shed-door', 'soot-wall', 'tile-board'], 1),
];
const LENSES = LONG ? (['wide', 'tele', 'zoom-24', 'zoom-77'] as const) : (['wide', 'tele'] as const);
/** Off the middle lines. */
const PLACES = [
  { x: 0.3, y: 0.35 },
  { x: 0.65, y: 0.7 },
];
const trials = new Map<string, FocusTrial[]>();
beforeAll(async () => {
  for (const id of SCENES)
    for (const lens of LENSES) {
      const camera = OPTICS[lens];
      const view = viewScene(await loadScene(id, camera.plates), camera, 'portrait');
      trials.set(
        `${id} ${lens}`,
        PLACES.map((at) => focusTrial(view, at)),
      );
    }
});

const found = (of: (key: string) => boolean = () => true) =>
  [...trials]
    .filter(([key]) => of(key))
    .flatMap(([, all]) => all.filter(({ inUse }) => inUse.state === 'found'));

it('is right, within the depth of field, in 95 of 100 trials in which it says that it found something', () => {
  const all = found();
  expect(all.length).toBeGreaterThan(LONG ? 40 : 5);
  const right = all.filter((one) => one.right);
  expect(right.length / all.length).toBeGreaterThanOrEqual(0.95);
});

it('finds nearly everything where there is light, in at most 0.6 s of the camera’s clock in bench light', () => {
  const bench = [...trials]
    .filter(([key]) => /^(wheel-bench|bisque-shelf)/.test(key))
    .flatMap(([, all]) => all);
  const ones = bench.filter(({ inUse }) => inUse.state === 'found');
  expect(ones.length / bench.length).toBeGreaterThan(0.85);
  const times = ones.map(({ inUse }) => inUse.tookS!).sort((a, b) => a - b);
  expect(times[times.length >> 1]).toBeLessThanOrEqual(0.6);
});

it('says that it found nothing where nobody could, and that it is dark where it is', () => {
  const night = [...trials].filter(([key]) => key.startsWith('yard-night')).flatMap(([, all]) => all);
  const failed = night.filter(({ inUse }) => inUse.state === 'failed');
  expect(failed.length / night.length).toBeGreaterThan(0.8);
  expect(failed.every(({ inUse }) => inUse.why === 'dark')).toBe(true);
});

it('is deceived by no picture at half the detail, which is sharp everywhere: it waits', async () => {
  const { space: _, ...flat } = await loadScene('wheel-bench', 'wide');
  const view = viewScene(flat, OPTICS.wide, 'portrait');
  const { state, focusM } = settledFocus(focusSourceOf(view), initialValues().focus, PLACES[0]!);
  expect([state, focusM]).toEqual(['waiting', hyperfocalM(OPTICS.wide.lens, OPTICS.wide.sensor)]);
});
