/** The web's voice. Each entry adds its own text before it mounts. */
import { translator, type Messages, type Translator, type Voice } from '../../core/language/message.ts';
import type { WebText } from './text.ts';

type WebTranslator = Translator<WebText>;

let current: WebTranslator = translator('en-GB', {});

export function learn(messages: Messages): void {
  current = translator('en-GB', messages);
}

const voice: Voice = {
  text: (key, values) => current.text(key, values),
  has: (key) => current.has(key),
  day: (day) => current.day(day),
  shortDay: (day) => current.shortDay(day),
  time: (instant, zone) => current.time(instant, zone),
  weekday: (day) => current.weekday(day),
  month: (day) => current.month(day),
  dayOfYear: (day) => current.dayOfYear(day),
  list: (items) => current.list(items),
  anyOf: (items) => current.anyOf(items),
};

/** The text of a key of the web. */
export const say = Object.assign(voice.text, voice) as WebTranslator;
