/** Who may come into a home. */
import { DOING_STATES } from '../../core/jobs/transitions.ts';
import type { Call } from '../context/context.ts';
import { namesOf, officeOf } from '../lookup/find.ts';
import { lookingAfter } from '../lookup/looksAfter.ts';
import type { Row } from '../store/tables.ts';

/** Who may be announced at a home: whoever of the office looks after it, and contractors with work in hand there. */
export async function visitorsTo(call: Call, { id: placeId, propertyId }: Row<'place'>) {
  const { db } = call;
  const office = await officeOf(call);
  const here = await lookingAfter(
    db,
    propertyId,
    office.map(({ id }) => id),
  );
  const jobs = await db.job.all({ placeId, state: [...DOING_STATES] });
  const linked = await db.jobLink.all({ jobId: jobs.map(({ id }) => id), revokedAt: null });
  const contractors = await namesOf(
    db,
    linked.map(({ personId }) => personId),
  );
  return [
    ...office.filter(({ id }) => here.includes(id)).map(({ id, name }) => ({ id, name })),
    ...[...contractors].map(([id, name]) => ({ id, name })),
  ];
}
