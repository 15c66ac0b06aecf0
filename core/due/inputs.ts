/**
 * What one line is computed from: plain data, complete by itself, kept with the line. Computed again from
 * its inputs, a line of any past day is the same line.
 */
import type { Day } from '../calendar/day.ts';
import type { Anchor, UpkeepDay } from './anchor.ts';
import type { Changes } from './assumptions.ts';
import type { DriverEffect } from './drivers.ts';
import type { Stretch } from './exposure.ts';
import type { Grade } from '../catalogue/grades.ts';
import type { Practice, PracticeDays } from '../catalogue/practice.ts';

/** Raised when the computation itself changes. */
export const ENGINE_VERSION = 4;

/** A condition found, oldest first: at a service, which resets the part, or at a look, which does not. */
export interface Condition {
  readonly day: Day;
  readonly kind: 'service' | 'look';
  /** Null where nobody graded. */
  readonly grade: Grade | null;
  /** Whether staff or a reviewer stands behind it. */
  readonly confirmed: boolean;
  /** Its record had a finding that contradicts it: it may shorten, and never lengthens. Absent means no. */
  readonly doubtful?: boolean;
}

export const CAP_REASONS = ['maker', 'local', 'water'] as const;
export type CapReason = (typeof CAP_REASONS)[number];

/** A limit from outside that no interval passes. */
export interface Cap {
  readonly reason: CapReason;
  readonly days: number;
}

export interface LineInputs {
  readonly procedure: string;
  readonly version: number;
  /** Methods in force that this procedure follows, by their key. */
  readonly methods: Readonly<Record<string, string>>;
  readonly days: PracticeDays;
  /** No practitioner stated the reference interval. */
  readonly assumed: boolean;
  /** The practice waits for a signal; its interval is only the longest that it may take. Absent means no. */
  readonly signalled?: boolean;
  readonly critical: boolean;
  /** A contractor's visit comes every so many months by its contract. Absent: no such visit. */
  readonly everyMonths?: number;
  readonly practice: Practice;
  readonly caps: readonly Cap[];
  /** What was changed among the assumptions. */
  readonly changes: Changes;
  /** Fouling factor over time, ascending, not empty; see `exposure.ts`. */
  readonly stretches: readonly Stretch[];
  /** The drivers as they stand, for the working. */
  readonly effects: readonly DriverEffect[];
  readonly conditions: readonly Condition[];
  /** The machine was new on this day, so the first grade teaches too; null where it was not. */
  readonly newSince: Day | null;
  /** First days of tenancies that followed another. */
  readonly turnovers: readonly Day[];
  readonly anchor: Anchor | null;
  readonly upkeepDay: UpkeepDay | null;
  /** Since when something reported waits for an answer. */
  readonly signalDay: Day | null;
}

/** The day of the last service; null where nobody has logged one. */
export function servedDayOf({ conditions }: Pick<LineInputs, 'conditions'>): Day | null {
  return conditions.findLast(({ kind }) => kind === 'service')?.day ?? null;
}
