/**
 * What parts are cleaned with, and how it turns out: how often they are clean afterwards, how fast they foul again at
 * equal exposure, what that costs a year. From what happened, not from a trial: who uses what is nobody's draw.
 */
import type { Grade } from '../catalogue/grades.ts';
import { typicalLoad } from '../catalogue/grades.ts';

/** From a service to the next: what was found then, and which share of its interval had gone by. */
export interface FoulingCycle {
  /** 1 where it was served on its line; > 0. */
  readonly share: number;
  readonly found: Grade;
}

export interface FoulingRate {
  /** Load found for each interval gone by; 1 fouls as its line says. */
  readonly rate: number;
  readonly low: number;
  readonly high: number;
  readonly cycles: number;
}

/** Fewer cycles say nothing. Our assumption. */
export const LEAST_CYCLES = 8;
/** Two-sided 95 % points of Student's t with 7 degrees of freedom and more; handbook table. */
export const T95: readonly (readonly [degrees: number, point: number])[] = [
  [7, 2.365],
  [10, 2.228],
  [15, 2.131],
  [20, 2.086],
  [30, 2.042],
  [60, 2.0],
  [120, 1.98],
];
/** The point of fewer degrees where none stands for these: the interval is rather too wide. */
const t95 = (degrees: number): number => T95.findLast(([known]) => known <= degrees)![1];

/**
 * How fast parts foul after a cleaning: sum of the loads found over the sum of the intervals gone by, with the interval
 * of a ratio (W. G. Cochran, Sampling Techniques, 3rd ed., 1977, 6.3–6.4). Undefined with too few cycles.
 */
export function foulingRate(cycles: readonly FoulingCycle[]): FoulingRate | undefined {
  const n = cycles.length;
  if (n < LEAST_CYCLES) return undefined;
  const loads = cycles.map(({ found }) => typicalLoad(found));
  const shares = cycles.reduce((sum, { share }) => sum + share, 0);
  const rate = loads.reduce((sum, load) => sum + load, 0) / shares;
  const squares = cycles.reduce((sum, { share }, i) => sum + (loads[i]! - rate * share) ** 2, 0);
  const half = (t95(n - 1) * Math.sqrt((n * squares) / (n - 1))) / shares;
  return { rate, low: Math.max(0, rate - half), high: rate + half, cycles: n };
}

const DAYS_A_YEAR = 365.25;

/**
 * What a way of cleaning costs a year: served whenever one interval's load has gathered.
 * @param intervalDays days of the line at rate 1 @param each price of one service: agent and hands
 */
export const costAYear = (rate: number, intervalDays: number, each: number): number =>
  ((DAYS_A_YEAR * rate) / intervalDays) * each;
