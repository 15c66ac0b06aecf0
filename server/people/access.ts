/** A way to a first or a new password: one link, for one use, told once or sent by letter. */
import { MS_PER_DAY } from '../../core/calendar/day.ts';
import type { OpenAccess } from '../../contract/people/people.ts';
import type { Env } from '../context/context.ts';
import { sha256 } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import type { Db } from '../store/db.ts';
import { endSessions, openSession, type NewSession } from './sessions.ts';

/** An invitation waits for a holiday; what a letter brings is used at once. */
export const INVITED_MS = 7 * MS_PER_DAY;
export const LETTER_MS = MS_PER_DAY / 24;

/** @returns the path that opens it; earlier ones of the person are over */
export async function makeAccess(
  env: Env,
  db: Db,
  { id: personId, organisationId }: { id: string; organisationId: string },
  now: number,
  lastsMs: number,
): Promise<string> {
  const token = env.secret();
  await db.accessLink.remove({ personId });
  await db.accessLink.insert({ id: sha256(token), organisationId, personId, createdAt: now, expiresAt: now + lastsMs });
  return `/access#${token}`;
}

/**
 * Sets the password that somebody chose and lets them in; whoever was in under the old one is out.
 * @throws Problem: linkOver (401)
 */
export async function openAccess(
  env: Env,
  db: Db,
  { token, passwordHash }: OpenAccess & { passwordHash: string },
  device: string,
  now: number,
): Promise<{ session: NewSession }> {
  const link = await db.accessLink.one({ id: sha256(token) });
  const person = link && link.expiresAt > now ? await db.person.one({ id: link.personId }) : undefined;
  if (!person || person.disabledAt !== null) throw new Problem(401, 'linkOver');
  await db.accessLink.remove({ personId: person.id });
  await db.person.update({ id: person.id }, { passwordHash });
  await endSessions(db, person.id);
  return { session: await openSession(env, db, person, now, { device }) };
}
