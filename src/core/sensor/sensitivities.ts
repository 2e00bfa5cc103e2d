// How a sensor behind its colour filters answers to light of each wavelength, and what it makes of a lamp's light.
import { answer, ofUnitLuminance, spectrum, spectrumOfLight, type LightKind } from '../colour/spectra';
import { Y_BAR, type Spectrum } from '../colour/spectral-tables';
import { LUMA_709 } from '../colour/srgb';
import { PRIMARIES, reflectanceOf } from '../colour/surface-spectra';
import type { Mat3, Vec3 } from '../numeric/matrix';

/** Of the sites R, G, B; light of luminance 1 cd/m² gives what `answer` sums up, in units of a green site in D65. */
export type Sensitivities = readonly [Spectrum, Spectrum, Spectrum];

/** A bell with its own width on either side, nm. */
interface Bell {
  readonly height: number;
  readonly peakNm: number;
  readonly below: number;
  readonly above: number;
}

/** Invented: smooth bells of dyes, each with a leak or two into its neighbours, as plausible for filters over silicon. */
const DYES: readonly (readonly Bell[])[] = [
  [
    { height: 1, peakNm: 596, below: 30, above: 46 },
    { height: 0.1, peakNm: 530, below: 30, above: 30 },
    { height: 0.035, peakNm: 440, below: 24, above: 24 },
  ],
  [
    { height: 1, peakNm: 534, below: 36, above: 42 },
    { height: 0.05, peakNm: 610, below: 24, above: 30 },
    { height: 0.04, peakNm: 455, below: 24, above: 24 },
  ],
  [
    { height: 1, peakNm: 456, below: 24, above: 31 },
    { height: 0.07, peakNm: 535, below: 30, above: 36 },
  ],
];
/** The filter before all of them lets pass what lies between these, with edges of these widths, nm. */
const PASSED = { fromNm: 404, fromEdge: 6, toNm: 672, toEdge: 9 } as const;
/** Answers to D65 relative to green: there green answers as luminance does, and saturates first. */
const IN_D65: Vec3 = [0.49, 1, 0.74];

/** The sensor of the simulated cameras. */
export const SIM_SENSITIVITIES: Sensitivities = scaledTo(
  DYES.map((bells) => spectrum((nm) => passed(nm) * bells.reduce((sum, bell) => sum + at(bell, nm), 0))),
  IN_D65,
);

function at({ height, peakNm, below, above }: Bell, nm: number): number {
  return height * Math.exp(-0.5 * ((nm - peakNm) / (nm < peakNm ? below : above)) ** 2);
}

function passed(nm: number): number {
  const { fromNm, fromEdge, toNm, toEdge } = PASSED;
  return 1 / (1 + Math.exp((fromNm - nm) / fromEdge)) / (1 + Math.exp((nm - toNm) / toEdge));
}

function scaledTo(sites: readonly Spectrum[], inD65: Vec3): Sensitivities {
  const light = ofUnitLuminance(spectrumOfLight({ kind: 'daylight', kelvin: 6504 }));
  return sites.map((site, c) => {
    const k = inD65[c]! / answer(site, light);
    return site.map((v) => v * k);
  }) as unknown as Sensitivities;
}

/** A lamp as a picture of its light was painted: the colour that a white surface has in it, and the spectrum that this stands for. */
export interface LampLight {
  /** Linear Rec. 709. */
  readonly rgb: Vec3;
  readonly light: LightKind;
}

/** Daylight as it is painted where colours are to be themselves. */
export const PLAIN_LAMP: LampLight = { rgb: [1, 1, 1], light: { kind: 'daylight', kelvin: 6504 } };

/**
 * Picture of a lamp's light, linear Rec. 709 → camera R, G, B of what it stands for: surfaces of the colours that the picture has once the
 * lamp's own is divided out, with the spectra of `surface-spectra`, in the lamp's spectrum. A white surface keeps its luminance.
 */
export function cameraFromLamp(sensitivities: Sensitivities, { rgb, light }: LampLight): Mat3 {
  const white = LUMA_709[0] * rgb[0] + LUMA_709[1] * rgb[1] + LUMA_709[2] * rgb[2];
  const power = ofUnitLuminance(spectrumOfLight(light));
  const row = (site: Spectrum): Vec3 => {
    const of = (c: 0 | 1 | 2) => (white * answer(site, power, PRIMARIES[c])) / rgb[c];
    return [of(0), of(1), of(2)];
  };
  return [row(sensitivities[0]), row(sensitivities[1]), row(sensitivities[2])];
}

/**
 * What the sites make of a surface with a reflectance of its own, over what they make of the smooth one of its colour (`reflectanceOf`), in the
 * same light and at the same luminance.
 */
export function answerTimes(
  sensitivities: Sensitivities,
  light: LightKind,
  colour: Vec3,
  own: Spectrum,
): readonly [number, number, number] {
  const power = spectrumOfLight(light);
  const smooth = reflectanceOf(colour);
  const over = (receiver: Spectrum) => answer(receiver, power, own) / answer(receiver, power, smooth);
  const luminance = over(Y_BAR);
  const [r, g, b] = sensitivities;
  return [over(r) / luminance, over(g) / luminance, over(b) / luminance];
}
