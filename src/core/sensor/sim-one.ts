// Velmo Sim One, the simulated phone camera of the demo: invented figures of a usual size.
import { SIM_ONE_COLOR_MATRIX } from '../colour/camera';
import { equivalentFocalLengthMm, type Lens } from '../optics/lens';
import type { SensorModel } from './sensor';

export const SIM_ONE_SENSOR: SensorModel = {
  width: 4032,
  height: 3024,
  pitchMm: 0.00244,
  black: 256,
  white: 4095,
  fullWellE: 11000,
  readPreE: 1.5,
  readPostDn: 0.7,
};

/** (π/4)·T·v = 0.65 on the axis: the q of ISO 12232. */
export const SIM_ONE_WIDE: Lens = {
  id: 'wide',
  name: '24 mm f/1.8',
  focalLengthMm: 6.9,
  apertureN: 1.8,
  transmission: (0.65 * 4) / Math.PI,
};

export const SIM_ONE = {
  make: 'Velmo',
  name: 'Velmo Sim One',
  sensor: SIM_ONE_SENSOR,
  lens: SIM_ONE_WIDE,
  colorMatrix: SIM_ONE_COLOR_MATRIX,
  equivalentMm: Math.round(equivalentFocalLengthMm(SIM_ONE_WIDE, SIM_ONE_SENSOR)),
} as const;

export type SimulatedCamera = typeof SIM_ONE;
