/** What a place was like over time: who lived there, its water, when it stood empty. */
import type { Day } from '../../core/calendar/day.ts';
import type { Procedure } from '../../core/catalogue/types.ts';
import type { Assumptions } from '../../core/due/assumptions.ts';
import { combinedFactor, driverEffects, type Circumstances, type DriverEffect } from '../../core/due/drivers.ts';
import type { DriverName } from '../../core/catalogue/types.ts';
import type { Stretch } from '../../core/due/exposure.ts';
import { inForce, type KnownFacts } from '../store/facts.ts';
import { tenancyDuring } from '../lookup/tenancies.ts';
import { holdAmong } from '../lookup/hold.ts';
import type { TenancyRow } from '../sql/history.ts';

interface DatedCircumstances {
  readonly fromDay: Day;
  readonly value: Circumstances;
  readonly empty: boolean;
  /** Since when the household, and the water, are as they are. */
  readonly householdSince: Day | undefined;
  readonly waterSince: Day | undefined;
}

/**
 * Circumstances of a place, ascending, never empty. The last one is no empty home, since every hold ends with its
 * review.
 */
export type PlaceHistory = readonly DatedCircumstances[];

/** How a place was lived in, day by day: tenancies, households, water, and the days it stood empty. */
export function placeHistory(
  facts: KnownFacts,
  placeId: string,
  propertyId: string,
  tenancies: readonly TenancyRow[],
  { newHomeDays }: Assumptions,
): PlaceHistory {
  const waters = facts.of(propertyId, 'water');
  const holds = facts.of(placeId, 'hold');
  const days = new Set<Day>([0]);
  for (const { id, fromDay, toDay } of tenancies) {
    days.add(fromDay).add(fromDay + newHomeDays);
    if (toDay !== null) days.add(toDay + 1);
    for (const fact of facts.of(id, 'household')) days.add(fact.fromDay);
  }
  for (const { fromDay } of waters) days.add(fromDay);
  for (const { fromDay, value } of holds) {
    days.add(fromDay);
    if (value) days.add(value.until + 1);
  }
  return [...days]
    .sort((a, b) => a - b)
    .map((fromDay) => {
      const tenancy = tenancies.findLast((it) => tenancyDuring(it, fromDay));
      const fact = tenancy && inForce(facts.of(tenancy.id, 'household'), fromDay);
      const water = inForce(waters, fromDay);
      return {
        fromDay,
        value: {
          household: fact
            ? {
                ...fact.value,
                loadsAWeek: fact.value.loadsAWeek ?? undefined,
                detergent: fact.value.detergent ?? undefined,
              }
            : {},
          hardnessMgL: water?.value.hardnessMgL ?? undefined,
          newHome: tenancy !== undefined && fromDay < tenancy.fromDay + newHomeDays,
        },
        empty: holdAmong(holds, fromDay) !== null,
        householdSince: fact?.fromDay || undefined,
        waterSince: water?.fromDay || undefined,
      };
    });
}

/** Drivers that people are behind: what they touch pauses in an empty home. */
const BY_PEOPLE: readonly DriverName[] = [
  'people',
  'laundry',
  'pets',
  'cooking',
  'coolWashes',
  'smoking',
  'dust',
  'detergent',
];

/** The stretches of days over which what drives a procedure’s fouling stayed the same. */
export function stretchesOf({ drivers }: Procedure, history: PlaceHistory, assumed: Assumptions): Stretch[] {
  const pauses = drivers.some((driver) => BY_PEOPLE.includes(driver));
  const stretches: Stretch[] = [];
  for (const { fromDay, value, empty } of history) {
    const factor =
      empty && pauses ? assumed.emptyHome : combinedFactor(driverEffects(drivers, value, assumed), assumed);
    if (factor !== stretches.at(-1)?.factor) stretches.push({ fromDay, factor });
  }
  return stretches;
}

/** The drivers as they stand on a day, with the day since when. */
export function effectsOn(
  { drivers }: Procedure,
  history: PlaceHistory,
  day: Day,
  assumed: Assumptions,
): DriverEffect[] {
  const now = history.findLast(({ fromDay }) => fromDay <= day) ?? history[0]!;
  return driverEffects(drivers, now.value, assumed).map((effect) => {
    const since = effect.from === 'hardness' ? now.waterSince : now.householdSince;
    return since === undefined ? effect : { ...effect, since };
  });
}
