// Velmo Sim One, the simulated phone camera of the demo: three lenses, each on a sensor of its own. Invented figures of
// usual sizes; the wide lens has the largest sensor and so the least noise.
import { SIM_ONE_COLOR_MATRIX } from '../colour/camera';
import type { Mat3 } from '../numeric/matrix';
import { equivalentFocalLengthMm, hyperfocalM, type Lens } from '../optics/lens';
import type { SensorModel } from './sensor';

export const LENS_IDS = ['ultra-wide', 'wide', 'tele'] as const;
export type LensId = (typeof LENS_IDS)[number];

/** One lens on its sensor, with all that a frame must know of the camera. */
export interface SimulatedCamera {
  readonly make: string;
  readonly name: string;
  readonly lensId: LensId;
  readonly lens: Lens;
  readonly sensor: SensorModel;
  readonly colorMatrix: Mat3;
  readonly equivalentMm: number;
}

const LARGE: SensorModel = {
  width: 4032,
  height: 3024,
  pitchMm: 0.00244,
  black: 256,
  white: 4095,
  fullWellE: 11000,
  readPreE: 1.5,
  readPostDn: 0.7,
};

/** Sites of 1.4 µm hold a third of the charge. */
const SMALL: SensorModel = { ...LARGE, pitchMm: 0.0014, fullWellE: 3600, readPreE: 1.4 };

/** (π/4)·T·v = 0.65 on the axis: the q of ISO 12232. */
const TRANSMISSION = (0.65 * 4) / Math.PI;

function cameraOf(lensId: LensId, sensor: SensorModel, lens: Omit<Lens, 'transmission'>): SimulatedCamera {
  const full = { ...lens, transmission: TRANSMISSION };
  const equivalentMm = Math.round(equivalentFocalLengthMm(full, sensor));
  const camera = { make: 'Velmo', name: 'Velmo Sim One', lensId, lens: full, sensor, equivalentMm };
  return { ...camera, colorMatrix: SIM_ONE_COLOR_MATRIX };
}

const ULTRA_WIDE = {
  id: 'ultra-wide',
  name: '13 mm f/2.2',
  focalLengthMm: 2.12,
  apertureN: 2.2,
  closestM: 0.2,
};

export const SIM_ONE: Readonly<Record<LensId, SimulatedCamera>> = {
  // Fixed at its hyperfocal distance: sharp from half of it on.
  'ultra-wide': cameraOf('ultra-wide', SMALL, { ...ULTRA_WIDE, fixedFocusM: hyperfocalM(ULTRA_WIDE, SMALL) }),
  wide: cameraOf('wide', LARGE, {
    id: 'wide',
    name: '24 mm f/1.8',
    focalLengthMm: 6.9,
    apertureN: 1.8,
    closestM: 0.12,
  }),
  tele: cameraOf('tele', SMALL, {
    id: 'tele',
    name: '77 mm f/2.8',
    focalLengthMm: 12.56,
    apertureN: 2.8,
    closestM: 0.3,
  }),
};

export const SIM_ONE_WIDE = SIM_ONE.wide;
