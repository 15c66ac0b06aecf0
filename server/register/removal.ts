/** Taking back what was added by mistake: only while nothing has happened there. */
import type { RemoveUnits } from '../../contract/register/machines.ts';
import { MS_PER_DAY } from '../../core/calendar/day.ts';
import { isManager, type Call } from '../context/context.ts';
import { notFound, Problem } from '../context/problem.ts';
import { machineName } from '../lookup/names.ts';
import { findPlace } from '../lookup/places.ts';

/** Photos that belong to a machine itself, and go with it. */
const OWN_SLOTS = ['plate', 'shutoff'];

/** Removes machines with their points; refused where one has a record, a look, a job, a fault, a signal or a sender. */
async function removeMachines({ db }: Call, ids: readonly string[], refused: () => Problem): Promise<void> {
  const machineId = [...ids];
  const points = (await db.point.all({ machineId }, { columns: ['id'] })).map(({ id }) => id);
  const happened = await Promise.all([
    db.job.count({ machineId }),
    db.fault.count({ machineId }),
    db.signal.count({ machineId }),
    db.emitter.count({ machineId }),
    db.attestation.count({ machineId }),
    db.record.count({ pointId: points }),
    db.condition.count({ pointId: points }),
    db.measurement.count({ pointId: points }),
  ]);
  if (happened.some((count) => count > 0)) throw refused();
  await db.photoUse.remove({ subjectId: machineId, slot: OWN_SLOTS });
  await db.machineServes.remove({ machineId });
  await db.mark.remove({ pointId: points });
  await db.line.remove({ pointId: points });
  await db.fact.remove({ subjectId: [...points, ...machineId] });
  await db.point.remove({ id: points });
  await db.machine.remove({ id: machineId });
}

/** So long staff may take back what was written down by a slip. */
const SLIP_MS = MS_PER_DAY / 24;

/**
 * Takes a machine out again that nothing was done on yet; staff, while it is new.
 * @throws Problem: inUse (409), notAllowed (403), what is not there or not theirs (404)
 */
export async function removeMachine(call: Call, id: string): Promise<object> {
  const {
    db,
    actor,
    env: { say },
    now,
  } = call;
  const machine = await db.machine.one({ id, organisationId: actor.organisationId });
  if (!machine) throw notFound();
  if (!isManager(actor) && machine.createdAt < now - SLIP_MS) throw new Problem(403, 'notAllowed');
  await removeMachines(call, [id], () => new Problem(409, 'inUse', { names: machineName(say, machine) }));
  return {};
}

/**
 * Takes units out again that were just made, all or none.
 * @throws Problem: inUse (409), what is not there or not theirs (404)
 */
export async function removeUnits(call: Call, { ids }: RemoveUnits): Promise<{ removed: number }> {
  const {
    db,
    env: { say },
  } = call;
  const places = await Promise.all([...new Set(ids)].map((id) => findPlace(call, id)));
  const placeId = places.map(({ id }) => id);
  const refused = () => new Problem(409, 'inUse', { names: say.list(places.slice(0, 3).map(({ name }) => name)) });
  const machines = (await db.machine.all({ placeId }, { columns: ['id'] })).map(({ id }) => id);
  // Work that was done here by a machine that has moved since is history of the place, too.
  const happened = await Promise.all([
    db.tenancy.count({ placeId }),
    db.job.count({ placeId }),
    db.fault.count({ placeId }),
    db.signal.count({ placeId }),
    db.machineServes.count({ placeId }),
    db.roundStop.count({ placeId }),
  ]);
  if (happened.some((count) => count > 0)) throw refused();
  await removeMachines(call, machines, refused);
  await db.fact.remove({ subjectId: placeId });
  await db.place.remove({ id: placeId });
  return { removed: places.length };
}
