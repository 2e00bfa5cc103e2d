// Small bright areas that are let go, against flood filling at every threshold.
import fc from 'fast-check';
import { codeOfLux, countLevels, luxOfCode, type Levels } from './levels';
import { withoutSparkle } from './sparkle';

/** The highest code at which more than `share` of a channel lies in areas larger than `area`; −1 when there is none. By flood filling. */
function bruteLevel(codes: number[][], share: number, area: number): number {
  const [rows, columns] = [codes.length, codes[0]!.length];
  const cells = rows * columns;
  for (const threshold of [...new Set(codes.flat())].sort((a, b) => b - a)) {
    const left = codes.map((row) => row.map((code) => code >= threshold));
    let counted = 0;
    for (let y = 0; y < rows; y++)
      for (let x = 0; x < columns; x++) {
        if (!left[y]![x]) continue;
        const stack = [[x, y]];
        left[y]![x] = false;
        let size = 0;
        for (let next = stack.pop(); next; next = stack.pop()) {
          size++;
          for (let dy = -1; dy <= 1; dy++)
            for (let dx = -1; dx <= 1; dx++) {
              const [nx, ny] = [next[0]! + dx, next[1]! + dy];
              if (!left[ny]?.[nx]) continue;
              left[ny]![nx] = false;
              stack.push([nx, ny]);
            }
        }
        if (size > area * cells) counted += size;
      }
    if (counted > share * cells) return threshold;
  }
  return -1;
}

/** A mosaic whose green beside red holds the codes; all else is dark. */
function mosaic(codes: number[][]): { light: Float32Array; width: number; height: number; levels: Levels } {
  const [rows, columns] = [codes.length, codes[0]!.length];
  const [width, height] = [2 * columns, 2 * rows];
  const light = new Float32Array(width * height);
  codes.forEach((row, y) => row.forEach((code, x) => (light[2 * y * width + 2 * x + 1] = luxOfCode(code))));
  return { light, width, height, levels: countLevels(light, width) };
}

/** The code that must not burn, from what is left. */
function levelLeft(codes: number[][], share: number, area: number): number {
  const { light, width, height, levels } = mosaic(codes);
  const { levels: left, mostLux } = withoutSparkle(light, width, height, levels, { share, area });
  const sums = left.atLeast[1];
  let level = -1;
  for (let code = sums.length - 2; code > 0 && level < 0; code--)
    if (sums[code]! > share * levels.sites[1]!) level = code;
  // What would grow together holds as well.
  return mostLux === Infinity ? level : Math.max(level, codeOfLux(mostLux * 0.9999));
}

describe('sparkle', () => {
  it('leaves the level that flood filling finds, for random planes, shares and areas', () => {
    const plane = fc
      .tuple(fc.integer({ min: 2, max: 9 }), fc.integer({ min: 2, max: 8 }))
      .chain(([columns, rows]) =>
        fc.array(
          fc.array(fc.constantFrom(3000, 3100, 3200, 3300, 3400), { minLength: columns, maxLength: columns }),
          {
            minLength: rows,
            maxLength: rows,
          },
        ),
      );
    fc.assert(
      fc.property(
        plane,
        fc.constantFrom(0, 0.05, 0.2, 0.5),
        fc.constantFrom(0.02, 0.08, 0.2),
        (codes, share, area) => {
          expect(levelLeft(codes, share, area)).toBe(bruteLevel(codes, share, area));
        },
      ),
      { numRuns: 300 },
    );
  });

  it('lets glints go and keeps a window', () => {
    const codes = Array.from({ length: 40 }, (_, y) =>
      Array.from({ length: 40 }, (_2, x) => {
        const glint = (x % 10 === 5 && y % 10 === 5) || (x === 6 && y === 5);
        const pane = x >= 20 && x < 28 && y >= 20 && y < 30;
        return glint ? 4000 : pane ? 3500 : 2500;
      }),
    );
    const { light, width, height, levels } = mosaic(codes);
    const { tolerated, levels: left } = withoutSparkle(light, width, height, levels, {
      share: 0.001,
      area: 0.002,
    });
    // Sixteen glints and one of two cells; those inside the pane belong to it once it burns, not before.
    expect(tolerated[1]).toBeCloseTo(17 / 1600, 9);
    expect(left.sites).toEqual(levels.sites);
    expect(levelLeft(codes, 0.001, 0.002)).toBe(3500);
    expect(levelLeft(codes, 0.001, 0)).toBe(4000);
  });

  it('takes nothing out when nothing is tolerated, and all when all is small', () => {
    const { light, width, height, levels } = mosaic([[3000, 3000]]);
    expect(withoutSparkle(light, width, height, levels, { share: 0.1, area: 0 }).levels).toBe(levels);
    const all = withoutSparkle(light, width, height, levels, { share: 0.1, area: 1 });
    expect(all.tolerated[1]).toBe(1);
    expect(all.levels.atLeast[1][0]).toBe(0);
  });
});
