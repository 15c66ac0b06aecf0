/** SQL that only SQLite has: many lines and marks kept at once, passed as one text. */
import type { Db } from '../store/db.ts';
import { askArray, run } from './connection.ts';

export type KeptLine = readonly [pointId: string, lineId: number, servedDay: number | null, lineDay: number, capDay: number, inputs: string];

/** The line that each of some points stands on now. */
export const readKeptLines = (db: Db, ids: string) => askArray<KeptLine>(db, `
SELECT json_group_array(json_array(mark.point_id, line.id, line.served_day, line.line_day, line.cap_day, line.inputs)) AS gathered
FROM json_each(?1) AS wanted JOIN mark ON mark.point_id = wanted.value JOIN line ON line.id = mark.line_id`, [ids]);

export type NewLine = readonly [pointId: string, servedDay: number | null, lineDay: number, capDay: number, inputs: string, terms: string];

/** Appends lines in order and says the key of the first. */
export async function appendLines(db: Db, organisationId: string, computedAt: number, lines: readonly NewLine[]): Promise<number> {
  if (lines.length === 0) return 0;
  db.touch('line');
  const last = await run(db, `
INSERT INTO line (organisation_id, point_id, computed_at, served_day, line_day, cap_day, inputs, terms)
SELECT ?2, value ->> 0, ?3, value ->> 1, value ->> 2, value ->> 3, value ->> 4, value ->> 5 FROM json_each(?1) ORDER BY key`, [JSON.stringify(lines), organisationId, computedAt]);
  return last - lines.length + 1;
}

export type NewMark = readonly [
  pointId: string, placeId: string, number: number, type: number, servedDay: number, intervalDays: number, capSlack: number, work: number, evidence: string | null, lineId: number | null, scheduled: number,
];

export async function putMarks(db: Db, organisationId: string, marks: readonly NewMark[]): Promise<void> {
  if (marks.length === 0) return;
  db.touch('mark');
  await run(db, `
INSERT INTO mark (organisation_id, point_id, place_id, number, type, served_day, interval_days, cap_slack, work, evidence, line_id, scheduled)
SELECT ?2, value ->> 0, value ->> 1, value ->> 2, value ->> 3, value ->> 4, value ->> 5, value ->> 6, value ->> 7, value ->> 8, value ->> 9, value ->> 10 FROM json_each(?1) WHERE true
ON CONFLICT (point_id) DO UPDATE SET place_id = excluded.place_id, number = excluded.number, type = excluded.type, served_day = excluded.served_day, interval_days = excluded.interval_days,
  cap_slack = excluded.cap_slack, work = excluded.work, evidence = excluded.evidence, line_id = excluded.line_id, scheduled = excluded.scheduled`, [JSON.stringify(marks), organisationId]);
}

/** Points whose line an older catalogue (?1) or engine (?2) drew. */
export const OUTDATED_SQL = `
SELECT mark.point_id AS id FROM mark JOIN line ON line.id = mark.line_id
WHERE json_extract(line.inputs, '$.catalogue') IS NOT ?1 OR json_extract(line.inputs, '$.engine') IS NOT ?2`;
