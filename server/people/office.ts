/** People of the office: added, changed, let go, taken back. What they did stays theirs. */
import type {
  ChangeOffice,
  NewPerson,
  PersonChange,
  PersonChanged,
  Role,
  ToldLink,
} from '../../contract/people/people.ts';
import { OFFICE } from '../../contract/route.ts';
import { DOING_STATES } from '../../core/jobs/transitions.ts';
import type { Call, Env } from '../context/context.ts';
import { notFound, Problem } from '../context/problem.ts';
import type { Db } from '../store/db.ts';
import { personRow } from '../store/person.ts';
import type { Row } from '../store/tables.ts';
import { INVITED_MS, makeAccess } from './access.ts';
import { hashPassword } from './passwords.ts';
import { refuseUnknownProperties } from './properties.ts';
import { turnOff } from './secondFactor.ts';
import { endSessions } from './sessions.ts';

/** What the office reads in and reckons in. */
export async function readOffice({ db, actor }: Call): Promise<ChangeOffice> {
  const { language, units, currency } = (await db.organisation.one({ id: actor.organisationId }))!;
  return { language, units, currency };
}

/** Says what the office reads in and reckons in. Amounts that were entered stay the numbers that they are. */
export async function changeOffice({ db, actor }: Call, form: ChangeOffice): Promise<object> {
  await db.organisation.update({ id: actor.organisationId }, form);
  return {};
}

/** Writes somebody of the office with their roles. @throws Problem: emailTaken (409) */
export async function addPerson(
  env: Env,
  db: Db,
  organisationId: string,
  {
    id,
    name,
    email,
    roles,
    properties,
    level = 'staff',
    hoursAWeek = null,
  }: Pick<NewPerson, 'id' | 'name' | 'email' | 'roles' | 'properties'> &
    Partial<Pick<NewPerson, 'level' | 'hoursAWeek'>>,
  passwordHash: string | null,
  now: number,
): Promise<string> {
  await refuseTakenEmail(db, email);
  await db.person.insert(
    personRow({ id, organisationId, name, email, passwordHash, createdAt: now, level, hoursAWeek }),
  );
  await grant(env, db, { id, organisationId }, roles);
  await limitTo(env, db, { id, organisationId }, properties ?? null);
  return id;
}

async function refuseTakenEmail(db: Db, email: string, but?: string): Promise<void> {
  const owner = await db.person.one({ email });
  if (owner && owner.id !== but) throw new Problem(409, 'emailTaken');
}

const grant = (env: Env, db: Db, { id, organisationId }: Pick<Row<'person'>, 'id' | 'organisationId'>, roles: Role[]) =>
  db.roleGrant.insertMany([...new Set(roles)].map((role) => ({ id: env.newId(), organisationId, personId: id, role })));

/**
 * Limits somebody to some properties; null takes the limit off.
 * @throws Problem: fields (422) where a property is not there
 */
async function limitTo(
  env: Env,
  db: Db,
  { id: personId, organisationId }: Pick<Row<'person'>, 'id' | 'organisationId'>,
  properties: readonly string[] | null,
): Promise<void> {
  const wanted = [...new Set(properties ?? [])];
  await refuseUnknownProperties(db, organisationId, wanted);
  await db.person.update({ id: personId }, { limited: properties === null ? 0 : 1 });
  await db.personProperty.remove({ personId });
  await db.personProperty.insertMany(
    wanted.map((propertyId) => ({ id: env.newId(), organisationId, personId, propertyId })),
  );
}

/** The password's hash beside the form, where there is a password. */
export const preparePerson = async (form: NewPerson) => ({
  ...form,
  passwordHash: form.password === null ? null : await hashPassword(form.password),
});

/** Adds somebody of the office; without a password they come in by a link (`linkPerson`). */
export async function createPerson(
  { env, db, actor, now }: Call,
  form: NewPerson & { passwordHash: string | null },
): Promise<{ id: string }> {
  return { id: await addPerson(env, db, actor.organisationId, form, form.passwordHash, now) };
}

export const rolesIn = (text: string) => text.split(',').filter(Boolean) as Role[];

/**
 * Changes name, email, roles or what they look after; what is lost is lost at once.
 * @throws Problem: what is not there or not theirs (404), emailTaken, lastManager, notOffice (409), fields (422)
 */
