// What the finder shows is what a capture gets: blur by the hand, by focus and by turning, in the same measure; and light is
// neither made nor lost by any of them.
import { PLAIN_LAMP } from '../sensor/sensitivities';
import { colourOfNeutral } from '../colour/camera';
import { SIM_ONE } from '../sensor/sim-one';
import { exposedLight } from './exposed-light';
import type { Opening } from './opening';
import { previewExposer } from './preview-light';
import { captureFrame, captureWindow } from './capture';
import { windowAbout } from './framing';
import { focusedPlates, plateRows, previewStage } from './light-rows';
import { markedSites } from './marked-sites';
import { OPENING, type Outside } from './outside';
import { OPEN_SKY_M, type Scene, type SceneDescription } from './scene';
import { shakePath, type ShakePath, type Steadiness } from './shake';
import { drawStars } from './star-light';
import { surfaceRows } from './surface-rows';
import { viewScene } from './view';
import { LONG } from '../../../tests/sweep';

const SIZE = 256;
const FULL = 1280;
const PREVIEW = 640;
const camera = SIM_ONE.wide;
const description: SceneDescription = {
  id: 'dot',
  name: 'Dot',
  says: '',
  lens: 'wide',
  fieldDeg: 70.97,
  eye: [0, 1, 0],
  aim: [0, 1, 2],
  lamps: [{ ...PLAIN_LAMP, id: 'a', name: 'A', level: 1 }],
  spin: { part: 1, name: 'Plate', x: 0, z: 2, turnsPerS: { still: 0, slow: 0.5, fast: 3 } },
  patches: [],
};

/** A bright square in the middle on an even ground, all of it at one distance. */
function scene(distanceM: number, kind = 0, over: Partial<SceneDescription> = {}): Scene {
  const data = new Float32Array(SIZE * SIZE * 3).fill(1);
  for (let y = 124; y < 132; y++) for (let i = 124 * 3; i < 132 * 3; i++) data[y * SIZE * 3 + i] = 400;
  return {
    description: { ...description, ...over },
    size: SIZE,
    lamps: [{ width: SIZE, height: SIZE, data }],
    space: {
      distance: new Float32Array(SIZE * SIZE).fill(distanceM),
      surface: new Uint8Array(SIZE * SIZE).fill(kind, 120 * SIZE, 136 * SIZE),
    },
  };
}

const hand: Steadiness = { support: 'hand', press: 0.5, sinceTouchS: 0 };
const rest: Steadiness = { support: 'tripod', press: 0, sinceTouchS: 60 };

function both(
  from: Scene,
  steadiness: Steadiness,
  durationS: number,
  focusM: number,
  outside: Outside = OPENING,
) {
  const view = viewScene(from, camera, 'landscape', outside);
  const opening: Opening = { startS: 3, durationS, seed: 11, steadiness };
  const rows = plateRows(view, FULL, focusM);
  const captured = new Float32Array(rows.width * rows.height);
  const exposed = exposedLight(rows, surfaceRows(rows), opening, 300);
  for (let y = 0; y < rows.height; y++) exposed.next(captured.subarray(y * rows.width, (y + 1) * rows.width));
  const focused = previewStage(view, PREVIEW).focused(focusM);
  const shown = new Float32Array(focused.width * focused.height);
  previewExposer(markedSites(view, focused.width, focused.height), 300).expose(focused, opening, shown);
  return {
    captured: { light: captured, width: rows.width, height: rows.height },
    shown: { light: shown, width: focused.width, height: focused.height },
  };
}

/** Light above the ground, and its spread in shares of the width, from the green sites. */
function figure({ light, width, height }: { light: Float32Array; width: number; height: number }) {
  let [sum, mx, my, xx] = [0, 0, 0, 0];
  const ground = light[(height >> 2) * width + (width >> 1) + 1]!;
  for (let y = height * 0.3; y < height * 0.7; y++)
    for (let x = width * 0.3; x < width * 0.7; x++) {
      const [ix, iy] = [Math.floor(x), Math.floor(y)];
      if ((ix + iy) % 2 === 0) continue;
      const v = Math.max(0, light[iy * width + ix]! - 1.3 * ground);
      sum += v;
      mx += v * (ix + 0.5);
      my += v * (iy + 0.5);
      xx += v * ((ix + 0.5) ** 2 + (iy + 0.5) ** 2);
    }
  const variance = xx / sum - (mx / sum) ** 2 - (my / sum) ** 2;
  return { sum: sum / (width * height), spread: Math.sqrt(variance) / width };
}

