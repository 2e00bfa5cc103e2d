// A capture that is shared out: the same to the last bit whoever exposes which rows, and whole when mates fail.
import '../../../tests/light-scenes';
import { loadScene } from '../../../cli/scene-files';
import { colourOfWhite } from '../../core/colour/camera';
import {
  captureBands,
  captureStage,
  exposedStretch,
  stageOn,
  type CaptureOrder,
  type CaptureStage,
} from '../../core/scene/capture';
import type { DrawnPlates } from '../../core/scene/light-rows';
import type { SceneView } from '../../core/scene/view';
import { viewScene } from '../../core/scene/view';
import type { Scene } from '../../core/scene/scene';
import { OPTICS } from '../../core/sensor/cameras';
import { exposedByAll, sharedStage, stretchesOf, type Mate } from './band-crew';
import { matesFor } from './mates';

const SIDE = 512;
const colour = colourOfWhite(OPTICS.wide.matrices, { kelvin: 5000, tint: 0 });
const hand = { support: 'hand', press: 0.4, sinceTouchS: 0 } as const;
const nothing = () => Promise.resolve();

let scene: Scene;
beforeAll(async () => {
  scene = await loadScene('wheel-bench');
});

function viewOf(orientation: 'portrait' | 'landscape'): SceneView {
  return viewScene(scene, OPTICS.wide, orientation, { levels: {}, support: 'hand', wheel: 'fast' });
}

function orderOf(shutterS: number): CaptureOrder {
  const settings = { shutterS, iso: 200, apertureN: OPTICS.wide.lens.apertureN, compensationEv: 0 };
  return { settings, colour, seed: 11, timeMs: 0, offsetMinutes: 0, clockS: 5 };
}

function alone(stage: CaptureStage, order: CaptureOrder): Uint16Array {
  const bands = captureBands(stage, order, hand);
  for (;;) {
    const { done, value } = bands.next();
    if (done) return value.data;
  }
}

const crewOf = (mates: readonly Mate[]) => new Map(mates.map((one, i) => [`mate ${i}`, one]));

/** Sites that differ. */
function different(a: Uint16Array, b: Uint16Array): number {
  return a.length === b.length ? a.reduce((sum, v, i) => sum + (v === b[i] ? 0 : 1), 0) : NaN;
}

/** One that has but a copy of what it is handed, as a worker has; its numbers lie in the same memory. */
function worker(): Mate & { rows: number } {
  let own: { of: CaptureStage; stage: CaptureStage } | undefined;
  return {
    rows: 0,
    async expose(of, order, steadiness, stretch, data) {
      if (own?.of !== of)
        own = { of, stage: stageOn(structuredClone(of.plates) as DrawnPlates, of.rows.longSide, true) };
      await nothing();
      for (const done of exposedStretch(own.stage, order, steadiness, stretch, data)) void done;
      this.rows += stretch.to - stretch.from;
    },
  };
}

describe('stretches', () => {
  it.each([
    [1, 1],
    [63, 3],
    [64, 3],
    [3024, 1],
    [3024, 2],
    [4032, 7],
    [4031, 5],
  ])('of %i rows for %i mates hold each row once, in order', (height, mates) => {
    const all = stretchesOf(height, mates);
    expect(all[0]!.from).toBe(0);
    expect(all.at(-1)!.to).toBe(height);
    for (const [i, { from, to }] of all.entries()) {
      expect(to).toBeGreaterThan(from);
      if (i > 0) expect(from).toBe(all[i - 1]!.to);
    }
    expect(all.length).toBeLessThanOrEqual(2 * mates);
  });

  it('go to as many mates as there are cores that nobody else needs', () => {
    expect([NaN, 0, 1, 2, 3, 4, 8, 64].map(matesFor)).toEqual([0, 0, 0, 0, 1, 2, 6, 6]);
  });
});

describe.each([
  ['a still short exposure', 'landscape', 1 / 500],
  ['half a second by hand', 'portrait', 1 / 2],
] as const)('a capture by several, %s', (_, orientation, shutterS) => {
  let stage: CaptureStage;
  let expected: Uint16Array;
  beforeAll(() => {
    const lens = OPTICS.wide.lens;
    const plain = captureStage(viewOf(orientation), SIDE, 1.4, lens, true);
    expected = alone(plain, orderOf(shutterS)).slice();
    stage = sharedStage(plain);
  });

  it.each([0, 1, 2, 5])('with %i mates beside is what one alone makes, bit for bit', async (count) => {
    const mates = Array.from({ length: count }, worker);
    const shares: number[] = [];
    const frame = await exposedByAll(
      crewOf(mates),
      stage,
      orderOf(shutterS),
      hand,
      (s) => shares.push(s),
      nothing,
    );
    expect(different(frame.data, expected)).toBe(0);
    expect(shares.at(-1)).toBe(1);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    if (count > 0) expect(mates.reduce((sum, { rows }) => sum + rows, 0)).toBeGreaterThan(0);
  });

  it('is whole when a hand fails, at once or later, and asks it no more', async () => {
    const good = worker();
    let asked = 0;
    const dying: Mate = {
      expose: async (...of) => {
        if (asked++ > 0) throw new Error('gone');
        await good.expose(...of);
      },
    };
    const dead: Mate = { expose: () => Promise.reject(new Error('never was')) };
    const mates = crewOf([dying, dead]);
    const frame = await exposedByAll(mates, stage, orderOf(shutterS), hand, () => undefined, nothing);
    expect(different(frame.data, expected)).toBe(0);
    expect([...mates.values()]).not.toContain(dead);
  });

  it('is whole when a hand answers without having written, or has written but a part; it is asked no more', async () => {
    const good = worker();
    const elsewhere: Mate = { expose: async () => undefined };
    const half: Mate = {
      expose: (of, order, steadiness, { from, to }, data) =>
        good.expose(of, order, steadiness, { from, to: to - 1 }, data),
    };
    const mates = crewOf([elsewhere, half]);
    const frame = await exposedByAll(mates, stage, orderOf(shutterS), hand, () => undefined, nothing);
    expect(different(frame.data, expected)).toBe(0);
    expect(mates.size).toBe(0);
  });

  it('that nobody wants any more ends, and the next is whole', async () => {
    const mates = crewOf([worker()]);
    const leave = () => {
      throw new Error('left');
    };
    await expect(exposedByAll(mates, stage, orderOf(shutterS), hand, leave, nothing)).rejects.toThrow('left');
    const frame = await exposedByAll(mates, stage, orderOf(shutterS), hand, () => undefined, nothing);
    expect(different(frame.data, expected)).toBe(0);
  });
});
