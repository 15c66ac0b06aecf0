/** One verdict on several proofs that were looked at side by side. */
import type { JudgeMany, ManyJudged } from '../../contract/proof/proof.ts';
import type { Call } from '../context/context.ts';
import { problemOf } from '../context/problem.ts';
import { judgeProof } from './verdicts.ts';

/**
 * Judges each by itself: what contradicts itself is accepted alone, with its own reason, and never with the rest. What
 * could not be judged is named.
 */
export async function judgeMany(call: Call, { ids, verdict, reason }: JudgeMany): Promise<ManyJudged> {
  const done: string[] = [];
  const left: { id: string; says: string }[] = [];
  for (const id of ids) {
    const form = { verdict, reason: verdict === 'sendBack' ? reason : '' };
    const says = await problemOf(call, () => judgeProof(call, id, form));
    if (says === null) done.push(id);
    else left.push({ id, says });
  }
  return { done, left };
}
