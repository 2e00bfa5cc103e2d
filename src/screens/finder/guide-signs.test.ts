// Labels stand inside the window, and none lies over another, wherever the things are that they point at.
import fc from 'fast-check';
import { placeSigns, signSize } from './guide-signs';

const sign = { target: 't', at: [0, 0] as const, says: '' };

it('seven labels on any screen of a phone or larger', () => {
  fc.assert(
    fc.property(
      fc.record({ width: fc.integer({ min: 320, max: 2560 }), height: fc.integer({ min: 568, max: 1440 }) }),
      fc.array(
        fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true })),
        {
          minLength: 1,
          maxLength: 7,
        },
      ),
      (window, places) => {
        const signs = places
          .map(([x, y]) => ({ ...sign, x: x * window.width, y: y * window.height }))
          .sort((a, b) => a.y - b.y);
        const placed = placeSigns(signs, window);
        const { width, height } = signSize(1, window);
        const apart = (a: (typeof placed)[number], b: (typeof placed)[number]) =>
          Math.abs(a.left - b.left) >= width || Math.abs(a.top - b.top) >= height;
        for (const { left, top } of placed) {
          expect(left).toBeGreaterThanOrEqual(0);
          expect(left + width).toBeLessThanOrEqual(window.width);
          expect(top).toBeGreaterThanOrEqual(0);
          expect(top + height).toBeLessThanOrEqual(window.height);
        }
        placed.forEach((a, i) => placed.slice(i + 1).forEach((b) => expect(apart(a, b)).toBe(true)));
      },
    ),
  );
});
