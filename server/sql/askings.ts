/** SQL that only SQLite has: what households were asked for, and when they did it. */
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

/** One job that somebody else gave to a household. */
export interface AskedRow {
  /** The request that it came with; one asks for several jobs at once. */
  readonly request: string;
  readonly personId: string;
  /** When it was given, ms. */
  readonly at: number;
  /** When its work was done, ms; null where it was not. */
  readonly doneAt: number | null;
  /** When it was taken away or handed back, ms; null while it is theirs. */
  readonly endedAt: number | null;
}

/** What a household began unasked is no asking. */
const ASKINGS_SQL = `
SELECT COALESCE(job.list_id, job.id) AS request, who.person_id AS personId, job.given_at AS at,
  (SELECT MIN(record.done_at) FROM task JOIN record ON record.task_id = task.id WHERE task.job_id = job.id) AS doneAt,
  (SELECT MAX(job_event.at) FROM job_event
   WHERE job_event.job_id = job.id AND job_event.to_state IN ('cancelled', 'open')) AS endedAt
FROM job
JOIN role_grant AS who ON who.role = 'tenant' AND who.person_id = COALESCE(job.assignee_id,
  (SELECT hand_back.person_id FROM hand_back WHERE hand_back.job_id = job.id LIMIT 1))
WHERE job.organisation_id = ?1 AND job.given_at >= ?2 AND (?3 IS NULL OR who.person_id = ?3)
  AND NOT EXISTS (SELECT 1 FROM job_event
    WHERE job_event.job_id = job.id AND job_event.move = 'give' AND job_event.person_id = who.person_id)
ORDER BY job.given_at`;

/** What was asked for since an instant, of all households or of one person's. */
export const readAskings = (db: Db, organisationId: string, since: number, personId: string | null = null) =>
  ask<AskedRow>(db, ASKINGS_SQL, [organisationId, since, personId]);
