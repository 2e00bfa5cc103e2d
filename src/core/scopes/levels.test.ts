// What is told of a capture before it is made, against exact ramps, against the sensor itself, and against a plain count.
import { colourOfNeutral } from '../colour/camera';
import fc from 'fast-check';
import { channelFigures, countSites, headroomEv } from '../raw/statistics';
import { SIM_ONE } from '../sensor/sim-one';
import { noiseModel } from '../sensor/sensor';
import { exposeRows } from '../sensor/expose';
import { floorSignal } from '../sensor/raw-frame';
import {
  chanceUnder,
  clipSignal,
  codeOfLux,
  countLevels,
  expectedHeadroomOfFile,
  forecastOfLevels,
  headroomOfLevels,
  LEVEL_CODES,
  luxOfCode,
  luxOfTopShare,
  responseOf,
  sharesAtLeast,
  type SiteResponse,
} from './levels';
import { CLEAN_DB, rangeOfScene, signalOfSnr, toneLimits } from './limits';
import { framesFor } from '../sequence/plan-bracket';
import { expectedStopline, stopline, STOPLINE_BINS } from './stopline';
import { FIRST_STRIPES, zebraLimit, zebraOnPicture, zebraOnRaw } from './zebra';
import { ZEBRA } from './mark-bits';

const sensor = SIM_ONE.wide.sensor;
const settings = { shutterS: 1 / 128, iso: 100 };
const response = responseOf(sensor, settings);
/** A sensor without noise: then shares are what they are. */
const noiseless: SiteResponse = { ...response, noise: { shot: 1e-9, read: 1 / 12 } };
const clipLux = clipSignal(response) / response.signalPerLux;

/** A mosaic of light by its place. */
function light(width: number, height: number, of: (x: number, y: number) => number): Float32Array {
  return Float32Array.from({ length: width * height }, (_, i) => of(i % width, Math.floor(i / width)));
}

describe('codes of light', () => {
  it('rise with the light, and come back within a code', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-6, max: 1e6, noNaN: true }), (lux) => {
        const code = codeOfLux(lux);
        expect(Math.abs(Math.log2(luxOfCode(code) / lux))).toBeLessThan(0.0113);
        expect(codeOfLux(lux * 1.02)).toBeGreaterThanOrEqual(code);
      }),
    );
  });
  it('hold nothing, too little and too much at their ends', () => {
    expect([0, 1e-30, 1e30, Infinity].map(codeOfLux)).toEqual([0, 0, LEVEL_CODES - 1, LEVEL_CODES - 1]);
  });
});

describe('levels', () => {
  it('count every sample once, in its own channel, for any size', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 17 }), fc.integer({ min: 1, max: 13 }), (width, height) => {
        const levels = countLevels(
          light(width, height, (x, y) => 1 + (x % 2) + 2 * (y % 2)),
          width,
        );
        expect(levels.sites.reduce((a, b) => a + b)).toBe(width * height);
        levels.counts.forEach((counts, c) => {
          expect(counts[codeOfLux(1 + c)]).toBe(levels.sites[c]);
          expect(levels.atLeast[c]![0]).toBe(levels.sites[c]);
        });
      }),
    );
  });

  it('read the known share of a ramp back exactly where there is no noise', () => {
    // 400 columns, equal steps of light; the brightest 10 % lie beyond clip, by a code and more.
    const ramp = light(400, 40, (x) => clipLux * (x >= 360 ? 1.05 : 0.1 + (0.8 * x) / 360));
    const levels = countLevels(ramp, 400);
    expect(forecastOfLevels(levels, noiseless).clipped).toEqual([0.1, 0.1, 0.1, 0.1]);
    const dark = light(400, 40, (x) => (x < 80 ? 0 : clipLux / 8));
    for (const share of forecastOfLevels(countLevels(dark, 400), noiseless).belowFloor)
      expect(share).toBeCloseTo(0.2, 9);
  });

  it('say nothing impossible of no light, of an empty channel, of endless light', () => {
    const nothing = forecastOfLevels(
      countLevels(
        light(4, 4, () => 0),
        4,
      ),
      response,
    );
    expect(nothing.clipped).toEqual([0, 0, 0, 0]);
    for (const share of nothing.belowFloor) expect(share).toBeGreaterThan(0.7);
    const thin = forecastOfLevels(
      countLevels(
        light(1, 3, () => 1),
        1,
      ),
      response,
    );
    expect(thin.belowFloor.every((s) => s >= 0 && s <= 1)).toBe(true);
    expect(
      forecastOfLevels(
        countLevels(
          light(4, 4, () => Infinity),
          4,
        ),
        response,
      ).clipped,
    ).toEqual([1, 1, 1, 1]);
    expect(
      headroomOfLevels(
        countLevels(
          light(4, 4, () => 0),
          4,
        ),
        response,
        0.001,
      ),
    ).toBe(Infinity);
  });
});

