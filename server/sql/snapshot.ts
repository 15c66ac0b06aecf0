/** The database as it stands at one moment, read aside: a connection of its own, so that nobody waits for it. */
import sqlite3 from 'sqlite3';
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

export type Row = Readonly<Record<string, string | number | Buffer | null>>;

export interface Snapshot {
  /** Rows of a table after a row number, so many at most, each with its number as `rowid`. */
  rowsAfter(
    table: string,
    columns: readonly string[],
    organisationId: string,
    after: number,
    most: number,
  ): Promise<Row[]>;
  close(): Promise<void>;
}

/** Opens a snapshot; whoever opens it closes it. */
export async function openSnapshot(db: Db): Promise<Snapshot> {
  const [main] = await ask<{ file: string }>(db, 'PRAGMA database_list', []);
  const connection = await new Promise<sqlite3.Database>((done, fail) => {
    const opened = new sqlite3.Database(main!.file, sqlite3.OPEN_READONLY, (error) =>
      error ? fail(error) : done(opened),
    );
  });
  const all = <T>(sql: string, values: readonly unknown[] = []) =>
    new Promise<T[]>((done, fail) => {
      connection.all(sql, values, (error, rows) => (error ? fail(error) : done(rows as T[])));
    });
  await all('BEGIN');
  // A snapshot begins with its first read.
  await all('SELECT 1 FROM sqlite_master LIMIT 1');
  return {
    rowsAfter: (table, columns, organisationId, after, most) =>
      all<Row>(
        `SELECT rowid AS rowid, ${columns.join()} FROM ${table}
         WHERE rowid > ?1 AND ${table === 'organisation' ? 'id' : 'organisation_id'} = ?2 ORDER BY rowid LIMIT ?3`,
        [after, organisationId, most],
      ),
    close: () => new Promise((done) => connection.close(() => done())),
  };
}
