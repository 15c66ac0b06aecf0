/** Which tenancy a place has when, and what a household fouls. */
import { dayOfInstant, type Day } from '../../core/calendar/day.ts';
import type { Call } from '../context/context.ts';
import { notFound } from '../context/problem.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';

/** Whether a tenancy runs on a day; days at its edges count whole. */
export const tenancyDuring = ({ fromDay, toDay }: Pick<Row<'tenancy'>, 'fromDay' | 'toDay'>, day: Day): boolean =>
  fromDay <= day && (toDay === null || toDay >= day);

/** The tenancy of a place at an instant; days at its edges count whole. */
export async function tenancyOn(db: Db, placeId: string, now: number): Promise<Row<'tenancy'> | undefined> {
  const place = await db.place.one({ id: placeId });
  const property = place && (await db.property.one({ id: place.propertyId }));
  if (!property) return undefined;
  const today = dayOfInstant(now, property.zone);
  const tenancies = await db.tenancy.all({ placeId }, { order: [['fromDay', 'ASC']] });
  return tenancies.findLast((it) => tenancyDuring(it, today));
}

/** The tenancy that a tenant came in by; undefined where they came otherwise. */
export async function ownTenancy({ db, actor }: Call): Promise<Row<'tenancy'> | undefined> {
  const link = actor.linkId ? await db.link.one({ id: actor.linkId }) : undefined;
  return link && db.tenancy.one({ id: link.tenancyId });
}

/** Points that a place's household fouls. */
export const pointsOfPlace = (db: Db, placeId: string): Promise<string[]> => pointsOfPlaces(db, [placeId]);

/** Points that the households of these places foul. */
export async function pointsOfPlaces(db: Db, placeIds: readonly string[]): Promise<string[]> {
  return (await db.mark.all({ placeId: [...placeIds] }, { columns: ['pointId'] })).map(({ pointId }) => pointId);
}

/**
 * A tenancy of the caller’s organisation.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function findTenancy({ db, actor }: Call, id: string): Promise<Row<'tenancy'>> {
  const tenancy = await db.tenancy.one({ id, organisationId: actor.organisationId });
  if (!tenancy) throw notFound();
  return tenancy;
}
