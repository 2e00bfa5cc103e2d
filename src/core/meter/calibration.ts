// From a relative meter to a light meter. A picture alone tells how far light lies from its mid-grey; what light that is follows from the
// exposure where the device tells it (ISO 2720), or from something of known light that it was once pointed at.
import { ev100OfLuminance } from '../light/apex';
import type { Known } from '../units/known';

/** What a device tells of its exposure. */
export interface ToldExposure {
  readonly shutterS?: number;
  readonly iso?: number;
}

/** How a meter came to be calibrated. */
export const CALIBRATION_WAYS = ['exposure', 'ev', 'luminance', 'sunny'] as const;
export type CalibrationWay = (typeof CALIBRATION_WAYS)[number];

export interface Calibration {
  readonly way: CalibrationWay;
  /** What has to be added to the relative EV, stops. */
  readonly offsetEv: number;
  /** What the device told when it was calibrated: the offset holds only while it tells the same. */
  readonly told: readonly (keyof ToldExposure)[];
  /** ms since 1970 UTC. */
  readonly timeMs: number;
}

/** EV at ISO 100 of a front-lit subject in full sun: 1/ISO s at f/16 (common practice). */
export const SUNNY_EV100 = Math.log2(16 ** 2 * 100);

/**
 * EV at ISO 100 that mid-grey stands for, but for the f-number and all else that is not told: what is unknown counts as one second, ISO 100,
 * f/1. So two readings differ as their lights do, at any exposure that is told.
 */
export function relativeGreyEv100({ shutterS = 1, iso = 100 }: ToldExposure): number {
  return -Math.log2(shutterS) - Math.log2(iso / 100);
}

export function toldBy(exposure: ToldExposure): Calibration['told'] {
  return (['shutterS', 'iso'] as const).filter((key) => exposure[key] !== undefined);
}

/** The offset of a device whose exposure is told whole but for its f-number. @throws RangeError for an f-number that is none */
export function offsetOfAperture(apertureN: number): number {
  if (!(apertureN >= 0.5 && apertureN <= 100)) throw new RangeError('An f-number lies between 0.5 and 100');
  return 2 * Math.log2(apertureN);
}

/** The offset with which a reading becomes the light that it is known to be. @throws RangeError when either is no light */
export function offsetOfKnown(relativeEv100: number, knownEv100: number): number {
  if (!Number.isFinite(relativeEv100)) throw new RangeError('The meter sees no light there');
  if (!(knownEv100 >= -20 && knownEv100 <= 40)) throw new RangeError('Light lies between EV −20 and 40');
  return knownEv100 - relativeEv100;
}

/** EV at ISO 100 of a typed luminance, cd/m². @throws RangeError for none */
export function ev100OfTyped(luminance: number): number {
  if (!(luminance > 0 && Number.isFinite(luminance)))
    throw new RangeError('A luminance is greater than 0 cd/m²');
  return ev100OfLuminance(luminance);
}

/** What is to be added to relative EV now; unknown where nothing holds. */
export function offsetNow(calibration: Calibration | null, exposure: ToldExposure): Known<number> {
  if (!calibration)
    return { unknown: 'this camera’s meter is not calibrated: it tells differences of light only' };
  if (calibration.told.join() !== toldBy(exposure).join())
    return { unknown: 'the device does not tell of its exposure what it told when it was calibrated' };
  return calibration.offsetEv;
}
