/** Everything that the server says, in each language: its own texts, the core's and the contract's. */
import { fieldsText } from '../../contract/form/en.ts';
import fieldsTextDe from '../../contract/form/de.json' with { type: 'json' };
import { coreTextDe } from '../../core/de.ts';
import { coreText } from '../../core/en.ts';
import { LOCALES, type Language } from '../../core/language/languages.ts';
import { translator, type Messages } from '../../core/language/message.ts';
import type { Translator } from './translator.ts';
import { serverText } from './en.ts';
import serverTextDe from './de.json' with { type: 'json' };

export const serverVoice = { ...coreText, ...fieldsText, ...serverText };
export const serverVoiceDe = { ...coreTextDe, ...fieldsTextDe, ...serverTextDe };

const VOICES: Readonly<Record<Language, Messages>> = { en: serverVoice, de: serverVoiceDe };
const translators = new Map<Language, Translator>();

/** The server's voice in a language; its compiled texts are kept. */
export function serverTranslator(language: Language): Translator {
  const known = translators.get(language) ?? translator<Translator>(LOCALES[language], VOICES[language]);
  translators.set(language, known);
  return known;
}
