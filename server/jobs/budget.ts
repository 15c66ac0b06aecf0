/** A tenancy's budget: how much it was asked for this month, and whether one more job fits. */
import { civilOf, dayOfCivil } from '../../core/calendar/civil.ts';
import { dayOfInstant, instantOfDay, type Day } from '../../core/calendar/day.ts';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import type { Budget } from '../../core/due/burden.ts';
import { budgetOf } from '../due/settings.ts';
import { personPace } from './pace.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';

export interface BudgetUse extends Budget {
  readonly usedJobs: number;
  readonly usedMinutes: number;
  /** Share of a newcomer's minutes that this tenant needs; minutes here are their own. */
  readonly pace: number;
}

/**
 * What a tenancy was asked for in the calendar month of an instant: requests, of which a home list is one, and minutes
 * of their own pace. Jobs that were cancelled do not count, nor those that the tenant began unasked.
 */
export async function budgetUse(db: Db, tenancy: Row<'tenancy'>, now: number, zone: string): Promise<BudgetUse> {
  const today: Day = dayOfInstant(now, zone);
  const { year, month } = civilOf(today);
  const since = instantOfDay(dayOfCivil(year, month, 1), 0, zone);
  const given = (await db.job.all({ assigneeId: tenancy.personId, placeId: tenancy.placeId })).filter(
    ({ givenAt, state }) => givenAt !== null && givenAt >= since && givenAt <= now && state !== 'cancelled',
  );
  const begun =
    given.length === 0
      ? []
      : await db.jobEvent.all(
          { jobId: given.map(({ id }) => id), move: 'give', personId: tenancy.personId },
          { columns: ['jobId'] },
        );
  const jobs = given.filter(({ id }) => !begun.some(({ jobId }) => jobId === id));
  const tasks =
    jobs.length === 0
      ? []
      : (await db.task.all({ jobId: jobs.map(({ id }) => id) })).filter(({ state }) => state !== 'dropped');
  const points = tasks.length === 0 ? [] : await db.point.all({ id: tasks.map(({ pointId }) => pointId) });
  const pace = await personPace(db, tenancy.personId);
  return {
    ...(await budgetOf(db, tenancy.organisationId, tenancy.id, today)),
    usedJobs: new Set(jobs.map(({ id, listId }) => listId ?? id)).size,
    usedMinutes: Math.round(points.reduce((sum, { procedure }) => sum + procedureOf(procedure).minutes, 0) * pace),
    pace,
  };
}

/** Whether a job of so many minutes still fits. One job alone may be longer than the minutes. */
export function fitsBudget({ jobs, minutes, usedJobs, usedMinutes }: BudgetUse, more: number): boolean {
  return usedJobs < jobs && (usedJobs === 0 || usedMinutes + more <= minutes);
}
