/** When each stop of somebody's round begins and ends. */
import { MINUTES_A_DAY } from '../calendar/day.ts';
import { dayOfWorker } from './day.ts';
import { stopOf } from './figures.ts';
import type { Instance, PlanVisit } from './instance.ts';

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

/**
 * The times of a round: homes that are gone back to first, then the others in the order in which homes stand, then back.
 * @param round visits of one person on one day
 * @returns in the order of the visits given
 */
export function timetable(instance: Instance, round: readonly PlanVisit[], begins: number): StopTimes[] {
  const { door, between, workers } = instance;
  if (round.length === 0) return [];
  const stops = round.map((visit) => stopOf(instance, visit));
  const { worker } = round[0]!;
  const { returns } = dayOfWorker(instance, worker, stops);
  const order = [...round.keys()].sort(
    (a, b) => Number(returns.includes(b)) - Number(returns.includes(a)) || round[a]!.home - round[b]!.home,
  );
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
