// Counts, headroom, stopline and clip marks against brute force; development against its own definition.
import { colourOfNeutral } from '../colour/camera';
import { SIM_COLOUR } from '../sensor/sim-colour';
import fc from 'fast-check';
import { pictureHistogram } from '../scopes/picture-histogram';
import { binEdgeEv, stopline, STOPLINE_BINS } from '../scopes/stopline';
import { cfaIndex, clipLevel } from '../sensor/raw-frame';
import { developerFor, developReduced, developRegion } from './develop';
import { baselineExposureEv, toneCurve } from './tone';
import { channelFigures, countSites, headroomEv, percentilesEv, stopsBelowSaturation } from './statistics';

const [black, white] = [256, 4095];
const noise = { shot: 0.35, read: 0.9 };
const mosaic = (width: number, height: number, value: (x: number, y: number) => number) => ({
  width,
  height,
  black,
  white,
  data: Uint16Array.from({ length: width * height }, (_, i) => value(i % width, Math.floor(i / width))),
});
const anyMosaic = fc
  .tuple(fc.integer({ min: 2, max: 9 }), fc.integer({ min: 2, max: 9 }))
  .chain(([w, h]) =>
    fc
      .array(fc.integer({ min: 0, max: 4300 }), { minLength: w * h, maxLength: w * h })
      .map((values) => mosaic(w, h, (x, y) => values[y * w + x]!)),
  );

describe('statistics of a mosaic', () => {
  it('agree with brute force on any mosaic, odd sizes and numbers above white included', () => {
    fc.assert(
      fc.property(anyMosaic, (frame) => {
        const counted = countSites(frame);
        channelFigures(counted, noise).forEach((figures, c) => {
          const own = [...frame.data]
            .filter((_, i) => cfaIndex(i % frame.width, Math.floor(i / frame.width)) === c)
            .map((v) => Math.min(v, white));
          expect(figures.sites).toBe(own.length);
          expect(figures.clipped).toBe(own.filter((v) => v >= clipLevel(frame)).length);
          if (own.length > 0) {
            expect([figures.min, figures.max]).toEqual([Math.min(...own), Math.max(...own)]);
            expect(figures.mean).toBeCloseTo(own.reduce((a, b) => a + b) / own.length, 9);
          }
        });
      }),
    );
  });

  it('can be counted again into the same memory', () => {
    const first = countSites(mosaic(8, 8, () => 300));
    const again = countSites(
      mosaic(8, 8, () => 400),
      first,
    );
    expect(channelFigures(again, noise)[0]).toMatchObject({ sites: 16, min: 400, max: 400 });
  });

  it('headroom is the stops to the first clipped share', () => {
    const signal = (clipLevel({ black, white }) - black) / 4;
    const frame = mosaic(64, 64, () => black + signal);
    expect(headroomEv(countSites(frame))).toBeCloseTo(2, 2);
  });

  it('headroom lets 0.1 % of a channel burn and no more', () => {
    const bright = (sites: number) =>
      headroomEv(
        countSites(
          mosaic(128, 128, (x, y) => (y === 0 && x % 2 === 0 && x / 2 < sites ? white : black + 100)),
        ),
      );
    expect(bright(4)).toBeGreaterThan(5); // 4 of 4096 red sites is under 0.1 %
    expect(bright(5)).toBe(0);
  });

  it('a black frame has endless headroom, an empty highlight none', () => {
    expect(headroomEv(countSites(mosaic(4, 4, () => black)))).toBe(Infinity);
    expect(headroomEv(countSites(mosaic(4, 4, () => white)))).toBe(0);
  });

  it('percentiles are in stops below saturation', () => {
    const frame = mosaic(20, 20, (_, y) => (y < 10 ? black + (white - black) / 4 : white));
    const [p25, p75] = percentilesEv(countSites(frame), 0, [25, 75]);
    expect(p25).toBeCloseTo(-2, 2);
    expect(p75).toBeCloseTo(0, 9);
    expect(stopsBelowSaturation(black, frame)).toBe(-Infinity);
  });
});

describe('the stopline', () => {
  it('counts every site once, whatever the mosaic', () => {
    fc.assert(
      fc.property(anyMosaic, (frame) => {
        const { bins } = stopline(countSites(frame));
        const sum = bins.reduce((total, channel) => total + channel.reduce((a, b) => a + b, 0), 0);
        expect(sum).toBeCloseTo(frame.width * frame.height, 3);
      }),
    );
  });

  it('shows a level where it lies, and what is clipped in its own bin', () => {
    const level = black + (white - black) / 8;
    const { bins } = stopline(countSites(mosaic(8, 8, (x) => (x < 4 ? level : white))));
    const peak = bins[1].slice(0, -1).indexOf(Math.max(...bins[1].slice(0, -1)));
    expect(Math.abs(binEdgeEv(peak) + 0.5 / 12 - -3)).toBeLessThan(1 / 12);
    expect(bins[0][STOPLINE_BINS - 1]).toBe(8);
    expect(bins[1][STOPLINE_BINS - 1]).toBe(16);
  });

  it('reads known shares back from a ramp', () => {
    const frame = mosaic(100, 100, (x) => (x < 90 ? black + 40 * x : white));
    const { bins } = stopline(countSites(frame));
    expect(bins[2][STOPLINE_BINS - 1]! / bins[2].reduce((a, b) => a + b)).toBeCloseTo(0.1, 9);
  });
});

