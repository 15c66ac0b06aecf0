/**
 * A checker of plans that shares nothing with the planner: it lets each day happen, stop by stop, and looks at the
 * clock.
 */
import type { Instance, PlanVisit } from '../../core/rounds/instance.ts';

/** Minutes of the shortest day that these visits can be lived in: waiting in the home, or going back to some. */
export function livedMinutes(
  { tasks, homes, door, between, workers }: Instance,
  worker: number,
  visits: readonly PlanVisit[],
): number {
  const properties = [...new Set(visits.map(({ home }) => homes[home]!.propertyId))];
  const way = properties.filter((id) => id !== workers[worker]!.base).length * between;
  const live = (back: ReadonlySet<number>): number => {
    let clock = way;
    const ready = new Map<number, number>();
    const order = [...visits.keys()].sort((a, b) => Number(back.has(b)) - Number(back.has(a)));
    for (const i of order) {
      const its = visits[i]!.tasks.map((task) => tasks[task]!);
      clock += door;
      let soaked = clock;
      for (const task of its.filter(({ wait }) => wait > 0)) clock += task.minutes;
      soaked = clock + Math.max(0, ...its.map(({ wait }) => wait));
      for (const task of its.filter(({ wait }) => wait === 0)) clock += task.minutes + task.finish;
      if (back.has(i)) ready.set(i, soaked);
      else {
        if (its.some(({ wait }) => wait > 0)) clock = Math.max(clock, soaked);
        for (const task of its.filter(({ wait }) => wait > 0)) clock += task.finish;
      }
    }
    for (const [i, when] of [...ready].sort((a, b) => a[1] - b[1])) {
      clock = Math.max(clock, when) + door;
      for (const task of visits[i]!.tasks) if (tasks[task]!.wait > 0) clock += tasks[task]!.finish;
    }
    return clock;
  };
  const mayGoBack = properties.length === 1 ? [...visits.keys()] : [];
  const sets = Array.from(
    { length: 1 << Math.min(10, mayGoBack.length) },
    (_, mask) => new Set(mayGoBack.filter((i) => (mask >> i) & 1)),
  );
  return Math.min(...sets.map(live));
}

/** Everything that is wrong with a plan, in words for whoever reads a failing test. */
export function wrongsOf(instance: Instance, visits: readonly PlanVisit[]): string[] {
  const { tasks, homes, workers, clashes } = instance;
  const wrongs: string[] = [];
  const dayOf = new Map<number, number>();
  for (const { tasks: its, day } of visits) {
    for (const task of its) {
      if (dayOf.has(task)) wrongs.push(`${tasks[task]!.id} twice`);
      dayOf.set(task, day);
    }
  }
  const doors = new Set<string>();
  for (const { home, worker, day, tasks: its } of visits) {
    const at = `${homes[home]!.id} by ${workers[worker]!.id} on ${day}`;
    if (doors.has(at)) wrongs.push(`${at}: two visits`);
    doors.add(at);
    if (its.length === 0) wrongs.push(`${at}: nothing to do`);
    if (day < homes[home]!.firstDay) wrongs.push(`${at}: without notice`);
    if (homes[home]!.closed.has(day)) wrongs.push(`${at}: nobody may come`);
    for (const index of its) {
      const task = tasks[index]!;
      if (task.home !== home) wrongs.push(`${task.id} in a foreign home`);
      if (task.licensed && !workers[worker]!.licensed) wrongs.push(`${task.id}: no licence`);
      if (task.only !== null && task.only !== worker) wrongs.push(`${task.id}: somebody else has it`);
      const earliest =
        task.after === null
          ? task.opens
          : (dayOf.get(task.after) ?? Infinity) + task.interval - (task.line - task.opens);
      if (day < earliest) wrongs.push(`${task.id} on ${day} before ${earliest}`);
    }
  }
  workers.forEach(({ minutes, id }, worker) =>
    minutes.forEach((had, day) => {
      const its = visits.filter((visit) => visit.worker === worker && visit.day === day);
      const lived = its.length === 0 ? 0 : livedMinutes(instance, worker, its);
      if (lived > had) wrongs.push(`${id} on ${day}: ${lived} of ${had}`);
    }),
  );
  for (const a of visits) {
    for (const b of visits) {
      if (a.day !== b.day) continue;
      const [one, other] = [a, b].map(({ tasks: its }) => its.map((task) => tasks[task]!));
      for (const [x, y] of clashes) {
        const meet = one!.some(
          (it) => it.agent === x && other!.some((that) => that.agent === y && that.branch === it.branch),
        );
        if (meet) wrongs.push(`${x} meets ${y} on ${a.day}`);
      }
    }
  }
  return wrongs;
}
