// What an exposure will do to the picture, in figures: blur in pixels of the capture, noise in decibels, depth in metres, bands
// of lamps. From the same models that make the capture (shake, what turns, stars, flicker, sensor noise).
import type { ExposureSettings } from '../exposure/settings';
import { airyDiscMm, depthOfField, handHeldLimitS, hyperfocalM } from '../optics/lens';
import { shakeSize } from '../scene/shake-size';
import { spinSpeedMm } from '../scene/spin-speed';
import type { SceneView } from '../scene/view';
import { electronsPerLxS, gainDnPerE, type SensorModel } from '../sensor/sensor';

export interface Effects {
  /** Likely blur of the hand, or of the touch on a tripod, pixels, and where four of five presses lie. */
  readonly shakePx: number;
  readonly shakeRangePx: readonly [number, number];
  /** By hand the time that blurs about a pixel or two; infinite on a tripod. */
  readonly steadyS: number;
  /** Path of the fastest visible thing that turns, pixels; 0 where nothing moves. */
  readonly motionPx: number;
  /** Trail of a star at the celestial equator, pixels; 0 without stars. */
  readonly trailPx: number;
  /** Difference between light and dark bands of a mains lamp over the frame, EV, and the rate; null without such a lamp. */
  readonly bands: { readonly ev: number; readonly hz: number } | null;
  /** Signal to noise of one site on mid-grey as it will lie, and four stops under it, dB. */
  readonly greyDb: number;
  readonly shadowDb: number;
  /** What is acceptably sharp, m; far may be infinite. */
  readonly nearM: number;
  readonly farM: number;
  /** Airy disc, pixels. */
  readonly airyPx: number;
}

/** Exposure of a metered field at ISO 100, lx·s (ISO 12232: 10 / S · 0.8125 with q = 0.65 and K = 12.5). */
const METERED_EXPOSURE = 0.08125;
/** Sidereal rate, rad/s: 15.041″/s. */
const SIDEREAL = (15.041 / 3600) * (Math.PI / 180);

/** Signal to noise in dB of one site, `stops` from metered mid-grey. EMVA 1288: µ / √(µ + σ_d² + σ_q²/K²). */
export function snrDb(sensor: SensorModel, iso: number, stops: number): number {
  const gain = gainDnPerE(sensor, iso);
  const electrons = ((METERED_EXPOSURE * 100) / iso) * 2 ** stops * electronsPerLxS(sensor);
  const read = sensor.readPreE ** 2 + (sensor.readPostDn ** 2 + 1 / 12) / gain ** 2;
  return 20 * Math.log10(electrons / Math.sqrt(electrons + read));
}

/** Peak to peak of a lamp's wave over the lines of a rolling shutter, EV. The mean over t has amplitude |sin(π·f·t)/(π·f·t)|. */
export function bandEv(hz: number, depth: number, shutterS: number): number {
  const phase = Math.PI * hz * shutterS;
  const amplitude = Math.min(0.99, depth * Math.abs(phase < 1e-6 ? 1 : Math.sin(phase) / phase));
  return Math.log2((1 + amplitude) / (1 - amplitude));
}

export interface Handling {
  /** How hard the release is pressed, 0 … 1. */
  readonly press: number;
  /** Seconds between the touch and the exposure. */
  readonly delayS: number;
}

export interface EffectsOf {
  (settings: ExposureSettings, focusM: number, deviationEv: number, handling: Handling): Effects;
}

export function effectsOf(view: SceneView): EffectsOf {
  const { camera, outside, description, groups } = view;
  const { lens, sensor } = camera;
  const pxPerRad = lens.focalLengthMm / sensor.pitchMm;
  const turns = description.spin?.turnsPerS[outside.wheel] ?? 0;
  const spinPx = turns > 0 ? (turns * spinSpeedMm(view)) / sensor.pitchMm : 0;
  const mains = groups.map(shareOfMains(groups)).filter((lamp) => lamp !== null);
  const shakeOf = (durationS: number, { press, delayS }: Handling) => {
    const steadiness = { support: outside.support, press: delayS > 0 ? 0 : press, sinceTouchS: delayS };
    const { likely, range } = shakeSize(steadiness, durationS);
    return {
      shakePx: likely * pxPerRad,
      shakeRangePx: [range[0] * pxPerRad, range[1] * pxPerRad] as const,
    };
  };
  return (settings, focusM, deviationEv, handling) => {
    const { shutterS, iso, apertureN } = settings;
    const depth = depthOfField(
      lens.focalLengthMm,
      hyperfocalM({ focalLengthMm: lens.focalLengthMm, apertureN }, sensor),
      focusM,
    );
    return {
      ...shakeOf(shutterS, handling),
      steadyS: outside.support === 'tripod' ? Infinity : handHeldLimitS(camera.equivalentMm),
      motionPx: spinPx * shutterS,
      trailPx: description.stars ? SIDEREAL * shutterS * pxPerRad : 0,
      bands: worstBand(mains, shutterS),
      greyDb: snrDb(sensor, iso, deviationEv),
      shadowDb: snrDb(sensor, iso, deviationEv - 4),
      ...depth,
      airyPx: airyDiscMm(apertureN) / sensor.pitchMm,
    };
  };
}

type Mains = { readonly hz: number; readonly depth: number };

/** A mains lamp with its depth as a share of all light; null for any other. */
function shareOfMains(groups: SceneView['groups']) {
  const sums = groups.map(({ planes }) => planes[1].reduce((a, b) => a + b, 0));
  const all = sums.reduce((a, b) => a + b, 0);
  return ({ flicker }: SceneView['groups'][number], i: number): Mains | null =>
    flicker?.kind === 'mains' && all > 0 ? { hz: flicker.hz, depth: (flicker.depth * sums[i]!) / all } : null;
}

function worstBand(mains: readonly Mains[], shutterS: number): Effects['bands'] {
  const bands = mains.map(({ hz, depth }) => ({ hz, ev: bandEv(hz, depth, shutterS) }));
  return bands.reduce<Effects['bands']>((worst, b) => (worst && worst.ev >= b.ev ? worst : b), null);
}
