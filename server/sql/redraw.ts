/** SQL that only SQLite has: parts whose lines are drawn anew after the write that moved them. */
import type { Db } from '../store/db.ts';
import { ask, run } from './connection.ts';

/**
 * Puts the lines of some points off. A point without a mark gets one that says that nothing is known, so that it is
 * counted from the first.
 * @param types procedures, each with the number that marks have for it
 */
export async function putOff(
  db: Db,
  pointIds: readonly string[],
  now: number,
  types: readonly (readonly [procedure: string, number: number])[],
): Promise<void> {
  db.touch('mark');
  const ids = JSON.stringify(pointIds);
  await run(
    db,
    'UPDATE mark SET redraw_at = ?2 WHERE redraw_at IS NULL AND point_id IN (SELECT value FROM json_each(?1))',
    [ids, now],
  );
  const type = types.map(([procedure, number]) => `WHEN '${procedure}' THEN ${number}`).join(' ');
  await run(
    db,
    `
INSERT INTO mark (
  organisation_id, point_id, place_id, number, type, served_day, interval_days, cap_slack, work, evidence, line_id,
  scheduled, redraw_at
)
SELECT point.organisation_id, point.id, machine.place_id, point.number, CASE point.procedure ${type} END, 0, 0, 0, 0,
  NULL, NULL, 1, ?2
FROM json_each(?1) AS wanted
JOIN point ON point.id = wanted.value
JOIN machine ON machine.id = point.machine_id AND machine.retired_day IS NULL
WHERE NOT EXISTS (SELECT 1 FROM mark WHERE mark.point_id = point.id)`,
    [ids, now],
  );
}

/** The points that were put off longest ago, with the moment from which their lines hold. */
export async function readPutOff(db: Db, most: number): Promise<{ readonly ids: string[]; readonly at: number }> {
  const rows = await ask<{ id: string; at: number }>(
    db,
    'SELECT point_id AS id, redraw_at AS at FROM mark WHERE redraw_at IS NOT NULL ORDER BY redraw_at, rowid LIMIT ?1',
    [most],
  );
  const at = rows[0]?.at ?? 0;
  return { ids: rows.filter((row) => row.at === at).map(({ id }) => id), at };
}

/** How many lines are put off: of an organisation, or of all. */
export async function countPutOff(db: Db, organisationId?: string): Promise<number> {
  const [row] = await ask<{ count: number }>(
    db,
    'SELECT count(*) AS count FROM mark WHERE redraw_at IS NOT NULL AND organisation_id = coalesce(?1, organisation_id)',
    [organisationId ?? null],
  );
  return row!.count;
}
