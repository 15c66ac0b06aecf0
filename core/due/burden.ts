/**
 * Burden: what a practice asks of people over a year.
 *
 * Every point falls due again and again by its interval. Points of one machine that fall due near each other
 * make one sitting; tenants get what is theirs up to their budget, the rest goes to staff; staff work in one
 * home within a fortnight is one door, a licensed trade's is one call. It is a projection of the plan, without
 * lateness or faults.
 */
import { DAYS_A_MONTH, DAYS_A_YEAR, type Day } from '../calendar/day.ts';
import type { Level, Procedure } from '../catalogue/types.ts';
import { grouped } from '../statistics/grouped.ts';
import { WINDOW_OPENS } from './line.ts';
import { JOIN_SHARE } from './riders.ts';

/** Our assumption from common practice: a practised person needs a third to a half of a newcomer's minutes. */
export const PRACTISED = 0.4;
/** Our assumption: staff work in one home within so many days is one visit. */
export const VISIT_DAYS = 14;

export interface Budget {
  /** Jobs and hands-on minutes that a tenancy may be asked for in a month. */
  readonly jobs: number;
  readonly minutes: number;
}

/** The product's default. */
export const BUDGET: Budget = { jobs: 2, minutes: 40 };

export interface BurdenPoint {
  readonly placeId: string;
  readonly machineId: string;
  readonly level: Level;
  readonly minutes: number;
  /** Opens its machine by itself; others ride with it, and ask by their line where nothing does. */
  readonly scheduled: boolean;
  /** Days from now to its line; at most 0 when it is due. */
  readonly firstDue: number;
  /** Days between services, ≥ 1. */
  readonly intervalDays: number;
  readonly riskWeight: number;
  /** Chance that it is heavy or worse when served on its line. */
  readonly heavy: number;
  /** Price of what one service uses up. */
  readonly materials: number;
}

export interface Prices {
  readonly staffHour: number;
  readonly door: number;
  /** One call of a licensed trade; where nobody has said, calls are counted and not priced. */
  readonly call?: number | null;
}

/** Price of what one service uses up, as far as its materials have one. */
export const priceOfMaterials = (
  { materials }: Pick<Procedure, 'materials'>,
  prices: Readonly<Record<string, number>>,
): number => materials.reduce((sum, { what }) => sum + (prices[what] ?? 0), 0);

/** What a month costs, part by part. */
export interface Cost {
  readonly hours: number;
  readonly doors: number;
  /** Null where calls are made and have no price. */
  readonly calls: number | null;
  readonly materials: number;
  /** Of all that has a price. */
  readonly total: number;
}

export interface Burden {
  readonly tenantRequestsAMonth: number;
  /** Requests in the fullest month of any tenancy. */
  readonly mostInAMonth: number;
  /** Tenant work that goes to staff because a budget is full, a month. */
  readonly spilledAMonth: number;
  readonly staffJobsAMonth: number;
  readonly staffHoursAMonth: number;
  readonly doorsAMonth: number;
  /** Share of services, weighted by risk, at which the part is heavy or blocked by then. */
  readonly heavyShare: number;
  /** Visits of a licensed trade. */
  readonly callsAMonth: number;
  /** Null where no price is known. */
  readonly cost: Cost | null;
  /** Month by month from now: what tenants are asked for and what staff need, in their own minutes. */
  readonly months: readonly BurdenMonth[];
  /** Homes that have a tenant to ask. */
  readonly tenancies: number;
}

export interface BurdenMonth {
  readonly requests: number;
  readonly tenantMinutes: number;
  readonly staffHours: number;
  readonly doors: number;
}

interface Job {
  readonly day: Day;
  readonly minutes: number;
  /** Days before its day from which it may be asked for with others. */
  readonly early: number;
}

/**
 * The burden of some points over the coming year, or over several: what comes every nine months is no whole number a year.
 * @param tenanted whether a place has a tenant to ask
 * @param budgetOf the budget of the tenancy of a place
 * @param paceOf share of a newcomer's minutes that its tenant needs
 * @param years whole years from 1 on that the months are a mean of; `months` has them all
 */
