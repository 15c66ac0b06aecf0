/**
 * The days of a recurrence rule, by integer arithmetic. Checked against the worked examples of RFC 5545
 * §3.8.5.3 and against the package `rrule`.
 *
 * A period (day, week, month, year) gives its candidate days in order; the rule's positions pick among
 * them; days before the start are dropped. The start itself is one only where the rule says so.
 */
import { civilOf, daysInMonth, dayOfCivil, weekdayOf } from './civil.ts';
import type { Day } from './day.ts';
import type { Rule, Weekday } from './rule.ts';

/** One full cycle of the calendar: no rule is followed further, so that one without any day ends. */
const LONGEST_DAYS = 146_097;

/** The days of a rule from its start on, ascending, without end unless the rule has one. */
export function* occurrences(rule: Rule, start: Day): Generator<Day> {
  const { count = Infinity, until = Infinity } = rule;
  let given = 0;
  const periods = periodsOf(rule, start, 0, start + LONGEST_DAYS);
  for (let candidates = periods(); candidates; candidates = periods()) {
    for (const day of candidates) {
      if (day < start) continue;
      if (day > until || given >= count) return;
      given += 1;
      yield day;
    }
  }
}

/** The days of a rule between two days, both counted, ascending. */
export function expand(rule: Rule, start: Day, from: Day, to: Day): Day[] {
  const days: Day[] = [];
  const last = Math.min(to, rule.until ?? Infinity);
  // Without a count nothing is lost by beginning near `from`.
  const periods = periodsOf(rule, start, rule.count === undefined ? from : 0, last);
  const count = rule.count ?? Infinity;
  let given = 0;
  for (let candidates = periods(); candidates; candidates = periods()) {
    for (const day of candidates) {
      if (day < start) continue;
      if (day > last || given >= count) return days;
      given += 1;
      if (day >= from) days.push(day);
    }
  }
  return days;
}

/** Whether a rule has a day at all from its start on: the 30th of February has none. */
export const occursEver = (rule: Rule, start: Day): boolean => nextOccurrence(rule, start, start) !== undefined;

/** The first day of a rule on or after a day; undefined where there is none within a cycle of the calendar. */
export function nextOccurrence(rule: Rule, start: Day, from: Day): Day | undefined {
  let begun = from;
  for (let reach = 400; begun <= from + LONGEST_DAYS; reach *= 8) {
    const day = expand(rule, start, begun, begun + reach)[0];
    if (day !== undefined) return day;
    begun += reach + 1;
  }
  return undefined;
}

const NONE: readonly Day[] = [];

/** A reader of one period's candidate days after another; undefined once a period begins after `end`. */
function periodsOf(rule: Rule, start: Day, near: Day, end: Day): () => readonly Day[] | undefined {
  const { frequency, interval } = rule;
  const first = civilOf(start);
  const skip = (length: number) => Math.max(0, Math.floor((near - start) / (length * interval)) - 1);
  switch (frequency) {
    case 'DAILY': {
      let day = start + skip(1) * interval;
      return () => {
        const here = day;
        day += interval;
        if (here > end) return undefined;
        return dayFits(rule, here) ? pick(rule, [here]) : NONE;
      };
    }
    case 'WEEKLY': {
      const { months } = rule;
      const wanted =
        rule.weekdays.length > 0
          ? rule.weekdays.map(({ weekday }) => (weekday - rule.weekStart + 7) % 7).sort((a, b) => a - b)
          : [(weekdayOf(start) - rule.weekStart + 7) % 7];
      let week = start - ((weekdayOf(start) - rule.weekStart + 7) % 7) + skip(7) * 7 * interval;
      return () => {
        const here = week;
        week += 7 * interval;
        if (here > end) return undefined;
        const days = wanted.map((offset) => here + offset);
        return pick(rule, months.length > 0 ? days.filter((day) => months.includes(civilOf(day).month)) : days);
      };
    }
    case 'MONTHLY': {
      let month = first.month + skip(31) * interval;
      return () => {
        const year = first.year + Math.floor((month - 1) / 12);
        const here = ((month - 1) % 12) + 1;
        month += interval;
        const opens = dayOfCivil(year, here, 1);
        if (opens > end) return undefined;
        return rule.months.length > 0 && !rule.months.includes(here)
          ? NONE
          : pick(rule, daysOfMonth(rule, year, here, opens, first.date));
      };
    }
    case 'YEARLY': {
      let year = first.year + skip(366) * interval;
      return () => {
        const here = year;
        year += interval;
        return dayOfCivil(here, 1, 1) > end ? undefined : pick(rule, daysOfYear(rule, here, first));
      };
    }
  }
}

