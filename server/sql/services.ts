/** SQL that only SQLite has: services of some parts of the last year, each with the line that it was done by. */
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

export interface ServiceOfPart {
  readonly pointId: string;
  readonly doneDay: number;
  readonly doneAt: number;
  /** The line in force before it; null where there was none. */
  readonly lineDay: number | null;
  /** The service before it; null where none is known. */
  readonly servedDay: number | null;
}

const SERVICES_SQL = `
SELECT record.point_id AS pointId, record.done_day AS doneDay, record.done_at AS doneAt,
  (SELECT line.line_day FROM line WHERE line.point_id = record.point_id AND line.computed_at < record.done_at
   ORDER BY line.id DESC LIMIT 1) AS lineDay,
  (SELECT line.served_day FROM line WHERE line.point_id = record.point_id AND line.computed_at < record.done_at
   ORDER BY line.id DESC LIMIT 1) AS servedDay
FROM record JOIN proof ON proof.record_id = record.id
WHERE record.point_id IN (SELECT value FROM json_each(?1)) AND record.done_day >= ?2
  AND proof.state IN ('waiting', 'accepted')
ORDER BY record.done_day`;

/** Services of some parts since a day. */
export const readServicesOf = (db: Db, pointIds: readonly string[], since: number) =>
  ask<ServiceOfPart>(db, SERVICES_SQL, [JSON.stringify(pointIds), since]);
