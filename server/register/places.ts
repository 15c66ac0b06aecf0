/** Properties, buildings, places: writing them down, and a place's page. */
import { dayFromIso } from '../../core/calendar/day.ts';
import type { NewBuilding, NewPlace, NewProperty, PropertyChange } from '../../contract/register/register.ts';
import { recompute } from '../due/recompute.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem } from '../context/problem.ts';
import { recordFact } from '../store/facts.ts';
import { findProperty } from '../lookup/places.ts';
import { pointsBelow } from '../lookup/scope.ts';

/** Adds a property, with its first units where some are named. */
export async function createProperty(call: Call, form: NewProperty): Promise<{ id: string }> {
  const {
    db,
    actor: { organisationId },
    now,
  } = call;
  const sort = await db.property.count({ organisationId });
  const { id, name, address, zone } = form;
  await db.property.insert({ id, organisationId, name, address, zone, sort, createdAt: now });
  // What is said at the start holds for all the time before, too.
  await recordFact(call, id, 'water', form.water, 0);
  if (form.practice) await recordFact(call, id, 'practice', form.practice, 0);
  return { id };
}

/**
 * Changes a property’s water or practice from a day on.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function changeProperty(call: Call, id: string, form: PropertyChange): Promise<object> {
  const { db, now } = call;
  await findProperty(call, id);
  const from = dayFromIso(form.from);
  if (form.water) await recordFact(call, id, 'water', form.water, from);
  if (form.practice !== undefined) await recordFact(call, id, 'practice', form.practice, from);
  await recompute(db, await pointsBelow(call, { scope: 'property', subjectId: id }), now);
  return {};
}

/**
 * Adds a building to a property.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function createBuilding(call: Call, form: NewBuilding): Promise<{ id: string }> {
  await findProperty(call, form.propertyId);
  await call.db.building.insert({ ...form, organisationId: call.actor.organisationId, createdAt: call.now });
  return { id: form.id };
}

/**
 * Adds a unit or a shared space.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function createPlace(call: Call, form: NewPlace): Promise<{ id: string }> {
  const {
    db,
    actor: { organisationId },
    now,
  } = call;
  await findProperty(call, form.propertyId);
  if (form.buildingId && !(await db.building.one({ id: form.buildingId, propertyId: form.propertyId })))
    throw fieldProblem('buildingId', 'field.place');
  const sort = await db.place.count({ propertyId: form.propertyId });
  await db.place.insert({ ...form, organisationId, sort, createdAt: now });
  return { id: form.id };
}
