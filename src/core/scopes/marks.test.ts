// Marks over the picture against a mask worked out pixel by pixel, for random frames of any size.
import fc from 'fast-check';
import { cfaIndex, clipLevel, floorSignal } from '../sensor/raw-frame';
import { disagreement, drawMarks, markBright, markPicture, markRaw } from './marks';
import {
  BLACK,
  BRIGHT,
  CLIP_ALL,
  CLIP_B,
  CLIP_G,
  CLIP_R,
  FLOOR_ALL,
  FLOOR_B,
  FLOOR_G,
  FLOOR_R,
  WHITE,
  ZEBRA,
} from './mark-bits';

const [black, white] = [256, 4095];
const noise = { shot: 0.35, read: 0.84 };
const COLOURS = { burnt: [255, 111, 174], dark: [88, 199, 232] } as const;

const frames = fc
  .tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 7 }))
  .chain(([width, height]) =>
    fc.record({
      width: fc.constant(width),
      height: fc.constant(height),
      data: fc
        .array(fc.constantFrom(0, 255, 257, 258, 900, 4089, 4090, 4091, 4092, 4095), {
          minLength: width * height,
          maxLength: width * height,
        })
        .map((values) => Uint16Array.from(values)),
    }),
  );

describe('raw marks', () => {
  it('are those of a brute-force mask on random frames', () => {
    fc.assert(
      fc.property(frames, fc.boolean(), fc.boolean(), ({ width, height, data }, clip, floor) => {
        const frame = { width, height, data, black, white, noise };
        const mask = new Uint16Array(width * height);
        markRaw(frame, { clip, floor }, mask);
        for (let y = 0; y < height; y++)
          for (let x = 0; x < width; x++) {
            let bits = 0;
            for (let sy = y & ~1; sy < Math.min(height, (y & ~1) + 2); sy++)
              for (let sx = x & ~1; sx < Math.min(width, (x & ~1) + 2); sx++) {
                const dn = data[sy * width + sx]!;
                const channel = [0, 1, 1, 2][cfaIndex(sx, sy)]!;
                if (clip && dn >= clipLevel(frame)) bits |= [CLIP_R, CLIP_G, CLIP_B][channel]!;
                else if (floor && dn < black + floorSignal(noise))
                  bits |= [FLOOR_R, FLOOR_G, FLOOR_B][channel]!;
              }
            expect(mask[y * width + x]).toBe(bits);
          }
      }),
    );
  });
  it('of the picture are those of its code values', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(0, 1, 128, 254, 255), { minLength: 12, maxLength: 48 }),
        (codes) => {
          const n = Math.floor(codes.length / 3);
          const rgba = new Uint8ClampedArray(4 * n).fill(255);
          for (let i = 0; i < n; i++) rgba.set(codes.slice(3 * i, 3 * i + 3), 4 * i);
          const mask = new Uint16Array(n);
          markPicture(rgba, { white: true, black: true }, mask);
          mask.forEach((bits, i) => {
            const own = codes.slice(3 * i, 3 * i + 3);
            expect(bits).toBe(own.includes(255) ? WHITE : own.every((c) => c === 0) ? BLACK : 0);
          });
        },
      ),
    );
  });
});

describe('drawn marks', () => {
  /** Which of 48 × 48 pixels a mark changes. */
  const drawn = (bits: number) => {
    const rgba = new Uint8ClampedArray(48 * 48 * 4).fill(200);
    drawMarks(rgba, new Uint16Array(48 * 48).fill(bits), 48, COLOURS);
    return Array.from({ length: 48 * 48 }, (_, i) => rgba[4 * i] !== 200);
  };
  const kinds = [CLIP_R, CLIP_G, CLIP_B, CLIP_ALL, FLOOR_R, FLOOR_G, FLOOR_B, FLOOR_ALL, WHITE, BLACK, ZEBRA];

  it('are told apart by their pattern alone, each of them', () => {
    const patterns = kinds.map((bits) => drawn(bits).join());
    expect(new Set(patterns).size).toBe(kinds.length);
    for (const bits of kinds) expect(drawn(bits)).toContain(true);
  });
  it('leave some of the picture to be seen, but where all of raw is burnt', () => {
    for (const bits of kinds) expect(drawn(bits).includes(false)).toBe(bits !== CLIP_ALL);
  });
  it('touch nothing where nothing is marked, and hold still from frame to frame', () => {
    expect(drawn(0)).not.toContain(true);
    expect(drawn(ZEBRA)).toEqual(drawn(ZEBRA));
  });
});

describe('disagreement', () => {
  it('calls white what nine tenths of the luminance reach', () => {
    const mask = new Uint16Array(4);
    // Full red is a fifth of the luminance; green alone is not enough either.
    const rgba = Uint8ClampedArray.from([
      255, 0, 0, 255, 230, 230, 230, 255, 229, 229, 229, 255, 0, 255, 0, 255,
    ]);
    markBright(rgba, mask);
    expect([...mask]).toEqual([0, BRIGHT, 0, 0]);
  });
  it('tells what only looks burnt from what only is', () => {
    const mask = Uint16Array.from([
      WHITE,
      CLIP_R | WHITE,
      CLIP_G | WHITE | BRIGHT,
      0,
      WHITE,
      BLACK,
      FLOOR_R,
      BRIGHT,
    ]);
    expect(disagreement(mask)).toEqual({
      onlyPicture: 2 / 8,
      onlyRaw: 1 / 8,
      both: 1 / 8,
      pictureWhite: 4 / 8,
      pictureBlack: 1 / 8,
    });
    expect(disagreement(new Uint16Array(0)).both).toBe(0);
  });
});
