/** SQL that only SQLite has: what moves the odds of a fault's causes, and what a pattern is sorted by. */
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

export interface ServiceCycle {
  readonly machineId: string;
  readonly procedure: string;
  readonly number: number;
  readonly servedDay: number;
  readonly lineDay: number;
}

/** Every service of the points of some machines, with the line that was drawn first after it. */
export const readCycles = (db: Db, machineIds: readonly string[]): Promise<ServiceCycle[]> =>
  ask<ServiceCycle>(
    db,
    `
SELECT point.machine_id AS machineId, point.procedure, point.number, line.served_day AS servedDay, line.line_day AS lineDay
FROM point JOIN line ON line.id IN (
  SELECT MIN(id) FROM line WHERE point_id = point.id AND served_day IS NOT NULL GROUP BY served_day
)
WHERE point.machine_id IN (SELECT value FROM json_each(?1))
ORDER BY line.served_day`,
    [JSON.stringify(machineIds)],
  );

/** How many faults were closed by code by somebody who lives there. */
export async function countByTenants(db: Db, organisationId: string): Promise<number> {
  const [row] = await ask<{ readonly count: number }>(
    db,
    `
SELECT COUNT(*) AS count FROM fault WHERE organisation_id = ?1 AND cause IS NOT NULL
  AND EXISTS (SELECT 1 FROM role_grant WHERE role_grant.person_id = fault.closed_by AND role_grant.role = 'tenant')`,
    [organisationId],
  );
  return row!.count;
}
