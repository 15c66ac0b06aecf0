/** Tokens of programs: made and revoked by managers, told once, kept as a hash. */
import { MS_PER_DAY } from '../../core/calendar/day.ts';
import type { NewToken, TokenArea, TokenSummary } from '../../contract/people/tokens.ts';
import type { Actor, Call, Env } from '../context/context.ts';
import { sha256 } from '../context/context.ts';
import { notFound } from '../context/problem.ts';
import { namesOf } from '../lookup/find.ts';
import { memberOf } from './members.ts';

/** What tells one of ours from others in somebody's settings. */
const MARK = 'dewline_';

/** Makes a token for the caller's own rights, less what it is limited to. */
export async function createToken(
  { env, db, actor, now }: Call,
  { name, writes, areas, days }: NewToken,
): Promise<{ token: string }> {
  const token = `${MARK}${env.secret()}`;
  await db.accessToken.insert({
    id: sha256(token),
    organisationId: actor.organisationId,
    personId: actor.personId,
    name,
    writes: writes ? 1 : 0,
    areas: areas.join(),
    createdAt: now,
    expiresAt: now + days * MS_PER_DAY,
    revokedAt: null,
  });
  return { token };
}

/** Tokens that still open, the latest first. */
export async function listTokens({ db, actor, now }: Call): Promise<TokenSummary[]> {
  const tokens = await db.accessToken.all(
    { organisationId: actor.organisationId, revokedAt: null },
    { order: [['createdAt', 'DESC']], limit: 200 },
  );
  const names = await namesOf(
    db,
    tokens.map(({ personId }) => personId),
  );
  return tokens
    .filter(({ expiresAt }) => expiresAt > now)
    .map(({ id, name, personId, writes, areas, createdAt, expiresAt }) => ({
      id,
      name,
      by: names.get(personId) ?? '',
      writes: writes === 1,
      areas: areas.split(',') as TokenArea[],
      createdAt,
      expiresAt,
    }));
}

/**
 * Ends a token at once.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function revokeToken({ db, actor, now }: Call, id: string): Promise<object> {
  const ended = await db.accessToken.update({ id, organisationId: actor.organisationId }, { revokedAt: now });
  if (ended === 0) throw notFound();
  return {};
}

/** Who comes by a token, and what it is limited to; null where it opens nothing. */
export async function bearerOf(
  env: Env,
  token: string,
): Promise<{ actor: Actor; writes: boolean; areas: readonly string[] } | null> {
  const { db } = env.store;
  const row = await db.accessToken.one({ id: sha256(token), revokedAt: null });
  if (!row || row.expiresAt <= env.clock()) return null;
  const member = await memberOf(db, row);
  if (!member) return null;
  const actor: Actor = { ...member, sessionId: row.id, linkId: null, csrf: '' };
  return { actor, writes: row.writes === 1, areas: row.areas.split(',') };
}
