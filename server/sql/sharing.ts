/** SQL of what machines have in common: where they stand, what they are, who looks after them. */
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

export interface CommonRow {
  readonly id: string;
  readonly type: string;
  readonly maker: string;
  readonly model: string;
  readonly drainBranch: string;
  readonly createdAt: number;
  readonly placeId: string;
  readonly buildingId: string | null;
  readonly propertyId: string;
  /** Who did most of its services; null where nobody did any. */
  readonly personId: string | null;
  /** Supplier's batch of what was put in last; null where none was noted. */
  readonly lot: string | null;
}

/** Every machine in use with what it may have in common with others. */
export const readCommon = (db: Db, organisationId: string): Promise<CommonRow[]> =>
  ask<CommonRow>(
    db,
    `
WITH done AS (
  SELECT point.machine_id AS machine_id, record.person_id AS person_id, COUNT(*) AS count
  FROM record JOIN point ON point.id = record.point_id
  WHERE record.organisation_id = ?1 GROUP BY 1, 2
), noted AS (
  SELECT point.machine_id AS machine_id, json_extract(record.canonical, '$.replaced.lot') AS lot, MAX(record.done_at)
  FROM record JOIN point ON point.id = record.point_id
  WHERE record.organisation_id = ?1 AND json_extract(record.canonical, '$.replaced.lot') IS NOT NULL GROUP BY 1
)
SELECT machine.id, machine.type, machine.maker, machine.model, machine.drain_branch AS drainBranch,
  machine.created_at AS createdAt, machine.place_id AS placeId, place.building_id AS buildingId,
  place.property_id AS propertyId,
  (SELECT person_id FROM done WHERE done.machine_id = machine.id ORDER BY count DESC, person_id LIMIT 1) AS personId,
  (SELECT lot FROM noted WHERE noted.machine_id = machine.id) AS lot
FROM machine JOIN place ON place.id = machine.place_id
WHERE machine.organisation_id = ?1 AND machine.retired_day IS NULL`,
    [organisationId],
  );

/** Machines on which each symptom was reported since an instant. */
export const readFaulty = (
  db: Db,
  organisationId: string,
  since: number,
): Promise<{ readonly machineId: string; readonly symptom: string }[]> =>
  ask(
    db,
    `
SELECT DISTINCT machine_id AS machineId, symptom FROM fault WHERE organisation_id = ?1 AND opened_at >= ?2`,
    [organisationId, since],
  );
