/** The clock that a place goes by. */
import type { Db } from '../store/db.ts';

/** The time zone of a place that is known to exist: its property's. */
export async function zoneOfPlace(db: Db, placeId: string): Promise<string> {
  const place = (await db.place.one({ id: placeId }))!;
  return (await db.property.one({ id: place.propertyId }))!.zone;
}
