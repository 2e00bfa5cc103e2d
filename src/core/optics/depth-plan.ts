// What a lens at a distance will show: depth of field, field of view, blur of a background; and where to stand with another lens for the same size of
// the subject. Thin lens (see `lens.ts`); a frame is held lying.
import { blurDiscMm, depthOfField, fieldOfViewDeg, hyperfocalM, type Lens, type SensorSize } from './lens';

/** A lens on its sensor, as far as a plan needs it. */
export interface PlanLens extends Pick<Lens, 'focalLengthMm' | 'apertureN'> {
  readonly sensor: SensorSize;
}

export interface DepthPlan {
  readonly hyperfocalM: number;
  /** What is acceptably sharp, m; far may be infinite. */
  readonly nearM: number;
  readonly farM: number;
  /** Angles across the frame's width, height and diagonal, degrees, focused at infinity. */
  readonly acrossDeg: number;
  readonly downDeg: number;
  readonly diagonalDeg: number;
  /** What the frame spans at the distance that is focused on, m. */
  readonly widthM: number;
  readonly heightM: number;
  /** Blur disc of a point of the background: pixels, and per cent of the frame's height. */
  readonly backgroundPx: number;
  readonly backgroundPercent: number;
}

/**
 * @param focusM distance that is focused on, m, beyond the focal length; Infinity is allowed
 * @param backgroundM distance of the background, m; Infinity is allowed
 * @throws RangeError for a distance that no lens is focused at
 */
export function planDepth(lens: PlanLens, focusM: number, backgroundM: number): DepthPlan {
  const { focalLengthMm: f, sensor } = lens;
  if (!(focusM * 1000 > f) || !(backgroundM > 0))
    throw new RangeError(`No picture from ${focusM} m with ${f} mm, or of what lies at ${backgroundM} m`);
  const hyperfocal = hyperfocalM(lens, sensor);
  const [widthMm, heightMm] = [sensor.width * sensor.pitchMm, sensor.height * sensor.pitchMm];
  const blurMm = Math.abs(blurDiscMm(lens, focusM, backgroundM));
  // From the sensor to the distance in focus everything grows by (s − f) / f.
  const grows = (focusM * 1000 - f) / f;
  return {
    hyperfocalM: hyperfocal,
    ...depthOfField(f, hyperfocal, focusM),
    acrossDeg: fieldOfViewDeg(f, widthMm),
    downDeg: fieldOfViewDeg(f, heightMm),
    diagonalDeg: fieldOfViewDeg(f, Math.hypot(widthMm, heightMm)),
    widthM: (widthMm * grows) / 1000,
    heightM: (heightMm * grows) / 1000,
    backgroundPx: blurMm / sensor.pitchMm,
    backgroundPercent: (100 * blurMm) / heightMm,
  };
}

/**
 * Where another lens shows the subject as large in the frame: magnification f / (s − f) over the frame's height is the same.
 * @returns m from the subject
 */
export function sameSizeM(from: PlanLens, focusM: number, to: PlanLens): number {
  const high = ({ sensor }: PlanLens) => sensor.height * sensor.pitchMm;
  const away = focusM * 1000 - from.focalLengthMm;
  const times = (to.focalLengthMm / from.focalLengthMm) * (high(from) / high(to));
  return (to.focalLengthMm + times * away) / 1000;
}

/**
 * How far a background is from a camera that has moved along its line of sight.
 * @param focusM, backgroundM where subject and background are now, m; Infinity is allowed @param movedToM where the subject is then
 * @returns m; null where the camera would stand at the background or beyond it
 */
export function movedBackgroundM(focusM: number, backgroundM: number, movedToM: number): number | null {
  // From a subject at infinity no step leads nearer.
  if (!Number.isFinite(focusM) || !Number.isFinite(backgroundM)) return backgroundM;
  const away = backgroundM + (movedToM - focusM);
  return away > 0 ? away : null;
}
