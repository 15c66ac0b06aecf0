/**
 * The truth of plans (T4): homes in which some thirty parts of ten machines reach their line in twelve weeks, with
 * windows of the last fifth of 30 to 365 days, 4 to 12 minutes, 8 minutes a door, weekdays, and as many people as make
 * the load that is said. Homes have been kept for half a year before the plan begins, so that they do not all begin on
 * one day. The baseline does each machine on its line day, with as many people as that takes.
 */
import { fewestDoors } from '../rounds/bound.ts';
import { DOOR_MINUTES, WEIGHTS, type Instance, type PlanHome, type Task, type Worker } from '../rounds/instance.ts';
import { grouped } from '../statistics/grouped.ts';
import { seeded, type Random } from '../statistics/random.ts';

const INTERVALS = [30, 60, 90, 120, 180, 365];
const [MACHINES, LINES] = [10, 30];
const TWELVE_WEEKS = 84;
const HOMES_A_PROPERTY = 20;
const FULL_DAY = 420;
/** Share of the interval from which on a part counts. */
const OPENS = 0.8;
const DAYS_BEFORE = 168;

export interface RoundsTruth {
  readonly homes: number;
  readonly days: number;
  /** Minutes needed, at the fewest doors, over minutes had. */
  readonly load: number;
  /** Staff's share of the parts; tenants take the others. */
  readonly staffShare: number;
  /** Lines that a home's parts reach in twelve weeks. */
  readonly lines?: number;
}

export interface JudgedInstance {
  readonly instance: Instance;
  /** Doors of the baseline within the same days. */
  readonly lineDayDoors: number;
}

interface Due extends Pick<Task, 'opens' | 'line' | 'interval' | 'minutes' | 'risk'> {
  readonly machine: number;
}

/** Homes, their tasks and people by a seed. */
export function roundsTruth(truth: RoundsTruth, seed: number): JudgedInstance {
  const { homes: many, days, load } = truth;
  const random = seeded(seed);
  const homes: PlanHome[] = [];
  const tasks: Task[] = [];
  let lineDayDoors = 0;
  for (let home = 0; home < many; home += 1) {
    const [id, propertyId] = [`h${home}`, `p${Math.floor(home / HOMES_A_PROPERTY)}`];
    homes.push({ id, propertyId, firstDay: 0, closed: new Set(), unliked: new Set(), half: null });
    const stream = streamOf(truth, random);
    lineDayDoors += lineDays(stream, days);
    for (const { machine: _, ...due } of leftAfter(stream)) {
      const work = { licensed: false, wait: 0, finish: 0, agent: null, branch: id, only: null, after: null };
      tasks.push({ id: `t${tasks.length}`, home, ...due, ...work });
    }
  }
  const worker = { licensed: false, base: null, properties: null };
  const empty: Instance = {
    days,
    homes,
    tasks,
    workers: [{ id: '', minutes: weekdays(days, FULL_DAY), ...worker }],
    door: DOOR_MINUTES,
    between: 0,
    clashes: [],
    weights: WEIGHTS,
  };
  const doors = fewestDoors(empty).reduce((sum, it) => sum + it, 0);
  const needed = doors * DOOR_MINUTES + tasks.reduce((sum, { minutes }) => sum + minutes, 0);
  const workDays = weekdays(days, 1).reduce((sum, it) => sum + it, 0);
  const people = Math.max(1, Math.ceil(needed / load / (workDays * FULL_DAY)));
  const day = Math.round(needed / load / (people * workDays));
  const workers: Worker[] = Array.from({ length: people }, (_, i) => ({
    ...worker,
    id: `w${i}`,
    minutes: weekdays(days, day),
    base: `p${i % Math.ceil(many / HOMES_A_PROPERTY)}`,
  }));
  return { instance: { ...empty, workers }, lineDayDoors };
}

/** What comes due in a home, from half a year before the plan to its end, in the order of the lines. */
function streamOf({ days, staffShare, lines = LINES }: RoundsTruth, random: Random): Due[] {
  const below = (n: number) => Math.floor(random() * n);
  const stream = Array.from({ length: Math.round(((DAYS_BEFORE + days) * lines) / TWELVE_WEEKS) }, () => {
    const interval = INTERVALS[below(INTERVALS.length)]!;
    const line = below(DAYS_BEFORE + days) - DAYS_BEFORE;
    const work = { minutes: 4 + below(9), risk: 1 + below(5), machine: below(MACHINES) };
    return { interval, line, opens: line - interval + Math.ceil(OPENS * interval), ...work };
  });
  return stream.filter(() => random() < staffShare).sort((a, b) => a.line - b.line);
}

/** What is left of it when the plan begins: until then each visit came on the first line and did all that counted. */
function leftAfter(stream: readonly Due[]): Due[] {
  let left = stream;
  while (left.length > 0 && left[0]!.line < 0) {
    const day = left[0]!.line;
    left = left.filter(({ opens }) => opens > day);
  }
  return [...left];
}

/** Days of the plan on which a machine of the home reaches a line; what of it counts by then is done with it. */
function lineDays(stream: readonly Due[], days: number): number {
  const found = new Set<number>();
  for (const its of grouped(stream, ({ machine }) => String(machine)).values()) {
    let left = its;
    while (left.length > 0) {
      const day = left[0]!.line;
      if (day >= 0 && day < days) found.add(day);
      left = left.filter(({ opens }) => opens > day);
    }
  }
  return found.size;
}

/** Minutes on weekdays, from a Monday. */
const weekdays = (days: number, minutes: number): number[] =>
  Array.from({ length: days }, (_, day) => (day % 7 < 5 ? minutes : 0));
