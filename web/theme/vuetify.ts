/** Vuetify under our own theme: it gives inputs, buttons and dialogs; the identity is ours. */
import '@fontsource-variable/archivo';
// The classes of layout and type that the library offers besides are used nowhere, and would be a seventh of a phone's
// first screen.
import 'vuetify/styles/core';
import './tokens.css';
import { createVuetify } from 'vuetify';
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg';

const light = {
  dark: false,
  colors: {
    background: '#f4f3ee',
    surface: '#fbfaf6',
    primary: '#0b5f5b',
    secondary: '#4b5a5e',
    error: '#a8391f',
    'on-background': '#18262b',
    'on-surface': '#18262b',
  },
  variables: { 'high-emphasis-opacity': 1, 'medium-emphasis-opacity': 0.82, 'border-opacity': 0.4 },
};
const night = {
  dark: true,
  colors: {
    background: '#12191c',
    surface: '#1a2327',
    primary: '#4fb3aa',
    secondary: '#b3bfbf',
    error: '#f0937a',
    'on-primary': '#0c1a1b',
    'on-background': '#e6e9e4',
    'on-surface': '#e6e9e4',
  },
  variables: { 'high-emphasis-opacity': 1, 'medium-emphasis-opacity': 0.85, 'border-opacity': 0.4 },
};

const KEPT = 'dewline.theme';

export function chosenTheme(): 'light' | 'night' {
  const kept = localStorage.getItem(KEPT);
  if (kept === 'light' || kept === 'night') return kept;
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'night' : 'light';
}

export function keepTheme(theme: 'light' | 'night'): void {
  localStorage.setItem(KEPT, theme);
  document.documentElement.dataset.theme = theme;
}

export function createTheme() {
  const theme = chosenTheme();
  document.documentElement.dataset.theme = theme;
  return createVuetify({
    icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
    theme: { defaultTheme: theme, themes: { light, night } },
    defaults: {
      VTextField: { variant: 'outlined', density: 'comfortable', color: 'primary' },
      VTextarea: { variant: 'outlined', density: 'comfortable', color: 'primary', rows: 3, autoGrow: true },
      VSelect: { variant: 'outlined', density: 'comfortable', color: 'primary' },
      VAutocomplete: { variant: 'outlined', density: 'comfortable', color: 'primary' },
      VCheckbox: { color: 'primary', density: 'comfortable', hideDetails: 'auto' },
    },
  });
}
