/** Changing what stands in the register, and taking out what nothing hangs on. */
import { dayFromIso, dayOfInstant } from '../../core/calendar/day.ts';
import type { BuildingEdit, PlaceEdit, PropertyEdit, WalkingOrder } from '../../contract/register/register.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import { recompute } from '../due/recompute.ts';
import { findPlace, findProperty } from '../lookup/places.ts';
import { pointsBelow } from '../lookup/scope.ts';
import { findTenancy, pointsOfPlace } from '../lookup/tenancies.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { recordFact } from '../store/facts.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';

/** Changes how a property is called, where it is and by which clock its days are counted. */
export async function editProperty(call: Call, id: string, { name, address, zone }: PropertyEdit): Promise<object> {
  const { db, now } = call;
  const before = await findProperty(call, id);
  await db.property.update({ id }, { name, address, zone });
  if (zone === before.zone) return {};
  await recompute(db, await pointsBelow(call, { scope: 'property', subjectId: id }), now);
  return {};
}

/**
 * Says in which order the homes of a property are walked; lists and rounds follow it.
 * @throws Problem: what is not there or not theirs (404), changed (409) where these are not all of its homes any more
 */
export async function orderPlaces(call: Call, id: string, { placeIds = [] }: WalkingOrder): Promise<object> {
  const { db } = call;
  const { name } = await findProperty(call, id);
  const known = await db.place.all({ propertyId: id }, { columns: ['id', 'sort'] });
  const sorts = new Map(known.map((place) => [place.id, place.sort]));
  if (new Set(placeIds).size !== known.length || !placeIds.every((it) => sorts.has(it)))
    throw new Problem(409, 'changed', { what: name });
  for (const [sort, placeId] of placeIds.entries())
    if (sorts.get(placeId) !== sort) await db.place.update({ id: placeId }, { sort });
  return {};
}

/**
 * Takes a property out that has no home any more.
 * @throws Problem: what is not there or not theirs (404), inUse (409)
 */
export async function removeProperty(call: Call, id: string): Promise<object> {
  const { db } = call;
  const { name } = await findProperty(call, id);
  const hangs = await Promise.all([
    db.place.count({ propertyId: id }),
    db.inspection.count({ propertyId: id }),
    db.ownerLink.count({ propertyId: id }),
  ]);
  if (hangs.some((count) => count > 0)) throw new Problem(409, 'inUse', { names: name });
  await db.building.remove({ propertyId: id });
  // Whoever was limited to it stays limited, to what is left.
  await db.personProperty.remove({ propertyId: id });
  await db.fact.remove({ subjectId: id });
  await db.property.remove({ id });
  return {};
}

async function findBuilding({ db, actor: { organisationId } }: Call, id: string): Promise<Row<'building'>> {
  const building = await db.building.one({ id, organisationId });
  if (!building) throw notFound();
  return building;
}

/** Changes a building's name. */
export async function editBuilding(call: Call, id: string, { name }: BuildingEdit): Promise<object> {
  await findBuilding(call, id);
  await call.db.building.update({ id }, { name });
  return {};
}

/** Takes a building out; its homes stay, in no building. */
export async function removeBuilding(call: Call, id: string): Promise<object> {
  await findBuilding(call, id);
  await call.db.place.update({ buildingId: id }, { buildingId: null });
  await call.db.building.remove({ id });
  return {};
}

/** Changes a home's name and the building that it is in. */
export async function editPlace(call: Call, id: string, { name, buildingId }: PlaceEdit): Promise<object> {
  const { db } = call;
  const { propertyId } = await findPlace(call, id);
  if (buildingId && !(await db.building.one({ id: buildingId, propertyId })))
    throw fieldProblem('buildingId', 'field.place');
  await db.place.update({ id }, { name, buildingId });
  return {};
}

/** The tenancy after one in its place. */
async function laterThan(db: Db, { placeId, fromDay }: Row<'tenancy'>): Promise<Row<'tenancy'> | undefined> {
  const all = await db.tenancy.all({ placeId }, { order: [['fromDay', 'ASC']] });
  return all.find((it) => it.fromDay > fromDay);
}

/**
 * Takes the end of a tenancy back, while nobody else was to move in. Links that ended with it stay ended.
 * @throws Problem: what is not there or not theirs (404), occupied (409)
 */
export async function reopenTenancy(call: Call, id: string): Promise<object> {
  const { db, now } = call;
  const tenancy = await findTenancy(call, id);
  if (tenancy.toDay === null) return {};
  if (await laterThan(db, tenancy)) throw new Problem(409, 'occupied');
  await db.tenancy.update({ id }, { toDay: null });
  const today = dayOfInstant(now, await zoneOfPlace(db, tenancy.placeId));
  // The home was put on hold because nobody lived there.
  await recordFact(call, tenancy.placeId, 'hold', null, today);
  if (tenancy.toDay >= today) await recordFact(call, tenancy.placeId, 'hold', null, tenancy.toDay + 1);
  await recompute(db, await pointsOfPlace(db, tenancy.placeId), now);
  return {};
}

/**
 * Changes the name or the first day of a tenancy that has begun; its first household is known from that day on.
 * @throws Problem: what is not there or not theirs (404), occupied (409)
 */
export async function mendTenancy(
  call: Call,
  tenancy: Row<'tenancy'>,
  { name, from }: { name: string; from: string },
): Promise<object> {
  const { db, now } = call;
  const fromDay = dayFromIso(from);
  const today = dayOfInstant(now, await zoneOfPlace(db, tenancy.placeId));
  if (fromDay > today) throw fieldProblem('from', 'field.begun');
  if (tenancy.toDay !== null && fromDay > tenancy.toDay) throw fieldProblem('from', 'field.beforeStart');
  const earlier = (await db.tenancy.all({ placeId: tenancy.placeId })).filter((it) => it.fromDay < tenancy.fromDay);
  if (earlier.some(({ toDay }) => toDay === null || toDay >= fromDay)) throw new Problem(409, 'occupied');
  await db.person.update({ id: tenancy.personId }, { name });
  if (fromDay !== tenancy.fromDay) {
    await db.tenancy.update({ id: tenancy.id }, { fromDay });
    await db.fact.update({ subjectId: tenancy.id, name: 'household', fromDay: tenancy.fromDay }, { fromDay });
    await recompute(db, await pointsOfPlace(db, tenancy.placeId), now);
  }
  return {};
}