describe('a shaken picture', () => {
  /** Third moments of light about its middle, along x and y, in the units of the grid. */
  const skew = (of: { light: Float32Array; width: number; height: number }, above: number) => {
    let [sum, mx, my] = [0, 0, 0];
    const each = (f: (v: number, x: number, y: number) => void) => {
      for (let i = 0; i < of.light.length; i++)
        if (of.light[i]! > above) f(of.light[i]! - above, i % of.width, Math.floor(i / of.width));
    };
    each((v, x, y) => ((sum += v), (mx += v * x), (my += v * y)));
    let [x3, y3] = [0, 0];
    each((v, x, y) => ((x3 += v * (x - mx / sum) ** 3), (y3 += v * (y - my / sum) ** 3)));
    return [x3 / sum, y3 / sum] as const;
  };
  /** A seed whose path leans clearly to one side along both axes. */
  const SEED = 15;
  const opening: Opening = { startS: 0, durationS: 1, seed: SEED, steadiness: hand };
  const path = shakePath(SEED, hand, 1);
  const lean = (a: Float64Array) => a.reduce((s, v) => s + v ** 3, 0);

  it('moves lamps the way the hand went, in the capture and in the finder', () => {
    const { captured, shown } = ((): ReturnType<typeof both> => {
      const view = viewScene(scene(2), camera, 'landscape', OPENING);
      const rows = plateRows(view, FULL, 2);
      const light = new Float32Array(rows.width * rows.height);
      const exposed = exposedLight(rows, undefined, opening, 300);
      for (let y = 0; y < rows.height; y++)
        exposed.next(light.subarray(y * rows.width, (y + 1) * rows.width));
      const focused = previewStage(view, PREVIEW).focused(2);
      const preview = new Float32Array(focused.width * focused.height);
      previewExposer(undefined, 300).expose(focused, opening, preview);
      return {
        captured: { light, width: rows.width, height: rows.height },
        shown: { light: preview, width: focused.width, height: focused.height },
      };
    })();
    for (const of of [captured, shown]) {
      const ground = of.light.reduce((a, b) => Math.max(a, b), 0) / 150;
      const [x3, y3] = skew(of, ground);
      expect(Math.sign(x3)).toBe(Math.sign(lean(path.x)));
      expect(Math.sign(y3)).toBe(Math.sign(lean(path.y)));
    }
  });

  it('moves stars the same way', () => {
    const sky = scene(OPEN_SKY_M, 0, { stars: { poleElevationDeg: 40, poleAzimuthDeg: 6, seed: 3 } });
    const rows = plateRows(viewScene(sky, camera, 'landscape', OPENING), 4032, Infinity);
    const light = new Float32Array(rows.width * rows.height);
    drawStars(rows, 0, 1, path, (x, y, lux) => (light[y * rows.width + x]! += lux));
    const brightest = light.indexOf(light.reduce((a, b) => Math.max(a, b), 0));
    const [cx, cy] = [brightest % rows.width, Math.floor(brightest / rows.width)];
    const around = new Float32Array(80 * 80);
    for (let y = 0; y < 80; y++)
      for (let x = 0; x < 80; x++) around[y * 80 + x] = light[(cy - 40 + y) * rows.width + cx - 40 + x] ?? 0;
    const [x3, y3] = skew({ light: around, width: 80, height: 80 }, light[brightest]! / 30);
    expect(Math.sign(x3)).toBe(Math.sign(lean(path.x)));
    expect(Math.sign(y3)).toBe(Math.sign(lean(path.y)));
  });

  it.each([1, 60])('spreads stars over its way in %d s and loses none of their light', (durationS) => {
    const sky = scene(OPEN_SKY_M, 0, { stars: { poleElevationDeg: 40, poleAzimuthDeg: 6, seed: 3 } });
    const rows = plateRows(viewScene(sky, camera, 'landscape', OPENING), FULL, Infinity);
    const drawn = (shake: ShakePath | null) => {
      const light = new Float32Array(rows.width * rows.height);
      drawStars(rows, 0, durationS, shake, (x, y, lux) => (light[y * rows.width + x]! += lux));
      return { sum: light.reduce((a, b) => a + b, 0), sites: light.filter((v) => v > 0).length };
    };
    const [still, moved] = [drawn(null), drawn(shakePath(SEED, hand, durationS))];
    expect(moved.sites).toBeGreaterThan(3 * still.sites);
    // Some leave the frame, others come in.
    expect(Math.abs(moved.sum / still.sum - 1)).toBeLessThan(0.02);
  });
});

