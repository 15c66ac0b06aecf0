/** Which rules a plan breaks, worked out from its visits alone: what is moved by hand may break them, and says so. */
import { lineIn, daysOfTasks, roundOf } from './figures.ts';
import { goesTo, windowOf, type Instance, type PlanVisit } from './instance.ts';
import { grouped } from '../statistics/grouped.ts';

export const RULES = ['away', 'notice', 'closed', 'level', 'notTheirs', 'tooEarly', 'clash', 'full'] as const;
export type Rule = (typeof RULES)[number];

export interface BrokenRule {
  readonly rule: Rule;
  /** Place of the visit in the list. */
  readonly visit: number;
  /** The task that breaks it, where one does. */
  readonly task: number | null;
  /** Minutes over the day, where it is full. */
  readonly over: number | null;
}

/** Every rule that a plan breaks, visit by visit. */
export function brokenRules(instance: Instance, visits: readonly PlanVisit[]): BrokenRule[] {
  const { workers, homes, tasks } = instance;
  const days = daysOfTasks(visits);
  const found: BrokenRule[] = [];
  visits.forEach(({ home, worker, day, tasks: its }, visit) => {
    const breaks = (rule: Rule, task: number | null = null) => found.push({ rule, visit, task, over: null });
    const { closed, firstDay, propertyId } = homes[home]!;
    if (!goesTo(workers[worker]!, propertyId)) breaks('notTheirs');
    if (workers[worker]!.minutes[day]! === 0) breaks('away');
    if (day < firstDay) breaks('notice');
    if (closed.has(day)) breaks('closed');
    for (const task of its) {
      const it = tasks[task]!;
      if (it.licensed && !workers[worker]!.licensed) breaks('level', task);
      if (it.only !== null && it.only !== worker) breaks('notTheirs', task);
      const line = lineIn(instance, days, task);
      if (line === null || day < line - windowOf(it)) breaks('tooEarly', task);
    }
  });
  return [...found, ...clashesOf(instance, visits), ...fullDays(instance, visits)];
}

/** Agents that must not meet, used on one branch on one day; each is said at both visits. */
function clashesOf({ tasks, clashes }: Instance, visits: readonly PlanVisit[]): BrokenRule[] {
  const used = visits.flatMap(({ day, tasks: its }, visit) =>
    its.flatMap((task) => {
      const { agent, branch } = tasks[task]!;
      return agent === null ? [] : [{ visit, task, agent, where: `${branch} ${day}` }];
    }),
  );
  return [...grouped(used, ({ where }) => where).values()].flatMap((its) =>
    its
      .filter(({ agent }) =>
        its.some((it) => clashes.some((pair) => pair.includes(agent) && pair.includes(it.agent) && it.agent !== agent)),
      )
      .map(({ visit, task }) => ({ rule: 'clash' as const, visit, task, over: null })),
  );
}

function fullDays(instance: Instance, visits: readonly PlanVisit[]): BrokenRule[] {
  const each = visits.map((of, visit) => ({ of, visit }));
  return [...grouped(each, ({ of }) => `${of.worker} ${of.day}`).values()].flatMap((its) => {
    const { worker, day } = its[0]!.of;
    const had = instance.workers[worker]!.minutes[day]!;
    const { minutes } = roundOf(
      instance,
      worker,
      its.map(({ of }) => of),
    );
    if (minutes <= had || had === 0) return [];
    return its.map(({ visit }) => ({ rule: 'full' as const, visit, task: null, over: minutes - had }));
  });
}
