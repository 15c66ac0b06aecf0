/** The web's voice. Each entry says how its words come in each language, and speaks one of them before it mounts. */
import { computed, shallowRef } from 'vue';
import { LOCALES, type Language } from '../../core/language/languages.ts';
import { translator, type Messages, type Translator, type Voice } from '../../core/language/message.ts';
import type { WebText } from './text.ts';

type WebTranslator = Translator<WebText>;
/** The words of an entry, by language; those that are not spoken stay on the server. */
export type Voices = Readonly<Record<Language, () => Messages | Promise<Messages>>>;

let voices: Voices | undefined;
const current = shallowRef<{ language: Language; speak: WebTranslator }>({
  language: 'en',
  speak: translator(LOCALES.en, {}),
});

/** What is spoken. */
export const spoken = computed(() => current.value.language);

/** Says how the words come; nothing is spoken yet. */
export function learn(ways: Voices): void {
  voices = ways;
}

/** Speaks a language from now on, on what is shown already, too. */
export async function speak(language: Language): Promise<void> {
  if (!voices) throw new Error('no words were learnt');
  const messages = await voices[language]();
  current.value = { language, speak: translator(LOCALES[language], messages) };
  document.documentElement.lang = LOCALES[language];
}

const now = () => current.value.speak;
const voice: Voice = {
  text: (key, values) => now().text(key, values),
  has: (key) => now().has(key),
  money: (amount, currency) => now().money(amount, currency),
  figure: (value, digits) => now().figure(value, digits),
  day: (day) => now().day(day),
  shortDay: (day) => now().shortDay(day),
  time: (instant, zone) => now().time(instant, zone),
  clockTime: (minute) => now().clockTime(minute),
  weekday: (day) => now().weekday(day),
  month: (day) => now().month(day),
  dayOfYear: (day) => now().dayOfYear(day),
  list: (items) => now().list(items),
  anyOf: (items) => now().anyOf(items),
};

/** The text of a key of the web. */
export const say = Object.assign(voice.text, voice) as WebTranslator;
