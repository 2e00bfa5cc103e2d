// How long the shutter is open.
import { CONTROL, type Control } from '../exposure/control';
import { parseShutter, SHUTTER_LADDER, shutterRational, stepOf } from '../units/ladders';
import { byHand, controlWords, settledOn } from './ladder';
import type { Rational, Setting } from '../define/setting';

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
      : { ExposureTime: asWritten(shutterS), ShutterSpeedValue: -Math.log2(shutterS) },
};

/** A click is written by its usual name; a time between clicks, as devices tell it, to the microsecond. */
function asWritten(shutterS: number): Rational {
  const off = Math.abs(Math.log2(shutterS / stepOf(SHUTTER_LADDER, shutterS).exact));
  return off < ON_CLICK ? shutterRational(shutterS) : [Math.max(1, Math.round(shutterS * 1e6)), 1e6];
}

/** Stops: rounding, nothing else. */
const ON_CLICK = 1e-3;
