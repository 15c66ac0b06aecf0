/** A job that somebody gives back because it is *not safe*: an alarm, whatever way it comes in. */
import type { MoveJob } from '../../contract/jobs/jobs.ts';
import type { Call } from '../context/context.ts';
import { findJob, moveJob } from '../jobs/jobs.ts';
import { raiseAlarm } from './alarms.ts';

/** Moves a job; *not safe* raises an alarm, which is never refused for being late. @throws Problem as `moveJob` does */
export async function moveOrRaise(call: Call, id: string, form: MoveJob): Promise<{ revision: number; state: string }> {
  if (form.reason !== 'notSafe' || form.move !== 'notAble') return moveJob(call, id, form);
  const { env, db } = call;
  await findJob(call, id);
  await raiseAlarm(call, {
    id: env.newId(),
    kind: 'other',
    jobId: id,
    machineId: null,
    note: form.note,
    still: form.still,
  });
  const { revision, state } = (await db.job.one({ id }))!;
  return { revision, state };
}
