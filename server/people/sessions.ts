/** Sessions: in the database, by the hash of their token; kept in memory until the next write. */
import type { Role } from '../../contract/people/people.ts';
import { MS_PER_DAY } from '../../core/calendar/day.ts';
import type { Actor, Env } from '../context/context.ts';
import { isOffice, sha256 } from '../context/context.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';
import { not, upTo } from '../store/where.ts';
import { contractorBy } from './jobLinks.ts';
import { memberOf } from './members.ts';
import { ownerBy } from './ownerLinks.ts';

export const SESSION_DAYS = 14;
export const LINK_DAYS = 400;

export interface NewSession {
  readonly token: string;
  readonly csrf: string;
  readonly expiresAt: number;
}

/** How a session was opened: by which link, until when at most, on what. */
export interface Opening {
  readonly linkId?: string | null;
  readonly until?: number;
  readonly device?: string;
}

/** Opens a session for a person, no longer than the link that opened it; the token goes into the cookie alone. */
export async function openSession(
  env: Env,
  db: Db,
  person: { id: string; organisationId: string },
  now: number,
  { linkId = null, until = Infinity, device = '' }: Opening = {},
): Promise<NewSession> {
  const token = env.secret();
  const csrf = env.secret();
  const expiresAt = Math.min(until, now + (linkId ? LINK_DAYS : SESSION_DAYS) * MS_PER_DAY);
  await db.session.insert({
    id: sha256(token),
    organisationId: person.organisationId,
    personId: person.id,
    linkId,
    csrf,
    createdAt: now,
    expiresAt,
    device,
  });
  return { token, csrf, expiresAt };
}

/** What any session depends on; one that a link opened, on more. */
const TABLES = ['session', 'person', 'roleGrant', 'personProperty', 'organisation', 'link'] as const;
const LINKED_TABLES = ['jobLink', 'ownerLink', 'job'] as const;

/** Who a session is, until when, and whether it hangs on a job or on an owner's link. */
interface Known {
  readonly actor: Actor;
  readonly until: number;
  readonly linked: boolean;
}

/**
 * Finds who a token belongs to. Answers are remembered until one of their tables is written; what was being read
 * meanwhile is not remembered, or a session that was just ended would live on.
 */
export function sessionReader(env: Env) {
  let revision = -1;
  let linkedRevision = -1;
  const known = new Map<string, Known | null>();
  return async (token: string): Promise<Actor | null> => {
    const current = env.store.revisionOf(TABLES);
    if (revision !== current) {
      known.clear();
      revision = current;
    }
    const linkedNow = env.store.revisionOf(LINKED_TABLES);
    if (linkedRevision !== linkedNow) {
      for (const [id, it] of known) if (it?.linked) known.delete(id);
      linkedRevision = linkedNow;
    }
    const id = sha256(token);
    let session = known.get(id);
    if (session === undefined) {
      session = await readSession(env.store.db, id, env.clock());
      const still = env.store.revisionOf(TABLES) === current && env.store.revisionOf(LINKED_TABLES) === linkedNow;
      if (still && known.size < 10_000) known.set(id, session);
    }
    return session && session.until > env.clock() ? session.actor : null;
  };
}

async function readSession(db: Db, id: string, now: number): Promise<Known | null> {
  const session = await db.session.one({ id });
  if (!session) return null;
  const member = await memberOf(db, session);
  if (!member) return null;
  const roles: readonly Role[] = session.linkId ? ['tenant'] : member.roles;
  const linked = roles.length > 0 && roles.every((role) => role === 'contractor' || role === 'owner');
  const until = linked ? await linkedUntil(db, member.personId, now) : await tenantUntil(db, session);
  // What somebody sees by a link is bounded by the link.
  const properties = isOffice({ roles }) ? member.properties : null;
  const actor: Actor = { ...member, roles, properties, sessionId: id, linkId: session.linkId, csrf: session.csrf };
  return { actor, until: Math.min(session.expiresAt, until), linked };
}

/** No session outlives the personal link that opened it. */
async function tenantUntil(db: Db, { linkId }: Row<'session'>): Promise<number> {
  if (linkId === null) return Infinity;
  const link = await db.link.one({ id: linkId });
  return link && link.revokedAt === null ? link.expiresAt : 0;
}

/** Nor an owner's link, nor the job that a contractor came for. */
async function linkedUntil(db: Db, personId: string, now: number): Promise<number> {
  const [owner, contractor] = await Promise.all([ownerBy(db, { personId }, now), contractorBy(db, { personId }, now)]);
  return (owner ?? contractor)?.until ?? 0;
}

/** Ends every session of a person; all but one where it is named. @returns how many */
export const endSessions = (db: Db, personId: string, but = ''): Promise<number> =>
  db.session.remove({ personId, id: not(but) });

/** Drops sessions and ways in whose time is over. */
export async function sweepSessions(env: Env): Promise<void> {
  const over = { expiresAt: upTo(env.clock()) };
  await env.store.write(async (db) => {
    if ((await db.session.count(over)) > 0) await db.session.remove(over);
    if ((await db.accessLink.count(over)) > 0) await db.accessLink.remove(over);
  });
}
