/**
 * The trace of a point: how it stood on any day, from the lines as they were drawn. A service counts from the day on
 * which the work was done, whenever it was proven; a line counts from the day on which it was drawn, so that what is
 * assumed today never rewrites last year.
 */
import type { Day } from '../calendar/day.ts';
import { stateOf, type Line, type PointState } from '../due/line.ts';

/** A line as it was kept; in the order in which they were drawn. */
export interface DrawnLine {
  /** Day on which it was drawn, in the property's zone. */
  readonly drawnDay: Day;
  /** Null where there was no record then. */
  readonly servedDay: Day | null;
  readonly lineDay: Day;
  readonly capDay: Day;
}

/** The line in force from a day on, until the next segment. */
export interface Segment {
  readonly fromDay: Day;
  readonly servedDay: Day;
  readonly lineDay: Day;
  readonly capDay: Day;
}

/** Days on which an empty home stood still, both ends included. */
export interface HeldDays {
  readonly fromDay: Day;
  readonly toDay: Day;
}

export interface Trace {
  /** First day on which it was in the register. */
  readonly sinceDay: Day;
  /** First day on which it was in service no more; null while it is. */
  readonly untilDay: Day | null;
  /** Ascending; before the first there is no record. */
  readonly segments: readonly Segment[];
  readonly holds: readonly HeldDays[];
  /** Work was done on this day and awaits its proof: lateness ended then. */
  readonly doneDay: Day | null;
}

/**
 * The segments of a point from its lines. A line with an earlier service than the one before takes that service back (a
 * proof that did not stand); a later line of the same service moves the line from its own day on.
 */
export function segmentsOf(lines: readonly DrawnLine[]): Segment[] {
  const segments: Segment[] = [];
  for (const { drawnDay, servedDay, lineDay, capDay } of lines) {
    while (segments.length > 0 && (servedDay === null || segments.at(-1)!.servedDay > servedDay)) segments.pop();
    if (servedDay === null) continue;
    const last = segments.at(-1);
    const fromDay = last?.servedDay === servedDay ? Math.max(drawnDay, last.fromDay) : servedDay;
    if (last && last.servedDay === servedDay && last.fromDay === fromDay) segments.pop();
    segments.push({ fromDay, servedDay, lineDay, capDay });
  }
  // A service that was proven late: what was drawn meanwhile for the one before it ended with the work.
  let next = Infinity;
  return segments
    .reverse()
    .filter(({ fromDay }) => {
      const counts = fromDay < next;
      next = Math.min(next, fromDay);
      return counts;
    })
    .reverse();
}

const NO_RECORD: Line = { servedDay: null, lineDay: 0, capDay: 0 };

const isHeld = ({ holds }: Trace, day: Day) => holds.some(({ fromDay, toDay }) => fromDay <= day && day <= toDay);

/** Whether a point was in the register, and its machine in service, on a day. */
export const wasThere = ({ sinceDay, untilDay }: Trace, day: Day): boolean =>
  sinceDay <= day && (untilDay === null || day < untilDay);

/** The line that stood on a day. */
export const lineOn = ({ segments }: Trace, day: Day): Line =>
  segments.findLast(({ fromDay }) => fromDay <= day) ?? NO_RECORD;

/** How a point stood on a day; undefined while it was not there. */
export function stateOn(trace: Trace, day: Day): PointState | undefined {
  return wasThere(trace, day)
    ? stateOf(lineOn(trace, day), { today: day, doneDay: trace.doneDay, onHold: isHeld(trace, day) })
    : undefined;
}

/** Days of a point within a window; each day of it that it was there is exactly one of known, unknown and held. */
export interface PointDays {
  /** With a record. */
  readonly known: number;
  /** Of the known: past the line. */
  readonly past: number;
  /** Without a record. */
  readonly unknown: number;
  readonly held: number;
}

/** Of nothing. */
export const NO_DAYS: PointDays = { known: 0, past: 0, unknown: 0, held: 0 };

/** How a point's days from one to another, both included, were spent. */
export function daysOf(trace: Trace, fromDay: Day, toDay: Day): PointDays {
  const first = Math.max(fromDay, trace.sinceDay);
  const last = Math.min(toDay, trace.untilDay === null ? toDay : trace.untilDay - 1);
  if (last < first) return NO_DAYS;
  const cuts = trace.holds
    .flatMap((hold) => [hold.fromDay, hold.toDay + 1])
    .filter((day) => first < day && day <= last);
  let days = NO_DAYS;
  const starts = [first, ...cuts.sort((a, b) => a - b)];
  starts.forEach((start, i) => {
    const end = (starts[i + 1] ?? last + 1) - 1;
    if (end < start) return;
    days = isHeld(trace, start)
      ? { ...days, held: days.held + end - start + 1 }
      : addDays(days, daysBetween(trace, start, end));
  });
  return days;
}

function daysBetween({ segments, doneDay }: Trace, first: Day, last: Day): PointDays {
  const late = doneDay === null ? last : Math.min(last, doneDay);
  let [known, past] = [0, 0];
  for (let i = 0; i < segments.length; i += 1) {
    const { fromDay, lineDay } = segments[i]!;
    const start = Math.max(first, fromDay);
    const end = Math.min(last, (segments[i + 1]?.fromDay ?? last + 1) - 1);
    if (end < start) continue;
    known += end - start + 1;
    past += Math.max(0, Math.min(end, late) - Math.max(start - 1, lineDay));
  }
  return { known, past, unknown: last - first + 1 - known, held: 0 };
}

/** Sums of days of two points, or of two windows. */
export const addDays = (a: PointDays, b: PointDays): PointDays => ({
  known: a.known + b.known,
  past: a.past + b.past,
  unknown: a.unknown + b.unknown,
  held: a.held + b.held,
});
