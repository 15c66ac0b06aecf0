/** Accepting clean work by rule: who is looked at, by which draw, and what counts without a look. */
import { dayOfInstant, type Day } from '../../core/calendar/day.ts';
import {
  drawLook,
  isTrusted,
  LOOK_RULE,
  truthOf,
  TEACHES_ABOVE,
  type DrawnLook,
  type LookRule,
} from '../../core/proof/trust.ts';
import type { Call } from '../context/context.ts';
import { factsOf, recordFact } from '../store/facts.ts';
import { readDrawnLooks } from '../sql/looks.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';
import { findingsOf } from '../words/findings.ts';
import { countService } from './records.ts';
import { settleJob } from './settle.ts';

/** How proofs are looked at in an organisation. */
export const lookRuleOf = async (db: Db, organisationId: string): Promise<LookRule> =>
  (await factsOf(db, [organisationId], 'lookRule')).at(-1)?.value ?? LOOK_RULE;

/** Changes how proofs are looked at, from now on. */
export async function changeLookRule(call: Call, rule: LookRule): Promise<object> {
  await recordFact(call, call.actor.organisationId, 'lookRule', rule, dayOfInstant(call.now, 'UTC'));
  return {};
}

/** Looks at a person's clean work that chance, or being among the first, chose, and how each ended. */
export async function drawnLooks(db: Db, personId: string): Promise<DrawnLook[]> {
  const draws = await readDrawnLooks(db, personId);
  return draws.map(({ state, at }) => ({ day: dayOfInstant(at, 'UTC'), held: state !== 'sentBack' }));
}

const isClean = (proof: Row<'proof'>): boolean => findingsOf(proof).every(({ weight }) => weight === 'fine');

/**
 * Draws for what was just sent, and accepts by rule what is clean, not safety-critical, of somebody trusted and not
 * drawn: level *checked*. What it teaches counts as confirmed only while the draws show this person's work to be true.
 * @param sent records with whether their part is safety-critical
 * @returns whether any was accepted
 */
export async function acceptByRule(
  call: Call,
  sent: readonly { readonly id: string; readonly safetyCritical: boolean }[],
): Promise<boolean> {
  const { env, db, actor, now } = call;
  const { organisationId, personId } = actor;
  const rule = await lookRuleOf(db, organisationId);
  const today: Day = dayOfInstant(now, 'UTC');
  const looks = await drawnLooks(db, personId);
  const trusted = isTrusted(looks, rule);
  const teaches = truthOf(looks, today).low > TEACHES_ABOVE;
  let accepted = false;
  for (const { id: recordId, safetyCritical } of sent) {
    const proof = (await db.proof.one({ recordId }))!;
    if (safetyCritical || proof.state !== 'waiting' || !isClean(proof)) continue;
    const seed = env.secret();
    const { probability, drawn } = drawLook(seed, trusted, rule);
    await db.draw.insert({ recordId, organisationId, personId, seed, probability, drawn: drawn ? 1 : 0, at: now });
    if (drawn) continue;
    await db.proof.update({ recordId }, { state: 'accepted', evidence: 'checked', judgedAt: now });
    await countService(call, recordId, 'checked', teaches);
    await settleJob(call, (await db.record.one({ id: recordId }))!, null);
    accepted = true;
  }
  return accepted;
}
