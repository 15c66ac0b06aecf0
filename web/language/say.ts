/** The web's voice. Each entry adds its own text before it mounts. */
import { speaker, type Messages, type Speaker } from '../../core/language/message.ts';

let current: Speaker = speaker('en-GB', {});

export function learn(messages: Messages): void {
  current = speaker('en-GB', messages);
}

export const say: Speaker = Object.assign(((key, values) => current(key, values)) as Speaker, {
  has: (key: string) => current.has(key),
  day: (day: number) => current.day(day),
  shortDay: (day: number) => current.shortDay(day),
  time: (instant: number, zone: string) => current.time(instant, zone),
  weekday: (day: number) => current.weekday(day),
  month: (day: number) => current.month(day),
  dayOfYear: (day: number) => current.dayOfYear(day),
  list: (items: readonly string[]) => current.list(items),
});
