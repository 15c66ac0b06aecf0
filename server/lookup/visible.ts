/** Which machines a person may see: the office any, a tenant those of their home, a contractor the one of their job. */
import { DOING_STATES } from '../../core/jobs/transitions.ts';
import type { Call } from '../context/context.ts';
import { isOffice } from '../context/context.ts';
import { notFound, Problem } from '../context/problem.ts';
import type { Row } from '../store/tables.ts';
import { tenancyOn } from './tenancies.ts';

/**
 * A machine that the caller may see: a tenant the ones of their home, today.
 * @throws Problem: what is not there or not theirs (404)
 */
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

/**
 * Refuses what can only be said of a machine in use.
 * @throws Problem: machineRetired (409)
 */
export function refuseRetired({ say }: Pick<Call['env'], 'say'>, { retiredDay }: Row<'machine'>): void {
  if (retiredDay !== null) throw new Problem(409, 'machineRetired', { day: say.day(retiredDay) });
}

/** The machine of a label, where the caller may see it. @throws Problem 404 */
export async function labelledMachine(call: Call, number: string): Promise<Row<'machine'>> {
  const { db, actor } = call;
  const labelled = /^\d{1,9}$/.test(number)
    ? await db.machine.one({ number: Number(number), organisationId: actor.organisationId })
    : undefined;
  if (!labelled) throw notFound();
  // A machine that moved, or somebody who moved: the label still means that machine, and it is not theirs to see.
  return visibleMachine(call, labelled.id).catch(() => {
    throw new Problem(404, 'labelElsewhere');
  });
}
