/**
 * Year, month and day of an integer day, and back, by arithmetic alone: the proleptic Gregorian calendar
 * counted from 1 March, so that the leap day comes last.
 */
import type { Day } from './day.ts';

export interface CivilDate {
  readonly year: number;
  /** 1 to 12. */
  readonly month: number;
  /** 1 to 31. */
  readonly date: number;
}

const DAYS_PER_ERA = 146_097;
const EPOCH_OFFSET = 719_468;

/** The civil date of a day. */
export function civilOf(day: Day): CivilDate {
  const shifted = day + EPOCH_OFFSET;
  const era = Math.floor(shifted / DAYS_PER_ERA);
  const dayOfEra = shifted - era * DAYS_PER_ERA;
  const yearOfEra = Math.floor(
    (dayOfEra - Math.floor(dayOfEra / 1460) + Math.floor(dayOfEra / 36_524) - Math.floor(dayOfEra / 146_096)) / 365,
  );
  const dayOfYear = dayOfEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100));
  const shiftedMonth = Math.floor((5 * dayOfYear + 2) / 153);
  const month = shiftedMonth < 10 ? shiftedMonth + 3 : shiftedMonth - 9;
  return {
    year: yearOfEra + era * 400 + (month <= 2 ? 1 : 0),
    month,
    date: dayOfYear - Math.floor((153 * shiftedMonth + 2) / 5) + 1,
  };
}

/** The day of a civil date. `month` may be any whole number; 13 is January of the next year. */
export function dayOfCivil(year: number, month: number, date: number): Day {
  const carried = year + Math.floor((month - 1) / 12);
  const inYear = ((((month - 1) % 12) + 12) % 12) + 1;
  const shiftedYear = inYear <= 2 ? carried - 1 : carried;
  const era = Math.floor(shiftedYear / 400);
  const yearOfEra = shiftedYear - era * 400;
  const dayOfYear = Math.floor((153 * (inYear + (inYear > 2 ? -3 : 9)) + 2) / 5) + date - 1;
  return (
    era * DAYS_PER_ERA +
    yearOfEra * 365 +
    Math.floor(yearOfEra / 4) -
    Math.floor(yearOfEra / 100) +
    dayOfYear -
    EPOCH_OFFSET
  );
}

/** Days in a month, 28 to 31. */
export function daysInMonth(year: number, month: number): number {
  if (month === 2) return isLeap(year) ? 29 : 28;
  return 30 + ((month + (month > 7 ? 1 : 0)) % 2);
}

const isLeap = (year: number) => year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0);

/** Day of the week: Monday 0 to Sunday 6. */
export function weekdayOf(day: Day): number {
  return (((day + 3) % 7) + 7) % 7;
}
