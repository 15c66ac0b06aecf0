/**
 * Recurrence rules: a stated subset of RFC 5545 §3.3.10, for whole days.
 *
 * FREQ of DAILY, WEEKLY, MONTHLY, YEARLY; INTERVAL; COUNT or UNTIL; BYMONTH; BYMONTHDAY; BYDAY, with
 * ordinals under MONTHLY and YEARLY; BYSETPOS under these two; WKST. Hours, BYWEEKNO and BYYEARDAY are outside.
 */
import { dayFromIso, isoFromDay, type Day } from './day.ts';

export const FREQUENCIES = ['DAILY', 'WEEKLY', 'MONTHLY', 'YEARLY'] as const;
export type Frequency = (typeof FREQUENCIES)[number];

export const WEEKDAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'] as const;

export interface Weekday {
  /** Monday 0 to Sunday 6. */
  readonly weekday: number;
  /** The how manieth of its month or year, from the end when negative; 0 is every one. */
  readonly nth: number;
}

export interface Rule {
  readonly frequency: Frequency;
  /** Every so many periods, ≥ 1. */
  readonly interval: number;
  readonly count?: number;
  /** The last day that may be one. */
  readonly until?: Day;
  readonly months: readonly number[];
  readonly monthDays: readonly number[];
  readonly weekdays: readonly Weekday[];
  readonly setPositions: readonly number[];
  /** The weekday on which a week begins. */
  readonly weekStart: number;
}

const wrong = (text: string, why: string) => new RangeError(`recurrence rule ${text}: ${why}`);

const KNOWN = ['FREQ', 'INTERVAL', 'COUNT', 'UNTIL', 'BYMONTH', 'BYMONTHDAY', 'BYDAY', 'BYSETPOS', 'WKST'];

/** The parts of a rule by their names, each known and there once. */
function partsOf(text: string): ReadonlyMap<string, string> {
  const parts = new Map<string, string>();
  const written = text
    .trim()
    .replace(/^RRULE:/i, '')
    .split(';')
    .filter(Boolean);
  for (const part of written) {
    const [name, value, ...rest] = part.split('=');
    if (!name || !value || rest.length > 0) throw wrong(text, `"${part}" is not NAME=VALUE`);
    if (parts.has(name.toUpperCase())) throw wrong(text, `${name} twice`);
    parts.set(name.toUpperCase(), value.toUpperCase());
  }
  for (const name of parts.keys()) if (!KNOWN.includes(name)) throw wrong(text, `${name} is outside the subset`);
  return parts;
}

/** Refuses parts that do not go with each other. */
function refuseMixed(text: string, frequency: Frequency, parts: ReadonlyMap<string, string>): void {
  const daily = frequency === 'DAILY' || frequency === 'WEEKLY';
  if (parts.has('COUNT') && parts.has('UNTIL')) throw wrong(text, 'COUNT and UNTIL exclude each other');
  if (parts.has('BYMONTHDAY') && frequency === 'WEEKLY') throw wrong(text, 'BYMONTHDAY does not go with WEEKLY');
  if (!parts.has('BYSETPOS')) return;
  if (daily) throw wrong(text, 'BYSETPOS needs MONTHLY or YEARLY');
  if (!['BYDAY', 'BYMONTHDAY', 'BYMONTH'].some((name) => parts.has(name)))
    throw wrong(text, 'BYSETPOS needs another BY part');
}

const weekdayOf = (name: string) => (WEEKDAYS as readonly string[]).indexOf(name);

/**
 * Reads a rule, such as `FREQ=MONTHLY;BYDAY=1SA`.
 * @throws RangeError saying which part is wrong or outside the subset
 */
export function parseRule(text: string): Rule {
  const parts = partsOf(text);
  const frequency = parts.get('FREQ') as Frequency | undefined;
  if (!frequency || !FREQUENCIES.includes(frequency))
    throw wrong(text, 'FREQ must be DAILY, WEEKLY, MONTHLY or YEARLY');
  const whole = (value: string, low: number, high: number, name: string) => {
    const number = Number(value);
    if (!/^[+-]?\d+$/.test(value) || number < low || number > high || number === 0)
      throw wrong(text, `${name}=${value}`);
    return number;
  };
  const list = (name: string, low: number, high: number) =>
    (parts.get(name)?.split(',') ?? []).map((value) => whole(value, low, high, name));
  const weekdays = (parts.get('BYDAY')?.split(',') ?? []).map((value) => {
    const match = /^([+-]?\d{1,2})?(MO|TU|WE|TH|FR|SA|SU)$/.exec(value);
    if (!match) throw wrong(text, `BYDAY=${value}`);
    const nth = match[1] ? whole(match[1], -53, 53, 'BYDAY') : 0;
    if (nth !== 0 && (frequency === 'DAILY' || frequency === 'WEEKLY'))
      throw wrong(text, `an ordinal needs MONTHLY or YEARLY: ${value}`);
    return { nth, weekday: weekdayOf(match[2]!) };
  });
  const monthDays = list('BYMONTHDAY', -31, 31);
  const setPositions = list('BYSETPOS', -366, 366);
  refuseMixed(text, frequency, parts);
  const weekStart = parts.get('WKST') ?? 'MO';
  if (weekdayOf(weekStart) === -1) throw wrong(text, `WKST=${weekStart}`);
  return {
    frequency,
    weekdays,
    monthDays,
    setPositions,
    interval: parts.has('INTERVAL') ? whole(parts.get('INTERVAL')!, 1, 10_000, 'INTERVAL') : 1,
    months: list('BYMONTH', 1, 12),
    weekStart: weekdayOf(weekStart),
    ...(parts.has('COUNT') && { count: whole(parts.get('COUNT')!, 1, 100_000, 'COUNT') }),
    ...(parts.has('UNTIL') && { until: untilOf(parts.get('UNTIL')!, text) }),
  };
}

function untilOf(value: string, text: string): Day {
  const match = /^(\d{4})(\d{2})(\d{2})(T\d{6}Z?)?$/.exec(value);
  try {
    if (match) return dayFromIso(`${match[1]}-${match[2]}-${match[3]}`);
  } catch {
    /* told below */
  }
  throw wrong(text, `UNTIL=${value}`);
}

/** The text of a rule; parsed again it is the same rule. */
export function formatRule({
  frequency,
  interval,
  count,
  until,
  months,
  monthDays,
  weekdays,
  setPositions,
  weekStart,
}: Rule): string {
  return [
    `FREQ=${frequency}`,
    ...(interval > 1 ? [`INTERVAL=${interval}`] : []),
    ...(count !== undefined ? [`COUNT=${count}`] : []),
    ...(until !== undefined ? [`UNTIL=${isoFromDay(until).replaceAll('-', '')}`] : []),
    ...(months.length ? [`BYMONTH=${months.join()}`] : []),
    ...(monthDays.length ? [`BYMONTHDAY=${monthDays.join()}`] : []),
    ...(weekdays.length
      ? [`BYDAY=${weekdays.map(({ nth, weekday }) => `${nth || ''}${WEEKDAYS[weekday]}`).join()}`]
      : []),
    ...(setPositions.length ? [`BYSETPOS=${setPositions.join()}`] : []),
    ...(weekStart !== 0 ? [`WKST=${WEEKDAYS[weekStart]}`] : []),
  ].join(';');
}
