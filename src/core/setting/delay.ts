// Seconds between the press and the exposure, so that a touch does not shake the camera.
import * as Type from '@sinclair/typebox';
import type { Setting } from '../define/setting';

export const DELAYS_S = [0, 2, 3, 5, 10, 20] as const;

export const delayS: Setting<number> = {
  name: 'Release delay',
  schema: Type.Unsafe<number>({ enum: DELAYS_S }),
  initial: 0,
  words: (seconds) => (seconds === 0 ? 'none' : `${seconds} s`),
  badge: (seconds) => (seconds === 0 ? null : `after ${seconds} s`),
  inSetups: true,
  options: [
    {
      flag: 'delay',
      placeholder: 'SECONDS',
      parse: (text) => {
        const found = DELAYS_S.find((s) => String(s) === text.trim());
        if (found === undefined)
          throw new RangeError(`--delay is ${DELAYS_S.join(' or ')} seconds, not ${text || 'nothing'}`);
        return found;
      },
    },
  ],
};
