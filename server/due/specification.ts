/** What is known of a part, from a day on. */
import { dayOfInstant } from '../../core/calendar/day.ts';
import type { Specification } from '../../contract/register/machines.ts';
import { recompute } from './recompute.ts';
import type { Call } from '../context/context.ts';
import { recordFact } from '../store/facts.ts';
import { findPlace, findProperty } from '../lookup/places.ts';

/** Writes a specification from today on and draws the line anew, since a maker's limit may be in it. */
export async function writeSpecification(call: Call, pointId: string, value: Specification): Promise<string> {
  const { db, now } = call;
  const point = (await db.point.one({ id: pointId }))!;
  const machine = (await db.machine.one({ id: point.machineId }))!;
  const place = await findPlace(call, machine.placeId);
  const { zone } = await findProperty(call, place.propertyId);
  const id = await recordFact(call, pointId, 'specification', value, dayOfInstant(now, zone));
  await recompute(db, [pointId], now);
  return id;
}
