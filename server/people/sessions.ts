/** Sessions: in the database, by the hash of their token; kept in memory until the next write. */
import { hash, verify } from 'argon2';
import { MS_PER_DAY } from '../../core/calendar/day.ts';
import type { Role } from '../../contract/people/people.ts';
import type { Actor, Env } from '../context/context.ts';
import { sha256 } from '../context/context.ts';
import type { Db } from '../store/db.ts';

export const SESSION_DAYS = 14;
export const LINK_DAYS = 400;

export interface NewSession {
  readonly token: string;
  readonly csrf: string;
  readonly expiresAt: number;
}

/** Opens a session for a person; the token goes into the cookie and nowhere else. */
export async function openSession(
  env: Env,
  db: Db,
  person: { id: string; organisationId: string },
  linkId: string | null,
  now: number,
): Promise<NewSession> {
  const token = env.secret();
  const csrf = env.secret();
  const expiresAt = now + (linkId ? LINK_DAYS : SESSION_DAYS) * MS_PER_DAY;
  await db.session.insert({
    id: sha256(token),
    organisationId: person.organisationId,
    personId: person.id,
    linkId,
    csrf,
    createdAt: now,
    expiresAt,
  });
  return { token, csrf, expiresAt };
}

/** What a session depends on. */
const TABLES = ['session', 'person', 'roleGrant', 'organisation', 'link'] as const;

/** Finds who a token belongs to. Answers are remembered until one of their tables is written. */
export function sessionReader(env: Env) {
  let revision = -1;
  const known = new Map<string, { actor: Actor; expiresAt: number } | null>();
  return async (token: string): Promise<Actor | null> => {
    const current = env.store.revisionOf(TABLES);
    if (revision !== current) {
      known.clear();
      revision = current;
    }
    const id = sha256(token);
    let session = known.get(id);
    if (session === undefined) {
      session = await readSession(env.store.db, id);
      if (known.size < 10_000) known.set(id, session);
    }
    return session && session.expiresAt > env.clock() ? session.actor : null;
  };
}

async function readSession(db: Db, id: string) {
  const session = await db.session.one({ id });
  if (!session) return null;
  const [person, organisation, grants] = await Promise.all([
    db.person.one({ id: session.personId }),
    db.organisation.one({ id: session.organisationId }),
    db.roleGrant.all({ personId: session.personId }),
  ]);
  if (!person || !organisation) return null;
  const roles: Role[] = session.linkId ? ['tenant'] : grants.map(({ role }) => role);
  const actor: Actor = {
    personId: person.id,
    name: person.name,
    organisationId: organisation.id,
    organisation: organisation.name,
    roles,
    sessionId: id,
    linkId: session.linkId,
    csrf: session.csrf,
  };
  return { actor, expiresAt: session.expiresAt };
}

/** Argon2id with the library's defaults. */
export const hashPassword = (password: string) => hash(password);

/** A hash that no password fits, so that an unknown email takes as long as a wrong password. */
let nobody: Promise<string> | undefined;

/** Whether a password is the one of a hash; takes as long where there is none. */
export async function passwordFits(passwordHash: string | null | undefined, password: string): Promise<boolean> {
  const fits = await verify(passwordHash ?? (await (nobody ??= hash('nobody has this password'))), password);
  return fits && Boolean(passwordHash);
}
