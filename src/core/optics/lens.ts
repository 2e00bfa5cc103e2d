// A lens on a sensor: field of view, equivalent focal length, and how much light arrives where.
// ISO 12232 (q = T·v·cos⁴θ·π/4), natural vignetting cos⁴θ.

export interface Lens {
  readonly id: string;
  readonly name: string;
  readonly focalLengthMm: number;
  readonly apertureN: number;
  /** Lens transmission T times on-axis vignetting v: (π/4)·T·v = q on the axis. */
  readonly transmission: number;
}

export interface SensorSize {
  readonly pitchMm: number;
  readonly width: number;
  readonly height: number;
}

/** Diagonal of a 36 × 24 mm frame. */
const FULL_FRAME_DIAGONAL_MM = 43.27;

/** q of ISO 12232 on the axis: H = q·L·t/N². */
export function lensQ(lens: Lens): number {
  return (Math.PI / 4) * lens.transmission;
}

/** cos⁴θ at (xMm, yMm) from the optical axis on the sensor. */
export function cos4(focalLengthMm: number, xMm: number, yMm: number): number {
  const c2 = 1 / (1 + (xMm * xMm + yMm * yMm) / (focalLengthMm * focalLengthMm));
  return c2 * c2;
}

export function sensorDiagonalMm(sensor: SensorSize): number {
  return Math.hypot(sensor.width, sensor.height) * sensor.pitchMm;
}

/** Focal length with the same diagonal field on 36 × 24 mm, mm. */
export function equivalentFocalLengthMm(lens: Lens, sensor: SensorSize): number {
  return (lens.focalLengthMm * FULL_FRAME_DIAGONAL_MM) / sensorDiagonalMm(sensor);
}

/** Field of view across `sizeMm`, degrees. */
export function fieldOfViewDeg(focalLengthMm: number, sizeMm: number): number {
  return (2 * Math.atan(sizeMm / (2 * focalLengthMm)) * 180) / Math.PI;
}

/** Hand-held limit, s: 1 / equivalent focal length (practice). */
export function handHeldLimitS(equivalentMm: number): number {
  return 1 / equivalentMm;
}
