/** SQL of inspections: when parts were last served, and how well that is known. */
import type { EvidenceLevel } from '../../core/proof/record.ts';
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

export interface ServedRow {
  readonly pointId: string;
  readonly day: number;
  readonly evidence: EvidenceLevel;
}

/** The latest service of each of some parts that a condition was kept of. */
export const readServed = (db: Db, pointIds: readonly string[]): Promise<ServedRow[]> =>
  ask<ServedRow>(
    db,
    `
SELECT point_id AS pointId, day, evidence, MAX(at) AS latest FROM condition
WHERE kind = 'service' AND evidence IS NOT NULL AND point_id IN (SELECT value FROM json_each(?1)) GROUP BY point_id`,
    [JSON.stringify(pointIds)],
  );
