/** SQL that only SQLite has: what people of the office have done. */
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
