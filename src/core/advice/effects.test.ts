// What an exposure does, against the models that make the capture and against the handbook's optics.
import { PLAIN_LAMP } from '../sensor/sensitivities';
import { colourOfNeutral } from '../colour/camera';
import { fullPlan } from '../exposure/automatic';
import { croppedScene } from '../scene/crop';
import { OPENING } from '../scene/outside';
import type { Scene } from '../scene/scene';
import { captureFrame } from '../scene/capture';
import { plateRows } from '../scene/light-rows';
import { viewScene } from '../scene/view';
import { channelFigures, countSites } from '../raw/statistics';
import { nearestOptic } from '../body/body';
import { OPTICS, opticOfCamera, opticsOf, simulatedBodies } from '../sensor/cameras';
import { LENS_IDS, type CameraId, type LensId } from '../sensor/simulated-optic';
import { APERTURE_LADDER, at, ISO_LADDER, SHUTTER_LADDER } from '../units/ladders';
import { effectsOf, snrDb } from './effects';
import { equivalentsOf, tradable, tradeClicks } from './equivalents';
import { explain } from './explain';

const SIZE = 64;
const scene: Scene = {
  description: {
    ...{ ...PLAIN_LAMP, id: 'flat', name: 'Flat', says: '', lens: 'wide' as const, fieldDeg: 70.97 },
    ...{ eye: [0, 1, 0] as const, aim: [0, 1, 2] as const },
    lamps: [{ ...PLAIN_LAMP, id: 'a', name: 'A', level: 1 }],
    patches: [{ name: 'Middle', x: 0.5, y: 0.5, radius: 0.02, luminance: 60, distanceM: 2 }],
  },
  size: SIZE,
  lamps: [{ width: SIZE, height: SIZE, data: new Float32Array(SIZE * SIZE * 3).fill(60) }],
  space: { distance: new Float32Array(SIZE * SIZE).fill(2), surface: new Uint8Array(SIZE * SIZE) },
};
const tripod = { ...OPENING, support: 'tripod' as const };
const rest = { support: 'tripod' as const, press: 0, sinceTouchS: 60 };
const iris = viewScene(scene, OPTICS['zoom-24'], 'landscape', tripod);
const settings = { shutterS: 2 ** -7, iso: 100, apertureN: 4, compensationEv: 0 };
const hand = { press: 0.5, delayS: 0 };

/** Mean of the green sites over black of a small capture. */
function greenMean(shutterS: number, iso: number, apertureN: number, filterStops = 0): number {
  const exposure = { shutterS, iso, apertureN, compensationEv: 0, filterStops };
  const colour = colourOfNeutral(iris.camera.matrices, [1, 1, 1]);
  const order = { settings: exposure, colour, seed: 3, timeMs: 0, offsetMinutes: 0, clockS: 0 };
  const frame = captureFrame(plateRows(iris, 512, 2, exposure), order, rest);
  return channelFigures(countSites(frame), frame.noise)[1]!.mean - frame.black;
}

describe('the same exposure by any route', () => {
  it('gives the same raw mean within 0.5 %', () => {
    const base = greenMean(2 ** -7, 100, 4);
    const routes = [
      greenMean(2 ** -8, 200, 4),
      greenMean(2 ** -6, 100, 2 ** 2.5),
      greenMean(2 ** -5, 100, 8),
      greenMean(2 ** -7, 200, 2 ** 2.5),
      greenMean(2 ** -4, 100, 4, 3),
      greenMean(2 ** -8 * 2 ** (1 / 3), 200, 4 * 2 ** (1 / 6)),
    ];
    for (const mean of routes) expect(Math.abs(mean / base - 1)).toBeLessThan(0.005);
  });

  it('is half the light for each stop of aperture or filter', () => {
    const wide = greenMean(2 ** -7, 100, 2 ** 1.5);
    expect(wide / greenMean(2 ** -7, 100, 4)).toBeCloseTo(2, 2);
    expect(wide / greenMean(2 ** -7, 100, 2 ** 1.5, 2)).toBeCloseTo(4, 1);
  });
});