describe('the chance of a site', () => {
  // Poisson electrons and normal read noise, drawn by the sensor model that the captures are made with (EMVA 1288).
  it.each([
    [100, 0.3],
    [100, 3],
    [100, 12],
    [1600, 1],
    [1600, 6],
    [6400, 3],
  ])('at ISO %i under %f of the floor is what a hundred thousand draws give, within 1 %%', (iso, of) => {
    const noise = noiseModel(sensor, iso);
    const of1 = responseOf(sensor, { shutterS: 1 / 128, iso });
    const signal = of * floorSignal(noise);
    const n = 100_000;
    const lit = new Float32Array(n).fill(signal / of1.signalPerLux);
    const out = new Uint16Array(n);
    exposeRows(sensor, { shutterS: 1 / 128, iso, seed: 5, sitesPerSample: 1 }, lit, n, 0, out);
    const limit = Math.ceil(floorSignal(noise) * 2) - 0.5;
    const drawn = out.filter((dn) => dn - sensor.black < limit).length / n;
    expect(Math.abs(chanceUnder(limit, signal, noise) - drawn)).toBeLessThan(0.01);
  });
  it('rises with the limit and stays a chance, also without light', () => {
    const noise = noiseModel(sensor, 3200);
    for (const signal of [0, 1, 30, 3000]) {
      const chances = [-50, -1, 0, 5, 50, 500, 5000].map((limit) => chanceUnder(limit, signal, noise));
      expect(chances).toEqual([...chances].sort((a, b) => a - b));
      expect(chances.every((p) => p >= 0 && p <= 1)).toBe(true);
    }
  });
});

describe('forecast and exposure', () => {
  it.each([100, 800, 6400])('agree for a field of all levels at ISO %i', (iso) => {
    const of = responseOf(sensor, { shutterS: 1 / 128, iso });
    const field = light(
      640,
      480,
      (x, y) => 2 ** (-12 + (14 * ((x * 7 + y * 13) % 640)) / 640) * (clipSignal(of) / of.signalPerLux),
    );
    const data = new Uint16Array(field.length);
    exposeRows(sensor, { shutterS: 1 / 128, iso, seed: 3, sitesPerSample: 1 }, field, 640, 0, data);
    const frame = { width: 640, height: 480, data, black: sensor.black, white: sensor.white };
    const figures = channelFigures(countSites(frame), of.noise);
    const told = forecastOfLevels(countLevels(field, 640), of);
    figures.forEach(({ clipped, belowFloor, sites }, c) => {
      expect(Math.abs(told.clipped[c]! - clipped / sites)).toBeLessThan(0.003);
      expect(Math.abs(told.belowFloor[c]! - belowFloor / sites)).toBeLessThan(0.004);
    });
  });
});

describe('the headroom of a file', () => {
  it.each([
    [100, -9],
    [100, -11],
    [1600, -8],
    [6400, -6],
  ])('is told within 0.05 EV where noise decides it: ISO %i, light to %i EV', (iso, top) => {
    const of = responseOf(sensor, { shutterS: 1 / 1024, iso });
    const field = light(640, 480, (x) => 2 ** (top - (6 * x) / 640) * (clipSignal(of) / of.signalPerLux));
    const data = new Uint16Array(field.length);
    exposeRows(sensor, { shutterS: 1 / 1024, iso, seed: 4, sitesPerSample: 1 }, field, 640, 0, data);
    const found = headroomEv(
      countSites({ width: 640, height: 480, data, black: sensor.black, white: sensor.white }),
      0.01,
    );
    const levels = countLevels(field, 640);
    expect(Math.abs(expectedHeadroomOfFile(levels, of, 0.01) - found)).toBeLessThan(0.05);
    // The light itself has more room: noise is on top of it.
    expect(headroomOfLevels(levels, of, 0.01)).toBeGreaterThan(found + 0.03);
  });
  it('is none when that much is clipped, and has no end without light', () => {
    const of = responseOf(sensor, { shutterS: 1, iso: 100 });
    expect(expectedHeadroomOfFile(countLevels(new Float32Array(64).fill(1e6), 8), of, 0.001)).toBe(0);
    const quiet = { ...of, noise: { shot: 0, read: 0 } };
    expect(expectedHeadroomOfFile(countLevels(new Float32Array(64), 8), quiet, 0.001)).toBe(Infinity);
  });
});

