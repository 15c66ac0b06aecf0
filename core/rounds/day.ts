/**
 * The minutes of somebody's day: doors, work, ways between properties, and waits. A soak, a run or drying is filled by
 * other work in the same home; what is left of it is waited for there, or bridged by other homes of the same property
 * and gone back to, which is one more door.
 */
import type { Instance, Task } from './instance.ts';

/** The work of a visit, in minutes, as it is gathered. */
export interface Work {
  /** Hands-on until everything that waits is waiting. */
  starts: number;
  /** Hands-on that has no wait. */
  others: number;
  /** The longest wait. */
  wait: number;
  /** Hands-on after it. */
  finish: number;
}

/** One visit of a day. */
export interface Stop extends Readonly<Work> {
  readonly property: string;
}

export const NO_WORK: Readonly<Work> = { starts: 0, others: 0, wait: 0, finish: 0 };

/** Adds a task to the work of its visit. */
export function addWork(work: Work, { minutes, wait, finish }: Task): void {
  if (wait > 0) {
    work.starts += minutes;
    work.wait = Math.max(work.wait, wait);
    work.finish += finish;
  } else {
    work.others += minutes + finish;
  }
}

export interface DayTerms {
  readonly door: number;
  readonly between: number;
  readonly base: string | null;
  /** What a door costs beside its minutes. */
  readonly doorCost: number;
}

export interface DayWork {
  readonly minutes: number;
  /** Stops that are gone back to, by their places in the list. */
  readonly returns: readonly number[];
}

/** Waits beyond so many in a day are waited for in the home. */
const BRIDGED_MOST = 4;

const idleOf = ({ wait, others }: Stop): number => Math.max(0, wait - others);

/** What a day with these stops comes to, each wait bridged where that is cheaper. */
export function dayOf(stops: readonly Stop[], { door, between, base, doorCost }: DayTerms): DayWork {
  let [work, idle] = [0, 0];
  const properties = new Set<string>();
  for (const stop of stops) {
    work += door + stop.starts + stop.others + stop.finish;
    idle += idleOf(stop);
    properties.add(stop.property);
  }
  let away = properties.size;
  if (base !== null && properties.has(base)) away -= 1;
  const way = away * between;
  let best: DayWork = { minutes: work + idle + way, returns: [] };
  if (idle === 0 || properties.size > 1 || stops.length < 2) return best;
  const waits = stops
    .map((stop, i) => ({ i, stop, idle: idleOf(stop) }))
    .filter((it) => it.idle > 0)
    .sort((a, b) => b.idle - a.idle || a.i - b.i)
    .slice(0, BRIDGED_MOST);
  for (let mask = 1; mask < 1 << waits.length; mask += 1) {
    const bridged = waits.filter((_, k) => (mask >> k) & 1);
    // First all that is gone back to, then the others, then back: the longest wait covers each.
    let [span, longest, saved] = [way, 0, 0];
    for (const { stop, idle: its } of bridged) {
      span += 2 * door + stop.starts + stop.others + stop.finish;
      longest = Math.max(longest, stop.wait);
      saved += its;
    }
    const minutes = Math.max(work + way + idle - saved + bridged.length * door, span + longest);
    const cost = minutes + bridged.length * doorCost;
    if (cost < best.minutes + best.returns.length * doorCost)
      best = { minutes, returns: bridged.map(({ i }) => i).sort((a, b) => a - b) };
  }
  return best;
}

/** The same for a day of somebody of the plan. */
export const dayOfWorker = (
  { door, between, workers, weights }: Instance,
  worker: number,
  stops: readonly Stop[],
): DayWork => dayOf(stops, { door, between, base: workers[worker]!.base, doorCost: weights.door });
