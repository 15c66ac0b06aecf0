/** The driver's own connection, for statements that need nothing of Sequelize but its transaction. */
import type sqlite3 from 'sqlite3';
import type { Sequelize, Transaction } from 'sequelize';

/** Where a statement runs: in a transaction, or on the connection for reading. */
export interface Bound {
  readonly sequelize: Sequelize;
  readonly transaction: Transaction | undefined;
}

/** The connection of the transaction, or the one for reading. */
async function connectionOf({ sequelize, transaction }: Bound): Promise<sqlite3.Database> {
  // Sequelize keeps it there without saying so in its types.
  const own = transaction && 'connection' in transaction ? transaction.connection : undefined;
  return (
    (own as sqlite3.Database | undefined) ??
    ((await sequelize.connectionManager.getConnection({ type: 'read' })) as sqlite3.Database)
  );
}

/** Rows of a query. */
export async function ask<T>(bound: Bound, sql: string, values: readonly unknown[]): Promise<T[]> {
  const connection = await connectionOf(bound);
  return new Promise((resolve, reject) => {
    connection.all(sql, values, (error: Error | null, rows: unknown[]) =>
      error ? reject(error) : resolve(rows as T[]),
    );
  });
}

/** Runs a statement and says the key of the last row that it inserted. */
export async function run(bound: Bound, sql: string, values: readonly unknown[]): Promise<number> {
  const connection = await connectionOf(bound);
  return new Promise((resolve, reject) => {
    connection.run(sql, values, function done(this: { lastID: number }, error: Error | null) {
      if (error) reject(error);
      else resolve(this.lastID);
    });
  });
}
