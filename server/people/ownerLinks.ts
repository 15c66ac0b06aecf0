/** Links by which owners read how their homes stand: good until their day, or until they are revoked. */
import { MS_PER_DAY } from '../../core/calendar/day.ts';
import type { NewOwnerLink, OwnerLinkSummary } from '../../contract/standing/standing.ts';
import type { Call } from '../context/context.ts';
import { sha256 } from '../context/context.ts';
import { notFound, Problem } from '../context/problem.ts';
import { namesOf } from '../lookup/find.ts';
import { findProperty } from '../lookup/places.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';
import { personRow } from '../store/person.ts';

/**
 * Makes a link for an owner; its token is told once and kept as a hash only.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function createOwnerLink(call: Call, form: NewOwnerLink): Promise<{ path: string }> {
  const { env, db, actor, now } = call;
  const { organisationId } = actor;
  if (form.propertyId !== null) await findProperty(call, form.propertyId);
  const token = env.secret();
  await db.person.insert(personRow({ id: form.id, organisationId, name: form.name, createdAt: now }));
  await db.roleGrant.insert({ id: env.newId(), organisationId, personId: form.id, role: 'owner' });
  await db.ownerLink.insert({
    id: sha256(token),
    organisationId,
    propertyId: form.propertyId,
    personId: form.id,
    createdAt: now,
    expiresAt: now + form.days * MS_PER_DAY,
    revokedAt: null,
  });
  return { path: `/owner#${token}` };
}

/** Links that still open, the latest first. */
export async function listOwnerLinks({ db, actor, now }: Call): Promise<OwnerLinkSummary[]> {
  const { organisationId } = actor;
  const links = (
    await db.ownerLink.all({ organisationId, revokedAt: null }, { order: [['createdAt', 'DESC']], limit: 200 })
  ).filter(({ expiresAt }) => expiresAt > now);
  const properties = new Map((await db.property.all({ organisationId })).map(({ id, name }) => [id, name]));
  const names = await namesOf(
    db,
    links.map(({ personId }) => personId),
  );
  return links.map(({ personId, propertyId, expiresAt }) => ({
    id: personId,
    name: names.get(personId) ?? '',
    property: propertyId === null ? null : (properties.get(propertyId) ?? ''),
    expiresAt,
  }));
}

/**
 * Ends a link, and whoever is in by it.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function revokeOwnerLink({ db, actor, now }: Call, personId: string): Promise<object> {
  const link = await db.ownerLink.one({ personId, organisationId: actor.organisationId });
  if (!link) throw notFound();
  await db.ownerLink.update({ personId }, { revokedAt: now });
  await db.session.remove({ personId });
  return {};
}

const opens = (link: Row<'ownerLink'> | undefined, now: number): link is Row<'ownerLink'> =>
  link !== undefined && link.revokedAt === null && link.expiresAt > now;

/** Whom a token lets in as an owner; undefined where it opens nothing. */
export const ownerOf = (db: Db, token: string, now: number) => ownerBy(db, { id: sha256(token) }, now);

/** Who is let in as an owner by a link that is good, and until when; by the link's id or by whose it is. */
export async function ownerBy(
  db: Db,
  by: { readonly id: string } | { readonly personId: string },
  now: number,
): Promise<{ id: string; organisationId: string; until: number } | undefined> {
  const link = await db.ownerLink.one(by);
  return opens(link, now)
    ? { id: link.personId, organisationId: link.organisationId, until: link.expiresAt }
    : undefined;
}

/** What somebody may read of the standing: everything, or one property without the names of people. */
export interface ReadingScope {
  readonly propertyId: string | null;
  readonly names: boolean;
}

/**
 * What the caller may read: the office all of it, an owner what the link names, as long as it is good.
 * @throws Problem: linkOver (401)
 */
export async function readingScope({ db, actor, now }: Call): Promise<ReadingScope> {
  if (actor.roles.includes('manager')) return { propertyId: null, names: true };
  const link = await db.ownerLink.one({ personId: actor.personId });
  if (!opens(link, now)) throw new Problem(401, 'linkOver');
  return { propertyId: link.propertyId, names: false };
}
