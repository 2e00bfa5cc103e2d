// The finder on finished pictures: differences of light by the inverse of the sRGB curve (IEC 61966-2-1), absolute once calibrated
// (ISO 2720), bounds at the ends of the picture's tones.
import { encodeSrgb } from '../colour/srgb';
import { luminanceOfEv100 } from '../light/apex';
import {
  ev100OfTyped,
  offsetNow,
  offsetOfAperture,
  offsetOfKnown,
  relativeGreyEv100,
  SUNNY_EV100,
  toldBy,
  type Calibration,
} from '../meter/calibration';
import { pictureSight } from '../meter/picture-sight';
import { doubtOf } from '../meter/read';
import { initialValues } from '../setting/values';
import { pictureFinder, type PictureAsk } from './picture-finder';

const [W, H] = [64, 48];
const codeOf = (linear: number) => Math.round(255 * encodeSrgb(Math.min(1, linear)));

/** Grey of a linear value at each place. */
function picture(linearAt: (x: number, y: number) => number): Uint8ClampedArray {
  const rgba = new Uint8ClampedArray(4 * W * H);
  for (let y = 0, o = 0; y < H; y++)
    for (let x = 0; x < W; x++, o += 4) rgba.fill(codeOf(linearAt(x, y)), o, o + 3).fill(255, o + 3, o + 4);
  return rgba;
}

const { meter } = initialValues();
const ask = (over: Partial<PictureAsk> = {}): PictureAsk => ({
  settings: { meter: { ...meter, pattern: 'centre' }, filterStops: 0 },
  at: { x: 0.5, y: 0.5 },
  pins: [],
  calibration: null,
  ...over,
});
const samplesOf = (rgba: Uint8ClampedArray, exposure = {}) => ({ width: W, height: H, rgba, exposure });
const NOW = Date.UTC(2031, 3, 9);

describe('a picture that nobody has calibrated', () => {
  it('tells how far light lies from its mid-grey: 18 % is 0, and every stop one, within the rounding of 8 bits', () => {
    const finder = pictureFinder(W, H);
    for (const stops of [-4, -3, -2, -1, 0, 1, 2]) {
      const { fromGreyEv, relative } = finder.read(samplesOf(picture(() => 0.18 * 2 ** stops)), ask());
      expect(Math.abs(fromGreyEv - stops)).toBeLessThan(0.05);
      expect(relative).toMatch(/not calibrated/);
    }
  });

  it('tells a ramp step by step to pins, relative to each other within 0.05 EV', () => {
    const stepAt = (x: number) => Math.floor((x / W) * 4) - 2;
    const pins = (['A', 'B', 'C', 'D'] as const).map((letter, i) => ({ letter, x: (i + 0.5) / 4, y: 0.5 }));
    const { pins: read } = pictureFinder(W, H).read(
      samplesOf(picture((x) => 0.18 * 2 ** stepAt(x))),
      ask({ pins }),
    );
    read.forEach((pin, i) => {
      expect(Math.abs(pin.fromGreyEv - (i - 2))).toBeLessThan(0.05);
      expect([pin.toClipEv, pin.bound]).toEqual([null, null]);
    });
  });

  it('takes what a device tells of its exposure into account: half the time at the same picture is a stop more light', () => {
    const finder = pictureFinder(W, H);
    const rgba = picture(() => 0.18);
    const at = (shutterS: number, iso: number) =>
      finder.read(samplesOf(rgba, { shutterS, iso }), ask()).reading.ev100;
    expect(at(1 / 200, 100) - at(1 / 100, 100)).toBeCloseTo(1, 9);
    expect(at(1 / 100, 100) - at(1 / 100, 400)).toBeCloseTo(2, 9);
    expect(relativeGreyEv100({})).toBe(-0);
  });

  it('adds what a filter before the lens takes', () => {
    const { settings } = ask();
    const behind = pictureFinder(W, H).read(
      samplesOf(picture(() => 0.18)),
      ask({ settings: { ...settings, filterStops: 3 } }),
    );
    expect(Math.abs(behind.reading.ev100 - 3)).toBeLessThan(0.02);
    expect(Math.abs(behind.fromGreyEv)).toBeLessThan(0.02);
  });
});

