/** SQL that only SQLite has: what moves the odds of a fault's causes. */
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

export interface LineBefore {
  readonly procedure: string;
  readonly number: number;
  readonly servedDay: number | null;
  readonly lineDay: number;
}

/** The lines of a machine's points as computed last strictly before an instant, in milliseconds since 1970. */
export const readLinesBefore = (db: Db, machineId: string, before: number): Promise<LineBefore[]> =>
  ask<LineBefore>(
    db,
    `
SELECT point.procedure, point.number, line.served_day AS servedDay, line.line_day AS lineDay
FROM point JOIN line ON line.id = (
  SELECT id FROM line WHERE point_id = point.id AND computed_at < ?2 ORDER BY id DESC LIMIT 1
)
WHERE point.machine_id = ?1`,
    [machineId, before],
  );

export interface ClosingCount {
  readonly symptom: string;
  readonly cause: string;
  readonly count: number;
}

/** How often each cause was found behind each symptom on a kind of machine. */
export const countClosings = (db: Db, organisationId: string, machineType: string): Promise<ClosingCount[]> =>
  ask<ClosingCount>(
    db,
    `
SELECT fault.symptom, fault.cause, COUNT(*) AS count
FROM fault JOIN machine ON machine.id = fault.machine_id
WHERE fault.organisation_id = ?1 AND machine.type = ?2 AND fault.cause IS NOT NULL
GROUP BY fault.symptom, fault.cause`,
    [organisationId, machineType],
  );
