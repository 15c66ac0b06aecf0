/** How fast a person is, from what they have done: a budget is counted in their own minutes. */
import { procedureOf, waitMinutes } from '../../core/catalogue/catalogue.ts';
import { paceOf, type TimedJob } from '../../core/jobs/pace.ts';
import type { ServiceRecord } from '../../core/proof/record.ts';
import type { Db } from '../store/db.ts';

/** Records looked back on. */
const LOOK_BACK = 24;

/** Share of a newcomer's minutes that a person needs; 1 where nothing was timed yet. */
export async function personPace(db: Db, personId: string): Promise<number> {
  const rows = await db.record.all(
    { personId },
    { order: [['doneAt', 'DESC']], limit: LOOK_BACK, columns: ['jobId', 'canonical'] },
  );
  const jobs = new Map<string, { expected: number; waits: number; took: number }>();
  for (const { jobId, canonical } of rows) {
    const { startedAt, doneAt, procedure, methods } = JSON.parse(canonical) as ServiceRecord;
    if (jobId === null || startedAt === null) continue;
    const done = procedureOf(procedure, methods);
    const known = jobs.get(jobId) ?? { expected: 0, waits: 0, took: (doneAt - startedAt) / 60_000 };
    jobs.set(jobId, { ...known, expected: known.expected + done.minutes, waits: known.waits + waitMinutes(done) });
  }
  return paceOf(
    [...jobs.values()].map(({ expected, waits, took }): TimedJob => ({ expected, took: Math.max(0, took - waits) })),
  );
}
