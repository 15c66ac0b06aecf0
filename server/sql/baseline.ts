/** SQL that only SQLite has: parts that a baseline is about. */
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

export interface BaselineRow {
  readonly id: string;
  readonly number: number;
  readonly procedure: string;
  readonly machineId: string;
  readonly placeId: string;
  readonly place: string;
  readonly property: string;
  readonly servedDay: number;
  readonly work: number;
  /** The Monday of its week, as JSON; null where no plan names it. */
  readonly planned: string | null;
}

/** Kept parts that nobody has logged, or that a plan names; in walking order. */
export const readBaselineRows = (db: Db, organisationId: string, propertyId: string | null) =>
  ask<BaselineRow>(
    db,
    `
SELECT point.id, point.number, point.procedure, point.machine_id AS machineId, mark.place_id AS placeId,
  place.name AS place, property.name AS property, mark.served_day AS servedDay, mark.work,
  (SELECT value FROM fact WHERE fact.subject_id = point.id AND fact.name = 'baseline'
    ORDER BY recorded_at DESC, id DESC LIMIT 1) AS planned
FROM mark JOIN point ON point.id = mark.point_id JOIN place ON place.id = mark.place_id
JOIN property ON property.id = place.property_id
WHERE mark.organisation_id = ?1 AND (?2 IS NULL OR property.id = ?2)
  AND (mark.served_day = 0 OR EXISTS (SELECT 1 FROM fact WHERE fact.subject_id = point.id AND fact.name = 'baseline'))
ORDER BY property.sort, place.sort, point.number`,
    [organisationId, propertyId],
  );
