// Focus by looking: how sharp a piece is, how the peak is found, and how the lens is led from frame to frame.
import { nextUint32, randomFrom } from '../numeric/random';
import type { NoiseModel, RawFrame } from '../sensor/raw-frame';
import type { FocusSet } from '../setting/focus';
import { focusFollower, settledFocus, type FocusSource } from './follow';
import { likelyPlaces } from './places';
import { focusSearch, type FocusFound, type FocusReach } from './search';
import { sharpnessOf, type Sharpness } from './sharpness';

const NOISE: NoiseModel = { shot: 0.4, read: 4 };
const BLACK = 256;

/** A mosaic of a picture given by its signal, with normal noise of the model. */
function frameOf(
  signal: (x: number, y: number) => number,
  { seed = 1, side = 96, noise = NOISE, phase = [0, 0] as readonly [0 | 1, 0 | 1] } = {},
) {
  const random = randomFrom(seed);
  const uniform = () => (nextUint32(random) + 0.5) / 2 ** 32;
  const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
  const data = Uint16Array.from({ length: side * side }, (_, i) => {
    const s = signal(i % side, Math.floor(i / side));
    const value = BLACK + s + normal() * Math.sqrt(noise.shot * s + noise.read);
    return Math.max(0, Math.min(4095, Math.round(value)));
  });
  return { width: side, height: side, phase, data, black: BLACK, white: 4095 };
}

/** Stripes of a period of 12 sites, blurred by a bell of that width. */
const stripes =
  (contrast: number, sigma: number, mean = 800) =>
  (x: number) =>
    mean * (1 + contrast * Math.exp((-2 * (Math.PI * sigma) ** 2) / 144) * Math.sin((2 * Math.PI * x) / 12));

describe('sharpness', () => {
  it('of a plain surface is nothing but chance, as large as it says', () => {
    for (const mean of [60, 800, 2500]) {
      const seen = Array.from({ length: 40 }, (_, i) =>
        sharpnessOf(
          frameOf(() => mean, { seed: i + 1 }),
          NOISE,
        ),
      );
      for (const of of ['fine', 'coarse'] as const) {
        const scores = seen.map((s) => s[of].value / s[of].error);
        expect(Math.max(...scores.map(Math.abs))).toBeLessThan(5);
        const spread = Math.sqrt(scores.reduce((sum, v) => sum + v * v, 0) / scores.length);
        expect(spread).toBeGreaterThan(0.4);
        expect(spread).toBeLessThan(1.6);
      }
    }
  });

  it('falls as blur grows, at every brightness, whichever site the mosaic begins with', () => {
    for (const phase of [
      [0, 0],
      [1, 0],
      [0, 1],
      [1, 1],
    ] as const)
      for (const mean of [200, 2000]) {
        const values = [0, 1, 2, 4].map(
          (sigma) => sharpnessOf(frameOf(stripes(0.2, sigma, mean), { phase }), NOISE).fine.value,
        );
        values.slice(1).forEach((v, i) => expect(v).toBeLessThan(values[i]!));
      }
  });

  it('has no gradient where sites are clipped, and none of a piece too small', () => {
    const burnt = sharpnessOf(
      frameOf(() => 9000),
      NOISE,
    );
    expect(burnt.fine).toEqual({ value: 0, error: Infinity });
    expect(burnt.clipped).toBe(1);
    expect(
      sharpnessOf(
        frameOf(() => 500, { side: 2 }),
        NOISE,
      ).fine.error,
    ).toBe(Infinity);
    expect(
      sharpnessOf(
        frameOf(() => 0),
        NOISE,
      ).snrDb,
    ).toBeLessThan(10);
  });
});

const REACH: FocusReach = { nearDpt: 8, halfDepthDpt: 0.3 };
const DULL: Sharpness = {
  ...{ fine: { value: 0, error: 1 }, coarse: { value: 0, error: 1 } },
  ...{ snrDb: 30, mean: 500, clipped: 0 },
};

