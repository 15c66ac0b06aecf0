/** SQL of cleanings: each service with what was used at it, and what was found at the next. */
import type { Grade } from '../../core/catalogue/grades.ts';
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

export interface CleaningRow {
  readonly procedure: string;
  /** Agents, as JSON. */
  readonly agents: string;
  readonly after: Grade | null;
  readonly day: number;
  /** Days from this service to the line that was drawn after it; null where none was. */
  readonly intervalDays: number | null;
  /** The next service: its day, and what was found; null while there is none. */
  readonly nextDay: number | null;
  readonly nextGrade: Grade | null;
}

/** Every service of an organisation at which something was used, the next one beside it. */
export const readCleanings = (db: Db, organisationId: string): Promise<CleaningRow[]> =>
  ask<CleaningRow>(
    db,
    `
SELECT point.procedure, done.agents, done.after, done.day,
  (SELECT line_day - served_day FROM line WHERE line.point_id = done.point_id AND served_day = done.day
    ORDER BY line.id LIMIT 1) AS intervalDays,
  done.nextDay, done.nextGrade
FROM (
  SELECT point_id, agents, after_grade AS after, day,
    LEAD(day) OVER following AS nextDay, LEAD(grade) OVER following AS nextGrade
  FROM condition WHERE organisation_id = ?1 AND kind = 'service' AND doubtful = 0
  WINDOW following AS (PARTITION BY point_id ORDER BY day, at)
) AS done JOIN point ON point.id = done.point_id
WHERE done.agents <> '[]'`,
    [organisationId],
  );
