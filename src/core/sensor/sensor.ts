// What a simulated sensor is: gain and noise of EMVA Standard 1288's linear camera model. ISO 12232: ISO 100 saturates at 0.78 lx·s.
import { analogueIso, BASE_ISO } from '../exposure/settings';
import type { NoiseModel } from './raw-frame';

export interface SensorModel {
  readonly width: number;
  readonly height: number;
  readonly pitchMm: number;
  readonly black: number;
  readonly white: number;
  /** Electrons that fill the range at base ISO. */
  readonly fullWellE: number;
  /** Read noise before the gain, e⁻ rms. */
  readonly readPreE: number;
  /** Read noise after the gain, DN rms. */
  readonly readPostDn: number;
}

/** Luminous exposure of saturation at ISO 100, lx·s: 78 / S_sat. */
export const SATURATION_EXPOSURE_ISO100 = 0.78;

/** System gain at an ISO, DN/e⁻. */
export function gainDnPerE(sensor: SensorModel, iso: number): number {
  return ((sensor.white - sensor.black) / sensor.fullWellE) * (analogueIso(iso) / BASE_ISO);
}

/** Electrons for one lx·s. */
export function electronsPerLxS(sensor: SensorModel): number {
  return sensor.fullWellE / SATURATION_EXPOSURE_ISO100;
}

/** What rounding to whole numbers adds to a variance, DN²; a dither of one DN adds as much again. */
const ROUNDING = 1 / 12;

/**
 * Noise of a site, quantisation of 1/12 DN² included; of the mean of several sites with `sitesPerSample`, whose dither adds
 * another 1/12.
 */
export function noiseModel(sensor: SensorModel, iso: number, sitesPerSample = 1): NoiseModel {
  const gain = gainDnPerE(sensor, iso);
  const read = ((gain * sensor.readPreE) ** 2 + sensor.readPostDn ** 2) / sitesPerSample;
  return { shot: gain / sitesPerSample, read: read + ROUNDING * (sitesPerSample > 1 ? 2 : 1) };
}
