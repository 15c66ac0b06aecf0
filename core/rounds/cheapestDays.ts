/**
 * The days of a home's visits that cost least while everybody else's stay: a shortest way through the days. From a visit
 * to the next all tasks whose line falls between them are done on the first, or late on the second where they did not
 * count before; a way without its doors would be the piercing of intervals.
 */
import type { Random } from '../statistics/random.ts';
import { goesTo, taskCost, unlikedCost, type DayOfWorker } from './instance.ts';
import type { PlanState } from './state.ts';

/** Costs are blurred by up to so much where another way than the last is sought, minutes. */
const BLUR = 30;

interface Opening extends DayOfWorker {
  /** Minutes left there once the door is opened. */
  readonly left: number;
  /** What opening it costs: door, way, blur. */
  readonly cost: number;
}

/** The cheapest days for what is open of a home; those it is visited on already cost no door. */
export function cheapestDays(state: PlanState, home: number, random: Random | null): DayOfWorker[] {
  const { days, tasks, weights } = state.instance;
  const open = state.tasksOf[home]!.filter((task) => !state.at[task]);
  const byLine: { opens: number; task: number }[][] = Array.from({ length: days + 1 }, () => []);
  for (const task of open) {
    const line = nominalLine(state, task);
    if (line < days) byLine[Math.max(0, line)]!.push({ opens: line - (tasks[task]!.line - tasks[task]!.opens), task });
  }
  const openings = Array.from({ length: days }, (_, day) => openingsOf(state, home, day, random));
  // The cheapest way to a visit on each day; -1 is the beginning, `days` the end.
  const cost = new Array<number>(days + 1).fill(Infinity);
  const before = new Array<number>(days + 1).fill(-1);
  const who = new Array<number>(days + 1).fill(-1);
  for (let from = -1; from < days; from += 1) {
    const so = from < 0 ? 0 : cost[from]!;
    if (so === Infinity) continue;
    let [minutes, own, late, risk] = [0, 0, 0, 0];
    for (let to = from + 1; to <= days; to += 1) {
      // What has its line on the day before `to` is done on `from`, or from then on late.
      late += risk * weights.late;
      for (const { opens, task } of to === 0 ? [] : byLine[to - 1]!) {
        const it = tasks[task]!;
        if (from >= 0 && opens <= from) {
          minutes += it.minutes + it.finish;
          own += taskCost(it, to - 1, from, weights);
        } else {
          risk += it.risk;
          late += it.risk * weights.late;
        }
      }
      const opening = from < 0 ? NOTHING : openings[from]!.find(({ left }) => left >= minutes);
      if (!opening) break;
      if (to < days && openings[to]!.length === 0) continue;
      const whole = so + opening.cost + own + late + minutes + (from < 0 ? 0 : state.pricedAt(from, minutes));
      if (whole < cost[to]!) {
        cost[to] = whole;
        before[to] = from;
        who[to] = opening.worker;
      }
    }
  }
  const found: DayOfWorker[] = [];
  for (let to = days; before[to]! >= 0; to = before[to]!) found.push({ worker: who[to]!, day: before[to]! });
  return found.reverse();
}

const NOTHING = { worker: -1, cost: 0 };

/** The line of a task as if what comes before it were done on its own line, where that has no day yet. */
function nominalLine(state: PlanState, task: number): number {
  const { after, interval, line } = state.instance.tasks[task]!;
  return after === null || state.at[after] ? state.lineOf(task) : Math.min(line, nominalLine(state, after) + interval);
}

/** Who may come on a day and what opening the door costs, the cheapest first. */
function openingsOf(state: PlanState, home: number, day: number, random: Random | null): Opening[] {
  const { workers, homes, door, between, weights, days } = state.instance;
  const { closed, firstDay, propertyId } = homes[home]!;
  if (day < firstDay || closed.has(day)) return [];
  const unliked = unlikedCost(state.instance, home, day);
  const found: Opening[] = [];
  workers.forEach((who, worker) => {
    const { minutes, base } = who;
    const had = minutes[day]!;
    if (had === 0 || !goesTo(who, propertyId)) return;
    const slot = worker * days + day;
    const its = state.slots[slot]!;
    const free = had - state.minutes[slot]!;
    const blur = random ? Math.floor(random() * BLUR) : 0;
    if (its.some((visit) => visit.home === home)) {
      found.push({ worker, day, left: free, cost: blur });
      return;
    }
    const way = base === propertyId || its.some(({ property }) => property === propertyId) ? 0 : between;
    const left = free - door - way;
    const priced = state.pricedAt(day, door + way);
    if (left > 0) found.push({ worker, day, left, cost: door + way + priced + weights.door + unliked + blur });
  });
  return found.sort((a, b) => a.cost - b.cost || b.left - a.left || a.worker - b.worker);
}
