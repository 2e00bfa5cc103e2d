// Exposure values and the light meter's two equations.
// ISO 2720:1974 (meter calibration, K and C), APEX as in Exif 2.32 (CIPA DC-008) Annex C.

/** Reflected-light calibration constant, cd·s/m² at ISO 1; ISO 2720 allows 10.6–13.4. */
export const K_REFLECTED = 12.5;
/** Incident-light constants, lx·s at ISO 1. */
export const C_FLAT = 250;
export const C_DOME = 330;

/** EV = log2(N²/t). `apertureN` a pure number, `shutterS` in seconds; both positive. */
export function exposureValue(apertureN: number, shutterS: number): number {
  return Math.log2((apertureN * apertureN) / shutterS);
}

/** EV100 = EV − log2(S/100): the brightness that these settings are right for. */
export function ev100OfSettings(apertureN: number, shutterS: number, iso: number): number {
  return exposureValue(apertureN, shutterS) - Math.log2(iso / 100);
}

/** EV100 of a reflected reading, from luminance in cd/m². 0 gives −Infinity. */
export function ev100OfLuminance(luminance: number): number {
  return Math.log2((luminance * 100) / K_REFLECTED);
}

/** Luminance in cd/m² that is metered as `ev100`. */
export function luminanceOfEv100(ev100: number): number {
  return (2 ** ev100 * K_REFLECTED) / 100;
}

/** EV100 of an incident reading, from illuminance in lx and the receptor's constant. */
export function ev100OfIlluminance(illuminance: number, constant: number = C_FLAT): number {
  return Math.log2((illuminance * 100) / constant);
}

/** APEX values, for Exif. Bv = Ev − Sv with Sv = log2(S/3.125). */
export function apex(apertureN: number, shutterS: number, iso: number) {
  const av = 2 * Math.log2(apertureN);
  const tv = -Math.log2(shutterS);
  const sv = Math.log2(iso / 3.125);
  return { av, tv, sv, ev: av + tv, bv: av + tv - sv };
}
