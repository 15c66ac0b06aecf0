/** When each stop of somebody's round begins and ends. */
import { MINUTES_A_DAY } from '../calendar/day.ts';
import { dayOfWorker } from './day.ts';
import { stopOf } from './figures.ts';
import type { Instance, PlanHome, PlanVisit } from './instance.ts';

/** Rounds begin at eight; whoever lives there is told a window of two hours around. Our assumptions. */
export const ROUND_BEGINS = 8 * 60;
const WINDOW = 120;
const ROUNDED = 30;
const LAST_MINUTE = MINUTES_A_DAY - 1;

/** The window that a household is told of: all of a stop's time and at least two hours, from a half hour on. */
export function windowToTell(
  from: number,
  over: number,
  least = WINDOW,
): { readonly from: number; readonly until: number } {
  const start = Math.floor(from / ROUNDED) * ROUNDED;
  return { from: start, until: Math.min(LAST_MINUTE, Math.max(start + least, over)) };
}

/** Times in minutes past midnight. */
export interface StopTimes {
  readonly from: number;
  readonly until: number;
  /** When the home is gone back to, for what was left to soak or run; null where it is not. */
  readonly back: number | null;
  /** When the home is left for good: whoever lives there is told of all of it. */
  readonly over: number;
}

/** Those who like mornings first, those who like afternoons last. */
const HALF_RANK = { morning: 0, any: 1, afternoon: 2 } as const;
const halfRank = ({ half }: PlanHome): number => HALF_RANK[half ?? 'any'];

/**
 * A round in walking order: homes that are gone back to first; one property after the other, from where somebody sets
 * out; within it by the half of the day that is liked, which costs no way, then as its homes are walked.
 * @returns indexes of the visits
 */
function walked({ homes, workers }: Instance, round: readonly PlanVisit[], returns: readonly number[]): number[] {
  const { base } = workers[round[0]!.worker]!;
  const firstOf = new Map<string, number>();
  for (const { home } of round) {
    const { propertyId } = homes[home]!;
    firstOf.set(propertyId, propertyId === base ? -1 : Math.min(home, firstOf.get(propertyId) ?? Infinity));
  }
  const keys = round.map(({ home }, i) => {
    const it = homes[home]!;
    return [returns.includes(i) ? 0 : 1, firstOf.get(it.propertyId)!, halfRank(it), home];
  });
  return [...round.keys()].sort((a, b) => {
    const k = keys[a]!.findIndex((key, j) => key !== keys[b]![j]);
    return k < 0 ? a - b : keys[a]![k]! - keys[b]![k]!;
  });
}

/**
 * The times of a round, its stops in walking order, what is gone back to again at its end.
 * @param round visits of one person on one day
 * @returns in the order of the visits given
 */
export function timetable(instance: Instance, round: readonly PlanVisit[], begins: number): StopTimes[] {
  const { door, between, workers } = instance;
  if (round.length === 0) return [];
  const stops = round.map((visit) => stopOf(instance, visit));
  const { worker } = round[0]!;
  const { returns } = dayOfWorker(instance, worker, stops);
  const order = walked(instance, round, returns);
  const times: StopTimes[] = [];
  const ready: { readonly i: number; readonly at: number }[] = [];
  let [clock, property] = [begins, workers[worker]!.base];
  for (const i of order) {
    const { property: here, starts, others, wait, finish } = stops[i]!;
    const goesBack = returns.includes(i);
    const from = clock + (here === property ? 0 : between) + door;
    const until = from + starts + (goesBack ? others : Math.max(others, wait) + finish);
    if (goesBack) ready.push({ i, at: from + starts + wait });
    times[i] = { from, until, back: null, over: until };
    [clock, property] = [until, here];
  }
  for (const { i, at } of ready.sort((a, b) => a.at - b.at)) {
    const back = Math.max(clock, at) + door;
    clock = back + stops[i]!.finish;
    times[i] = { ...times[i]!, back, over: clock };
  }
  return times;
}
