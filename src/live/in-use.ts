// Camera, body and optic in use, for what is drawn of them: they follow the desk and what the cameras tell of themselves.
import { bodyOf, opticOf, type Body, type Optic } from '../core/body/body';
import type { Camera } from '../camera/port';
import { cameraWith, useCameras } from './camera';
import { useDesk } from './desk';

export function useOptic(): Optic {
  const id = useDesk((d) => d.optic);
  return useCameras(({ bodies }) => opticOf(bodies, id));
}

export function useBody(): Body {
  const id = useDesk((d) => d.optic);
  return useCameras(({ bodies }) => bodyOf(bodies, id));
}

export function useCamera(): Camera {
  const id = useDesk((d) => d.optic);
  return cameraWith(id);
}
