/** The line of a point, the share of its interval used, and the one state that follows. */
import type { Day } from '../calendar/day.ts';

export const POINT_STATES = ['noRecord', 'onHold', 'fresh', 'nearing', 'past', 'longPast'] as const;
export type PointState = (typeof POINT_STATES)[number];

/** The definition of *past* and *on time* by which proofs are judged now; earlier ones stay as they were judged. */
export const ON_TIME_DEFINITION = 2;

export const NEARING_SHARE = 0.7;
export const WINDOW_OPENS = 0.8;
export const LONG_PAST_SHARE = 1.5;
/**
 * What is done so much after the line is still on time: a tenth of the interval, at most a week; nothing where safety
 * hangs on it.
 */
export const GRACE_SHARE = 0.1;
export const GRACE_DAYS = 7;

/** The line as it is stored: dates only, so that a mark drifts by itself as days pass. */
export interface Line {
  /** Day of the last service that counts; null where there is no record. */
  readonly servedDay: Day | null;
  /** Day of being due. */
  readonly lineDay: Day;
  /** Day past which the point is over its cap. */
  readonly capDay: Day;
}

export interface Circumstance {
  readonly today: Day;
  /** Work was done on this day and awaits its proof: lateness ended then. */
  readonly doneDay?: Day | null;
  readonly onHold?: boolean;
}

/** Share of the interval used on a day: 0 just served, 1 on the line. Undefined without a record. */
export function shareUsed({ servedDay, lineDay }: Line, { today, doneDay }: Circumstance): number | undefined {
  if (servedDay === null) return undefined;
  const day = doneDay == null ? today : Math.min(doneDay, today);
  return Math.max(0, day - servedDay) / Math.max(1, lineDay - servedDay);
}

/** Exactly one state, at any time. *Past* begins the day after the line day, in every word, count and colour. */
export function stateOf(line: Line, circumstance: Circumstance): PointState {
  const share = shareUsed(line, circumstance);
  if (circumstance.onHold) return 'onHold';
  if (share === undefined) return 'noRecord';
  const day = circumstance.doneDay == null ? circumstance.today : Math.min(circumstance.doneDay, circumstance.today);
  if (day > line.lineDay) return share > LONG_PAST_SHARE || day > line.capDay ? 'longPast' : 'past';
  return share >= NEARING_SHARE ? 'nearing' : 'fresh';
}

export const isPastState = (state: PointState): boolean => state === 'past' || state === 'longPast';

/** Days after the line on which a service is still on time. */
export const graceDays = (intervalDays: number, safetyCritical: boolean): number =>
  safetyCritical ? 0 : Math.min(GRACE_DAYS, Math.floor(intervalDays * GRACE_SHARE));

/** First and last day of the window in which a service is on time. */
export function windowOf(
  { servedDay, lineDay }: Line,
  safetyCritical: boolean,
): { opens: Day; closes: Day } | undefined {
  if (servedDay === null) return undefined;
  const days = lineDay - servedDay;
  return { opens: servedDay + Math.ceil(days * WINDOW_OPENS), closes: lineDay + graceDays(days, safetyCritical) };
}

/** What a part counts as: each part as exactly one, so that nothing is left out of a count. */
export const COUNTED_AS = ['sent', 'onHold', 'noRecord', 'past', 'soon', 'later'] as const;
export type CountedAs = (typeof COUNTED_AS)[number];

/** Days ahead that a manager looks. */
export const SOON_DAYS = 14;

/** Work that was sent and awaits its proof counts as sent, whatever its line; what is on hold as that. */
export function countedAs(
  line: Line,
  { today, onHold = false, sent = false }: { readonly today: Day; readonly onHold?: boolean; readonly sent?: boolean },
): CountedAs {
  if (sent) return 'sent';
  if (onHold) return 'onHold';
  if (line.servedDay === null) return 'noRecord';
  if (today > line.lineDay) return 'past';
  return line.lineDay - today <= SOON_DAYS ? 'soon' : 'later';
}