describe('Sim Iris', () => {
  it('has its marked focal lengths, and an aperture of f/2.8 to f/8 in thirds', () => {
    expect(opticsOf('sim-iris').map((o) => o.equivalentMm)).toEqual([24, 35, 50, 77]);
    const { ranges, fixedN } = fullPlan(OPTICS['zoom-50'].lens);
    expect([
      at(APERTURE_LADDER, ranges.aperture.low).label,
      at(APERTURE_LADDER, ranges.aperture.high).label,
    ]).toEqual(['f/8', 'f/2.8']);
    expect([ranges.aperture.high - ranges.aperture.low, fixedN]).toEqual([9, null]);
  });

  it('is less noisy than the phone at the same ISO, and has more depth the smaller the aperture', () => {
    expect(snrDb(OPTICS['zoom-24'].sensor, 400, 0)).toBeGreaterThan(snrDb(OPTICS.wide.sensor, 400, 0) + 3);
    const depth = (apertureN: number) => effectsOf(iris)({ ...settings, apertureN }, 2, 0, hand);
    expect(depth(8).nearM).toBeLessThan(depth(4).nearM);
    expect(depth(8).farM).toBeGreaterThan(depth(4).farM);
    // Airy disc 2.44·λ·N: f/8 → 10.7 µm, on sites of 4.3 µm.
    expect(depth(8).airyPx).toBeCloseTo(10.7 / 4.3, 1);
  });

  it('zooms by cropping the same light: half the field, the same luminance, patches where they were', () => {
    const half = croppedScene(scene, 2);
    expect(half.size).toBe(32);
    expect(Math.tan((half.description.fieldDeg * Math.PI) / 360)).toBeCloseTo(
      Math.tan((70.97 * Math.PI) / 360) / 2,
      9,
    );
    expect(half.lamps[0]!.data).toHaveLength(32 * 32 * 3);
    expect(half.description.patches[0]).toMatchObject({ x: 0.5, radius: 0.04 });
    expect(croppedScene(scene, 2)).toBe(half);
    expect(croppedScene(scene, 1)).toBe(scene);
    expect(() => croppedScene(scene, 0.5)).toThrow(RangeError);
  });

  it('finds the nearest view when cameras are exchanged', () => {
    const nearest = (body: CameraId, from: LensId) =>
      nearestOptic(
        simulatedBodies().find(({ id }) => id === body)!,
        opticOfCamera(OPTICS[from]),
      ).id;
    for (const id of LENS_IDS) {
      const { id: body } = OPTICS[id];
      expect(nearest(body, id)).toBe(id);
    }
    expect(nearest('sim-iris', 'ultra-wide')).toBe('zoom-24');
    expect(nearest('sim-one', 'zoom-50')).toBe('tele');
  });
});

