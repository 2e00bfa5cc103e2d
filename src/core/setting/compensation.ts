// What the person wants beside the meter, EV.
import * as Type from '@sinclair/typebox';
import { COMPENSATION_LADDER, formatThirds, parseCompensation, stepOf } from '../units/ladders';
import type { Setting } from '../define/setting';

export const compensationEv: Setting<number> = {
  name: 'Compensation',
  schema: Type.Number({ minimum: -5, maximum: 5 }),
  initial: 0,
  words: formatThirds,
  inSetups: true,
  ladder: COMPENSATION_LADDER,
  settled: (value) => stepOf(COMPENSATION_LADDER, value).exact,
  options: [{ flag: 'ev', placeholder: 'EV', parse: (text) => parseCompensation(text).exact }],
  exif: (_, { compensationEv: made }) =>
    made === undefined
      ? {}
      : { ExposureBiasValue: [Math.round(made * 3), 3], comment: `Compensation ${formatThirds(made)} EV.` },
};