describe('the finder and the capture', () => {
  it.each([
    ['sharp at rest', rest, 1 / 60, 2],
    ['by hand at 1/4 s', hand, 1 / 4, 2],
    ['by hand at 1 s', hand, 1, 2],
    ['out of focus', rest, 1 / 60, 0.14],
  ] as [string, Steadiness, number, number][])(
    'have the same blur and the same light: %s',
    (_, hold, time, focus) => {
      const { captured, shown } = both(scene(2), hold, time, focus);
      const [c, s] = [figure(captured), figure(shown)];
      expect(Math.abs(s.sum / c.sum - 1)).toBeLessThan(0.1);
      expect(Math.abs(s.spread / c.spread - 1)).toBeLessThan(0.12);
    },
  );

  it('blur more by hand than at rest, more out of focus than in', () => {
    const sharp = figure(both(scene(2), rest, 1 / 60, 2).captured).spread;
    expect(figure(both(scene(2), hand, 1, 2).captured).spread).toBeGreaterThan(sharp * 1.02);
    expect(figure(both(scene(2), rest, 1 / 60, 0.14).captured).spread).toBeGreaterThan(sharp * 1.08);
  });

  it('show the marks of a turning thing when it is still, and wipe them out over whole turns', () => {
    const contrast = (outside: Outside, time: number) => {
      const { captured, shown } = both(scene(2, 1 << 5), rest, time, 2, outside);
      return [captured, shown].map(({ light, width, height }) => {
        // Between the square and where the marks end, from neighbour to neighbour.
        const start = (height >> 1) * width + Math.round(width * 0.42);
        const green = light.subarray(start, start + width * 0.05).filter((_, i) => i % 2 === 1);
        const mean = green.reduce((a, b) => a + b) / green.length;
        return green.reduce((sum, v, i) => (i > 0 ? sum + Math.abs(v - green[i - 1]!) : 0), 0) / mean;
      });
    };
    const still = contrast({ ...OPENING, wheel: 'still' }, 1 / 60);
    const turned = contrast({ ...OPENING, wheel: 'fast' }, 1);
    for (const k of [0, 1]) expect(turned[k]!).toBeLessThan(still[k]!);
  });

  it('band under a lamp that pulses at 100 Hz when the time is not a whole period, and not when it is', () => {
    const tube = { kind: 'mains', hz: 100, depth: 0.5 } as const;
    const from = scene(2, 0, { lamps: [{ ...PLAIN_LAMP, id: 'a', name: 'A', level: 1, flicker: tube }] });
    const bands = (time: number) => {
      const { captured, shown } = both(from, rest, time, 2);
      return [captured, shown].map(({ light, width, height }) => {
        // Along the readout, well aside of the square, against the fall-off at the same time of whole periods.
        const column = Array.from({ length: height >> 1 }, (_, i) => light[2 * i * width + (width >> 3)]!);
        const even = both(from, rest, 1 / 50, 2)[width === FULL ? 'captured' : 'shown'];
        const ratio = column.map((v, i) => v / even.light[2 * i * even.width + (even.width >> 3)]!);
        return Math.max(...ratio) / Math.min(...ratio);
      });
    };
    for (const ratio of bands(1 / 500)) expect(ratio).toBeGreaterThan(1.5);
    for (const ratio of bands(1 / 100)) expect(ratio).toBeLessThan(1.01);
  });
});

