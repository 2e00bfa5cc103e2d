// Peaking on the glaze table: the pot in focus lights up, those out of its depth of field do not, and what lights up is what a capture shows.
// Distances are those of the rendering, which the camera does not have.
import { loadScene } from '../../cli/scene-files';
import { colourOfNeutral } from '../../src/core/colour/camera';
import { finderFor } from '../../src/core/finder/finder';
import type { PeaksAsk } from '../../src/core/finder/source';
import { isPeak, PEAKING_RULES, PEAKING_STRENGTHS } from '../../src/core/focus/peaking';
import { BURN_SHARE } from '../../src/core/meter/highlight';
import { readMeter } from '../../src/core/meter/read';
import { SPOT_SHARE } from '../../src/core/meter/spot';
import { depthOfField, hyperfocalM } from '../../src/core/optics/lens';
import { captureWindow } from '../../src/core/scene/capture';
import { lookExposure } from '../../src/core/scene/focus-look';
import { cropOf, frameSize } from '../../src/core/scene/framing';
import { focusedPlates } from '../../src/core/scene/light-rows';
import { OPENING } from '../../src/core/scene/outside';
import { peakingOf } from '../../src/core/scene/peaking';
import { viewScene, type SceneView } from '../../src/core/scene/view';
import { viewSource } from '../../src/core/scene/view-source';
import { OPTICS } from '../../src/core/sensor/cameras';
import { blackOf, cfaIndex, clipLevel } from '../../src/core/sensor/raw-frame';
import { gainDnPerE } from '../../src/core/sensor/sensor';
import { initialValues } from '../../src/core/setting/values';

const camera = OPTICS.wide;
const outside = { ...OPENING, support: 'tripod' as const };
const { width, height } = frameSize(camera, 'landscape', 640);
let view: SceneView;
let ev100: number;
let peaks: (ask: PeaksAsk) => Uint32Array | null;
beforeAll(async () => {
  view = viewScene(await loadScene('glaze-table', 'wide'), camera, 'landscape', outside);
  const middle = { at: { x: 0.5, y: 0.5 }, spotShare: SPOT_SHARE, burnShare: BURN_SHARE };
  ({ ev100 } = readMeter(view.sight, 'whole', middle));
  peaks = peakingOf(view, width, height);
});

const settings = { shutterS: 1 / 60, iso: 100, apertureN: camera.lens.apertureN, compensationEv: 0 };
const asked = (focusM: number, change: Partial<PeaksAsk> = {}): PeaksAsk => ({
  ...{ settings, focusM, ev100, strength: 'usual', seed: 1 },
  ...change,
});

/** What a sample shows. */
const thingAt = (sample: number) => {
  const { size, space } = view.detail;
  const crop = cropOf(size, 'landscape');
  const x = Math.floor(crop.x + (((sample % width) + 0.5) * crop.width) / width);
  const y = Math.floor(crop.y + ((Math.floor(sample / width) + 0.5) * crop.height) / height);
  const [metres, kind] = [space!.distance[y * size + x]!, space!.surface[y * size + x]! & 15];
  return { metres, glazed: kind === 2 };
};
/** The three pots by how far their glaze is. */
const POTS = { cup: [0.28, 0.4], bottle: [0.44, 0.54], vase: [0.72, 0.82] } as const;
type Pot = keyof typeof POTS;
const potAt = (sample: number): Pot | null => {
  const { metres, glazed } = thingAt(sample);
  const found = (Object.keys(POTS) as Pot[]).find((pot) => metres > POTS[pot][0] && metres < POTS[pot][1]);
  return glazed && found ? found : null;
};
const sharesOf = (lit: Uint32Array) => {
  const [all, some] = [
    { cup: 0, bottle: 0, vase: 0 },
    { cup: 0, bottle: 0, vase: 0 },
  ];
  for (let i = 0; i < width * height; i++) {
    const pot = potAt(i);
    if (pot) all[pot]++;
  }
  for (const i of lit) {
    const pot = potAt(i);
    if (pot) some[pot]++;
  }
  return (pot: Pot) => some[pot] / all[pot];
};

it.each([
  ['cup', 0.35],
  ['bottle', 0.5],
  ['vase', 0.8],
] as const)(
  'focused on the %s at %f m it alone lights up: five times its share of any other, and more',
  (pot, focusM) => {
    const share = sharesOf(peaks(asked(focusM))!);
    expect(share(pot)).toBeGreaterThan(0.015);
    const { nearM, farM } = depthOfField(
      camera.lens.focalLengthMm,
      hyperfocalM(camera.lens, camera.sensor),
      focusM,
    );
    for (const other of Object.keys(POTS) as Pot[]) {
      if (other === pot) continue;
      // It does lie outside.
      expect(POTS[other][1] < nearM || POTS[other][0] > farM).toBe(true);
      expect(share(pot)).toBeGreaterThan(5 * share(other));
    }
  },
);

