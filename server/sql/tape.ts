/** SQL of the tape that the models have no words for. */
import type { Grade } from '../../core/catalogue/grades.ts';
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

export interface ToothRow {
  readonly pointId: string;
  readonly kind: 'service' | 'look';
  readonly day: number;
  readonly grade: Grade | null;
}

/** What was found at the parts of some machines, oldest first. */
export const readTeeth = (db: Db, pointIds: readonly string[]): Promise<ToothRow[]> =>
  ask<ToothRow>(
    db,
    `
SELECT point_id AS pointId, kind, day, grade FROM condition
WHERE point_id IN (SELECT value FROM json_each(?1)) ORDER BY day, at`,
    [JSON.stringify(pointIds)],
  );

export interface MoveRow {
  readonly at: number;
  readonly move: string;
  readonly reason: string | null;
  readonly personId: string;
  readonly assigneeId: string | null;
  readonly machineId: string;
  /** Procedures of the parts of the job, comma-separated. */
  readonly procedures: string | null;
}

/** Every move of the jobs at some machines. */
export const readMoves = (db: Db, machineIds: readonly string[]): Promise<MoveRow[]> =>
  ask<MoveRow>(
    db,
    `
SELECT job_event.at, job_event.move, job_event.reason, job_event.person_id AS personId, job.assignee_id AS assigneeId,
  job.machine_id AS machineId,
  (SELECT group_concat(DISTINCT point.procedure) FROM task JOIN point ON point.id = task.point_id
   WHERE task.job_id = job.id) AS procedures
FROM job JOIN job_event ON job_event.job_id = job.id
WHERE job.machine_id IN (SELECT value FROM json_each(?1))`,
    [JSON.stringify(machineIds)],
  );
