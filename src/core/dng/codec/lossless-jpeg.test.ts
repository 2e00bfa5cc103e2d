// ITU-T T.81 Annex H. What the encoder writes is also read by independent decoders in tests/reference.
import fc from 'fast-check';
import { DngError } from '../errors';
import { decodeLosslessJpeg } from './lossless-jpeg-decode';
import { encodeLosslessJpeg } from './lossless-jpeg-encode';

const roundTrip = (samples: Uint16Array, width: number, height: number) =>
  decodeLosslessJpeg(encodeLosslessJpeg(samples, width, height));

describe('lossless JPEG', () => {
  it('gives back any 16-bit samples', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 12 }),
        fc.constantFrom(1, 255, 4095, 65535),
        fc.integer(),
        (half, height, top, seed) => {
          const width = half * 2;
          let s = seed;
          const samples = Uint16Array.from({ length: width * height }, () => {
            s = (Math.imul(s, 1103515245) + 12345) | 0;
            return (s >>> 8) % (top + 1);
          });
          const back = roundTrip(samples, width, height);
          expect(back.samples).toEqual(samples);
          expect([back.width * back.components, back.height, back.precision]).toEqual([width, height, 16]);
        },
      ),
    );
  });

  it.each([
    ['all one value', () => 777],
    ['extremes side by side', (i: number) => (i % 4 < 2 ? 0 : 65535)],
    ['a difference of exactly 32768', (i: number) => (i % 4 < 2 ? 0 : 32768)],
    ['zeros', () => 0],
  ])('gives back %s', (_, value) => {
    const samples = Uint16Array.from({ length: 64 * 8 }, (_v, i) => value(i));
    expect(roundTrip(samples, 64, 8).samples).toEqual(samples);
  });

  it('compresses what is smooth', () => {
    const samples = Uint16Array.from({ length: 256 * 256 }, (_, i) => 300 + ((i >> 1) % 8));
    expect(encodeLosslessJpeg(samples, 256, 256).length).toBeLessThan(samples.length * 0.6);
  });

  it('refuses an odd width', () =>
    expect(() => encodeLosslessJpeg(new Uint16Array(9), 3, 3)).toThrow(RangeError));

  it('meets any damage with an error of its own or with samples, never otherwise', () => {
    const good = encodeLosslessJpeg(
      Uint16Array.from({ length: 32 * 16 }, (_, i) => (i * 7919) % 4096),
      32,
      16,
    );
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(good.length - 1), fc.nat(255)), { minLength: 1, maxLength: 6 }),
        fc.nat(good.length),
        (edits, cut) => {
          const bad = good.slice(0, cut);
          for (const [at, value] of edits) if (at < bad.length) bad[at] = value;
          try {
            expect(decodeLosslessJpeg(bad, 0, 1 << 16).samples.length).toBeLessThanOrEqual(1 << 16);
          } catch (error) {
            expect(error).toBeInstanceOf(DngError);
          }
        },
      ),
      { numRuns: 600 },
    );
  });
});
