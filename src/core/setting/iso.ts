// How sensitive: the exposure index of ISO 12232.
import { CONTROL, type Control } from '../exposure/control';
import { ISO_LADDER, parseIso, stepOf } from '../units/ladders';
import { byHand, controlWords, settledOn } from './ladder';
import type { Setting } from '../define/setting';

export const iso: Setting<Control> = {
  name: 'ISO',
  schema: CONTROL,
  initial: { auto: true, exact: 100 },
  words: (value) => controlWords(ISO_LADDER, value),
  inSetups: true,
  ladder: ISO_LADDER,
  settled: (value) => settledOn(ISO_LADDER, value),
  options: [{ flag: 'iso', placeholder: 'S', parse: (text) => byHand(parseIso(text).exact) }],
  exif: (_, { iso: made }) =>
    made === undefined ? {} : { PhotographicSensitivity: stepOf(ISO_LADDER, made).nominal },
};
