/**
 * What a plan of rounds is made from: people and their days, homes, and tasks with windows. Days are counted from the
 * plan's first, 0; all minutes and costs are whole numbers, so that the same seed gives the same plan on any machine.
 */

/** Somebody who goes into homes. */
export interface Worker {
  readonly id: string;
  /** Minutes had on each day of the plan; 0 where they are not at work. */
  readonly minutes: readonly number[];
  readonly licensed: boolean;
  /** Property from which they set out; null where it is none of them. */
  readonly base: string | null;
  /** The properties that they look after; null: all. */
  readonly properties: readonly string[] | null;
}

/** Whether somebody looks after a property. */
export const goesTo = ({ properties }: Pick<Worker, 'properties'>, propertyId: string): boolean =>
  properties?.includes(propertyId) ?? true;

export interface PlanHome {
  readonly id: string;
  readonly propertyId: string;
  /** First day on which somebody may come: notice has to be given. */
  readonly firstDay: number;
  /** Days on which nobody may come. */
  readonly closed: ReadonlySet<number>;
  /** Days on which they may, and would rather not have anybody. */
  readonly unliked: ReadonlySet<number>;
  /** The half of the day that they like; null where they do not mind. */
  readonly half: Half | null;
}

export const HALVES = ['morning', 'afternoon'] as const;
export type Half = (typeof HALVES)[number];

/** One service of one part. */
export interface Task {
  readonly id: string;
  /** Index of its home. */
  readonly home: number;
  readonly licensed: boolean;
  /** First day on which it counts; of a later service of the same part it follows from the one before. */
  readonly opens: number;
  /** Last day on which it is in time. */
  readonly line: number;
  /** Days between two services, ≥ 1. */
  readonly interval: number;
  /** Hands-on minutes, up to its wait where it has one. */
  readonly minutes: number;
  /** Minutes that it soaks, runs or dries; other work fills them. */
  readonly wait: number;
  /** Hands-on minutes after the wait. */
  readonly finish: number;
  /** 1 (comfort) to 5 (fire). */
  readonly risk: number;
  readonly agent: string | null;
  /** The drain branch into which its agent goes. */
  readonly branch: string;
  /** Index of the only worker who may do it: whoever has it in hand; null where anybody may. */
  readonly only: number | null;
  /** Index of the service of the same part that comes before it in this plan. */
  readonly after: number | null;
}

/** What a plan weighs against each other, in minutes of work. */
export interface Weights {
  /** A door beside the minutes that it takes: what it costs the household. */
  readonly door: number;
  /** A visit on a day that a household does not like. */
  readonly unliked: number;
  /** A day past the line, by risk. */
  readonly late: number;
  /** A whole interval thrown away. */
  readonly early: number;
  /** A hundredth of their time by which the fullest of the people is full. */
  readonly uneven: number;
}

/**
 * Our assumptions: a household would rather have three quarters of an hour more of our work than one more door; a day past
 * the line of the least part weighs more than a door; a service thrown away is about ten minutes of work. A day that
 * they do not like is worth half a door: it moves a visit, and makes neither a second one nor anything late.
 */
export const WEIGHTS: Weights = { door: 45, unliked: 22, late: 60, early: 10, uneven: 2 };

export interface Instance {
  readonly days: number;
  readonly workers: readonly Worker[];
  readonly homes: readonly PlanHome[];
  readonly tasks: readonly Task[];
  /** Minutes that a door takes: the way within the property, the bell, shoes, thanks. */
  readonly door: number;
  /** Minutes between two properties. */
  readonly between: number;
  /** Agents that must not meet within one branch on one day. */
  readonly clashes: readonly (readonly [string, string])[];
  readonly weights: Weights;
}

/** Minutes that a door takes: the bell, shoes, thanks and the way within a property. Our assumption. */
export const DOOR_MINUTES = 8;
/** The way between two properties: our assumption. */
export const BETWEEN_MINUTES = 15;

/** Whether a task is for somebody, whatever the day: their property, their level, nobody else's work. */
export function mayDo({ tasks, homes, workers }: Instance, task: number, worker: number): boolean {
  const { home, licensed, only } = tasks[task]!;
  const who = workers[worker]!;
  return goesTo(who, homes[home]!.propertyId) && (!licensed || who.licensed) && (only === null || only === worker);
}

/** What is not done by the plan's end is taken to be done so many days after it. */
export const AFTER_END = 14;

/** Somebody's day, by their indexes. */
export interface DayOfWorker {
  readonly worker: number;
  readonly day: number;
}

/** A visit of a plan: one entry into one home, by one person on one day, with its tasks. */
export interface PlanVisit extends DayOfWorker {
  readonly home: number;
  readonly tasks: readonly number[];
  /** Stays where it is, whatever else is planned: chosen by hand, or announced. */
  readonly pinned: boolean;
}

/** What it costs to come to a home on a day, beside the door. */
export const unlikedCost = ({ homes, weights }: Pick<Instance, 'homes' | 'weights'>, home: number, day: number) =>
  homes[home]!.unliked.has(day) ? weights.unliked : 0;

/** Days before its line on which a task opens. */
export const windowOf = ({ opens, line }: Pick<Task, 'opens' | 'line'>): number => line - opens;

/** What it costs to do a task on a day, beside the work itself. */
export function taskCost(
  { risk, interval }: Pick<Task, 'risk' | 'interval'>,
  line: number,
  day: number,
  weights: Weights,
): number {
  return day > line
    ? (day - line) * risk * weights.late
    : Math.round((weights.early * Math.min(interval, line - day)) / interval);
}

/** What it costs to leave a task with this line out; nothing where its line comes after the plan. */
export const leftOutCost = ({ risk }: Pick<Task, 'risk'>, line: number, days: number, { late }: Weights): number =>
  line < days ? (days + AFTER_END - line) * risk * late : 0;
