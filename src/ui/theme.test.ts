// Contrast of words on every ground of every theme: WCAG 2.1, 4.5:1. And what each theme promises of its colours.
import { THEME_IDS, tokenOf, type ThemeId, type Token } from './theme';

function channels(value: string): [number, number, number] {
  const hex = /^#(..)(..)(..)$/.exec(value);
  if (hex) return [1, 2, 3].map((i) => parseInt(hex[i]!, 16)) as [number, number, number];
  return value
    .match(/[\d.]+/g)!
    .slice(0, 3)
    .map(Number) as [number, number, number];
}

/** Relative luminance, WCAG 2.1. */
function luminance(value: string): number {
  const [r, g, b] = channels(value).map((c) => {
    const v = c / 255;
    return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

function contrast(theme: ThemeId, words: Token, ground: Token): number {
  const [a, b] = [words, ground].map((t) => luminance(tokenOf(theme, t)) + 0.05).sort((x, y) => y - x);
  return a! / b!;
}

const PAIRS: readonly (readonly [Token, Token])[] = [
  ...(['text', 'quiet'] as const).flatMap((words) =>
    (['page', 'panel', 'raised', 'chip', 'held'] as const).map((ground) => [words, ground] as const),
  ),
  ...(['accent', 'warn', 'clip', 'good'] as const).flatMap((words) =>
    (['page', 'panel', 'chip'] as const).map((ground) => [words, ground] as const),
  ),
  ['accent', 'chosen'],
  ['onPrimary', 'primary'],
];

describe.each(THEME_IDS)('%s', (theme) => {
  it.each(PAIRS)('%s on %s has a contrast of 4.5 or more', (words, ground) => {
    expect(contrast(theme, words, ground)).toBeGreaterThanOrEqual(4.5);
  });
});

it('surrounds are neutral where colour is judged, and nothing but red shines in the dark', () => {
  for (const theme of ['studio', 'sun'] as const)
    for (const ground of ['page', 'panel'] as const) {
      const [r, g, b] = channels(tokenOf(theme, ground));
      expect(Math.max(r, g, b) - Math.min(r, g, b)).toBeLessThanOrEqual(5);
    }
  for (const token of [
    'page',
    'panel',
    'raised',
    'line',
    'text',
    'quiet',
    'accent',
    'warn',
    'clip',
    'floor',
    'red',
    'green',
    'blue',
    'mark',
  ] as const)
    expect(channels(tokenOf('dark', token)).slice(1)).toEqual([0, 0]);
  expect(contrast('sun', 'text', 'page')).toBe(21);
});
