// The order of a sheet, and names of files: whatever the frames, all of them once, in the order that was asked for.
import * as fc from 'fast-check';
import { arranged, clippedShareOf, exposedMore, FILTERS, framesOf, itemsOf, SORTS, USUAL } from './arrange';
import { eachOnce, fileName, nameBy, patternTrouble, USUAL_PATTERN } from './file-name';
import type { FrameRecord } from './record';

const frame = (n: number, over: Partial<FrameRecord> = {}): FrameRecord =>
  ({
    id: n.toString(16).padStart(32, '0'),
    timeMs: Date.UTC(2031, 3, 9) + 1000 * n,
    offsetMinutes: 120,
    exposure: { shutterS: 1 / 100, iso: 100, apertureN: 2, compensationEv: 0 },
    result: { channels: [{ name: 'R', clippedShare: 0, belowFloorShare: 0 }], headroomEv: 1 },
    set: {},
    ...over,
  }) as FrameRecord;

const any = fc
  .array(
    fc.record({
      shutter: fc.option(fc.constantFrom(1 / 1000, 1 / 100, 1 / 10, 1)),
      clipped: fc.option(fc.double({ min: 0, max: 1, noNaN: true })),
      group: fc.option(fc.constantFrom('a', 'b', 'c')),
      rating: fc.option(fc.integer({ min: 1, max: 5 }), { nil: undefined }),
      verdict: fc.constantFrom(undefined, 'kept' as const, 'dropped' as const),
    }),
    { maxLength: 30 },
  )
  .map((list) =>
    list
      .map(({ shutter, clipped, group, rating, verdict }, i) =>
        frame(i, {
          exposure: {
            ...{ iso: 100, apertureN: 2, compensationEv: 0 },
            shutterS: shutter ?? { unknown: 'not told' },
          },
          result:
            clipped === null
              ? { unknown: 'no raw' }
              : { channels: [{ name: 'R', clippedShare: clipped, belowFloorShare: 0 }], headroomEv: 0 },
          ...(group && { group: { id: group.repeat(32), index: i, of: 30 } }),
          ...(rating && { rating }),
          ...(verdict && { verdict }),
        }),
      )
      .reverse(),
  );

it('all frames are there once, whatever the order', () => {
  fc.assert(
    fc.property(any, fc.constantFrom(...SORTS), fc.boolean(), (frames, sort, most) => {
      const found = arranged(frames, { ...USUAL, sort, most });
      expect(new Set(found)).toEqual(new Set(frames));
      expect(found).toHaveLength(frames.length);
    }),
  );
});

it('what has more comes first, or last, and what nobody knows is at the end', () => {
  fc.assert(
    fc.property(any, fc.boolean(), (frames, most) => {
      const shares = arranged(frames, { ...USUAL, sort: 'clipped', most }).map(clippedShareOf);
      const told = shares.filter((v) => v !== undefined);
      expect(shares.slice(0, told.length)).toEqual(told);
      expect(told).toEqual([...told].sort((a, b) => (most ? b - a : a - b)));
      const light = arranged(frames, { ...USUAL, sort: 'exposure', most }).map((f) => f.exposure.shutterS);
      const times = light.filter((v) => typeof v === 'number');
      expect(times).toEqual([...times].sort((a, b) => (most ? b - a : a - b)));
    }),
  );
  expect(exposedMore(frame(1), frame(2, { exposure: { ...frame(1).exposure, iso: 400 } }))).toBeCloseTo(2);
});

it('a filter lets through what it says', () => {
  fc.assert(
    fc.property(
      any,
      fc.constantFrom(...FILTERS),
      fc.integer({ min: 0, max: 5 }),
      (frames, filter, leastRating) => {
        const found = arranged(frames, { ...USUAL, filter, leastRating });
        const wanted = frames.filter(
          (f) =>
            (f.rating ?? 0) >= leastRating &&
            { all: true, kept: f.verdict === 'kept', dropped: f.verdict === 'dropped', open: !f.verdict, clipped: (clippedShareOf(f) ?? 0) > 0.001 }[filter],
        ); // prettier-ignore
        expect(found).toEqual(wanted);
      },
    ),
  );
});

