/**
 * Exposure: how many neutral-home loads a part of learned speed 1 has been through.
 *
 * It is the integral of f(t)/B over days, where f follows the household as it was and is lower while a home
 * stands empty, so it is a sum over stretches of constant factor.
 */
import type { Day } from '../calendar/day.ts';

/** From this day on the fouling factor is this, ≥ 0, until the next stretch begins. */
export interface Stretch {
  readonly fromDay: Day;
  readonly factor: number;
}

/**
 * Exposure in loads between two days.
 * @param stretches by ascending `fromDay`, not empty; the first also covers the time before it
 * @param referenceDays B, the reference interval
 */
export function exposureBetween(stretches: readonly Stretch[], from: Day, to: Day, referenceDays: number): number {
  let loads = 0;
  for (let i = 0; i < stretches.length; i += 1) {
    const start = i === 0 ? from : Math.max(from, stretches[i]!.fromDay);
    const end = Math.min(to, stretches[i + 1]?.fromDay ?? Infinity);
    if (end > start) loads += ((end - start) * stretches[i]!.factor) / referenceDays;
  }
  return loads;
}

/** The stretches as if no home had stood empty: a pause (factor 0) goes on at the rate before it. */
export function withoutPauses(stretches: readonly Stretch[]): readonly Stretch[] {
  if (stretches.every(({ factor }) => factor > 0)) return stretches;
  let running = stretches.find(({ factor }) => factor > 0)?.factor ?? 1;
  return stretches.map(({ fromDay, factor }) => ({ fromDay, factor: (running = factor > 0 ? factor : running) }));
}

/** Calendar days after `from` in which so many days outside pauses pass. */
export function daysWithPauses(stretches: readonly Stretch[], from: Day, running: number): number {
  let left = running;
  for (let i = 0; i < stretches.length; i += 1) {
    const start = i === 0 ? from : Math.max(from, stretches[i]!.fromDay);
    const end = stretches[i + 1]?.fromDay ?? Infinity;
    if (end <= start || stretches[i]!.factor === 0) continue;
    if (end - start >= left) return start - from + left;
    left -= end - start;
  }
  return running;
}

/**
 * The (fractional) number of days after `from` at which the exposure reaches `loads` ≥ 0.
 * @throws RangeError where the last stretch never fouls, or there is none
 */
export function daysToReach(stretches: readonly Stretch[], from: Day, loads: number, referenceDays: number): number {
  let left = loads * referenceDays;
  for (let i = 0; i < stretches.length; i += 1) {
    const { factor } = stretches[i]!;
    const start = i === 0 ? from : Math.max(from, stretches[i]!.fromDay);
    const end = stretches[i + 1]?.fromDay ?? Infinity;
    if (end <= start) continue;
    const here = factor === 0 ? 0 : (end - start) * factor;
    if (factor > 0 && here >= left) return start - from + left / factor;
    left -= here;
  }
  throw new RangeError('the last stretch must foul');
}
