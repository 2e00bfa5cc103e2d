// Averages in linear light: the noise of n pictures falls by √n, and is told as it was measured.
import { decodeSrgb, encodeSrgb } from '../colour/srgb';
import { averager, MOST_PICTURES, WHITE } from './average';

const [W, H] = [120, 90];

/** Evenly random numbers from 0 to 1, the same ones every time (Park and Miller 1988). */
function chance(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}

/** Normal, of variance 1 (Box and Muller 1958). */
const normal = (next: () => number) => Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next());

/** Light of a place: a ramp. */
const lightAt = (i: number) => 0.05 + 0.5 * ((i % W) / W);
/** Variance of one picture, of light 0 … 1. */
const varianceAt = (x: number) => 2e-4 * x + 2e-5;

function noisy(next: () => number): Uint8ClampedArray {
  const rgba = new Uint8ClampedArray(4 * W * H);
  for (let i = 0; i < W * H; i++) {
    for (let c = 0; c < 3; c++) {
      const x = lightAt(i) + Math.sqrt(varianceAt(lightAt(i))) * normal(next);
      rgba[4 * i + c] = Math.round(255 * encodeSrgb(Math.max(0, x)));
    }
    rgba[4 * i + 3] = 255;
  }
  return rgba;
}

/** Standard deviation of the average from the true light, in light 0 … 1. */
function errorOf(n: number): number {
  const next = chance(7);
  const sum = averager(W, H);
  for (let i = 0; i < n; i++) sum.add(noisy(next));
  const { data } = sum.finish();
  return Math.sqrt(
    data.reduce((s, v, i) => s + (v / WHITE - lightAt(Math.floor(i / 3))) ** 2, 0) / data.length,
  );
}

it('n pictures have √n times less noise', () => {
  const one = errorOf(1);
  for (const n of [4, 16, 64]) expect(errorOf(n) / one).toBeCloseTo(1 / Math.sqrt(n), 1.7);
});

it('tells the noise that it measured between pictures, of the average', () => {
  const next = chance(3);
  const sum = averager(W, H);
  for (let i = 0; i < 8; i++) sum.add(noisy(next));
  const { noise, pictures } = sum.finish();
  expect(pictures).toBe(8);
  for (const x of [0.08, 0.25, 0.5]) {
    const told = (noise!.shot * x * WHITE + noise!.read) / WHITE ** 2;
    // Of one picture, its rounding to 8 bits included (1/12 of a squared step), over eight.
    const slope = (decodeSrgb(encodeSrgb(x) + 1 / 255) - x) ** 2 / 12;
    expect(told / ((varianceAt(x) + slope) / 8)).toBeCloseTo(1, 0.9);
  }
});

it('on an even grey, where a pixel’s own light says only its noise, it is told as large as it is', () => {
  const next = chance(5);
  const grey = () => {
    const rgba = new Uint8ClampedArray(4 * W * H).fill(255);
    for (let i = 0; i < rgba.length; i++)
      if ((i & 3) !== 3) rgba[i] = 150 + Math.round(24 * (2 * next() - 1));
    return rgba;
  };
  const sum = averager(W, H);
  sum.add(grey());
  sum.add(grey(), false);
  const { noise, data } = sum.finish();
  const mean = data.reduce((s, v) => s + v, 0) / data.length;
  const variance = data.reduce((s, v) => s + (v - mean) ** 2, 0) / data.length;
  expect((noise!.shot * mean + noise!.read) / variance).toBeCloseTo(1, 1);
});

it('averages light, not code values', () => {
  const sum = averager(1, 1);
  sum.add(Uint8ClampedArray.of(0, 0, 0, 255));
  sum.add(Uint8ClampedArray.of(255, 255, 255, 255));
  expect([...sum.finish().data]).toEqual([32768, 32768, 32768]);
});

it('one picture has a second beside it that only tells of noise; two that are the same have none', () => {
  const next = chance(11);
  const [first, second] = [noisy(next), noisy(next)];
  const sum = averager(W, H);
  sum.add(first);
  sum.add(second, false);
  const { data, noise, pictures } = sum.finish();
  expect([pictures, data[0]]).toEqual([1, Math.round(WHITE * decodeSrgb(first[0]! / 255))]);
  expect(noise!.read + noise!.shot).toBeGreaterThan(0);
  const still = averager(W, H);
  still.add(first);
  still.add(first);
  expect(still.finish().noise).toEqual({ shot: 0, read: 0 });
});

it('where all is burnt nothing can be told of noise; what does not go together is refused', () => {
  const burnt = averager(W, H);
  burnt.add(new Uint8ClampedArray(4 * W * H).fill(255));
  burnt.add(new Uint8ClampedArray(4 * W * H).fill(255));
  expect(burnt.finish().noise).toBeNull();
  expect(() => averager(2, 2).finish()).toThrow(/No picture/);
  expect(() => averager(2, 2).add(new Uint8ClampedArray(4))).toThrow(/two sizes/);
  const full = averager(1, 1);
  for (let i = 0; i < MOST_PICTURES; i++) full.add(Uint8ClampedArray.of(9, 9, 9, 255));
  expect(() => full.add(Uint8ClampedArray.of(9, 9, 9, 255))).toThrow(/At most 64/);
});