it('lights up what a capture shows as sharp edges: nine of ten are found there, in its own sites', () => {
  const focusM = 0.5;
  const lit = peaks(asked(focusM))!;
  const { sensor } = camera;
  const { shutterS, iso } = lookExposure(settings.apertureN, ev100);
  const exposure = { ...settings, shutterS, iso };
  const whole = frameSize(camera, 'landscape', sensor.width);
  const perSample = whole.width / width;
  // About the bottle.
  const window = { x: 1600, y: 820, width: 860, height: 1300 };
  const frame = captureWindow(
    focusedPlates(view, focusM, settings),
    sensor.width,
    window,
    {
      ...{ settings: exposure, colour: colourOfNeutral(camera.matrices, [1, 1, 1]) },
      ...{ seed: 5, timeMs: 0, offsetMinutes: 0, clockS: 100 },
    },
    { support: 'tripod', press: 0, sinceTouchS: 60 },
  );
  const gain = gainDnPerE(sensor, iso);
  const read = sensor.readPreE ** 2 + (sensor.readPostDn / gain) ** 2;
  /** The mean of three green sites along a line, as a root; NaN where one is clipped. */
  const groupAt = (x: number, y: number, dx: number, dy: number) => {
    let sum = 0;
    for (let k = -1; k <= 1; k++) {
      const [sx, sy] = [x + 2 * k * dx, y + 2 * k * dy];
      // A line of one colour: its own row or column, moved to green.
      const site = cfaIndex(sx, sy);
      const green = site === 1 || site === 2;
      const at = (sy + (green ? 0 : dx)) * frame.width + sx + (green ? 0 : dy);
      const value = frame.data[at] ?? NaN;
      if (!(value < clipLevel(frame))) return NaN;
      sum += (value - blackOf(frame, 1)) / gain / 3;
    }
    return 2 * Math.sqrt(Math.max(0, sum + read + 3 / 8));
  };
  const edgeNear = (cx: number, cy: number) => {
    for (let y = cy - 6; y <= cy + 6; y++)
      for (let x = cx - 6; x <= cx + 6; x++)
        for (const [dx, dy] of [
          [1, 0],
          [0, 1],
        ] as const) {
          const [a, b, c, d] = [-5, -2, 1, 4].map((k) => groupAt(x + k * dx, y + k * dy, dy, dx));
          // A little less is asked of it: its groups lie where its green sites are.
          if (isPeak(a!, b!, c!, d!, 1 / Math.sqrt(3), { share: 0.5, deviations: 6 })) return true;
        }
    return false;
  };
  const near = Array.from(lit, (i) => [
    Math.round(((i % width) + 0.5) * perSample) - window.x,
    Math.round((Math.floor(i / width) + 0.5) * perSample) - window.y,
  ]).filter(([x, y]) => x! > 20 && y! > 20 && x! < window.width - 20 && y! < window.height - 20);
  expect(near.length).toBeGreaterThan(200);
  expect(near.filter(([x, y]) => edgeNear(x!, y!)).length / near.length).toBeGreaterThan(0.9);
});

it('without light nothing lights up, whatever is asked for; noise differs, what lights up hardly does', () => {
  const dark = viewScene(
    { ...view.description, description: view.description, size: 64, ...flat(1e-5) },
    camera,
    'landscape',
    outside,
  );
  for (const strength of PEAKING_STRENGTHS)
    expect(peakingOf(dark, width, height)(asked(0.5, { strength, ev100: -14 }))).toHaveLength(0);
  const [a, b] = [1, 2].map((seed) => new Set(peaks(asked(0.5, { seed })))) as [Set<number>, Set<number>];
  const both = [...a].filter((i) => b.has(i)).length;
  expect(both / a.size).toBeGreaterThan(0.75);
  expect(PEAKING_RULES.few.deviations).toBeGreaterThan(PEAKING_RULES.many.deviations);
  expect(peaks(asked(0.5, { strength: 'few' }))!.length).toBeLessThan(a.size);
  expect(peaks(asked(0.5, { strength: 'many' }))!.length).toBeGreaterThan(a.size);
});

/** A chequered wall of hardly any light, lamps as the table has them. */
function flat(level: number) {
  const size = 64;
  const data = Float32Array.from({ length: size * size * 3 }, (_, i) =>
    ((Math.floor(i / 3) % size) & 8) === (Math.floor(i / 3 / size) & 8) ? level : level / 4,
  );
  return {
    lamps: view.description.lamps.map(() => ({ width: size, height: size, data })),
    space: { distance: new Float32Array(size * size).fill(0.5), surface: new Uint8Array(size * size) },
  };
}

it('tells nothing in a first look, and while the lens searches; while it is moved it follows a few frames behind', async () => {
  const scene = await loadScene('glaze-table', 'wide');
  const { space: _, fine: __, ...first } = scene;
  expect(peakingOf(viewScene(first, camera, 'landscape', outside), width, height)(asked(0.5))).toBeNull();
  const finder = finderFor(viewSource(view, 1, 160));
  const ask = (exact: number) => ({
    settings: { ...initialValues(), focus: { auto: false, exact, how: 'continuous' as const } },
    ...{ freely: false, at: { x: 0.5, y: 0.5 }, focusAt: null, focusAgain: 0, pins: [] },
    ...{ lockedEv100: null, habitEv: 0, ring: null },
    outlook: { tolerance: { share: 0.0001, area: 0 }, cleanDb: 10 },
  });
  const mark = { strength: 'many', colour: 'lime' } as const;
  let number = 0;
  const shown = (exact: number) => {
    number++;
    const frame = finder.measure(ask(exact), number, { timeS: 100, sinceTouchS: 60 });
    finder.develop(frame);
    return finder.markPeaks(frame, number, mark);
  };
  // The first look waits until the view stays; then what peaks is told, and stays while the focus does.
  expect([shown(0.5), shown(0.5)]).toEqual([null, null]);
  const still = shown(0.5);
  expect(still).toBeGreaterThan(0.001);
  expect(shown(0.5)).toBe(still);
  const lit = finder.rgba.some((_, i) => i % 4 === 0 && finder.rgba[i] === 190 && finder.rgba[i + 1] === 255);
  expect(lit).toBe(true);
  const moved = [0.6, 0.62, 0.64, 0.66, 0.66].map(shown);
  expect(moved.at(-1)).not.toBe(still);
});
