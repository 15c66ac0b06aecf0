/** SQL of the log that the models have no words for. */
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

/** Leaf hashes of a log after an entry, in order. */
export const readLeavesAfter = (db: Db, organisationId: string, sequence: number) =>
  ask<{ readonly sequence: number; readonly leafHash: string }>(
    db,
    'SELECT sequence, leaf_hash AS leafHash FROM log_entry WHERE organisation_id = ?1 AND sequence > ?2 ORDER BY sequence',
    [organisationId, sequence],
  );
