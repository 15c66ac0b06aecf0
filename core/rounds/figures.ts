/** What a plan comes to, in the figures that people weigh; everything of it is either counted or left out by name. */
import { grouped } from '../statistics/grouped.ts';
import { addWork, dayOfWorker, NO_WORK, type Stop } from './day.ts';
import type { Instance, PlanVisit } from './instance.ts';

export interface PlanFigures {
  readonly tasks: number;
  /** Entries, those that a wait is gone back for among them. */
  readonly doors: number;
  readonly minutes: number;
  /** Visits on a day that the household does not like. */
  readonly unliked: number;
  /** Days past the line, and the same weighted by risk, of what is in the plan. */
  readonly pastDays: number;
  readonly pastRisk: number;
  /** Mean share of the interval that is thrown away by coming before the line, 0 to 1. */
  readonly thrown: number;
  /** Tasks with a line within the plan that have no place in it. */
  readonly leftOut: readonly number[];
}

/** A visit of a plan with its work. */
export function stopOf({ tasks, homes }: Instance, { home, tasks: its }: Pick<PlanVisit, 'home' | 'tasks'>): Stop {
  const work = { ...NO_WORK };
  for (const task of its) addWork(work, tasks[task]!);
  return { property: homes[home]!.propertyId, ...work };
}

/** Minutes and doors of somebody's day. */
export function roundOf(instance: Instance, worker: number, visits: readonly PlanVisit[]) {
  const { minutes, returns } = dayOfWorker(
    instance,
    worker,
    visits.map((visit) => stopOf(instance, visit)),
  );
  return { minutes, doors: visits.length + returns.length };
}

/** The day of each task that has one. */
export const daysOfTasks = (visits: readonly PlanVisit[]): Map<number, number> =>
  new Map(visits.flatMap(({ tasks, day }) => tasks.map((task) => [task, day] as const)));

/** The line of a task once the plan is made; null where it follows a service that has no day. */
export function lineIn({ tasks }: Instance, days: ReadonlyMap<number, number>, task: number): number | null {
  const { after, line, interval } = tasks[task]!;
  if (after === null) return line;
  const before = days.get(after);
  return before === undefined ? null : before + interval;
}

/** The figures of a plan. */
export function planFigures(instance: Instance, visits: readonly PlanVisit[]): PlanFigures {
  const days = daysOfTasks(visits);
  let [minutes, doors] = [0, 0];
  for (const its of grouped(visits, ({ worker, day }) => `${worker} ${day}`).values()) {
    const round = roundOf(instance, its[0]!.worker, its);
    minutes += round.minutes;
    doors += round.doors;
  }
  let [pastDays, pastRisk, thrown] = [0, 0, 0];
  const leftOut: number[] = [];
  instance.tasks.forEach(({ risk, interval }, task) => {
    const line = lineIn(instance, days, task);
    const day = days.get(task);
    if (line === null) return;
    if (day === undefined) {
      if (line < instance.days) leftOut.push(task);
      return;
    }
    pastDays += Math.max(0, day - line);
    pastRisk += risk * Math.max(0, day - line);
    thrown += Math.max(0, line - day) / interval;
  });
  return {
    tasks: days.size,
    doors,
    minutes,
    unliked: visits.filter(({ home, day }) => instance.homes[home]!.unliked.has(day)).length,
    pastDays,
    pastRisk,
    thrown: days.size === 0 ? 0 : thrown / days.size,
    leftOut,
  };
}
