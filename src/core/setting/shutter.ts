// How long the shutter is open.
import { CONTROL, type Control } from '../exposure/control';
import { parseShutter, SHUTTER_LADDER, shutterRational, stepOf } from '../units/ladders';
import { byHand, controlWords, settledOn } from './ladder';
import type { Setting } from './setting';

export const shutter: Setting<Control> = {
  name: 'Shutter',
  schema: CONTROL,
  initial: { auto: true, exact: stepOf(SHUTTER_LADDER, 1 / 128).exact },
  words: (value) => controlWords(SHUTTER_LADDER, value),
  inSetups: true,
  ladder: SHUTTER_LADDER,
  settled: (value) => settledOn(SHUTTER_LADDER, value),
  options: [{ flag: 'shutter', placeholder: 'T', parse: (text) => byHand(parseShutter(text).exact) }],
  exif: (_, { shutterS }) =>
    shutterS === undefined
      ? {}
      : { ExposureTime: shutterRational(shutterS), ShutterSpeedValue: -Math.log2(shutterS) },
};
