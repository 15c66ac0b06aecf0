/** The web's voice. Each entry adds its own text before it mounts. */
import { translator, type Messages, type Translator, type Values } from '../../core/language/message.ts';

let current: Translator = translator('en-GB', {});

export function learn(messages: Messages): void {
  current = translator('en-GB', messages);
}

/** Every text of the web by its key: each file of text adds its own, so that a key without text does not compile. */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type
export interface WebText {}
export type WebKey = keyof WebText;

/** The text of a key that comes from elsewhere or is put together; where it has none it throws. */
export const translate: Translator = Object.assign(((key, values) => current(key, values)) as Translator, {
  has: (key: string) => current.has(key),
  day: (day: number) => current.day(day),
  shortDay: (day: number) => current.shortDay(day),
  time: (instant: number, zone: string) => current.time(instant, zone),
  weekday: (day: number) => current.weekday(day),
  month: (day: number) => current.month(day),
  dayOfYear: (day: number) => current.dayOfYear(day),
  list: (items: readonly string[]) => current.list(items),
});

/** The text of a key of the web. */
export const say: { (key: WebKey, values?: Values): string } & { [K in keyof Translator]: Translator[K] } = translate;
