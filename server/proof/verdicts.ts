/** The proof queue, a proof, and the verdict on it. */
import { isoFromDay, MS_PER_DAY } from '../../core/calendar/day.ts';
import { windowOf } from '../../core/due/line.ts';
import { canonicalText, type EvidenceLevel, type ServiceRecord } from '../../core/proof/record.ts';
import type { Judge, ProofSummary, Verdict } from '../../contract/proof/proof.ts';
import type { Specification } from '../../contract/register/machines.ts';
import { computeLine } from '../../core/due/compute.ts';
import { readHistory } from '../due/history.ts';
import { lineOfMark } from '../../contract/due/due.ts';
import { namesOf } from '../lookup/find.ts';
import { machineName } from '../lookup/names.ts';
import { recompute } from '../due/recompute.ts';
import type { Check } from '../../core/proof/checks.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import { noteEvent } from '../jobs/events.ts';
import { liveJobOf } from '../lookup/liveJob.ts';
import { factsOf } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { findingsOf, tellFindings } from '../words/findings.ts';
import { countService, takeServiceBack } from './records.ts';
import { isOffered, settleJob } from './settle.ts';
import { appendToLog, commitPersonal } from '../log/log.ts';
import { writeSpecification } from '../due/specification.ts';

/** Proofs as the queue shows them. */
export async function summarise({ db, env: { say } }: Call, proofs: readonly Row<'proof'>[]): Promise<ProofSummary[]> {
  const records = new Map(
    (await db.record.all({ id: proofs.map(({ recordId }) => recordId) })).map((it) => [it.id, it]),
  );
  const points = new Map((await db.point.all({ id: proofs.map(({ pointId }) => pointId) })).map((it) => [it.id, it]));
  // By its machine, not its mark: a part that was left out, or a retired machine, has none, and its proof is judged all
  // the same.
  const machines = new Map(
    (await db.machine.all({ id: [...points.values()].map(({ machineId }) => machineId) })).map((it) => [it.id, it]),
  );
  const places = new Map(
    (await db.place.all({ id: [...machines.values()].map(({ placeId }) => placeId) })).map((it) => [it.id, it]),
  );
  const names = await namesOf(
    db,
    [...records.values()].map(({ personId }) => personId),
  );
  const properties = new Map(
    (await db.property.all({ id: [...new Set([...places.values()].map(({ propertyId }) => propertyId))] })).map(
      (it) => [it.id, it],
    ),
  );
  const machineOf = ({ pointId }: Row<'proof'>) => machines.get(points.get(pointId)!.machineId)!;
  const placeOf = (proof: Row<'proof'>) => places.get(machineOf(proof).placeId)!;
  return proofs.map((proof) => {
    const record = records.get(proof.recordId)!;
    const worst = tellFindings(say, record, proof)[0];
    return {
      id: proof.recordId,
      title: say(`point.${points.get(proof.pointId)!.procedure}`),
      place: placeOf(proof).name,
      property: properties.get(placeOf(proof).propertyId)!.name,
      machine: machineName(say, machineOf(proof)),
      machineId: machineOf(proof).id,
      by: (record.personId && names.get(record.personId)) ?? say('story.someone'),
      sentAt: proof.sentAt,
      worst: worst && worst.weight !== 'fine' ? worst.says : null,
      weight: worst?.weight ?? 'fine',
    };
  });
}

/**
 * A proof of the caller’s organisation, with its record.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function findProof({ db, actor: { organisationId } }: Call, id: string) {
  const proof = await db.proof.one({ recordId: id, organisationId });
  const record = proof && (await db.record.one({ id }));
  if (!proof || !record) throw notFound();
  return { proof, record };
}

/** What accepting would do: the same computation, with this service in it. */
export async function effectOf({ db, now, env: { say } }: Call, record: Row<'record'>): Promise<string> {
  const history = await readHistory(db, record.pointId, now);
  const mark = await db.mark.one({ pointId: record.pointId });
  if (!mark) return say('effect.gone');
  const window = windowOf(lineOfMark(mark), history.procedure.safetyCritical);
  const { grade } = JSON.parse(record.canonical) as ServiceRecord;
  const conditions = [
    ...history.inputs.conditions,
    { day: record.doneDay, kind: 'service' as const, grade, confirmed: true },
  ].sort((a, b) => a.day - b.day);
  const next = computeLine({ ...history.inputs, conditions, signalDay: null }, history.today);
  return say('effect.accept', {
    done: say.shortDay(record.doneDay),
    next: say.shortDay(next.lineDay),
    late: window && record.doneDay > window.closes ? record.doneDay - (mark.servedDay + mark.intervalDays) : 0,
  });
}

/**
 * Takes a verdict: what is accepted counts from the day it was done.
 * @throws Problem: judged (409), what is not there or not theirs (404)
 */
