/** The days of a machine cut where its upkeep or its people changed, for sorting what comes back. */
import type { Day } from '../calendar/day.ts';
import type { Stretch } from './sorting.ts';

/** A service and the line that was drawn then: what a fault moved later is left out, or every fault would look late. */
export interface Cycle {
  readonly servedDay: Day;
  readonly lineDay: Day;
}

export interface Household {
  readonly id: string;
  readonly fromDay: Day;
  /** The last day; null while they live there. */
  readonly toDay: Day | null;
}

/** Stretches from one day to another, which is not within, counted from the first. */
export function stretchesOf(
  since: Day,
  until: Day,
  cycles: readonly Cycle[],
  households: readonly Household[],
): Stretch[] {
  const served = [...cycles].sort((a, b) => a.servedDay - b.servedDay);
  const late = served
    .map(({ lineDay }, i) => ({ from: lineDay + 1, to: served[i + 1]?.servedDay ?? until }))
    .filter(({ from, to }) => to > from);
  const homes = households.map(({ id, fromDay, toDay }) => ({
    id,
    from: fromDay,
    to: toDay === null ? until : toDay + 1,
  }));
  const cuts = new Set([since, ...[...late, ...homes].flatMap(({ from, to }) => [from, to])]);
  const days = [...cuts].filter((day) => day >= since && day < until).sort((a, b) => a - b);
  return days.map((from, i) => ({
    from: from - since,
    to: (days[i + 1] ?? until) - since,
    past: late.some((it) => it.from <= from && from < it.to),
    household: homes.find((it) => it.from <= from && from < it.to)?.id ?? null,
  }));
}
