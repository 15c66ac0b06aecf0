/** Ids made by devices: one that means something already is never taken for something else. */
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
  'faultReport',
  'faultCheck',
  'remedy',
  'alarm',
  'handBack',
  'deficiency',
  'inspection',
  'approval',
  'measurement',
  'rehearsal',
];
const TAKEN_SQL = CREATED.map(
  (table) => `SELECT id FROM ${tableNameOf(table)} WHERE id IN (SELECT value FROM json_each(?1))`,
).join(' UNION ALL ');

/** Whether one of the ids is in use, by anything. */
export async function isAnyTaken(db: Db, ids: readonly string[]): Promise<boolean> {
  return (await ask<{ id: string }>(db, `${TAKEN_SQL} LIMIT 1`, [JSON.stringify(ids)])).length > 0;
}
