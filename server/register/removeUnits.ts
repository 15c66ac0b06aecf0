/** Taking units back that were added by mistake: only while nothing has happened in them. */
import type { RemoveUnits } from '../../contract/register.ts';
import type { Call } from '../env.ts';
import { Problem } from '../http/problem.ts';
import { findPlace } from './places.ts';

export async function removeUnits(call: Call, { ids }: RemoveUnits): Promise<{ removed: number }> {
  const { db, env: { say } } = call;
  const places = await Promise.all([...new Set(ids)].map((id) => findPlace(call, id)));
  const placeId = places.map(({ id }) => id);
  const machines = (await db.machine.all({ placeId }, { columns: ['id'] })).map(({ id }) => id);
  const points = (await db.point.all({ machineId: machines }, { columns: ['id'] })).map(({ id }) => id);
  const happened = await Promise.all([
    db.tenancy.count({ placeId }), db.job.count({ placeId }), db.fault.count({ placeId }), db.signal.count({ placeId }), db.record.count({ pointId: points }), db.condition.count({ pointId: points }),
    db.measurement.count({ pointId: points }), db.photoUse.count({ subjectId: machines }), db.machineServes.count({ placeId }), db.machineServes.count({ machineId: machines }), db.emitter.count({ machineId: machines }),
  ]);
  if (happened.some((count) => count > 0)) throw new Problem(409, 'unitsInUse', { names: say.list(places.slice(0, 3).map(({ name }) => name)) });
  await db.mark.remove({ pointId: points });
  await db.line.remove({ pointId: points });
  await db.fact.remove({ subjectId: [...points, ...machines, ...placeId] });
  await db.point.remove({ id: points });
  await db.machine.remove({ id: machines });
  await db.place.remove({ id: placeId });
  return { removed: places.length };
}
