/** Accounts: the first run, signing in, personal links, staff. */
import { readCode } from '../../core/people/code.ts';
import type { ExchangeResult } from './types.ts';
import type { FirstRun, NewPerson, Person, SessionAnswer, SignIn } from '../../contract/people/people.ts';
import type { Actor, Call, Env } from '../context/context.ts';
import { sha256 } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import type { Db } from '../store/db.ts';
import { contractorOf } from './jobLinks.ts';
import { ownerOf } from './ownerLinks.ts';
import { hashPassword, openSession, passwordFits } from './sessions.ts';

/** Who is signed in, as the web knows them. */
export async function describeSession(env: Env, actor: Actor | null): Promise<SessionAnswer> {
  if (!actor) return { me: null, csrf: null, firstRun: (await env.store.db.organisation.count({})) === 0 };
  const { personId: id, name, roles, organisation, csrf } = actor;
  return { me: { id, name, roles, organisation }, csrf, firstRun: false };
}

/** Checks a password; outside the writer, since hashing takes its time. */
export async function recognise(env: Env, { email, password }: SignIn) {
  const person = await env.store.db.person.one({ email });
  if (!(await passwordFits(person?.passwordHash, password))) throw new Problem(401, 'wrongPassword');
  return person!;
}

/** Opens a session of a person. */
export async function signIn(
  env: Env,
  db: Db,
  person: { id: string; organisationId: string },
  now: number,
): Promise<ExchangeResult> {
  return { session: await openSession(env, db, person, null, now) };
}

/**
 * Makes the organisation and its first manager.
 * @throws Problem: installed (409)
 */
export async function install(
  env: Env,
  db: Db,
  form: FirstRun & { passwordHash: string },
  now: number,
): Promise<ExchangeResult> {
  if ((await db.organisation.count({})) > 0) throw new Problem(409, 'installed');
  const organisationId = env.newId();
  await db.organisation.insert({ id: organisationId, name: form.organisation, createdAt: now });
  const person = await addPerson(
    env,
    db,
    organisationId,
    { id: env.newId(), name: form.name, email: form.email, roles: ['manager', 'staff'] },
    form.passwordHash,
    now,
  );
  return { session: await openSession(env, db, { id: person, organisationId }, null, now) };
}

async function addPerson(
  env: Env,
  db: Db,
  organisationId: string,
  person: Pick<NewPerson, 'id' | 'name' | 'email' | 'roles'>,
  passwordHash: string,
  now: number,
): Promise<string> {
  if (await db.person.one({ email: person.email })) throw new Problem(409, 'emailTaken');
  await db.person.insert({
    id: person.id,
    organisationId,
    name: person.name,
    email: person.email,
    passwordHash,
    createdAt: now,
  });
  await db.roleGrant.insertMany(
    [...new Set(person.roles)].map((role) => ({ id: env.newId(), organisationId, personId: person.id, role })),
  );
  return person.id;
}

export const prepareFirstRun = async (form: FirstRun) => ({ ...form, passwordHash: await hashPassword(form.password) });
export const preparePerson = async (form: NewPerson) => ({ ...form, passwordHash: await hashPassword(form.password) });

/** Adds somebody of the office, who may sign in. */
export async function createPerson(
  { env, db, actor, now }: Call,
  form: NewPerson & { passwordHash: string },
): Promise<{ id: string }> {
  return { id: await addPerson(env, db, actor.organisationId, form, form.passwordHash, now) };
}

/** Everybody of the organisation by name. */
export async function listPeople({ db, actor }: Call): Promise<Person[]> {
  const { organisationId } = actor;
  const [people, grants] = await Promise.all([
    db.person.all({ organisationId }, { order: [['name', 'ASC']] }),
    db.roleGrant.all({ organisationId }),
  ]);
  return people
    .map(({ id, name, email }) => ({
      id,
      name,
      email,
      roles: grants.filter(({ personId }) => personId === id).map(({ role }) => role),
      // Whoever has no role is nobody to give anything to: the clock, or a tenant whose tenancy was taken back.
    }))
    .filter(({ roles }) => roles.length > 0);
}

/** A link's token for a session; the link itself stays good until it is revoked. */
export async function exchangeLink(env: Env, db: Db, token: string, now: number): Promise<ExchangeResult> {
  const contractor = await contractorOf(db, token, now);
  if (contractor) return { session: await openSession(env, db, contractor, null, now) };
  const owner = await ownerOf(db, token, now);
  if (owner) return { session: await openSession(env, db, owner, null, now) };
  const link = await db.link.one({ id: sha256(readCode(token) ?? token) });
  if (!link || link.revokedAt !== null || link.expiresAt <= now) throw new Problem(401, 'linkOver');
  return {
    session: await openSession(env, db, { id: link.personId, organisationId: link.organisationId }, link.id, now),
  };
}

/** Ends the session that the call came with. */
export async function closeSession({ db, actor }: Call): Promise<object> {
  await db.session.remove({ id: actor.sessionId });
  return {};
}
