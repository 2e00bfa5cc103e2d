// Made sounds: short, never louder than they may be, the same each time, and over when they end.
import { shutterSound, tickSound } from './sounds';

it.each([
  ['a press', shutterSound],
  ['a second of a count', tickSound],
])('%s can be heard, is short, stays within its range and fades out, at any rate', (_, sound) => {
  for (const rate of [8000, 44_100, 48_000, 96_000]) {
    const { samples } = sound(rate);
    expect(samples.length / rate).toBeLessThan(0.15);
    const loudest = samples.reduce((most, v) => Math.max(most, Math.abs(v)), 0);
    expect(loudest).toBeGreaterThan(0.1);
    expect(loudest).toBeLessThanOrEqual(1);
    expect(samples.every(Number.isFinite)).toBe(true);
    const end = samples.subarray(Math.floor(0.95 * samples.length));
    expect(end.reduce((most, v) => Math.max(most, Math.abs(v)), 0)).toBeLessThan(0.05 * loudest);
    expect(sound(rate).samples).toEqual(samples);
  }
});
