/**
 * The store: one SQLite file, many readers, one writer.
 *
 * Writes run one at a time through a queue, each in its own `BEGIN IMMEDIATE` with `synchronous=FULL`
 * (SQLite's own default, which a test holds); concurrent Sequelize transactions on SQLite fail or crawl.
 * Commits are counted by table, so that whatever is kept in memory knows when it is old.
 */
import { closeSync, existsSync, mkdirSync, openSync, readSync, renameSync, rmSync } from 'node:fs';
import { dirname } from 'node:path';
import { Sequelize, Transaction } from 'sequelize';
import sqlite3 from 'sqlite3';
import { SequelizeStorage, Umzug } from 'umzug';
import { dbOf, defineModels, type Db } from './db.ts';
import type { TableName } from './tables.ts';
import { limitedStores } from './limited.ts';
import { due } from './migrations/0002-due.ts';
import { register } from './migrations/0003-register.ts';
import { doing } from './migrations/0004-doing.ts';
import { sittings } from './migrations/0005-sittings.ts';
import { trade } from './migrations/0006-trade.ts';
import { levels } from './migrations/0007-levels.ts';
import { causes } from './migrations/0008-causes.ts';
import { standing } from './migrations/0009-standing.ts';
import { clocks } from './migrations/0010-clocks.ts';
import { safety } from './migrations/0011-safety.ts';
import { scopes } from './migrations/0012-scopes.ts';
import { slices } from './migrations/0013-slices.ts';
import { weekly } from './migrations/0014-weekly.ts';
import { languages } from './migrations/0015-languages.ts';
import { people } from './migrations/0016-people.ts';
import { guesses } from './migrations/0017-guesses.ts';
import { messages } from './migrations/0018-messages.ts';
import { visits } from './migrations/0019-visits.ts';
import { stock } from './migrations/0020-stock.ts';
import { rounds } from './migrations/0021-rounds.ts';
import { mishaps } from './migrations/0022-mishaps.ts';
import { feeds } from './migrations/0023-feeds.ts';
import { monthLists } from './migrations/0024-month-lists.ts';
import { foundation } from './migrations/0001-foundation.ts';

export interface Store {
  /** For reading. */
  readonly db: Db;
  /** For reading what belongs to these properties, as if there were nothing else. */
  within(properties: readonly string[]): Promise<Db>;
  /** A number that grows whenever a commit has touched one of these tables. */
  revisionOf(tables: readonly TableName[]): number;
  /** Runs `work` alone, commits it whole or not at all. */
  write<T>(work: (db: Db) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

/** A database that this version must not touch, said in a sentence for the person at the terminal. */
export class UnusableDatabase extends Error {}

const MIGRATIONS: readonly { name: string; sql: string }[] = [
  { name: '0001-foundation', sql: foundation },
  { name: '0002-due', sql: due },
  { name: '0003-register', sql: register },
  { name: '0004-doing', sql: doing },
  { name: '0005-sittings', sql: sittings },
  { name: '0006-trade', sql: trade },
  { name: '0007-levels', sql: levels },
  { name: '0008-causes', sql: causes },
  { name: '0009-standing', sql: standing },
  { name: '0010-clocks', sql: clocks },
  { name: '0011-safety', sql: safety },
  { name: '0012-scopes', sql: scopes },
  { name: '0013-slices', sql: slices },
  { name: '0014-weekly', sql: weekly },
  { name: '0015-languages', sql: languages },
  { name: '0016-people', sql: people },
  { name: '0017-guesses', sql: guesses },
  { name: '0018-messages', sql: messages },
  { name: '0019-visits', sql: visits },
  { name: '0020-stock', sql: stock },
  { name: '0021-rounds', sql: rounds },
  { name: '0022-mishaps', sql: mishaps },
  { name: '0023-feeds', sql: feeds },
  { name: '0024-month-lists', sql: monthLists },
];

/**
 * Opens (or creates) the database file and brings it to this version.
 * @throws UnusableDatabase when the file is broken, no database, or written by a newer version; it is left untouched
 */
export async function openStore(file: string): Promise<Store> {
  mkdirSync(dirname(file), { recursive: true });
  if (existsSync(file)) await refuseUnusable(file);
  const sequelize = connect(file);
  await sequelize.query('PRAGMA journal_mode = WAL');
  const models = defineModels(sequelize);
  await migrate(sequelize, file);
  const db = dbOf(sequelize, models);

  const revisions = new Map<TableName, number>();
  let last: Promise<unknown> = Promise.resolve();
  const limited = limitedStores(() => connect(file));
  return {
    db,
    within: limited.within,
    revisionOf: (tables) => tables.reduce((sum, table) => sum + (revisions.get(table) ?? 0), 0),
    write(work) {
      const turn = last.then(async () => {
        const touched = new Set<TableName>();
        const done = await sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, (transaction) =>
          work(dbOf(sequelize, models, transaction, (table) => touched.add(table))),
        );
        for (const table of touched) revisions.set(table, (revisions.get(table) ?? 0) + 1);
        return done;
      });
      last = turn.catch(() => undefined);
      return turn;
    },
    async close() {
      await last;
      await limited.close();
      await sequelize.close();
    },
  };
}

function connect(storage: string): Sequelize {
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    storage,
    logging: false,
    dialectModule: sqlite3,
    transactionType: Transaction.TYPES.IMMEDIATE,
  });
  // Our columns hold plain numbers, text and bytes, so Sequelize need not ask for their types before every read.
  sequelize.addHook('beforeQuery', (_options, query) => {
    if ('options' in query) Object.assign(query.options as object, { tableNames: [] });
  });
  return sequelize;
}

