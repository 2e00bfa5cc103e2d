// The cameras that there are, and the bodies they are. The desk knows optics by their ids only; what a body is may change while it is
// open, as when a browser begins to name its devices.
import { create } from 'zustand';
import { bodyOf, hasIris as opticHasIris, opticOf, type Body, type Optic } from '../core/body/body';
import { browserCamera } from '../camera/browser/browser';
import type { Camera } from '../camera/port';
import { simulatedCamera } from '../camera/simulated/simulated';

export const simulated = simulatedCamera();
const CAMERAS: readonly Camera[] = [simulated, browserCamera()];

interface Cameras {
  readonly bodies: readonly Body[];
}

const allBodies = () => CAMERAS.flatMap((camera) => camera.bodies);

/** The bodies, for what is drawn of them. */
export const useCameras = create<Cameras>()(() => ({ bodies: allBodies() }));

export function bodies(): readonly Body[] {
  return useCameras.getState().bodies;
}

/**
 * Takes over what the cameras are now.
 * @param move brings the desk from an optic that is no more to one that is; at no time it stands on one that is not there
 */
export function bodiesChanged(move: () => void): void {
  const [before, now] = [bodies(), allBodies()];
  useCameras.setState({ bodies: [...now, ...before] });
  move();
  useCameras.setState({ bodies: now });
}

export function bodyWith(optic: string): Body {
  return bodyOf(bodies(), optic);
}

export function opticWith(id: string): Optic {
  return opticOf(bodies(), id);
}

/** The camera that an optic belongs to. */
export function cameraWith(optic: string): Camera {
  const { id } = bodyWith(optic);
  return CAMERAS.find((camera) => camera.bodies.some((body) => body.id === id))!;
}

export function hasIris(optic: string): boolean {
  return opticHasIris(opticWith(optic));
}
