import { FIRST_ROLL } from '../facts/facts';
import { FIRST, freeName, MOST_ROLL_NAME, ROLL_VERSION, rollName, rollsWith, type Roll } from './roll';

const roll = (id: string, createdMs: number, more: Partial<Roll> = {}): Roll => ({
  ...{ version: ROLL_VERSION, id, name: `Roll ${id}`, createdMs, keywords: [] },
  ...more,
});

describe('rolls with what they hold', () => {
  it('the first is always there, and stands last; of the others the newest comes first', () => {
    expect(rollsWith([], [], []).map((count) => count.roll)).toEqual([FIRST]);
    const all = rollsWith([roll('a', 1), roll('b', 2)], [{ roll: 'a' }, { roll: 'a' }], [{ roll: 'b' }]);
    expect(all.map((count) => [count.roll.id, count.frames, count.waiting])).toEqual([
      ['b', 0, 1],
      ['a', 2, 0],
      [FIRST_ROLL, 0, 0],
    ]);
  });

  it('one that only frames tell of is shown by what they call it', () => {
    const [other] = rollsWith([], [{ roll: 'Kiln day' }], []);
    expect(other).toMatchObject({ roll: { id: 'Kiln day', name: 'Kiln day' }, frames: 1 });
  });

  it('a deleted one is gone, and there again as soon as a frame in the sheet is of it', () => {
    const gone = roll('a', 1, { deletedMs: 5 });
    expect(rollsWith([gone], [], []).map((count) => count.roll.id)).toEqual([FIRST_ROLL]);
    expect(rollsWith([gone], [], [{ roll: 'a' }])[0]!.roll.id).toBe('a');
  });
});

it('a name is tidied, and is not empty, not too long and not another’s', () => {
  expect(rollName('  Kiln \n day\u0000 ', [])).toEqual({ name: 'Kiln day' });
  for (const wrong of ['', '   ', '\u0007', 'x'.repeat(MOST_ROLL_NAME + 1), 'Kiln day'])
    expect(rollName(wrong, ['Kiln day'])).toHaveProperty('wrong');
});

it('a free name is the name itself, or it with the first number that is free, never too long', () => {
  expect(freeName('Kiln day', [])).toBe('Kiln day');
  expect(freeName('Kiln day', ['Kiln day', 'Kiln day 2'])).toBe('Kiln day 3');
  const long = 'x'.repeat(MOST_ROLL_NAME);
  expect(freeName(long, [long])).toHaveLength(MOST_ROLL_NAME);
});
