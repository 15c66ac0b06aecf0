/** Coming in and going out: the first run, signing in, links. */
import { ASKING_RULE } from '../../core/notices/telling.ts';
import { readCode } from '../../core/people/code.ts';
import type { ExchangeResult } from './types.ts';
import type { FirstRun, SessionAnswer, SignIn } from '../../contract/people/people.ts';
import type { Actor, Call, Env } from '../context/context.ts';
import { sha256 } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import type { Db } from '../store/db.ts';
import { contractorOf } from './jobLinks.ts';
import { addPerson } from './office.ts';
import { ownerOf } from './ownerLinks.ts';
import { hashPassword, passwordFits } from './passwords.ts';
import { takeSecondFactor } from './secondFactor.ts';
import { openSession } from './sessions.ts';
import { organisationRow } from '../store/person.ts';

/** Who is signed in, as the web knows them. */
export async function describeSession(env: Env, actor: Actor | null): Promise<SessionAnswer> {
  const { publicAddress: address } = env;
  if (!actor) return { me: null, csrf: null, address, firstRun: (await env.store.db.organisation.count({})) === 0 };
  const { personId: id, name, roles, organisation, properties, csrf, language, units, currency } = actor;
  const me = { id, name, roles, organisation, limited: properties !== null, language, units, currency };
  return { me, csrf, address, firstRun: false };
}

/**
 * Checks a password; outside the writer, since hashing takes its time. The guess counts until `signIn` took the second
 * factor, too.
 * @throws Problem: wrongPassword (401), waitFirst (429)
 */
export async function recognise(env: Env, { email, password }: SignIn) {
  const { guesses } = env;
  guesses.begin('account', email);
  guesses.begin('passwords', '');
  const person = await env.store.db.person.one({ email });
  if (!(await passwordFits(person?.passwordHash, password))) throw new Problem(401, 'wrongPassword');
  if (person!.disabledAt !== null) throw new Problem(401, 'wrongPassword');
  return person!;
}

/**
 * Opens a session of a person whose password was right, once their second factor is, too.
 * @throws Problem: codeNeeded, wrongCode (401)
 */
export async function signIn(
  env: Env,
  db: Db,
  person: { id: string; organisationId: string },
  { email, code }: SignIn,
  device: string,
  now: number,
): Promise<ExchangeResult> {
  await takeSecondFactor(db, person.id, code, now);
  env.guesses.right('account', email);
  env.guesses.right('passwords', '');
  return { session: await openSession(env, db, person, now, { device }) };
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
  await db.organisation.insert(
    organisationRow({
      id: organisationId,
      name: form.organisation,
      createdAt: now,
      language: form.language,
      units: form.units,
    }),
  );
  const person = await addPerson(
    env,
    db,
    organisationId,
    { id: env.newId(), name: form.name, email: form.email, roles: ['manager', 'staff'], properties: null },
    form.passwordHash,
    now,
  );
  if (form.gives)
    await db.fact.insert({
      id: env.newId(),
      organisationId,
      subjectId: organisationId,
      name: 'askingRule',
      value: JSON.stringify({ ...ASKING_RULE, gives: true }),
      fromDay: 0,
      recordedAt: now,
      recordedBy: person,
    });
  return { session: await openSession(env, db, { id: person, organisationId }, now) };
}

export const prepareFirstRun = async (form: FirstRun) => ({ ...form, passwordHash: await hashPassword(form.password) });

/**
 * A link's token for a session; the link itself stays good until it is revoked. Only a code that is short enough to be
 * guessed is counted as a guess.
 * @throws Problem: linkOver (401), waitFirst (429)
 */
export async function exchangeLink(env: Env, db: Db, token: string, now: number): Promise<ExchangeResult> {
  const code = readCode(token);
  if (code) env.guesses.begin('codes', '');
  const contractor = await contractorOf(db, token, now);
  if (contractor) return { session: await openSession(env, db, contractor, now, { until: contractor.until }) };
  const owner = await ownerOf(db, token, now);
  if (owner) return { session: await openSession(env, db, owner, now, { until: owner.until }) };
  const link = await db.link.one({ id: sha256(code ?? token) });
  if (!link || link.revokedAt !== null || link.expiresAt <= now) throw new Problem(401, 'linkOver');
  if (code) env.guesses.right('codes', '');
  return {
    session: await openSession(env, db, { id: link.personId, organisationId: link.organisationId }, now, {
      linkId: link.id,
      until: link.expiresAt,
    }),
  };
}

/** Ends the session that the call came with. */
export async function closeSession({ db, actor }: Call): Promise<object> {
  await db.session.remove({ id: actor.sessionId });
  return {};
}
