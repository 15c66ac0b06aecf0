/** Tenancies, their households, their personal links. */
import { randomBytes } from 'node:crypto';
import { dayFromIso, dayOfInstant, instantOfDay, MS_PER_DAY, type Day } from '../../core/calendar/day.ts';
import type { HouseholdChange, NewTenancy, TenancyChange } from '../../contract/register/register.ts';
import { makeCode } from '../../core/people/code.ts';
import type { Call } from '../context/context.ts';
import { sha256 } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import { recompute } from '../due/recompute.ts';
import { LINK_DAYS } from '../people/sessions.ts';
import type { Db } from '../store/db.ts';
import { factsOf, recordFact } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { pointsOfPlace, findTenancy } from '../lookup/tenancies.ts';
import { findPlace } from '../lookup/places.ts';
import { mendTenancy } from './changes.ts';
import { personRow } from '../store/person.ts';

/** @throws Problem 409 where another tenancy of the place runs on the first day of this one, or later */
async function refuseOverlap(
  db: Db,
  { id, placeId, fromDay }: Pick<Row<'tenancy'>, 'id' | 'placeId' | 'fromDay'>,
): Promise<void> {
  const others = (await db.tenancy.all({ placeId })).filter((it) => it.id !== id);
  if (others.some(({ toDay, fromDay: began }) => began >= fromDay || toDay === null || toDay >= fromDay))
    throw new Problem(409, 'occupied');
}

/**
 * Lets a unit from a day on, now or to come.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function createTenancy(call: Call, form: NewTenancy): Promise<{ id: string }> {
  const { env, db, actor, now } = call;
  const { organisationId } = actor;
  const place = await findPlace(call, form.placeId);
  const fromDay = dayFromIso(form.from);
  await refuseOverlap(db, { id: form.id, placeId: place.id, fromDay });
  await db.person.insert(personRow({ id: form.personId, organisationId, name: form.name, createdAt: now }));
  await db.roleGrant.insert({ id: env.newId(), organisationId, personId: form.personId, role: 'tenant' });
  await db.tenancy.insert({
    id: form.id,
    organisationId,
    placeId: place.id,
    personId: form.personId,
    fromDay,
    toDay: null,
    createdAt: now,
  });
  await recordFact(call, form.id, 'household', form.household, fromDay);
  // Somebody lives there again: the home is no longer on hold.
  if ((await factsOf(db, [place.id], 'hold')).length > 0) await recordFact(call, place.id, 'hold', null, fromDay);
  await recompute(db, await pointsOfPlace(db, place.id), now);
  return { id: form.id };
}

/** A tenancy that has not begun. @throws Problem 409 once it has */
async function comingTenancy(call: Call, id: string): Promise<{ tenancy: Row<'tenancy'>; today: Day }> {
  const tenancy = await findTenancy(call, id);
  const today = dayOfInstant(call.now, await zoneOfPlace(call.db, tenancy.placeId));
  if (tenancy.fromDay <= today) throw new Problem(409, 'tenancyBegun', { day: call.env.say.day(tenancy.fromDay) });
  return { tenancy, today };
}

/** The end of a hold that came with a tenancy. */
const endOfHold = ({ placeId, fromDay }: Row<'tenancy'>) => ({
  subjectId: placeId,
  name: 'hold' as const,
  fromDay,
  value: 'null',
});

/**
 * Changes the name or the first day of a tenancy, running or to come.
 * @throws Problem: what is not there or not theirs (404), occupied (409)
 */
export async function changeTenancy(call: Call, id: string, form: TenancyChange): Promise<object> {
  const { db } = call;
  const tenancy = await findTenancy(call, id);
  if (form.language !== undefined) await db.person.update({ id: tenancy.personId }, { language: form.language });
  if (tenancy.fromDay <= dayOfInstant(call.now, await zoneOfPlace(db, tenancy.placeId)))
    return mendTenancy(call, tenancy, form);
  const fromDay = dayFromIso(form.from);
  await refuseOverlap(db, { id, placeId: tenancy.placeId, fromDay });
  await db.person.update({ id: tenancy.personId }, { name: form.name });
  await db.tenancy.update({ id }, { fromDay });
  await db.fact.update({ subjectId: id, name: 'household' }, { fromDay });
  await db.fact.update(endOfHold(tenancy), { fromDay });
  await recompute(db, await pointsOfPlace(db, tenancy.placeId), call.now);
  return {};
}

/** Takes back a tenancy that never began, with its links. The person was nobody's tenant. */
export async function withdrawTenancy(call: Call, id: string): Promise<object> {
  const { db } = call;
  const { tenancy } = await comingTenancy(call, id);
  const links = (await db.link.all({ tenancyId: id })).map((link) => link.id);
  await db.session.remove({ linkId: links });
  await db.link.remove({ tenancyId: id });
  await db.fact.remove({ subjectId: id });
  await db.fact.remove(endOfHold(tenancy));
  await db.tenancy.remove({ id });
  await db.roleGrant.remove({ personId: tenancy.personId });
  await recompute(db, await pointsOfPlace(db, tenancy.placeId), call.now);
  return {};
}

/**
 * Changes what is known of a household from a day on.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function changeHousehold(call: Call, id: string, form: HouseholdChange): Promise<object> {
  const tenancy = await findTenancy(call, id);
  await recordFact(call, id, 'household', form.household, Math.max(tenancy.fromDay, dayFromIso(form.from)));
  await recompute(call.db, await pointsOfPlace(call.db, tenancy.placeId), call.now);
  return {};
}

/** A new personal link; the token is told once and kept only as its hash. Earlier links go on working. */
export async function createLink(call: Call, id: string): Promise<{ path: string; code: string }> {
  const { env, db, actor, now } = call;
  const tenancy = await findTenancy(call, id);
  if (tenancy.toDay !== null) throw new Problem(409, 'tenancyEnded', { day: env.say.day(tenancy.toDay) });
  const token = env.secret();
  // The same way in, for a phone that cannot scan.
  const code = makeCode(() => randomBytes(1)[0]!);
  await db.link.insertMany(
    [token, code].map((secret) => ({
      id: sha256(secret),
      organisationId: actor.organisationId,
      tenancyId: id,
      personId: tenancy.personId,
      createdAt: now,
      expiresAt: now + LINK_DAYS * MS_PER_DAY,
      revokedAt: null,
    })),
  );
  return { path: `/home/#${token}`, code };
}

/** Lets the links of a tenancy end with its last day; with that day past, they are revoked. */
export async function endLinks(db: Db, tenancyId: string, lastDay: Day, zone: string, now: number): Promise<void> {
  const ends = instantOfDay(lastDay + 1, 0, zone);
  const links = (await db.link.all({ tenancyId, revokedAt: null })).map(({ id }) => id);
  await db.link.update({ id: links }, ends <= now ? { revokedAt: now } : { expiresAt: ends });
  if (ends <= now) await db.session.remove({ linkId: links });
  else await db.session.update({ linkId: links }, { expiresAt: ends });
}

/** Revokes every link of a tenancy and ends the sessions they opened. */
export async function revokeLinks(call: Call, id: string): Promise<object> {
  const { db, now } = call;
  await findTenancy(call, id);
  const links = await db.link.all({ tenancyId: id, revokedAt: null });
  const ids = links.map((link) => link.id);
  await db.link.update({ id: ids }, { revokedAt: now });
  await db.session.remove({ linkId: ids });
  return {};
}
