/** Vuetify under our own theme: it gives inputs, buttons and dialogs; the identity is ours. */
import '@fontsource-variable/archivo';
// The classes of layout and type that the library offers besides are used nowhere, and would be a seventh of a phone's
// first screen.
import 'vuetify/styles/core';
import './base.css';
import { createVuetify } from 'vuetify';
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg';
import { de, en } from 'vuetify/locale';
import { libraryTheme, wearPalette, type Theme } from './palette.ts';

const KEPT = 'dewline.theme';

export function chosenTheme(): Theme {
  const kept = localStorage.getItem(KEPT);
  if (kept === 'light' || kept === 'night') return kept;
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'night' : 'light';
}

export function keepTheme(theme: Theme): void {
  localStorage.setItem(KEPT, theme);
  wearPalette(theme);
}

/** @param language of the library's own few words, such as on a field that clears */
export function createTheme(language: string) {
  const theme = chosenTheme();
  wearPalette(theme);
  return createVuetify({
    locale: { locale: language, fallback: 'en', messages: { de, en } },
    icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
    theme: { defaultTheme: theme, themes: { light: libraryTheme('light'), night: libraryTheme('night') } },
    defaults: {
      VTextField: { variant: 'outlined', density: 'comfortable', color: 'primary' },
      VTextarea: { variant: 'outlined', density: 'comfortable', color: 'primary', rows: 3, autoGrow: true },
      VSelect: { variant: 'outlined', density: 'comfortable', color: 'primary' },
      VAutocomplete: { variant: 'outlined', density: 'comfortable', color: 'primary' },
      VCheckbox: { color: 'primary', density: 'comfortable', hideDetails: 'auto' },
    },
  });
}
