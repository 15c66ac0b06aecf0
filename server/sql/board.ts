/** SQL that only SQLite has: the board's marks, gathered per place in the database itself. */
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

export interface BoardRow {
  readonly id: string;
  readonly name: string;
  readonly property_id: string;
  /** Numbers of all marks, comma-separated; null without marks. */
  readonly marks: string | null;
}

export const BOARD_SQL = `
SELECT place.id, place.name, place.property_id, gathered.marks
FROM place
JOIN property ON property.id = place.property_id
LEFT JOIN (
  SELECT place_id, group_concat(
    number || ',' || type || ',' || served_day || ',' || interval_days || ',' || cap_slack || ',' || work || ',' ||
    (1 - scheduled)
  ) AS marks
  FROM mark WHERE organisation_id = ?1 GROUP BY place_id
) AS gathered ON gathered.place_id = place.id
WHERE place.organisation_id = ?1
ORDER BY property.sort, property.id, place.sort, place.id`;

const WAITING_SQL = `
SELECT (SELECT count(*) FROM proof WHERE organisation_id = ?1 AND state = 'waiting') AS proofs,
       (SELECT count(*) FROM fault WHERE organisation_id = ?1 AND closed_at IS NULL)
       + (SELECT count(*) FROM signal WHERE organisation_id = ?1 AND state = 'open') AS faults,
       (SELECT count(*) FROM hand_back WHERE organisation_id = ?1 AND settled_at IS NULL) AS "handBacks",
       (SELECT at FROM log_entry WHERE organisation_id = ?1 ORDER BY sequence DESC LIMIT 1) AS latest`;

/** Parts without a record that a plan names, and the last of its weeks. */
export const BASELINE_SQL = `
SELECT count(*) AS planned, max(CAST(planned AS INTEGER)) AS until FROM (
  SELECT (
    SELECT value FROM fact WHERE fact.subject_id = mark.point_id AND fact.name = 'baseline'
    ORDER BY recorded_at DESC, id DESC LIMIT 1
  ) AS planned
  FROM mark WHERE mark.organisation_id = ?1 AND mark.served_day = 0) WHERE planned IS NOT NULL`;

/** Null where no plan is kept. */
export async function readBaselinePlan(
  db: Db,
  organisationId: string,
): Promise<{ planned: number; until: number } | null> {
  const [row] = await ask<{ planned: number; until: number | null }>(db, BASELINE_SQL, [organisationId]);
  return row && row.planned > 0 && row.until !== null ? { planned: row.planned, until: row.until } : null;
}

export interface Waiting {
  readonly proofs: number;
  readonly faults: number;
  readonly handBacks: number;
  /** When the newest entry of the log was written, ms; null without one. */
  readonly latest: number | null;
}

/** Since when, and until when, each open fault and deficiency is to be put right; what runs out first at the top. */
export const readOpenClocks = (
  db: Db,
  organisationId: string,
): Promise<{ readonly openedAt: number; readonly correctBy: number }[]> =>
  ask(
    db,
    `
SELECT opened_at AS openedAt, correct_by AS correctBy FROM fault WHERE organisation_id = ?1 AND closed_at IS NULL
UNION ALL
SELECT opened_at, correct_by FROM deficiency WHERE closed_at IS NULL AND organisation_id = ?1
ORDER BY 2`,
    [organisationId],
  );

/** Rows of the board in walking order. */
export function readBoardRows(db: Db, organisationId: string): Promise<BoardRow[]> {
  return ask<BoardRow>(db, BOARD_SQL, [organisationId]);
}

/** How many proofs wait and how many faults and signals are open, and when something was last written down. */
export async function readWaiting(db: Db, organisationId: string): Promise<Waiting> {
  return (await ask<Waiting>(db, WAITING_SQL, [organisationId]))[0]!;
}
