// Velmo Sim Iris, the second simulated camera: one zoom lens with an iris, f/2.8 to f/8, on a larger sensor. Invented figures
// of usual sizes. The zoom stands at one of four marked focal lengths; up to 50 mm it looks at the wide plates and crops
// them, at 77 mm at the tele's.
import { equivalentFocalLengthMm } from '../optics/lens';
import { SIM_COLOUR } from './sim-colour';
import type { SensorModel } from './sensor';
import { simulatedOptic, type SimulatedOptic, type ZOOM_IDS } from './simulated-optic';
import { SIM_ONE } from './sim-one';

const SENSOR: SensorModel = {
  width: 4032,
  height: 3024,
  pitchMm: 0.0043,
  black: 256,
  white: 4095,
  fullWellE: 30000,
  readPreE: 2.4,
  readPostDn: 0.7,
};

const BODY = { id: 'sim-iris', name: 'Velmo Sim Iris', depthSensor: false, ...SIM_COLOUR } as const;
/** Exact f/2.8 and f/8 of the third-stop ladder. */
const [WIDEST, NARROWEST] = [2 ** 1.5, 8];

const { wide, tele } = SIM_ONE;
/** Focal length on this sensor with the field of a Sim One lens. */
const matching = ({ lens, sensor }: SimulatedOptic) =>
  (lens.focalLengthMm * SENSOR.width * SENSOR.pitchMm) / (sensor.width * sensor.pitchMm);
const [SHORT, LONG] = [matching(wide), matching(tele)];
const PER_EQUIVALENT = SHORT / equivalentFocalLengthMm({ focalLengthMm: SHORT }, SENSOR);

function zoomed(lensId: (typeof ZOOM_IDS)[number], focalLengthMm: number): SimulatedOptic {
  const plates = focalLengthMm === LONG ? 'tele' : 'wide';
  const crop = plates === 'tele' ? 1 : focalLengthMm / SHORT;
  const equivalent = Math.round(focalLengthMm / PER_EQUIVALENT);
  return simulatedOptic(BODY, { lensId, plates, crop }, SENSOR, {
    id: lensId,
    name: `24–77 mm f/2.8 at ${equivalent} mm`,
    model: '24-77 mm f/2.8',
    focalLengthMm,
    apertureN: WIDEST,
    narrowestN: NARROWEST,
    range: [SHORT, LONG, 2.8, 2.8],
    closestM: 0.3,
    travelS: 0.15,
  });
}

export const SIM_IRIS: Readonly<Record<(typeof ZOOM_IDS)[number], SimulatedOptic>> = {
  'zoom-24': zoomed('zoom-24', SHORT),
  'zoom-35': zoomed('zoom-35', 35 * PER_EQUIVALENT),
  'zoom-50': zoomed('zoom-50', 50 * PER_EQUIVALENT),
  'zoom-77': zoomed('zoom-77', LONG),
};
