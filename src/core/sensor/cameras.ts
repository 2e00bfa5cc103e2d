// The simulated cameras by name, and every optic of theirs by its id.
import { SIM_IRIS } from './sim-iris';
import { SIM_ONE } from './sim-one';
import {
  LENS_IDS,
  PLATE_IDS,
  ZOOM_IDS,
  type CameraId,
  type LensId,
  type SimulatedCamera,
} from './simulated-camera';

export const OPTICS: Readonly<Record<LensId, SimulatedCamera>> = { ...SIM_ONE, ...SIM_IRIS };

/** Optics of a camera from the widest to the longest. */
export function opticsOf(id: CameraId): readonly SimulatedCamera[] {
  const lenses: readonly LensId[] = id === 'sim-one' ? PLATE_IDS : ZOOM_IDS;
  return lenses.map((lens) => OPTICS[lens]);
}

export function isLensId(value: unknown): value is LensId {
  return LENS_IDS.includes(value as LensId);
}

/** The optic of another camera that sees most nearly the same. */
export function nearestOptic(to: CameraId, from: LensId): SimulatedCamera {
  const { equivalentMm } = OPTICS[from];
  const away = ({ equivalentMm: mm }: SimulatedCamera) => Math.abs(Math.log2(mm / equivalentMm));
  return opticsOf(to).reduce((best, optic) => (away(optic) < away(best) ? optic : best));
}
