// Tokens of the house in three themes. Styles name a token; the theme that is on says what it stands for (a custom property of
// the page), so that a change of theme repaints and renders nothing anew. Surrounds are neutral: colour is judged against them.

export const THEME_IDS = ['studio', 'sun', 'dark'] as const;
export type ThemeId = (typeof THEME_IDS)[number];

const STUDIO = {
  page: '#17181A',
  panel: '#222427',
  raised: '#2B2D31',
  line: '#3A3E44',
  text: '#ECEEF0',
  quiet: '#A4AAB1',
  accent: '#B8A4FF',
  /** Ground and words of the first action; the release. */
  primary: '#B8A4FF',
  onPrimary: '#17181A',
  release: '#ECEEF0',
  /** Ground of what is chosen, and of a fader that is set by hand. */
  chosen: '#3A3550',
  held: '#2A2731',
  /** Line around what is chosen, where its ground alone does not tell. */
  ring: 'transparent',
  warn: '#FF9A7D',
  clip: '#FF6FAE',
  floor: '#58C7E8',
  good: '#8FD6C0',
  chip: 'rgba(23,24,26,0.86)',
  veil: 'rgba(0,0,0,0.45)',
  ground: '#101112',
  /** What is drawn on the picture, and its edge against anything. */
  mark: '#FFFFFF',
  halo: '#000000',
  red: '#E8705C',
  green: '#7CC98B',
  blue: '#6C9CF0',
} as const;

export type Token = keyof typeof STUDIO;
type Palette = Readonly<Record<Token, string>>;

/** Light, as much contrast as there is, for the open air. */
const SUN: Palette = {
  page: '#FFFFFF',
  panel: '#F1F1F1',
  raised: '#E2E2E2',
  line: '#6E6E6E',
  text: '#000000',
  quiet: '#303030',
  accent: '#4A1FC4',
  primary: '#4A1FC4',
  onPrimary: '#FFFFFF',
  release: '#000000',
  chosen: '#DDD3FF',
  held: '#EAE4FF',
  ring: '#4A1FC4',
  warn: '#A32A00',
  clip: '#B8005C',
  floor: '#00617F',
  good: '#00634A',
  chip: 'rgba(255,255,255,0.94)',
  veil: 'rgba(0,0,0,0.35)',
  ground: '#D8D8D8',
  mark: '#FFFFFF',
  halo: '#000000',
  red: '#C81E00',
  green: '#00802B',
  blue: '#0050D0',
};

/** Deep red on black and nothing else, for eyes that must stay used to the night. */
const DARK: Palette = {
  page: '#000000',
  panel: '#0A0000',
  raised: '#160000',
  line: '#5A0000',
  text: '#FF0000',
  quiet: '#F60000',
  accent: '#FF0000',
  // Large grounds stay dark: they would light the room.
  primary: '#300000',
  onPrimary: '#FF0000',
  release: '#4A0000',
  chosen: '#2A0000',
  held: '#180000',
  ring: '#C00000',
  warn: '#FF0000',
  clip: '#FF0000',
  floor: '#C00000',
  good: '#F80000',
  chip: 'rgba(8,0,0,0.92)',
  veil: 'rgba(0,0,0,0.6)',
  ground: '#000000',
  mark: '#FF0000',
  halo: '#000000',
  red: '#FF0000',
  green: '#A80000',
  blue: '#6C0000',
};

const PALETTES: Readonly<Record<ThemeId, Palette>> = { studio: STUDIO, sun: SUN, dark: DARK };

/** How strongly lines are drawn, and what is done to pictures. */
const MANNERS: Readonly<Record<ThemeId, { stroke: number; picture: string }>> = {
  studio: { stroke: 1, picture: 'none' },
  sun: { stroke: 1.6, picture: 'none' },
  dark: { stroke: 1.2, picture: 'url(#velmo-night)' },
};