export async function judgeProof(call: Call, id: string, form: Judge): Promise<{ state: string }> {
  const { env, db, actor, now } = call;
  const { proof, record } = await findProof(call, id);
  if (proof.state !== 'waiting') {
    const by = proof.judgedBy ? (await namesOf(db, [proof.judgedBy])).get(proof.judgedBy)! : env.say('story.someone');
    throw new Problem(409, 'judged', { by, verdict: env.say(`verdict.${proof.state}`) });
  }
  const state = ({ accept: 'accepted', sendBack: 'sentBack', registerWrong: 'registerWrong' } as const)[form.verdict];
  const reason = form.reason || null;
  if (form.verdict !== 'sendBack' && reason === null && isContradicted(proof, form.verdict))
    throw fieldProblem('reason', 'field.overFail');
  // Whoever did it and judged it has certified it themselves, whatever was accepted.
  const evidence: EvidenceLevel = record.personId === actor.personId ? 'selfCertified' : 'proven';
  await db.proof.update({ recordId: id }, { state, judgedAt: now, judgedBy: actor.personId, reason, evidence });
  await logVerdict(call, record, form.verdict, reason);
  if (form.verdict === 'registerWrong') {
    const known = (await factsOf(db, [record.pointId], 'specification')).at(-1)?.value ?? {};
    await writeSpecification(call, record.pointId, { ...known, ...form.specification } as Specification);
  }
  if (form.verdict !== 'sendBack') await countService(call, id, evidence);
  await settleJob(call, record, form.verdict === 'sendBack' ? reason : null);
  await recompute(db, [record.pointId], now);
  return { state };
}

/** Contradictions that a wrong register explains. */
const OF_REGISTER: readonly string[] = ['wrongSize', 'forbiddenAgent'] satisfies Check[];

const isContradicted = (proof: Row<'proof'>, verdict: Verdict): boolean =>
  findingsOf(proof).some(
    ({ weight, check }) => weight === 'fail' && !(verdict === 'registerWrong' && OF_REGISTER.includes(check)),
  );

/** Whoever judged it, in words; null before. */
export async function judgedWords(
  { db, env: { say } }: Call,
  { judgedAt, judgedBy, state, reason }: Row<'proof'>,
): Promise<string | null> {
  if (judgedAt !== null && judgedBy === null) return say('proof.byRule');
  if (judgedAt === null || judgedBy === null) return null;
  return say('proof.judgedBy', {
    verdict: say(`verdict.${state}`),
    by: (await namesOf(db, [judgedBy])).get(judgedBy) ?? say('story.someone'),
    reason: reason ?? 'none',
  });
}

/** A verdict may be taken back for so long. */
export const UNDO_MS = 10 * 60_000;

/** What was accepted by rule may still be looked at for so long. */
const LOOK_AFTER_MS = 30 * MS_PER_DAY;

const isByRule = ({ state, evidence, judgedBy }: Row<'proof'>) =>
  state === 'accepted' && evidence === 'checked' && judgedBy === null;

/**
 * Takes one's own verdict back within ten minutes, or looks after all at what was accepted by rule: the proof waits
 * again, and what it did is undone. A mended register stays mended.
 * @throws Problem 409 where it is too late, somebody else's, or the doer has begun again
 */
export async function undoVerdict(call: Call, id: string): Promise<{ state: string }> {
  const { db, actor, now } = call;
  const { proof, record } = await findProof(call, id);
  if (
    proof.judgedAt === null ||
    !(isByRule(proof) || proof.judgedBy === actor.personId) ||
    now - proof.judgedAt > (isByRule(proof) ? LOOK_AFTER_MS : UNDO_MS) ||
    proof.state === 'registerWrong' ||
    isOffered(proof) ||
    !record.jobId
  )
    throw new Problem(409, 'undoOver');
  const job = (await db.job.one({ id: record.jobId }))!;
  const task = (await db.task.one({ id: record.taskId! }))!;
  const taken = await liveJobOf(db, record.pointId);
  if (taken && taken.id !== job.id) throw new Problem(409, 'undoOver');
  if (proof.state === 'sentBack' && (job.state !== 'given' || task.state !== 'outstanding'))
    throw new Problem(409, 'undoOver');
  if (proof.state === 'accepted') await takeServiceBack(db, record, proof.judgedAt);
  await db.proof.update(
    { recordId: id },
    { state: 'waiting', judgedAt: null, judgedBy: null, reason: null, evidence: 'proven' },
  );
  await logVerdict(call, record, 'undo', null);
  await db.task.update({ id: task.id }, { state: 'sent', sentBack: null });
  const state = (await db.task.count({ jobId: job.id, state: 'outstanding' })) > 0 ? 'given' : 'sent';
  if (job.state !== state) {
    await db.job.update({ id: job.id }, { state, revision: job.revision + 1, reason: null });
    await noteEvent(call, job.id, 'undo', state, null);
  }
  await recompute(db, [record.pointId], now);
  return { state: 'waiting' };
}

/** Verdicts stand in the log beside their records; who and why are personal. */
async function logVerdict(call: Call, record: Row<'record'>, verdict: string, reason: string | null): Promise<void> {
  const {
    db,
    actor: { organisationId, personId },
    now,
  } = call;
  const canonical = canonicalText({
    schema: 1,
    kind: 'verdict',
    record: record.id,
    recordHash: record.hash,
    verdict,
    at: now,
    day: isoFromDay(record.doneDay),
    by: await commitPersonal(call, record.id, 'judgedBy', personId),
    reason: reason === null ? null : await commitPersonal(call, record.id, 'reason', reason),
  });
  await appendToLog(db, { organisationId, kind: 'verdict', subjectId: record.id, canonical, at: now });
}
