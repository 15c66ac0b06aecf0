/**
 * Reading rows by plain conditions (equal to, one of, null) without Sequelize's model: that costs several times the
 * query itself. Conditions with operators (`where.ts`) are left to Sequelize.
 */
import type { WhereOptions } from 'sequelize';
import { columnNameOf, quoted } from './columns.ts';

const columnOf = (name: string) => quoted(columnNameOf(name));

interface Statement {
  readonly sql: string;
  readonly values: readonly unknown[];
}

/** No row can meet the condition, since a column must be one of no values: nothing need be read. */
export const NONE = 'none';

/** Longer lists of values are left to Sequelize, which writes them into the text of the statement. */
const MOST_VALUES = 500;

const isPlain = (value: unknown): value is string | number => typeof value === 'string' || typeof value === 'number';

/**
 * The condition as SQL with its values, `NONE` where no row can meet it, null where it is not plain.
 */
function conditionOf(where: object): Statement | typeof NONE | null {
  if (Object.getOwnPropertySymbols(where).length > 0) return null;
  const parts: string[] = [];
  const values: (string | number)[] = [];
  for (const [column, value] of Object.entries(where) as [string, unknown][]) {
    const name = columnOf(column);
    if (value === null) parts.push(`${name} IS NULL`);
    else if (isPlain(value)) {
      parts.push(`${name} = ?`);
      values.push(value);
    } else if (Array.isArray(value) && value.length <= MOST_VALUES && value.every(isPlain)) {
      if (value.length === 0) return NONE;
      parts.push(`${name} IN (${value.map(() => '?').join()})`);
      values.push(...value);
    } else return null;
  }
  return { sql: parts.length > 0 ? ` WHERE ${parts.join(' AND ')}` : '', values };
}

/** Whether a condition is read without Sequelize: no operators, no long lists. */
export const isPlainCondition = (where: object): boolean => conditionOf(where) !== null;

export interface Wanted {
  readonly columns: readonly string[];
  readonly order?: readonly (readonly [string, 'ASC' | 'DESC'])[] | undefined;
  readonly limit?: number | undefined;
}

/** A statement for the rows of a table that meet a condition; `NONE` and null as their condition says. */
export function selectRows<R>(
  table: string,
  where: WhereOptions<R>,
  { columns, order = [], limit }: Wanted,
): Statement | typeof NONE | null {
  const condition = conditionOf(where);
  if (condition === null || condition === NONE) return condition;
  const listed = columns.map((column) => `${columnOf(column)} AS ${quoted(column)}`).join();
  const sorted = order.map(([column, way]) => `${columnOf(column)} ${way}`).join();
  return {
    sql:
      `SELECT ${listed} FROM ${table}${condition.sql}` +
      (sorted && ` ORDER BY ${sorted}`) +
      (limit === undefined ? '' : ` LIMIT ${limit}`),
    values: condition.values,
  };
}

/** A statement that counts them, as `n`. */
export function countRows<R>(table: string, where: WhereOptions<R>): Statement | typeof NONE | null {
  const condition = conditionOf(where);
  if (condition === null || condition === NONE) return condition;
  return { sql: `SELECT count(*) AS n FROM ${table}${condition.sql}`, values: condition.values };
}
