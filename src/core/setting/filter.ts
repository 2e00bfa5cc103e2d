// The neutral-density filter in front of the lens, stops; 0 is none.
import * as Type from '@sinclair/typebox';
import { filterStopsOf, MOST_FILTER_STOPS } from '../light/filter';
import type { Setting } from '../define/setting';

export const filterStops: Setting<number> = {
  name: 'Filter',
  schema: Type.Number({ minimum: 0, maximum: MOST_FILTER_STOPS }),
  initial: 0,
  words: (stops) => (stops === 0 ? 'none' : `${stops.toFixed(1).replace(/\.0$/, '')} stops`),
  badge: (stops) => (stops === 0 ? null : `ND ${stops.toFixed(1).replace(/\.0$/, '')} stops`),
  inSetups: true,
  options: [
    {
      flag: 'filter',
      placeholder: 'STOPS',
      parse: (text) => filterStopsOf(text.trim() === '' ? NaN : Number(text), 'stops'),
    },
  ],
  exif: (_, { filterStops: made }) => (made ? { comment: `Filter: ${made.toFixed(1)} stops.` } : {}),
};
