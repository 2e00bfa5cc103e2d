import { choice, parseArguments, place, UsageError, wholeNumber } from './arguments';

const known = ['scene', 'at', 'seed', 'size'];
const parse = (...words: string[]) => parseArguments(words, known);

describe('command-line words', () => {
  it('are a command, the rest, flags in either form, and --json anywhere', () => {
    const args = parse('check', '--json', 'F.dng', '--scene', 'a', '--seed=7');
    expect([args.command, args.rest, args.json]).toEqual(['check', ['F.dng'], true]);
    expect([args.flags.get('scene'), wholeNumber(args, 'seed', 1)]).toEqual(['a', 7]);
  });

  it('take a negative value for a value, not for a flag', () => {
    expect(parse('shoot', '--seed', '-3').flags.get('seed')).toBe('-3');
  });

  it.each([
    [['x', '--colour', 'red'], /Unknown option --colour.*--scene/],
    [['x', '--scene'], /--scene needs a value/],
    [['x', '--seed', '1', '--seed', '2'], /--seed is given twice/],
  ])('%j is a usage error', (words, message) => {
    expect(() => parse(...words)).toThrow(UsageError);
    expect(() => parse(...words)).toThrow(message);
  });

  it('choose among few, place inside the frame, count in whole numbers', () => {
    expect(choice(parse('x', '--size', 'full'), 'size', ['full', 'preview'], 'preview')).toBe('full');
    expect(() => choice(parse('x', '--size', 'huge'), 'size', ['full', 'preview'], 'full')).toThrow(
      /full or preview/,
    );
    expect(place(parse('x', '--at', '0.6,0.5'))).toEqual({ x: 0.6, y: 0.5 });
    expect(place(parse('x'))).toEqual({ x: 0.5, y: 0.5 });
    for (const bad of ['1', '2,0', 'a,b', '', '0.5,NaN', ',', '0.1,', '0.1,0.2,0.3', ' , '])
      expect(() => place(parse('x', '--at', bad))).toThrow(UsageError);
    for (const bad of ['1.5', '', ' ', 'x', '1e99'])
      expect(() => wholeNumber(parse('x', '--seed', bad), 'seed', 1)).toThrow(/whole number/);
  });
});