/** What is seen of a thing at that distance: fine detail is gone within two depths of field, coarse in six. */
const thingAt =
  (dpt: number, fine: number, coarse: number) =>
  (at: number): Sharpness => {
    const away = (at - dpt) / REACH.halfDepthDpt;
    return {
      fine: { value: fine * Math.exp(-(away * away) / 4), error: 1 },
      coarse: { value: coarse * Math.exp(-(away * away) / 40), error: 1 },
      ...{ snrDb: 30, mean: 500, clipped: 0 },
    };
  };

function run(see: (dpt: number) => Sharpness, from = 0, reach = REACH): { found: FocusFound; looks: number } {
  const search = focusSearch(reach, from);
  let next = search.next();
  let looks = 0;
  while (!next.done) {
    if (++looks > 500) throw new Error('It does not end');
    expect(next.value).toBeGreaterThanOrEqual(0);
    expect(next.value).toBeLessThanOrEqual(reach.nearDpt + 1e-9);
    next = search.next(see(next.value));
  }
  return { found: next.value, looks };
}

describe('the search', () => {
  it.each([0, 0.1, 0.7, 2.35, 4, 6.61, 7.9, 8])(
    'finds a thing at %s dioptres within half its depth of field',
    (dpt) => {
      for (const from of [0, 8]) {
        const { found } = run(thingAt(dpt, 200, 400), from);
        if (found.kind !== 'found') throw new Error(found.why);
        expect(Math.abs(found.dpt - dpt)).toBeLessThan(REACH.halfDepthDpt);
      }
    },
  );

  it('says that there is nothing to see, for want of contrast or of light', () => {
    expect(run(() => DULL).found).toEqual({ kind: 'failed', why: 'plain' });
    expect(run(() => ({ ...DULL, snrDb: 5 })).found).toEqual({ kind: 'failed', why: 'dark' });
    // Contrast that is the same wherever the lens stands is no focus.
    const flat = { ...DULL, fine: { value: 500, error: 1 }, coarse: { value: 900, error: 1 } };
    expect(run(() => flat).found.kind).toBe('failed');
  });

  it('is not led away by a disc of light that creeps in as the lens moves nearer', () => {
    const thing = thingAt(1.2, 60, 90);
    const see = (at: number): Sharpness => {
      const seen = thing(at);
      const disc = 25 * at * at;
      return {
        ...seen,
        fine: { value: seen.fine.value + disc / 40, error: 1 },
        coarse: { value: seen.coarse.value + disc, error: 1 },
      };
    };
    const { found } = run(see);
    if (found.kind !== 'found') throw new Error(found.why);
    expect(Math.abs(found.dpt - 1.2)).toBeLessThan(REACH.halfDepthDpt);
  });

  it('finds what lies a hair’s breadth from the end of the way as what lies farther in, from either end', () => {
    const nearDpt = 1 / 0.12;
    // Depths of field that divide the way nearly, not quite: three half ones from a place of the way lie just beyond its end.
    for (const halfDepthDpt of [0.3195, 0.3205, 0.322351])
      for (const away of [0.48, 0.51, 0.54])
        for (const dpt of [away, nearDpt - away]) {
          // Detail of many sizes is gone by and by.
          const see = (at: number) => {
            const by = (at - dpt) / halfDepthDpt;
            return { ...DULL, fine: { value: 1200 * Math.exp(-(by * by) / 9.5), error: 1 } };
          };
          const { found } = run(see, 0, { nearDpt, halfDepthDpt });
          if (found.kind !== 'found') throw new Error(`${dpt}: ${found.why}`);
          expect(Math.abs(found.dpt - dpt)).toBeLessThan(halfDepthDpt);
        }
  });

  it.each([
    [
      'a peak that is narrower than any lens makes',
      (at: number) => ({ ...DULL, fine: { value: Math.abs(at - 4) < 0.1 ? 60 : 40, error: 1 } }),
    ],
    [
      'coarse detail that peaks where fine detail is far less than elsewhere',
      (at: number) => ({
        ...thingAt(4, 0, 400)(at),
        // A texture that is as fine wherever the lens stands, but there.
        fine: { value: Math.abs(at - 4) < 1.2 ? 100 : 1000, error: 1 },
      }),
    ],
    [
      'a peak over which the light grows steadily',
      (at: number) => ({ ...thingAt(5, 200, 400)(at), mean: 100 * (1 + 0.2 * at) }),
    ],
  ])('does not take for focus %s', (_, see) => {
    expect(run(see).found.kind).toBe('failed');
  });

  it('ends soon, also for a lens whose depth of field is a tiny part of its way', () => {
    const fine = { nearDpt: 3.3, halfDepthDpt: 0.01 };
    expect(run(() => DULL, 0, fine).looks).toBeLessThan(45);
    expect(run(thingAt(4, 200, 400)).looks).toBeLessThan(30);
    expect(run(() => DULL, 0, { nearDpt: 0.1, halfDepthDpt: 5 }).looks).toBeLessThan(5);
  });
});

