// How much light the surfaces of a scene give back, for the simulated hand meter: one byte a place of the square plate, the
// square root of the luminous reflectance, deflated. 0 is no surface at all: sky, flame, a lamp.
import { deflateSync, inflateSync } from 'fflate';

/** Places along each side. */
export const REFLECTANCE_SIDE = 128;

/** Reflectance 0 … 1 over the square plate, `REFLECTANCE_SIDE` a side. */
export type Reflectance = Float32Array;

export function encodeReflectance(reflectance: Float32Array): Uint8Array {
  return deflateSync(
    Uint8Array.from(reflectance, (r) => Math.round(255 * Math.sqrt(Math.min(1, Math.max(0, r || 0))))),
    { level: 9 },
  );
}

/** @throws RangeError when the bytes are none */
export function decodeReflectance(bytes: Uint8Array): Reflectance {
  let coded: Uint8Array;
  try {
    coded = inflateSync(bytes);
  } catch {
    throw new RangeError('Not a map of reflectance');
  }
  if (coded.length !== REFLECTANCE_SIDE ** 2) throw new RangeError('The map of reflectance has another size');
  return Float32Array.from(coded, (v) => (v / 255) ** 2);
}
