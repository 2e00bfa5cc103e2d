// The colour of the simulated cameras: one kind of sensor behind all their lenses, calibrated once.
import { calibrated } from './calibrate';
import { SIM_SENSITIVITIES } from './sensitivities';

export const SIM_COLOUR = {
  sensitivities: SIM_SENSITIVITIES,
  matrices: calibrated(SIM_SENSITIVITIES),
} as const;
