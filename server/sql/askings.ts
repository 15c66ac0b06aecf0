/** SQL that only SQLite has: what households were asked for, and when they did it. */
import type { JobState } from '../../core/jobs/transitions.ts';
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

/** One job that somebody else gave to a household. */
export interface AskedRow {
  /** The request that it came with; one asks for several jobs at once. */
  readonly request: string;
  readonly personId: string;
  /** When they heard of it, ms; else when it was given. */
  readonly at: number;
  /** When its work was done, ms; null where it was not. */
  readonly doneAt: number | null;
  /** When it was taken away or handed back, ms; null while it is theirs. */
  readonly endedAt: number | null;
}

/** What a household began unasked is no asking. */
const ASKINGS_SQL = `
SELECT COALESCE(job.list_id, job.id) AS request, who.person_id AS personId, COALESCE(
    (SELECT MIN(message.sent_at) FROM message
     WHERE message.subject_id = COALESCE(job.list_id, job.id) AND message.kind = 'asked'),
    job.given_at) AS at,
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

const TAKEN_BACK_SQL = `
SELECT task.point_id AS pointId, MAX(job_event.at) AS at
FROM job_event JOIN task ON task.job_id = job_event.job_id
WHERE job_event.organisation_id = ?1 AND job_event.at >= ?2 AND job_event.to_state IN ('cancelled', 'open')
GROUP BY task.point_id`;

/** When work on each part was last taken away from whoever had it, or handed back. */
export const readTakenBack = (db: Db, organisationId: string, since: number) =>
  ask<{ readonly pointId: string; readonly at: number }>(db, TAKEN_BACK_SQL, [organisationId, since]);

/** A part of work that a household was asked for and has not sent. */
export interface OpenRow {
  readonly request: string;
  readonly organisationId: string;
  readonly personId: string;
  readonly placeId: string;
  readonly propertyId: string;
  readonly zone: string;
  readonly jobId: string;
  readonly state: JobState;
  readonly machineId: string;
  readonly givenAt: number;
  readonly pointId: string;
  readonly procedure: string;
  /** Days; 0 where nothing is known of it. */
  readonly servedDay: number;
  readonly intervalDays: number;
  /** Why it was sent back, in words; null where it was not. */
  readonly sentBack: string | null;
}

/** What a household began unasked waits for nobody. */
const OPEN_SQL = `
SELECT COALESCE(job.list_id, job.id) AS request, job.organisation_id AS organisationId, job.assignee_id AS personId,
  job.place_id AS placeId, place.property_id AS propertyId, property.zone, job.id AS jobId, job.state,
  job.machine_id AS machineId, job.given_at AS givenAt, task.point_id AS pointId, point.procedure,
  mark.served_day AS servedDay, mark.interval_days AS intervalDays, task.sent_back AS sentBack
FROM job
JOIN role_grant ON role_grant.person_id = job.assignee_id AND role_grant.role = 'tenant'
JOIN place ON place.id = job.place_id
JOIN property ON property.id = place.property_id
JOIN task ON task.job_id = job.id AND task.state = 'outstanding'
JOIN point ON point.id = task.point_id
JOIN mark ON mark.point_id = task.point_id
WHERE job.state IN ('given', 'started', 'awaitingTest') AND (?1 IS NULL OR job.organisation_id = ?1)
  AND (?2 IS NULL OR job.assignee_id = ?2)
  AND NOT EXISTS (SELECT 1 FROM job_event
    WHERE job_event.job_id = job.id AND job_event.move = 'give' AND job_event.person_id = job.assignee_id)
ORDER BY job.given_at, job.id, point.number`;

/** What households have open, of all organisations or of one, of all people or of one. */
export const readOpen = (db: Db, organisationId: string | null, personId: string | null = null) =>
  ask<OpenRow>(db, OPEN_SQL, [organisationId, personId]);