describe('development', () => {
  const frame = (value: (x: number, y: number) => number, iso = 100, w = 16, h = 12) => ({
    ...mosaic(w, h, value),
    layout: 'cfa' as const,
    colour: colourOfNeutral(SIM_COLOUR.matrices, [0.5, 1, 0.7]),
    noise,
    baselineEv: baselineExposureEv({ iso }),
  });
  const neutral = (share: number) => (x: number, y: number) =>
    Math.round(black + (white - black) * share * [0.5, 1, 1, 0.7][cfaIndex(x, y)]!);
  const develop = (f: ReturnType<typeof frame>) => {
    const rgba = new Uint8ClampedArray(f.width * f.height * 4);
    developRegion(f, developerFor(f), { x: 0, y: 0, width: f.width, height: f.height }, rgba);
    return rgba;
  };

  it('puts a metered grey at 18 %: sRGB code 118 (IEC 61966-2-1)', () => {
    const rgba = develop(frame(neutral(0.08125 / 0.78)));
    for (let i = 0; i < rgba.length; i += 4)
      for (let c = 0; c < 3; c++) expect(Math.abs(rgba[i + c]! - 118)).toBeLessThanOrEqual(1);
  });

  it('keeps neutral neutral, burns to white and not to magenta, and keeps black black', () => {
    const grey = develop(frame(neutral(0.4)));
    expect(Math.max(...grey.slice(0, 3)) - Math.min(...grey.slice(0, 3))).toBeLessThanOrEqual(1);
    expect([...develop(frame(() => white)).slice(0, 4)]).toEqual([255, 255, 255, 255]);
    expect([...develop(frame(() => black)).slice(0, 4)]).toEqual([0, 0, 0, 255]);
  });

  it('develops extended ISO 50 a stop darker from the same numbers, and still burns to white', () => {
    expect(baselineExposureEv({ iso: 100 }) - baselineExposureEv({ iso: 50 })).toBeCloseTo(1, 12);
    const value = neutral(0.2);
    expect(develop(frame(value, 50))[0]).toBeLessThan(develop(frame(value, 100))[0]!);
    expect(develop(frame(() => white, 50))[0]).toBe(255);
  });

  it('has a tone curve that rises without a break from 0 to 1', () => {
    for (const clipAt of [2 ** baselineExposureEv({ iso: 100 }), 2 ** baselineExposureEv({ iso: 50 })]) {
      let last = 0;
      for (let i = 1; i <= 2000; i++) {
        const y = toneCurve((i / 2000) * clipAt, clipAt);
        expect(y).toBeGreaterThan(last);
        expect(y - last).toBeLessThan(0.002);
        last = y;
      }
      expect(last).toBe(1);
      expect(toneCurve(0.18, clipAt)).toBeCloseTo(0.18, 12);
    }
  });

  it('develops a region as it develops the whole', () => {
    const f = frame((x, y) => 300 + ((x * 37 + y * 91) % 3000));
    const whole = develop(f);
    const region = { x: 3, y: 5, width: 7, height: 4 };
    const part = new Uint8ClampedArray(region.width * region.height * 4);
    developRegion(f, developerFor(f), region, part);
    for (let y = 0; y < region.height; y++) {
      const from = ((region.y + y) * f.width + region.x) * 4;
      expect(part.slice(y * region.width * 4, (y + 1) * region.width * 4)).toEqual(
        whole.slice(from, from + region.width * 4),
      );
    }
    expect(() => developRegion(f, developerFor(f), { ...region, x: 10 }, part)).toThrow(RangeError);
  });

  it('reduces to a picture of the same brightness', () => {
    const small = developReduced(frame(neutral(0.08125 / 0.78), 100, 64, 48), 8, 6);
    expect(small.length).toBe(8 * 6 * 4);
    expect(Math.abs(small[0]! - 118)).toBeLessThanOrEqual(1);
  });
});

describe('the picture histogram', () => {
  it('counts every pixel once a channel', () => {
    const rgba = Uint8ClampedArray.from({ length: 400 }, (_, i) => (i * 7) % 256);
    const h = pictureHistogram(rgba);
    for (const channel of [h.r, h.g, h.b, h.luminance]) expect(channel.reduce((a, b) => a + b)).toBe(100);
    expect(pictureHistogram(new Uint8ClampedArray([10, 10, 10, 255])).luminance[10]).toBe(1);
  });
});
