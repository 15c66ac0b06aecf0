/** Whether what a write names is all within some properties. */
import { tableNameOf, type Db } from '../store/db.ts';
import { TABLES } from '../store/tables.ts';
import { ask } from './connection.ts';
import { LIMITED } from '../store/views.ts';

const OUTSIDE_SQL = LIMITED.filter((table) => 'id' in TABLES[table])
  .map((table) => {
    const name = tableNameOf(table);
    const named = 'IN (SELECT value FROM json_each(?1))';
    return `SELECT id FROM main.${name} WHERE id ${named} AND id NOT IN (SELECT id FROM ${name} WHERE id ${named})`;
  })
  .join(' UNION ALL ');

/** Whether one of the ids stands for something that a limited store (`Store.within`) does not show. */
export async function isAnyOutside(limited: Db, ids: readonly string[]): Promise<boolean> {
  return (await ask<{ id: string }>(limited, `${OUTSIDE_SQL} LIMIT 1`, [JSON.stringify(ids)])).length > 0;
}
