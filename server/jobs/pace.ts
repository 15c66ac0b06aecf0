/** How fast a person is, from what they have done: a budget is counted in their own minutes. */
import { procedureOf, waitMinutes } from '../../core/catalogue/catalogue.ts';
import { paceOf, type TimedJob } from '../../core/jobs/pace.ts';
import type { ServiceRecord } from '../../core/proof/record.ts';
import type { Db } from '../store/db.ts';

/** Records looked back on. */
const LOOK_BACK = 24;

/** What of a record says how long its job took. */
export interface TimedRecord extends Pick<ServiceRecord, 'procedure' | 'methods' | 'startedAt' | 'doneAt'> {
  readonly jobId: string | null;
}

/** How long each job took, from the records of its parts; those without times are left out. */
export function timedJobs(records: readonly TimedRecord[]): Map<string, TimedJob> {
  const jobs = new Map<string, { expected: number; waits: number; minutes: number }>();
  for (const { jobId, startedAt, doneAt, procedure, methods } of records) {
    if (jobId === null || startedAt === null) continue;
    const done = procedureOf(procedure, methods);
    const known = jobs.get(jobId) ?? { expected: 0, waits: 0, minutes: (doneAt - startedAt) / 60_000 };
    jobs.set(jobId, { ...known, expected: known.expected + done.minutes, waits: known.waits + waitMinutes(done) });
  }
  return new Map(
    [...jobs].map(([id, { expected, waits, minutes }]) => [id, { expected, took: Math.max(0, minutes - waits) }]),
  );
}

/** Share of a newcomer's minutes that a person needs; 1 where nothing was timed yet. */
export async function personPace(db: Db, personId: string): Promise<number> {
  const rows = await db.record.all(
    { personId },
    { order: [['doneAt', 'DESC']], limit: LOOK_BACK, columns: ['jobId', 'canonical'] },
  );
  const records = rows.map(({ jobId, canonical }) => ({ ...(JSON.parse(canonical) as ServiceRecord), jobId }));
  return paceOf([...timedJobs(records).values()]);
}