const PLAIN = { width: 64, height: 48, data: new Float32Array(64 * 48).fill(100) };

/** The meter's picture of a bright square there, a tenth of the frame wide. */
function pictureWith(at: { x: number; y: number }) {
  const inside = (i: number) =>
    Math.abs(((i % 64) + 0.5) / 64 - at.x) < 0.05 && Math.abs((Math.floor(i / 64) + 0.5) / 48 - at.y) < 0.05;
  return { ...PLAIN, data: PLAIN.data.map((v, i) => (inside(i) ? 4 * v : v)) };
}

describe('likely places', () => {
  it('lie where there are edges, near the middle before farther out, and apart', () => {
    const [first, ...others] = likelyPlaces(pictureWith({ x: 0.4, y: 0.6 }));
    expect(Math.hypot(first!.x - 0.4, first!.y - 0.6)).toBeLessThan(0.1);
    for (const other of others)
      expect(Math.hypot(other.x - first!.x, other.y - first!.y)).toBeGreaterThan(0.1);
  });

  it('are none in a plain picture, a black one, or none at all', () => {
    expect(likelyPlaces(PLAIN)).toEqual([]);
    expect(likelyPlaces({ ...PLAIN, data: PLAIN.data.map(() => 0) })).toEqual([]);
    expect(likelyPlaces({ width: 0, height: 0, data: new Float32Array(0) })).toEqual([]);
  });
});

/** A camera on a striped thing, whose lens blurs by its distance from it; the world can be changed under it. */
function camera(world: { dpt: number; contrast: number; ready?: boolean }) {
  const looked: { focusM: number; wide: boolean }[] = [];
  const source: FocusSource = {
    sight: { luminance: PLAIN },
    drive: { ...REACH, travelS: 0.12, readOutS: 1 / 120, restM: 2 },
    held: (m) => Math.max(0.125, m),
    lookShare: (wide) => (wide ? 0.3 : 0.1),
    look: ({ focusM, wide, number }) => {
      if (world.ready === false) return null;
      looked.push({ focusM, wide });
      const away = ((Number.isFinite(focusM) ? 1 / focusM : 0) - world.dpt) / REACH.halfDepthDpt;
      const frame = frameOf(stripes(world.contrast, 1.2 * Math.abs(away)), { seed: number, side: 64 });
      return { ...frame, noise: NOISE, settings: { shutterS: 0.002, iso: 100 } } as unknown as RawFrame;
    },
  };
  return { source, looked };
}
const AUTO: FocusSet = { auto: true, exact: 1.5, how: 'continuous' };
const MIDDLE = { x: 0.5, y: 0.5 };