describe('a window of a capture', () => {
  const settings = { shutterS: 1 / 8, iso: 100, apertureN: camera.lens.apertureN, compensationEv: 0 };
  const colour = colourOfNeutral(camera.matrices, [1, 1, 1]);
  const order = { settings, colour, seed: 11, timeMs: 0, offsetMinutes: 0, clockS: 3 };
  const tube = { kind: 'mains', hz: 100, depth: 0.5 } as const;
  const lit = { lamps: [{ ...PLAIN_LAMP, id: 'a', name: 'A', level: 1, flicker: tube }] };

  it.each([
    ['in the middle, by hand', hand, { x: 600, y: 440, width: 60, height: 48 }],
    ['in a corner, by hand', hand, { x: 1220, y: 900, width: 60, height: 60 }],
    ['at rest, over the turning part', rest, { x: 620, y: 470, width: 40, height: 40 }],
  ])('holds what the whole holds there, but for the draw of noise: %s', (_, steadiness, window) => {
    const view = viewScene(scene(2, 3 | (1 << 5), lit), camera, 'landscape');
    const plates = focusedPlates(view, 2, settings);
    const whole = captureFrame(plates.rows(FULL), order, steadiness);
    const part = captureWindow(plates, FULL, window, order, steadiness);
    expect([part.width, part.height]).toEqual([window.width, window.height]);
    const { shot, read } = whole.noise;
    let squares = 0;
    part.data.forEach((dn, i) => {
      const x = window.x + (i % window.width);
      const y = window.y + Math.floor(i / window.width);
      const other = whole.data[y * whole.width + x]!;
      squares += (dn - other) ** 2 / (2 * (shot * Math.max(0, other - whole.black) + read));
    });
    // Two draws of the same mean: normalised squares average to one. The frame tells the noise of its samples, each the mean of several sites.
    expect(squares / part.data.length).toBeLessThan(1.6);
  });

  it('must lie in the frame and begin at an even place', () => {
    const plates = focusedPlates(viewScene(scene(2), camera, 'landscape'), 2);
    for (const window of [
      { x: 1, y: 0, width: 8, height: 8 },
      { x: 0, y: -2, width: 8, height: 8 },
      { x: FULL - 4, y: 0, width: 8, height: 8 },
    ])
      expect(() => captureWindow(plates, FULL, window, order, rest)).toThrow(/window/);
    expect(windowAbout({ x: 1, y: 0 }, 177, 176, { width: 4032, height: 3024 })).toEqual({
      x: 3854,
      y: 0,
      width: 177,
      height: 176,
    });
  });
});

describe('stars', () => {
  const sky: Scene = {
    ...scene(4096, 0, { aim: [0, 2.5, 2], stars: { poleElevationDeg: 40, poleAzimuthDeg: 6, seed: 5 } }),
    lamps: [{ width: SIZE, height: SIZE, data: new Float32Array(SIZE * SIZE * 3) }],
  };
  it('are drawn on open sky, gather in a trail with time, and keep their light out of focus', () => {
    const lit = (time: number, focus: number) => {
      const { light } = both(sky, rest, time, focus).captured;
      let top = 0;
      for (const v of light) if (v > top) top = v;
      return { sites: light.filter((v) => v > 1e-4).length, sum: light.reduce((a, b) => a + b), top };
    };
    const [short, long, soft] = [lit(1, Infinity), lit(90, Infinity), lit(1, 1)];
    expect(short.sites).toBeGreaterThan(500);
    expect(long.top).toBeLessThan(short.top * 0.8);
    expect(soft.top).toBeLessThan(short.top * 0.5);
    expect(Math.abs(long.sum / short.sum - 1)).toBeLessThan(0.25);
    expect(Math.abs(soft.sum / short.sum - 1)).toBeLessThan(0.15);
  });

  it('draw trails without a gap, in the corner of the widest lens too: a long time is the mean of short ones', () => {
    const wide = viewScene(sky, SIM_ONE['ultra-wide'], 'landscape', OPENING);
    const rows = plateRows(wide, FULL, Infinity);
    const [parts, partS] = [LONG ? 150 : 50, 2];
    const drawn = (startS: number, durationS: number, share: number, light: Float32Array) =>
      drawStars(rows, startS, durationS, null, (x, y, lux) => {
        if (x < rows.width / 8) light[y * rows.width + x]! += share * lux;
      });
    const [long, short] = [0, 1].map(() => new Float32Array(rows.width * rows.height)) as [
      ...[Float32Array, Float32Array],
    ];
    drawn(0, parts * partS, 1, long);
    for (let i = 0; i < parts; i++) drawn(i * partS, partS, 1 / parts, short);
    const off = long.reduce((sum, v, i) => sum + Math.abs(v - short[i]!), 0);
    const all = short.reduce((sum, v) => sum + v, 0);
    expect(all).toBeGreaterThan(0);
    // Places are rounded to quarters of sites.
    expect(off / all).toBeLessThan(0.06);
  });
});