describe('the ends of the picture', () => {
  it('are bounds: at 255 it is at least this bright, near 0 at most, and the reading says that it is in doubt', () => {
    const finder = pictureFinder(W, H);
    const rgba = picture((x) => (x < W / 2 ? 1 : 0));
    const pins = [
      { letter: 'A' as const, x: 0.25, y: 0.5 },
      { letter: 'B' as const, x: 0.75, y: 0.5 },
    ];
    const { pins: read, reading } = finder.read(samplesOf(rgba), ask({ pins }));
    expect(read.map(({ bound }) => bound)).toEqual(['least', 'most']);
    expect(read[1]!.fromGreyEv).toBe(-Infinity);
    expect(doubtOf(reading)).toBe('clipped');
    expect(finder.ends()).toEqual({ white: 0.5, black: 0.5 });
  });

  it('are marked on a layer that is clear elsewhere; the zebra leaves a quarter of the light', () => {
    const finder = pictureFinder(W, H);
    finder.read(samplesOf(picture((x) => (x < W / 2 ? 1 : x < (3 * W) / 4 ? 0.6 : 0.1))), ask());
    const none = { white: false, black: false, zebraPercent: null, brightestShare: null, peaks: null };
    expect(finder.marks(none)).toBeNull();
    const layer = finder.marks({ ...none, white: true })!;
    const alpha = (x: number, from: Uint8ClampedArray) =>
      Array.from({ length: H }, (_, y) => from[4 * (y * W + x) + 3]);
    expect(alpha(W - 4, layer).every((a) => a === 0)).toBe(true);
    expect(alpha(2, layer).some((a) => a === 255)).toBe(true);
    const striped = finder.marks({ ...none, zebraPercent: 70 })!;
    expect(new Set(alpha((5 * W) / 8, striped))).toEqual(new Set([0, 191]));
    expect(alpha(W - 4, striped).every((a) => a === 0)).toBe(true);
    const dots = finder.marks({ ...none, brightestShare: 0.01 })!;
    expect(alpha(2, dots).some((a) => a === 255)).toBe(true);
    expect(alpha(W - 4, dots).every((a) => a === 0)).toBe(true);
  });
});

describe('calibration', () => {
  const by = (over: Partial<Calibration>): Calibration => ({
    way: 'ev',
    offsetEv: 0,
    told: [],
    timeMs: NOW,
    ...over,
  });

  it('by something known makes EV and luminance absolute, at any brightness of the picture', () => {
    const finder = pictureFinder(W, H);
    const { reading } = finder.read(samplesOf(picture(() => 0.3)), ask());
    const calibration = by({ offsetEv: offsetOfKnown(reading.ev100, 9) });
    const dimmer = finder.read(samplesOf(picture(() => 0.075)), ask({ calibration }));
    expect(dimmer.relative).toBeNull();
    expect(Math.abs(dimmer.reading.ev100 - 7)).toBeLessThan(0.05);
    expect(Math.abs(dimmer.reading.luminance / luminanceOfEv100(7) - 1)).toBeLessThan(0.035);
  });

  it('by the exposure: a mid-grey at f/2, 1/128 s, ISO 100 is EV 9 (ISO 2720: EV = log2 N²/t)', () => {
    const exposure = { shutterS: 1 / 128, iso: 100 };
    const calibration = by({ way: 'exposure', offsetEv: offsetOfAperture(2), told: toldBy(exposure) });
    const { reading } = pictureFinder(W, H).read(
      samplesOf(
        picture(() => 0.18),
        exposure,
      ),
      ask({ calibration }),
    );
    expect(Math.abs(reading.ev100 - 9)).toBeLessThan(0.02);
  });

  it('holds only while the device tells what it told then', () => {
    const calibration = by({ offsetEv: 3, told: ['shutterS'] });
    expect(offsetNow(calibration, { shutterS: 1 })).toBe(3);
    expect(offsetNow(calibration, {})).toHaveProperty('unknown');
    expect(offsetNow(calibration, { shutterS: 1, iso: 100 })).toHaveProperty('unknown');
  });

  it('refuses what is no light and no lens; full sun is f/16 at 1/ISO (common practice)', () => {
    expect(() => offsetOfKnown(-Infinity, 9)).toThrow(/no light/);
    expect(() => offsetOfKnown(0, NaN)).toThrow(/EV −20 and 40/);
    expect(() => ev100OfTyped(0)).toThrow(/greater than 0/);
    expect(() => ev100OfTyped(Infinity)).toThrow(RangeError);
    for (const n of [0, NaN, -2, 200]) expect(() => offsetOfAperture(n)).toThrow(/f-number/);
    expect(SUNNY_EV100).toBeCloseTo(14.64, 2);
    expect(ev100OfTyped(luminanceOfEv100(9))).toBeCloseTo(9, 9);
  });
});

it('a picture of another size, or smaller than a cell, is refused', () => {
  const finder = pictureFinder(W, H);
  expect(() => finder.ends()).toThrow(/No picture/);
  expect(() =>
    finder.read({ width: 2, height: 2, rgba: new Uint8ClampedArray(16), exposure: {} }, ask()),
  ).toThrow(/2×2/);
  expect(() => pictureSight(new Uint8ClampedArray(4), 1, 1, 0)).toThrow(/too small/);
});