function dayFits({ months, monthDays, weekdays }: Rule, day: Day): boolean {
  if (weekdays.length > 0 && !weekdays.some(({ weekday }) => weekday === weekdayOf(day))) return false;
  if (months.length === 0 && monthDays.length === 0) return true;
  const { year, month, date } = civilOf(day);
  if (months.length > 0 && !months.includes(month)) return false;
  return monthDays.length === 0 || monthDays.includes(date) || monthDays.includes(date - daysInMonth(year, month) - 1);
}

function daysOfMonth({ monthDays, weekdays }: Rule, year: number, month: number, opens: Day, startDate: number): Day[] {
  const length = daysInMonth(year, month);
  if (monthDays.length === 1 && weekdays.length === 0) {
    const date = monthDays[0]! > 0 ? monthDays[0]! : length + 1 + monthDays[0]!;
    return date >= 1 && date <= length ? [opens + date - 1] : [];
  }
  if (monthDays.length > 0) {
    const days = [
      ...new Set(
        monthDays.map((date) => (date > 0 ? date : length + 1 + date)).filter((date) => date >= 1 && date <= length),
      ),
    ]
      .sort((a, b) => a - b)
      .map((date) => opens + date - 1);
    return weekdays.length > 0
      ? days.filter((day) => weekdays.some((wanted) => isNth(wanted, day, opens, length)))
      : days;
  }
  if (weekdays.length > 0) return nthWeekdays(weekdays, opens, length);
  return startDate <= length ? [opens + startDate - 1] : [];
}

function daysOfYear(rule: Rule, year: number, first: { readonly month: number; readonly date: number }): Day[] {
  const { months, monthDays, weekdays } = rule;
  if (months.length > 0 || monthDays.length > 0) {
    const days: Day[] = [];
    for (let month = 1; month <= 12; month += 1) {
      if (months.length === 0 || months.includes(month))
        for (const day of daysOfMonth(rule, year, month, dayOfCivil(year, month, 1), first.date)) days.push(day);
    }
    return days;
  }
  const opens = dayOfCivil(year, 1, 1);
  if (weekdays.length > 0) return nthWeekdays(weekdays, opens, dayOfCivil(year + 1, 1, 1) - opens);
  return first.date <= daysInMonth(year, first.month) ? [dayOfCivil(year, first.month, first.date)] : [];
}

/** The wanted weekdays of a month or year that begins with `opens`, ascending. */
function nthWeekdays(weekdays: readonly Weekday[], opens: Day, length: number): Day[] {
  const days: Day[] = [];
  const opensOn = weekdayOf(opens);
  for (const { weekday, nth } of weekdays) {
    const first = opens + ((weekday - opensOn + 7) % 7);
    const many = Math.floor((opens + length - 1 - first) / 7) + 1;
    if (nth === 0) for (let i = 0; i < many; i += 1) days.push(first + 7 * i);
    else {
      const index = nth > 0 ? nth - 1 : many + nth;
      if (index >= 0 && index < many) days.push(first + 7 * index);
    }
  }
  return weekdays.length === 1 ? days : [...new Set(days)].sort((a, b) => a - b);
}

function isNth({ weekday, nth }: Weekday, day: Day, opens: Day, length: number): boolean {
  if (weekdayOf(day) !== weekday) return false;
  if (nth === 0) return true;
  return nth > 0 ? Math.floor((day - opens) / 7) === nth - 1 : Math.floor((opens + length - 1 - day) / 7) === -nth - 1;
}

function pick({ setPositions }: Rule, days: readonly Day[]): readonly Day[] {
  if (setPositions.length === 0) return days;
  return [...new Set(setPositions.map((position) => days[position > 0 ? position - 1 : days.length + position]))]
    .filter((day): day is Day => day !== undefined)
    .sort((a, b) => a - b);
}
