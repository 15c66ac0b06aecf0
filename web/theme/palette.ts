/**
 * The look of Dewline: quiet paper, ink, one cool accent (dew), one warm alarm kept for past the line and unsafe. The
 * one place where a colour is named: the tokens of the styles (`--ink`) and the library's theme are both drawn from it.
 */
export type Theme = 'light' | 'night';

const light = {
  ground: '#f4f3ee',
  panel: '#fbfaf6',
  sunk: '#ebe9e1',
  ink: '#18262b',
  'ink-2': '#4b5a5e',
  'ink-3': '#5f6f72',
  hair: '#dcd9cf',
  edge: '#84908f',
  dew: '#0b6b66',
  'dew-deep': '#0b5f5b',
  'on-dew': '#ffffff',
  alarm: '#a8391f',
  'alarm-ground': '#f3dfd3',
  pick: '#e0e9e6',
  fresh: '#7d8c8d',
  'past-ground': '#f6e7dd',
  // What shows a picture or is printed keeps its paper in both themes.
  paper: '#eef1ec',
  'on-paper': '#18262b',
};
type Token = keyof typeof light;

export type Palette = Readonly<Record<Token, string>>;

export const PALETTES: Readonly<Record<Theme, Palette>> = {
  light,
  night: {
    ground: '#12191c',
    panel: '#1a2327',
    sunk: '#0d1315',
    ink: '#e6e9e4',
    'ink-2': '#b3bfbf',
    'ink-3': '#98a6a7',
    hair: '#2d383c',
    edge: '#7b8a8c',
    dew: '#5cc4bb',
    'dew-deep': '#4fb3aa',
    'on-dew': '#0c1a1b',
    alarm: '#f0937a',
    'alarm-ground': '#45261d',
    pick: '#22343a',
    fresh: '#74858a',
    'past-ground': '#2b201c',
    paper: light.paper,
    'on-paper': light['on-paper'],
  },
};

/** Puts a theme's tokens on the page. */
export function wearPalette(theme: Theme): void {
  const { style, dataset } = document.documentElement;
  dataset.theme = theme;
  style.colorScheme = theme === 'night' ? 'dark' : 'light';
  for (const [token, colour] of Object.entries(PALETTES[theme])) style.setProperty(`--${token}`, colour);
}

/** A theme as the library takes it. */
export function libraryTheme(theme: Theme) {
  const it = PALETTES[theme];
  return {
    dark: theme === 'night',
    colors: {
      background: it.ground,
      surface: it.panel,
      primary: it['dew-deep'],
      secondary: it['ink-2'],
      error: it.alarm,
      'on-primary': it['on-dew'],
      'on-background': it.ink,
      'on-surface': it.ink,
    },
    variables: {
      'high-emphasis-opacity': 1,
      'medium-emphasis-opacity': theme === 'night' ? 0.85 : 0.82,
      'border-opacity': 0.4,
    },
  };
}
