// The world around the camera that the person arranges: which lamps burn, what turns, hand or tripod. Not a setting of
// the camera. And how lamps vary while the shutter is open.
import { nextUint32, randomFrom } from '../numeric/random';
import type { Flicker, SceneDescription, WheelSpeed } from './scene';

export const SUPPORTS = ['hand', 'tripod'] as const;
export type Support = (typeof SUPPORTS)[number];

export interface Outside {
  /** Level of each lamp, 0 … 1; the opening level where a lamp is not named. */
  readonly levels: Readonly<Record<string, number>>;
  readonly support: Support;
  readonly wheel: WheelSpeed;
}

export const OPENING: Outside = { levels: {}, support: 'hand', wheel: 'slow' };

/** Level of every lamp, in the order of the description. */
export function levelsOf(
  { lamps }: Pick<SceneDescription, 'lamps'>,
  { levels }: Pick<Outside, 'levels'>,
): number[] {
  return lamps.map(({ id, level }) => {
    const wanted = levels[id] ?? level;
    return wanted > 0 ? Math.min(1, wanted) : 0;
  });
}

const FLAME_WAVES = 7;
const TURN = 2 * Math.PI;

/**
 * Mean light of a lamp over an exposure, against its long mean of 1: the integral of its waves, so that a time of whole
 * periods gives exactly 1.
 */
export function meanFactor(flicker: Flicker, startS: number, durationS: number): number {
  if (flicker.kind === 'mains') return 1 + flicker.depth * meanWave(flicker.hz, 0, startS, durationS);
  // A flame: waves from 1 to 13 Hz, slower ones stronger.
  const random = randomFrom(71);
  let sum = 0;
  let power = 0;
  for (let i = 0; i < FLAME_WAVES; i++) {
    const hz = 1.1 * 1.5 ** i;
    const phase = (nextUint32(random) / 2 ** 32) * TURN;
    const strength = hz ** -0.4;
    sum += strength * meanWave(hz, phase, startS, durationS);
    power += (strength * strength) / 2;
  }
  return Math.max(0.05, 1 + (flicker.depth * sum) / Math.sqrt(power));
}

/** Mean of cos(2π·hz·t + phase) from `start` for `duration` seconds. */
function meanWave(hz: number, phase: number, startS: number, durationS: number): number {
  const w = TURN * hz;
  if (w * durationS < 1e-3) return Math.cos(w * startS + phase);
  return (Math.sin(w * (startS + durationS) + phase) - Math.sin(w * startS + phase)) / (w * durationS);
}
