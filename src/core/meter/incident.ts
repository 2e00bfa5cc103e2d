// Incident light: what a hand meter reads, and the settings it asks for. ISO 2720: N²/t = E·S/C with C = 250 for a flat receptor
// and 330 for a dome. The simulated hand meter reads the light that falls on a surface of the scene: a matte surface of
// reflectance ρ and luminance L has E = π·L/ρ on it.
import { C_DOME, C_FLAT, ev100OfIlluminance } from '../light/apex';
import type { FramePoint, LuminanceMap } from './luminance-map';
import { REFLECTANCE_SIDE, type Reflectance } from './reflectance';
import { discCells } from './spot';

export const RECEPTORS = ['flat', 'dome'] as const;
export type Receptor = (typeof RECEPTORS)[number];

export const RECEPTOR_CONSTANT: Readonly<Record<Receptor, number>> = { flat: C_FLAT, dome: C_DOME };

/** EV100 of an incident reading. @throws RangeError unless lux is a number of at least 0 */
export function incidentEv100(lux: number, receptor: Receptor): number {
  if (!(lux >= 0) || !Number.isFinite(lux)) throw new RangeError(`Not an illuminance: ${lux} lx`);
  return ev100OfIlluminance(lux, RECEPTOR_CONSTANT[receptor]);
}

/** Lux typed by a person: "320", "81 920", "2.5 lx", "12 klx". @throws RangeError that says what is allowed */
export function parseLux(text: string): number {
  const match = /^\s*(\d[\d \u202f]*(?:[.,]\d+)?)\s*(k?)\s*(?:lx|lux)?\s*$/i.exec(text);
  const lux = match
    ? Number(match[1]!.replace(/[ \u202f]/g, '').replace(',', '.')) * (match[2] ? 1000 : 1)
    : NaN;
  if (!(lux >= 0.001 && lux <= 1e6)) {
    throw new RangeError(`${text.trim() || 'Nothing'} is not a reading: 0.001 … 1 000 000 lx, such as 320`);
  }
  return lux;
}

/** Size of the surface that the hand meter is held over, share of the frame. */
const HELD_SHARE = 0.004;
/** Darker surfaces, in 8 bits, say too little about the light on them. */
const LEAST_REFLECTANCE = 0.015;

/** The square plate's part that the frame shows, in shares of the plate. */
export interface PlateCrop {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/**
 * Light on the surface at a place of the frame, lx; null where there is no surface: sky, flame, a lamp. The median over a
 * small area: a highlight of glaze in it counts for nothing. The dome is calibrated to agree with the flat receptor in
 * even light (330/250); which way light comes from is not known here.
 */
export function simulatedLux(
  luminance: LuminanceMap,
  reflectance: Reflectance,
  crop: PlateCrop,
  at: FramePoint,
  receptor: Receptor,
): number | null {
  const { width, height, data } = luminance;
  const side = REFLECTANCE_SIDE;
  const cells = discCells(luminance, at, HELD_SHARE);
  const lux: number[] = [];
  for (const i of cells) {
    const u = crop.x + (((i % width) + 0.5) / width) * crop.width;
    const v = crop.y + ((Math.floor(i / width) + 0.5) / height) * crop.height;
    const rho =
      reflectance[
        Math.min(side - 1, Math.floor(v * side)) * side + Math.min(side - 1, Math.floor(u * side))
      ]!;
    if (rho >= LEAST_REFLECTANCE) lux.push((Math.PI * data[i]!) / rho);
  }
  if (lux.length * 2 < cells.length) return null;
  lux.sort((a, b) => a - b);
  return (lux[lux.length >> 1]! * RECEPTOR_CONSTANT[receptor]) / C_FLAT;
}
