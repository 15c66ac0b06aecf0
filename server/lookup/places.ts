/** Finding properties and places; another organisation's are not there. */
import type { Call } from '../context/context.ts';
import { notFound } from '../context/problem.ts';
import type { Row } from '../store/tables.ts';

/**
 * A property of the caller’s organisation.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function findProperty({ db, actor: { organisationId } }: Call, id: string): Promise<Row<'property'>> {
  const property = await db.property.one({ id, organisationId });
  if (!property) throw notFound();
  return property;
}

/**
 * A place of the caller’s organisation.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function findPlace({ db, actor: { organisationId } }: Call, id: string): Promise<Row<'place'>> {
  const place = await db.place.one({ id, organisationId });
  if (!place) throw notFound();
  return place;
}
