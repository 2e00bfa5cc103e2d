// Bursts: their moments against the clock, and their words.
import fc from 'fast-check';
import { burstWords, NO_BURST, parseBurst } from './drives/burst';
import { burstEveryS, isBurst, MOST_BURST, MOST_PER_S } from './burst';
import { momentsOf } from './moments';

const frames = (n: number, shutterS: number) => Array.from({ length: n }, () => ({ shutterS }));

describe('moments', () => {
  it('of a burst lie on the clock, to the millisecond, where the exposure leaves room for it', () => {
    expect(momentsOf(frames(10, 1 / 800), { perS: 10 }).map((s) => Math.round(1000 * s))).toEqual([
      0, 100, 200, 300, 400, 500, 600, 700, 800, 900,
    ]);
    const last = momentsOf(frames(MOST_BURST, 1 / 1000), { perS: MOST_PER_S }).at(-1)!;
    expect(last).toBeCloseTo((MOST_BURST - 1) / MOST_PER_S, 9);
  });

  it('never lie within the exposure before, whatever is asked', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: MOST_PER_S }),
        fc.double({ min: 1e-5, max: 30, noNaN: true }),
        fc.boolean(),
        (perS, shutterS, burst) => {
          const moments = momentsOf(frames(4, shutterS), burst ? { perS } : undefined);
          expect(moments[0]).toBe(0);
          moments.slice(1).forEach((at, i) => expect(at - moments[i]!).toBeGreaterThan(shutterS));
          if (burst) expect(burstEveryS({ perS }, shutterS)).toBeGreaterThanOrEqual(1 / perS);
        },
      ),
    );
  });

  it('of one frame, and of none', () => {
    expect([momentsOf(frames(1, 1)), momentsOf([])]).toEqual([[0], []]);
  });
});

describe('in words', () => {
  it('goes there and back', () => {
    expect(parseBurst(' 5@10 ')).toEqual({ frames: 5, perS: 10, held: false });
    expect(burstWords(parseBurst('30@15'))).toBe('30 at 15 a second');
    expect(burstWords({ ...NO_BURST, held: true })).toBe('while held, 10 a second');
    expect([isBurst(NO_BURST), isBurst(parseBurst('2@1')), isBurst({ ...NO_BURST, held: true })]).toEqual([
      ...[false, true, true],
    ]);
  });

  it.each(['', '5', '1@10', '31@10', '5@16', '5@0', '5@x', '-5@3', '5@1.5'])('refuses "%s"', (text) =>
    expect(() => parseBurst(text)).toThrow(/--burst is frames@a second/),
  );
});
