/**
 * A baseline: points that nobody has logged are spread over weeks, the worst risk first, evenly by minutes,
 * and a home is entered in as few weeks as that allows.
 */
import type { Day } from '../calendar/day.ts';

export interface PointWithoutRecord {
  readonly pointId: string;
  readonly placeId: string;
  readonly machineId: string;
  readonly riskWeight: number;
  readonly safetyCritical: boolean;
  readonly minutes: number;
}

/** The Monday on or before a day; day 0 was a Thursday. */
export const mondayOf = (day: Day): Day => day - ((day + 3) % 7);

/**
 * The week of each point, 0 for the first.
 *
 * Points of one machine stay together, since it is opened once; the riskiest of them leads. Machines are taken in order
 * of their risk and fill each week up to an even share of the minutes; of machines of equal risk, those of a home
 * that the week enters anyway come first.
 */
export function spreadBaseline(points: readonly PointWithoutRecord[], weeks: number): Map<string, number> {
  if (!(Number.isInteger(weeks) && weeks >= 1)) throw new RangeError(`weeks must be a whole number from 1: ${weeks}`);
  const sittings = sittingsOf(points);
  const share = sittings.reduce((sum, { minutes }) => sum + minutes, 0) / weeks;
  const week = new Map<string, number>();
  const risks = [...new Set(sittings.map(({ risk }) => risk))].sort((a, b) => b - a);
  let filled = 0;
  let current = 0;
  let entered = new Set<string>();
  for (const risk of risks) {
    const left = new Map<string, Sitting[]>();
    for (const sitting of sittings)
      if (sitting.risk === risk) left.set(sitting.placeId, [...(left.get(sitting.placeId) ?? []), sitting]);
    while (left.size > 0) {
      const placeId = [...left.keys()].find((id) => entered.has(id)) ?? left.keys().next().value!;
      const sitting = left.get(placeId)!.shift()!;
      if (left.get(placeId)!.length === 0) left.delete(placeId);
      // A sitting belongs to the week in which it begins.
      while (current < weeks - 1 && filled >= share * (current + 1) - 1e-9) {
        current += 1;
        entered = new Set();
      }
      entered.add(placeId);
      filled += sitting.minutes;
      for (const id of sitting.points) week.set(id, current);
    }
  }
  return week;
}

interface Sitting {
  readonly placeId: string;
  readonly risk: number;
  readonly minutes: number;
  readonly points: readonly string[];
}

function sittingsOf(points: readonly PointWithoutRecord[]): Sitting[] {
  const machines = new Map<string, PointWithoutRecord[]>();
  for (const point of points) machines.set(point.machineId, [...(machines.get(point.machineId) ?? []), point]);
  return [...machines.values()].map((of) => ({
    placeId: of[0]!.placeId,
    points: of.map(({ pointId }) => pointId),
    minutes: of.reduce((sum, { minutes }) => sum + minutes, 0),
    risk: Math.max(...of.map(({ riskWeight, safetyCritical }) => riskWeight + (safetyCritical ? 0.5 : 0))),
  }));
}
