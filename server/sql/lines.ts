/** SQL that only SQLite has: many lines and marks kept at once, passed as one text. */
import type { Db } from '../store/db.ts';
import { ask, reader, run } from './connection.ts';

export interface KeptLine {
  readonly pointId: string;
  readonly lineId: number;
  readonly servedDay: number | null;
  readonly lineDay: number;
  readonly capDay: number;
  readonly inputs: string;
}

/** The line that each of some points stands on now. */
export const readKeptLines = reader<KeptLine>(
  {
    pointId: 'mark.point_id',
    lineId: 'line.id',
    servedDay: 'line.served_day',
    lineDay: 'line.line_day',
    capDay: 'line.cap_day',
    inputs: 'line.inputs',
  },
  'JOIN mark ON mark.point_id = wanted.value JOIN line ON line.id = mark.line_id',
);

export interface NewLine extends Omit<KeptLine, 'lineId'> {
  readonly terms: string;
}

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
SELECT ?2, value ->> 0, ?3, value ->> 1, value ->> 2, value ->> 3, value ->> 4, value ->> 5
FROM json_each(?1) ORDER BY key`,
    [
      JSON.stringify(lines.map((it) => [it.pointId, it.servedDay, it.lineDay, it.capDay, it.inputs, it.terms])),
      organisationId,
      computedAt,
    ],
  );
  return last - lines.length + 1;
}

export interface NewMark {
  readonly pointId: string;
  readonly placeId: string;
  readonly number: number;
  readonly type: number;
  readonly servedDay: number;
  readonly intervalDays: number;
  readonly capSlack: number;
  readonly work: number;
  readonly evidence: string | null;
  readonly lineId: number | null;
  readonly scheduled: number;
}

/** Cells of a mark, in the order of its columns. */
const markCells = (it: NewMark) => [
  it.pointId,
  it.placeId,
  it.number,
  it.type,
  it.servedDay,
  it.intervalDays,
  it.capSlack,
  it.work,
  it.evidence,
  it.lineId,
  it.scheduled,
];

/** Writes marks, each in place of the one its point had. */
export async function putMarks(db: Db, organisationId: string, marks: readonly NewMark[]): Promise<void> {
  if (marks.length === 0) return;
  db.touch('mark');
  await run(
    db,
    `
INSERT INTO mark (
  organisation_id, point_id, place_id, number, type, served_day, interval_days, cap_slack, work, evidence, line_id,
  scheduled
)
SELECT ?2, value ->> 0, value ->> 1, value ->> 2, value ->> 3, value ->> 4, value ->> 5, value ->> 6, value ->> 7,
  value ->> 8, value ->> 9, value ->> 10
FROM json_each(?1) WHERE true
ON CONFLICT (point_id) DO UPDATE SET place_id = excluded.place_id, number = excluded.number, type = excluded.type,
  served_day = excluded.served_day, interval_days = excluded.interval_days, cap_slack = excluded.cap_slack,
  work = excluded.work, evidence = excluded.evidence,
  line_id = excluded.line_id, scheduled = excluded.scheduled, redraw_at = NULL`,
    [JSON.stringify(marks.map(markCells)), organisationId],
  );
}

/** Points whose line an older catalogue (?1) or engine (?2) drew. */
export const OUTDATED_SQL = `
SELECT mark.point_id AS id FROM mark JOIN line ON line.id = mark.line_id
WHERE json_extract(line.inputs, '$.catalogue') IS NOT ?1 OR json_extract(line.inputs, '$.engine') IS NOT ?2`;

export interface SiblingRow {
  readonly pointId: string;
  readonly machineId: string;
  readonly procedure: string;
  readonly servedDay: number;
  readonly intervalDays: number;
  readonly scheduled: number;
  /** What a manager chose of its asking, as JSON. */
  readonly chosen: string | null;
}

/** Every kept part of some machines. */
export const readSiblings = reader<SiblingRow>(
  {
    pointId: 'mark.point_id',
    machineId: 'point.machine_id',
    procedure: 'point.procedure',
    servedDay: 'mark.served_day',
    intervalDays: 'mark.interval_days',
    scheduled: 'mark.scheduled',
    chosen: `(SELECT value FROM fact WHERE fact.subject_id = mark.point_id AND fact.name = 'scheduled'
ORDER BY from_day DESC, recorded_at DESC LIMIT 1)`,
  },
  'JOIN point ON point.machine_id = wanted.value JOIN mark ON mark.point_id = point.id',
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
    `
UPDATE mark SET scheduled = it.value ->> 'scheduled'
FROM json_each(?1) AS it WHERE mark.point_id = it.value ->> 'id'`,
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
SELECT mark.number, point.procedure, place.name AS place, mark.interval_days AS days,
  json_extract(line.terms, '$.beyondLearned') AS learned
FROM mark
JOIN line ON line.id = mark.line_id
JOIN point ON point.id = mark.point_id
JOIN place ON place.id = mark.place_id
WHERE mark.organisation_id = ?1 AND json_extract(line.terms, '$.beyondLearned') IS NOT NULL
ORDER BY days * 1.0 / learned DESC LIMIT 200`,
    [organisationId],
  );
