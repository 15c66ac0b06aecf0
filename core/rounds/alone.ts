/** What a plan is held against: each machine on the day of its own line, by as many people as that takes. */
import { grouped } from '../statistics/grouped.ts';
import type { Instance } from './instance.ts';
import { stopOf, type PlanFigures } from './figures.ts';

/**
 * The figures of each machine alone: on its first line what of it counts by then is done with it; nothing else waits.
 * @param machineOf the machine of each task
 */
export function aloneFigures(instance: Instance, machineOf: (task: number) => string): Omit<PlanFigures, 'leftOut'> {
  const { tasks, homes, days, door, between } = instance;
  const doors = new Set<string>();
  const dayOf = new Map<number, number>();
  let [pastDays, pastRisk, thrown] = [0, 0, 0];
  for (const its of grouped([...tasks.keys()], machineOf).values()) {
    for (;;) {
      // A later service of a part waits until the one before has its day.
      const open = its
        .filter((task) => !dayOf.has(task) && (tasks[task]!.after === null || dayOf.has(tasks[task]!.after)))
        .map((task) => {
          const { after, interval, line, opens } = tasks[task]!;
          const at = after === null ? line : dayOf.get(after)! + interval;
          return { task, line: at, opens: at - (line - opens) };
        });
      const day = Math.max(0, Math.min(...open.map(({ line }) => line)));
      if (open.length === 0 || day >= days) break;
      doors.add(`${tasks[open[0]!.task]!.home} ${day}`);
      for (const { task, line, opens } of open) {
        if (opens > day) continue;
        dayOf.set(task, day);
        const { risk, interval } = tasks[task]!;
        pastDays += Math.max(0, day - line);
        pastRisk += risk * Math.max(0, day - line);
        thrown += Math.max(0, line - day) / interval;
      }
    }
  }
  // Whoever comes for one machine waits for what soaks or runs as far as its other parts do not fill that.
  const entries = grouped([...dayOf], ([task, day]) => `${machineOf(task)} ${day}`);
  const minutes = [...entries.values()].reduce((sum, its) => {
    const { starts, others, wait, finish } = stopOf(instance, {
      home: tasks[its[0]![0]]!.home,
      tasks: its.map(([task]) => task),
    });
    return sum + starts + Math.max(others, wait) + finish;
  }, 0);
  const ways = new Set([...dayOf].map(([task, day]) => `${homes[tasks[task]!.home]!.propertyId} ${day}`));
  return {
    tasks: dayOf.size,
    doors: doors.size,
    minutes: minutes + doors.size * door + ways.size * between,
    unliked: [...doors].filter((key) => {
      const [home, day] = key.split(' ').map(Number) as [number, number];
      return homes[home]!.unliked.has(day);
    }).length,
    pastDays,
    pastRisk,
    thrown: dayOf.size === 0 ? 0 : thrown / dayOf.size,
  };
}
