/** One's own account: password, second factor, sessions. */
import type {
  AccountAnswer,
  ChangePassword,
  Confirmed,
  EndSession,
  Preferences,
  SecondFactor,
} from '../../contract/people/people.ts';
import type { Call, Env } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import { hashPassword, passwordFits } from './passwords.ts';
import { turnOff, turnOn } from './secondFactor.ts';
import { endSessions } from './sessions.ts';

/** What somebody sees of their own account. */
export async function readAccount({ db, actor, now }: Call): Promise<AccountAnswer> {
  const { personId, sessionId } = actor;
  const [person, sessions, codesLeft] = await Promise.all([
    db.person.one({ id: personId }),
    db.session.all({ personId }, { order: [['createdAt', 'DESC']] }),
    db.recoveryCode.count({ personId }),
  ]);
  return {
    name: person!.name,
    email: person!.email,
    secondFactor: person!.totpSecret !== null,
    codesLeft,
    language: person!.language,
    units: person!.units,
    sessions: sessions
      .filter(({ expiresAt }) => expiresAt > now)
      .map(({ id, device, createdAt, expiresAt }) => ({
        id,
        device,
        openedAt: createdAt,
        expiresAt,
        here: id === sessionId,
      })),
  };
}

/**
 * Holds a password against the caller's own; a wrong one counts as a guess at the account.
 * @throws Problem: wrongPassword (401), waitFirst (429)
 */
export async function ownPassword(env: Env, personId: string, password: string): Promise<void> {
  env.guesses.begin('account', personId);
  const person = await env.store.db.person.one({ id: personId });
  if (!(await passwordFits(person?.passwordHash, password))) throw new Problem(401, 'wrongPassword');
  env.guesses.right('account', personId);
}

/** Gives the caller another password, and ends every other session of theirs. */
export async function changePassword(
  { db, actor }: Call,
  { passwordHash }: ChangePassword & { passwordHash: string },
): Promise<object> {
  await db.person.update({ id: actor.personId }, { passwordHash });
  await endSessions(db, actor.personId, actor.sessionId);
  return {};
}

/** Says what the caller reads in. */
export async function prefer({ db, actor }: Call, { language, units }: Preferences): Promise<object> {
  await db.person.update(
    { id: actor.personId },
    { ...(language !== undefined && { language }), ...(units !== undefined && { units }) },
  );
  return {};
}

/** Ends one session of the caller, or all but this one. */
export async function endOwnSessions({ db, actor }: Call, { id }: EndSession): Promise<{ ended: number }> {
  const { personId, sessionId } = actor;
  return {
    ended: id === null ? await endSessions(db, personId, sessionId) : await db.session.remove({ id, personId }),
  };
}

/** Turns the caller's second factor on. @throws Problem: wrongCode (401) */
export const turnOnOwn = async (call: Call, form: SecondFactor) => ({ codes: await turnOn(call, form) });

/** Takes the caller's second factor off. */
export async function turnOffOwn({ db, actor }: Call, _form: Confirmed): Promise<object> {
  await turnOff(db, actor.personId);
  return {};
}

/** The new password's hash beside the form. */
export const prepareChange = async (form: ChangePassword) => ({
  ...form,
  passwordHash: await hashPassword(form.password),
});
