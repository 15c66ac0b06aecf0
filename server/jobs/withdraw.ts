/**
 * Taking back what one has sent, as long as nobody has judged it: something was noticed, and it is mended before
 * anybody looks.
 */
import { recomputeWork } from '../due/recompute.ts';
import { houseVoice, type Call } from '../context/context.ts';
import { notFound, Problem } from '../context/problem.ts';
import { noteEvent } from './events.ts';

/**
 * The job is in hand again; what was sent stands in the record as withdrawn, and its photos may be used once more.
 * @throws Problem 409 once somebody has judged any of it
 */
export async function withdrawJob(call: Call, id: string): Promise<{ state: string }> {
  const { db, actor, now } = call;
  const job = await db.job.one({ id, organisationId: actor.organisationId, assigneeId: actor.personId });
  if (!job) throw notFound();
  const tasks = await db.task.all({ jobId: id, state: 'sent' });
  const records = await db.record.all(
    { taskId: tasks.map((task) => task.id), personId: actor.personId },
    { columns: ['id', 'pointId'] },
  );
  const proofs = await db.proof.all({ recordId: records.map((record) => record.id), state: 'waiting' });
  const judged = (await db.task.count({ jobId: id, state: 'accepted' })) > 0;
  if (job.state !== 'sent' || judged || proofs.length !== tasks.length) throw new Problem(409, 'withdrawOver');
  const waiting = proofs.map(({ recordId }) => recordId);
  await db.proof.update(
    { recordId: waiting },
    { state: 'sentBack', judgedAt: now, judgedBy: actor.personId, reason: houseVoice(call)('job.withdrawn') },
  );
  await db.photoUse.remove({ subjectId: waiting });
  await db.task.update({ id: tasks.map((task) => task.id) }, { state: 'outstanding', sentBack: null });
  await db.job.update({ id }, { state: 'started', revision: job.revision + 1 });
  await noteEvent(call, id, 'withdraw', 'started', null);
  await recomputeWork(
    db,
    records.map(({ pointId }) => pointId),
    now,
  );
  return { state: 'started' };
}
