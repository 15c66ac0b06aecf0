/**
 * Calendar days.
 *
 * A day is an ISO string (`2026-11-24`) at the edges and an integer in hot loops: whole days since
 * 1970-01-01, always in the property's zone, never a `Date`. Integer days make every sum exact and
 * immune to clock changes.
 */

/** Whole days since 1970-01-01, in the zone of the property it belongs to. */
export type Day = number;
/** `YYYY-MM-DD`. */
export type IsoDay = string;

export const MS_PER_DAY = 86_400_000;
/** Of a day without a change of clocks, and of every day by the clock on the wall. */
export const MINUTES_A_DAY = 1440;
/** Days of a year and of a month where only length matters: rates, shares, figures by the month. */
export const DAYS_A_YEAR = 365;
export const DAYS_A_MONTH = DAYS_A_YEAR / 12;
const MS_PER_MINUTE = 60_000;

/**
 * The integer day of an ISO date.
 * @throws RangeError when the text is not a real date of the Gregorian calendar.
 */
export function dayFromIso(iso: IsoDay): Day {
  const match = /^(\d{4})-(\d{2})-(\d{2})$/.exec(iso);
  const day = match ? Date.UTC(Number(match[1]), Number(match[2]) - 1, Number(match[3])) / MS_PER_DAY : NaN;
  if (!Number.isInteger(day) || isoFromDay(day) !== iso) throw new RangeError(`not a calendar date: ${iso}`);
  return day;
}

/** The ISO date of an integer day. */
export function isoFromDay(day: Day): IsoDay {
  return new Date(day * MS_PER_DAY).toISOString().slice(0, 10);
}

const clocks = new Map<string, Intl.DateTimeFormat>();

function clockOf(zone: string): Intl.DateTimeFormat {
  let clock = clocks.get(zone);
  if (!clock) {
    clock = new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
    });
    clocks.set(zone, clock);
  }
  return clock;
}

const QUARTER_MS = 900_000;
/** The offsets of at most this many quarters of an hour are kept for a zone; after that the zone begins again. */
const MOST_QUARTERS = 50_000;
/** Minutes that a zone is ahead of UTC, by quarter of an hour; null for a quarter in which the clocks change. */
const offsets = new Map<string, Map<number, number | null>>();

/** What the clock on the wall shows. Asking the platform costs far more than remembering the offset of the quarter. */
function wallClock(instant: number, zone: string): { day: Day; minute: number } {
  let known = offsets.get(zone);
  if (!known || known.size > MOST_QUARTERS) offsets.set(zone, (known = new Map()));
  const quarter = Math.floor(instant / QUARTER_MS);
  let offset = known.get(quarter);
  if (offset === undefined) {
    const [first, last] = [askedOffset(quarter * QUARTER_MS, zone), askedOffset((quarter + 1) * QUARTER_MS - 1, zone)];
    offset = first === last ? first : null;
    known.set(quarter, offset);
  }
  if (offset === null) return askedClock(instant, zone);
  const shown = Math.floor(instant / MS_PER_MINUTE) + offset;
  const day = Math.floor(shown / MINUTES_A_DAY);
  return { day, minute: shown - day * MINUTES_A_DAY };
}

function askedOffset(instant: number, zone: string): number {
  const { day, minute } = askedClock(instant, zone);
  return day * MINUTES_A_DAY + minute - Math.floor(instant / MS_PER_MINUTE);
}

function askedClock(instant: number, zone: string): { day: Day; minute: number } {
  const part: Record<string, number> = {};
  for (const { type, value } of clockOf(zone).formatToParts(instant)) part[type] = Number(value);
  return { day: Date.UTC(part.year!, part.month! - 1, part.day!) / MS_PER_DAY, minute: part.hour! * 60 + part.minute! };
}

/**
 * The calendar day on which an instant falls in a zone.
 * @param instant milliseconds since the epoch (UTC)
 * @param zone IANA zone name; an unknown one throws RangeError
 */
export function dayOfInstant(instant: number, zone: string): Day {
  return wallClock(instant, zone).day;
}

/**
 * The instant at which a wall clock in `zone` shows `minute` minutes past midnight of `day`.
 * Where the clock skips that time (spring), the instant just after the gap; where it shows it twice
 * (autumn), the first.
 * @param minute 0 to 1439
 */
export function instantOfDay(day: Day, minute: number, zone: string): number {
  const wanted = day * MINUTES_A_DAY + minute;
  const asUtc = wanted * MS_PER_MINUTE;
  // Two offsets bracket any clock change near the day; the earlier instant that shows the wanted time wins.
  const candidates = [asUtc - MS_PER_DAY, asUtc + MS_PER_DAY]
    .map((near) => asUtc - offsetMinutes(near, zone) * MS_PER_MINUTE)
    .sort((a, b) => a - b);
  const exact = candidates.find((instant) => {
    const shown = wallClock(instant, zone);
    return shown.day * MINUTES_A_DAY + shown.minute === wanted;
  });
  return exact ?? candidates[1]!;
}

function offsetMinutes(instant: number, zone: string): number {
  const shown = wallClock(instant, zone);
  return shown.day * MINUTES_A_DAY + shown.minute - Math.floor(instant / MS_PER_MINUTE);
}

/** Whether the platform knows the zone. */
export function isZone(zone: string): boolean {
  try {
    return Boolean(zone) && Boolean(clockOf(zone));
  } catch {
    return false;
  }
}
