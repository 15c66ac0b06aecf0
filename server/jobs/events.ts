/** The events of a job, one a move. */
import type { Call } from '../context/context.ts';
import type { Row } from '../store/tables.ts';

/** Keeps a move of a job with who made it. */
export async function noteEvent(
  { env, db, actor, now }: Call,
  jobId: string,
  move: string,
  toState: Row<'job'>['state'],
  reason: string | null,
): Promise<void> {
  await db.jobEvent.insert({
    id: env.newId(),
    organisationId: actor.organisationId,
    jobId,
    at: now,
    personId: actor.personId,
    move,
    toState,
    reason,
  });
}