describe('the expected stopline', () => {
  it('sums to the samples, whatever the light and the ISO', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(fc.constant(0), fc.double({ min: 1e-5, max: 1e5, noNaN: true })), {
          minLength: 16,
          maxLength: 64,
        }),
        fc.constantFrom(100, 400, 6400),
        (values, iso) => {
          const width = 4;
          const height = Math.floor(values.length / width);
          const levels = countLevels(Float32Array.from(values.slice(0, width * height)), width);
          const { bins } = expectedStopline(levels, responseOf(sensor, { shutterS: 1 / 60, iso }));
          const [r, g1, g2, b] = levels.sites;
          [r, g1 + g2, b].forEach((sites, c) => {
            expect(bins[c]!.reduce((sum, n) => sum + n, 0)).toBeCloseTo(sites, 3);
          });
        },
      ),
    );
  });
  it('is the one that the exposed frame has, bin for bin, where sites are many', () => {
    const field = light(640, 480, (x) => clipLux * 2 ** (-7 + (8 * x) / 640));
    const data = new Uint16Array(field.length);
    exposeRows(sensor, { ...settings, seed: 9, sitesPerSample: 1 }, field, 640, 0, data);
    const counted = countSites({ width: 640, height: 480, data, black: sensor.black, white: sensor.white });
    const [told, found] = [expectedStopline(countLevels(field, 640), response), stopline(counted)];
    // Bins of a quarter stop: each holds thousands.
    for (let bin = 84; bin < STOPLINE_BINS - 4; bin += 3) {
      const sum = (bins: Float32Array) => bins[bin]! + bins[bin + 1]! + bins[bin + 2]!;
      expect(Math.abs(sum(told.bins[1]) / sum(found.bins[1]) - 1)).toBeLessThan(0.12);
    }
    expect(told.bins[1][STOPLINE_BINS - 1]! / found.bins[1][STOPLINE_BINS - 1]!).toBeCloseTo(1, 1);
  });
});

describe('headroom', () => {
  it('is the distance of a patch to clip, and its negative past it', () => {
    for (const ev of [-5, -1, 0.5, 3]) {
      const field = light(200, 200, (x, y) => (x < 10 && y < 10 ? clipLux * 2 ** -ev : clipLux / 4000));
      expect(headroomOfLevels(countLevels(field, 200), noiseless, 0.001)).toBeCloseTo(ev, 1);
    }
  });
  it('lets exactly the share go that it is told', () => {
    // One patch of 0.25 % two stops over the rest: it may burn from 0.3 % on.
    const field = light(200, 200, (x, y) => (x < 10 && y < 10 ? 4 : 1) * clipLux * 0.1);
    const levels = countLevels(field, 200);
    const near = (a: number) =>
      expect(Math.abs(headroomOfLevels(levels, noiseless, a) - Math.log2(10))).toBeLessThan(0.02);
    near(0.003);
    near(0.05);
    expect(Math.abs(headroomOfLevels(levels, noiseless, 0.002) - Math.log2(2.5))).toBeLessThan(0.02);
  });
  it('does not depend on the exposure that it is told at', () => {
    const levels = countLevels(
      light(64, 64, (x) => clipLux * 2 ** (-x / 8)),
      64,
    );
    const at = (shutterS: number) =>
      headroomOfLevels(levels, responseOf(sensor, { shutterS, iso: 100 }), 0.01);
    expect(at(1 / 128) - at(1 / 16)).toBeCloseTo(3, 4);
  });
});

