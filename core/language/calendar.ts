/** A recurrence rule in words, in the speaker's language. */
import type { Translator } from './message.ts';
import { civilOf, dayOfCivil } from '../calendar/civil.ts';
import type { Day } from '../calendar/day.ts';
import type { Rule, Weekday } from '../calendar/rule.ts';

/** 1 January 2024 was a Monday in January. */
export const MONDAY = dayOfCivil(2024, 1, 1);

/** The plainest rule that comes round within so many days: monthly ones where a month fits, weekly ones else. */
export function ruleWithin(days: number): string {
  const months = Math.floor(days / 31);
  return months >= 1
    ? `FREQ=MONTHLY;INTERVAL=${months};BYMONTHDAY=1`
    : `FREQ=WEEKLY;INTERVAL=${Math.max(1, Math.floor(days / 7))}`;
}

/** Such as "on the first Saturday of every second month". `start` gives the day where the rule names none. */
export function ruleWords(say: Translator, rule: Rule, start: Day): string {
  const { frequency, interval: every, months, weekdays, monthDays, count, until, setPositions } = rule;
  const first = civilOf(start);
  const dates =
    monthDays.length > 0
      ? list(
          say,
          monthDays.map((date) => dateWords(say, date)),
        )
      : '';
  const named =
    weekdays.length > 0
      ? list(
          say,
          weekdays.map((weekday) => weekdayWords(say, weekday)),
        )
      : '';
  const days =
    dates && named
      ? say('rule.when', {
          days: dates,
          weekdays: list(
            say,
            weekdays.map(({ weekday }) => say.weekday(MONDAY + weekday)),
          ),
        })
      : dates || named;
  const inMonths = list(
    say,
    months.map((month) => say.month(dayOfCivil(2024, month, 1))),
  );
  let words: string;
  if (frequency === 'DAILY') words = say('rule.daily', { every });
  else if (frequency === 'WEEKLY')
    words = say('rule.weekly', {
      every,
      days:
        weekdays.length > 0
          ? list(
              say,
              weekdays.map(({ weekday }) => say.weekday(MONDAY + weekday)),
            )
          : say.weekday(start),
    });
  else if (frequency === 'MONTHLY') words = say('rule.monthly', { every, days: days || dateWords(say, first.date) });
  else if (months.length > 0)
    return finish(
      say,
      say('rule.yearly.months', { every, months: inMonths, days: days || dateWords(say, first.date) }),
      { setPositions, count, until },
    );
  else words = say('rule.yearly', { every, days: days || say.dayOfYear(start) });
  return finish(say, words + (months.length > 0 ? say('rule.inMonths', { months: inMonths }) : ''), {
    setPositions,
    count,
    until,
  });
}

function finish(
  say: Translator,
  words: string,
  {
    setPositions,
    count,
    until,
  }: { setPositions: readonly number[]; count: number | undefined; until: Day | undefined },
): string {
  const positioned =
    setPositions.length > 0
      ? say('rule.positions', {
          positions: list(
            say,
            setPositions.map((position) => dateWords(say, position)),
          ),
          rule: words,
        })
      : words;
  return (
    positioned +
    (count === undefined ? '' : say('rule.count', { count })) +
    (until === undefined ? '' : say('rule.until', { day: say.day(until) }))
  );
}

function weekdayWords(say: Translator, { nth, weekday }: Weekday): string {
  const day = say.weekday(MONDAY + weekday);
  if (nth === 0) return say('rule.each', { day });
  if (nth === 1) return say('rule.first', { day });
  if (nth === -1) return say('rule.last', { day });
  return nth === -2 ? say('rule.lastButOne', { day }) : say('rule.nth', { nth, day });
}

function dateWords(say: Translator, date: number): string {
  if (date > 0) return say('rule.date', { date });
  return date === -1 ? say('rule.lastDay') : say('rule.dayBeforeEnd', { days: -date });
}

const list = (say: Translator, items: readonly string[]): string => say.list(items);
