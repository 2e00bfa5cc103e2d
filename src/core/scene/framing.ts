// The frame in the square plate: upright or lying.
import type { SimulatedOptic } from '../sensor/simulated-optic';

import type { Orientation } from '../body/orientation';

/** Sites across and down of the frame in this orientation, the long side having `longSide` sites. */
export function frameSize(camera: SimulatedOptic, orientation: Orientation, longSide: number) {
  const short = Math.round((longSide * camera.sensor.height) / camera.sensor.width);
  return orientation === 'landscape'
    ? { width: longSide, height: short }
    : { width: short, height: longSide };
}

/** The part of the square plate that the frame shows, in plate pixels. */
export function cropOf(
  size: number,
  orientation: Orientation,
): { x: number; y: number; width: number; height: number } {
  const short = size * 0.75;
  const margin = (size - short) / 2;
  return orientation === 'landscape'
    ? { x: 0, y: margin, width: size, height: short }
    : { x: margin, y: 0, width: short, height: size };
}

/** The part of the plates' whole field that a frame shows, in shares; `crop` as the optic's. */
export function plateCropOf(orientation: Orientation, crop: number) {
  const { x, y, width, height } = cropOf(1, orientation);
  const about = (v: number) => 0.5 + (v - 0.5) / crop;
  return { x: about(x), y: about(y), width: width / crop, height: height / crop };
}

/** A window about a place, held inside the frame and on even rows and columns. @param at shares of the frame */
export function windowAbout(
  at: { x: number; y: number },
  width: number,
  height: number,
  whole: { width: number; height: number },
) {
  const held = (share: number, size: number, all: number) =>
    Math.max(0, Math.min(all - size, Math.round(share * all - size / 2))) & ~1;
  const [w, h] = [Math.min(width, whole.width), Math.min(height, whole.height)];
  return { x: held(at.x, w, whole.width), y: held(at.y, h, whole.height), width: w, height: h };
}
