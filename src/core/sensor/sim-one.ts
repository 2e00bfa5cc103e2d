// Velmo Sim One, the simulated phone camera of the demo: three lenses, each on a sensor of its own. Invented figures of
// usual sizes; the wide lens has the largest sensor and so the least noise.
import { hyperfocalM, type Lens } from '../optics/lens';
import { SIM_COLOUR } from './sim-colour';
import type { SensorModel } from './sensor';
import { simulatedOptic, type PlateId, type SimulatedOptic } from './simulated-optic';

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

const BODY = { id: 'sim-one', name: 'Velmo Sim One', depthSensor: true, ...SIM_COLOUR } as const;

function cameraOf(
  lensId: PlateId,
  sensor: SensorModel,
  lens: Omit<Lens, 'transmission' | 'widestN' | 'model'>,
) {
  return simulatedOptic(BODY, { lensId, plates: lensId, crop: 1 }, sensor, { ...lens, model: lens.name });
}

const ULTRA_WIDE = {
  id: 'ultra-wide',
  name: '13 mm f/2.2',
  focalLengthMm: 2.12,
  apertureN: 2.2,
  closestM: 0.2,
  travelS: 0,
};

export const SIM_ONE: Readonly<Record<PlateId, SimulatedOptic>> = {
  // Fixed at its hyperfocal distance: sharp from half of it on.
  'ultra-wide': cameraOf('ultra-wide', SMALL, { ...ULTRA_WIDE, fixedFocusM: hyperfocalM(ULTRA_WIDE, SMALL) }),
  wide: cameraOf('wide', LARGE, {
    id: 'wide',
    name: '24 mm f/1.8',
    focalLengthMm: 6.9,
    apertureN: 1.8,
    closestM: 0.12,
    travelS: 0.1,
  }),
  tele: cameraOf('tele', SMALL, {
    id: 'tele',
    name: '77 mm f/2.8',
    focalLengthMm: 12.56,
    apertureN: 2.8,
    closestM: 0.3,
    travelS: 0.12,
  }),
};

export const SIM_ONE_WIDE = SIM_ONE.wide;
