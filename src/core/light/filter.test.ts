import fc from 'fast-check';
import { SHUTTER_LADDER } from '../units/ladders';
import { FILTER_UNITS, filterIn, filterStopsOf, longTime, MOST_FILTER_STOPS, timeBehind } from './filter';

describe('neutral-density filters (T = 10^−D)', () => {
  // Handbook of the trade: D 3.0 is 9.97 stops, sold as "10 stops" or "1000×"; D 0.3, 0.6, 0.9 as 1, 2, 3 stops.
  it.each([
    [3.0, 9.966, 1000],
    [0.3, 0.9966, 2],
    [0.6, 1.993, 4],
    [0.9, 2.99, 8],
    [1.8, 5.979, 64],
  ])('density %d is %d stops, about %d×', (density, stops, factor) => {
    expect(filterStopsOf(density, 'density')).toBeCloseTo(stops, 2);
    expect(Math.abs(filterIn(stops, 'factor') / factor - 1)).toBeLessThan(0.02);
  });

  it('goes from any unit to any other and back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: MOST_FILTER_STOPS, noNaN: true }),
        fc.constantFrom(...FILTER_UNITS),
        (stops, unit) => {
          expect(filterStopsOf(filterIn(stops, unit), unit)).toBeCloseTo(stops, 6);
        },
      ),
    );
  });

  it.each([
    [-1, 'stops'],
    [0.5, 'factor'],
    [0, 'factor'],
    [-0.1, 'density'],
    [NaN, 'stops'],
    [Infinity, 'factor'],
    [21, 'stops'],
  ] as const)('refuses %d %s and says what is allowed', (value, unit) => {
    expect(() => filterStopsOf(value, unit)).toThrow(/A filter has (0|1) … /);
  });
});

describe('the time behind a filter', () => {
  it.each([
    [1 / 128, 3, '1/15', 'ladder'],
    [1 / 128, 10, '8 s', 'ladder'],
    [1 / 16, 9, '30 s', 'ladder'],
    [1 / 8, 10, 'bulb, 2 min 8 s', 'bulb'],
    [4, 10, 'bulb, 1 h 8 min', 'bulb'],
  ] as const)('%d s behind %d stops is %s', (time, stops, words, kind) => {
    expect(timeBehind(time, stops)).toMatchObject({ words, kind });
  });

  it('is bulb only beyond the end of the ladder, and never NaN', () => {
    for (const { exact } of SHUTTER_LADDER) {
      expect(timeBehind(exact, 0).kind).toBe('ladder');
      expect(Number.isFinite(timeBehind(exact, MOST_FILTER_STOPS).seconds)).toBe(true);
    }
    for (const bad of [0, -1, NaN, Infinity]) expect(() => timeBehind(bad, 1)).toThrow(RangeError);
  });

  it('reads as a person would say it', () => {
    expect([59, 60, 61, 3600, 3661].map(longTime)).toEqual([
      '59 s',
      '1 min',
      '1 min 1 s',
      '1 h',
      '1 h 1 min',
    ]);
  });
});
