/**
 * Burden: what a practice asks of people over a year.
 *
 * Every point falls due again and again by its interval. Points of one machine that fall due near each other
 * make one sitting; tenants get what is theirs up to their budget, the rest goes to staff; staff work in one
 * home within a fortnight is one door. It is a projection of the plan, without lateness or faults.
 */
import type { Day } from '../calendar/day.ts';
import { WASTE_ALLOWED } from '../jobs/sitting.ts';
import type { Level } from '../catalogue/types.ts';

/** Our assumption from common practice: a practised person needs a third to a half of a newcomer's minutes. */
export const PRACTISED = 0.4;
/** Our assumption: staff work in one home within so many days is one visit. */
export const VISIT_DAYS = 14;
const YEAR = 365;
const MONTH = YEAR / 12;

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
  /** Asks by itself; others ride along when near. */
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
  /** Null where no price is known. */
  readonly costAMonth: number | null;
  readonly materialsAMonth: number;
}

interface Job {
  readonly day: Day;
  readonly minutes: number;
}

/**
 * The burden of some points over the coming year.
 * @param tenanted whether a place has a tenant to ask
 * @param budgetOf the budget of the tenancy of a place
 */
export function burdenOf(points: readonly BurdenPoint[], tenanted: (placeId: string) => boolean, budgetOf: (placeId: string) => Budget, prices: Prices | null): Burden {
  const sum = { tenant: 0, most: 0, spilled: 0, staff: 0, minutes: 0, doors: 0, heavy: 0, weight: 0, materials: 0 };
  for (const [placeId, here] of grouped(points, ({ placeId }) => placeId)) {
    const forTenant: Job[] = [];
    const forStaff: Job[] = [];
    for (const [, machine] of grouped(here, ({ machineId }) => machineId)) {
      // What a tenant may do and what staff must do are sittings of their own.
      for (const tenantWork of [true, false]) {
        const group = machine.filter(({ level }) => (level === 'T' && tenanted(placeId)) === tenantWork);
        const jobs = sittings(group, (point) => {
          sum.heavy += point.heavy * point.riskWeight;
          sum.weight += point.riskWeight;
          sum.materials += point.materials;
        });
        (tenantWork ? forTenant : forStaff).push(...jobs);
      }
    }
    const { asked, spilled, most } = withinBudget(forTenant, budgetOf(placeId));
    sum.tenant += asked;
    sum.most = Math.max(sum.most, most);
    sum.spilled += spilled.length;
    const staff = [...forStaff, ...spilled].sort((a, b) => a.day - b.day);
    sum.staff += staff.length;
    sum.minutes += staff.reduce((total, { minutes }) => total + minutes, 0);
    sum.doors += visits(staff);
  }
  const hours = (sum.minutes * PRACTISED) / 60;
  return {
    tenantRequestsAMonth: sum.tenant / 12, mostInAMonth: sum.most, spilledAMonth: sum.spilled / 12,
    staffJobsAMonth: sum.staff / 12, staffHoursAMonth: hours / 12, doorsAMonth: sum.doors / 12,
    heavyShare: sum.weight > 0 ? sum.heavy / sum.weight : 0, materialsAMonth: sum.materials / 12,
    costAMonth: prices && (hours * prices.staffHour + sum.doors * prices.door + sum.materials) / 12,
  };
}

/** The sittings of some points of one machine over a year; `served` hears of each service. */
function sittings(points: readonly BurdenPoint[], served: (point: BurdenPoint) => void): Job[] {
  const next = points.map(({ firstDue }) => Math.max(0, firstDue));
  const jobs: Job[] = [];
  for (;;) {
    let lead = -1;
    points.forEach(({ scheduled }, i) => { if (scheduled && next[i]! < YEAR && (lead === -1 || next[i]! < next[lead]!)) lead = i; });
    if (lead === -1) return jobs;
    const day = next[lead]!;
    let minutes = 0;
    points.forEach((point, i) => {
      if (next[i]! - day > point.intervalDays * WASTE_ALLOWED && i !== lead) return;
      next[i] = day + point.intervalDays;
      minutes += point.minutes;
      served(point);
    });
    jobs.push({ day, minutes });
  }
}

function withinBudget(jobs: readonly Job[], { jobs: most, minutes: longest }: Budget): { asked: number; spilled: Job[]; most: number } {
  const spilled: Job[] = [];
  const months = new Map<number, { jobs: number; minutes: number }>();
  let asked = 0;
  for (const job of [...jobs].sort((a, b) => a.day - b.day)) {
    const key = Math.floor(job.day / MONTH);
    const month = months.get(key) ?? { jobs: 0, minutes: 0 };
    // One long job alone is still one job; only a second one can be too much.
    if (month.jobs >= most || (month.jobs > 0 && month.minutes + job.minutes > longest)) {
      spilled.push(job);
      continue;
    }
    months.set(key, { jobs: month.jobs + 1, minutes: month.minutes + job.minutes });
    asked += 1;
  }
  return { asked, spilled, most: Math.max(0, ...[...months.values()].map(({ jobs: many }) => many)) };
}

function visits(jobs: readonly Job[]): number {
  let count = 0;
  let opened = -Infinity;
  for (const { day } of jobs) {
    if (day - opened <= VISIT_DAYS) continue;
    opened = day;
    count += 1;
  }
  return count;
}

function grouped<T>(items: readonly T[], keyOf: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const item of items) {
    const group = groups.get(keyOf(item));
    if (group) group.push(item);
    else groups.set(keyOf(item), [item]);
  }
  return groups;
}