/** Migrates the database. An older one is copied first, beside itself, so that the version before can open it again. */
async function migrate(sequelize: Sequelize, file: string): Promise<void> {
  const umzug = new Umzug({
    migrations: MIGRATIONS.map(({ name, sql }) => ({
      name,
      up: async () => {
        await sequelize.transaction(async (transaction) => {
          for (const statement of statementsOf(sql)) await sequelize.query(statement, { transaction });
        });
      },
    })),
    storage: new SequelizeStorage({ sequelize, tableName: 'migration' }),
    logger: undefined,
  });
  const [pending, executed] = [await umzug.pending(), await umzug.executed()];
  if (pending.length > 0 && executed.length > 0) await copyBefore(sequelize, file, pending[0]!.name);
  await umzug.up();
}

/** Where the copy of a database stands that was made before its first pending migration. */
export const copyBeforePath = (file: string, migration: string): string => `${file}.before-${migration}`;

async function copyBefore(sequelize: Sequelize, file: string, migration: string): Promise<void> {
  const copy = copyBeforePath(file, migration);
  // A start that failed after the copy has changed nothing since.
  if (existsSync(copy)) return;
  const part = `${copy}.part`;
  rmSync(part, { force: true });
  await sequelize.query('VACUUM INTO ?', { replacements: [part] });
  renameSync(part, copy);
}

/** A statement ends with a semicolon at the end of its line. */
function statementsOf(sql: string): string[] {
  return sql
    .split(/;\n/)
    .map((it) => it.trim())
    .filter(Boolean);
}

const RESTORE = 'Nothing was changed. Restore a backup (bin/restore) or name another data folder.';

async function refuseUnusable(file: string): Promise<void> {
  const head = Buffer.alloc(16);
  const handle = openSync(file, 'r');
  const read = readSync(handle, head, 0, 16, 0);
  closeSync(handle);
  if (read === 0) return;
  if (head.toString('latin1') !== 'SQLite format 3\0') {
    throw new UnusableDatabase(`${file} is not a Dewline database. ${RESTORE}`);
  }
  const names = await readOnly(file, async (all) => {
    const check = await all('PRAGMA quick_check(1)');
    if (Object.values(check[0] ?? {})[0] !== 'ok') throw new Error('damaged');
    const tables = await all("SELECT name FROM sqlite_master WHERE type = 'table'");
    if (tables.length === 0) return [];
    if (!tables.some(({ name }) => name === 'migration')) throw new Error('foreign');
    return (await all('SELECT name FROM migration')).map(({ name }) => String(name));
  }).catch(() => {
    throw new UnusableDatabase(`${file} is damaged or is not a Dewline database. ${RESTORE}`);
  });
  const newer = names.filter((name) => !MIGRATIONS.some((known) => known.name === name));
  if (newer.length > 0) {
    throw new UnusableDatabase(
      `${file} was written by a newer version of Dewline (${newer.join(', ')}). Nothing was changed.` +
        ' Start the newer version, or restore an older backup.',
    );
  }
}

type All = (sql: string) => Promise<Record<string, unknown>[]>;

async function readOnly<T>(file: string, work: (all: All) => Promise<T>): Promise<T> {
  const connection = await new Promise<sqlite3.Database>((resolve, reject) => {
    const opened = new sqlite3.Database(file, sqlite3.OPEN_READONLY, (error) =>
      error ? reject(error) : resolve(opened),
    );
  });
  try {
    return await work(
      (sql) =>
        new Promise((resolve, reject) => {
          connection.all(sql, (error, rows) => (error ? reject(error) : resolve(rows as Record<string, unknown>[])));
        }),
    );
  } finally {
    await new Promise((resolve) => connection.close(resolve));
  }
}