/** A token, for styles and drawings. */
export const colour = Object.fromEntries(
  Object.keys(STUDIO).map((token) => [token, `var(--${token})`]),
) as Readonly<Record<Token, string>>;

/** What a token stands for in a theme. */
export function tokenOf(theme: ThemeId, token: Token): string {
  return PALETTES[theme][token];
}

/** Factor of line widths in drawings. */
export function strokeOf(theme: ThemeId): number {
  return MANNERS[theme].stroke;
}

/** Where the person forces colours, tokens stand for the system's own; what its ground alone would tell is told by a line. */
const FORCED = `@media (forced-colors: active) {
  :root {
    ${['page', 'panel', 'raised', 'chip', 'held', 'ground', 'halo', 'chosen'].map((t) => `--${t}: Canvas !important;`).join(' ')}
    ${['text', 'quiet', 'line', 'mark', 'release', 'floor', 'good', 'warn', 'clip'].map((t) => `--${t}: CanvasText !important;`).join(' ')}
    ${['accent', 'primary', 'ring'].map((t) => `--${t}: Highlight !important;`).join(' ')}
    --onPrimary: HighlightText !important;
    forced-color-adjust: none;
  }
  [role=button], [role=switch], [role=radio], [role=slider], [role=dialog] { border: 1px solid ButtonBorder !important; }
  [aria-checked=true], [aria-pressed=true] { outline: 3px solid Highlight; outline-offset: -3px; }
}`;

/** True while the person forces colours on all pages: drawings then follow the system's ground. */
export function drawnTheme(theme: ThemeId): ThemeId {
  if (!matchMedia('(forced-colors: active)').matches) return theme;
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'studio' : 'sun';
}

/** Luminance into red alone, and dimmed: what a picture is seen through in the dark. */
const NIGHT_FILTER = `<svg width="0" height="0" style="position:absolute" aria-hidden="true"><filter id="velmo-night" color-interpolation-filters="sRGB"><feColorMatrix values="0.11 0.36 0.04 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 1 0"/></filter></svg>`;

/** Puts a theme on the page. */
export function applyTheme(theme: ThemeId): void {
  if (typeof document === 'undefined') return;
  const root = document.documentElement;
  for (const [token, value] of Object.entries(PALETTES[theme])) root.style.setProperty(`--${token}`, value);
  root.style.setProperty('--picture', MANNERS[theme].picture);
  root.style.colorScheme = theme === 'sun' ? 'light' : 'dark';
  root.style.backgroundColor = PALETTES[theme].page;
  root.dataset.theme = theme;
  document.querySelector('meta[name="theme-color"]')?.setAttribute('content', PALETTES[theme].page);
  if (document.getElementById('velmo-themes')) return;
  const style = document.createElement('style');
  style.id = 'velmo-themes';
  // Images are drawn as backgrounds of what stands for them; scopes are drawn in the theme's own colours.
  style.textContent =
    'canvas:not([data-scope]), img, [style*="background-image"] { filter: var(--picture, none); }' +
    // Not all browsers draw bars as dark as their page is said to be.
    ':root { scrollbar-color: var(--quiet) var(--page); }';
  style.textContent += FORCED;
  document.head.appendChild(style);
  document.body.insertAdjacentHTML('beforeend', NIGHT_FILTER);
}

export const font = {
  medium: 'BarlowSemiCondensed_500Medium',
  semibold: 'BarlowSemiCondensed_600SemiBold',
} as const;

/** Where its file is served (public/fonts); the page itself names it in its styles. */
export const fontUrl = (family: string) => `/fonts/${family}.ttf`;

/** A size of text that grows with what the person set for all pages: pixels at the usual setting. */
export function rem(pixels: number): number {
  return `${pixels / 16}rem` as unknown as number;
}

/** 8-px grid. */
export const space = { half: 4, one: 8, two: 16, three: 24 } as const;
export const radius = 10;
/** Smallest side of anything that is touched. */
export const touch = 44;
