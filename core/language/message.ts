/**
 * Text that a person reads comes from message keys, in ICU message format, so that plurals and numbers
 * follow the locale. Each language is a set of files.
 */
import { IntlMessageFormat } from 'intl-messageformat';
import { written } from './written.ts';
import { MS_PER_DAY, type Day } from '../calendar/day.ts';
import type { CoreText } from './text.ts';
import type { KeyOf, Values, ValuesOf } from './values.ts';

export type Messages = Readonly<Record<string, string>>;

/** Says the texts of one voice, by key, with exactly the values that each wants. */
export interface Translator<Text = CoreText> extends Voice {
  <const Key extends string>(key: Key & KeyOf<Text, Key>, ...values: ValuesOf<Text, Key>): string;
}

/** What every translator of a language can say. */
export interface Voice {
  /**
   * The text of a key that is only known when it runs.
   * @throws RangeError where the key has no text, which is a defect
   */
  text(key: string, values?: Values): string;
  /** Whether the key has text. */
  has(key: string): boolean;
  /** An amount of money, without decimals where it has none: `€40`, `€12.50`. @param currency ISO 4217 */
  money(amount: number, currency: string): string;
  /** A figure with at most so many decimals: `1,234.5`. */
  figure(value: number, digits?: number): string;
  /** A day as people write it: `24 November 2026`. */
  day(day: Day): string;
  /** A day, short: `24 Nov`. */
  shortDay(day: Day): string;
  /** An instant in a zone: `24 Nov, 18:42`. */
  time(instant: number, zone: string): string;
  /** A time of the day, in minutes past midnight: `18:42`. */
  clockTime(minute: number): string;
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

/** A translator of these texts into one language. Compiled messages are kept. */
export function translator<Of extends Voice = Translator>(locale: string, messages: Messages): Of {
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

  const plain = new Intl.NumberFormat(locale);
  const formatters = {
    getNumberFormat: (locales?: string | string[], options?: Intl.NumberFormatOptions) =>
      options?.unit === DURATION.unit
        ? ({ format: (minutes: number) => durationWords(minutes, plain) } as Intl.NumberFormat)
        : new Intl.NumberFormat(locales, options),
    getDateTimeFormat: (locales?: string | string[], options?: Intl.DateTimeFormatOptions) =>
      new Intl.DateTimeFormat(locales, options),
    getPluralRules: (locales?: string | string[], options?: Intl.PluralRulesOptions) =>
      new Intl.PluralRules(locales, options),
  };

  const text = (key: string, values?: Values): string => {
    let message = compiled.get(key);
    if (!message) {
      const own = written(key);
      if (own !== undefined) return own;
      const text = messages[key];
      if (text === undefined) throw new RangeError(`no text for ${key}`);
      message = new IntlMessageFormat(text, locale, { number: { duration: DURATION } }, { formatters });
      compiled.set(key, message);
    }
    // A month cut short has its point already where a sentence ends with it: `22. Dez.`
    return String(message.format(values as Record<string, string | number>)).replaceAll(/\.\.(?!\.)/g, '.');
  };
  const time = (instant: number, zone: string) => {
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
  const clock = new Intl.DateTimeFormat(locale, {
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    timeZone: 'UTC',
  });
  const money = (amount: number, currency: string) =>
    new Intl.NumberFormat(locale, { style: 'currency', currency, trailingZeroDisplay: 'stripIfInteger' }).format(
      amount,
    );
  const voice: Voice = {
    text,
    money,
    figure: (value, digits = 1) => value.toLocaleString(locale, { maximumFractionDigits: digits }),
    has: (key) => Object.hasOwn(messages, key) || written(key) !== undefined,
    day: (day) => long.format(day * MS_PER_DAY),
    shortDay: (day) => short.format(day * MS_PER_DAY),
    clockTime: (minute) => clock.format(minute * 60_000),
    weekday: (day) => weekday.format(day * MS_PER_DAY),
    month: (day) => month.format(day * MS_PER_DAY),
    dayOfYear: (day) => dayOfYear.format(day * MS_PER_DAY),
    list: (items) => list.format(items),
    anyOf: (items) => either.format(items),
    time,
  };
  return Object.assign((key: string, values?: Values) => text(key, values), voice) as Voice as Of;
}

/** The style of `{minutes, number, duration}`: the platform's own says `150 min`. */
const DURATION = { style: 'unit', unit: 'minute' } as const;

/**
 * Minutes as people say them.
 * @param minutes rounded to whole ones
 * @example durationWords(150, new Intl.NumberFormat('en-GB')) === '2 h 30'
 */
export function durationWords(minutes: number, plain: Intl.NumberFormat): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${plain.format(whole)} min`;
  const rest = whole % 60;
  return `${plain.format(Math.floor(whole / 60))} h${rest === 0 ? '' : ` ${String(rest).padStart(2, '0')}`}`;
}
