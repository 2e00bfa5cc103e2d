// A digital zoom as what it is: the same lens on the middle of the same sensor. Fewer sites, so a smaller circle of confusion, a shorter
// hand-held time, less depth of field, and no detail that was not there before.
import { zoomedSize } from '../raw/cut';
import type { SimulatedOptic } from '../sensor/simulated-optic';

/** @param times how many times narrower; 1 gives the camera itself */
export function digitallyZoomed(camera: SimulatedOptic, times: number): SimulatedOptic {
  if (times === 1) return camera;
  const { sensor } = camera;
  return {
    ...camera,
    crop: camera.crop * times,
    sensor: { ...sensor, ...zoomedSize(sensor, times) },
    equivalentMm: Math.round(camera.equivalentMm * times),
  };
}
