// Tokens of the house. Surrounds are neutral grey: colour is judged against them.

export const colour = {
  page: '#17181A',
  panel: '#222427',
  raised: '#2B2D31',
  line: '#3A3E44',
  text: '#ECEEF0',
  quiet: '#A4AAB1',
  accent: '#B8A4FF',
  onAccent: '#17181A',
  warn: '#FF9A7D',
  clip: '#FF6FAE',
  floor: '#58C7E8',
  good: '#8FD6C0',
  chip: 'rgba(23,24,26,0.86)',
  red: '#E8705C',
  green: '#7CC98B',
  blue: '#6C9CF0',
} as const;

export const font = {
  medium: 'BarlowSemiCondensed_500Medium',
  semibold: 'BarlowSemiCondensed_600SemiBold',
} as const;

/** 8-px grid. */
export const space = { half: 4, one: 8, two: 16, three: 24 } as const;
export const radius = 10;
/** Smallest side of anything that is touched. */
export const touch = 44;
