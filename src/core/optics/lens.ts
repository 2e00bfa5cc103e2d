// A lens on a sensor: field of view, equivalent focal length, how much light arrives where, and how sharp.
// ISO 12232 (q = T·v·cos⁴θ·π/4), natural vignetting cos⁴θ; thin-lens blur, hyperfocal distance and depth of field.

export interface Lens {
  readonly id: string;
  readonly name: string;
  /** Of the lens as it is sold, in plain ASCII: the same at every focal length of a zoom. */
  readonly model: string;
  readonly focalLengthMm: number;
  /** As set; a camera's own lens stands at its widest. */
  readonly apertureN: number;
  /** The widest, and of a lens without an iris the only, f-number. */
  readonly widestN: number;
  /** Of a lens with an iris. */
  readonly narrowestN?: number;
  /** Lens transmission T times on-axis vignetting v: (π/4)·T·v = q on the axis. */
  readonly transmission: number;
  readonly closestM: number;
  /** Of a zoom: shortest and longest focal length, mm, and the widest f-number at each. */
  readonly range?: readonly [number, number, number, number];
  /** The one distance a lens without a focus drive is set to. */
  readonly fixedFocusM?: number;
  /** Time in which the focus drive goes from infinity to the closest distance, s; 0 without one. */
  readonly travelS: number;
}

export interface SensorSize {
  readonly pitchMm: number;
  readonly width: number;
  readonly height: number;
}

/** Diagonal of a 36 × 24 mm frame. */
export const FULL_FRAME_DIAGONAL_MM = 43.27;
/** Circle of confusion on 36 × 24 mm, mm; smaller sensors divide it by their crop. */
const FULL_FRAME_CONFUSION_MM = 0.03;

/** q of ISO 12232 on the axis: H = q·L·t/N². */
export function lensQ(lens: Pick<Lens, 'transmission'>): number {
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
export function equivalentFocalLengthMm(lens: Pick<Lens, 'focalLengthMm'>, sensor: SensorSize): number {
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

/** Circle of confusion, mm: 0.030 mm / crop. */
export function confusionMm(sensor: SensorSize): number {
  return (FULL_FRAME_CONFUSION_MM * sensorDiagonalMm(sensor)) / FULL_FRAME_DIAGONAL_MM;
}

/** Hyperfocal distance, m: f²/(N·c) + f. */
export function hyperfocalM(lens: Pick<Lens, 'focalLengthMm' | 'apertureN'>, sensor: SensorSize): number {
  const f = lens.focalLengthMm;
  return ((f * f) / (lens.apertureN * confusionMm(sensor)) + f) / 1000;
}

/** Half of the depth of field, dioptres: about the same at every distance. c·N/f². */
export function halfDepthDpt(lens: Pick<Lens, 'focalLengthMm' | 'apertureN'>, sensor: SensorSize): number {
  const { focalLengthMm: f, apertureN } = lens;
  return (1000 * confusionMm(sensor) * apertureN) / (f * f);
}

/** Wavelength in the middle of sight, mm. */
const GREEN_MM = 0.00055;

/** Diameter of the Airy disc to its first dark ring, mm: 2.44·λ·N. */
export function airyDiscMm(apertureN: number): number {
  return 2.44 * GREEN_MM * apertureN;
}

/** Depth of field, m: near s(H−f)/(H+s−2f), far s(H−f)/(H−s), infinite from s = H on. */
export function depthOfField(
  focalLengthMm: number,
  hyperfocal: number,
  focusM: number,
): { nearM: number; farM: number } {
  const f = focalLengthMm / 1000;
  if (!Number.isFinite(focusM)) return { nearM: hyperfocal, farM: Infinity };
  const nearM = (focusM * (hyperfocal - f)) / (hyperfocal + focusM - 2 * f);
  const farM = focusM >= hyperfocal ? Infinity : (focusM * (hyperfocal - f)) / (hyperfocal - focusM);
  return { nearM, farM };
}

/**
 * Blur disc on the sensor of a point at `distanceM` when the lens is focused at `focusM`, mm; negative in front of the
 * focus. Thin lens: |d−s|/d · f²/(N(s−f)). Either distance may be infinite.
 */
export function blurDiscMm(
  lens: Pick<Lens, 'focalLengthMm' | 'apertureN'>,
  focusM: number,
  distanceM: number,
): number {
  const f = lens.focalLengthMm;
  const s = focusM * 1000;
  const aperture = f / lens.apertureN;
  if (!Number.isFinite(s)) return -(aperture * f) / (distanceM * 1000);
  const relative = Number.isFinite(distanceM) ? 1 - focusM / distanceM : 1;
  return (relative * aperture * f) / (s - f);
}