export function burdenOf(
  points: readonly BurdenPoint[],
  tenanted: (placeId: string) => boolean,
  budgetOf: (placeId: string) => Budget,
  prices: Prices | null,
  paceOf: (placeId: string) => number = () => 1,
  years = 1,
): Burden {
  const span = 12 * years;
  const months = Array.from({ length: span }, () => ({ requests: 0, tenantMinutes: 0, staffHours: 0, doors: 0 }));
  const monthOf = (day: Day) => months[Math.min(span - 1, Math.floor(day / DAYS_A_MONTH))]!;
  const sum = { most: 0, spilled: 0, staff: 0, calls: 0, heavy: 0, weight: 0, materials: 0 };
  let tenancies = 0;
  for (const [placeId, here] of grouped(points, ({ placeId }) => placeId)) {
    if (tenanted(placeId)) tenancies += 1;
    const forTenant: Job[] = [];
    const forStaff: Job[] = [];
    const forTrade: Job[] = [];
    for (const [, machine] of grouped(here, ({ machineId }) => machineId)) {
      // What a tenant may do, what staff must do and what a licensed trade must do are sittings of their own.
      const doerOf = ({ level }: BurdenPoint) => {
        if (level === 'licensed') return forTrade;
        return level === 'tenant' && tenanted(placeId) ? forTenant : forStaff;
      };
      for (const theirs of [forTenant, forStaff, forTrade]) {
        const group = machine.filter((point) => doerOf(point) === theirs);
        const jobs = sittings(group, DAYS_A_YEAR * years, (point) => {
          sum.heavy += point.heavy * point.riskWeight;
          sum.weight += point.riskWeight;
          sum.materials += point.materials;
        });
        theirs.push(...jobs);
      }
    }
    const { requests, spilled, most } = withinBudget(forTenant, budgetOf(placeId), paceOf(placeId));
    for (const { day, minutes } of requests) {
      monthOf(day).requests += 1;
      monthOf(day).tenantMinutes += minutes * paceOf(placeId);
    }
    sum.most = Math.max(sum.most, most);
    sum.spilled += spilled.length;
    const staff = [...forStaff, ...spilled].sort((a, b) => a.day - b.day);
    for (const { day, minutes } of staff) monthOf(day).staffHours += (minutes * PRACTISED) / 60;
    sum.staff += staff.length;
    for (const day of visits(staff)) monthOf(day).doors += 1;
    sum.calls += visits(forTrade.toSorted((a, b) => a.day - b.day)).length;
  }
  const over = (of: (month: BurdenMonth) => number) => months.reduce((total, month) => total + of(month), 0);
  const hours = over(({ staffHours }) => staffHours);
  const doors = over((month) => month.doors);
  return {
    tenantRequestsAMonth: over(({ requests }) => requests) / span,
    mostInAMonth: sum.most,
    spilledAMonth: sum.spilled / span,
    staffJobsAMonth: sum.staff / span,
    staffHoursAMonth: hours / span,
    doorsAMonth: doors / span,
    heavyShare: sum.weight > 0 ? sum.heavy / sum.weight : 0,
    callsAMonth: sum.calls / span,
    months,
    tenancies,
    cost: prices && costOf(prices, { ...sum, doors, hours }, span),
  };
}

/** What a month costs. @param sum what so many months come to; its materials are priced already */
export function costOf(
  prices: Prices,
  sum: { readonly hours: number; readonly doors: number; readonly calls: number; readonly materials: number },
  months: number,
): Cost {
  const hours = (sum.hours * prices.staffHour) / months;
  const doors = (sum.doors * prices.door) / months;
  const priced = ((prices.call ?? 0) * sum.calls) / months;
  const calls = prices.call == null && sum.calls > 0 ? null : priced;
  const materials = sum.materials / months;
  return { hours, doors, calls, materials, total: hours + doors + priced + materials };
}

/**
 * The sittings of some points of one machine over so many days; `served` hears of each service. Whatever falls due first
 * opens it.
 */
function sittings(points: readonly BurdenPoint[], days: number, served: (point: BurdenPoint) => void): Job[] {
  const next = points.map(({ firstDue }) => Math.max(0, firstDue));
  const opens = Math.min(...points.filter(({ scheduled }) => scheduled).map(({ intervalDays }) => intervalDays));
  const jobs: Job[] = [];
  for (;;) {
    let lead = -1;
    points.forEach((_, i) => {
      if (next[i]! < days && (lead === -1 || next[i]! < next[lead]!)) lead = i;
    });
    if (lead === -1) return jobs;
    const day = next[lead]!;
    const again = day + Math.min(opens, points[lead]!.intervalDays);
    let minutes = 0;
    points.forEach((point, i) => {
      const near = next[i]! - day <= point.intervalDays * (1 - JOIN_SHARE);
      // A rider that would pass before the machine is opened again comes along now.
      if (i !== lead && !near && (point.scheduled || next[i]! >= again)) return;
      next[i] = day + point.intervalDays;
      minutes += point.minutes;
      served(point);
    });
    jobs.push({ day, minutes, early: points[lead]!.intervalDays * (1 - WINDOW_OPENS) });
  }
}

/**
 * Sittings of one home that are near enough are one request, on the day of the first; what a month does not hold goes
 * to staff.
 */
function withinBudget(
  jobs: readonly Job[],
  { jobs: most, minutes: longest }: Budget,
  pace: number,
): { requests: { day: Day; minutes: number }[]; spilled: Job[]; most: number } {
  const spilled: Job[] = [];
  const requests: { day: Day; minutes: number }[] = [];
  const months = new Map<number, { requests: number; minutes: number }>();
  const open = [...jobs].sort((a, b) => a.day - b.day);
  while (open.length > 0) {
    const first = open.shift()!;
    const key = Math.floor(first.day / DAYS_A_MONTH);
    const month = months.get(key) ?? { requests: 0, minutes: 0 };
    // One long sitting alone is still one request; only more of it can be too much.
    if (month.requests >= most || (month.requests > 0 && month.minutes + first.minutes * pace > longest)) {
      spilled.push(first);
      continue;
    }
    let minutes = first.minutes;
    for (const other of open.filter(({ day, early }) => day - early <= first.day)) {
      if (month.minutes + (minutes + other.minutes) * pace > longest) continue;
      minutes += other.minutes;
      open.splice(open.indexOf(other), 1);
    }
    requests.push({ day: first.day, minutes });
    months.set(key, { requests: month.requests + 1, minutes: month.minutes + minutes * pace });
  }
  return { requests, spilled, most: Math.max(0, ...[...months.values()].map(({ requests: many }) => many)) };
}

/** Days on which a home is entered. */
function visits(jobs: readonly Job[]): Day[] {
  const entered: Day[] = [];
  for (const { day } of jobs) if (day - (entered.at(-1) ?? -Infinity) > VISIT_DAYS) entered.push(day);
  return entered;
}
