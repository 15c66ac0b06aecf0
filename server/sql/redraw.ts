/** SQL that only SQLite has: parts whose lines are drawn anew after the write that moved them. */
import type { Db } from '../store/db.ts';
import { ask, run } from './connection.ts';

/**
 * Puts the lines of some points off. A point without a mark gets one that says that nothing is known, so that it is
 * counted from the first.
 * @param types procedures by the number that marks have for them
 */
export async function putOff(
  db: Db,
  pointIds: readonly string[],
  now: number,
  types: readonly string[],
): Promise<void> {
  db.touch('redraw');
  db.touch('mark');
  const ids = JSON.stringify(pointIds);
  await run(
    db,
    `
INSERT INTO mark (
  organisation_id, point_id, place_id, number, type, served_day, interval_days, cap_slack, work, evidence, line_id,
  scheduled
)
SELECT point.organisation_id, point.id, machine.place_id, point.number, type.key, 0, 0, 0, 0, NULL, NULL, 1
FROM json_each(?1) AS wanted
JOIN point ON point.id = wanted.value
JOIN machine ON machine.id = point.machine_id AND machine.retired_day IS NULL
JOIN json_each(?2) AS type ON type.value = point.procedure
WHERE NOT EXISTS (SELECT 1 FROM mark WHERE mark.point_id = point.id)`,
    [ids, JSON.stringify(types)],
  );
  await run(
    db,
    `
INSERT INTO redraw (point_id, organisation_id, asked_at)
SELECT point.id, point.organisation_id, ?2 FROM json_each(?1) AS wanted JOIN point ON point.id = wanted.value
WHERE true ON CONFLICT (point_id) DO NOTHING`,
    [ids, now],
  );
}

/** The points that were put off longest ago, with the moment from which their lines hold. */
export async function readPutOff(db: Db, most: number): Promise<{ readonly ids: string[]; readonly at: number }> {
  const rows = await ask<{ id: string; at: number }>(
    db,
    'SELECT point_id AS id, asked_at AS at FROM redraw ORDER BY rowid LIMIT ?1',
    [most],
  );
  const at = rows[0]?.at ?? 0;
  return { ids: rows.filter((row) => row.at === at).map(({ id }) => id), at };
}