it('sequences stand together, in the order in which they were taken, and open where they stand', () => {
  fc.assert(
    fc.property(any, fc.subarray(['a', 'b', 'c']), (frames, open) => {
      const ids = new Set(open.map((letter) => letter.repeat(32)));
      const items = itemsOf(frames, ids);
      expect(new Set(framesOf(items))).toEqual(new Set(frames));
      expect(framesOf(items)).toHaveLength(frames.length);
      for (const [i, item] of items.entries())
        if (item.kind === 'group') {
          expect(item.frames.length).toBeGreaterThan(1);
          const index = item.frames.map((f) => f.group!.index);
          expect(index).toEqual([...index].sort((a, b) => a - b));
          const after = items.slice(i + 1, i + 1 + item.frames.length);
          if (item.open)
            expect(after.map((next) => next.kind === 'frame' && next.frame)).toEqual(item.frames);
        }
    }),
  );
});

describe('names', () => {
  const of = { frame: frame(0xabc, { rating: 3 }), roll: 'Kiln / night', index: 6, of: 120 };

  it('are made by a pattern, and by the usual one as ever', () => {
    expect(nameBy('{roll} {number} {rating} {iso}', of)).toBe('Kiln - night 007 3 100');
    expect(`${nameBy(USUAL_PATTERN, of)}.dng`).toBe(fileName(of.frame, 'dng'));
    expect(nameBy('{shutter}', of)).toBe('1-100');
  });

  it('are never a path, nor empty, whatever the pattern', () => {
    fc.assert(
      fc.property(fc.string(), (pattern) => {
        const name = nameBy(pattern, of);
        expect(name).not.toMatch(/[/\\:*?"<>|\u0000-\u001f]/);
        expect(name).not.toMatch(/^\.|^\s*$|\.$/);
        expect(name).not.toMatch(/\p{Cs}/u);
        expect(name.length).toBeLessThanOrEqual(120);
      }),
    );
  });

  it('are none of a device, hold no half of a letter, and turn no direction', () => {
    for (const device of ['CON', 'nul.txt', 'com1', 'Lpt9.a'])
      expect(nameBy(device, of)).toBe(`velmo-${device}`);
    expect(nameBy('console', of)).toBe('console');
    expect(nameBy('a\u202egpj\u2066', of)).toBe('agpj');
    expect(nameBy('\ud83d x', of)).toBe('x');
    expect(nameBy(`${'a'.repeat(119)}😀`, of)).toBe('a'.repeat(119));
    expect(nameBy(`${'a'.repeat(119)}.b`, of)).toBe('a'.repeat(119));
  });

  it('know the words that there are, and none that an object has by itself', () => {
    for (const word of ['__proto__', 'toString', 'constructor', 'hasOwnProperty']) {
      expect(patternTrouble(`{${word}}`)).toMatch(/means nothing/);
      expect(nameBy(`{${word}}-a`, of)).toBe('a');
    }
  });

  it('a pattern that is not sound says what is wrong with it', () => {
    expect(patternTrouble('{date}-{number}')).toBeNull();
    expect(patternTrouble('{dat}')).toMatch(/\{dat\} means nothing/);
    expect(patternTrouble('{date')).toMatch(/open/);
    expect(patternTrouble('  ')).not.toBeNull();
  });

  it('are each there once', () => {
    expect(eachOnce(['a', 'A', 'b', 'a'])).toEqual(['a', 'A-2', 'b', 'a-3']);
    fc.assert(
      fc.property(fc.array(fc.constantFrom('a', 'A', 'a-2', 'b')), (names) => {
        const once = eachOnce(names).map((name) => name.toLowerCase());
        expect(new Set(once).size).toBe(names.length);
      }),
    );
  });
});
