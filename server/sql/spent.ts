/** SQL that only SQLite has: what was done within a window, and what tenants were asked for in it. */
import type { Grade } from '../../core/catalogue/grades.ts';
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

export interface DoneRow {
  readonly id: string;
  readonly pointId: string;
  readonly placeId: string;
  readonly jobId: string | null;
  /** Null where the person was erased. */
  readonly personId: string | null;
  readonly day: number;
  readonly doneAt: number;
  readonly procedure: string;
  /** Null where the record is older than methods. */
  readonly methods: Readonly<Record<string, string>> | null;
  readonly grade: Grade | null;
  readonly startedAt: number | null;
}

type RecordFields = readonly [DoneRow['procedure'], DoneRow['methods'], DoneRow['grade'], DoneRow['startedAt']];

const DONE_SQL = `
SELECT record.id, record.point_id AS pointId, machine.place_id AS placeId, record.job_id AS jobId,
  record.person_id AS personId, record.done_day AS day, record.done_at AS doneAt,
  json_extract(record.canonical, '$.procedure', '$.methods', '$.grade', '$.startedAt') AS told
FROM record
JOIN proof ON proof.record_id = record.id AND proof.state <> 'corrected'
JOIN point ON point.id = record.point_id
JOIN machine ON machine.id = point.machine_id
WHERE record.organisation_id = ?1 AND record.done_day BETWEEN ?2 AND ?3`;

/** Every service done from one day to another, but what was logged by mistake. */
export async function readDone(db: Db, organisationId: string, fromDay: number, toDay: number): Promise<DoneRow[]> {
  type Row = Omit<DoneRow, 'procedure' | 'methods' | 'grade' | 'startedAt'> & { readonly told: string };
  const rows = await ask<Row>(db, DONE_SQL, [organisationId, fromDay, toDay]);
  return rows.map(({ told, ...row }) => {
    const [procedure, methods, grade, startedAt] = JSON.parse(told) as RecordFields;
    return { ...row, procedure, methods, grade, startedAt };
  });
}

/** Handed back, a job is nobody's, and was a request all the same. What is given at once is one. */
const ASKED_SQL = `
SELECT DISTINCT job.given_at AS at, job.place_id AS placeId, who.person_id AS personId
FROM job
JOIN role_grant AS who ON who.role = 'tenant' AND who.person_id = COALESCE(job.assignee_id,
  (SELECT hand_back.person_id FROM hand_back WHERE hand_back.job_id = job.id LIMIT 1))
WHERE job.organisation_id = ?1 AND job.given_at BETWEEN ?2 AND ?3`;

/** Requests to tenants from one instant to another. */
export const readAsked = (db: Db, organisationId: string, from: number, to: number) =>
  ask<{ readonly at: number; readonly placeId: string; readonly personId: string }>(db, ASKED_SQL, [
    organisationId,
    from,
    to,
  ]);
