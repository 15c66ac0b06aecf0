/** The languages that Dewline is spoken in, by the tag that requests and pages name them by. */
export const LANGUAGES = ['en', 'de'] as const;
export type Language = (typeof LANGUAGES)[number];

/** Whose days, numbers and lists a language is written with. */
export const LOCALES: Readonly<Record<Language, string>> = { en: 'en-GB', de: 'de-DE' };

/** Each in its own words, as whoever looks for it reads. */
export const LANGUAGE_NAMES: Readonly<Record<Language, string>> = { en: 'English', de: 'Deutsch' };

/**
 * The first of somebody's languages that we speak; English where there is none.
 * @param wanted tags such as `de-AT`, the most wanted first
 * @example languageAmong(['fr', 'de-CH']) === 'de'
 */
export function languageAmong(wanted: readonly string[]): Language {
  for (const tag of wanted) {
    const found = LANGUAGES.find((it) => it === tag.toLowerCase().split('-')[0]);
    if (found) return found;
  }
  return 'en';
}
