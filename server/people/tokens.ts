/** Tokens of programs: made and revoked by managers, told once, kept as a hash. */
import { MS_PER_DAY } from '../../core/calendar/day.ts';
import type { NewToken, TokenArea, TokensAnswer } from '../../contract/people/tokens.ts';
import type { Actor, Call, Env } from '../context/context.ts';
import { sha256 } from '../context/context.ts';
import { notFound } from '../context/problem.ts';
import { namesOf } from '../lookup/find.ts';
import { memberOf } from './members.ts';
import { namedProperties, refuseUnknownProperties } from './properties.ts';

/** What tells one of ours from others in somebody's settings. */
const MARK = 'dewline_';

/**
 * Makes a token for the caller's own rights, less what it is limited to.
 * @throws Problem: fields (422) where a property is not there
 */
export async function createToken(
  { env, db, actor, now }: Call,
  { name, writes, areas, properties, days }: NewToken,
): Promise<{ token: string }> {
  await refuseUnknownProperties(db, actor.organisationId, properties);
  const token = `${MARK}${env.secret()}`;
  await db.accessToken.insert({
    id: sha256(token),
    organisationId: actor.organisationId,
    personId: actor.personId,
    name,
    writes: writes ? 1 : 0,
    areas: areas.join(),
    properties: properties.join(),
    createdAt: now,
    expiresAt: now + days * MS_PER_DAY,
    revokedAt: null,
  });
  return { token };
}

/** Tokens that still open, the latest first. */
export async function listTokens({ db, actor, now }: Call): Promise<TokensAnswer> {
  const tokens = await db.accessToken.all(
    { organisationId: actor.organisationId, revokedAt: null },
    { order: [['createdAt', 'DESC']], limit: 200 },
  );
  const [names, properties] = await Promise.all([
    namesOf(
      db,
      tokens.map(({ personId }) => personId),
    ),
    namedProperties(db, actor.organisationId),
  ]);
  const propertyNames = (ids: string) => properties.filter(({ id }) => ids.includes(id)).map(({ name }) => name);
  const open = tokens
    .filter(({ expiresAt }) => expiresAt > now)
    .map(({ id, name, personId, writes, areas, properties: limits, createdAt, expiresAt }) => ({
      id,
      name,
      by: names.get(personId) ?? '',
      writes: writes === 1,
      areas: areas.split(',') as TokenArea[],
      properties: limits === '' ? null : propertyNames(limits),
      createdAt,
      expiresAt,
    }));
  return { tokens: open, properties };
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
  const limits = row.properties === '' ? null : row.properties.split(',');
  const { properties: own } = member;
  const properties = limits && own ? limits.filter((id) => own.includes(id)) : (limits ?? own);
  const actor: Actor = { ...member, properties, sessionId: row.id, linkId: null, csrf: '' };
  return { actor, writes: row.writes === 1, areas: row.areas.split(',') };
}
