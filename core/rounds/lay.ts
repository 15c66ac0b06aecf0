/** Putting tasks into a plan: all of a home into the visits that cost least, or one by one where each costs least. */
import type { Random } from '../statistics/random.ts';
import { cheapestDays } from './cheapestDays.ts';
import type { DayOfWorker } from './instance.ts';
import type { PlanState } from './state.ts';

/** All spots of a plan with at most so many are tried; of larger ones some. */
const ALL_SPOTS = 40;
const [LATEST_DAYS, OTHER_DAYS, LATE_DAYS] = [4, 3, 3];

interface Spot extends DayOfWorker {
  readonly task: number;
  readonly cost: number;
}

/**
 * Lays a home's open tasks into the visits that cost least while all other homes stay as they are; what finds no place
 * there is put where it costs least.
 * @param random blurs the costs, so that another plan than the last is found
 */
export function layHome(state: PlanState, home: number, random: Random, blurred = true): void {
  const there = state.visitsOf[home]!.map(({ worker, day }) => ({ worker, day }));
  dealOut(state, home, [...there, ...cheapestDays(state, home, blurred ? random : null)]);
  putLeft(state, home, random);
}

/** Deals a home's open tasks out to some days, the first lines first, each where it costs least. */
export function dealOut(state: PlanState, home: number, on: readonly DayOfWorker[]): void {
  const open = state.tasksOf[home]!.filter((task) => !state.at[task] && state.lineOf(task) < state.instance.days);
  open.sort((a, b) => state.lineOf(a) - state.lineOf(b) || a - b);
  for (const task of open) {
    let best: Spot | null = null;
    for (const { worker, day } of on) {
      if (!state.allows(task, worker, day)) continue;
      const cost = state.deltaOf(task, worker, day);
      if (cost !== null && (best === null || cost < best.cost)) best = { worker, day, task, cost };
    }
    if (best) state.put(task, best.worker, best.day);
  }
}

/** Puts what is left of a home where each costs least. */
export const putLeft = (state: PlanState, home: number, random: Random): void =>
  putByRegret(
    state,
    state.tasksOf[home]!.filter((task) => !state.at[task] && state.follows(task)),
    random,
  );

/** Days tried for a task, with everybody; those of its home's visits are always among them. */
function daysFor(state: PlanState, task: number, random: Random): readonly number[] {
  const { days, workers, tasks } = state.instance;
  const opens = Math.max(0, state.opensOf(task));
  if (days * workers.length <= ALL_SPOTS) return Array.from({ length: Math.max(0, days - opens) }, (_, i) => opens + i);
  const last = Math.min(days - 1, state.lineOf(task));
  const found = new Set(state.visitsOf[tasks[task]!.home]!.map(({ day }) => day));
  for (let day = last; day > last - LATEST_DAYS && day >= opens; day -= 1) found.add(day);
  for (let i = 0; i < OTHER_DAYS && last > opens; i += 1) found.add(opens + Math.floor(random() * (last - opens)));
  for (let day = Math.max(0, last + 1); day <= last + LATE_DAYS && day < days; day += 1) found.add(day);
  return [...found];
}

/** Where a task costs least, and by how much the next best costs more; nowhere where leaving it out costs less. */
function bestSpot(state: PlanState, task: number, days: readonly number[]): { best?: Spot; regret: number } {
  let best: Spot | undefined;
  let second = 0;
  for (const day of days) {
    for (let worker = 0; worker < state.instance.workers.length; worker += 1) {
      if (!state.allows(task, worker, day)) continue;
      const cost = state.deltaOf(task, worker, day);
      if (cost === null || cost > 0) continue;
      if (!best || cost < best.cost) [second, best] = [best?.cost ?? 0, { worker, day, task, cost }];
      else second = Math.min(second, cost);
    }
  }
  return { ...(best && { best }), regret: best ? second - best.cost : 0 };
}

/** Puts tasks where each costs least, that first which would lose most by waiting (regret). */
export function putByRegret(state: PlanState, tasks: readonly number[], random: Random): void {
  const open = new Set(tasks);
  while (open.size > 0) {
    let chosen: Spot | undefined;
    let most = -Infinity;
    for (const task of open) {
      if (!state.follows(task)) continue;
      const { best, regret } = bestSpot(state, task, daysFor(state, task, random));
      if (best && regret > most) [chosen, most] = [best, regret];
    }
    if (!chosen) return;
    const { task, worker, day } = chosen;
    state.put(task, worker, day);
    open.delete(task);
    // What follows can be put from now on.
    const next = state.next[task];
    if (next != null && !state.at[next]) open.add(next);
  }
}
