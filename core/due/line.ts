/** The line of a point, the share of its interval used, and the one state that follows. */
import type { Day } from '../calendar/day.ts';

export const POINT_STATES = ['noRecord', 'onHold', 'fresh', 'nearing', 'onLine', 'past', 'longPast'] as const;
export type PointState = (typeof POINT_STATES)[number];

/** The definition of *past* and *on time* by which proofs are judged now; earlier ones stay as they were judged. */
export const ON_TIME_DEFINITION = 2;

export const NEARING_SHARE = 0.7;
export const WINDOW_OPENS = 0.8;
export const WINDOW_CLOSES = 1.1;
export const LONG_PAST_SHARE = 1.5;

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

/** Exactly one state, at any time. */
export function stateOf(line: Line, circumstance: Circumstance): PointState {
  const share = shareUsed(line, circumstance);
  if (circumstance.onHold) return 'onHold';
  if (share === undefined) return 'noRecord';
  const day = circumstance.doneDay == null ? circumstance.today : Math.min(circumstance.doneDay, circumstance.today);
  if (share > LONG_PAST_SHARE || (day > line.capDay && share > WINDOW_CLOSES)) return 'longPast';
  if (share > WINDOW_CLOSES) return 'past';
  if (share >= 1) return 'onLine';
  return share >= NEARING_SHARE ? 'nearing' : 'fresh';
}

/** First and last day of the window in which a service is on time. */
export function windowOf({ servedDay, lineDay }: Line): { opens: Day; closes: Day } | undefined {
  if (servedDay === null) return undefined;
  const days = lineDay - servedDay;
  return { opens: servedDay + Math.ceil(days * WINDOW_OPENS), closes: servedDay + Math.floor(days * WINDOW_CLOSES) };
}
