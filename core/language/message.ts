/**
 * Text that a person reads comes from message keys, in ICU message format, so that plurals and numbers
 * follow the locale. English ships; another language is another set of files.
 */
import { IntlMessageFormat } from 'intl-messageformat';
import { MS_PER_DAY, type Day } from '../calendar/day.ts';

export type Messages = Readonly<Record<string, string>>;
export type Values = Readonly<Record<string, string | number | boolean | null | undefined>>;

export interface Translator {
  /** The text of a key. A key without text is a defect and throws. */
  (key: string, values?: Values): string;
  /** Whether the key has text. */
  has(key: string): boolean;
  /** A day as people write it: `24 November 2026`. */
  day(day: Day): string;
  /** A day, short: `24 Nov`. */
  shortDay(day: Day): string;
  /** An instant in a zone: `24 Nov, 18:42`. */
  time(instant: number, zone: string): string;
  /** The name of a day's weekday: `Saturday`. */
  weekday(day: Day): string;
  /** The name of a day's month: `March`. */
  month(day: Day): string;
  /** A day without its year: `1 March`. */
  dayOfYear(day: Day): string;
  /** Several things: `a, b and c`. */
  list(items: readonly string[]): string;
  /** One of several: `a, b or c`. */
  anyOf(items: readonly string[]): string;
}

/** A speaker of one language. Compiled messages are kept. */
export function translator(locale: string, messages: Messages): Translator {
  const compiled = new Map<string, IntlMessageFormat>();
  const format = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat(locale, options);
  const long = format({ day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' });
  const short = format({ day: 'numeric', month: 'short', timeZone: 'UTC' });
  const weekday = format({ weekday: 'long', timeZone: 'UTC' });
  const month = format({ month: 'long', timeZone: 'UTC' });
  const dayOfYear = format({ day: 'numeric', month: 'long', timeZone: 'UTC' });
  const list = new Intl.ListFormat(locale, { type: 'conjunction' });
  const either = new Intl.ListFormat(locale, { type: 'disjunction' });
  const clocks = new Map<string, Intl.DateTimeFormat>();

  const say = ((key, values) => {
    let message = compiled.get(key);
    if (!message) {
      const text = messages[key];
      if (text === undefined) throw new RangeError(`no text for ${key}`);
      message = new IntlMessageFormat(text, locale);
      compiled.set(key, message);
    }
    return String(message.format(values as Record<string, string | number>));
  }) as Translator;
  say.has = (key) => Object.hasOwn(messages, key);
  say.day = (day) => long.format(day * MS_PER_DAY);
  say.shortDay = (day) => short.format(day * MS_PER_DAY);
  say.weekday = (day) => weekday.format(day * MS_PER_DAY);
  say.month = (day) => month.format(day * MS_PER_DAY);
  say.dayOfYear = (day) => dayOfYear.format(day * MS_PER_DAY);
  say.list = (items) => list.format(items);
  say.anyOf = (items) => either.format(items);
  say.time = (instant, zone) => {
    let clock = clocks.get(zone);
    if (!clock) {
      clock = format({
        day: 'numeric',
        month: 'short',
        hour: '2-digit',
        minute: '2-digit',
        hourCycle: 'h23',
        timeZone: zone,
      });
      clocks.set(zone, clock);
    }
    return clock.format(instant);
  };
  return say;
}
