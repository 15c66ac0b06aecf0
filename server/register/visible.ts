/** Which machines a person may see: the office any, a tenant those of their home, a contractor the one of their job. */
import { DOING_STATES } from '../../core/jobs/transitions.ts';
import type { Call } from '../env.ts';
import { isOffice } from '../env.ts';
import { notFound } from '../http/problem.ts';
import type { Row } from '../store/tables.ts';
import { tenancyOn } from './tenancies.ts';

export async function visibleMachine({ db, actor, now }: Call, id: string): Promise<Row<'machine'>> {
  const machine = await db.machine.one({ id, organisationId: actor.organisationId });
  if (!machine) throw notFound();
  if (isOffice(actor)) return machine;
  if (
    actor.roles.includes('contractor') &&
    (await db.job.count({ machineId: id, assigneeId: actor.personId, state: [...DOING_STATES] })) > 0
  )
    return machine;
  const served = await db.machineServes.all({ machineId: id });
  for (const placeId of [machine.placeId, ...served.map((it) => it.placeId)]) {
    if ((await tenancyOn(db, placeId, now))?.personId === actor.personId) return machine;
  }
  throw notFound();
}
