/**
 * When a household is told what it is asked for: at once but not at night, once more before the line, and how long it
 * has before the work passes to staff.
 */
import { dayOfInstant, instantOfDay, type Day } from '../calendar/day.ts';
import { civilOf, dayOfCivil } from '../calendar/civil.ts';
import { leadFor, REMINDER_SHARE, type AnswerBelief } from './answering.ts';

/** What an office says about asking. */
export interface AskingRule {
  /** Nobody is written to from this minute of the day on. */
  readonly quietFrom: number;
  /** Nor before this one. */
  readonly quietUntil: number;
  /** Days after the do-by day before work passes to staff. */
  readonly graceDays: number;
  /** Whether it passes by rule at all. */
  readonly passes: boolean;
  /** Whether tenants are asked by itself, each for a part on the day that their answers say. */
  readonly gives: boolean;
}

/** Our assumptions: eight in the evening to eight in the morning, three days of grace. */
export const ASKING_RULE: AskingRule = {
  quietFrom: 20 * 60,
  quietUntil: 8 * 60,
  graceDays: 3,
  passes: true,
  gives: false,
};

/** Whoever gives work may take it back so long before anybody hears of it. */
export const SETTLE_MS = 10 * 60_000;
/** Whoever is asked late has at least so many days: our assumption. */
export const LEAST_DAYS = 7;
/** A part of which nothing is known is asked for within so many days: our assumption. */
const UNKNOWN_DAYS = 14;
/** Days between two letters about the same, and between the last and the do-by day. */
const APART_DAYS = 2;

/** The first instant from one on at which a household may be written to, by the clock of its property. */
export function tellableFrom(
  instant: number,
  { quietFrom, quietUntil }: Pick<AskingRule, 'quietFrom' | 'quietUntil'>,
  zone: string,
): number {
  const today = dayOfInstant(instant, zone);
  const [from, until] = [instantOfDay(today, quietFrom, zone), instantOfDay(today, quietUntil, zone)];
  // Quiet within a day, as for whoever works at night; or over midnight.
  if (quietFrom <= quietUntil) return instant >= from && instant < until ? until : instant;
  if (instant < until) return until;
  return instant >= from ? instantOfDay(today + 1, quietUntil, zone) : instant;
}

/**
 * The day by which a request is to be done: the first line of its parts, though whoever hears of it late has a week.
 * @param lineDays one a part; null where nothing is known of it
 */
export function doByDay(askedDay: Day, lineDays: readonly (Day | null)[]): Day {
  const first = Math.min(...lineDays.map((day) => day ?? askedDay + UNKNOWN_DAYS));
  return Math.max(first, askedDay + LEAST_DAYS);
}

/**
 * The day of the one reminder: once most have done it, and in time for the do-by day; null where no day is both later
 * than the asking and early enough to help.
 */
export function reminderDay(askedDay: Day, doBy: Day, belief: AnswerBelief): Day | null {
  const most = leadFor(belief, REMINDER_SHARE) ?? Infinity;
  const day = Math.min(askedDay + most, doBy - APART_DAYS);
  return day >= askedDay + APART_DAYS ? day : null;
}

/** The day on which what nobody began passes to staff: at the line where it is about safety. */
export const passingDay = (doBy: Day, safetyCritical: boolean, { graceDays }: Pick<AskingRule, 'graceDays'>): Day =>
  doBy + (safetyCritical ? 0 : graceDays) + 1;

/**
 * The day of a household's letter where it wants one a month: the first of a month, unless that is too late for the
 * line.
 * @param askBy the last day on which asking still meets the line in four cases of five; null where none does
 */
export function digestDay(today: Day, askBy: Day | null): Day {
  const { year, month, date } = civilOf(today);
  if (date === 1) return today;
  const next = dayOfCivil(year, month + 1, 1);
  return askBy !== null && askBy >= next ? next : today;
}
