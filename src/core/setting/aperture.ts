// How wide the iris stands, of a lens that has one.
import { hasIris } from '../body/body';
import { CONTROL, type Control } from '../exposure/control';
import { APERTURE_LADDER, parseAperture, stepOf } from '../units/ladders';
import { byHand, controlWords, settledOn } from './ladder';
import type { Setting } from '../define/setting';

/** An exact f-number of the ladder by its usual name; any other as it is. */
function nominalN(exact: number): number {
  const step = stepOf(APERTURE_LADDER, exact);
  return Math.abs(step.exact - exact) < 1e-6 ? step.nominal : exact;
}

export const aperture: Setting<Control> = {
  name: 'Aperture',
  schema: CONTROL,
  initial: { auto: true, exact: 2 ** 1.5 },
  words: (value) => controlWords(APERTURE_LADDER, value),
  inSetups: true,
  ladder: APERTURE_LADDER,
  on: hasIris,
  settled: (value) => settledOn(APERTURE_LADDER, value),
  options: [
    {
      flag: 'aperture',
      placeholder: 'N',
      parse: (text, _, { apertureN, can: { aperture: span } }) => {
        if (!span) throw new RangeError(`This lens has no iris: its aperture is f/${String(apertureN)}`);
        const { exact } = parseAperture(text);
        if (exact < span.low - 1e-6 || exact > span.high + 1e-6)
          throw new RangeError(
            `--aperture is ${stepOf(APERTURE_LADDER, span.low).label} … f/${nominalN(span.high)} on this lens, not ${text}`,
          );
        return byHand(exact);
      },
    },
  ],
  exif: (_, { apertureN }) =>
    apertureN === undefined ? {} : { FNumber: nominalN(apertureN), ApertureValue: 2 * Math.log2(apertureN) },
};
