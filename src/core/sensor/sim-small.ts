// Sim Small, a camera for tests: Sim One's lenses on a sensor of the same sites, a quarter as many along, with focal lengths a quarter as
// long, so that they see the same field. A capture costs a sixteenth; while nothing is touched its finder comes a tenth as
// often. It is offered to nobody.
import { hyperfocalM } from '../optics/lens';
import { SIM_COLOUR } from './sim-colour';
import { SIM_ONE } from './sim-one';
import { simulatedOptic, type SimulatedOptic, type SMALL_IDS } from './simulated-optic';

const BODY = { id: 'sim-small', name: 'Velmo Sim Small', depthSensor: true, ...SIM_COLOUR } as const;
const SCALE = 4;
const FINDER_MS = 400;

function scaled(
  lensId: (typeof SMALL_IDS)[number],
  { plates, lens, sensor: large }: SimulatedOptic,
): SimulatedOptic {
  const sensor = { ...large, width: large.width / SCALE, height: large.height / SCALE };
  const small = { ...lens, id: lensId, focalLengthMm: lens.focalLengthMm / SCALE };
  const fixed = lens.fixedFocusM === undefined ? null : { fixedFocusM: hyperfocalM(small, sensor) };
  return simulatedOptic(BODY, { lensId, plates, crop: 1 }, sensor, { ...small, ...fixed }, FINDER_MS);
}

export const SIM_SMALL: Readonly<Record<(typeof SMALL_IDS)[number], SimulatedOptic>> = {
  'small-13': scaled('small-13', SIM_ONE['ultra-wide']),
  'small-24': scaled('small-24', SIM_ONE.wide),
  'small-77': scaled('small-77', SIM_ONE.tele),
};
