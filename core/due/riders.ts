/**
 * Riders: parts that are served when their machine is opened anyway. It says how, never whether: a rider counts in
 * every count, and asks for itself by its line when no sitting of a leader is expected before.
 */
import { isBelow, type Level } from '../catalogue/types.ts';
import type { Day } from '../calendar/day.ts';

/** A leader's interval is at most so much of the rider's own. */
export const LEADER_SHARE = 1.25;
/** A rider joins a sitting from this share of its interval, or when it would pass before the next one. */
export const JOIN_SHARE = 0.7;

export interface Sibling {
  readonly id: string;
  /** Asks for itself by its kind, or because a manager said so. */
  readonly core: boolean;
  readonly level: Level;
  /** Whoever comes for it opens the machine for nothing else: a contractor's visit. */
  readonly alone?: boolean;
  /** Days between services, ≥ 1. */
  readonly intervalDays: number;
  /** Null without a record. */
  readonly lineDay: Day | null;
}

/** Parts of the same machine that open it often enough for this one, by somebody who may do it too. */
export function leadersOf(rider: Sibling, siblings: readonly Sibling[]): Sibling[] {
  return siblings.filter(
    (it) =>
      it.id !== rider.id &&
      it.core &&
      !it.alone &&
      !isBelow(it.level, rider.level) &&
      it.intervalDays <= rider.intervalDays * LEADER_SHARE,
  );
}

/**
 * Whether a part rides: it is no core part, it has a leader, and a sitting of one is expected by its line. A rider
 * without a record rides where it has a leader at all.
 */
export function rides(part: Sibling, siblings: readonly Sibling[]): boolean {
  if (part.core) return false;
  const leaders = leadersOf(part, siblings);
  if (part.lineDay === null) return leaders.length > 0;
  return leaders.some(({ lineDay }) => lineDay !== null && lineDay <= part.lineDay!);
}

/**
 * Whether a part joins a sitting on a day: near its line, without a record, or passing it before the next expected
 * sitting.
 */
export function joins(
  { share, lineDay }: { readonly share: number | undefined; readonly lineDay: Day | null },
  nextSitting: Day,
): boolean {
  return share === undefined || share >= JOIN_SHARE || (lineDay !== null && lineDay < nextSitting);
}
