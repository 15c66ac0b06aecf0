/** From which share of its parts past the line on a home is in breach: the office's own, or ours. */
import type { Day } from '../../core/calendar/day.ts';
import { BREACH_SHARE } from '../../core/standing/standing.ts';
import type { ChangeVerdict } from '../../contract/standing/standing.ts';
import type { Call } from '../context/context.ts';
import { findScope } from '../lookup/scope.ts';
import type { Db } from '../store/db.ts';
import { nearestFact, recordFact } from '../store/facts.ts';

/** The share that held on a day: what is entered today changes no verdict of last year. */
export const breachShareOn = async (db: Db, organisationId: string, day: Day): Promise<number> =>
  (await nearestFact(db, [organisationId], 'breachShare', day))?.value.share ?? BREACH_SHARE;

/**
 * Enters the share from today on.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function changeBreachShare(call: Call, { percent }: ChangeVerdict): Promise<object> {
  const { subjectId, today } = await findScope(call, 'organisation', null);
  await recordFact(call, subjectId, 'breachShare', { share: percent / 100 }, today);
  return {};
}
