/** The driver's own connection, for SQL that wants its answer as it is or passes many rows at once. */
import type sqlite3 from 'sqlite3';
import type { Db } from '../store/db.ts';

/** The connection of the transaction that a `Db` is bound to, or the one for reading. */
async function connectionOf({ sequelize, transaction }: Db): Promise<sqlite3.Database> {
  // Sequelize keeps it there without saying so in its types.
  const own = transaction && 'connection' in transaction ? transaction.connection : undefined;
  return (
    (own as sqlite3.Database | undefined) ??
    ((await sequelize.connectionManager.getConnection({ type: 'read' })) as sqlite3.Database)
  );
}

/** Rows of a query. */
export async function ask<T>(db: Db, sql: string, values: readonly unknown[]): Promise<T[]> {
  const connection = await connectionOf(db);
  return new Promise((resolve, reject) => {
    connection.all(sql, values, (error: Error | null, rows: unknown[]) =>
      error ? reject(error) : resolve(rows as T[]),
    );
  });
}

/** An SQL expression a column, by the name that a row gives it. */
type Columns<T> = Readonly<Record<keyof T & string, string>>;

/**
 * Rows as named objects. They are gathered into one text, since reading that is several times faster than reading rows.
 * @param from what follows FROM, with its parameters
 */
async function askNamed<T extends object>(
  db: Db,
  columns: Columns<T>,
  from: string,
  values: readonly unknown[],
): Promise<T[]> {
  const names = Object.keys(columns);
  const sql = `SELECT json_group_array(json_array(${Object.values(columns).join()})) AS gathered FROM ${from}`;
  const [row] = await ask<{ gathered: string | null }>(db, sql, values);
  return (JSON.parse(row?.gathered ?? '[]') as unknown[][]).map((cells) => {
    const named: Record<string, unknown> = {};
    for (let i = 0; i < names.length; i += 1) named[names[i]!] = cells[i];
    return named as T;
  });
}

/** A reader of rows about some subjects, `wanted.value` being the id of each, named by their columns. */
export const reader =
  <T extends object>(columns: Columns<T>, joins: string) =>
  (db: Db, subjectIds: readonly string[]): Promise<T[]> =>
    askNamed<T>(db, columns, `json_each(?1) AS wanted ${joins}`, [JSON.stringify(subjectIds)]);

/** Runs a statement and says the key of the last row that it inserted. */
export async function run(db: Db, sql: string, values: readonly unknown[]): Promise<number> {
  const connection = await connectionOf(db);
  return new Promise((resolve, reject) => {
    connection.run(sql, values, function done(this: { lastID: number }, error: Error | null) {
      if (error) reject(error);
      else resolve(this.lastID);
    });
  });
}
