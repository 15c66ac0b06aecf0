/** What a verdict does to the job. */
import type { Call } from '../context/context.ts';
import { noteEvent } from '../jobs/events.ts';
import { dropTask } from '../jobs/jobs.ts';
import { planAgain } from '../notices/planning.ts';
import type { Row } from '../store/tables.ts';
import { findingsOf } from '../words/findings.ts';

/** Whether it was work that somebody else had in hand by then. */
export const isOffered = (proof: Row<'proof'>): boolean => findingsOf(proof).some(({ check }) => check === 'offered');

/** The job follows its tasks: back to its doer when one was sent back, accepted when all are. */
export async function settleJob(call: Call, record: Row<'record'>, sentBack: string | null): Promise<void> {
  const { db } = call;
  if (!record.jobId || !record.taskId) return;
  // Offered work changes nothing of the job but that nobody else need do the part any more.
  if (isOffered((await db.proof.one({ recordId: record.id }))!)) {
    if (sentBack === null) await dropTask(call, record.pointId);
    return;
  }
  await db.task.update(
    { id: record.taskId },
    sentBack === null ? { state: 'accepted', sentBack: null } : { state: 'outstanding', sentBack },
  );
  const job = (await db.job.one({ id: record.jobId }))!;
  const tasks = await db.task.all({ jobId: job.id, state: ['outstanding', 'sent'] });
  const settled = tasks.length > 0 ? 'sent' : 'accepted';
  const state = tasks.some((task) => task.state === 'outstanding') ? 'given' : settled;
  if (state === job.state) return;
  await db.job.update({ id: job.id }, { state, revision: job.revision + 1, reason: sentBack });
  await noteEvent(call, job.id, state === 'given' ? 'sendBack' : 'accept', state, sentBack);
  if (state === 'given') await planAgain(call, { ...job, revision: job.revision + 1 });
}
