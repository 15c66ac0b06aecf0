/** SQL that only SQLite has: the points of a scope. */
import type { Scope } from '../../contract/due/practice.ts';
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

const BELOW: Readonly<Record<Scope, string>> = {
  organisation: 'point.organisation_id',
  property: 'place.property_id',
  place: 'place.id',
  machine: 'machine.id',
  point: 'point.id',
};

/** Ids of the points that stand in a subject of a scope. */
export async function readPointsBelow(db: Db, scope: Scope, subjectId: string): Promise<string[]> {
  const rows = await ask<{ id: string }>(
    db,
    `
SELECT point.id FROM point JOIN machine ON machine.id = point.machine_id JOIN place ON place.id = machine.place_id
WHERE ${BELOW[scope]} = ?1`,
    [subjectId],
  );
  return rows.map(({ id }) => id);
}
