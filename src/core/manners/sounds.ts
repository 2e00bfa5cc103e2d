// Sounds that are made, not recorded: two short clicks of noise for a press, one soft tone for a second of a count.
import { nextUint32, randomFrom } from '../numeric/random';

/** One channel, −1 … 1. */
export interface Sound {
  readonly samples: Float32Array<ArrayBuffer>;
}

/** @param rate samples a second */
export function shutterSound(rate: number): Sound {
  const samples = new Float32Array(Math.round(0.12 * rate));
  const random = randomFrom(5);
  // Of two leaves: the second follows the first, and is softer.
  for (const { atS, strength, fadeS } of [
    { atS: 0, strength: 0.5, fadeS: 0.008 },
    { atS: 0.055, strength: 0.3, fadeS: 0.012 },
  ]) {
    const from = Math.round(atS * rate);
    let before = 0;
    for (let i = from; i < samples.length; i++) {
      const noise = nextUint32(random) / 2 ** 31 - 1;
      // Its lowest tones taken away: what is left is dry.
      samples[i] = samples[i]! + strength * (noise - 0.7 * before) * Math.exp(-(i - from) / (fadeS * rate));
      before = noise;
    }
  }
  return { samples: samples.map((v) => Math.max(-1, Math.min(1, v))) };
}

/** @param rate samples a second */
export function tickSound(rate: number): Sound {
  const length = Math.round(0.08 * rate);
  const samples = new Float32Array(length);
  for (let i = 0; i < length; i++) {
    const t = i / rate;
    const rise = Math.min(1, t / 0.004);
    samples[i] = 0.25 * rise * Math.sin(2 * Math.PI * 880 * t) * Math.exp(-t / 0.02);
  }
  return { samples };
}
