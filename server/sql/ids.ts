/** Ids made by devices: one that means something already is never taken for something else. */
import { Problem } from '../http/problem.ts';
import { tableNameOf, type Db } from '../store/db.ts';
import type { TableName } from '../store/tables.ts';
import { ask } from './connection.ts';

/** What a device or a person's browser creates under an id of its own making. */
const CREATED: readonly TableName[] = [
  'property',
  'building',
  'place',
  'person',
  'tenancy',
  'machine',
  'point',
  'template',
  'job',
  'record',
  'look',
  'signal',
  'emitter',
  'attestation',
  'photo',
  'fault',
  'alarm',
  'handBack',
  'deficiency',
  'measurement',
  'rehearsal',
];
const TAKEN_SQL = CREATED.map(
  (table) => `SELECT id FROM ${tableNameOf(table)} WHERE id IN (SELECT value FROM json_each(?1))`,
).join(' UNION ALL ');

/** The id that a form makes, where it makes one. */
export function idsMadeBy(form: unknown): string[] {
  const { id } = (form ?? {}) as { id?: unknown };
  return typeof id === 'string' ? [id] : [];
}

/** @throws Problem 409 where one of the ids is in use, by anything, or twice in the form */
export async function refuseTakenIds(db: Db, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return;
  if (
    new Set(ids).size < ids.length ||
    (await ask<{ id: string }>(db, `${TAKEN_SQL} LIMIT 1`, [JSON.stringify(ids)])).length > 0
  )
    throw new Problem(409, 'idTaken');
}
