// A simulated camera: one optic on its sensor, with all that a frame must know of it. Which optics there are, by id.
import type { CameraMatrices } from '../colour/calibrated';
import { equivalentFocalLengthMm, type Lens } from '../optics/lens';
import type { Sensitivities } from './sensitivities';
import type { SensorModel } from './sensor';

/** Lenses that the scenes' plates were rendered for. */
export const PLATE_IDS = ['ultra-wide', 'wide', 'tele'] as const;
export type PlateId = (typeof PLATE_IDS)[number];

export const ZOOM_IDS = ['zoom-24', 'zoom-35', 'zoom-50', 'zoom-77'] as const;
/** Of the body for tests. */
export const SMALL_IDS = ['small-13', 'small-24', 'small-77'] as const;
/** Sim One's lenses go by their plates, Sim Iris's zoom by its marked stops. */
export const OFFERED_LENS_IDS = [...PLATE_IDS, ...ZOOM_IDS] as const;
export const LENS_IDS = [...OFFERED_LENS_IDS, ...SMALL_IDS] as const;
export type LensId = (typeof LENS_IDS)[number];

/** Bodies that people can choose. */
export const OFFERED_CAMERA_IDS = ['sim-one', 'sim-iris'] as const;
export const CAMERA_IDS = [...OFFERED_CAMERA_IDS, 'sim-small'] as const;
export type CameraId = (typeof CAMERA_IDS)[number];

export interface SimulatedOptic {
  readonly id: CameraId;
  readonly make: string;
  readonly name: string;
  readonly lensId: LensId;
  /** Plates that it looks at, and how far it crops them: 1 is all of the plate's field. */
  readonly plates: PlateId;
  readonly crop: number;
  readonly lens: Lens;
  readonly sensor: SensorModel;
  readonly sensitivities: Sensitivities;
  /** What its maker's calibration found: all that its files tell of its colour. */
  readonly matrices: CameraMatrices;
  readonly equivalentMm: number;
  readonly depthSensor: boolean;
  /** Time from one frame of its finder to the next while nothing is touched, ms. */
  readonly finderMs: number;
}

/** As often as a screen is looked at with ease. */
const FINDER_MS = 40;

/** (π/4)·T·v = 0.65 on the axis: the q of ISO 12232. */
export const TRANSMISSION = (0.65 * 4) / Math.PI;

export function simulatedOptic(
  body: Pick<SimulatedOptic, 'id' | 'name' | 'depthSensor' | 'sensitivities' | 'matrices'>,
  view: Pick<SimulatedOptic, 'lensId' | 'plates' | 'crop'>,
  sensor: SensorModel,
  lens: Omit<Lens, 'transmission' | 'widestN'>,
  finderMs = FINDER_MS,
): SimulatedOptic {
  const full = { ...lens, widestN: lens.apertureN, transmission: TRANSMISSION };
  const equivalentMm = Math.round(equivalentFocalLengthMm(full, sensor));
  return { make: 'Velmo', ...body, ...view, lens: full, sensor, equivalentMm, finderMs };
}
