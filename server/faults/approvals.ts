/** Repairs that cost more than the limit: asked by staff, answered by a manager, before the fault can be closed so. */
import type { AnswerApproval, Approval, AskApproval, ChangeApprovalLimit } from '../../contract/faults/faults.ts';
import type { Call } from '../context/context.ts';
import { notFound, Problem } from '../context/problem.ts';
import { namesOf } from '../lookup/find.ts';
import { findScope } from '../lookup/scope.ts';
import type { Db } from '../store/db.ts';
import { factsOf, recordFact } from '../store/facts.ts';
import { closingWords } from './words.ts';

/** What a repair may cost without a manager's yes; null where nobody entered a limit. */
export async function approvalLimit(db: Db, organisationId: string): Promise<number | null> {
  return (await factsOf(db, [organisationId], 'approvalLimit')).at(-1)?.value.amount ?? null;
}

/**
 * Enters what a repair may cost without a manager's yes.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function changeApprovalLimit(call: Call, { amount }: ChangeApprovalLimit): Promise<object> {
  const { subjectId, today } = await findScope(call, 'organisation', null);
  await recordFact(call, subjectId, 'approvalLimit', { amount }, today);
  return {};
}

/**
 * Asks a manager's yes to what a repair is to cost; asked anew, the last counts.
 * @throws Problem: faultClosed (409), what is not there or not theirs (404)
 */
export async function askApproval(call: Call, faultId: string, { id, amount, note }: AskApproval): Promise<object> {
  const { db, actor, now, env } = call;
  const fault = await db.fault.one({ id: faultId, organisationId: actor.organisationId });
  if (!fault) throw notFound();
  if (fault.closedAt !== null) throw new Problem(409, 'faultClosed', { found: closingWords(env.say, fault) });
  await db.approval.insert({
    id,
    organisationId: actor.organisationId,
    faultId,
    amount,
    note,
    askedAt: now,
    askedBy: actor.personId,
    answer: null,
    answeredAt: null,
    answeredBy: null,
    words: '',
  });
  return {};
}

/**
 * A manager's yes or no. It may be changed until the fault is closed.
 * @throws Problem: faultClosed (409), what is not there or not theirs (404)
 */
export async function answerApproval(call: Call, id: string, { answer, words }: AnswerApproval): Promise<object> {
  const { db, actor, now, env } = call;
  const asked = await db.approval.one({ id, organisationId: actor.organisationId });
  if (!asked) throw notFound();
  const fault = (await db.fault.one({ id: asked.faultId }))!;
  if (fault.closedAt !== null) throw new Problem(409, 'faultClosed', { found: closingWords(env.say, fault) });
  await db.approval.update({ id }, { answer, words, answeredAt: now, answeredBy: actor.personId });
  return {};
}

/**
 * Refuses a cost above the limit that no manager has said yes to, be it the landlord's or put down to the tenant; what a
 * warranty pays is not asked for.
 * @throws Problem: needsYes (409)
 */
export async function refuseUnapproved(
  { db, actor, env }: Call,
  faultId: string,
  { cost, payer }: { readonly cost: number | null; readonly payer: string },
): Promise<void> {
  if (cost === null || payer === 'warranty' || actor.roles.includes('manager')) return;
  const limit = await approvalLimit(db, actor.organisationId);
  if (limit === null || cost <= limit) return;
  const [last] = await db.approval.all({ faultId }, { order: [['askedAt', 'DESC']], limit: 1 });
  if (last?.answer === 'yes' && last.amount >= cost) return;
  throw new Problem(409, 'needsYes', { limit: env.say.money(limit, actor.currency) });
}

/** What was last asked about each of some faults. */
export async function approvalsOf({ db, env }: Call, faultIds: readonly string[]): Promise<Map<string, Approval>> {
  const rows = await db.approval.all({ faultId: [...faultIds] }, { order: [['askedAt', 'ASC']] });
  const names = await namesOf(
    db,
    rows.flatMap(({ askedBy, answeredBy }) => [askedBy, answeredBy]),
  );
  const nameOf = (id: string) => names.get(id) ?? env.say('story.someone');
  return new Map(
    rows.map(({ id, faultId, amount, note, askedBy, askedAt, answer, answeredBy, words }) => [
      faultId,
      {
        id,
        amount,
        note,
        by: nameOf(askedBy),
        at: askedAt,
        answer,
        answeredBy: answeredBy === null ? null : nameOf(answeredBy),
        words,
      },
    ]),
  );
}