export async function changePerson(call: Call, id: string, form: PersonChange): Promise<PersonChanged> {
  const { env, db, actor } = call;
  const person = await officePerson(call, id);
  await refuseTakenEmail(db, form.email, id);
  const { properties = null } = form;
  if (!form.roles.includes('manager') || properties !== null) await refuseLastManager(db, actor.organisationId, id);
  await db.person.update(
    { id },
    { name: form.name, email: form.email, level: form.level, hoursAWeek: form.hoursAWeek },
  );
  await limitTo(env, db, person, properties);
  if (person.disabledAt !== null) {
    await db.person.update({ id }, { formerRoles: form.roles.join() });
    return { elsewhere: 0 };
  }
  await db.roleGrant.remove({ personId: id });
  await grant(env, db, person, form.roles);
  return { elsewhere: properties === null ? 0 : await jobsOutside(db, id, properties) };
}

/** Jobs in somebody's hands in homes that they do not look after: they do not see them any more. */
async function jobsOutside(db: Db, assigneeId: string, properties: readonly string[]): Promise<number> {
  const [jobs, places] = await Promise.all([
    db.job.all({ assigneeId, state: DOING_STATES }, { columns: ['placeId'] }),
    db.place.all({ propertyId: [...properties] }, { columns: ['id'] }),
  ]);
  const theirs = new Set(places.map(({ id }) => id));
  return jobs.filter(({ placeId }) => !theirs.has(placeId)).length;
}

/**
 * Lets somebody go: out at once, no role any more, their record stays.
 * @throws Problem: what is not there or not theirs (404), lastManager, notOffice (409)
 */
export async function disablePerson(call: Call, id: string): Promise<object> {
  const { db, actor, now } = call;
  const person = await officePerson(call, id);
  if (person.disabledAt !== null) return {};
  await refuseLastManager(db, actor.organisationId, id);
  const roles = (await db.roleGrant.all({ personId: id })).map(({ role }) => role);
  await db.person.update({ id }, { disabledAt: now, formerRoles: roles.join() });
  await db.roleGrant.remove({ personId: id });
  await db.accessLink.remove({ personId: id });
  await db.accessToken.update({ personId: id, revokedAt: null }, { revokedAt: now });
  await endSessions(db, id);
  return {};
}

/** Takes somebody back, with the roles they had. */
export async function restorePerson(call: Call, id: string): Promise<object> {
  const { env, db } = call;
  const person = await officePerson(call, id);
  if (person.disabledAt === null) return {};
  await db.person.update({ id }, { disabledAt: null, formerRoles: '' });
  await grant(env, db, person, rolesIn(person.formerRoles));
  return {};
}

/** A link by which somebody chooses a new password; told once. */
export async function linkPerson(call: Call, id: string): Promise<ToldLink> {
  const { env, db, now } = call;
  const person = await officePerson(call, id);
  if (person.disabledAt !== null) throw new Problem(409, 'notOffice');
  return { path: await makeAccess(env, db, person, now, INVITED_MS) };
}

/** Takes off the second factor of somebody who lost it; they are out until they sign in again. */
export async function secondFactorOff(call: Call, id: string): Promise<object> {
  await officePerson(call, id);
  await turnOff(call.db, id);
  await endSessions(call.db, id, call.actor.sessionId);
  return {};
}

/** Somebody of the office, here or gone. @throws Problem: notFound (404), notOffice (409) */
async function officePerson({ db, actor }: Call, id: string): Promise<Row<'person'>> {
  const person = await db.person.one({ id, organisationId: actor.organisationId });
  if (!person) throw notFound();
  const grants = await db.roleGrant.count({ personId: id, role: [...OFFICE] });
  if (grants === 0 && !rolesIn(person.formerRoles).some((role) => OFFICE.includes(role)))
    throw new Problem(409, 'notOffice');
  return person;
}

/** Somebody looks after everything. @throws Problem: lastManager (409) */
async function refuseLastManager(db: Db, organisationId: string, id: string): Promise<void> {
  const grants = await db.roleGrant.all({ organisationId, role: 'manager' });
  const whole = await db.person.all({ id: grants.map(({ personId }) => personId), limited: 0 }, { columns: ['id'] });
  if (whole.length > 0 && whole.every((it) => it.id === id)) throw new Problem(409, 'lastManager');
}
