// Light as a spectrum: black bodies (Planck), daylight of a temperature (CIE 015:2018, from its three components), and what eye and camera make of
// a spectrum. Spectra are relative power on the grid of spectral-tables.
import type { Vec3 } from '../numeric/matrix';
import { daylightXy } from './chromaticity';
import {
  DAYLIGHT_BLUE,
  DAYLIGHT_MEAN,
  DAYLIGHT_PINK,
  FROM_NM,
  LAMP_F2,
  SAMPLES,
  STEP_NM,
  X_BAR,
  Y_BAR,
  Z_BAR,
  type Spectrum,
} from './spectral-tables';

/** What kind of light a lamp gives. */
export type LightKind =
  /** A filament, a flame: what glows. */
  | { readonly kind: 'planck'; readonly kelvin: number }
  /** A phase of daylight, 4000 to 25 000 K. */
  | { readonly kind: 'daylight'; readonly kelvin: number }
  /** A cool white fluorescent tube: CIE F2. */
  | { readonly kind: 'F2' };

export function wavelengthNm(i: number): number {
  return FROM_NM + STEP_NM * i;
}

export function spectrum(of: (nm: number) => number): Spectrum {
  return Float64Array.from({ length: SAMPLES }, (_, i) => of(wavelengthNm(i)));
}

/** Second radiation constant, m·K (CODATA). */
const C2 = 1.4387769e-2;
/** Spectra of black bodies are 1 here, nm (CIE 015). */
const PIVOT_NM = 560;

/** Spectral power of a black body, 1 at 560 nm. @throws RangeError unless its temperature is positive */
export function planckSpectrum(kelvin: number): Spectrum {
  if (!(kelvin > 0)) throw new RangeError(`No black body has ${kelvin} K`);
  const glow = (nm: number) => (nm / PIVOT_NM) ** -5 / Math.expm1(C2 / (nm * 1e-9 * kelvin));
  const pivot = glow(PIVOT_NM);
  return spectrum((nm) => glow(nm) / pivot);
}

/** CIE standard illuminant A, as it is defined: a black body of 2848 K by the radiation constant of its day, which is 2856 K by ours. */
export const ILLUMINANT_A_KELVIN = (2848 * 1.43877) / 1.435;

/** Spectral power of daylight, 100 at 560 nm. @throws RangeError outside of 4000 … 25 000 K */
export function daylightSpectrum(kelvin: number): Spectrum {
  if (!(kelvin >= 4000 && kelvin <= 25000)) throw new RangeError(`No daylight has ${kelvin} K`);
  const [x, y] = daylightXy(kelvin);
  const m = 0.0241 + 0.2562 * x - 0.7341 * y;
  const m1 = (-1.3515 - 1.7703 * x + 5.9114 * y) / m;
  const m2 = (0.03 - 31.4424 * x + 30.0717 * y) / m;
  return DAYLIGHT_MEAN.map((mean, i) => mean + m1 * DAYLIGHT_BLUE[i]! + m2 * DAYLIGHT_PINK[i]!);
}

export function spectrumOfLight(light: LightKind): Spectrum {
  if (light.kind === 'planck') return planckSpectrum(light.kelvin);
  return light.kind === 'daylight' ? daylightSpectrum(light.kelvin) : LAMP_F2;
}

/** A spectrum that is given at even distances over the whole grid, 380 to 780 nm, and straight between. @throws RangeError for fewer than two values */
export function spectrumFrom(values: readonly number[]): Spectrum {
  if (values.length < 2) throw new RangeError('A spectrum needs two values at least');
  const per = (values.length - 1) / (SAMPLES - 1);
  return Float64Array.from({ length: SAMPLES }, (_, i) => {
    const at = Math.min(values.length - 2, Math.floor(i * per));
    return values[at]! + (i * per - at) * (values[at + 1]! - values[at]!);
  });
}

/** Sum over the grid of what a receiver makes of a light, on a surface if there is one. */
export function answer(receiver: Spectrum, light: Spectrum, surface?: Spectrum): number {
  let sum = 0;
  for (let i = 0; i < SAMPLES; i++) sum += receiver[i]! * light[i]! * (surface ? surface[i]! : 1);
  return sum;
}

/** CIE X, Y, Z of a light, or of a surface in it; not scaled. */
export function xyzOfSpectrum(light: Spectrum, surface?: Spectrum): Vec3 {
  return [answer(X_BAR, light, surface), answer(Y_BAR, light, surface), answer(Z_BAR, light, surface)];
}

/** The same light at a luminance of 1. */
export function ofUnitLuminance(light: Spectrum): Spectrum {
  const y = answer(Y_BAR, light);
  return light.map((power) => power / y);
}
