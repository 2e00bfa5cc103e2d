// White on a finished picture: what is grey in a light comes out grey, greys keep their brightness, burnt stays without colour; and a ring finds the
// light from the picture.
import { decodeSrgb, encodeSrgb, LUMA_709 } from '../colour/srgb';
import type { WhitePoint } from '../colour/temperature';
import type { Vec3 } from '../numeric/matrix';
import { nextUint32, randomFrom } from '../numeric/random';
import { AS_MADE, gainsOnCodes, PICTURE_MATRICES, pictureWhite, whitenPicture } from './on-picture';
import { readRingOnPicture, type RingReading } from './ring';

const LIGHTS: readonly WhitePoint[] = [
  { kelvin: 2856, tint: 0 },
  { kelvin: 4224, tint: 6 },
  { kelvin: 6504, tint: 10 },
  { kelvin: 9000, tint: -20 },
];
const [W, H] = [60, 40];
const RING = { at: { x: 0.5, y: 0.5 }, radius: 0.2 };

/** A picture of a surface of that reflectance under a light, as a device makes it that stays with daylight. */
function picture(light: WhitePoint, reflects: number, noise = 0): Uint8ClampedArray {
  const { neutral } = pictureWhite(light);
  const random = randomFrom(7);
  const rgba = new Uint8ClampedArray(4 * W * H);
  for (let i = 0; i < rgba.length; i++) {
    const code = (i & 3) === 3 ? 255 : 255 * encodeSrgb(reflects * neutral[i & 3]!);
    rgba[i] = code + ((i & 3) !== 3 && noise ? noise * (nextUint32(random) / 2 ** 32 - 0.5) : 0);
  }
  return rgba;
}
const ring = (rgba: Uint8ClampedArray, at = RING): RingReading =>
  readRingOnPicture(rgba, W, H, PICTURE_MATRICES, at);
const whitened = (rgba: Uint8ClampedArray, light: WhitePoint) => {
  const out = new Uint8ClampedArray(rgba.length);
  whitenPicture(rgba, pictureWhite(light), out);
  return out;
};

describe('white on a picture', () => {
  it('leaves it as it is for the light that it counts as made for', () => {
    const ramp = Uint8ClampedArray.from({ length: 1024 }, (_, i) => (i * 37) & 255);
    expect(whitened(ramp, AS_MADE)).toEqual(ramp);
  });

  it.each(LIGHTS)('makes grey what is grey in $kelvin K', (light) => {
    for (const reflects of [0.05, 0.18, 0.5]) {
      const [r, g, b] = whitened(picture(light, reflects), light);
      // What the device rounded grows with the gain.
      expect(Math.max(r!, g!, b!) - Math.min(r!, g!, b!)).toBeLessThanOrEqual(3);
    }
  });

  it.each(LIGHTS)('keeps the luminance of greys, and burnt without colour, at $kelvin K', (light) => {
    const luminance = (rgb: ArrayLike<number>) =>
      LUMA_709.reduce<number>((s, w, c) => s + w * decodeSrgb(rgb[c]! / 255), 0);
    const grey = Uint8ClampedArray.of(90, 90, 90, 255);
    expect(Math.abs(luminance(whitened(grey, light)) / luminance(grey) - 1)).toBeLessThan(0.02);
    const [r, g, b] = whitened(Uint8ClampedArray.of(255, 255, 255, 255), light);
    expect([g, b]).toEqual([r, r]);
  });

  it('makes a low temperature bluer and a high one redder, as a photographer sets them', () => {
    const grey = Uint8ClampedArray.of(90, 90, 90, 255);
    const [warm, cool] = [
      whitened(grey, { kelvin: 9000, tint: 10 }),
      whitened(grey, { kelvin: 3000, tint: 0 }),
    ];
    expect(warm[0]! - warm[2]!).toBeGreaterThan(10);
    expect(cool[2]! - cool[0]!).toBeGreaterThan(10);
    const magenta = whitened(grey, { ...AS_MADE, tint: 60 });
    expect(magenta[1]!).toBeLessThan(Math.min(magenta[0]!, magenta[2]!));
  });
});

describe('white drawn by gains on codes', () => {
  it.each(LIGHTS)('comes near the picture that is kept, at $kelvin K', (light) => {
    const white = pictureWhite(light);
    const { gains, scale } = gainsOnCodes(white);
    for (let code = 0; code < 256; code++) {
      const kept = new Uint8ClampedArray(4);
      whitenPicture(Uint8ClampedArray.of(code, code, code, 255), white, kept);
      gains.forEach((gain, c) =>
        expect(Math.abs(Math.min(255, code * gain) * scale - kept[c]!)).toBeLessThan(12),
      );
    }
  });
});

describe('a ring on a picture', () => {
  it.each(LIGHTS)('finds $kelvin K again, as closely as eight bits tell', (light) => {
    const found = ring(picture(light, 0.4, 3));
    if (found.kind !== 'white') throw new Error(found.why);
    expect(Math.abs(1e6 / found.white.kelvin - 1e6 / light.kelvin)).toBeLessThan(3);
    expect(Math.abs(found.white.tint - light.tint)).toBeLessThan(3);
    expect(found.spread).toBeLessThan(2);
  });

  it.each<[string, Uint8ClampedArray, RegExp]>([
    ['burnt', picture(AS_MADE, 1), /Red, green and blue are clipped/],
    ['black', picture(AS_MADE, 0), /Too dark/],
    ['noise', picture(AS_MADE, 0.1, 200), /Too dark/],
    ['a green leaf', picture(AS_MADE, 0.3).map((v, i) => ((i & 3) === 1 ? v : v / 3)), /no light/],
  ])('refuses %s', (_, rgba, why) => {
    expect(ring(rgba)).toEqual({ kind: 'refused', why: expect.stringMatching(why) as string });
  });

  it('warns of a place of two colours, and refuses one beside the picture', () => {
    const two = picture(AS_MADE, 0.4).map((v, i) => ((i & 3) === 0 && (i >> 2) % W < W / 2 ? v * 0.8 : v));
    expect(ring(two)).toMatchObject({ warnings: [expect.stringMatching(/Not of one colour/)] });
    expect(ring(two, { at: { x: -1, y: 0 }, radius: 0.05 })).toMatchObject({ kind: 'refused' });
  });

  it('takes the smallest picture and none for what they are', () => {
    const one: Vec3 = [120, 120, 120];
    const tiny = Uint8ClampedArray.from({ length: 16 }, (_, i) => ((i & 3) === 3 ? 255 : one[i & 3]!));
    expect(
      readRingOnPicture(tiny, 2, 2, PICTURE_MATRICES, { at: { x: 0.5, y: 0.5 }, radius: 0.9 }).kind,
    ).toBe('white');
    expect(readRingOnPicture(new Uint8ClampedArray(0), 0, 0, PICTURE_MATRICES, RING).kind).toBe('refused');
  });
});
