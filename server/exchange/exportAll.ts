/** Everything of an organisation as one zip: a CSV a table, the photos, and a schema that explains them. */
import { createHash } from 'node:crypto';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import Papa from 'papaparse';
import { ZipFile } from 'yazl';
import type { Call } from '../context/context.ts';
import { logHead } from '../log/head.ts';
import { photoPath } from '../photos/photos.ts';
import { openSnapshot, type Row, type Snapshot } from '../sql/snapshot.ts';
import { tableNameOf } from '../store/db.ts';
import type { TableName } from '../store/tables.ts';
import { cellOf } from './cells.ts';
import { columnsOf, EXPORTED, type ExportedColumn } from './tables.ts';

export const FORMAT = 1;
const PAGE = 1000;

/** What an export says of itself: how much of what, and the head of the log that it ends with. */
export interface Manifest {
  readonly format: number;
  readonly madeAt: string;
  readonly organisation: string;
  readonly tables: Readonly<Record<string, { readonly rows: number; readonly sha256: string }>>;
  readonly photos: number;
  readonly logHead: { readonly entries: number; readonly hash: string };
}

const EXPLAINS = [
  'One file a table under tables/: CSV (RFC 4180), UTF-8, names of columns in the first line.',
  '\\N stands for nothing. A text that begins with = + - @ or \\ has a backslash in front, so that no program runs it.',
  'Days count from 1970-01-01; instants are milliseconds since then, UTC. JSON stands in text columns as it is.',
  'Photos under photos/ are named by the SHA-256 of their bytes.',
  'Passwords, links, sessions and tokens are not in here.',
  'bin/takein reads it into an empty folder; hashes of records and the head of the log come out the same.',
];

/** Passwords of the mail server stay in the house. */
function withoutKeys(table: TableName, row: Row): Row {
  if (table !== 'fact' || row.name !== 'mail' || typeof row.value !== 'string') return row;
  const mail = JSON.parse(row.value) as Record<string, unknown> | null;
  return { ...row, value: JSON.stringify(mail && { ...mail, password: '' }) };
}

async function* linesOf(
  snapshot: Snapshot,
  table: TableName,
  columns: readonly ExportedColumn[],
  organisationId: string,
  note: (text: string, rows: number) => void,
): AsyncGenerator<string> {
  const head = `${Papa.unparse([columns.map(({ name }) => name)])}\r\n`;
  note(head, 0);
  yield head;
  for (let after = -1; ;) {
    const rows = await snapshot.rowsAfter(
      tableNameOf(table),
      columns.map(({ sql, name }) => `${sql} AS ${name}`),
      organisationId,
      after,
      PAGE,
    );
    if (rows.length === 0) return;
    after = Number(rows.at(-1)!.rowid);
    const text = `${Papa.unparse(
      rows.map((row) => columns.map((column) => cellOf(withoutKeys(table, row)[column.name], column))),
    )}\r\n`;
    note(text, rows.length);
    yield text;
  }
}

/** Everything as a stream of a zip; it is read at one moment, and others go on writing. */
export async function exportAll({ env, db, actor, now }: Call): Promise<NodeJS.ReadableStream> {
  const { organisationId, organisation } = actor;
  const snapshot = await openSnapshot(db);
  const zip = new ZipFile();
  const add = async () => {
    const tables: Record<string, { rows: number; sha256: string }> = {};
    const schema: Record<string, unknown> = {};
    for (const table of EXPORTED) {
      const columns = columnsOf(table);
      schema[table] = columns.map(({ name, type, nullable, secret }) => ({
        name,
        type,
        nullable,
        ...(secret && { secret }),
      }));
      const hash = createHash('sha256');
      let rows = 0;
      const note = (text: string, more: number) => {
        hash.update(text);
        rows += more;
      };
      const lines = Readable.from(linesOf(snapshot, table, columns, organisationId, note));
      zip.addReadStream(lines, `tables/${table}.csv`);
      await new Promise((done, fail) => lines.once('end', done).once('error', fail));
      tables[table] = { rows, sha256: hash.digest('hex') };
    }
    const hashes = [
      ...new Set(
        (await db.photo.all({ organisationId, purgedAt: null }, { columns: ['hash'] })).map(({ hash }) => hash),
      ),
    ];
    const there = hashes.filter((hash) => existsSync(join(env.photos, photoPath(hash))));
    for (const hash of there)
      zip.addFile(join(env.photos, photoPath(hash)), `photos/${photoPath(hash)}`, { compress: false });
    const manifest: Manifest = {
      format: FORMAT,
      madeAt: new Date(now).toISOString(),
      organisation,
      tables,
      photos: there.length,
      logHead: await logHead(env.store, organisationId),
    };
    zip.addBuffer(Buffer.from(`${JSON.stringify({ explains: EXPLAINS, tables: schema }, null, 2)}\n`), 'schema.json');
    zip.addBuffer(Buffer.from(`${JSON.stringify(manifest, null, 2)}\n`), 'manifest.json');
    zip.end();
  };
  void add()
    .catch((error: unknown) => zip.outputStream.emit('error', error))
    .finally(() => snapshot.close());
  return zip.outputStream;
}
