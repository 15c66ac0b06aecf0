/** SQL that only SQLite has: many lines and marks kept at once, passed as one text. */
import type { Db } from '../store/db.ts';
import { ask, askArray, run } from './connection.ts';

export type KeptLine = readonly [
  pointId: string,
  lineId: number,
  servedDay: number | null,
  lineDay: number,
  capDay: number,
  inputs: string,
];

/** The line that each of some points stands on now. */
export const readKeptLines = (db: Db, ids: string) =>
  askArray<KeptLine>(
    db,
    `
SELECT json_group_array(json_array(mark.point_id, line.id, line.served_day, line.line_day, line.cap_day, line.inputs)) AS gathered
FROM json_each(?1) AS wanted JOIN mark ON mark.point_id = wanted.value JOIN line ON line.id = mark.line_id`,
    [ids],
  );

export type NewLine = readonly [
  pointId: string,
  servedDay: number | null,
  lineDay: number,
  capDay: number,
  inputs: string,
  terms: string,
];

/** Appends lines in order and says the key of the first. */
export async function appendLines(
  db: Db,
  organisationId: string,
  computedAt: number,
  lines: readonly NewLine[],
): Promise<number> {
  if (lines.length === 0) return 0;
  db.touch('line');
  const last = await run(
    db,
    `
INSERT INTO line (organisation_id, point_id, computed_at, served_day, line_day, cap_day, inputs, terms)
SELECT ?2, value ->> 0, ?3, value ->> 1, value ->> 2, value ->> 3, value ->> 4, value ->> 5 FROM json_each(?1) ORDER BY key`,
    [JSON.stringify(lines), organisationId, computedAt],
  );
  return last - lines.length + 1;
}

export type NewMark = readonly [
  pointId: string,
  placeId: string,
  number: number,
  type: number,
  servedDay: number,
  intervalDays: number,
  capSlack: number,
  work: number,
  evidence: string | null,
  lineId: number | null,
  scheduled: number,
];

export async function putMarks(db: Db, organisationId: string, marks: readonly NewMark[]): Promise<void> {
  if (marks.length === 0) return;
  db.touch('mark');
  await run(
    db,
    `
INSERT INTO mark (organisation_id, point_id, place_id, number, type, served_day, interval_days, cap_slack, work, evidence, line_id, scheduled)
SELECT ?2, value ->> 0, value ->> 1, value ->> 2, value ->> 3, value ->> 4, value ->> 5, value ->> 6, value ->> 7, value ->> 8, value ->> 9, value ->> 10 FROM json_each(?1) WHERE true
ON CONFLICT (point_id) DO UPDATE SET place_id = excluded.place_id, number = excluded.number, type = excluded.type, served_day = excluded.served_day, interval_days = excluded.interval_days,
  cap_slack = excluded.cap_slack, work = excluded.work, evidence = excluded.evidence, line_id = excluded.line_id, scheduled = excluded.scheduled`,
    [JSON.stringify(marks), organisationId],
  );
}

/** Points whose line an older catalogue (?1) or engine (?2) drew. */
export const OUTDATED_SQL = `
SELECT mark.point_id AS id FROM mark JOIN line ON line.id = mark.line_id
WHERE json_extract(line.inputs, '$.catalogue') IS NOT ?1 OR json_extract(line.inputs, '$.engine') IS NOT ?2`;

export type SiblingRow = readonly [
  pointId: string,
  machineId: string,
  procedure: string,
  servedDay: number,
  intervalDays: number,
  scheduled: number,
  chosen: string | null,
];

/** Every kept part of some machines, with what a manager chose of its asking. */
export const readSiblings = (db: Db, machineIds: string) =>
  askArray<SiblingRow>(
    db,
    `
SELECT json_group_array(json_array(mark.point_id, point.machine_id, point.procedure, mark.served_day, mark.interval_days, mark.scheduled,
  (SELECT value FROM fact WHERE fact.subject_id = mark.point_id AND fact.name = 'scheduled' ORDER BY from_day DESC, recorded_at DESC LIMIT 1))) AS gathered
FROM json_each(?1) AS wanted JOIN point ON point.machine_id = wanted.value JOIN mark ON mark.point_id = point.id`,
    [machineIds],
  );

/** Says of some marks whether they ask for themselves. */
export async function putScheduled(
  db: Db,
  turned: readonly { readonly id: string; readonly scheduled: number }[],
): Promise<void> {
  if (turned.length === 0) return;
  db.touch('mark');
  await run(
    db,
    `UPDATE mark SET scheduled = it.value ->> 'scheduled' FROM json_each(?1) AS it WHERE mark.point_id = it.value ->> 'id'`,
    [JSON.stringify(turned)],
  );
}

export interface BeyondRow {
  readonly number: number;
  readonly procedure: string;
  readonly place: string;
  readonly days: number;
  readonly learned: number;
}

/** Parts that a calendar lets go far past what was learned there, the farthest first. */
export const readBeyond = (db: Db, organisationId: string) =>
  ask<BeyondRow>(
    db,
    `
SELECT mark.number, point.procedure, place.name AS place, mark.interval_days AS days, json_extract(line.terms, '$.beyondLearned') AS learned
FROM mark JOIN line ON line.id = mark.line_id JOIN point ON point.id = mark.point_id JOIN place ON place.id = mark.place_id
WHERE mark.organisation_id = ?1 AND json_extract(line.terms, '$.beyondLearned') IS NOT NULL ORDER BY days * 1.0 / learned DESC LIMIT 200`,
    [organisationId],
  );
