/** The web's voice. Each entry adds its own text before it mounts. */
import { translator, type Messages, type Translator } from '../../core/language/message.ts';

let current: Translator = translator('en-GB', {});

export function learn(messages: Messages): void {
  current = translator('en-GB', messages);
}

export const say: Translator = Object.assign(((key, values) => current(key, values)) as Translator, {
  has: (key: string) => current.has(key),
  day: (day: number) => current.day(day),
  shortDay: (day: number) => current.shortDay(day),
  time: (instant: number, zone: string) => current.time(instant, zone),
  weekday: (day: number) => current.weekday(day),
  month: (day: number) => current.month(day),
  dayOfYear: (day: number) => current.dayOfYear(day),
  list: (items: readonly string[]) => current.list(items),
});
