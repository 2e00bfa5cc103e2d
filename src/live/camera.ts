// The cameras that there are, and the bodies they are. The desk knows optics by their ids only.
import { bodyOf, hasIris as opticHasIris, opticOf, type Body, type Optic } from '../core/body/body';
import type { Camera } from '../camera/port';
import { simulatedCamera } from '../camera/simulated/simulated';

export const simulated = simulatedCamera();
const CAMERAS: readonly Camera[] = [simulated];

export function bodies(): readonly Body[] {
  return CAMERAS.flatMap((camera) => camera.bodies);
}

export function bodyWith(optic: string): Body {
  return bodyOf(bodies(), optic);
}

export function opticWith(id: string): Optic {
  return opticOf(bodies(), id);
}

/** The camera that an optic belongs to. */
export function cameraWith(optic: string): Camera {
  const body = bodyWith(optic);
  return CAMERAS.find((camera) => camera.bodies.includes(body))!;
}

export function hasIris(optic: string): boolean {
  return opticHasIris(opticWith(optic));
}
