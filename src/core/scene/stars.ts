// Stars: points that turn about the pole at the sidereal rate, drawn by the lens at capture, so that time makes trails and
// focus makes discs. Counts by brightness as on the real sky (log N ≈ 0.52 m + 0.55, from memory); magnitude 0 gives
// 2.54·10⁻⁶ lx (V band, from memory).
import type { Vec3 } from '../numeric/matrix';
import { nextUint32, randomFrom } from '../numeric/random';
import { cross, unit } from './space';
import type { Point3, StarField } from './scene';

/** Sidereal rate, rad/s: 15.041″/s. */
export const SIDEREAL_RAD_S = ((15.041 / 3600) * Math.PI) / 180;
const FAINTEST = 7.2;
const MAGNITUDE_ZERO_LX = 2.54e-6;

export interface Star {
  /** Declination and hour angle at time 0, rad. */
  readonly declination: number;
  readonly hour: number;
  /** Illuminance at the lens, lx. */
  readonly lux: number;
  /** Linear Rec. 709 of luminance 1. */
  readonly colour: Vec3;
}

export function starsOf({ seed }: Pick<StarField, 'seed'>): Star[] {
  const random = randomFrom(seed);
  const share = () => nextUint32(random) / 2 ** 32;
  const count = Math.round(10 ** (0.52 * FAINTEST + 0.55));
  return Array.from({ length: count }, (_, i) => {
    const magnitude = (Math.log10(i + share() + 0.2) - 0.55) / 0.52;
    const warmth = share() * 2 - 1;
    const colour: Vec3 = [1 + 0.3 * warmth, 1, 1 - 0.45 * warmth];
    const luminance = 0.2126 * colour[0] + 0.7152 + 0.0722 * colour[2];
    return {
      declination: Math.asin(2 * share() - 1),
      hour: share() * 2 * Math.PI,
      lux: MAGNITUDE_ZERO_LX * 10 ** (-0.4 * Math.max(-1, magnitude)),
      colour: [colour[0] / luminance, colour[1] / luminance, colour[2] / luminance],
    };
  });
}

/** Axes of the turning sky: the pole and two across it. */
export function skyAxes({ poleElevationDeg, poleAzimuthDeg }: Omit<StarField, 'seed'>) {
  const [el, az] = [(poleElevationDeg * Math.PI) / 180, (poleAzimuthDeg * Math.PI) / 180];
  const pole: Point3 = [Math.sin(az) * Math.cos(el), Math.sin(el), Math.cos(az) * Math.cos(el)];
  const across = unit(cross([0, 1, 0], pole));
  return { pole, across, other: cross(pole, across) };
}

/** Direction of a star at a time, unit vector in the world. */
export function starDirection(axes: ReturnType<typeof skyAxes>, star: Star, timeS: number): Point3 {
  const hour = star.hour + SIDEREAL_RAD_S * timeS;
  const c = Math.cos(star.declination);
  const [a, b, p] = [c * Math.cos(hour), c * Math.sin(hour), Math.sin(star.declination)];
  const { pole, across, other } = axes;
  return [
    a * across[0] + b * other[0] + p * pole[0],
    a * across[1] + b * other[1] + p * pole[1],
    a * across[2] + b * other[2] + p * pole[2],
  ];
}
