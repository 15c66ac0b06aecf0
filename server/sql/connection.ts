/** Many rows at once, passed as one text in either direction. */
import type { Db } from '../store/db.ts';
import { ask } from '../store/driver.ts';

export { ask, run } from '../store/driver.ts';

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