describe('effects', () => {
  it('noise follows photon statistics: at high signal 3 dB a stop, at low signal 6', () => {
    const { sensor } = OPTICS.wide;
    expect(snrDb(sensor, 100, 2) - snrDb(sensor, 100, 1)).toBeCloseTo(3.01, 1);
    expect(snrDb(sensor, 6400, -7) - snrDb(sensor, 6400, -8)).toBeCloseTo(6.02, 0);
    // Extended ISO is base-ISO data: the same light gives the same ratio.
    expect(snrDb(sensor, 50, 0)).toBeCloseTo(snrDb(sensor, 100, 1), 9);
  });

  it('shake grows with time by hand, and a delay takes the touch from a tripod', () => {
    const byHand = effectsOf(viewScene(scene, OPTICS.wide, 'landscape', OPENING));
    const at8 = byHand({ ...settings, shutterS: 1 / 8 }, 2, 0, hand);
    expect(at8.shakePx).toBeGreaterThan(byHand({ ...settings, shutterS: 1 / 60 }, 2, 0, hand).shakePx * 3);
    // Practice: about 9 px at 1/8 s through 24 mm equivalent.
    expect(at8.shakePx).toBeGreaterThan(4);
    expect(at8.shakePx).toBeLessThan(18);
    const steady = effectsOf(iris);
    const long = { ...settings, shutterS: 0.5 };
    expect(steady(long, 2, 0, hand).shakePx).toBeGreaterThan(0.5);
    expect(steady(long, 2, 0, { ...hand, delayS: 2 }).shakePx).toBe(0);
    expect(steady(long, 2, 0, hand).steadyS).toBe(Infinity);
  });

  it('no ladder end gives NaN', () => {
    const of = effectsOf(iris);
    for (const shutterS of [SHUTTER_LADDER[0]!.exact, SHUTTER_LADDER.at(-1)!.exact])
      for (const iso of [ISO_LADDER[0]!.exact, ISO_LADDER.at(-1)!.exact])
        for (const apertureN of [2 ** 1.5, 8])
          for (const focusM of [0.3, Infinity])
            for (const value of Object.values(
              of({ shutterS, iso, apertureN, compensationEv: 0 }, focusM, -9, hand),
            ))
              expect(value).not.toBeNaN();
  });
});

describe('trading', () => {
  const plan = fullPlan(OPTICS['zoom-24'].lens);
  it('is reversible, click for click', () => {
    const there = tradeClicks(settings, 'shutter', 'aperture', 3, plan);
    expect(there).toMatchObject({ missing: 0 });
    expect(there.settings.apertureN).toBeCloseTo(2 ** 2.5, 9);
    expect(tradeClicks(there.settings, 'shutter', 'aperture', -3, plan).settings).toEqual(settings);
    expect(tradeClicks(settings, 'shutter', 'aperture', -9, plan).missing).toBe(6);
  });

  it('offers rows of one brightness, the present one among them, each with its costs', () => {
    const of = effectsOf(iris);
    const groups = equivalentsOf(settings, 'iso', plan, (other) => of(other, 2, 0, hand));
    expect(groups.map((g) => g.moves)).toEqual(['shutter', 'aperture']);
    const light = (s: typeof settings) => Math.log2((s.shutterS * s.iso) / s.apertureN ** 2);
    for (const { rows } of groups) {
      expect(rows.filter((r) => r.clicks === 0).map((r) => r.settings)).toEqual([settings]);
      for (const row of rows) expect(Math.abs(light(row.settings) - light(settings))).toBeLessThan(1 / 12);
    }
    const shutters = groups[0]!.rows;
    // ISO 50 … 6400 in whole stops from 100: eight rows; longer times, less noise.
    expect(shutters).toHaveLength(8);
    expect(shutters[0]!.effects.greyDb).toBeLessThan(shutters[7]!.effects.greyDb);
    const apertures = groups[1]!.rows;
    expect(apertures[0]!.effects.nearM).toBeLessThan(apertures.at(-1)!.effects.nearM);
  });

  it('leaves out what a lens without an iris cannot trade', () => {
    expect(tradable(fullPlan(OPTICS.wide.lens))).toEqual(['shutter', 'iso']);
  });
});

describe('explanations', () => {
  it('are two sentences with a number of the present scene', () => {
    const effects = effectsOf(iris)(settings, 2, 0, hand);
    const present = {
      settings,
      effects,
      headroomEv: 0.7,
      allManual: false,
      focusM: 2,
      lengths: 'm' as const,
    };
    for (const what of ['shutter', 'iso', 'aperture', 'compensation', 'focus'] as const) {
      const words = explain(what, present);
      expect(words.split(/\.\s/)).toHaveLength(2);
      expect(words.split(/\.\s/)[1]).toMatch(/\d/);
    }
    expect(explain('compensation', { ...present, allManual: true })).toContain('zero');
    expect(explain('iso', { ...present, settings: { ...settings, iso: 50 } })).toContain('raw data of 100');
  });
});
