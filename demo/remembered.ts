/**
 * A store that remembers what it has read until somebody writes to that table. The demo lives eighteen months through
 * the services of single requests, each of which reads the same homes, machines and people again; nobody else writes
 * meanwhile.
 */
import { isPlainCondition } from '../server/store/select.ts';
import type { TableName } from '../server/store/tables.ts';
import type { Db } from '../server/store/db.ts';
import type { Store } from '../server/store/store.ts';

type Reads = Map<string, unknown>;

/** Any table, as far as remembering it goes. */
interface AnyTable {
  one(where: object, find?: object): Promise<unknown>;
  all(where: object, find?: object): Promise<unknown>;
  count(where: object): Promise<unknown>;
  insert(row: object): Promise<void>;
  insertMany(rows: readonly object[]): Promise<void>;
  append(row: object): Promise<number>;
  update(where: object, changes: object): Promise<number>;
  put(row: object): Promise<void>;
  remove(where: object): Promise<number>;
}

/** Reads are remembered for tables that are read far more often than written. */
const REMEMBERED: readonly TableName[] = [
  'organisation',
  'person',
  'roleGrant',
  'personProperty',
  'property',
  'building',
  'place',
  'tenancy',
  'machine',
  'machineServes',
  'point',
  'fact',
  'edition',
  'definedMachine',
  'fault',
  'deficiency',
  'alarm',
  'signal',
  'dayOff',
  'visit',
  'entry',
];

const copied = (found: unknown): unknown => {
  if (Array.isArray(found)) return found.map((row: object) => ({ ...row }));
  return typeof found === 'object' && found !== null ? { ...found } : found;
};

function rememberedTable(table: AnyTable, kept: Reads): AnyTable {
  const remember =
    (kind: 'one' | 'all' | 'count') =>
    async (where: object, find?: object): Promise<unknown> => {
      const read = () => table[kind](where, find);
      // Operators are named by symbols, which no key of text carries.
      if (!isPlainCondition(where)) return read();
      const key = JSON.stringify([kind, where, find]);
      if (!kept.has(key)) kept.set(key, await read());
      return copied(kept.get(key));
    };
  const forget = <Write extends (...args: never[]) => Promise<unknown>>(write: Write) =>
    (async (...args: never[]) => {
      kept.clear();
      try {
        return await write(...args);
      } finally {
        kept.clear();
      }
    }) as Write;
  return {
    one: remember('one'),
    all: remember('all'),
    count: remember('count'),
    insert: forget(table.insert),
    insertMany: forget(table.insertMany),
    append: forget(table.append),
    update: forget(table.update),
    put: forget(table.put),
    remove: forget(table.remove),
  };
}

/** The same store, which remembers its reads. */
export function rememberedStore(store: Store): Store {
  const kept = new Map<TableName, Reads>(REMEMBERED.map((name) => [name, new Map()]));
  const remembered = (db: Db): Db =>
    Object.assign(Object.create(db) as Db, {
      ...Object.fromEntries(REMEMBERED.map((name) => [name, rememberedTable(db[name], kept.get(name)!)])),
      touch: (table: TableName) => {
        kept.get(table)?.clear();
        db.touch(table);
      },
    });
  const reading = remembered(store.db);
  return Object.assign(Object.create(store) as Store, {
    db: reading,
    write: <T>(work: (db: Db) => Promise<T>) => store.write((db) => work(remembered(db))),
  });
}
