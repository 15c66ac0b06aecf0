/** Why a visit is where it is, why a task has no place, and what would cost least to give it one. */
import { grouped } from '../statistics/grouped.ts';
import { daysOfTasks, lineIn, roundOf } from './figures.ts';
import { mayDo, windowOf, type Instance, type PlanVisit } from './instance.ts';

export type Reason = 'nobody' | 'tooLong' | 'notice' | 'closed' | 'before' | 'full';

export interface LeftOut {
  readonly reason: Reason;
  /** The day that is over by the fewest minutes with it; null where no day in its window is open to anybody. */
  readonly nearest: {
    readonly worker: number;
    readonly day: number;
    readonly over: number;
    readonly newDoor: boolean;
  } | null;
}

/** A plan laid out for many questions: the day of each task, and the visits of each person's day. */
export interface LaidOut {
  readonly days: ReadonlyMap<number, number>;
  readonly rounds: ReadonlyMap<string, readonly PlanVisit[]>;
}

export const roundKey = (worker: number, day: number): string => `${worker} ${day}`;

export const laidOut = (visits: readonly PlanVisit[]): LaidOut => ({
  days: daysOfTasks(visits),
  rounds: grouped(visits, ({ worker, day }) => roundKey(worker, day)),
});

/** The reason for which a task has no place, and the day that misses it by least. */
export function whyLeftOut(instance: Instance, { days: lines, rounds }: LaidOut, task: number): LeftOut {
  const { tasks, workers, homes, days, door } = instance;
  const it = tasks[task]!;
  const { firstDay, closed } = homes[it.home]!;
  const line = lineIn(instance, lines, task);
  const none = { nearest: null };
  if (line === null) return { reason: 'before', ...none };
  const able = [...workers.keys()].filter(
    (worker) => mayDo(instance, task, worker) && workers[worker]!.minutes.some((of) => of > 0),
  );
  if (able.length === 0) return { reason: 'nobody', ...none };
  const alone = it.minutes + it.wait + it.finish + door;
  if (able.every((worker) => workers[worker]!.minutes.every((of) => of < alone))) return { reason: 'tooLong', ...none };
  const opens = Math.max(0, line - windowOf(it));
  let nearest: LeftOut['nearest'] = null;
  for (let day = Math.max(opens, firstDay); day < days; day += 1) {
    if (closed.has(day)) continue;
    for (const worker of able) {
      const had = workers[worker]!.minutes[day]!;
      if (had === 0) continue;
      const its = rounds.get(roundKey(worker, day)) ?? [];
      const there = its.find((visit) => visit.home === it.home);
      const more = there ?? { home: it.home, worker, day, tasks: [], pinned: false };
      const round = [...its.filter((visit) => visit !== there), { ...more, tasks: [...more.tasks, task] }];
      const over = roundOf(instance, worker, round).minutes - had;
      if (nearest === null || over < nearest.over) nearest = { worker, day, over, newDoor: !there };
    }
    // Beyond the line only where nothing before it was open.
    if (day >= line && nearest !== null) break;
  }
  if (nearest === null || nearest.day > line) return { reason: firstDay > line ? 'notice' : 'closed', nearest };
  return { reason: 'full', nearest };
}

/** The task that a visit is there for: whose line comes first. */
export function leadOf(instance: Instance, days: ReadonlyMap<number, number>, { tasks }: PlanVisit): number {
  const line = (task: number) => lineIn(instance, days, task) ?? Infinity;
  return [...tasks].sort((a, b) => line(a) - line(b) || a - b)[0]!;
}
