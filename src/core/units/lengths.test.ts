// Distances in words: the figures that matter, and the unit beside them or apart.
import { FOOT_M, lengthFigure, lengthWords } from './lengths';

it('gives hundredths below one, tenths below ten, whole ones above, in either unit', () => {
  expect([0.3, 4.56, 12.3].map((m) => lengthWords(m))).toEqual(['0.30 m', '4.6 m', '12 m']);
  expect([0.3, 4.56, 12.3].map((ft) => lengthWords(ft * FOOT_M, 'ft'))).toEqual([
    '0.30 ft',
    '4.6 ft',
    '12 ft',
  ]);
  expect(lengthFigure(0.3048, 'ft')).toBe('1.0');
});

it('calls far what is as good as infinity, without a unit, and what is no distance at all', () => {
  for (const m of [Infinity, 1e6, NaN]) expect([lengthWords(m), lengthFigure(m, 'ft')]).toEqual(['∞', '∞']);
});
