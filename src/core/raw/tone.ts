// How bright raw is shown: the baseline of the picture, and its plain tone curve.
import { extendedStops, type ExposureSettings } from '../exposure/settings';

/**
 * Stops from raw full scale to picture white at base ISO: a metered grey lies at 0.08125/0.78 of saturation
 * (ISO 12232) and belongs at 18 %, so the picture is raised by log2(0.18/0.10417) = 0.79 EV.
 */
const NATIVE_BASELINE_EV = Math.log2((0.18 * 0.78) / 0.08125);

/** DNG BaselineExposure for these settings, EV. */
export function baselineExposureEv(settings: Pick<ExposureSettings, 'iso'>): number {
  return NATIVE_BASELINE_EV - extendedStops(settings.iso);
}

/**
 * The plain tone curve: straight (slope 1) up to a knee, then one cubic to white at the point where raw clips, so that a
 * burnt highlight is white whatever the baseline.
 * @param x linear light, 1 = a 100 % white under the metered exposure
 * @param clipAt the value of x at which raw clips (2^baseline)
 */
export function toneCurve(x: number, clipAt: number): number {
  if (x <= 0) return 0;
  if (x >= clipAt) return 1;
  const knee = 0.42 * Math.min(1, clipAt);
  if (x <= knee) return x;
  const span = clipAt - knee;
  const t = (x - knee) / span;
  const slopeOut = clipAt > 1 ? 0.12 * span : 1.1 * span;
  const [t2, t3] = [t * t, t * t * t];
  return (2 * t3 - 3 * t2 + 1) * knee + (t3 - 2 * t2 + t) * span + (-2 * t3 + 3 * t2) + (t3 - t2) * slopeOut;
}
