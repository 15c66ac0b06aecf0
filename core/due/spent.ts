/**
 * What upkeep took of people, beside what a practice was to ask (`burden.ts`): counted from what was done, in the same
 * units a month.
 */
import { DAYS_A_MONTH, type Day } from '../calendar/day.ts';
import { grouped } from '../statistics/grouped.ts';
import { costOf, PRACTISED, type Cost, type Prices } from './burden.ts';

/** Who did it: a licensed trade comes by call. */
export type DoneBy = 'tenant' | 'staff' | 'trade';

/** Parts that were served together: a job, or one service that was logged afterwards. */
export interface DoneWork {
  readonly placeId: string;
  readonly day: Day;
  readonly by: DoneBy;
  /** A newcomer's hands-on minutes of it. */
  readonly expected: number;
  /** Minutes that it took, waits taken off, as far as they count; null where nobody timed it. */
  readonly took: number | null;
  /** Price of what it used up. */
  readonly materials: number;
  readonly parts: readonly DonePart[];
}

export interface DonePart {
  readonly riskWeight: number;
  /** Whether it was found heavy or blocked; null where nobody said. */
  readonly heavy: boolean | null;
}

/** What a home was asked for, on a day. */
export interface AskedWork {
  readonly placeId: string;
  readonly day: Day;
}

export interface Spent {
  readonly services: number;
  /** Works of staff that nobody timed: a practised person's minutes stand for them. */
  readonly untimed: number;
  /** Works of staff, those among them. */
  readonly staffWorks: number;
  readonly tenantRequestsAMonth: number;
  /** Requests in the fullest month of any home. */
  readonly mostInAMonth: number;
  readonly staffHoursAMonth: number;
  /** Homes entered by staff, each once a day. */
  readonly doorsAMonth: number;
  readonly callsAMonth: number;
  /** Share of services with a condition, weighted by risk, that found the part heavy or blocked; null without any. */
  readonly heavyShare: number | null;
  /** Null where no price is known. */
  readonly cost: Cost | null;
}

/** Less says nothing of a month. */
export const LEAST_DAYS = 60;

/** @param days from the first of the days looked at to the last, > 0 */
export function spentIn(
  works: readonly DoneWork[],
  asked: readonly AskedWork[],
  days: number,
  prices: Prices | null,
): Spent {
  const months = days / DAYS_A_MONTH;
  const of = (by: DoneBy) => works.filter((work) => work.by === by);
  const visits = (by: DoneBy) => new Set(of(by).map(({ placeId, day }) => `${placeId} ${day}`)).size;
  const minutes = of('staff').map(({ took, expected }) => took ?? expected * PRACTISED);
  const hours = minutes.reduce((sum, it) => sum + it, 0) / 60;
  const parts = works.flatMap((work) => work.parts);
  const graded = parts.filter(({ heavy }) => heavy !== null);
  const weigh = (some: readonly DonePart[]) => some.reduce((sum, { riskWeight }) => sum + riskWeight, 0);
  const fullest = [...grouped(asked, ({ placeId, day }) => `${placeId} ${Math.floor(day / DAYS_A_MONTH)}`).values()];
  const total = {
    hours,
    doors: visits('staff'),
    calls: visits('trade'),
    materials: works.reduce((sum, { materials }) => sum + materials, 0),
  };
  return {
    services: parts.length,
    untimed: of('staff').filter(({ took }) => took === null).length,
    staffWorks: of('staff').length,
    tenantRequestsAMonth: asked.length / months,
    mostInAMonth: Math.max(0, ...fullest.map((some) => some.length)),
    staffHoursAMonth: hours / months,
    doorsAMonth: total.doors / months,
    callsAMonth: total.calls / months,
    heavyShare: graded.length === 0 ? null : weigh(graded.filter(({ heavy }) => heavy)) / weigh(graded),
    cost: prices && costOf(prices, total, months),
  };
}
