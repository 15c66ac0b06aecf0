/**
 * Prices of days, for plans so full that work is late although another plan would hold it: where a day is full its minutes
 * cost more, so that the work of every home moves to where there is room, one day making place for the next. No single
 * move does that: it gains nothing until the last day of the chain has room. The prices follow what is asked of the days
 * beyond what they hold (a subgradient of the relaxed capacities: Held, Wolfe and Crowder 1974; from memory), rise in
 * the first half of a search and fall to nothing in the second. They guide it and are no part of what a plan costs.
 */
import type { PlanState } from './state.ts';

/** So often prices are changed in a search. */
export const PRICINGS = 200;
/** Share of a day's minutes from which on it is dear. Ours, by trial, as the next. */
const FULL = 0.97;
/** Hundredths of a minute by which a day becomes dearer for being asked for twice what it holds. */
const GAIN = 800;
/** Days to either side that are priced alike: where lines fall on days without work. */
const AROUND = 3;
/** Minutes of a door that a task late by itself stands for. */
const SHARE_OF_DOOR = 4;
/** What is left of a price each time that it falls, hundredths. */
const KEPT = 94;

/** Tasks that are late or left out although their line comes after the first day on which they could be done. */
function crowdedOut(state: PlanState): number[] {
  const { tasks, homes, days } = state.instance;
  return tasks.flatMap(({ home }, task) => {
    const line = state.lineOf(task);
    const day = state.at[task]?.day ?? days;
    const first = Math.max(homes[home]!.firstDay, state.opensOf(task));
    return day > line && line < days && line >= first && state.follows(task) ? [task] : [];
  });
}

/** Whether a plan is so full that something is late that need not be. */
export const isCrowded = (state: PlanState): boolean => crowdedOut(state).length > 0;

/** Minutes asked of each day, what is late spread over its window, and minutes had. */
function askedOf(state: PlanState): { readonly asked: number[]; readonly had: number[] } {
  const { days, workers, tasks } = state.instance;
  const sum = (of: (worker: number, day: number) => number) =>
    Array.from({ length: days }, (_, day) => workers.reduce((total, _who, worker) => total + of(worker, day), 0));
  const had = sum((worker, day) => workers[worker]!.minutes[day]!);
  const asked = sum((worker, day) => state.minutes[worker * days + day]!);
  for (const task of crowdedOut(state)) {
    const { minutes, finish } = tasks[task]!;
    const open: number[] = [];
    for (let day = Math.max(0, state.opensOf(task)); day <= state.lineOf(task); day += 1)
      if (had[day]! > 0) open.push(day);
    for (const day of open) asked[day]! += (minutes + finish + SHARE_OF_DOOR) / open.length;
  }
  return { asked, had };
}

/** Prices after the next step, hundredths of a minute a minute. @param pace 1 at first, to 0 where they stand still */
export function raised(state: PlanState, pace: number): number[] {
  const { asked, had } = askedOf(state);
  const around = (of: readonly number[], day: number) =>
    of.slice(Math.max(0, day - AROUND), day + AROUND + 1).reduce((sum, it) => sum + it, 0);
  return state.prices.map((price, day) => {
    const [wanted, there] = [around(asked, day), around(had, day)];
    return there === 0 ? price : Math.max(0, Math.round(price + GAIN * pace * (wanted / there - FULL)));
  });
}

/** Prices as they fall back to nothing. */
export const eased = (prices: readonly number[]): number[] => prices.map((it) => Math.floor((it * KEPT) / 100));
