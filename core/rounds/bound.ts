/**
 * The fewest doors that windows allow, whoever comes and however long it takes: per home, the most windows of which no
 * two share a day on which somebody may come (Gallai's duality of piercing and disjoint intervals). A later service of a
 * part is held to no more than what the earliest and the latest services before it allow.
 */
import { windowOf, type Instance } from './instance.ts';

/** Doors of each home, at least, while nothing is past its line that can be in time. */
export function fewestDoors({ days, workers, homes, tasks }: Instance): number[] {
  const windows: { home: number; opens: number; line: number }[] = [];
  const relaxed: { opens: number; line: number }[] = [];
  tasks.forEach((task, i) => {
    const before = task.after === null ? undefined : relaxed[task.after];
    const window = before
      ? { opens: before.opens + task.interval - windowOf(task), line: before.line + task.interval }
      : { opens: task.opens, line: task.line };
    relaxed[i] = window;
    if (window.line < days) windows.push({ home: task.home, ...window });
  });
  const atWork = Array.from({ length: days }, (_, day) => workers.some(({ minutes }) => minutes[day]! > 0));
  const doors = homes.map(() => 0);
  const opened = homes.map(() => -Infinity);
  windows.sort((a, b) => a.line - b.line || a.opens - b.opens);
  for (const { home, opens, line } of windows) {
    if (opened[home]! >= opens) continue;
    const { firstDay, closed } = homes[home]!;
    let day = line;
    while (day >= Math.max(0, opens, firstDay) && (!atWork[day] || closed.has(day))) day -= 1;
    // A window in which nobody may come asks for no door in time.
    if (day < Math.max(0, opens, firstDay)) continue;
    doors[home]! += 1;
    opened[home] = day;
  }
  return doors;
}
