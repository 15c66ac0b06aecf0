/** SQL that only SQLite has: the board's marks, gathered per place in the database itself. */
import type { Sequelize } from 'sequelize';
import type sqlite3 from 'sqlite3';

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
  SELECT place_id, group_concat(number || ',' || type || ',' || served_day || ',' || interval_days || ',' || cap_slack || ',' || work) AS marks
  FROM mark WHERE organisation_id = ?1 GROUP BY place_id
) AS gathered ON gathered.place_id = place.id
WHERE place.organisation_id = ?1
ORDER BY property.sort, property.id, place.sort, place.id`;

const WAITING_SQL = `
SELECT (SELECT count(*) FROM proof WHERE organisation_id = ?1 AND state = 'waiting') AS proofs,
       (SELECT count(*) FROM fault WHERE organisation_id = ?1 AND closed_at IS NULL) AS faults`;

/** Rows of the board in walking order. */
export function readBoardRows(sequelize: Sequelize, organisationId: string): Promise<BoardRow[]> {
  return ask<BoardRow>(sequelize, BOARD_SQL, organisationId);
}

/** How many proofs wait and how many faults are open. */
export async function readWaiting(sequelize: Sequelize, organisationId: string): Promise<{ proofs: number; faults: number }> {
  return (await ask<{ proofs: number; faults: number }>(sequelize, WAITING_SQL, organisationId))[0]!;
}

/** Straight to the connection: the answer is wanted as it is. */
async function ask<T>(sequelize: Sequelize, sql: string, organisationId: string): Promise<T[]> {
  const connection = (await sequelize.connectionManager.getConnection({ type: 'read' })) as sqlite3.Database;
  return new Promise((resolve, reject) => {
    connection.all(sql, [organisationId], (error: Error | null, rows: unknown[]) =>
      (error ? reject(error) : resolve(rows as T[])));
  });
}