describe('lines of the stopline', () => {
  it('lie where the signal stands that many decibels over its noise', () => {
    for (const iso of [100, 1600])
      for (const db of [0, 10, 26]) {
        const noise = noiseModel(sensor, iso);
        const s = signalOfSnr(noise, db);
        expect(20 * Math.log10(s / Math.sqrt(noise.shot * s + noise.read))).toBeCloseTo(db, 9);
      }
    // SNR 1 is the noise floor.
    expect(signalOfSnr(noiseModel(sensor, 100), 0)).toBeCloseTo(floorSignal(noiseModel(sensor, 100)), 9);
  });
  it('put the end of the picture’s tones one gain under clip, and a stop of extended ISO changes none of raw', () => {
    const colour = colourOfNeutral(SIM_ONE.wide.matrices, [0.5, 1, 0.8]);
    const { whiteEv, blackEv } = toneLimits(colour, { iso: 100 });
    expect(whiteEv[1] - whiteEv[0]).toBeCloseTo(1, 6);
    expect(whiteEv[1] - whiteEv[2]).toBeCloseTo(Math.log2(1 / 0.8), 6);
    expect(whiteEv[1]).toBeLessThanOrEqual(0);
    expect(whiteEv[1]).toBeGreaterThan(-0.3);
    expect(blackEv[1]).toBeLessThan(-10);
  });
  it('hold a scene in one frame, or in as many as its stops need with one shared', () => {
    expect([9, 9.5, 9.6, 18, 18.1, 40].map((ev) => framesFor(ev, 9.5))).toEqual([1, 1, 2, 2, 3, 5]);
    expect(framesFor(8, 1)).toBeNull();
    expect(framesFor(Infinity, 9)).toBeNull();
  });
  it('measure a scene of two fields by the stops between them', () => {
    const field = light(100, 100, (x) => (x < 50 ? clipLux / 2 : clipLux / 2 / 2 ** 7));
    const levels = countLevels(field, 100);
    const range = rangeOfScene(levels, noiseless, headroomOfLevels(levels, noiseless, 0.001), CLEAN_DB);
    expect(range.sceneEv).toBeCloseTo(7, 1);
    expect(luxOfTopShare(levels, 1, 0.3)).toBeCloseTo(clipLux / 2, -1);
  });
});

describe('the zebra', () => {
  const threshold = 6; // half a stop under clip
  const field = (over: number) =>
    light(
      400,
      300,
      (x, y) => (x < 20 && y < 15 ? over : 0.1) * (zebraLimit(response, threshold) / response.signalPerLux),
    );
  const striped = (lit: Float32Array, of = response) => {
    const mask = new Uint16Array(lit.length);
    zebraOnRaw(lit, 400, countLevels(lit, 400), of, threshold, mask);
    return mask.filter((bits) => bits & ZEBRA).length;
  };

  it('begins within a sixth of a stop of the first 0.1 % that passes, at any ISO', () => {
    for (const iso of [100, 1600, 6400]) {
      const of = responseOf(sensor, { shutterS: 1 / 128, iso });
      const lit = light(400, 300, (x, y) => (x < 20 && y < 15 ? 1 : 0.05));
      const levels = countLevels(lit, 400);
      const first = (holds: (ev: number) => boolean) => {
        let ev = -4;
        while (!holds(ev)) ev += 1 / 96;
        return ev;
      };
      // Exposed so that the patch (0.25 % of the frame) climbs past the threshold.
      const at = (ev: number) => ({ ...of, signalPerLux: zebraLimit(of, threshold) * 2 ** ev });
      const passing = first((ev) => sharesAtLeast(levels, at(ev), zebraLimit(of, threshold))[1] >= 0.001);
      const stripes = first((ev) => {
        const mask = new Uint16Array(lit.length);
        zebraOnRaw(lit, 400, levels, at(ev), threshold, mask);
        return mask.some((bits) => (bits & ZEBRA) !== 0);
      });
      expect(Math.abs(stripes - passing)).toBeLessThanOrEqual(1 / 6);
      expect(headroomOfLevels(levels, at(-2), FIRST_STRIPES, zebraLimit(at(-2), threshold))).toBeCloseTo(
        passing + 2,
        1,
      );
    }
  });
  it('covers what passes and nothing else; a lone sparkle makes none', () => {
    expect(striped(field(1.5))).toBe(300 + 20); // the patch, to whole cells
    expect(striped(field(0.5))).toBe(0);
    expect(striped(light(400, 300, (x, y) => (x < 4 && y < 4 ? 99 : 0)))).toBe(0);
  });
  it('on the picture marks luminance from the threshold on, and lets noise of a few codes pass', () => {
    const picture = (code: number) => new Uint8ClampedArray(64 * 4).fill(code);
    const held = new Uint8Array(64);
    const stripes = (code: number) => {
      const mask = new Uint16Array(64);
      zebraOnPicture(picture(code), 90, held, mask);
      return mask.filter((bits) => bits & ZEBRA).length;
    };
    // 90 % of 255 is 229.5.
    expect([229, 230, 226, 231, 223, 229].map(stripes)).toEqual([0, 64, 64, 64, 0, 0]);
  });
});
