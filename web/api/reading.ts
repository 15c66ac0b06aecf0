/** What is read on this device before anybody is known, and what whoever was here last reads. */
import { languageAmong, LANGUAGES, type Language } from '../../core/language/languages.ts';
import type { UnitSystem } from '../../core/quantities/units.ts';

const KEPT = 'dewline.language';
/** Where people measure in US units. */
const US_LOCALE = /^en-(US|LR)$/;

/** As somebody chose here, or whoever was here last reads, else as the browser is set up. */
export function expectedLanguage(): Language {
  const kept = localStorage.getItem(KEPT);
  return LANGUAGES.find((it) => it === kept) ?? languageAmong(navigator.languages);
}

export const keepLanguage = (language: Language): void => localStorage.setItem(KEPT, language);

/** Those of where this device is set up. */
export const expectedUnits = (): UnitSystem => (US_LOCALE.test(navigator.language) ? 'us' : 'metric');
