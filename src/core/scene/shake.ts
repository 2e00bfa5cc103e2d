// Hand-held shake: small seeded rotations about the two axes across the line of sight, and the blur that an exposure makes
// of them. Spectrum: slow sway falling with frequency and a tremor about 9 Hz (practice: physiological tremor 8–12 Hz);
// a press adds a knock that dies away. Roll about the line of sight is left out.
import { nextUint32, randomFrom } from '../numeric/random';
import type { Support } from './outside';

export interface Steadiness {
  readonly support: Support;
  /** How hard the release was pressed, 0 (not at all) … 1. */
  readonly press: number;
  /** Seconds since the camera was last touched: on a tripod it has come to rest after 2 s. */
  readonly sinceTouchS: number;
}

/** Angles over an exposure, rad, about their mean. */
export interface ShakePath {
  readonly x: Float64Array;
  readonly y: Float64Array;
}

/** A press of usual hardness, 0 … 1. */
export const PRESS_HARDNESS = 0.5;

/** RMS speed of a hand about one axis, rad/s (practice): about 6 px at 1/8 s and 28 px at 1 s with 2800 px/rad. */
const HAND_SPEED = 0.018;
const TREMOR_HZ = 9;
const WAVES = 22;
const KNOCK_RAD = 0.0022;
const KNOCK_HZ = 5;
const KNOCK_S = 0.09;
/** What a tripod keeps of a touch, and for how long. */
const TRIPOD_SHARE = 0.15;
const TRIPOD_REST_S = 2;

export function shakePath(seed: number, steadiness: Steadiness, durationS: number): ShakePath {
  const samples = Math.min(640, Math.max(8, Math.ceil(durationS * 400)));
  const random = randomFrom(seed, 0x5ace);
  const share = () => nextUint32(random) / 2 ** 32;
  const path = { x: new Float64Array(samples), y: new Float64Array(samples) };
  for (const axis of [path.x, path.y]) {
    let power = 0;
    const waves = Array.from({ length: WAVES }, (_, i) => {
      const hz = 0.4 * (15 / 0.4) ** ((i + share()) / WAVES);
      const speed = (0.5 + share()) * (hz ** -0.3 + 1.1 * Math.exp(-(((hz - TREMOR_HZ) / 2.5) ** 2)));
      power += (speed * speed) / 2;
      return { hz, speed, phase: share() * 2 * Math.PI };
    });
    for (const { hz, speed, phase } of waves) {
      const [w, angle] = [2 * Math.PI * hz, (speed / Math.sqrt(power)) * (HAND_SPEED / (2 * Math.PI * hz))];
      // The sine of evenly spaced times, each turned on from the one before.
      const step = (w * durationS) / samples;
      const [turnCos, turnSin] = [Math.cos(step), Math.sin(step)];
      const start = w * timeOf(0, samples, durationS) + phase;
      let [sin, cos] = [angle * Math.sin(start), angle * Math.cos(start)];
      for (let i = 0; i < samples; i++) {
        axis[i] = axis[i]! + sin;
        const next = sin * turnCos + cos * turnSin;
        cos = cos * turnCos - sin * turnSin;
        sin = next;
      }
    }
  }
  const knock = KNOCK_RAD * steadiness.press;
  for (let i = 0; i < samples; i++) {
    const t = timeOf(i, samples, durationS);
    const swing = knock * Math.exp(-t / KNOCK_S) * Math.sin(2 * Math.PI * KNOCK_HZ * t);
    path.y[i] = path.y[i]! + swing;
    path.x[i] = path.x[i]! + 0.3 * swing;
    const hold = holdOf(steadiness, t);
    path.x[i] = path.x[i]! * hold;
    path.y[i] = path.y[i]! * hold;
  }
  for (const axis of [path.x, path.y]) {
    const mean = axis.reduce((a, b) => a + b, 0) / samples;
    for (let i = 0; i < samples; i++) axis[i] = axis[i]! - mean;
  }
  return path;
}

function timeOf(i: number, samples: number, durationS: number): number {
  return ((i + 0.5) / samples) * durationS;
}

/** Share of the hand's movement that reaches the camera. */
function holdOf({ support, sinceTouchS }: Steadiness, t: number): number {
  if (support === 'hand') return 1;
  const left = 1 - (sinceTouchS + t) / TRIPOD_REST_S;
  return left > 0 ? TRIPOD_SHARE * left * left : 0;
}

/** Where light of one point goes, in whole samples from its mean place. Weights add up to 1. */
export interface BlurKernel {
  readonly dx: Int32Array;
  readonly dy: Int32Array;
  readonly weight: Float32Array;
  /** Largest |dx| or |dy|. */
  readonly reach: number;
}

/** Blur of less than this variance is not to be seen, samples². */
const STILL_PX2 = 0.01;
const STILL: BlurKernel = {
  dx: Int32Array.of(0),
  dy: Int32Array.of(0),
  weight: Float32Array.of(1),
  reach: 0,
};

/**
 * A path as a kernel. Each position is shared among its 3×3 nearest samples so that mean and variance stay right below a
 * sample's size; long paths are laid on a coarser grid to hold the number of entries.
 */
export function kernelOf({ x, y }: ShakePath, samplesPerRad: number, most: number): BlurKernel {
  let square = 0;
  for (let i = 0; i < x.length; i++) square += x[i]! * x[i]! + y[i]! * y[i]!;
  if ((square / x.length) * samplesPerRad * samplesPerRad < STILL_PX2) return STILL;
  for (let step = 1; ; step *= 2) {
    const cells = new Map<number, number>();
    for (let i = 0; i < x.length; i++) {
      const [px, py] = [(x[i]! * samplesPerRad) / step, (y[i]! * samplesPerRad) / step];
      const [nx, ny] = [Math.round(px), Math.round(py)];
      const [wx, wy] = [spread(px - nx), spread(py - ny)];
      for (let b = 0; b < 3; b++)
        for (let a = 0; a < 3; a++) {
          const key = (ny + b - 1 + 32768) * 65536 + (nx + a - 1 + 32768);
          cells.set(key, (cells.get(key) ?? 0) + wx[a]! * wy[b]!);
        }
    }
    const kept = [...cells].filter(([, w]) => w > 0.0015 * x.length);
    if (kept.length > most) continue;
    const sum = kept.reduce((s, [, w]) => s + w, 0);
    const at = (v: number) => (v - 32768) * step;
    const dx = Int32Array.from(kept, ([key]) => at(key % 65536));
    const dy = Int32Array.from(kept, ([key]) => at(Math.floor(key / 65536)));
    const reach = Math.max(...dx.map(Math.abs), ...dy.map(Math.abs));
    return { dx, dy, weight: Float32Array.from(kept, ([, w]) => w / sum), reach };
  }
}

/** Shares of a position d (−½ … ½) on −1, 0, +1 with mean d and second moment d². */
function spread(d: number): [number, number, number] {
  return [(d * d - d) / 2, 1 - d * d, (d * d + d) / 2];
}