describe('the lens', () => {
  const frames = (source: FocusSource, set = AUTO) => {
    const follower = focusFollower(source);
    let n = 0;
    return {
      follower,
      /** So many frames of 40 ms; gives the last. */
      pass: (count: number, { at = MIDDLE, again = 0, asked = set } = {}) => {
        let inUse = follower.next({ set: asked, at, again, timeS: n++ * 0.04 });
        for (let i = 1; i < count; i++) inUse = follower.next({ set: asked, at, again, timeS: n++ * 0.04 });
        return inUse;
      },
    };
  };

  it('takes the time that drive and read-outs take, then rests on the thing', () => {
    const { source, looked } = camera({ dpt: 2, contrast: 0.3 });
    const { pass } = frames(source);
    expect(pass(2).state).toBe('searching');
    const found = pass(40);
    expect(found).toMatchObject({ state: 'found', wide: false });
    expect(Math.abs(1 / found.focusM - 2)).toBeLessThan(REACH.halfDepthDpt);
    // Every look takes its read-out, and the way there and back is driven once at least.
    expect(found.tookS).toBeGreaterThan(20 / 120 + 0.12);
    expect(found.tookS).toBeLessThan(0.8);
    // At rest it looks once in a while only.
    const before = looked.length;
    pass(20);
    expect(looked.length - before).toBeLessThanOrEqual(2);
  });

  it('searches again when what it sees changes, unless it was to look once; and when it is asked to', () => {
    for (const how of ['continuous', 'single'] as const) {
      const world = { dpt: 2, contrast: 0.3 };
      const { pass } = frames(camera(world).source, { ...AUTO, how });
      pass(45);
      world.dpt = 5;
      const after = pass(90);
      const moved = Math.abs(1 / after.focusM - 5) < REACH.halfDepthDpt;
      expect(moved).toBe(how === 'continuous');
      if (how === 'single') {
        const asked = pass(60, { again: 1 });
        expect(Math.abs(1 / asked.focusM - 5)).toBeLessThan(REACH.halfDepthDpt);
      }
    }
  });

  it('searches at another place, widens before it gives up, and says why it did', () => {
    const world = { dpt: 3, contrast: 0.3 };
    const { source, looked } = camera(world);
    const { pass } = frames(source);
    pass(45);
    world.contrast = 0;
    const failed = pass(90, { at: { x: 0.1, y: 0.1 } });
    expect(failed).toMatchObject({ state: 'failed', why: 'plain', focusM: 2, wide: true, side: 0.3 });
    expect(looked.some(({ wide }) => wide)).toBe(true);
  });

  it.each([0.3, 2, 5])('finds a lamp at %s dioptres that is far too bright for what is about it', (dpt) => {
    const { source } = camera({ dpt, contrast: 0 });
    const less = new Set<number>();
    const lamp: FocusSource = {
      ...source,
      look: (asked) => {
        less.add(asked.lessEv);
        const away = Math.abs(1 / asked.focusM - dpt) / REACH.halfDepthDpt;
        const radius = 8 + away;
        const share = 2 ** -asked.lessEv;
        // What it sends is the same however wide its disc is.
        const lit = (60 * 4095 * 64) / radius ** 2;
        const signal = (x: number, y: number) => {
          const edge = radius - Math.hypot(x - 32, y - 32);
          return share * (20 + lit * Math.min(1, Math.max(0, edge / (2 + away))));
        };
        const frame = frameOf(signal, { seed: asked.number, side: 64 });
        return {
          ...frame,
          noise: NOISE,
          settings: { shutterS: 0.002 * share, iso: 100 },
        } as unknown as RawFrame;
      },
    };
    const found = settledFocus(lamp, AUTO, MIDDLE);
    expect(found).toMatchObject({ state: 'found', wide: false });
    expect(Math.abs(1 / found.focusM - dpt)).toBeLessThan(REACH.halfDepthDpt);
    expect(Math.max(...less)).toBeGreaterThan(0);
  });

  it('given no place tries likely ones, then the middle more widely; given one it stays there', () => {
    const world = { dpt: 3, contrast: 0.3 };
    const { source } = camera(world);
    const seen = new Set<string>();
    const below: FocusSource = {
      ...source,
      sight: { luminance: pictureWith({ x: 0.5, y: 0.7 }) },
      look: (asked) => {
        seen.add(`${asked.at.x.toFixed(2)} ${asked.at.y.toFixed(2)}`);
        world.contrast = asked.at.y > 0.6 ? 0.3 : 0;
        return source.look(asked);
      },
    };
    const free = settledFocus(below, AUTO, null);
    expect(free).toMatchObject({ state: 'found', wide: false });
    expect(Math.abs(free.at.y - 0.7)).toBeLessThan(0.1);
    expect(Math.abs(1 / free.focusM - 3)).toBeLessThan(REACH.halfDepthDpt);
    seen.clear();
    expect(settledFocus(below, AUTO, MIDDLE)).toMatchObject({ state: 'failed', at: MIDDLE });
    expect(seen.size).toBe(1);
    expect(settledFocus({ ...below, sight: { luminance: PLAIN } }, AUTO, null)).toMatchObject({
      state: 'failed',
      at: MIDDLE,
    });
  });

  it('stands where the hand sets it, as near as it can, and goes on from there', () => {
    const { pass } = frames(camera({ dpt: 2, contrast: 0.3 }).source);
    const byHand: FocusSet = { ...AUTO, auto: false, exact: 0.01 };
    expect(pass(3, { asked: byHand })).toMatchObject({ state: 'hand', focusM: 0.125 });
    expect(pass(45).state).toBe('found');
  });

  it('waits for a camera that is not ready, and one without a drive is fixed', () => {
    const world: { dpt: number; contrast: number; ready?: boolean } = { dpt: 2, contrast: 0.3, ready: false };
    const { source } = camera(world);
    const { pass } = frames(source);
    expect(pass(5)).toMatchObject({ state: 'waiting', focusM: 2 });
    world.ready = true;
    expect(pass(45).state).toBe('found');
    const fixed = focusFollower({ ...source, drive: null, held: () => 1.4 });
    expect(fixed.next({ set: AUTO, at: MIDDLE, again: 0, timeS: 0 })).toMatchObject({
      state: 'fixed',
      focusM: 1.4,
    });
  });

  it('a clock that is set back or jumps does not stop it', () => {
    const { source } = camera({ dpt: 2, contrast: 0.3 });
    const follower = focusFollower(source);
    let state = '';
    for (let i = 0; i < 80; i++)
      ({ state } = follower.next({
        set: AUTO,
        at: MIDDLE,
        again: 0,
        timeS: i % 7 === 0 ? 86_399 : i * 0.04,
      }));
    expect(state).toBe('found');
  });

  it('what was found is handed on to a new finder of the same lens', () => {
    const { source, looked } = camera({ dpt: 2, contrast: 0.3 });
    const { follower, pass } = frames(source);
    expect(follower.kept()).toBeNull();
    const found = pass(45);
    const next = focusFollower(source, follower.kept());
    const before = looked.length;
    expect(next.next({ set: AUTO, at: MIDDLE, again: 0, timeS: 9 })).toMatchObject({
      state: 'found',
      focusM: found.focusM,
    });
    expect(looked.length).toBe(before);
  });

  it('settles at once for whoever has no frames, and the same way twice', () => {
    const settle = () => settledFocus(camera({ dpt: 2, contrast: 0.3 }).source, AUTO, MIDDLE);
    expect(settle()).toMatchObject({ state: 'found' });
    expect(settle()).toEqual(settle());
    expect(settledFocus(camera({ dpt: 2, contrast: 0.3, ready: false }).source, AUTO, MIDDLE).state).toBe(
      'waiting',
    );
  });
});
