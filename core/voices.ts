/** All texts of the core, by language. */
import { coreTextDe } from './de.ts';
import { coreText } from './en.ts';
import { LANGUAGES, LOCALES, type Language } from './language/languages.ts';
import { translator, type Messages, type Translator } from './language/message.ts';

const CORE_TEXTS: Readonly<Record<Language, Messages>> = { en: coreText, de: coreTextDe };

/** The core's voice in each language, the wanted one first: what people write is read in any of them. */
export const coreVoices = (wanted: Language): readonly [Translator, ...Translator[]] => [
  translator(LOCALES[wanted], CORE_TEXTS[wanted]),
  ...LANGUAGES.filter((it) => it !== wanted).map((it) => translator<Translator>(LOCALES[it], CORE_TEXTS[it])),
];
