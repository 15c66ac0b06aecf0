/** A way to a first or a new password: one link, for one use, told once or sent by letter. */
import { MS_PER_DAY } from '../../core/calendar/day.ts';
import type { OpenAccess } from '../../contract/people/people.ts';
import type { Env } from '../context/context.ts';
import { sha256 } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import type { Db } from '../store/db.ts';
import { upTo } from '../store/where.ts';
import { takeSecondFactor } from './secondFactor.ts';
import { endSessions, openSession, type NewSession } from './sessions.ts';

/** An invitation waits for a holiday; what a letter brings is used at once. */
export const INVITED_MS = 7 * MS_PER_DAY;
export const LETTER_MS = MS_PER_DAY / 24;

/** @returns the path that opens it; earlier ones of the person are over, but for one that lasts longer than this */
export async function makeAccess(
  env: Env,
  db: Db,
  { id: personId, organisationId }: { id: string; organisationId: string },
  now: number,
  lastsMs: number,
): Promise<string> {
  const token = env.secret();
  const expiresAt = now + lastsMs;
  // Whoever asks for a letter to somebody's address does not take their invitation away.
  await db.accessLink.remove({ personId, expiresAt: upTo(expiresAt) });
  await db.accessLink.insert({ id: sha256(token), organisationId, personId, createdAt: now, expiresAt });
  return `/access#${token}`;
}

/**
 * Sets the password that somebody chose and lets them in, with their second factor where they have one; whoever was in
 * under the old one is out.
 * @throws Problem: linkOver, codeNeeded, wrongCode (401), waitFirst (429)
 */
export async function openAccess(
  env: Env,
  db: Db,
  { token, code, passwordHash }: OpenAccess & { passwordHash: string },
  device: string,
  now: number,
): Promise<{ session: NewSession }> {
  const link = await db.accessLink.one({ id: sha256(token) });
  const person = link && link.expiresAt > now ? await db.person.one({ id: link.personId }) : undefined;
  if (!person || person.disabledAt !== null) throw new Problem(401, 'linkOver');
  if (person.totpSecret !== null) {
    env.guesses.begin('account', person.id);
    await takeSecondFactor(db, person.id, code, now);
    env.guesses.right('account', person.id);
  }
  await db.accessLink.remove({ personId: person.id });
  await db.person.update({ id: person.id }, { passwordHash });
  await endSessions(db, person.id);
  return { session: await openSession(env, db, person, now, { device }) };
}
