/** The job that has a point taken. */
import { LIVE_STATES } from '../../core/jobs/transitions.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';

/** The job that a point is in just now. */
export async function liveJobOf(db: Db, pointId: string): Promise<Row<'job'> | undefined> {
  const tasks = await db.task.all({ pointId, state: ['outstanding', 'sent'] });
  const jobs =
    tasks.length === 0 ? [] : await db.job.all({ id: tasks.map(({ jobId }) => jobId), state: [...LIVE_STATES] });
  return jobs.at(-1);
}
