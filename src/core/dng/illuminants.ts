// Lights that calibrations are made under: codes of Exif LightSource, which DNG uses too, and the temperatures of those that are defined by one
// (CIE 015:2018), K.
export const KELVIN_OF: Readonly<Record<number, number>> = {
  17: 2856,
  20: 5503,
  21: 6504,
  22: 7504,
  23: 5003,
};
export const D65_CODE = 21;
const OTHER = 255;

/** The code of the light of that temperature; that of any other where there is none. */
export function illuminantCode(kelvin: number): number {
  const found = Object.entries(KELVIN_OF).find(([, k]) => k === kelvin);
  return found ? Number(found[0]) : OTHER;
}
