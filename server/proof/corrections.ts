/** Correcting what was logged by mistake: another record or none in its place; the wrong one stays to be read. */
import { canonicalText } from '../../core/proof/record.ts';
import type { CorrectRecord } from '../../contract/jobs/jobs.ts';
import type { Call } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import { recompute } from '../due/recompute.ts';
import { appendToLog, commitPersonal } from '../log/log.ts';
import { logRecord, takeServiceBack } from './records.ts';
import { findProof } from './verdicts.ts';

/**
 * Says that a logged record was wrong. With a day, another record takes its place; without, the work was not done.
 * @throws Problem: what is not there or not theirs (404), notLogged, corrected, doneEarlier (409)
 */
export async function correctRecord(call: Call, id: string, form: CorrectRecord): Promise<{ id: string | null }> {
  const { db, actor, now } = call;
  const { organisationId, personId } = actor;
  const { proof, record } = await findProof(call, id);
  if (record.jobId !== null) throw new Problem(409, 'notLogged');
  if (proof.state === 'corrected') throw new Problem(409, 'corrected');
  await db.proof.update(
    { recordId: id },
    { state: 'corrected', judgedAt: now, judgedBy: personId, reason: form.reason },
  );
  await takeServiceBack(db, record, proof.sentAt);
  const canonical = canonicalText({
    schema: 1,
    kind: 'correction',
    record: id,
    recordHash: record.hash,
    by: await commitPersonal(call, id, 'correctedBy', personId),
    reason: await commitPersonal(call, id, 'correctedFor', form.reason),
    replacedBy: form.done === null ? null : form.id,
    at: now,
  });
  await appendToLog(db, { organisationId, kind: 'verdict', subjectId: id, canonical, at: now });
  await recompute(db, [record.pointId], now);
  if (form.done === null) return { id: null };
  const { id: newId, done, grade, note } = form;
  await logRecord(call, { id: newId, pointId: record.pointId, done, grade, finds: [], note, photoId: null }, id);
  return { id: newId };
}
