/** SQL that only SQLite has: what people of the office have done. */
import { PEOPLE_PAGE, type FindPeople, type PeopleKind } from '../../contract/people/people.ts';
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

export interface DoneByPerson {
  readonly personId: string;
  /** Services that counted, and how many of them were on time. */
  readonly services: number;
  readonly onTime: number;
}

/** Services since an instant, by who did them; what was sent back or corrected does not count. */
export const readDoneByPerson = (db: Db, organisationId: string, since: number): Promise<DoneByPerson[]> =>
  ask<DoneByPerson>(
    db,
    `
SELECT record.person_id AS personId, count(*) AS services, sum(proof.on_time) AS onTime
FROM record JOIN proof ON proof.record_id = record.id
WHERE record.organisation_id = ?1 AND record.done_at >= ?2 AND proof.state IN ('waiting', 'accepted')
GROUP BY record.person_id`,
    [organisationId, since],
  );

/** How often each person has walked a procedure through without a machine. */
export const readRehearsedBy = (db: Db, organisationId: string): Promise<{ personId: string; count: number }[]> =>
  ask(
    db,
    'SELECT person_id AS personId, count(*) AS count FROM rehearsal WHERE organisation_id = ?1 GROUP BY person_id',
    [organisationId],
  );

/**
 * Everybody with their kind: of the office while they are; a tenant while they live somewhere or come to live there;
 * gone; or somebody from outside, by a link. Whoever has no role and no tenancy is nobody to give anything to: the clock,
 * or a tenant whose tenancy was taken back.
 */
const KINDS = `
WITH roles AS (
  SELECT person_id, max(role IN ('manager', 'staff')) AS office, max(role = 'tenant') AS tenant, count(*) AS any_role
  FROM role_grant WHERE organisation_id = ?1 GROUP BY person_id
), homes AS (
  SELECT tenancy.person_id, max(tenancy.to_day IS NULL OR tenancy.to_day >= ?2) AS living,
    group_concat(property.name || ' ' || place.name, ' ') AS names
  FROM tenancy JOIN place ON place.id = tenancy.place_id JOIN property ON property.id = place.property_id
  WHERE tenancy.organisation_id = ?1 GROUP BY tenancy.person_id
), listed AS (
  SELECT person.id, person.name, person.email, homes.names AS homes, CASE
    WHEN roles.office = 1 THEN 'office'
    WHEN person.disabled_at IS NOT NULL AND person.former_roles <> '' THEN 'former'
    WHEN homes.living = 1 THEN 'tenants'
    WHEN homes.living = 0 THEN 'former'
    WHEN roles.any_role > 0 AND roles.tenant = 0 THEN 'outside'
  END AS kind
  FROM person LEFT JOIN roles ON roles.person_id = person.id LEFT JOIN homes ON homes.person_id = person.id
  WHERE person.organisation_id = ?1
)`;

/** How many there are of each kind on a day. */
export const countPeople = (db: Db, organisationId: string, today: number) =>
  ask<{ readonly kind: PeopleKind; readonly count: number }>(
    db,
    `${KINDS} SELECT kind, count(*) AS count FROM listed WHERE kind IS NOT NULL GROUP BY kind`,
    [organisationId, today],
  );

/** In hand: work that is given and not sent. On time: with few services the share is drawn to one half. */
const ORDERS: Readonly<Record<FindPeople['order'], string>> = {
  name: 'name COLLATE NOCASE',
  jobs: `(SELECT count(*) FROM job WHERE job.assignee_id = listed.id
    AND job.state IN ('given', 'started', 'awaitingTest')) DESC, name COLLATE NOCASE`,
  onTime: `(SELECT (sum(proof.on_time) + 1.0) / (count(*) + 2) FROM record JOIN proof ON proof.record_id = record.id
    WHERE record.person_id = listed.id AND record.done_at >= ?7 AND proof.state IN ('waiting', 'accepted')),
    name COLLATE NOCASE`,
};

/**
 * Some people of one kind whose name, email or home has the words; with how many match in all.
 * @param since from when services count
 */
export async function listPeople(
  db: Db,
  organisationId: string,
  { kind, find, order, skip }: FindPeople,
  { today, since }: { readonly today: number; readonly since: number },
): Promise<{ ids: string[]; matching: number }> {
  const like = `%${find.replace(/[\\%_]/g, '\\$&')}%`;
  const among = String.raw`FROM listed WHERE kind = ?3
    AND (name LIKE ?4 ESCAPE '\' OR email LIKE ?4 ESCAPE '\' OR homes LIKE ?4 ESCAPE '\')`;
  const [rows, [all]] = await Promise.all([
    ask<{ readonly id: string }>(
      db,
      `${KINDS} SELECT id ${among} AND ?7 IS NOT NULL ORDER BY ${ORDERS[order]}, id LIMIT ?5 OFFSET ?6`,
      [organisationId, today, kind, like, PEOPLE_PAGE, skip, since],
    ),
    ask<{ readonly count: number }>(db, `${KINDS} SELECT count(*) AS count ${among}`, [
      organisationId,
      today,
      kind,
      like,
    ]),
  ]);
  return { ids: rows.map(({ id }) => id), matching: all!.count };
}
