// Pins: stops from mid-grey by ISO 2720, clip by ISO 12232 (9.6 times a metered field), zones as in Adams' Zone System.
import { ev100OfLuminance, ev100OfSettings } from '../light/apex';
import { sightOf } from './luminance-map';
import { contrastOf, freeLetter, PIN_LETTERS, readPin, type Pin } from './pins';

const map = (left: number, right: number) => ({
  width: 100,
  height: 75,
  data: Float32Array.from({ length: 7500 }, (_, i) => (i % 100 < 50 ? left : right)),
});
const [A, B]: [Pin, Pin] = [
  { letter: 'A', x: 0.25, y: 0.5 },
  { letter: 'B', x: 0.75, y: 0.5 },
];
const settings = { shutterS: 1 / 128, iso: 100, apertureN: 4, compensationEv: 0 };

describe('a pin', () => {
  it('tells how far from mid-grey its place lands', () => {
    const grey = 12.5 * 0.01 * 2 ** ev100OfSettings(4, 1 / 128, 100);
    const sight = sightOf(map(grey, grey * 2 ** -3.5));
    expect(readPin(sight, A, settings).fromGreyEv).toBeCloseTo(0, 5);
    expect(readPin(sight, B, settings).fromGreyEv).toBeCloseTo(-3.5, 5);
    expect(readPin(sight, A, { ...settings, iso: 200 }).fromGreyEv).toBeCloseTo(1, 5);
    expect(readPin(sight, A, { ...settings, filterStops: 3 }).fromGreyEv).toBeCloseTo(-3, 5);
  });

  it('tells where raw clips: 3.26 EV over mid-grey from base ISO up, a stop less for the same picture at ISO 50', () => {
    const sight = sightOf(map(100, 100));
    const pin = readPin(sight, A, settings);
    expect(pin.fromGreyEv + pin.toClipEv!).toBeCloseTo(3.263, 3);
    const extended = readPin(sight, A, { ...settings, iso: 50, shutterS: 1 / 64 });
    expect(extended.fromGreyEv).toBeCloseTo(pin.fromGreyEv, 9);
    expect(extended.fromGreyEv + extended.toClipEv!).toBeCloseTo(2.263, 3);
  });

  it('clips first in the channel that is exposed most', () => {
    const luminance = map(100, 100);
    const sight = { ...sightOf(luminance), peak: () => map(400, 100) };
    expect(readPin(sight, B, settings).toClipEv! - readPin(sight, A, settings).toClipEv!).toBeCloseTo(2, 9);
  });

  it('in total darkness is black, not NaN', () => {
    const pin = readPin(sightOf(map(0, 1)), A, settings);
    expect([pin.fromGreyEv, pin.toClipEv!]).toEqual([-Infinity, Infinity]);
  });

  it('put on a step by its reading, lands there exactly', () => {
    const reading = readPin(sightOf(map(37, 5)), A, settings);
    for (const step of [-5, 0, 5]) {
      // The reading taken as the meter's, with the step as compensation.
      const wanted = ev100OfLuminance(37) - step;
      expect(reading.ev100 - wanted).toBeCloseTo(step, 9);
    }
  });
});

describe('contrast of two pins', () => {
  it.each([
    [100, 100, 0, 1],
    [3.1, 90, 4.86, 29],
    [0.5, 512, 10, 1024],
  ])('%d and %d cd/m²: %d stops, 1 : %d', (a, b, stops, ratio) => {
    for (const contrast of [contrastOf(a, b), contrastOf(b, a)]) {
      expect(contrast.stops).toBeCloseTo(stops, 2);
      expect(contrast.ratio).toBeCloseTo(ratio, 0);
    }
  });
  it('with black is without end, between two blacks none', () => {
    expect(contrastOf(0, 5).stops).toBe(Infinity);
    expect(contrastOf(0, 0)).toEqual({ stops: 0, ratio: 1 });
  });
});

describe('letters', () => {
  it('are eight, and the first free one is taken', () => {
    const pins = PIN_LETTERS.map((letter) => ({ letter, x: 0, y: 0 }));
    expect(freeLetter([])).toBe('A');
    expect(freeLetter(pins.filter((pin) => pin.letter !== 'C'))).toBe('C');
    expect(freeLetter(pins)).toBeUndefined();
  });
});
