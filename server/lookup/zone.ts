/** The clock that a place goes by. */
import type { Db } from '../store/db.ts';
import { dayOfInstant, type Day } from '../../core/calendar/day.ts';
import type { Call } from '../context/context.ts';

/** The time zone of a place that is known to exist: its property's. */
export async function zoneOfPlace(db: Db, placeId: string): Promise<string> {
  const place = (await db.place.one({ id: placeId }))!;
  return (await db.property.one({ id: place.propertyId }))!.zone;
}

/** Zone and today of an organisation: its first property's. */
export async function firstZone({ db, actor: { organisationId }, now }: Call): Promise<{ zone: string; today: Day }> {
  const [first] = await db.property.all({ organisationId }, { order: [['sort', 'ASC']], limit: 1 });
  const zone = first?.zone ?? 'UTC';
  return { zone, today: dayOfInstant(now, zone) };
}
