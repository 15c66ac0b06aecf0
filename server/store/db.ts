/** Typed access to the tables, inside or outside a transaction. */
import { DataTypes, type Sequelize, type Transaction, type WhereOptions } from 'sequelize';
import { attributesOf, columnNameOf, quoted } from './columns.ts';
import { ask } from './driver.ts';
import { countRows, NONE, selectRows } from './select.ts';
import { TABLES, type Row, type TableName } from './tables.ts';

export interface Find<R> {
  readonly order?: readonly (readonly [keyof R & string, 'ASC' | 'DESC'])[];
  readonly limit?: number;
  readonly columns?: readonly (keyof R & string)[];
}

export interface Table<R extends object> {
  insert(row: R): Promise<void>;
  insertMany(rows: readonly R[]): Promise<void>;
  /** Inserts without its serial key and returns that key. */
  append(row: Partial<R>): Promise<number>;
  one(where: WhereOptions<R>, find?: Find<R>): Promise<R | undefined>;
  all(where: WhereOptions<R>, find?: Find<R>): Promise<R[]>;
  count(where: WhereOptions<R>): Promise<number>;
  update(where: WhereOptions<R>, changes: Partial<R>): Promise<number>;
  put(row: R): Promise<void>;
  remove(where: WhereOptions<R>): Promise<number>;
}

/** All tables, and the way to SQL that the models have no words for (`server/sql/`). */
export type Db = { readonly [T in TableName]: Table<Row<T>> } & {
  readonly sequelize: Sequelize;
  readonly transaction: Transaction | undefined;
  /** Says that SQL of `server/sql/` has written to a table. */
  readonly touch: (table: TableName) => void;
};

/** The table's name in SQL: snake_case. */
export const tableNameOf = columnNameOf;

type Within = { readonly transaction: Transaction | null };
type Where = Within & { readonly where: object };

/** What of Sequelize's models is used here. Its own types know a class for each table; ours are rows. */
interface RowModel {
  readonly name: string;
  readonly primaryKeyAttribute: string;
  create(row: object, options: Within): Promise<{ get(key: string): unknown }>;
  bulkCreate(rows: object[], options: Within): Promise<object[]>;
  findAll(options: Where & { readonly raw: true }): Promise<object[]>;
  count(options: Where): Promise<number>;
  update(changes: object, options: Where): Promise<[number]>;
  upsert(row: object, options: Within): Promise<unknown>;
  destroy(options: Where): Promise<number>;
}
type Models = Record<string, RowModel>;

/** The tables as Sequelize knows them. */
export function defineModels(sequelize: Sequelize): Models {
  const models: Models = {};
  for (const [name, columns] of Object.entries(TABLES)) {
    models[name] = sequelize.define(name, attributesOf(columns), {
      tableName: tableNameOf(name),
      timestamps: false,
      underscored: true,
    }) as unknown as RowModel;
  }
  return models;
}

/** The tables, bound to a transaction where there is one; `touch` hears of every table that is written. */
export function dbOf(
  sequelize: Sequelize,
  models: Models,
  transaction?: Transaction,
  touch: (table: TableName) => void = () => undefined,
): Db {
  const tables = Object.fromEntries(
    Object.entries(models).map(([name, model]) => [
      name,
      tableOf(sequelize, model, transaction, () => touch(name as TableName)),
    ]),
  );
  return { ...tables, sequelize, transaction, touch } as unknown as Db;
}

/**
 * Many rows passed as one text, which is several times quicker than a statement with all their values; null where a
 * column holds bytes, which no such text carries.
 */
function gathering(name: TableName) {
  const columns = Object.entries<{ readonly type: unknown }>(TABLES[name]);
  if (columns.some(([, { type }]) => type === DataTypes.BLOB)) return null;
  const names = columns.map(([column]) => column);
  const listed = names.map((column) => tableNameOf(column)).join();
  const values = names.map((_, i) => `value ->> ${i}`).join();
  return {
    sql: `INSERT INTO ${tableNameOf(name)} (${listed}) SELECT ${values} FROM json_each($1)`,
    text: (rows: readonly object[]) =>
      JSON.stringify(
        rows.map((row) => names.map((column) => (row as Readonly<Record<string, unknown>>)[column] ?? null)),
      ),
  };
}

const GATHERINGS = Object.fromEntries(
  (Object.keys(TABLES) as TableName[]).map((name) => [name, gathering(name)]),
) as Readonly<Record<TableName, ReturnType<typeof gathering>>>;

function tableOf<R extends object>(
  sequelize: Sequelize,
  model: RowModel,
  transaction: Transaction | undefined,
  touch: () => void,
): Table<R> {
  const within = { transaction: transaction ?? null };
  const options = ({ order, limit, columns }: Find<R> = {}) => ({
    ...within,
    raw: true as const,
    ...(order && { order: order.map((by) => [...by]) }),
    ...(limit && { limit }),
    ...(columns && { attributes: [...columns] }),
  });
  const bound = { sequelize, transaction };
  const table = quoted(tableNameOf(model.name));
  const columnsOf = Object.keys(TABLES[model.name as TableName]);
  const rows = async (where: WhereOptions<R>, find: Find<R> = {}): Promise<R[]> => {
    const statement = selectRows(table, where, { columns: columnsOf, ...find });
    if (statement === null) return (await model.findAll({ where, ...options(find) })) as R[];
    return statement === NONE ? [] : ask<R>(bound, statement.sql, statement.values);
  };
  return {
    insert: async (row) => {
      touch();
      await model.create(row, within);
    },
    insertMany: async (rows) => {
      touch();
      if (rows.length === 0) return;
      const gather = GATHERINGS[model.name as TableName];
      if (gather) await sequelize.query(gather.sql, { ...within, bind: [gather.text(rows)] });
      else await model.bulkCreate([...rows], within);
    },
    append: async (row) => {
      touch();
      return Number((await model.create(row, within)).get(model.primaryKeyAttribute));
    },
    one: async (where, find) => (await rows(where, { ...find, limit: 1 }))[0],
    all: rows,
    count: async (where) => {
      const statement = countRows(table, where);
      if (statement === null) return model.count({ where, ...within });
      return statement === NONE ? 0 : (await ask<{ n: number }>(bound, statement.sql, statement.values))[0]!.n;
    },
    update: async (where, changes) => {
      touch();
      return (await model.update(changes, { where, ...within }))[0];
    },
    put: async (row) => {
      touch();
      await model.upsert(row, within);
    },
    remove: (where) => {
      touch();
      return model.destroy({ where, ...within });
    },
  };
}
