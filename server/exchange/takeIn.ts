/** Reading a whole export into an empty install: all of it, held against what it says of itself, or nothing. */
import { buffer } from 'node:stream/consumers';
import Papa from 'papaparse';
import { fromBuffer, type Entry, type ZipFile } from 'yauzl';
import { sha256, type Env } from '../context/context.ts';
import { logHead } from '../log/head.ts';
import { keepFile } from '../photos/photos.ts';
import type { Db, Table } from '../store/db.ts';
import type { TableName } from '../store/tables.ts';
import { valueOf } from './cells.ts';
import { FORMAT, type Manifest } from './exportAll.ts';
import { columnsOf, EXPORTED } from './tables.ts';

const PART = 500;

/** An export that cannot be read, said in a sentence for the person at the terminal. */
export class UnreadableExport extends Error {}

/** The files of a zip by their names. */
async function filesOf(bytes: Buffer): Promise<Map<string, () => Promise<Buffer>>> {
  const zip = await new Promise<ZipFile>((done, fail) => {
    fromBuffer(bytes, { lazyEntries: true }, (error, opened) => (error ? fail(error) : done(opened)));
  });
  const read = (entry: Entry) =>
    new Promise<Buffer>((done, fail) => {
      zip.openReadStream(entry, (error, stream) => (error ? fail(error) : done(buffer(stream))));
    });
  return new Promise((done, fail) => {
    const files = new Map<string, () => Promise<Buffer>>();
    zip.on('entry', (entry: Entry) => {
      files.set(entry.fileName, () => read(entry));
      zip.readEntry();
    });
    zip.once('end', () => done(files));
    zip.once('error', fail);
    zip.readEntry();
  });
}

function rowsOf(table: TableName, text: string): object[] {
  const { data, errors } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
  if (errors.length > 0)
    throw new UnreadableExport(`tables/${table}.csv, row ${errors[0]!.row}: ${errors[0]!.message}`);
  const columns = columnsOf(table);
  return data.map((cells, i) => {
    try {
      return Object.fromEntries(columns.map((column) => [column.name, valueOf(cells[column.name] ?? '\\N', column)]));
    } catch (error) {
      throw new UnreadableExport(`tables/${table}.csv, row ${i + 2}: ${(error as Error).message}`);
    }
  });
}

export interface TakenIn {
  readonly rows: number;
  readonly photos: number;
  readonly logHead: Manifest['logHead'];
}

/**
 * Reads an export into an empty store.
 * @throws UnreadableExport where it is none, is damaged, or is not what it says; nothing is written then
 */
export async function takeIn(env: Env, bytes: Buffer): Promise<TakenIn> {
  const { store } = env;
  if ((await store.db.organisation.count({})) > 0) throw new UnreadableExport('This install is not empty.');
  const files = await filesOf(bytes).catch(() => {
    throw new UnreadableExport('This is no zip, or it is cut off.');
  });
  const file = async (name: string) => {
    const read = files.get(name);
    if (!read) throw new UnreadableExport(`${name} is not in it.`);
    return read();
  };
  const manifest = JSON.parse((await file('manifest.json')).toString()) as Manifest;
  if (manifest.format !== FORMAT)
    throw new UnreadableExport(`It is of format ${manifest.format}; this version reads ${FORMAT}.`);
  const tables = new Map<TableName, object[]>();
  for (const table of EXPORTED) {
    const text = await file(`tables/${table}.csv`);
    const rows = rowsOf(table, text.toString());
    const says = manifest.tables[table];
    if (!says || says.rows !== rows.length || says.sha256 !== sha256(text))
      throw new UnreadableExport(`tables/${table}.csv is not what the manifest says.`);
    tables.set(table, rows);
  }
  const photos = [...files.keys()].filter((name) => /^photos\/[0-9a-f]{2}\/[0-9a-f]{64}\.jpg$/.test(name));
  if (photos.length !== manifest.photos) throw new UnreadableExport('Photos are missing.');
  for (const name of photos) {
    const picture = await file(name);
    const hash = name.slice(-68, -4);
    if (sha256(picture) !== hash) throw new UnreadableExport(`${name} is not the picture of its name.`);
    await keepFile(env.photos, hash, picture);
  }
  await store.write((db) => writeAll(db, tables));
  const [organisation] = await store.db.organisation.all({});
  const head = await logHead(store, organisation!.id);
  if (head.hash !== manifest.logHead.hash) throw new UnreadableExport('The log does not end as it did.');
  return {
    rows: [...tables.values()].reduce((sum, rows) => sum + rows.length, 0),
    photos: photos.length,
    logHead: head,
  };
}

async function writeAll(db: Db, tables: ReadonlyMap<TableName, object[]>): Promise<void> {
  // A row may stand before the one it hangs on; at the end each has to be there.
  await db.sequelize.query('PRAGMA defer_foreign_keys = ON', { transaction: db.transaction ?? null });
  for (const [table, rows] of tables) {
    const into: Pick<Table<object>, 'insertMany'> = db[table];
    for (let i = 0; i < rows.length; i += PART) await into.insertMany(rows.slice(i, i + PART));
  }
}
