/** SQL that only SQLite has: the lines of every part since it was registered, and what else its standing needs. */
import { ON_TIME_DEFINITION } from '../../core/due/line.ts';
import type { Grade } from '../../core/catalogue/grades.ts';
import type { EvidenceLevel } from '../../core/proof/record.ts';
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

export interface TraceRow {
  readonly pointId: string;
  readonly number: number;
  readonly procedure: string;
  readonly machineId: string;
  readonly placeId: string;
  /** When its machine was registered, ms. */
  readonly registeredAt: number;
  readonly machineType: string;
  readonly label: string;
  readonly retiredDay: number | null;
  /** Procedures of parts that its machine lacks, JSON. */
  readonly leftOut: string;
  /** Day of the work that awaits its proof. */
  readonly doneDay: number | null;
  /** Its lines in order, `drawn at (ms),served day,line day,cap day` each, semicolons between; null without. */
  readonly lines: string | null;
}

/** What must be read for the standing of every part of an organisation, or of one place (?2). */
export const TRACES_SQL = `
SELECT point.id AS pointId, point.number, point.procedure, machine.id AS machineId, machine.place_id AS placeId,
  machine.created_at AS registeredAt, machine.retired_day AS retiredDay, machine.left_out AS leftOut, machine.type AS machineType, machine.label,
  (SELECT MAX(record.done_day) FROM proof JOIN record ON record.id = proof.record_id
   WHERE proof.point_id = point.id AND proof.state = 'waiting') AS doneDay,
  (SELECT group_concat(computed_at || ',' || ifnull(served_day, '') || ',' || line_day || ',' || cap_day, ';')
   FROM (SELECT computed_at, served_day, line_day, cap_day FROM line
     WHERE line.point_id = point.id ORDER BY line.id)) AS lines
FROM machine JOIN point ON point.machine_id = machine.id
WHERE machine.organisation_id = ?1 AND (?2 IS NULL OR machine.place_id = ?2)
ORDER BY point.number`;

/** Every part of an organisation, or of one place. */
export const readTraces = (db: Db, organisationId: string, placeId: string | null): Promise<TraceRow[]> =>
  ask<TraceRow>(db, TRACES_SQL, [organisationId, placeId]);

/** Services of one person in one place at one kind of part. */
export interface ServiceRow {
  readonly placeId: string;
  readonly procedure: string;
  readonly by: string | null;
  readonly count: number;
  readonly onTime: number;
}

/**
 * Proven services done within a window, by place, procedure and person, other than the first of each part, which had no line to be on time for. Those
 * judged by the earlier definition stay as they were judged, riders left out, since nothing asked for them then.
 */
export const SERVICES_SQL = `
SELECT machine.place_id AS placeId, point.procedure, record.person_id AS "by", COUNT(*) AS count, SUM(proof.on_time) AS onTime
FROM record
JOIN proof ON proof.record_id = record.id AND proof.state IN ('accepted', 'registerWrong')
JOIN point ON point.id = record.point_id
JOIN machine ON machine.id = point.machine_id
WHERE record.organisation_id = ?1 AND (?2 IS NULL OR machine.place_id = ?2) AND record.done_day BETWEEN ?3 AND ?4
  AND EXISTS (SELECT 1 FROM record AS earlier
    WHERE earlier.point_id = record.point_id AND earlier.done_at < record.done_at)
  AND (proof.definition = ?5
    OR NOT EXISTS (SELECT 1 FROM mark WHERE mark.point_id = record.point_id AND mark.scheduled = 0))
GROUP BY machine.place_id, point.procedure, record.person_id`;

/** Services done from one day to another, of an organisation or of one place. */
export const readServices = (
  db: Db,
  organisationId: string,
  placeId: string | null,
  fromDay: number,
  toDay: number,
): Promise<ServiceRow[]> =>
  ask<ServiceRow>(db, SERVICES_SQL, [organisationId, placeId, fromDay, toDay, ON_TIME_DEFINITION]);

/** How well the latest service of each part until a day is attested. */
export const EVIDENCE_SQL = `
SELECT point_id AS pointId, evidence, MAX(at) AS latest FROM condition
WHERE organisation_id = ?1 AND kind = 'service' AND day <= ?2 GROUP BY point_id`;

export interface EvidenceRow {
  readonly pointId: string;
  readonly evidence: EvidenceLevel | null;
}

/** The evidence of each part's latest service until a day. */
export const readEvidenceOn = (db: Db, organisationId: string, day: number): Promise<EvidenceRow[]> =>
  ask<EvidenceRow>(db, EVIDENCE_SQL, [organisationId, day]);

/** Who had been given a part's work by an instant and had not ended it then; the latest last. */
export const readAssigned = (db: Db, organisationId: string, at: number) =>
  ask<{ readonly pointId: string; readonly personId: string; readonly givenAt: number }>(
    db,
    `
SELECT task.point_id AS pointId, job.assignee_id AS personId, job.given_at AS givenAt
FROM job JOIN task ON task.job_id = job.id
WHERE job.organisation_id = ?1 AND job.assignee_id IS NOT NULL AND job.given_at <= ?2 AND task.state <> 'dropped'
  AND NOT EXISTS (SELECT 1 FROM record WHERE record.task_id = task.id AND record.done_at <= ?2)
  AND (job.state IN ('given', 'started', 'awaitingTest', 'sent')
    OR (SELECT MAX(at) FROM job_event WHERE job_event.job_id = job.id) > ?2)
ORDER BY job.given_at`,
    [organisationId, at],
  );

/** How often each grade was found at services within a window, by procedure. */
export const countGrades = (db: Db, organisationId: string, fromDay: number, toDay: number) =>
  ask<{ readonly procedure: string; readonly grade: Grade; readonly count: number }>(
    db,
    `
SELECT point.procedure, condition.grade, COUNT(*) AS count FROM condition JOIN point ON point.id = condition.point_id
WHERE condition.organisation_id = ?1 AND condition.day BETWEEN ?2 AND ?3 AND condition.grade IS NOT NULL
GROUP BY point.procedure, condition.grade`,
    [organisationId, fromDay, toDay],
  );

/** Faults that came within a window, by cause; null those that are open, or were closed in words alone. */
export const countCauses = (db: Db, organisationId: string, fromDay: number, toDay: number) =>
  ask<{ readonly cause: string | null; readonly open: number; readonly count: number }>(
    db,
    `
SELECT cause, closed_at IS NULL AS open, COUNT(*) AS count FROM fault
WHERE organisation_id = ?1 AND opened_day BETWEEN ?2 AND ?3 GROUP BY 1, 2 ORDER BY count DESC, cause`,
    [organisationId, fromDay, toDay],
  );
