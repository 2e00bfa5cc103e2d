// Settings that would take a picture again as it was taken: what is known of its exposure, its focus and its white, each by hand.
import type { WhitePoint } from '../colour/temperature';
import { whiteByHand } from '../setting/white';
import { FAR_M } from '../units/ladders';
import { onLadders, type SetupValues } from './setup';

/** What is known of how a picture was taken; what is not is absent. */
export interface Taken {
  readonly shutterS?: number;
  readonly iso?: number;
  readonly apertureN?: number;
  readonly compensationEv?: number;
  /** m; Infinity is allowed. */
  readonly focusM?: number;
  readonly white?: WhitePoint;
}

const sound = (value: number | undefined): value is number =>
  value !== undefined && Number.isFinite(value) && value > 0;

/** On the nearest clicks that faders have. Compensation is none: with everything by hand it would only move the meter. */
export function asTaken({ shutterS, iso, apertureN, focusM, white }: Taken): Partial<SetupValues> {
  const held = (exact: number) => ({ auto: false, exact });
  const values: Partial<SetupValues> = {
    ...(sound(shutterS) && { shutter: held(shutterS) }),
    ...(sound(iso) && { iso: held(iso) }),
    ...(sound(apertureN) && { aperture: held(apertureN) }),
    ...(focusM !== undefined &&
      focusM > 0 && { focus: { ...held(Math.min(FAR_M, focusM)), how: 'continuous' as const } }),
    ...(white && sound(white.kelvin) && { white: whiteByHand(white) }),
  };
  return Object.keys(values).length > 0 ? { ...onLadders(values), compensationEv: 0 } : {};
}
